import type { Box, CellScenes } from '../cell-scenes.ts';
import type { Affine } from '../polygon.ts';
import { common, shared, type Further } from './together.ts';

/** What rounding may make of 0, in px. */
const rounding = 1e-7;

/**
 * Sizes of a cell on which some numbers are above 0, all together. Most of what a check asks is so nowhere in a cell: then nothing is
 * made of the numbers that follow.
 */
export class Where implements Further {
  readonly #cell: CellScenes;
  readonly #closed: boolean;
  /** Those that are not above 0 everywhere; undefined once one of them is nowhere. */
  #left: Affine[] | undefined = [];

  /** @param closed Whether 0 counts too: what divides a cell in two belongs to both parts. */
  constructor(cell: CellScenes, closed = false) {
    this.#cell = cell;
    this.#closed = closed;
  }

  /** The numbers that are not above 0 on every screen of the cell; undefined where one of them is on none. */
  get numbers(): readonly Affine[] | undefined {
    return this.#left;
  }

  get isOver(): boolean {
    return this.#left === undefined;
  }

  /** And a number is above 0. */
  above({ x, y, c }: Affine): this {
    return this.#and(x, y, c);
  }

  /** And one number is more than so many px above another. */
  further(one: Affine, other: Affine, limit = 0): this {
    return this.#and(one.x - other.x, one.y - other.y, one.c - other.c - limit);
  }

  /** And all of these boxes have something in common that is wider and higher than a limit, in px. */
  common(boxes: readonly Box[], limit = 0): this {
    common(this, boxes, limit);
    return this;
  }

  /** And what both have in common is wider and higher than a limit, in px. */
  shared(one: readonly Box[], other: readonly Box[], limit: number): this {
    shared(this, one, other, limit);
    return this;
  }

  #and(x: number, y: number, c: number): this {
    if (!this.#left) return this;
    let least = Infinity;
    let most = -Infinity;
    for (const point of this.#cell.polygon) {
      const value = x * point.x + y * point.y + c;
      if (value < least) least = value;
      if (value > most) most = value;
    }
    const isNowhere = this.#closed ? most < -rounding : most <= 0;
    // What is 0 everywhere divides nothing.
    const isEverywhere = this.#closed ? least >= -rounding : least > 0;
    if (isNowhere) this.#left = undefined;
    else if (!isEverywhere) this.#left.push({ x, y, c });
    return this;
  }
}
