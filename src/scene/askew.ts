import { turnedOn, turnsOf } from '../inside/index.ts';
import type { Rect } from '../layout/index.ts';
import type { Scene } from './scene.ts';

type Point = readonly [x: number, y: number];

/**
 * How deep two widgets that are turned otherwise reach into each other, in px, along each line across a side of one that is turned:
 * what the one reaches past the start of the other, and the other way round. Where any of it is not above 0 they are apart (separating
 * axes), whatever the upright rectangles around them share. None of two that lie beside each other upright, or as if they did.
 *
 * @param rectOf What counts of a widget, in its own frame: what is drawn of it if left out.
 */
export function depthsAskew(
  scene: Scene,
  one: number,
  other: number,
  rectOf = (index: number): Rect => scene.uprightRect(index),
): readonly number[] {
  const { turner } = scene.form;
  if ((turner[one] === 0 && turner[other] === 0) || scene.isTurnedWith(one, other)) return none;
  const [mine, theirs] = [drawnOf(scene, one, rectOf(one)), drawnOf(scene, other, rectOf(other))];
  const depths: number[] = [];
  for (const { index, sides } of [mine, theirs]) {
    if (turner[index] === 0) continue;
    for (const [alongX, alongY] of sides) {
      const length = Math.hypot(alongX, alongY);
      const [here, there] = [mine, theirs].map(({ corners }) =>
        corners.map(([x, y]) => (y * alongX - x * alongY) / length),
      );
      depths.push(Math.max(...here!) - Math.min(...there!), Math.max(...there!) - Math.min(...here!));
    }
  }
  return depths;
}

const none: readonly number[] = [];

/** Whether two widgets that are turned otherwise are apart, or reach into each other by no more than a limit, in px. */
export function areApart(scene: Scene, one: number, other: number, limit: number): boolean {
  return depthsAskew(scene, one, other).some((depth) => !(depth > limit));
}

/** The corners of a rectangle of a widget, as it is turned, and which ways its sides go, however long they are. */
function drawnOf(scene: Scene, index: number, { x, y, width, height }: Rect) {
  const turns = turnsOf(index, scene.tree.widgets, scene.layout);
  const placed = (fromX: number, fromY: number) =>
    turns.reduce<Point>((at, { turn }) => turnedOn(turn, ...at), [fromX, fromY]);
  const [first, right, down] = [placed(x, y), placed(x + 1, y), placed(x, y + 1)];
  const corners = [first, placed(x + width, y), placed(x, y + height), placed(x + width, y + height)];
  const sides = [right, down].map((next): Point => [next[0] - first[0], next[1] - first[1]]);
  return { index, corners, sides };
}
