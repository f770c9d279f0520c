import {
  readAnchor,
  type AxisAnchor,
  type CheckedDocument,
  type Json,
  type Pair,
} from '../document/index.ts';
import type { Rect } from '../layout/index.ts';
import type { View } from '../view/index.ts';
import { DocumentText } from './document-text.ts';
import { EditError } from './edit-error.ts';
import { still, withPlacesKept } from './moves.ts';
import {
  adviceFor,
  axes,
  directionOf,
  exactNumber,
  marginsOf,
  placeKeys,
  lengthOf,
  type Keys,
} from './place.ts';
import { putLength } from './put-length.ts';
import { asWritten, putPlace } from './put-place.ts';
import { referenceScreen, standingOf, type Standing } from './standing.ts';

export interface WrapOptions {
  /** The id of the container. */
  readonly id: string;
  /** How the container arranges what it is given; free if left out. */
  readonly arrange?: 'free' | 'row' | 'column';
}

/**
 * Puts neighbouring widgets into a container of their own and keeps every place on the reference. A free container is
 * as large as what is in it; one that arranges gets the gap and alignment that its children have.
 * @returns the changed text. @throws EditError
 */
export function wrapWidgets(
  document: CheckedDocument,
  view: View,
  ids: readonly string[],
  { id, arrange = 'free' }: WrapOptions,
): string {
  const on = view.layoutOn(referenceScreen(view));
  const inside = ids.map((one) => standingOf(on, one)).sort((a, b) => a.widget.index - b.widget.index);
  if (on.widgets.some((widget) => widget.id === id)) throw new EditError(`the id "${id}" is taken already`);
  const { list, first, last } = neighbours(inside);
  const text = new DocumentText(document);
  const { parent } = inside[0]!;
  let keys: Keys;
  if (parent.box.arrange === 'free')
    keys = arrange === 'free' ? groupFreely(text, inside) : lineUp(text, inside, arrange);
  else keys = sameAgain(parent.box.arrange, inside, arrange);
  const written = [...keys].flatMap(([key, value]) => (value === undefined ? [] : [[key, value] as const]));
  text.wrap(list, first, last, [['id', id], ...written]);
  return withPlacesKept(document, view, text.text, id);
}

/** The list that widgets stand in one after the other, and from where to where. */
function neighbours(inside: readonly Standing[]): { list: string; first: number; last: number } {
  if (inside.length === 0) throw new EditError('say which widgets are to be wrapped');
  const places = inside.map(({ pointer }) => {
    const slash = pointer.lastIndexOf('/');
    return { list: pointer.slice(0, slash), at: Number(pointer.slice(slash + 1)) };
  });
  const { list, at: first } = places[0]!;
  const last = places.at(-1)!.at;
  places.forEach((place, nth) => {
    const id = inside[nth]!.widget.id;
    if (place.list !== list) throw new EditError(`"${id}" is not in the same widget as the others`);
    if (place.at !== first + nth)
      throw new EditError(`another widget stands between those to be wrapped, before "${id}"`);
  });
  return { list, first, last };
}

/** Around widgets with anchors: the smallest box, with the anchor that suits it. */
function groupFreely(text: DocumentText, inside: readonly Standing[]): Keys {
  const placed = inside.filter(({ widget }) => widget.box.target === undefined);
  if (placed.length === 0)
    throw new EditError('widgets anchored to others stand where those do, in any container');
  const full = placed[0]!.widget.box.full;
  if (placed.some(({ widget }) => widget.box.full !== full))
    throw new EditError('some of the widgets are placed in the safe area and others on the full surface');
  const { room, parent } = placed[0]!;
  const box = around(placed);
  const { rightToLeft } = parent.box;
  const logical = placed.every((one) => directionOf(one).logical);
  const advice = adviceFor(box, room, { logical, rightToLeft });
  const anchor = readAnchor(`${advice.x.word} ${advice.y.word}`)!;
  const keys: Keys = new Map<string, Json | undefined>([['anchor', `${advice.x.word} ${advice.y.word}`]]);
  if (full) keys.set('area', 'full');
  for (const [key, value] of placeKeys(box, room, anchor, {}, noMargins, rightToLeft)) keys.set(key, value);
  // A container that what is in it makes large follows a text that grows; a share or span needs one that has a size.
  const said = { x: false, y: false };
  for (const axis of axes) {
    said[axis] = anchor[axis].span || placed.some(({ widget }) => needsSize(widget.box[axis]));
    if (said[axis] && !anchor[axis].span)
      keys.set(axis === 'x' ? 'width' : 'height', exactNumber(axis === 'x' ? box.width : box.height));
  }
  for (const standing of placed) {
    const { widget, pointer } = standing;
    const own: Pair<AxisAnchor> = {
      x: said.x ? writtenX(standing) : { ...start, logical: directionOf(standing).logical },
      y: said.y ? anchorOf(widget.box.y) : start,
    };
    const pivot = {
      ...(said.x && { x: widget.box.x.pivot }),
      ...(said.y && { y: widget.box.y.pivot }),
    };
    text.remove(pointer, 'area');
    putPlace(text, standing, box, own, pivot);
    for (const axis of axes) {
      const { mode, size, span } = widget.box[axis];
      const shared = mode === 'fixed' ? size.share !== 0 : mode === 'fill' && !span;
      if (shared) putLength(text, standing, axis, lengthOf(standing, axis));
    }
  }
  return keys;
}

const start: AxisAnchor = { start: 0, end: 0, span: false, logical: false };
const noMargins = { x: [0, 0], y: [0, 0] } as const;

function anchorOf(box: Standing['widget']['box']['x']): AxisAnchor {
  return { start: box.anchorStart, end: box.anchorEnd, span: box.span, logical: false };
}

/** The anchor of a widget along x as it is written. */
function writtenX(standing: Standing): AxisAnchor {
  return asWritten(anchorOf(standing.widget.box.x), directionOf(standing));
}

function needsSize({ span, mode, size }: Standing['widget']['box']['x']): boolean {
  return span || mode === 'fill' || (mode === 'fixed' && size.share !== 0);
}

/** The smallest box around widgets, margins too, in u of their parent. */
function around(inside: readonly Standing[]): Rect {
  const edges = inside.map(({ own, widget }) => {
    const { x, y } = marginsOf(widget);
    return {
      left: own.x - x[0],
      right: own.x + own.width + x[1],
      top: own.y - y[0],
      bottom: own.y + own.height + y[1],
    };
  });
  const left = Math.min(...edges.map((one) => one.left));
  const top = Math.min(...edges.map((one) => one.top));
  return {
    x: left,
    y: top,
    width: Math.max(...edges.map((one) => one.right)) - left,
    height: Math.max(...edges.map((one) => one.bottom)) - top,
  };
}

/** Around widgets that stand in a line: a row or column with their gap and alignment. */
function lineUp(text: DocumentText, inside: readonly Standing[], arrange: 'row' | 'column'): Keys {
  const along = arrange === 'row' ? 'x' : 'y';
  const across = arrange === 'row' ? 'y' : 'x';
  const span = ({ own }: Standing, axis: 'x' | 'y') =>
    axis === 'x' ? ([own.x, own.x + own.width] as const) : ([own.y, own.y + own.height] as const);
  const gaps: number[] = [];
  inside.forEach((one, at) => {
    const { id, box } = one.widget;
    if (box.target !== undefined)
      throw new EditError(`"${id}" is anchored to another widget: a ${arrange} has no place for it`);
    if (one.source.margin !== undefined)
      throw new EditError(`"${id}" has a margin of its own: take it out first`);
    if (at > 0) gaps.push(span(one, along)[0] - span(inside[at - 1]!, along)[1]);
    if (at > 0 && gaps.at(-1)! < -still)
      throw new EditError(`"${id}" does not stand after "${inside[at - 1]!.widget.id}" along a ${arrange}`);
  });
  const gap = Math.max(0, Math.min(...(gaps.length > 0 ? gaps : [0])));
  const box = around(inside);
  const [low, high] = across === 'x' ? [box.x, box.x + box.width] : [box.y, box.y + box.height];
  const all = (near: (from: number, to: number) => boolean) =>
    inside.every((one) => near(...span(one, across)));
  let align = 'start';
  if (all((from, to) => Math.abs(from - low) < still && Math.abs(to - high) < still)) align = 'start';
  else if (all((from, to) => Math.abs(from + to - low - high) < still)) align = 'center';
  else if (all((_, to) => Math.abs(to - high) < still)) align = 'end';
  inside.forEach((one, at) => {
    const { pointer, widget } = one;
    for (const key of ['anchor', 'pivot', 'offset', 'inset', 'area']) text.remove(pointer, key);
    for (const axis of axes) if (needsSize(widget.box[axis])) putLength(text, one, axis, lengthOf(one, axis));
    const before = at === 0 ? 0 : exactNumber(gaps[at - 1]! - gap);
    const down = align === 'start' ? exactNumber(span(one, across)[0] - low) : 0;
    if (before !== 0 || down !== 0)
      text.set(pointer, 'margin', along === 'x' ? [down, 0, 0, before] : [before, 0, 0, down]);
  });
  const { room, widget, parent } = inside[0]!;
  const { rightToLeft } = parent.box;
  const logical = inside.every((one) => directionOf(one).logical);
  const advice = adviceFor(box, room, { logical, rightToLeft });
  // A row is as long as what is in it: tied to a point, whatever share of the room it takes.
  const words = axes.map((axis) => advice[axis].word.replace(/\.\..*/, ''));
  const anchor = readAnchor(words.join(' '))!;
  const keys: Keys = new Map<string, Json | undefined>([['anchor', words.join(' ')]]);
  if (widget.box.full) keys.set('area', 'full');
  for (const [key, value] of placeKeys(box, room, anchor, {}, noMargins, rightToLeft)) keys.set(key, value);
  keys.set('arrange', arrange);
  if (gap > 0) keys.set('gap', exactNumber(gap));
  keys.set('align', align);
  return keys;
}

/** In a row or column: the same once more, for a part of it. */
function sameAgain(outer: string, inside: readonly Standing[], wanted: string): Keys {
  const { parent, widget, room } = inside[0]!;
  if ((outer !== 'row' && outer !== 'column') || (wanted !== 'free' && wanted !== outer))
    throw new EditError(
      `"${widget.id}" stands in a ${outer}: only a row or column can have a part of it wrapped, as another of it`,
    );
  const axis = outer === 'row' ? 'x' : 'y';
  const keys: Keys = new Map<string, Json | undefined>([['arrange', outer]]);
  const { u, share } = parent.box[axis].gap;
  const gap = u + share * (axis === 'x' ? room.width : room.height);
  if (gap > 0) keys.set('gap', exactNumber(gap));
  if (parent.box.align !== 'stretch') keys.set('align', parent.box.align);
  const weight = inside.reduce(
    (sum, one) => sum + (one.widget.box[axis].mode === 'fill' ? one.widget.box[axis].weight : 0),
    0,
  );
  if (weight > 0) keys.set(axis === 'x' ? 'width' : 'height', weight === 1 ? 'fill' : `fill ${weight}`);
  return keys;
}
