import type { State } from '../document/index.ts';
import { contrastRatio, type Shadow } from '../theme/index.ts';
import { grown, hasArea, intersection } from '../scene/index.ts';
import type { Check } from './check.ts';
import { groundOf } from './subject/behind.ts';
import {
  contrastOf,
  leastFocus,
  leastRing,
  neutral,
  reachOfRing,
  shownFaintly,
} from './subject/shown-states.ts';
import type { Subject } from './subject/subject.ts';
import { sayerOf } from './subject/words-in-states.ts';

type Facts = {
  readonly state: State;
  /** The style, or kind, that would have to say how the state looks. */
  readonly style: string;
};

export const statesAlike = {
  id: 'states-alike',
  title: 'A state that looks like none',
  measures:
    'the contrast between a control with the focus and the same without, where they differ most; of what is disabled or selected, 1.2:1 is enough',
  unit: ':1',
  limit: leastFocus,
  fails: 'below',
  source:
    'WCAG 2.2, success criteria 2.4.7 and 2.4.13: 3:1 between the same pixels with and without the focus',
  severity: 'error',
  readsColors: true,
  remedies: ['showState'],
  sentence: ({ facts: { state }, measured, limit }) =>
    `barely shows ${state === 'focused' ? 'the focus' : `that it is ${state}`}: contrast ${measured}:1, minimum ${limit}:1`,
  cause: ({ facts: { style, state } }) => `${style} does not show what is ${state}`,
  apart: ({ state }) => state,
  run(subject, _, report) {
    for (const { index, within, ring, state, wanted, over } of shownFaintly(subject)) {
      if (!subject.isThere(index)) continue;
      // The focus scrolls it to where it is seen: what is behind a ring is known there.
      if (ring.length > 0 && !hasArea(subject.visualRect(index))) continue;
      const measured = Math.max(within, ...ring.map((shadow) => shadowContrast(subject, index, shadow)));
      if (measured >= wanted) continue;
      const { pointer } = subject.widgets[index]!;
      const what =
        measured < 1.01
          ? `nothing of its look changes when it is ${state}`
          : `what changes when it is ${state} is too faint to be seen`;
      const covered = `: it is ${over.join(' and ')} too, and what that says comes after`;
      const reason = { text: over.length > 0 ? what + covered : what, pointer };
      report({
        outcome: 'failed',
        widget: index,
        measured,
        limit: wanted,
        facts: { state, style: sayerOf(subject.widgets[index]!) },
        reasons: [reason],
      });
    }
  },
} as const satisfies Check<Facts>;

/** The contrast of a shadow, a ring round a widget above all, with what is behind it where it stands off least. */
function shadowContrast(subject: Subject, index: number, { x, y, color, blur, spread }: Shadow): number {
  const { layout } = subject;
  const scale = layout.frame.scale * layout.factor(index);
  const past = reachOfRing({ x, y, blur, spread }) * scale;
  if (past < leastRing) return 1;
  const area =
    subject.form.turner[index]! > 0
      ? grown(subject.rect(index), past)
      : intersection(grown(subject.visualRect(index), past), subject.screenRect);
  if (!hasArea(area)) return 1;
  // A blur lets through half of it at the edge of what it is the shadow of.
  const seen = { ...color, a: color.a * (spread >= blur / 2 ? 1 : 0.5) };
  const nobody = () => undefined;
  const grounds = groundOf(subject, index, area, nobody, { own: 'without its own' });
  // Where nobody can tell what is behind, it counts as neither light nor dark.
  if (grounds.length === 0) return contrastOf(undefined, seen, neutral);
  return Math.min(...grounds.map((ground) => contrastRatio(ground.over(seen), ground.color)));
}
