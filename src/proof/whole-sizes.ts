import { boundsOf, thickness, type Point, type Polygon } from './polygon.ts';

/* Screens have whole px: a part of the plane in which no size is whole says nothing of any screen. */

/** Sizes nearer to a part than this, in px, may be of it. */
const slack = 1e-6;
/** A part as thick as this, in px, has whole sizes, wherever it lies. */
const thickEnough = 2;

/**
 * Whether a size of whole px lies in a polygon or on its border.
 * @param isElsewhere Whether all sizes between two that lie on one line belong to what lies beside the polygon.
 */
export function holdsWholeSize(polygon: Polygon, isElsewhere: (from: Point, to: Point) => boolean): boolean {
  if (thickness(polygon) > thickEnough) return true;
  const { left, right, top, bottom } = boundsOf(polygon);
  const isAcross = right - left < bottom - top;
  const [first, last] = isAcross ? [left, right] : [top, bottom];
  for (let at = Math.ceil(first - slack); at <= last + slack; at++) {
    const [near, far] = alongAt(polygon, at, isAcross);
    const [from, to] = [Math.ceil(near - slack), Math.floor(far + slack)];
    if (from > to) continue;
    const point = (along: number): Point => (isAcross ? { x: at, y: along } : { x: along, y: at });
    if (!isElsewhere(point(from), point(to))) return true;
  }
  return false;
}

/** From where to where a line straight down (or across) lies in a polygon; nowhere where the first is larger. */
function alongAt(polygon: Polygon, at: number, isDown: boolean): readonly [near: number, far: number] {
  let near = Infinity;
  let far = -Infinity;
  let from = polygon[polygon.length - 1]!;
  for (const to of polygon) {
    const [a, b] = isDown ? [from.x, to.x] : [from.y, to.y];
    const [alongA, alongB] = isDown ? [from.y, to.y] : [from.x, to.x];
    if (Math.min(a, b) <= at + slack && Math.max(a, b) >= at - slack) {
      const isPoint = Math.abs(b - a) <= 2 * slack;
      const share = isPoint ? 0 : Math.min(1, Math.max(0, (at - a) / (b - a)));
      const along = alongA + share * (alongB - alongA);
      near = Math.min(near, along, isPoint ? alongB : along);
      far = Math.max(far, along, isPoint ? alongB : along);
    }
    from = to;
  }
  return [near, far];
}
