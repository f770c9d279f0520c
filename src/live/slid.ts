import { slid, type Slide } from '../skeleton/index.ts';
import type { Held, LiveNode } from './node.ts';

/** A widget of its own objects, so that the next slide can write them over. */
export function heldAt(
  { bone: before, made: unfolded }: LiveNode,
  [x, y]: readonly [number, number],
  slide: Slide,
  snapshots: number,
): Held {
  const offset: [number, number] = [x, y];
  const { bone, made } = slid(before, unfolded!, offset, slide);
  const { box } = bone;
  return {
    bone,
    made,
    snapshots,
    offset,
    x: box.x.span ? undefined : box.x.offset,
    y: box.y.span ? undefined : box.y.offset,
  };
}

/** Writes another offset over what a widget holds. @returns false where anything of it is somebody else's by now. */
export function slideOver(
  { held, bone, made }: LiveNode,
  [x, y]: readonly [number, number],
  { isTurned }: Slide,
  snapshots: number,
): boolean {
  if (!held || held.snapshots !== snapshots || held.bone !== bone || held.made !== made) return false;
  // The box of a look's padding, and a source with the picture of a look, are others with the same offset in them.
  held.offset[0] = x;
  held.offset[1] = y;
  if (held.x) held.x.u = isTurned ? -x : x;
  if (held.y) held.y.u = y;
  return true;
}
