import { isUpright, type Widget } from '../dress/index.ts';
import type { Layout, Rect } from '../layout/index.ts';
import { bleedBox } from './bleed.ts';
import { sideOf } from './meter.ts';
import { paddingEnd, paddingStart } from './room.ts';

/** The boxes a slider or switch is drawn as, in device px (docs/layout-model.md, 6). */
export interface ControlBoxes {
  /** Has the widget's background, border and radius. */
  readonly track: Rect;
  /** The part of a slider's track up to its value; undefined of a switch. */
  readonly filled: Rect | undefined;
  readonly handle: Rect;
}

/** The inside of a widget on the screen: its box without padding, in device px. Borders are drawn over the padding. */
export function insideOf(widget: Widget, layout: Layout, rect: Rect): Rect {
  const { scale } = layout.frame;
  const left = paddingStart(layout, widget, 'x') * scale;
  const top = paddingStart(layout, widget, 'y') * scale;
  return {
    x: rect.x + left,
    y: rect.y + top,
    width: Math.max(0, rect.width - left - paddingEnd(layout, widget, 'x') * scale),
    height: Math.max(0, rect.height - top - paddingEnd(layout, widget, 'y') * scale),
  };
}

/** The axis a slider goes along, and whether it is filled from where that ends. */
export function slidesAlong(widget: Pick<Widget, 'source' | 'box'>): {
  readonly axis: 'x' | 'y';
  readonly isFromEnd: boolean;
} {
  const side = sideOf(widget);
  return { axis: isUpright(side) ? 'y' : 'x', isFromEnd: side === 'right' || side === 'bottom' };
}

/**
 * A slider's track is its inside, and a third as thick as all of it where no padding leaves room on both sides of it; its handle is three
 * times as thick as the track, at the most as the whole widget. A switch's track is the whole widget, its handle stands inside, an
 * eighth of the height off the edges where no padding leaves room, at the end when it is on. What starts and ends follows the writing
 * direction, of a slider the side it is filled from.
 */
export function controlBoxes(widget: Widget, layout: Layout, rect: Rect): ControlBoxes {
  const inside = insideOf(widget, layout, rect);
  if (widget.kind === 'switch') {
    const isPadded = inside.height < rect.height || inside.width < rect.width;
    const room = isPadded ? inside : within(rect, Math.min(rect.height, rect.width) * roomShare);
    const side = Math.min(room.height, room.width);
    const share = widget.states.includes('checked') ? 1 : 0;
    return { track: rect, filled: undefined, handle: handleAt(widget, room, side, room.y, share) };
  }
  const { axis, isFromEnd } = slidesAlong(widget);
  const [along, thick] = axis === 'x' ? (['width', 'height'] as const) : (['height', 'width'] as const);
  const across = axis === 'x' ? 'y' : 'x';
  const third = inside[thick] / handleTimes;
  const track =
    inside[thick] < rect[thick]
      ? inside
      : { ...inside, [across]: inside[across] + (inside[thick] - third) / 2, [thick]: third };
  const side = Math.min(rect.height, rect.width, handleTimes * track[thick]);
  const share = isFromEnd ? 1 - widget.value : widget.value;
  const start = rect[axis] + (rect[along] - side) * share;
  const beside = rect[across] + (rect[thick] - side) / 2;
  const handle = {
    x: axis === 'x' ? start : beside,
    y: axis === 'x' ? beside : start,
    width: side,
    height: side,
  };
  const middle = start + side / 2;
  const end = track[axis] + track[along];
  const filled = isFromEnd
    ? { ...track, [axis]: middle, [along]: Math.max(0, end - middle) }
    : { ...track, [along]: Math.max(0, middle - track[axis]) };
  return { track, filled, handle };
}

/** The least a scrollbar's handle is long, in u. */
const leastHandle = 24;

/** A scrollbar along an axis: the track its handle moves in, and the handle, in device px. */
export interface ScrollbarBoxes {
  readonly axis: 'x' | 'y';
  readonly track: Rect;
  readonly handle: Rect;
}

/**
 * The boxes of a scrollbar: it goes along its longer side; its handle is as long a share of the track as of what it scrolls is shown.
 * @param target The index of what it scrolls. Undefined where all of that is shown: then there is no scrollbar.
 */
export function scrollbarBoxes(
  widget: Widget,
  layout: Layout,
  rect: Rect,
  target: number | undefined,
): ScrollbarBoxes | undefined {
  const axis = rect.width > rect.height ? 'x' : 'y';
  const span = target === undefined ? undefined : layout.scroll(target)?.[axis];
  if (!span || !(span.range > 0)) return undefined;
  const track = insideOf(widget, layout, rect);
  const size = axis === 'x' ? 'width' : 'height';
  const least = Math.min(track[size], leastHandle * layout.scale(widget.index));
  const length = Math.max(least, (track[size] * span.shown) / (span.shown + span.range));
  const start = track[axis] + ((track[size] - length) * span.at) / span.range;
  return { axis, track, handle: { ...track, [axis]: start, [size]: length } };
}

/**
 * What a widget's background, border and shadow are drawn on, in a rectangle: all of it, of a slider its track, and more of what reaches
 * under a notch.
 */
export function backgroundBox(widget: Widget, layout: Layout, rect: Rect): Rect {
  return widget.kind === 'slider' ? controlBoxes(widget, layout, rect).track : bleedBox(widget, layout, rect);
}

/** How much thicker a slider's handle is than its track. */
const handleTimes = 3;

/** What is left round the handle of a switch where it says no padding, as a share of its height. */
const roomShare = 1 / 8;

/** A rectangle without so much at each of its edges. */
function within({ x, y, width, height }: Rect, by: number): Rect {
  return { x: x + by, y: y + by, width: width - 2 * by, height: height - 2 * by };
}

function handleAt({ box }: Widget, room: Rect, side: number, y: number, share: number): Rect {
  const along = box.rightToLeft ? 1 - share : share;
  return { x: room.x + (room.width - side) * along, y, width: side, height: side };
}

/** The corners of a checkbox's mark as fractions of its inside. */
export const checkMark: readonly (readonly [x: number, y: number])[] = [
  [0.06, 0.54],
  [0.19, 0.41],
  [0.38, 0.6],
  [0.81, 0.15],
  [0.94, 0.28],
  [0.38, 0.86],
];
