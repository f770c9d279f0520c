import {
  readAnchor,
  readPivot,
  type AxisAnchor,
  type CheckedDocument,
  type Pair,
  type WidgetSource,
} from '../document/index.ts';
import type { Rect } from '../layout/index.ts';
import { makeScreen, type Screen } from '../screen/index.ts';
import type { View, ViewLayout } from '../view/index.ts';
import { setKey, spliced, type Splice } from './splice.ts';

/** Somebody asked for a change that cannot be made; a sentence for people. */
export class EditError extends Error {
  override readonly name = 'EditError';
}

/** The anchor a widget should have from where it stands, and why. */
export interface AnchorAdvice {
  readonly anchor: string;
  readonly why: string;
}

/** A widget that fills this share of its parent's length is stretched rather than tied to a point. */
const stretchedShare = 0.7;
/** A middle this near to the parent's, as a share of its length, is meant to be there. */
const centredShare = 0.02;

/** Where a widget of a free parent stands. */
export interface Standing {
  /** Its border box, and the box it is placed in, in u of its parent: what its place is written in. */
  readonly own: Rect;
  readonly room: Rect;
  /** How many u of its parent one of its own is; its size is written in its own. */
  readonly ownUnit: number;
  readonly source: WidgetSource;
  readonly pointer: string;
}

/** @throws EditError where a widget has no anchor, or does not stand in the document by itself. */
export function standing(on: ViewLayout, id: string): Standing {
  const index = on.indexOf(id);
  const widget = on.widgets[index]!;
  if (index === 0) throw new EditError('the view itself has no anchor');
  const parent = on.widgets[widget.parent]!;
  if (parent.box.arrange !== 'free') {
    throw new EditError(`"${id}" has no anchor: its parent arranges its children in a ${parent.box.arrange}`);
  }
  if (widget.box.target !== undefined)
    throw new EditError(`"${id}" is anchored to ${widget.box.target}, not to its parent`);
  if (!widget.pointer.startsWith('/views/'))
    throw new EditError(`"${id}" is written in a component, for all its instances`);
  const around = on.layout.factor(parent.index);
  const outer = scaled(on.layout.rectInU(parent.index), 1 / around);
  const { safe } = on.layout.frame;
  const root = parent.index === 0;
  const whole = root && widget.box.full;
  const taken = root && !whole ? safe : { top: 0, right: 0, bottom: 0, left: 0 };
  const { x, y } = parent.box;
  const left = whole ? 0 : x.paddingStart + taken.left;
  const top = whole ? 0 : y.paddingStart + taken.top;
  const right = whole ? 0 : x.paddingEnd + taken.right;
  const bottom = whole ? 0 : y.paddingEnd + taken.bottom;
  const room = {
    x: outer.x + left,
    y: outer.y + top,
    width: outer.width - left - right,
    height: outer.height - top - bottom,
  };
  return {
    own: scaled(on.layout.rectInU(index), 1 / around),
    room,
    ownUnit: on.layout.factor(index) / around,
    source: widget.source,
    pointer: widget.pointer,
  };
}

function scaled({ x, y, width, height }: Rect, by: number): Rect {
  return { x: x * by, y: y * by, width: width * by, height: height * by };
}

/** Suggests the anchor a widget should have from where it stands on the reference. @throws EditError */
export function suggestAnchor(view: View, id: string): AnchorAdvice {
  const { own, room } = standing(view.layoutOn(referenceScreen(view)), id);
  const x = adviceOn(own.x - room.x, own.width, room.width, ['left', 'right']);
  const y = adviceOn(own.y - room.y, own.height, room.height, ['top', 'bottom']);
  return { anchor: `${x.word} ${y.word}`, why: `${x.why}; ${y.why}` };
}

function adviceOn(
  before: number,
  length: number,
  room: number,
  [start, end]: readonly [string, string],
): { word: string; why: string } {
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

/** The screen a view is designed on. */
export function referenceScreen(view: View): Screen {
  return makeScreen({ width: view.reference.width, height: view.reference.height });
}

/**
 * Gives a widget another anchor (and pivot, which follows it if left out) and keeps its place on the reference; offsets
 * or insets become what they have to be. Comments and formatting of the document stay.
 * @returns the changed text. @throws EditError
 */
export function changeAnchor(
  document: CheckedDocument,
  view: View,
  id: string,
  anchorText: string,
  pivotText?: string,
): string {
  const text = document.origin.source?.text;
  const anchor = readAnchor(anchorText);
  const pivot = pivotText === undefined ? undefined : readPivot(pivotText);
  if (text === undefined) throw new EditError('the document was not read from a text');
  if (!anchor)
    throw new EditError(`"${anchorText}" is no anchor such as "right bottom" or "left..right top"`);
  if (pivotText !== undefined && !pivot)
    throw new EditError(`"${pivotText}" is no point such as "center" or "0.5 1"`);
  const on = view.layoutOn(referenceScreen(view));
  const { own, room, ownUnit, source, pointer } = standing(on, id);
  const { box } = on.widgets[on.indexOf(id)]!;
  const keys = new Map<string, string>([['anchor', anchorText]]);
  if (pivotText !== undefined) keys.set('pivot', pivotText);
  else if (source.pivot !== undefined) keys.set('pivot', pivotOf(anchor));
  const along = (axis: 'x' | 'y') => {
    const [start, length, from, whole] =
      axis === 'x' ? [own.x, own.width, room.x, room.width] : [own.y, own.height, room.y, room.height];
    const { marginStart, marginEnd } = box[axis];
    const at = anchor[axis];
    const point = pivot?.[axis] ?? (at.start + at.end) / 2;
    return {
      offset: start - marginStart + point * (length + marginStart + marginEnd) - from - at.start * whole,
      insetStart: start - marginStart - from - at.start * whole,
      insetEnd: from + at.end * whole - start - length - marginEnd,
    };
  };
  const x = along('x');
  const y = along('y');
  keys.set(
    'offset',
    `[${exactNumber(anchor.x.span ? 0 : x.offset)}, ${exactNumber(anchor.y.span ? 0 : y.offset)}]`,
  );
  if (anchor.x.span || anchor.y.span) {
    const sides = [
      ...(anchor.x.span ? [`left: ${exactNumber(x.insetStart)}`, `right: ${exactNumber(x.insetEnd)}`] : []),
      ...(anchor.y.span ? [`top: ${exactNumber(y.insetStart)}`, `bottom: ${exactNumber(y.insetEnd)}`] : []),
    ];
    keys.set('inset', `{ ${sides.join(', ')} }`);
    if (anchor.x.span && (source.width !== undefined || source.size !== undefined)) keys.set('width', 'fill');
    if (anchor.y.span && (source.height !== undefined || source.size !== undefined))
      keys.set('height', 'fill');
  } else if (source.inset !== undefined) {
    throw new EditError(`"${id}" has an inset, which a point has no use for: take it out first`);
  }
  // A size that followed from a span has to be said once the span is gone.
  if (!anchor.x.span && box.x.span && source.width === undefined && source.size === undefined)
    keys.set('width', exactNumber(own.width / ownUnit));
  if (!anchor.y.span && box.y.span && source.height === undefined && source.size === undefined)
    keys.set('height', exactNumber(own.height / ownUnit));
  return spliced(text, splicesFor(document, pointer, keys));
}

/** Inserted keys share a place, so they are put in as one piece. */
export function splicesFor(
  document: CheckedDocument,
  pointer: string,
  keys: ReadonlyMap<string, string>,
): Splice[] {
  const splices: Splice[] = [];
  for (const [key, value] of keys) {
    const splice = setKey(document, pointer, key, value)!;
    const same = splices.findIndex(
      ({ start, end }) => start === splice.start && end === splice.end && start === end,
    );
    if (same >= 0) splices[same] = { ...splice, text: splices[same]!.text + splice.text };
    else splices.push(splice);
  }
  return splices;
}

function pivotOf(anchor: Pair<AxisAnchor>): string {
  return `[${exactNumber((anchor.x.start + anchor.x.end) / 2)}, ${exactNumber((anchor.y.start + anchor.y.end) / 2)}]`;
}

/** A number as it is written: nine digits are more than any place needs, and 30 stays 30. */
export function exactNumber(value: number): string {
  return String(Math.round(value * 1e9) / 1e9 + 0);
}
