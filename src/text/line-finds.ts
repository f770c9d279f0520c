/**
 * Where the lines of a text end, by the widths of its pieces, and how many there are. Windows are dragged to and fro:
 * the two last counts are kept with the rooms between which they hold.
 */
export class LineFinds {
  /** In turn the width of each piece with the spaces at its end, and without. */
  readonly #widths: Float64Array;
  /** Indexes of the pieces after which a line has to end, rising. */
  readonly #ends: readonly number[];
  #low = Infinity;
  #high = -Infinity;
  #count = 0;
  #lowBefore = Infinity;
  #highBefore = -Infinity;
  #countBefore = 0;

  constructor(widths: Float64Array, ends: readonly number[]) {
    this.#widths = widths;
    this.#ends = ends;
  }

  /** How many lines there are in the room that is handed over as `exchange[0]`. */
  countIn(exchange: Float64Array): number {
    const room = exchange[0]!;
    if (room >= this.#low && room < this.#high) return this.#count;
    const low = this.#lowBefore;
    const high = this.#highBefore;
    const count = this.#countBefore;
    this.#lowBefore = this.#low;
    this.#highBefore = this.#high;
    this.#countBefore = this.#count;
    if (room >= low && room < high) {
      this.#low = low;
      this.#high = high;
      this.#count = count;
    } else this.#countAnew(room);
    return this.#count;
  }

  /** The same without remembering. */
  linesIn(room: number): number {
    const pieces = this.#widths.length / 2;
    let count = 0;
    for (let from = 0; from < pieces; from = this.lineEnd(from, room)) count++;
    return Math.max(1, count);
  }

  /** The rooms, from the first up to but not including the second, in which every line ends where it ends in this one. */
  between(room: number): readonly [from: number, to: number] {
    this.#countAnew(room);
    return [this.#low, this.#high];
  }

  #countAnew(room: number): void {
    const pieces = this.#widths.length / 2;
    this.#low = -Infinity;
    this.#high = Infinity;
    this.#count = 0;
    for (let from = 0; from < pieces; from = this.lineEnd(from, room)) this.#count++;
  }

  /**
   * One past the last piece of the line that starts at `from`. Narrows the rooms the last count is known to hold in;
   * that is right for the room of that count and harmless for any other.
   */
  lineEnd(from: number, room: number): number {
    const widths = this.#widths;
    const pieces = widths.length / 2;
    let filled = 0;
    for (let to = from; to < pieces; to++) {
      const ink = filled + widths[2 * to + 1]!;
      if (to > from) {
        if (ink > room) {
          if (ink < this.#high) this.#high = ink;
          return to;
        }
        if (ink > this.#low) this.#low = ink;
      }
      filled += widths[2 * to]!;
      if (this.#ends.length > 0 && this.#ends.includes(to)) return to + 1;
    }
    return pieces;
  }
}
