import { isUpright, type Widget } from '../dress/index.ts';
import type { Rect } from '../layout/index.ts';
import { faded, mapCorners, type Corners, type Rgba } from '../theme/index.ts';

type Filled = Pick<Widget, 'source' | 'box' | 'value'>;

/** The side a meter or slider is filled from: the one lines start at, where it is not said. */
export function sideOf({ source, box }: Pick<Widget, 'source' | 'box'>): 'left' | 'right' | 'top' | 'bottom' {
  const said = 'fill-from' in source ? source['fill-from'] : undefined;
  if (said !== undefined && said !== 'clockwise' && said !== 'counterclockwise') return said;
  return box.rightToLeft ? 'right' : 'left';
}

/** Which way round its middle a meter is filled, from the top; undefined of one that is filled from a side. */
export function turnOfMeter({ kind, source }: Pick<Widget, 'kind' | 'source'>): 1 | -1 | undefined {
  if (kind !== 'meter' || !('fill-from' in source)) return undefined;
  const said = source['fill-from'];
  return said === 'clockwise' ? 1 : said === 'counterclockwise' ? -1 : undefined;
}

/** How thick a round meter is, in u, from its edges inwards; undefined of one without a hole. */
export function ringOf(widget: Pick<Widget, 'kind' | 'source'>): number | undefined {
  const { source } = widget;
  return turnOfMeter(widget) !== undefined && 'ring' in source ? source.ring : undefined;
}

/** The colour of the track of a ring: what is seen through its hole is not behind it. A gradient is drawn in the hole too. */
export function trackOfRing(widget: Pick<Widget, 'kind' | 'source' | 'look'>): Rgba | undefined {
  const { background } = widget.look;
  return background?.type === 'color' && ringOf(widget) !== undefined ? background.color : undefined;
}

/** A rectangle with round corners, in px. */
export interface Rounded {
  readonly rect: Rect;
  readonly radius: Corners;
}

/** What a ring as thick all the way round leaves inside of it, in px; without an area where it is so thick that it has no hole. */
export function insideRing({ rect: { x, y, width, height }, radius }: Rounded, ring: number): Rounded {
  return {
    rect: { x: x + ring, y: y + ring, width: width - 2 * ring, height: height - 2 * ring },
    radius: mapCorners(radius, (one) => Math.max(0, one - ring)),
  };
}

/** The hole of a ring, in px; undefined where it has none. */
export function holeIn(shape: Rounded, ring: number): Rounded | undefined {
  const inside = insideRing(shape, ring);
  return inside.rect.width > 0 && inside.rect.height > 0 ? inside : undefined;
}

/** Parts of the way round, as shares of it from the top. */
export interface Sector {
  readonly from: number;
  readonly to: number;
}

/** What of the way round a meter is filled: one part, or one for each filled segment. @param gap Between segments, as a share. */
export function meterSectors({ source }: Filled, gap: number, value: number): readonly Sector[] {
  const count = 'segments' in source ? (source.segments ?? 1) : 1;
  if (count <= 1) return value > 0 ? [{ from: 0, to: value }] : [];
  return Array.from({ length: count }, (_, nth) => ({
    from: nth / count + gap / 2,
    to: Math.min(value, (nth + 1) / count - gap / 2),
  })).filter(({ from, to }) => to > from);
}

/** The share of a full turn, clockwise from the top, at which a place beside and below the middle is passed. */
export function shareAt(right: number, down: number): number {
  const share = Math.atan2(right, -down) / (2 * Math.PI);
  return share < 0 ? share + 1 : share;
}

/** The share of the way round the middle of a rectangle, from the top, at which a point is passed. */
export function shareAround({ x, y, width, height }: Rect, turn: 1 | -1, atX: number, atY: number): number {
  return shareAt(turn * (atX - x - width / 2), atY - y - height / 2);
}

/** What is left of a meter's colour where it was before, if nothing says another. */
const trailOpacity = 0.45;

/** The colour of the part between where a meter was before and where it is. */
export function trailColor({ trailColor: said, color }: Widget['look']): Rgba {
  return said ?? faded(color, trailOpacity);
}

/** The part of a meter up to a value, in a rectangle. */
export function meterFill(rect: Rect, widget: Filled, value = widget.value): Rect {
  const from = sideOf(widget);
  const { x, y, width, height } = rect;
  switch (from) {
    case 'right':
      return { x: x + width * (1 - value), y, width: width * value, height };
    case 'top':
      return { x, y, width, height: height * value };
    case 'bottom':
      return { x, y: y + height * (1 - value), width, height: height * value };
    default:
      return { x, y, width: width * value, height };
  }
}

/** The boxes a meter's filled part is drawn as: one, or one for each filled segment with a gap between. */
export function meterPieces(rect: Rect, widget: Filled, gap: number, value = widget.value): Rect[] {
  const filled = meterFill(rect, widget, value);
  const { source } = widget;
  const count = 'segments' in source ? (source.segments ?? 1) : 1;
  if (count <= 1) return [filled];
  const from = sideOf(widget);
  const upright = isUpright(from);
  const length = upright ? rect.height : rect.width;
  const each = (length - gap * (count - 1)) / count;
  const pieces: Rect[] = [];
  for (let index = 0; index < count; index++) {
    const at = index * (each + gap);
    const whole = upright
      ? { x: rect.x, y: rect.y + at, width: rect.width, height: each }
      : { x: rect.x + at, y: rect.y, width: each, height: rect.height };
    const left = Math.max(whole.x, filled.x);
    const top = Math.max(whole.y, filled.y);
    const width = Math.min(whole.x + whole.width, filled.x + filled.width) - left;
    const height = Math.min(whole.y + whole.height, filled.y + filled.height) - top;
    if (width > 0 && height > 0) pieces.push({ x: left, y: top, width, height });
  }
  return pieces;
}
