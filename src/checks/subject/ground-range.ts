import { backgroundBox } from '../../inside/index.ts';
import type { Rect } from '../../layout/index.ts';
import { luminance, type Fill, type Rgba } from '../../theme/index.ts';
import { covers } from './beds.ts';
import { bedsNear } from './behind.ts';
import { intersection, meet } from '../../scene/index.ts';
import type { Subject } from './subject.ts';

/** Luminances between which everything behind a rectangle lies. */
export interface GroundRange {
  readonly darkest: number;
  readonly lightest: number;
}

/**
 * A range that holds the luminance of all that lies behind a rectangle of a widget, whatever is behind the first thing
 * below it: the cheap test before anybody samples. Undefined where that is a picture, a meter or does not lie under all
 * of it. Luminance grows with each channel (WCAG 2.2), so that its ends are those of the channels.
 */
export function groundRange(subject: Subject, index: number, area: Rect): GroundRange | undefined {
  const { places, opacity, turner } = subject.form;
  for (const below of [...bedsNear(subject, index, area)].sort((a, b) => places[b]! - places[a]!)) {
    if (places[below]! > places[index]!) continue;
    // What is turned is only looked at place by place.
    if (turner[below]! > 0 || turner[index]! > 0) return undefined;
    const widget = subject.widgets[below]!;
    const { kind, look, picture } = widget;
    if (kind === 'dialog') return undefined;
    if (!meet(subject.rect(below), area)) continue;
    const clip = subject.clip(below);
    const box = backgroundBox(widget, subject.layout, subject.rect(below));
    const rect = clip ? intersection(box, clip) : box;
    const { background } = look;
    if (!background || picture || (kind === 'meter' && below !== index) || !covers(rect, area))
      return undefined;
    const ranges = subject.form.once('ranges', () => new Map<number, GroundRange>());
    let range = ranges.get(below);
    if (!range) ranges.set(below, (range = rangeOf(background, opacity[below]!)));
    return range;
  }
  return undefined;
}

/** Whether an opaque colour has a contrast of at least the limit with everything in a range. */
export function standsOff(color: Rgba, { darkest, lightest }: GroundRange, limit: number): boolean {
  if (color.a !== 1) return false;
  const own = luminance(color) + 0.05;
  return Math.max(own / (lightest + 0.05), (darkest + 0.05) / own) >= limit;
}

/**
 * The luminances of a fill over anything from black to white. Between two stops colour and opacity both change, so that
 * the ends are those of the least opacity with the least and the most of each channel.
 */
export function rangeOf(fill: Fill, opacity: number): GroundRange {
  const colors = fill.type === 'color' ? [fill.color] : fill.stops.map(({ color }) => color);
  const alpha = Math.min(...colors.map(({ a }) => a)) * opacity;
  const end = (pick: (...values: number[]) => number, under: number) => {
    const channel = (key: 'r' | 'g' | 'b') =>
      pick(...colors.map((color) => color[key])) * alpha + under * (1 - alpha);
    return luminance({ r: channel('r'), g: channel('g'), b: channel('b'), a: 1 });
  };
  return { darkest: end(Math.min, 0), lightest: end(Math.max, 1) };
}
