import { movedIndex, type Range } from './range.ts';

/**
 * A set of small whole numbers that is emptied from one end. A pass that goes down a tree takes the lowest
 * (parents before their children), one that goes up the highest. While it is being emptied, only numbers beyond
 * the one just taken may be added: the children of it going down, its parents going up.
 */
export class Marks {
  readonly #words: Int32Array;
  #low: number;
  #high: number;

  constructor(count: number) {
    this.#words = new Int32Array((count + 31) >>> 5);
    this.#low = this.#words.length;
    this.#high = -1;
  }

  add(n: number): void {
    const word = n >>> 5;
    this.#words[word] = this.#words[word]! | (1 << (n & 31));
    if (word < this.#low) this.#low = word;
    if (word > this.#high) this.#high = word;
  }

  /** Entries take the place of others: whoever stands behind them stays marked, and who is removed is not. */
  replaceRange(range: Range): void {
    const marked: number[] = [];
    for (let n = this.takeLowest(); n >= 0; n = this.takeLowest()) marked.push(n);
    for (const n of marked) {
      const moved = movedIndex(n, range);
      if (moved >= 0) this.add(moved);
    }
  }

  /** Takes out the lowest; -1 when there is none. */
  takeLowest(): number {
    const words = this.#words;
    for (let at = this.#low; at <= this.#high; at++) {
      const word = words[at]!;
      if (word === 0) continue;
      const bit = 31 - Math.clz32(word & -word);
      words[at] = word & (word - 1);
      this.#low = at;
      return (at << 5) + bit;
    }
    this.#low = words.length;
    this.#high = -1;
    return -1;
  }

  /** Takes out the highest; -1 when there is none. */
  takeHighest(): number {
    const words = this.#words;
    for (let at = this.#high; at >= this.#low; at--) {
      const word = words[at]!;
      if (word === 0) continue;
      const bit = 31 - Math.clz32(word);
      words[at] = word & ~(1 << bit);
      this.#high = at;
      return (at << 5) + bit;
    }
    this.#low = words.length;
    this.#high = -1;
    return -1;
  }
}
