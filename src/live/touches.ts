import type { LiveNode } from './node.ts';

/** What has changed since somebody last asked; some of it twice. */
export class Touches {
  #touched: LiveNode[] = [];
  #spare: LiveNode[] = [];
  /** Whether more has changed than is listed. */
  #isMore = true;

  /** @param most How many are listed at the most. */
  add(node: LiveNode, most: number): void {
    if (this.#isMore) return;
    this.#touched.push(node);
    if (this.#touched.length > most) this.#isMore = true;
  }

  /** What has changed since this was last called; undefined where that is as good as everything. */
  take(): readonly LiveNode[] | undefined {
    const touched = this.#touched;
    const isMore = this.#isMore;
    this.#touched = this.#spare;
    this.#touched.length = 0;
    this.#spare = touched;
    this.#isMore = false;
    return isMore ? undefined : touched;
  }
}
