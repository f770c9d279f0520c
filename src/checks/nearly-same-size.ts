import type { Widget } from '../dress/index.ts';
import { keyPointer, shown } from '../why/index.ts';
import { mayLieOver } from './subject/siblings.ts';
import type { Check } from './check.ts';
import type { Subject } from './subject/subject.ts';

/** In u: a smaller difference is nobody's slip. */
const leastMiss = 0.6;
/** A difference of more than this share is meant. */
const meantShare = 0.08;

type Facts = { readonly side: 'width' | 'height' };

export const nearlySameSize = {
  id: 'nearly-same-size',
  title: 'Nearly of one size',
  measures: 'by how little the written sizes of two neighbours of one kind differ',
  unit: 'u',
  limit: 4,
  fails: 'below',
  source: 'a difference of a few u is seen as a slip, more as meant',
  severity: 'warning',
  sentence: ({ facts, other, measured }) => `differs from the ${facts.side} of ${other} by ${measured} u`,
  apart: ({ side }) => side,
  remedies: ['sameSize'],
  run(subject, limit, report) {
    const pairs = subject.form.once('nearly-same-size', () => nearPairs(subject, limit));
    for (const { one, other, side, by, text, pointer } of pairs) {
      if (!subject.isThere(one) || !subject.isThere(other)) continue;
      report({
        outcome: 'failed',
        widget: one,
        other,
        measured: by,
        facts: { side },
        reasons: [{ text, pointer }],
      });
    }
  },
} as const satisfies Check<Facts>;

interface NearPair {
  readonly one: number;
  readonly other: number;
  readonly side: 'width' | 'height';
  readonly by: number;
  readonly text: string;
  readonly pointer: string;
}

/** Each widget beside the one before it. */
function nearPairs(subject: Subject, limit: number): readonly NearPair[] {
  const before = new Map<number, Widget>();
  const found: NearPair[] = [];
  for (const widget of subject.widgets) {
    const { index, parent, kind, box } = widget;
    if (index === 0 || !subject.paintsWithin(index) || kind === 'dialog' || mayLieOver(widget)) continue;
    const other = before.get(parent);
    before.set(parent, widget);
    if (other?.kind !== kind) continue;
    for (const [axis, side] of [
      ['x', 'width'],
      ['y', 'height'],
    ] as const) {
      const [a, b] = [box[axis], other.box[axis]];
      if (a.mode !== 'fixed' || b.mode !== 'fixed' || a.span || b.span || a.size.share || b.size.share)
        continue;
      const by = Math.abs(a.size.u - b.size.u);
      if (by < leastMiss || by >= limit || by > meantShare * Math.max(a.size.u, b.size.u)) continue;
      const text = `its ${side} is ${shown(a.size.u)} u, that of ${other.id} ${shown(b.size.u)}`;
      found.push({
        one: index,
        other: other.index,
        side,
        by,
        text,
        pointer: keyPointer(widget, side, 'size'),
      });
    }
  }
  return found;
}
