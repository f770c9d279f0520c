import { readHitArea, type WidgetSource } from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import type { Layout, Rect } from '../layout/index.ts';
import type { Picture } from '../picture/index.ts';
import { isSquare, type Corners } from '../theme/index.ts';
import { bleedBox } from './bleed.ts';
import { cornersIn } from './corners.ts';
import { picturePieces } from './picture.ts';

/** Whether a point lies in the border box of a widget, its round corners left out, before anything turns it. @param x In device px. */
export function isInBox(widget: Widget, layout: Layout, x: number, y: number): boolean {
  const rect = layout.pixelRect(widget.index);
  return isInRounded(rect, cornersIn(widget, rect, layout.scale(widget.index)), x, y);
}

/** Whether a point lies in a rectangle, its round corners left out. */
export function isInRounded(rect: Rect, corners: Corners, x: number, y: number): boolean {
  const [left, top] = [x - rect.x, y - rect.y];
  if (!(left >= 0 && top >= 0 && left < rect.width && top < rect.height)) return false;
  return isSquare(corners) || isInCorners(corners, left, top, rect.width, rect.height);
}

/**
 * Whether a point lies on a widget, before anything turns it: in its border box, in the ellipse inside of it, or where its picture is
 * opaque, as its `hit-area` says. @param x In device px.
 */
export function isOnWidget(widget: Widget, layout: Layout, x: number, y: number): boolean {
  const said = (widget.source as WidgetSource)['hit-area'];
  if (said === undefined) return isInBox(widget, layout, x, y);
  const area = readHitArea(said);
  const rect = layout.pixelRect(widget.index);
  if (area?.type === 'ellipse') {
    const across = (2 * (x - rect.x)) / rect.width - 1;
    const down = (2 * (y - rect.y)) / rect.height - 1;
    return across * across + down * down <= 1;
  }
  if (!isInBox(widget, layout, x, y)) return false;
  // Nobody knows the pixels of a picture that was not decoded: then it is a box.
  if (area?.type !== 'picture' || !widget.picture?.sample) return true;
  const source = widget.source as WidgetSource;
  const pieces = picturePieces(
    bleedBox(widget, layout, rect),
    widget.picture,
    source,
    widget.fit,
    layout.scale(widget.index),
  );
  // What is turned round is turned round as a whole.
  const [seenX, seenY] = [
    isFlipped(source, 'x') ? 2 * rect.x + rect.width - x : x,
    isFlipped(source, 'y') ? 2 * rect.y + rect.height - y : y,
  ];
  for (const { from, to } of pieces) {
    const [atX, atY] = [(seenX - to.x) / to.width, (seenY - to.y) / to.height];
    if (!(atX >= 0 && atX < 1 && atY >= 0 && atY < 1)) continue;
    const alpha = alphaAt(widget.picture, from.x + atX * from.width, from.y + atY * from.height);
    if (alpha > area.threshold) return true;
  }
  return false;
}

function isFlipped({ flip }: WidgetSource, axis: 'x' | 'y'): boolean {
  return flip === axis || flip === 'both';
}

/** How opaque a picture is at a place in px of its natural size: 0 to 1. */
function alphaAt({ width, height, sample }: Picture, x: number, y: number): number {
  const { width: across, height: down, data } = sample!;
  const column = Math.min(across - 1, Math.max(0, Math.floor((x / width) * across)));
  const row = Math.min(down - 1, Math.max(0, Math.floor((y / height) * down)));
  return data[4 * (row * across + column) + 3]! / 255;
}

/** Whether a point in a rectangle lies inside of its quarter circles. */
function isInCorners(
  { topLeft, topRight, bottomRight, bottomLeft }: Corners,
  x: number,
  y: number,
  width: number,
  height: number,
): boolean {
  const outside = (radius: number, fromX: number, fromY: number) =>
    fromX < radius && fromY < radius && (radius - fromX) ** 2 + (radius - fromY) ** 2 > radius ** 2;
  return !(
    outside(topLeft, x, y) ||
    outside(topRight, width - x, y) ||
    outside(bottomRight, width - x, height - y) ||
    outside(bottomLeft, x, height - y)
  );
}
