import type { Widget } from '../dress/index.ts';
import type { Rect } from '../layout/index.ts';
import { faded, type Rgba } from '../theme/index.ts';

/** The side a meter is filled from: the one lines start at, where it is not said. */
function sideOf({ source, box }: Pick<Widget, 'source' | 'box'>): 'left' | 'right' | 'top' | 'bottom' {
  const said = 'fill-from' in source ? source['fill-from'] : undefined;
  return said ?? (box.rightToLeft ? 'right' : 'left');
}

/** What is left of a meter's colour where it was before, if nothing says another. */
const trailOpacity = 0.45;

/** The colour of the part between where a meter was before and where it is. */
export function trailColor({ trailColor: said, color }: Widget['look']): Rgba {
  return said ?? faded(color, trailOpacity);
}

/** The part of a meter up to a value, in a rectangle. */
export function meterFill(
  rect: Rect,
  widget: Pick<Widget, 'source' | 'box' | 'value'>,
  value = widget.value,
): Rect {
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
export function meterPieces(
  rect: Rect,
  widget: Pick<Widget, 'source' | 'box' | 'value'>,
  gap: number,
  value = widget.value,
): Rect[] {
  const filled = meterFill(rect, widget, value);
  const { source } = widget;
  const count = 'segments' in source ? (source.segments ?? 1) : 1;
  if (count <= 1) return [filled];
  const from = sideOf(widget);
  const upright = from === 'top' || from === 'bottom';
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
