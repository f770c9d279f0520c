import type { Widget } from '../../dress/index.ts';
import type { WidgetSource } from '../../document/index.ts';
import {
  cornersIn,
  picturePieces,
  ringOf,
  trackOfRing,
  type PicturePiece,
  type Rounded,
} from '../../inside/index.ts';
import type { Rect } from '../../layout/index.ts';
import type { Picture } from '../../picture/index.ts';
import { across, pointIn } from '../../scene/index.ts';
import { evenCorners } from '../../theme/index.ts';
import { covers, sliver } from './beds.ts';
import { insideOf } from './round-meter.ts';
import { seenFrom } from './seen-of.ts';
import type { Subject } from './subject.ts';

/** Below this share of opacity a pixel is taken for clear. */
const clearBelow = 0.05;

/**
 * The inside of a frame, in device px: of a panel that is a border alone, of nine slices without their middle, of a picture
 * whose middle is clear, of a meter that is a ring. What stands there is not overlapped or hidden. Undefined of what is no frame.
 */
export function hollowOf(subject: Subject, index: number): Rect | undefined {
  const found = kindOf(subject, index);
  if (!found) return undefined;
  if (found.by === 'ring') return insideOf(subject, index)?.rect;
  const rect = subject.rect(index);
  const scale = subject.layout.scale(index);
  if (found.by === 'border') return grown(rect, -found.u * scale);
  const { widget, picture, clear } = found;
  const source = widget.source as WidgetSource;
  const pieces = picturePieces(rect, picture, source, widget.fit, scale);
  if (source['slice-center'] === 'hollow' && source.slice !== undefined) return between(pieces, rect);
  const middle = pieces.find(({ from }) => inside(from, clear!) || inside(clear!, from));
  if (!middle) return undefined;
  const { from, to } = middle;
  const part = inside(from, clear!) ? from : clear!;
  return {
    x: to.x + ((part.x - from.x) * to.width) / from.width,
    y: to.y + ((part.y - from.y) * to.height) / from.height,
    width: (part.width * to.width) / from.width,
    height: (part.height * to.height) / from.height,
  };
}

/** Whether a widget may be a frame, however large it is. */
export function isFrame(subject: Subject, index: number): boolean {
  return kindOf(subject, index) !== undefined;
}

/** Whether it is a frame whose inside may have round corners. */
export function isRing(subject: Subject, index: number): boolean {
  return kindOf(subject, index)?.by === 'ring';
}

/** Whether what is seen of a widget stands inside of a frame. */
export function isInHollow(subject: Subject, index: number, frame: number): boolean {
  if (isRing(subject, frame)) return pastHole(subject, index, frame) <= sliver;
  const hollow = hollowOf(subject, frame);
  return hollow !== undefined && covers(hollow, seenFrom(subject, index, frame));
}

/** How far what is seen of a widget reaches out of the inside of a ring, in px; not above 0 where it does not. */
export function pastHole(subject: Subject, index: number, ring: number): number {
  const hole = insideOf(subject, ring)!;
  let furthest = -Infinity;
  const to = across(subject, index, ring);
  for (const [x, y] of outlineOf(subject, index, seenFrom(subject, index, index)))
    furthest = Math.max(furthest, pastRounded(hole, ...pointIn(to, x, y)));
  return furthest;
}

/** How far a point is outside of a rectangle with round corners, in px; below 0 inside. */
function pastRounded({ rect, radius }: Rounded, x: number, y: number): number {
  const [right, down] = [x - rect.x - rect.width / 2, y - rect.y - rect.height / 2];
  const [end, side] = [down < 0 ? 'top' : 'bottom', right < 0 ? 'Left' : 'Right'] as const;
  const round = radius[`${end}${side}`];
  const across = Math.abs(right) - rect.width / 2 + round;
  const along = Math.abs(down) - rect.height / 2 + round;
  return Math.hypot(Math.max(across, 0), Math.max(along, 0)) + Math.min(Math.max(across, along), 0) - round;
}

/** Points of its outline that reach furthest into the corners, in device px, in its own frame. */
function outlineOf(subject: Subject, index: number, seen: Rect): readonly (readonly [number, number])[] {
  const widget = subject.widgets[index]!;
  const rect = subject.rect(index);
  // What is cut off has lost its corners.
  const isWhole =
    Math.abs(seen.width - rect.width) < rounding && Math.abs(seen.height - rect.height) < rounding;
  const radius = isWhole ? cornersIn(widget, rect, subject.layout.scale(index)) : square;
  const { x, y, width, height } = seen;
  const corners = [
    { from: radius.topLeft, x, y, across: 1, down: 1 },
    { from: radius.topRight, x: x + width, y, across: -1, down: 1 },
    { from: radius.bottomRight, x: x + width, y: y + height, across: -1, down: -1 },
    { from: radius.bottomLeft, x, y: y + height, across: 1, down: -1 },
  ];
  return corners.flatMap(({ from, across, down, ...corner }) =>
    Array.from({ length: from > 0 ? steps + 1 : 1 }, (_, nth) => {
      const turn = (nth / steps) * (Math.PI / 2);
      return [
        corner.x + across * from * (1 - Math.sin(turn)),
        corner.y + down * from * (1 - Math.cos(turn)),
      ] as const;
    }),
  );
}

/** What rounding may make of a length, in px. */
const rounding = 1e-6;
const square = evenCorners(0);
/** Steps round a corner. */
const steps = 8;

function grown({ x, y, width, height }: Rect, by: number): Rect {
  return { x: x - by, y: y - by, width: width + 2 * by, height: height + 2 * by };
}

type Hollow =
  | { readonly by: 'ring' }
  | { readonly by: 'border'; readonly u: number }
  | {
      readonly by: 'picture';
      readonly widget: Widget;
      readonly picture: Picture;
      /** In px of the picture. */
      readonly clear: Rect | undefined;
    };

function kindOf(subject: Subject, index: number): Hollow | undefined {
  const known = subject.form.once('hollow', () => new Map<number, Hollow | undefined>());
  if (!known.has(index)) known.set(index, kindOfHollow(subject.widgets[index]!));
  return known.get(index);
}

function kindOfHollow(widget: Widget): Hollow | undefined {
  const { kind, look, picture, text, source } = widget;
  // A gradient is drawn in the hole of a ring too.
  if (ringOf(widget) !== undefined)
    return look.background && !trackOfRing(widget) ? undefined : { by: 'ring' };
  if ((kind !== 'panel' && kind !== 'image') || text || look.background) return undefined;
  if (!picture) return look.borderWidth > 0 ? { by: 'border', u: look.borderWidth } : undefined;
  const isCut = 'slice' in source && source.slice !== undefined && source['slice-center'] === 'hollow';
  const clear = isCut ? undefined : clearMiddle(picture);
  return isCut || clear ? { by: 'picture', widget, picture, clear } : undefined;
}

/** The largest clear rectangle round the middle of a picture, in its px; undefined where the middle is not clear. */
function clearMiddle({ sample, width, height }: Picture): Rect | undefined {
  if (!sample) return undefined;
  const isClear = (x: number, y: number) => sample.data[(y * sample.width + x) * 4 + 3]! / 255 < clearBelow;
  let [left, top] = [Math.floor(sample.width / 2), Math.floor(sample.height / 2)];
  if (!isClear(left, top)) return undefined;
  let [right, bottom] = [left + 1, top + 1];
  const column = (x: number) => {
    if (x < 0 || x >= sample.width) return false;
    for (let y = top; y < bottom; y++) if (!isClear(x, y)) return false;
    return true;
  };
  const row = (y: number) => {
    if (y < 0 || y >= sample.height) return false;
    for (let x = left; x < right; x++) if (!isClear(x, y)) return false;
    return true;
  };
  // Grows on all four sides in turn until none gives way.
  for (let grows = true; grows;) {
    grows = false;
    if (column(left - 1)) [left, grows] = [left - 1, true];
    if (column(right)) [right, grows] = [right + 1, true];
    if (row(top - 1)) [top, grows] = [top - 1, true];
    if (row(bottom)) [bottom, grows] = [bottom + 1, true];
  }
  const [across, down] = [width / sample.width, height / sample.height];
  return { x: left * across, y: top * down, width: (right - left) * across, height: (bottom - top) * down };
}

/** What nine slices leave free in their middle. */
function between(pieces: readonly PicturePiece[], rect: Rect): Rect | undefined {
  const near = (a: number, b: number) => Math.abs(a - b) < 0.5;
  let [left, top, right, bottom] = [rect.x, rect.y, rect.x + rect.width, rect.y + rect.height];
  for (const { to } of pieces) {
    // Corners alone: an edge that is stretched reaches from one to the other.
    const isLeft = near(to.x, rect.x);
    const isRight = near(to.x + to.width, rect.x + rect.width);
    const isTop = near(to.y, rect.y);
    const isBottom = near(to.y + to.height, rect.y + rect.height);
    if ((isLeft || isRight) && (isTop || isBottom)) {
      if (isLeft) left = Math.max(left, to.x + to.width);
      if (isRight) right = Math.min(right, to.x);
      if (isTop) top = Math.max(top, to.y + to.height);
      if (isBottom) bottom = Math.min(bottom, to.y);
    }
  }
  return right > left && bottom > top
    ? { x: left, y: top, width: right - left, height: bottom - top }
    : undefined;
}

function inside(inner: Rect, outer: Rect): boolean {
  return (
    inner.x >= outer.x &&
    inner.y >= outer.y &&
    inner.x + inner.width <= outer.x + outer.width &&
    inner.y + inner.height <= outer.y + outer.height
  );
}
