import { readAnchor, type CheckedDocument } from '../document/index.ts';
import { contentRoom, gapIn, paddingEnd, paddingStart } from '../inside/index.ts';
import type { View, ViewLayout } from '../view/index.ts';
import { boundKept } from './bound.ts';
import { DocumentText } from './document-text.ts';
import { EditError } from './edit-error.ts';
import { rearranged } from './moves.ts';
import { asBefore, axes, exactNumber, exactShare, lengthOf, saysSize } from './place.ts';
import { putLength } from './put-length.ts';
import { referenceScreen, standingOf, type Standing } from './standing.ts';

type Unit = 'shares' | 'u';

/** A length as it is written. @param u What it comes to. @param whole What a share of it is one of, in the same u. */
type Write = (u: number, whole: number) => Length;

type Length = number | string;
type Written = Length | Length[] | { readonly [side: string]: Length };

/**
 * Turns the offset, insets, said sizes, padding and gap of a widget into shares, or back into u, and keeps everything in its place on
 * the reference: as shares they grow with what they are shares of, in u they do not.
 * A padding or gap that would move something there stays as it is: shares count nothing where a size follows from what is in it.
 * @returns the changed text, and what was left as it is, in words that follow those of the change.
 * @throws EditError where nothing can be changed.
 */
export function changeLengths(
  document: CheckedDocument,
  view: View,
  id: string,
  into: Unit,
): { readonly text: string; readonly left: string } {
  const on = view.layoutOn(referenceScreen(view));
  const standing = standingOf(on, id);
  const write: Write = (u, whole) => {
    if (into === 'u' || u === 0) return exactNumber(u);
    if (whole === 0) throw new EditError(`"${id}" stands in a parent without size: nothing is a share of it`);
    return `${exactShare((u / whole) * 100)}%`;
  };
  const place = placeOf(standing, into, write);
  let text = written(document, standing, place);
  const inside = [...insideOf(standing, on, into, write)];
  if (place.size + inside.length === 0)
    throw new EditError(`"${id}" says no offset, inset, size, padding or gap of its own`);
  const kept = new Map(place);
  const refused: string[] = [];
  for (const [key, value] of inside) {
    const tried = written(document, standing, new Map([...kept, [key, value]]));
    const moves = movedBy(on, rearranged(document, view, tried));
    if (moves === undefined) {
      kept.set(key, value);
      text = tried;
    } else
      refused.push(
        `with the ${key} of "${id}" in ${into}, "${moves}" would not stay as it is on the reference: shares count nothing where a size follows from what is in it`,
      );
  }
  if (kept.size === 0) throw new EditError(refused[0]);
  if (text === document.origin.source?.text)
    throw new EditError(
      `nothing of "${id}" changes: its lengths are in ${into} as they are, or follow a value`,
    );
  return { text, left: refused.map((reason) => `; left as it is: ${reason}`).join('') };
}

/** The document with other keys of the widget. */
function written(document: CheckedDocument, standing: Standing, keys: ReadonlyMap<string, Written>): string {
  const { source, pointer, widget } = standing;
  const text = new DocumentText(document);
  for (const [key, value] of keys) {
    if (typeof value !== 'object' && (key === 'width' || key === 'height'))
      putLength(text, standing, key === 'width' ? 'x' : 'y', value);
    else
      text.set(
        pointer,
        key,
        asBefore((source as { readonly [key: string]: unknown })[key], boundKept(text, widget, key, value)),
      );
  }
  return text.text;
}

/** Where it stands and how large it is, where its anchor decides that. */
function placeOf(standing: Standing, into: Unit, write: Write): Map<string, Written> {
  const { own, room, source, widget, parent } = standing;
  const { box } = widget;
  const keys = new Map<string, Written>();
  if (parent.box.arrange !== 'free' || box.target !== undefined) return keys;
  // What is said from start is turned round where the writing goes from right to left; unsaid, an anchor is the start.
  const turned = box.rightToLeft && readAnchor(source.anchor ?? 'start top')?.x.logical === true;
  if (source.offset !== undefined) {
    const x = (box.x.offset.u + box.x.offset.share * room.width) * (turned ? -1 : 1);
    const y = box.y.offset.u + box.y.offset.share * room.height;
    keys.set('offset', [write(x, room.width), write(y, room.height)]);
  }
  if (source.inset !== undefined) {
    const sides: { [side: string]: Length } = {};
    const add = (name: string, { u, share }: { u: number; share: number }, whole: number) =>
      (sides[name] = write(u + share * whole, whole));
    if (box.x.span) {
      add('left', turned ? box.x.insetEnd : box.x.insetStart, room.width);
      add('right', turned ? box.x.insetStart : box.x.insetEnd, room.width);
    }
    if (box.y.span) {
      add('top', box.y.insetStart, room.height);
      add('bottom', box.y.insetEnd, room.height);
    }
    keys.set('inset', sides);
  }
  for (const axis of axes) {
    if (box[axis].mode !== 'fixed' || !saysSize(standing, axis)) continue;
    const [key, length, whole] =
      axis === 'x'
        ? (['width', own.width, room.width] as const)
        : (['height', own.height, room.height] as const);
    keys.set(key, into === 'u' ? lengthOf(standing, axis) : write(length, whole));
  }
  return keys;
}

/** The room inside it: its padding, a share of what it stands in, and its gap, a share of the room inside (docs/layout-model.md 2.9). */
function insideOf(standing: Standing, on: ViewLayout, into: Unit, write: Write): Map<string, Written> {
  const { widget, parent, room, ownUnit, source } = standing;
  const { layout } = on;
  const keys = new Map<string, Written>();
  const unit = layout.factor(widget.index);
  if (source.padding !== undefined) {
    if (into === 'shares' && (parent.box.arrange === 'grid' || widget.box.target !== undefined))
      throw new EditError(
        `a share of the padding of "${widget.id}" is not one of its parent, but of ${widget.box.target === undefined ? 'its cell' : 'what it is anchored to'}: write it by hand`,
      );
    const [across, down] = [room.width / ownUnit, room.height / ownUnit];
    const top = write(paddingStart(layout, widget, 'y') / unit, down);
    const right = write(paddingEnd(layout, widget, 'x') / unit, across);
    const bottom = write(paddingEnd(layout, widget, 'y') / unit, down);
    const left = write(paddingStart(layout, widget, 'x') / unit, across);
    if (right !== left) keys.set('padding', [top, right, bottom, left]);
    else if (top !== bottom) keys.set('padding', [top, right, bottom]);
    else keys.set('padding', top === right ? top : [top, right]);
  }
  if ('gap' in source && source.gap !== undefined) {
    const inside = contentRoom(layout, widget);
    const between = write(gapIn(layout, widget, 'x') / unit, inside.width / unit);
    const under = write(gapIn(layout, widget, 'y') / unit, inside.height / unit);
    keys.set('gap', under === between ? under : [under, between]);
  }
  return keys;
}

/** In u: numbers are written with two decimals. */
const moved = 0.1;

/** The first widget that is not where it was, on the reference. */
function movedBy(before: ViewLayout, view: View): string | undefined {
  const after = view.layoutOn(referenceScreen(view));
  const sides = ['x', 'y', 'width', 'height'] as const;
  return before.widgets.find(({ index }) => {
    const [was, is] = [before.layout.rectInU(index), after.layout.rectInU(index)];
    return sides.some((side) => !(Math.abs(was[side] - is[side]) < moved));
  })?.id;
}
