import { mirrored } from '../skeleton/index.ts';
import type { AxisAnchor, Pair } from '../document/index.ts';
import type { Rect } from '../layout/index.ts';
import type { DocumentText } from './document-text.ts';
import { boundKept } from './bound.ts';
import { anchorText, axes, exactShare, marginsOf, placeKeys, type Direction } from './place.ts';
import type { Standing } from './standing.ts';

/** An anchor as it is seen, said in a direction. */
export function asWritten(seen: AxisAnchor, { logical, rightToLeft }: Direction): AxisAnchor {
  if (!logical) return seen;
  return mirrored({ x: { ...seen, logical }, y: seen }, rightToLeft).x;
}

/** Writes the anchor of a widget that is to stand where it does in another room. */
export function putPlace(
  text: DocumentText,
  standing: Standing,
  room: Rect,
  anchor: Pair<AxisAnchor>,
  pivot: Partial<Pair<number>>,
): void {
  const { own, pointer, widget } = standing;
  text.set(pointer, 'anchor', anchorText(anchor));
  const { rightToLeft } = widget.box;
  const seen = mirrored(anchor, rightToLeft);
  const middle = (axis: 'x' | 'y') => (seen[axis].start + seen[axis].end) / 2;
  const follows = axes.every((axis) => pivot[axis] === undefined || pivot[axis] === middle(axis));
  if (follows) text.remove(pointer, 'pivot');
  else
    text.set(
      pointer,
      'pivot',
      axes.map((axis) => exactShare(pivot[axis] ?? middle(axis))),
    );
  for (const [key, value] of placeKeys(own, room, anchor, pivot, marginsOf(widget), rightToLeft)) {
    const kept = boundKept(text, widget, key, value);
    if (kept === undefined) text.remove(pointer, key);
    else text.set(pointer, key, kept);
  }
}
