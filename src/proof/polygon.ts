/*
 * Convex polygons in the plane of screens: across is the width of a screen, down its height, both in device px.
 */

import { areaOf, at, cut, onLine, type Affine, type Point, type Polygon } from '../scene/index.ts';

export { areaOf, at, cut, within, type Affine, type Point, type Polygon } from '../scene/index.ts';

/** One less the other. */
export function less(one: Affine, other: Affine): Affine {
  return { x: one.x - other.x, y: one.y - other.y, c: one.c - other.c };
}

/** A number more, in px. */
export function plus({ x, y, c }: Affine, more: number): Affine {
  return { x, y, c: c + more };
}

export function times({ x, y, c }: Affine, by: number): Affine {
  return { x: x * by, y: y * by, c: c * by };
}

export function negative({ x, y, c }: Affine): Affine {
  return { x: -x, y: -y, c: -c };
}

/** Parts thinner than this, in px, are what rounding leaves. */
export const thinnest = 1e-3;

/** How thick a polygon is, about: its area by its longest side, in px. */
export function thickness(polygon: Polygon): number {
  let longest = 0;
  let from = polygon[polygon.length - 1]!;
  for (const to of polygon) {
    longest = Math.max(longest, (to.x - from.x) ** 2 + (to.y - from.y) ** 2);
    from = to;
  }
  return longest === 0 ? 0 : areaOf(polygon) / Math.sqrt(longest);
}

/** A point well inside, which is on no line that round numbers draw. @param nth Another one for each number. */
export function insideOf(polygon: Polygon, nth = 0): Point {
  const golden = (Math.sqrt(5) - 1) / 2;
  let x = 0;
  let y = 0;
  let all = 0;
  for (let at = 0; at < polygon.length; at++) {
    const point = polygon[at]!;
    const weight = 1 + (((at + 1 + nth) ** 2 * golden) % 1);
    x += point.x * weight;
    y += point.y * weight;
    all += weight;
  }
  return { x: x / all, y: y / all };
}

/** The three corners that span the largest triangle. */
export function widestThree(polygon: Polygon): readonly [Point, Point, Point] {
  let best: readonly [Point, Point, Point] = [polygon[0]!, polygon[1]!, polygon[2]!];
  let most = -1;
  for (let a = 0; a < polygon.length; a++)
    for (let b = a + 1; b < polygon.length; b++)
      for (let c = b + 1; c < polygon.length; c++) {
        const three = [polygon[a]!, polygon[b]!, polygon[c]!] as const;
        const area = areaOf(three);
        if (area > most) [best, most] = [three, area];
      }
  return best;
}

/** Numbers that are known at three points. */
export class Planes {
  readonly #from: Point;
  readonly #bx: number;
  readonly #by: number;
  readonly #cx: number;
  readonly #cy: number;

  constructor([a, b, c]: readonly [Point, Point, Point]) {
    this.#from = a;
    this.#bx = b.x - a.x;
    this.#by = b.y - a.y;
    this.#cx = c.x - a.x;
    this.#cy = c.y - a.y;
  }

  /** The one that is so much at each of them. */
  through(atA: number, atB: number, atC: number): Affine {
    const all = this.#bx * this.#cy - this.#cx * this.#by;
    const x = ((atB - atA) * this.#cy - (atC - atA) * this.#by) / all;
    const y = ((atC - atA) * this.#bx - (atB - atA) * this.#cx) / all;
    return { x, y, c: atA - x * this.#from.x - y * this.#from.y };
  }
}

/** How far a point is inside of a polygon, in px: its distance from the nearest border; below 0 outside of it. */
export function depthIn(polygon: Polygon, point: Point): number {
  if (polygon.length < 3) return -Infinity;
  const middle = insideOf(polygon);
  let least = Infinity;
  let from = polygon[polygon.length - 1]!;
  for (const to of polygon) {
    const across = to.x - from.x;
    const down = to.y - from.y;
    const long = Math.sqrt(across * across + down * down);
    if (long >= onLine) {
      const isLeft = across * (middle.y - from.y) < down * (middle.x - from.x);
      const side = (across * (point.y - from.y) - down * (point.x - from.x)) / long;
      least = Math.min(least, isLeft ? -side : side);
    }
    from = to;
  }
  return least;
}

export function contains(polygon: Polygon, point: Point): boolean {
  return depthIn(polygon, point) >= -onLine;
}

/** Above 0 inside of a polygon, one for each side. */
export function sidesOf(polygon: Polygon): readonly Affine[] {
  const middle = insideOf(polygon);
  return polygon.map((from, nth) => {
    const to = polygon[(nth + 1) % polygon.length]!;
    const [x, y] = [from.y - to.y, to.x - from.x];
    const line = { x, y, c: -(x * from.x + y * from.y) };
    return at(line, middle) < 0 ? negative(line) : line;
  });
}

/** What is left of a polygon without another one, as convex parts; slivers thinner than `least`, in px, are left out. */
export function without(polygon: Polygon, taken: Polygon, least: number): readonly Polygon[] {
  return beside(polygon, sidesOf(taken), least);
}

function beside(polygon: Polygon, sides: readonly Affine[], least: number): readonly Polygon[] {
  const parts: Polygon[] = [];
  let left = polygon;
  for (const side of sides) {
    if (left.length === 0) break;
    const { above, below } = cut(left, side);
    if (below.length > 2 && thickness(below) > least) parts.push(below);
    left = above;
  }
  // The whole of it where the two have nothing in common.
  return left.length > 2 && thickness(left) > least ? parts : [polygon];
}

/** The rectangle around a polygon. */
export function boundsOf(polygon: Polygon): { left: number; right: number; top: number; bottom: number } {
  let [left, right, top, bottom] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const { x, y } of polygon) {
    left = Math.min(left, x);
    right = Math.max(right, x);
    top = Math.min(top, y);
    bottom = Math.max(bottom, y);
  }
  return { left, right, top, bottom };
}

/** Each polygon once: the same one comes again on every occasion that changes nothing about it. */
export function distinct(parts: readonly Polygon[]): readonly Polygon[] {
  const known = new Map<string, Polygon>();
  for (const part of parts) known.set(keyOfPolygon(part), part);
  return [...known.values()];
}

/** The same for two polygons whose corners are the same, in the same order, to 0.001 px. */
export function keyOfPolygon(polygon: Polygon): string {
  return polygon.map(({ x, y }) => `${x.toFixed(3)},${y.toFixed(3)}`).join(' ');
}

/** What of some polygons lies in none of others, as convex parts; slivers thinner than `least`, in px, are left out. */
export function subtract(
  some: readonly Polygon[],
  others: Iterable<Polygon>,
  least: number,
): readonly Polygon[] {
  const taken = new Taken();
  for (const one of others) taken.add(one);
  return some.flatMap((one) => taken.leave(one, least));
}

/** An area as a share of another it lies in, from 0 to 1, without what adding areas up makes of it. */
export function shareOf(area: number, whole: number): number {
  return Math.min(1, Math.max(0, Math.round((area / whole) * 1e12) / 1e12));
}

/** The area that polygons cover together, in px². */
export function unionArea(polygons: readonly Polygon[]): number {
  const taken = new Taken();
  let area = 0;
  // The largest first: most of the others lie in one of them.
  const parts = distinct(polygons).map((polygon) => ({ polygon, own: areaOf(polygon) }));
  for (const { polygon } of parts.sort((a, b) => b.own - a.own)) {
    const left = taken.leave(polygon, 1e-6);
    for (const part of left) area += areaOf(part);
    if (left.length > 0) taken.add(polygon);
  }
  return area;
}

/** Polygons that are taken from others. */
class Taken {
  readonly #all: { readonly bounds: ReturnType<typeof boundsOf>; readonly sides: readonly Affine[] }[] = [];

  add(polygon: Polygon): void {
    this.#all.push({ bounds: boundsOf(polygon), sides: sidesOf(polygon) });
  }

  /** What is left of a polygon without them; slivers thinner than `least`, in px, are left out. */
  leave(polygon: Polygon, least: number): readonly Polygon[] {
    const own = boundsOf(polygon);
    let left: readonly Polygon[] = [polygon];
    for (const { bounds, sides } of this.#all) {
      if (left.length === 0) break;
      if (own.left >= bounds.right || bounds.left >= own.right) continue;
      if (own.top >= bounds.bottom || bounds.top >= own.bottom) continue;
      left = left.flatMap((part) => beside(part, sides, least));
    }
    return left;
  }
}
