import { weighted } from '../layout/index.ts';
import { negative, plus, type Affine, type Point, type Polygon } from './polygon.ts';
import type { BoundedRegion } from './region.ts';

/*
 * The fitted scale where it is one mean of both sides of a screen (docs/layout-model.md, 1.1): (W / Wr)^(1 − t) · (H / Hr)^t. That of
 * a width is one with t = 0, that of a height one with t = 1.
 */

export interface Span {
  readonly least: number;
  readonly most: number;
}

/** A mean of both sides, on screens of some aspects. */
export class Mean {
  readonly aspects: Span;
  /** In u. */
  readonly #width: number;
  readonly #height: number;
  /** How much of it the height is, from 0 to 1. */
  readonly #share: number;

  constructor(reference: { readonly width: number; readonly height: number }, share: number, aspects: Span) {
    this.aspects = aspects;
    this.#width = reference.width;
    this.#height = reference.height;
    this.#share = share;
  }

  /** The mean of one size. */
  of({ x, y }: Point): number {
    return weighted(x / this.#width, y / this.#height, this.#share);
  }

  /** The least and the most of the sizes of a polygon. */
  on(part: Polygon): Span {
    // It is concave, and grows with both sides: it is least in a corner, and most on a border.
    const corners = part.map((point) => this.of(point));
    const most = part.map((from, nth) => this.of(this.#mostBetween(from, part[(nth + 1) % part.length]!)));
    return { least: Math.min(...corners), most: Math.max(...corners, ...most) };
  }

  /** The point of a line on which it is most. */
  #mostBetween(from: Point, to: Point): Point {
    const [across, down] = [to.x - from.x, to.y - from.y];
    if (across * down >= 0) return to;
    // Where the derivative of its logarithm is 0.
    const share = -((1 - this.#share) * from.y) / down - (this.#share * from.x) / across;
    if (!(share > 0 && share < 1)) return to;
    return { x: from.x + across * share, y: from.y + down * share };
  }

  /** The sizes on which it is between two numbers; where their border is curved, a few beside them. */
  between({ least, most }: Span): BoundedRegion {
    const { aspects } = this;
    const own = this.#width / this.#height;
    const width = (aspect: number) => this.#width * (aspect / own) ** this.#share;
    const height = (aspect: number) => this.#height * (aspect / own) ** (this.#share - 1);
    const lines: Affine[] = [];
    if (this.#share > 0 && this.#share < 1) {
      if (least > 0) lines.push(plus(this.#tangent, -least));
      if (most < Infinity) lines.push(plus(negative(this.#chord), most));
    }
    return {
      from: { width: least * width(aspects.least), height: least * height(aspects.most) },
      to: { width: most * width(aspects.most), height: most * height(aspects.least) },
      aspect: aspects,
      lines,
    };
  }

  /** A number that is nowhere below the mean, and the same on the middle of the aspects. */
  get #tangent(): Affine {
    const { least, most } = this.aspects;
    const middle = { x: Math.sqrt(least * most), y: 1 };
    const mean = this.of(middle);
    return { x: ((1 - this.#share) * mean) / middle.x, y: this.#share * mean, c: 0 };
  }

  /** A number that is nowhere above the mean, and the same on the least of the aspects and the most. */
  get #chord(): Affine {
    const { least, most } = this.aspects;
    const [first, last] = [this.of({ x: least, y: 1 }), this.of({ x: most, y: 1 })];
    const x = (last - first) / (most - least);
    return { x, y: first - x * least, c: 0 };
  }
}

/** How much more than the sizes between two means may be taken for them, as a share. */
const spill = 1 / 200;

/** The same mean on slices of some aspects, so thin that its curves are lines in each, as nearly as {@link spill}. */
export function slices(
  reference: { readonly width: number; readonly height: number },
  share: number,
  { least, most }: Span,
): readonly Mean[] {
  // The tangent in the middle of a slice is off by share · (1 − share) / 8 of the square of its logarithm, at its ends.
  const curve = (share * (1 - share)) / 8;
  const count = Math.max(1, Math.ceil(Math.log(most / least) * Math.sqrt(curve / spill)));
  const aspect = (nth: number) => (nth === count ? most : least * (most / least) ** (nth / count));
  return Array.from(
    { length: count },
    (_, nth) => new Mean(reference, share, { least: aspect(nth), most: aspect(nth + 1) }),
  );
}
