import { rectAround, turnedBack, turnedOn, turnsOf } from '../../inside/index.ts';
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
  const { widgets, layout, form } = subject;
  if (form.turner[from] === form.turner[to]) return undefined;
  const [mine, theirs] = [turnsOf(from, widgets, layout), turnsOf(to, widgets, layout)];
  // What turns both leads nowhere.
  const isShared = (index: number) => subject.isWithin(from, index) && subject.isWithin(to, index);
  const out = mine.filter(({ index }) => !isShared(index));
  const back = theirs.filter(({ index }) => !isShared(index)).reverse();
  return (x, y) => {
    let at: readonly [number, number] = [x, y];
    for (const { turn } of out) at = turnedOn(turn, ...at);
    for (const { turn } of back) at = turnedBack(turn, ...at);
    return at;
  };
}

/** A place of one frame in another one. */
export function pointIn(to: Across | undefined, x: number, y: number): readonly [number, number] {
  return to ? to(x, y) : [x, y];
}

/** The upright rectangle around one of another frame. */
export function rectIn(rect: Rect, to: Across | undefined): Rect {
  return to ? rectAround(rect, to) : rect;
}

/** What there is to see of a rectangle of a widget, in its own frame: where it is turned, the screen may cut off any corner of it. */
export function seenOf(subject: Subject, index: number, rect: Rect): Rect {
  const clip = subject.clip(index);
  const left = clip ? intersection(rect, clip) : rect;
  return subject.form.turner[index]! > 0 ? left : intersection(left, subject.screenRect);
}

/** What is seen of a widget, in the frame of another one. */
export function seenFrom(subject: Subject, index: number, other: number): Rect {
  const { turner } = subject.form;
  if (turner[index] === 0 && turner[other] === 0) return subject.visualRect(index);
  return rectIn(seenOf(subject, index, subject.uprightRect(index)), across(subject, index, other));
}
