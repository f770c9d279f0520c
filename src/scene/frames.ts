import { rectAround, turnedBack, turnedOn, turnsOf } from '../inside/index.ts';
import type { Tree } from '../dress/index.ts';
import type { Layout, Rect } from '../layout/index.ts';
import type { FormScene } from './form-scene.ts';

/*
 * Widgets that are rotated or skewed, each in the frame in which it is upright: what is painted of two that are turned otherwise lies
 * where a point of one is in the frame of the other.
 */

/** What frames follow from: a view laid out, and which of its widgets are turned. */
interface Turned {
  readonly tree: Tree;
  readonly layout: Layout;
  readonly form: Pick<FormScene, 'turner' | 'isWithin'>;
}

/** A place of one frame as it is in another one. */
export type Across = (x: number, y: number) => readonly [number, number];

/** What leads from the frame of a widget to that of another; undefined where they are the same. The frame of the view is the screen. */
export function across({ tree, layout, form }: Turned, from: number, to: number): Across | undefined {
  if (form.turner[from] === form.turner[to]) return undefined;
  const [mine, theirs] = [turnsOf(from, tree.widgets, layout), turnsOf(to, tree.widgets, layout)];
  // What turns both leads nowhere.
  const isShared = (index: number) => form.isWithin(from, index) && form.isWithin(to, index);
  const out = mine.filter(({ index }) => !isShared(index));
  const back = theirs.filter(({ index }) => !isShared(index)).reverse();
  return (x, y) => {
    let at: readonly [number, number] = [x, y];
    for (const { turn } of out) at = turnedOn(turn, ...at);
    for (const { turn } of back) at = turnedBack(turn, ...at);
    return at;
  };
}

/** A place of one frame in another one. */
export function pointIn(to: Across | undefined, x: number, y: number): readonly [number, number] {
  return to ? to(x, y) : [x, y];
}

/** The upright rectangle around one of another frame. */
export function rectIn(rect: Rect, to: Across | undefined): Rect {
  return to ? rectAround(rect, to) : rect;
}

/** Whether upright rectangles of one frame are upright in the other, too: turned by a right angle, or none. */
export function isUpright(to: Across | undefined): boolean {
  if (!to) return true;
  const [from, along] = [to(0, 0), to(1, 0)];
  const [dx, dy] = [Math.abs(along[0] - from[0]), Math.abs(along[1] - from[1])];
  const down = to(0, 1);
  const [downX, downY] = [Math.abs(down[0] - from[0]), Math.abs(down[1] - from[1])];
  return Math.max(Math.min(dx, dy), Math.min(downX, downY)) < rounding;
}

/** Which axis of one frame lies along an axis of the other, or nearest to it. */
export function axisAlong(to: Across | undefined, axis: 'x' | 'y'): 'x' | 'y' {
  if (!to) return axis;
  const nth = axis === 'x' ? 0 : 1;
  const from = to(0, 0)[nth];
  return Math.abs(to(1, 0)[nth] - from) >= Math.abs(to(0, 1)[nth] - from) ? 'x' : 'y';
}

/** What turning and turning back may make of 0, of 1. */
const rounding = 1e-6;
