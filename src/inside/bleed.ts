import type { WidgetSource } from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import type { Layout, Rect } from '../layout/index.ts';
import { scaledBy } from './turn.ts';

/** Whether a widget is drawn on to the edges of the screen where it stands on those of the safe area. */
export function bleeds({ source }: Pick<Widget, 'source'>): boolean {
  return 'area' in source && source.area === 'bleed';
}

/**
 * What a widget with `area: bleed` is drawn in: where an edge of it stands on the edge of the safe area, or past it, it is drawn on to the
 * edge of the surface, under what a notch or overscan takes. Only drawn: what is in it and its targets stay where they are laid out.
 * @param rect Its border box in device px, whole or not; given back as it is for all others, and for what is turned.
 */
export function bleedBox(
  widget: Pick<Widget, 'index' | 'source' | 'look'>,
  { frame }: Layout,
  rect: Rect,
): Rect {
  if (!bleeds(widget)) return rect;
  const { rotate, skew } = widget.source as WidgetSource;
  if (rotate || skew !== undefined || scaledBy(widget) !== 1) return rect;
  const { scale, originX, originY, safe } = frame;
  const [left, width] = bledOut(
    rect.x,
    rect.width,
    originX,
    frame.width * scale,
    safe.left * scale,
    safe.right * scale,
  );
  const [top, height] = bledOut(
    rect.y,
    rect.height,
    originY,
    frame.height * scale,
    safe.top * scale,
    safe.bottom * scale,
  );
  return { x: left, y: top, width, height };
}

/** The start and the length of a box along an axis, drawn on to the ends of the surface where it stands on those of the safe part. */
function bledOut(
  start: number,
  length: number,
  origin: number,
  surface: number,
  before: number,
  after: number,
): [start: number, length: number] {
  const end = start + length;
  const from = start <= origin + before + rounding ? Math.min(start, Math.round(origin)) : start;
  const to = end >= origin + surface - after - rounding ? Math.max(end, Math.round(origin + surface)) : end;
  return [from, to - from];
}

/** How far rounding to whole px moves an edge, and an ulp (docs/layout-model.md, 5.1). */
const rounding = 0.5 + 1e-9;
