import type { Rect } from '../layout/index.ts';
import type { Effort } from './effort.ts';

/** Up to so many rectangles, looking at each is faster than any index. */
const fewRects = 160;
/** A rectangle over more cells than this goes into a list of its own: it meets nearly everything. */
const mostCells = 64;

/** Rectangles that are found by where they are: a row of numbers each, and where they are many a grid of about as many cells. */
export class RectGrid {
  readonly #indexes: readonly number[];
  /** Left, top, right, bottom of each that has an area. */
  readonly #edges: Float64Array;
  readonly #cells: Cells | undefined;
  readonly #effort: Effort | undefined;

  /**
   * @param indexes What is to be found again.
   * @param rectOf Where it is; one without an area is never found.
   * @param effort What pays for whatever is found.
   */
  constructor(indexes: readonly number[], rectOf: (index: number) => Rect, effort?: Effort) {
    this.#effort = effort;
    const kept: number[] = [];
    const edges = new Float64Array(4 * indexes.length);
    for (const index of indexes) {
      const { x, y, width, height } = rectOf(index);
      if (!(width > 0 && height > 0)) continue;
      const at = 4 * kept.length;
      edges[at] = x;
      edges[at + 1] = y;
      edges[at + 2] = x + width;
      edges[at + 3] = y + height;
      kept.push(index);
    }
    this.#indexes = kept;
    this.#edges = edges;
    if (kept.length > fewRects) this.#cells = new Cells(edges, kept.length);
  }

  /**
   * Indexes of the rectangles that are no further from a point than half a unit on each axis, in no order, some of them twice.
   * @param found A list that is used for it: asking makes no object.
   */
  under(x: number, y: number, found: number[]): readonly number[] {
    found.length = 0;
    const cells = this.#cells;
    if (!cells) {
      for (let nth = 0; nth < this.#indexes.length; nth++) this.#addUnder(nth, x, y, found);
      return found;
    }
    // The point may be that near to another cell.
    const from = cells.columnOf(x - 0.5);
    const to = cells.columnOf(x + 0.5);
    const top = cells.rowOf(y - 0.5);
    const end = cells.rowOf(y + 0.5);
    for (let down = top; down <= end; down++)
      for (let across = from; across <= to; across++) {
        const list = cells.at(down, across);
        if (list) for (let at = 0; at < list.length; at++) this.#addUnder(list[at]!, x, y, found);
      }
    const { large } = cells;
    for (let at = 0; at < large.length; at++) this.#addUnder(large[at]!, x, y, found);
    return found;
  }

  #addUnder(nth: number, x: number, y: number, found: number[]): void {
    const edges = this.#edges;
    const at = 4 * nth;
    if (
      edges[at]! < x + 0.5 &&
      x - 0.5 < edges[at + 2]! &&
      edges[at + 1]! < y + 0.5 &&
      y - 0.5 < edges[at + 3]!
    )
      found.push(this.#indexes[nth]!);
  }

  /** Indexes of the rectangles that meet another one, each once, in no order. */
  meeting({ x, y, width, height }: Rect): number[] {
    const found: number[] = [];
    const [right, bottom] = [x + width, y + height];
    const edges = this.#edges;
    const indexes = this.#indexes;
    let looked = 0;
    const take = (nth: number) => {
      looked++;
      const at = 4 * nth;
      if (edges[at]! < right && x < edges[at + 2]! && edges[at + 1]! < bottom && y < edges[at + 3]!)
        found.push(indexes[nth]!);
    };
    if (!this.#cells?.each(x, y, right, bottom, take))
      for (let nth = 0; nth < indexes.length; nth++) take(nth);
    this.#effort?.compare(found.length, looked - found.length);
    return found;
  }
}

/** Which rectangles lie on which cell of a grid. */
class Cells {
  readonly #cells = new Map<number, number[]>();
  /** Those that lie on very many. */
  readonly large: number[] = [];
  readonly #left: number;
  readonly #top: number;
  readonly #side: number;
  readonly #columns: number;
  /** When each was last handed on: by which question. */
  readonly #asked: Uint32Array;
  #question = 0;

  constructor(edges: Float64Array, count: number) {
    let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
    for (let at = 0; at < 4 * count; at += 4) {
      left = Math.min(left, edges[at]!);
      top = Math.min(top, edges[at + 1]!);
      right = Math.max(right, edges[at + 2]!);
      bottom = Math.max(bottom, edges[at + 3]!);
    }
    this.#left = left;
    this.#top = top;
    this.#side = Math.max(1e-3, Math.sqrt(((right - left) * (bottom - top)) / count) || 1);
    this.#columns = Math.floor((right - left) / this.#side) + 3;
    this.#asked = new Uint32Array(count);
    for (let nth = 0; nth < count; nth++) {
      const at = 4 * nth;
      const small = this.#eachCell(edges[at]!, edges[at + 1]!, edges[at + 2]!, edges[at + 3]!, (cell) => {
        const known = this.#cells.get(cell);
        if (known) known.push(nth);
        else this.#cells.set(cell, [nth]);
      });
      if (!small) this.large.push(nth);
    }
  }

  /** Calls once with whatever shares a cell with a rectangle; false, and no call, of one that lies on very many. */
  each(x: number, y: number, right: number, bottom: number, call: (nth: number) => void): boolean {
    this.#question++;
    const small = this.#eachCell(x, y, right, bottom, (cell) => {
      for (const nth of this.#cells.get(cell) ?? []) {
        if (this.#asked[nth] === this.#question) continue;
        this.#asked[nth] = this.#question;
        call(nth);
      }
    });
    if (small) for (const nth of this.large) call(nth);
    return small;
  }

  /** What lies on a cell, but for what lies on very many. */
  at(row: number, column: number): readonly number[] | undefined {
    return this.#cells.get(row * this.#columns + column);
  }

  /** Calls with the cells a rectangle lies on; false, and no call, of one that lies on very many. */
  #eachCell(x: number, y: number, right: number, bottom: number, call: (cell: number) => void): boolean {
    const [from, to] = [this.columnOf(x), this.columnOf(right)];
    const [top, end] = [this.rowOf(y), this.rowOf(bottom)];
    if ((to - from + 1) * (end - top + 1) > mostCells) return false;
    for (let down = top; down <= end; down++)
      for (let across = from; across <= to; across++) call(down * this.#columns + across);
    return true;
  }

  columnOf(x: number): number {
    return Math.min(this.#columns - 1, Math.max(0, Math.floor((x - this.#left) / this.#side) + 1));
  }

  rowOf(y: number): number {
    return Math.max(0, Math.floor((y - this.#top) / this.#side) + 1);
  }
}
