import { replaceEntries, type Range } from '../layout/index.ts';

/** Where widgets stood when somebody last asked, while others come and go. */
export class Replaced {
  /** By index: the index then, counted from 1; 0 of one that was not there. Undefined where all stand where they did. */
  #before: Int32Array | undefined;

  /** @param count Of all widgets, before. */
  note(range: Range, count: number): void {
    const most = Math.max(count, count + range.added - range.removed);
    let before = this.#before;
    if (before === undefined || before.length < most) {
      const known = before;
      before = new Int32Array(most + (most >> 2));
      if (known) before.set(known);
      else for (let n = 0; n < count; n++) before[n] = n + 1;
      this.#before = before;
    }
    replaceEntries(before, range, count);
  }

  take(): Int32Array | undefined {
    const before = this.#before;
    this.#before = undefined;
    return before;
  }
}
