import { mirrored } from '../skeleton/index.ts';
import { readAnchor, type AxisAnchor, type Json, type Pair } from '../document/index.ts';
import type { Rect } from '../layout/index.ts';
import type { Standing } from './standing.ts';

/** What becomes of the keys of a widget; undefined takes a key out. */
export type Keys = Map<string, Json | undefined>;

export const axes = ['x', 'y'] as const;

/** A widget that fills this share of its parent's length is stretched rather than tied to a point. */
const stretchedShare = 0.7;
/** A middle this near to the parent's, as a share of its length, is meant to be there. */
const centredShare = 0.02;

/** The anchor on one axis that suits a place, and why. */
export interface AxisAdvice {
  readonly word: string;
  readonly why: string;
}

/** Which way an anchor is said: with start and end, and whether those are turned round. */
export interface Direction {
  readonly logical: boolean;
  readonly rightToLeft: boolean;
}

/** How a widget says its anchor: one that says start or end keeps doing so. */
export function directionOf({ source, widget }: Standing): Direction {
  const said = source.anchor === undefined ? undefined : readAnchor(source.anchor);
  return { logical: said?.x.logical === true, rightToLeft: widget.box.rightToLeft };
}

/** The anchor that suits a box where it stands in its room. */
export function adviceFor(own: Rect, room: Rect, { logical, rightToLeft }: Direction): Pair<AxisAdvice> {
  const sides = logical ? (['start', 'end'] as const) : (['left', 'right'] as const);
  const turned = logical && rightToLeft;
  const before = turned ? room.x + room.width - own.x - own.width : own.x - room.x;
  return {
    x: adviceOn(before, own.width, room.width, sides),
    y: adviceOn(own.y - room.y, own.height, room.height, ['top', 'bottom']),
  };
}

function adviceOn(
  before: number,
  length: number,
  room: number,
  [start, end]: readonly [string, string],
): AxisAdvice {
  const after = room - before - length;
  const short = (value: number) => String(Math.round(value * 10) / 10);
  if (room > 0 && length / room >= stretchedShare) {
    return {
      word: `${start}..${end}`,
      why: `it takes ${short((length / room) * 100)} % from ${start} to ${end}`,
    };
  }
  if (Math.abs(before - after) / 2 <= room * centredShare)
    return { word: 'center', why: `it stands in the middle between ${start} and ${end}` };
  return before <= after
    ? { word: start, why: `it is ${short(before)} u from the ${start} and ${short(after)} from the ${end}` }
    : { word: end, why: `it is ${short(after)} u from the ${end} and ${short(before)} from the ${start}` };
}

/**
 * The keys that keep a box in its place with an anchor, in a room (docs/layout-model.md, section 3, solved for offset
 * and insets).
 * @param said The anchor as it is written: start and end are turned round where the writing goes from right to left.
 * @param margins Before and after it on each axis.
 */
export function placeKeys(
  own: Rect,
  room: Rect,
  said: Pair<AxisAnchor>,
  pivot: Partial<Pair<number>>,
  margins: Pair<readonly [before: number, after: number]>,
  rightToLeft: boolean,
): Keys {
  const anchor = mirrored(said, rightToLeft);
  const turned = said.x.logical && rightToLeft;
  const along = (axis: 'x' | 'y') => {
    const [start, length, from, whole] =
      axis === 'x' ? [own.x, own.width, room.x, room.width] : [own.y, own.height, room.y, room.height];
    const [before, after] = margins[axis];
    const at = anchor[axis];
    const point = pivot[axis] ?? (at.start + at.end) / 2;
    return {
      offset: start - before + point * (length + before + after) - from - at.start * whole,
      insetStart: start - before - from - at.start * whole,
      insetEnd: from + at.end * whole - start - length - after,
    };
  };
  const seen = along('x');
  const x = turned ? { offset: -seen.offset, insetStart: seen.insetEnd, insetEnd: seen.insetStart } : seen;
  const y = along('y');
  const keys: Keys = new Map();
  const offset = [anchor.x.span ? 0 : exactNumber(x.offset), anchor.y.span ? 0 : exactNumber(y.offset)];
  keys.set('offset', offset.every((one) => one === 0) ? undefined : offset);
  const inset: { [side: string]: number } = {};
  if (anchor.x.span)
    Object.assign(inset, { left: exactNumber(x.insetStart), right: exactNumber(x.insetEnd) });
  if (anchor.y.span)
    Object.assign(inset, { top: exactNumber(y.insetStart), bottom: exactNumber(y.insetEnd) });
  const kept = Object.values(inset).some((one) => one !== 0);
  keys.set('inset', kept ? inset : undefined);
  return keys;
}

/** The margins of a widget on both axes. */
export function marginsOf({ box }: Standing['widget']): Pair<readonly [number, number]> {
  return { x: [box.x.marginStart, box.x.marginEnd], y: [box.y.marginStart, box.y.marginEnd] };
}

/** How long it is on an axis, in the widget's own u. */
export function lengthOf({ own, ownUnit }: Pick<Standing, 'own' | 'ownUnit'>, axis: 'x' | 'y'): number {
  return exactNumber((axis === 'x' ? own.width : own.height) / ownUnit);
}

/** Whether a widget says a size on an axis. */
export function saysSize({ source }: Standing, axis: 'x' | 'y'): boolean {
  return source.size !== undefined || (axis === 'x' ? source.width : source.height) !== undefined;
}

/** An anchor as it is written. */
export function anchorText(anchor: Pair<AxisAnchor>): string {
  const one = ({ start, end, span }: AxisAnchor, words: readonly [string, string]): string => {
    const word = (at: number) =>
      at === 0 ? words[0] : at === 1 ? words[1] : at === 0.5 ? 'center' : `${exactShare(at * 100)}%`;
    return span ? `${word(start)}..${word(end)}` : word(start);
  };
  const sides = anchor.x.logical ? (['start', 'end'] as const) : (['left', 'right'] as const);
  const [x, y] = [one(anchor.x, sides), one(anchor.y, ['top', 'bottom'])];
  return `${x} ${y}`;
}

/** A number as people write it: two decimals, a hundredth of a u, and 30 stays 30. */
export function exactNumber(value: number): number {
  return Math.round(value * 100) / 100 + 0;
}

/** A share or a percentage as it is written: of a large parent a hundredth of a percent would be seen. */
export function exactShare(value: number): number {
  return Math.round(value * 1e6) / 1e6 + 0;
}

/** Lengths as one text, where the author wrote them so. */
export function asBefore(old: unknown, value: Json): Json {
  return typeof old === 'string' &&
    Array.isArray(value) &&
    value.every((one) => typeof one === 'number' || typeof one === 'string')
    ? value.join(' ')
    : value;
}
