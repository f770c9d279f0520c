import type { Rect } from '../../layout/index.ts';
import { across, intersection, rectIn } from '../../scene/index.ts';
import type { Subject } from './subject.ts';

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
