import { at, contains, insideOf, less, type Affine, type Point, type Polygon } from './polygon.ts';

/** What a check measures: the least of some numbers, or another one that follows from the size. */
export type Measure = readonly Affine[] | ((point: Point) => number);

/** Where something is worst, and by how much. */
export interface Deepest {
  readonly deepest: Point;
  readonly depth: number;
}

/** How far a corner is drawn to the inside of its polygon, as a share and in px: a corner itself belongs to other cells too. */
const inwards = { share: 0.001, px: 0.1 };

/**
 * The size of a polygon on which a measure is largest. The least of affine numbers is concave, so that it may be largest where two or
 * three of them are the same; any other measure is climbed up from the best of its corners and its inside.
 * @param most What is known of other polygons: where it cannot be more in this one, its corners are enough.
 */
export function deepest(polygon: Polygon, measure: Measure, most = -Infinity): Deepest {
  const inside = insideOf(polygon);
  const numbers = typeof measure === 'function' ? [] : measure;
  const depthAt = (point: Point) =>
    typeof measure === 'function' ? measure(point) : leastOf(numbers, point);
  let best: Deepest = { deepest: inside, depth: -Infinity };
  const look = (point: Point) => {
    const depth = depthAt(point);
    if (depth > best.depth + 1e-9) best = { deepest: point, depth };
  };
  // Where it is as bad in many places, the smallest of the corners is told.
  for (const corner of insideCorners(polygon).toSorted((a, b) => a.x + a.y - b.x - b.y)) look(corner);
  look(inside);
  if (typeof measure === 'function') return climbed(polygon, measure, best);
  if (numbers.length < 2) return best;
  const bound = Math.min(
    ...numbers.map((number) => Math.max(...polygon.map((corner) => at(number, corner)))),
  );
  if (bound - best.depth < enough || bound <= most) return best;
  for (const place of meetings(polygon, numbers)) look(drawnIn(place, inside));
  return best;
}

/** A better place than the best one known, on the way from it to each corner. */
function climbed(polygon: Polygon, measure: (point: Point) => number, from: Deepest): Deepest {
  let best = from;
  const targets = [...insideCorners(polygon), insideOf(polygon)];
  for (let step = 0.5; step > 1 / 128; step /= 2)
    for (const target of targets) {
      const { x, y } = best.deepest;
      const point = { x: x + (target.x - x) * step, y: y + (target.y - y) * step };
      const depth = measure(point);
      if (depth > best.depth) best = { deepest: point, depth };
    }
  return best;
}

/** The corners of a polygon, drawn to its inside by a hair. */
export function insideCorners(polygon: Polygon): readonly Point[] {
  const inside = insideOf(polygon);
  return polygon.map((corner) => drawnIn(corner, inside));
}

function drawnIn(place: Point, inside: Point): Point {
  const [across, down] = [inside.x - place.x, inside.y - place.y];
  const share = Math.min(inwards.share, inwards.px / Math.hypot(across, down));
  return { x: place.x + across * share, y: place.y + down * share };
}

/** Less than so much more, in px, is told by nobody. */
const enough = 0.1;

function leastOf(numbers: readonly Affine[], point: Point): number {
  let least = Infinity;
  for (const number of numbers) least = Math.min(least, at(number, point));
  return least;
}

/** The places of a polygon at which three of some numbers are the same, or two on its border. */
function* meetings(polygon: Polygon, numbers: readonly Affine[]): Generator<Point> {
  const all = eachOnce(numbers);
  for (let one = 0; one < all.length; one++)
    for (let other = one + 1; other < all.length; other++) {
      const line = less(all[one]!, all[other]!);
      let [from, was] = [polygon.at(-1)!, at(line, polygon.at(-1)!)];
      let [isAbove, isBelow] = [false, false];
      for (const to of polygon) {
        const is = at(line, to);
        if (is > 0) isAbove = true;
        else isBelow = true;
        if (was * is < 0) {
          const share = was / (was - is);
          yield { x: from.x + (to.x - from.x) * share, y: from.y + (to.y - from.y) * share };
        }
        [from, was] = [to, is];
      }
      // Three are the same inside only where two are.
      if (!isAbove || !isBelow) continue;
      for (let third = other + 1; third < all.length; third++) {
        const place = crossing(line, less(all[one]!, all[third]!));
        if (place && contains(polygon, place)) yield place;
      }
    }
}

function eachOnce(numbers: readonly Affine[]): readonly Affine[] {
  return [...new Map(numbers.map((one) => [`${one.x} ${one.y} ${one.c}`, one])).values()];
}

/** Where two lines cross. */
function crossing(one: Affine, other: Affine): Point | undefined {
  const all = one.x * other.y - other.x * one.y;
  if (Math.abs(all) < 1e-12) return undefined;
  return { x: (one.y * other.c - other.y * one.c) / all, y: (other.x * one.c - one.x * other.c) / all };
}
