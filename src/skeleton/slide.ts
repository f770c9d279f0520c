import { isComputed, isTemplate, largestLength, readAnchor } from '../document/index.ts';
import type { Bone } from './bone.ts';
import { withOffset } from './box.ts';
import type { Expanded, Unexpanded } from './expand.ts';

/** Of a widget of which nothing but its offset is bound, and that to plain numbers: what moves in every frame. */
export interface Slide {
  /** A number of u, or the name of the value that is one. */
  readonly x: number | string;
  readonly y: number | string;
  /** Whether it goes the other way on x: the writing does. */
  readonly isTurned: boolean;
}

/** How a widget slides; undefined of one that does anything else too. @param bound Its bound keys. */
export function slideOf(
  bound: readonly (readonly [key: string, value: unknown])[] | undefined,
  { box, source }: Bone,
): Slide | undefined {
  const [only] = bound ?? [];
  if (bound?.length !== 1 || only![0] !== 'offset' || !('offset' in source)) return undefined;
  const said = only![1];
  if (!Array.isArray(said) || said.length !== 2) return undefined;
  const [x, y] = (said as unknown[]).map(partOf);
  if (x === undefined || y === undefined) return undefined;
  const isLogical = source.anchor === undefined || readAnchor(source.anchor, true)?.x.logical === true;
  return { x, y, isTurned: isLogical && box.rightToLeft };
}

/** A number, or the name that stands for one. */
function partOf(part: unknown): number | string | undefined {
  if (typeof part === 'number') return part;
  if (!isTemplate(part)) return undefined;
  const name = part.slice(1, -1);
  return isComputed(part) ? undefined : name;
}

/** What a slide is now, in u; undefined where that is no number: whoever reads the key itself tells what is wrong. */
export function slidTo({ x, y }: Slide, { scope }: Unexpanded): readonly [number, number] | undefined {
  const across = typeof x === 'number' ? x : scope.lookup(x);
  const down = typeof y === 'number' ? y : scope.lookup(y);
  return isPlace(across) && isPlace(down) ? [across, down] : undefined;
}

function isPlace(value: unknown): value is number {
  return typeof value === 'number' && Math.abs(value) <= largestLength;
}

/** The same widget with another offset, in u. */
export function slid(
  bone: Bone,
  made: Expanded,
  offset: [number, number],
  { isTurned }: Slide,
): { readonly bone: Bone; readonly made: Expanded } {
  const pair = { x: { u: offset[0], share: 0 }, y: { u: offset[1], share: 0 } };
  return {
    bone: { ...bone, source: { ...bone.source, offset }, box: withOffset(bone.box, pair, isTurned) },
    made: { ...made, source: { ...made.source, offset } },
  };
}
