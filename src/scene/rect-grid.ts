import type { Rect } from '../layout/index.ts';
import { meet } from './geometry.ts';

/** A rectangle over more cells than this goes into a list of its own: it meets nearly everything. */
const mostCells = 64;

/** Rectangles that are found by where they are: a grid of about as many cells as there are of them. */
export class RectGrid {
  readonly #rects = new Map<number, Rect>();
  readonly #cells = new Map<number, number[]>();
  readonly #large: number[] = [];
  readonly #left: number;
  readonly #top: number;
  readonly #side: number;
  readonly #columns: number;

  /** @param indexes What is to be found again. @param rectOf Where it is; one without an area is never found. */
  constructor(indexes: readonly number[], rectOf: (index: number) => Rect) {
    let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
    for (const index of indexes) {
      const rect = rectOf(index);
      if (!(rect.width > 0 && rect.height > 0)) continue;
      this.#rects.set(index, rect);
      left = Math.min(left, rect.x);
      top = Math.min(top, rect.y);
      right = Math.max(right, rect.x + rect.width);
      bottom = Math.max(bottom, rect.y + rect.height);
    }
    const count = Math.max(1, this.#rects.size);
    this.#left = left;
    this.#top = top;
    this.#side = Math.max(1e-3, Math.sqrt(((right - left) * (bottom - top)) / count) || 1);
    this.#columns = Math.floor((right - left) / this.#side) + 3;
    for (const [index, rect] of this.#rects) {
      const cells = this.#cellsOf(rect);
      if (!cells) this.#large.push(index);
      else
        for (const cell of cells) {
          const known = this.#cells.get(cell);
          if (known) known.push(index);
          else this.#cells.set(cell, [index]);
        }
    }
  }

  /** Indexes of the rectangles that meet another one, each once, in no order. */
  meeting(rect: Rect): readonly number[] {
    const cells = this.#cellsOf(rect);
    const found: number[] = [];
    if (!cells) {
      for (const [index, one] of this.#rects) if (meet(one, rect)) found.push(index);
      return found;
    }
    for (const index of this.#large) if (meet(this.#rects.get(index)!, rect)) found.push(index);
    if (cells.length === 1) {
      for (const index of this.#cells.get(cells[0]!) ?? [])
        if (meet(this.#rects.get(index)!, rect)) found.push(index);
      return found;
    }
    const seen = new Set<number>();
    for (const cell of cells)
      for (const index of this.#cells.get(cell) ?? [])
        if (!seen.has(index)) {
          seen.add(index);
          if (meet(this.#rects.get(index)!, rect)) found.push(index);
        }
    return found;
  }

  /** The cells a rectangle lies on; undefined of one that lies on very many. */
  #cellsOf({ x, y, width, height }: Rect): readonly number[] | undefined {
    const column = (at: number) =>
      Math.min(this.#columns - 1, Math.max(0, Math.floor((at - this.#left) / this.#side) + 1));
    const row = (at: number) => Math.max(0, Math.floor((at - this.#top) / this.#side) + 1);
    const [left, right] = [column(x), column(x + width)];
    const [top, bottom] = [row(y), row(y + height)];
    if ((right - left + 1) * (bottom - top + 1) > mostCells) return undefined;
    const cells: number[] = [];
    for (let down = top; down <= bottom; down++)
      for (let across = left; across <= right; across++) cells.push(down * this.#columns + across);
    return cells;
  }
}
