/*
 * Convex polygons in a plane, and the half-planes that cut them.
 */

import type { Rect } from '../layout/index.ts';

export interface Point {
  readonly x: number;
  readonly y: number;
}

/** The corners of a convex polygon, one after the other; empty where there is none. */
export type Polygon = readonly Point[];

/** A number of each place in the plane, in px: `x` times the first length there plus `y` times the second plus `c`. */
export interface Affine {
  readonly x: number;
  readonly y: number;
  readonly c: number;
}

export function at({ x, y, c }: Affine, point: Point): number {
  return x * point.x + y * point.y + c;
}

/** Corners nearer to a line than this, in px, lie on it. */
export const onLine = 1e-7;

/** What the number of a point is divided by for its distance from the line where the number is 0, in px of the plane. */
function steepness({ x, y }: Affine): number {
  const steep = Math.sqrt(x * x + y * y);
  return steep < 1e-12 ? 1 : steep;
}

/** The parts of a polygon on the two sides of a line: where the number is not below 0, and where it is not above. */
export function cut(polygon: Polygon, line: Affine): { readonly above: Polygon; readonly below: Polygon } {
  const steep = steepness(line);
  // Corners on the line are on both sides.
  const sideOf = (point: Point): number => {
    const far = at(line, point) / steep;
    return Math.abs(far) <= onLine ? 0 : far;
  };
  let [isAbove, isBelow] = [true, true];
  for (const point of polygon) {
    const far = sideOf(point);
    if (far < 0) isAbove = false;
    else if (far !== 0) isBelow = false;
  }
  if (isAbove) return { above: polygon, below: [] };
  if (isBelow) return { above: [], below: polygon };
  const above: Point[] = [];
  const below: Point[] = [];
  for (let nth = 0; nth < polygon.length; nth++) {
    const point = polygon[nth]!;
    const other = polygon[nth + 1 === polygon.length ? 0 : nth + 1]!;
    const here = sideOf(point);
    const there = sideOf(other);
    if (here >= 0) above.push(point);
    if (here <= 0) below.push(point);
    if (here * there < 0) {
      const share = here / (here - there);
      const between = { x: point.x + (other.x - point.x) * share, y: point.y + (other.y - point.y) * share };
      above.push(between);
      below.push(between);
    }
  }
  return { above, below };
}

/** What is left of a polygon where none of the numbers is below 0. */
export function within(polygon: Polygon, all: readonly Affine[]): Polygon {
  let left = polygon;
  for (const line of all) {
    if (left.length === 0) return left;
    left = cut(left, line).above;
  }
  return left;
}

/** In px². */
export function areaOf(polygon: Polygon): number {
  let twice = 0;
  let from = polygon[polygon.length - 1]!;
  for (const to of polygon) {
    twice += from.x * to.y - to.x * from.y;
    from = to;
  }
  return Math.abs(twice) / 2;
}

/** The corners of a rectangle. */
export function cornersOf({ x, y, width, height }: Rect): Polygon {
  return [
    { x, y },
    { x: x + width, y },
    { x: x + width, y: y + height },
    { x, y: y + height },
  ];
}

/** What is not below 0 within a rectangle: a number for each side. */
export function insideOfRect({ x, y, width, height }: Rect): readonly Affine[] {
  return [
    { x: 1, y: 0, c: -x },
    { x: 0, y: 1, c: -y },
    { x: -1, y: 0, c: x + width },
    { x: 0, y: -1, c: y + height },
  ];
}
