import type { Rect } from '../layout/index.ts';
import { areaOf, cornersOf, insideOfRect, within, type Polygon } from './convex.ts';
import { across, pointIn, rectIn, type Across } from './frames.ts';
import { intersection, overshoot, type EdgeName } from './geometry.ts';
import type { Cutter, Scene } from './scene.ts';

/*
 * What of a widget is cut off, also where it is turned otherwise than what cuts it: edges are those of what cuts, shares are exact.
 */

/** How far a rectangle of a widget, in its own frame, reaches past each edge of what cuts it off for good, in px as that is drawn; 0 where it does not. */
export function pastCutters(scene: Scene, index: number, rect: Rect): Readonly<Record<EdgeName, number>> {
  const past = { left: 0, right: 0, top: 0, bottom: 0 };
  const clip = scene.cutter(index);
  if (!clip) return past;
  if (scene.form.turner[index] === 0) return overshoot(rect, clip);
  for (const cutter of scene.cutters(index)) {
    const over = overshoot(rectIn(rect, across(scene, index, cutter.index)), cutter.rect);
    for (const [edge, distance] of Object.entries(over) as [EdgeName, number][])
      past[edge] = Math.max(past[edge], distance * scene.form.scale[cutter.index]!);
  }
  return past;
}

/** The share of the border box of a widget, of one that has an area, that nothing cuts off for good. */
export function shareLeft(scene: Scene, index: number): number {
  const clip = scene.cutter(index);
  if (!clip) return 1;
  const rect = scene.rect(index);
  if (scene.form.turner[index] === 0) {
    const left = intersection(rect, clip);
    return (left.width * left.height) / (rect.width * rect.height);
  }
  return areaOf(leftWithin(scene, index, rect, scene.cutters(index))) / (rect.width * rect.height);
}

/** The corners, in the frame of a widget, of what rectangles of others leave of one of its own, each in its own frame. */
export function leftWithin(scene: Scene, index: number, rect: Rect, others: readonly Cutter[]): Polygon {
  let left = cornersOf(rect);
  for (const other of others) {
    const there = placed(left, across(scene, index, other.index));
    left = placed(within(there, insideOfRect(other.rect)), across(scene, other.index, index));
  }
  return left;
}

function placed(polygon: Polygon, to: Across | undefined): Polygon {
  return polygon.map(({ x, y }) => {
    const [placedX, placedY] = pointIn(to, x, y);
    return { x: placedX, y: placedY };
  });
}
