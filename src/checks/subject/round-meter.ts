import {
  cornersIn,
  holeIn,
  insideRing,
  isInRounded,
  ringOf,
  shareAround,
  trackOfRing,
  trailColor,
  turnOfMeter,
  type Rounded,
} from '../../inside/index.ts';
import type { Rgba } from '../../theme/index.ts';
import type { Subject } from './subject.ts';

/* Meters that fill round their middle: what is drawn of them where. */

const clear: Rgba = { r: 0, g: 0, b: 0, a: 0 };

/** The colour of the filled part of a round meter at a place in device px, and of where it was before; undefined of others. */
export function roundFill(subject: Subject, index: number): ((x: number, y: number) => Rgba) | undefined {
  const widget = subject.widgets[index]!;
  const turn = turnOfMeter(widget);
  if (turn === undefined) return undefined;
  const { look, value, trail } = widget;
  const rect = subject.rect(index);
  const isHole = insideOfRing(subject, index);
  return (x, y) => {
    if (isHole?.(x, y)) return clear;
    const at = shareAround(rect, turn, x, y);
    if (at <= value) return look.color;
    return at <= trail ? trailColor(look) : clear;
  };
}

/** Whether a place in device px is in the hole of a ring, through which all is seen; undefined of what has none. */
export function holeOf(subject: Subject, index: number): ((x: number, y: number) => boolean) | undefined {
  return trackOfRing(subject.widgets[index]!) ? insideOfRing(subject, index) : undefined;
}

function insideOfRing(subject: Subject, index: number): ((x: number, y: number) => boolean) | undefined {
  const ring = thicknessOf(subject, index);
  const hole = ring === undefined ? undefined : holeIn(shapeOf(subject, index), ring);
  return hole && ((x, y) => isInRounded(hole.rect, hole.radius, x, y));
}

/** What a ring leaves inside of it, in device px, without an area where it has no hole; undefined of what is none. */
export function insideOf(subject: Subject, index: number): Rounded | undefined {
  const ring = thicknessOf(subject, index);
  return ring === undefined ? undefined : insideRing(shapeOf(subject, index), ring);
}

/** How thick a ring is with its border, in device px. */
function thicknessOf(subject: Subject, index: number): number | undefined {
  const widget = subject.widgets[index]!;
  const ring = ringOf(widget);
  return ring === undefined ? undefined : (ring + widget.look.borderWidth) * subject.layout.scale(index);
}

function shapeOf(subject: Subject, index: number): Rounded {
  const rect = subject.rect(index);
  return { rect, radius: cornersIn(subject.widgets[index]!, rect, subject.layout.scale(index)) };
}
