import { turnOf, turnedBack, turnedOn, type Matrix } from '../../inside/index.ts';
import type { Rect } from '../../layout/index.ts';
import { intersection } from '../../scene/index.ts';
import type { Subject } from './subject.ts';

/*
 * Widgets that are rotated or skewed, each in the frame in which it is upright: what is painted of two that are turned otherwise lies
 * where a point of one is in the frame of the other.
 */

/** A place of one frame as it is in another one. */
export type Across = (x: number, y: number) => readonly [number, number];

/** What leads from the frame of a widget to that of another; undefined where they are the same. The frame of the view is the screen. */
export function across(subject: Subject, from: number, to: number): Across | undefined {
  const { turned } = subject.form;
  if (turned[from] === 0 && turned[to] === 0) return undefined;
  const [mine, theirs] = [turnsOf(subject, from), turnsOf(subject, to)];
  let same = 0;
  while (same < mine.length && mine[same]!.index === theirs[same]?.index) same++;
  if (same === mine.length && same === theirs.length) return undefined;
  const [out, back] = [mine.slice(same).reverse(), theirs.slice(same)];
  return (x, y) => {
    let at: readonly [number, number] = [x, y];
    for (const { turn } of out) at = turnedOn(turn, ...at);
    for (const { turn } of back) at = turnedBack(turn, ...at);
    return at;
  };
}

/** The upright rectangle around one of another frame. */
export function rectIn({ x, y, width, height }: Rect, to: Across | undefined): Rect {
  if (!to) return { x, y, width, height };
  const corners = [to(x, y), to(x + width, y), to(x, y + height), to(x + width, y + height)];
  const [xs, ys] = [corners.map(([one]) => one), corners.map(([, one]) => one)];
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  return { x: left, y: top, width: Math.max(...xs) - left, height: Math.max(...ys) - top };
}

/** What there is to see of a rectangle of a widget, in its own frame: where it is turned, the screen may cut off any corner of it. */
export function seenOf(subject: Subject, index: number, rect: Rect): Rect {
  const clip = subject.clip(index);
  const left = clip ? intersection(rect, clip) : rect;
  return subject.form.turned[index] === 1 ? left : intersection(left, subject.screenRect);
}

/** What is seen of a widget, in the frame of another one. */
export function seenFrom(subject: Subject, index: number, other: number): Rect {
  const { turned } = subject.form;
  if (turned[index] === 0 && turned[other] === 0) return subject.visualRect(index);
  return rectIn(seenOf(subject, index, subject.uprightRect(index)), across(subject, index, other));
}

/** What turns a widget and what it is in, from the outside in. */
function turnsOf(
  { widgets, layout, form }: Subject,
  index: number,
): readonly { readonly index: number; readonly turn: Matrix }[] {
  if (form.turned[index] === 0) return [];
  const turns: { index: number; turn: Matrix }[] = [];
  for (let at = index; at >= 0; at = widgets[at]!.parent) {
    const turn = turnOf(widgets[at]!, layout);
    if (turn) turns.unshift({ index: at, turn });
  }
  return turns;
}
