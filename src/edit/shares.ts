import { readAnchor, type CheckedDocument, type Json } from '../document/index.ts';
import type { View } from '../view/index.ts';
import { DocumentText } from './document-text.ts';
import { EditError } from './edit-error.ts';
import { asBefore, axes, exactNumber, exactShare, saysSize, sizeKey } from './place.ts';
import { anchoredStanding, referenceScreen } from './standing.ts';

/**
 * Turns the offset, insets and said sizes of a widget into shares of its parent, or back into u, and keeps its place on
 * the reference: as shares they grow with the parent, in u they do not.
 * @returns the changed text. @throws EditError
 */
export function changeLengths(
  document: CheckedDocument,
  view: View,
  id: string,
  into: 'shares' | 'u',
): string {
  const text = new DocumentText(document);
  const standing = anchoredStanding(view.layoutOn(referenceScreen(view)), id);
  const { own, room, source, pointer, widget } = standing;
  const { box } = widget;
  const written = (u: number, whole: number): number | string => {
    if (into === 'u' || u === 0) return exactNumber(u);
    if (whole === 0) throw new EditError(`"${id}" stands in a parent without size: nothing is a share of it`);
    return `${exactShare((u / whole) * 100)}%`;
  };
  const keys = new Map<string, Json>();
  // What is said from start is turned round where the writing goes from right to left; unsaid, an anchor is the start.
  const turned = box.rightToLeft && readAnchor(source.anchor ?? 'start top')?.x.logical === true;
  if (source.offset !== undefined) {
    const x = (box.x.offset.u + box.x.offset.share * room.width) * (turned ? -1 : 1);
    const y = box.y.offset.u + box.y.offset.share * room.height;
    keys.set('offset', [written(x, room.width), written(y, room.height)]);
  }
  if (source.inset !== undefined) {
    const sides: { [side: string]: Json } = {};
    const add = (name: string, { u, share }: { u: number; share: number }, whole: number) =>
      (sides[name] = written(u + share * whole, whole));
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
    const [key, inU] = sizeKey(standing, axis);
    const [length, whole] = axis === 'x' ? [own.width, room.width] : [own.height, room.height];
    keys.set(key, into === 'u' ? inU : written(length, whole));
  }
  if (keys.size === 0) throw new EditError(`"${id}" says no offset, inset or size`);
  for (const [key, value] of keys)
    text.set(pointer, key, asBefore((source as { readonly [key: string]: unknown })[key], value));
  return text.text;
}
