import { bedsOf } from './subject/beds.ts';
import { lyingOverAt } from './subject/siblings.ts';
import type { Check } from './check.ts';
import { leastHidden } from './covered.ts';
import { mostSeenThrough } from './subject/behind.ts';
import { readArea, textContrast, type TextContrast } from './low-contrast.ts';
import { across, hasArea, intersection, rectIn } from '../scene/index.ts';
import type { Widget } from '../dress/index.ts';
import type { Rect } from '../layout/index.ts';
import type { Subject } from './subject/subject.ts';
import { shown } from '../why/index.ts';

type Facts = {
  /** The text that is hardest to read. */
  readonly text: string;
  /** How many others are. */
  readonly others: number;
};

export const dimmedText = {
  id: 'dimmed-text',
  title: 'Text dimmed by what lies over it',
  measures:
    'the contrast ratio of a text with what is behind it, both seen through something that lets light through and is drawn over them',
  unit: ':1',
  limit: 4.5,
  fails: 'below',
  source: 'WCAG 2.2, success criterion 1.4.3 (3:1 for large text): what counts is what is seen',
  severity: 'error',
  readsColors: true,
  sentence: ({ facts: { text, others }, measured, limit }) =>
    `dims ${text}${others === 0 ? '' : ` and ${others} ${others === 1 ? 'other text' : 'other texts'}`}: contrast ${measured}:1, minimum ${limit}:1`,
  run(subject, limit, report) {
    const veils = veilsOf(subject);
    if (veils.length === 0) return;
    const { places } = subject.form;
    const grid = subject.gridOf(veils, (index) => subject.visualRect(index));
    const dimmed = new Map<number, { readonly worst: Dimmed; readonly count: number }>();
    for (const { index } of subject.texts) {
      const area = readArea(subject, index);
      if (!area) continue;
      const over = grid
        .meeting(rectIn(area, across(subject, index, 0)))
        .filter((veil) => places[veil]! > places[index]! && liesOn(subject, veil, index))
        .sort((a, b) => places[a]! - places[b]!);
      if (over.length === 0) continue;
      // What is hard to read without them is told by another check.
      const bare = textContrast(subject, index, area, limit, () => undefined);
      if (!bare || bare.ratio < bare.least) continue;
      const found = firstThatDims(subject, index, area, over, limit);
      if (!found) continue;
      const known = dimmed.get(found.veil);
      const isWorse =
        !known || found.seen.ratio / found.seen.least < known.worst.seen.ratio / known.worst.seen.least;
      dimmed.set(found.veil, {
        worst: isWorse ? { ...found, bare } : known.worst,
        count: (known?.count ?? 0) + 1,
      });
    }
    for (const [veil, { worst, count }] of dimmed) {
      const { id } = subject.widgets[worst.index]!;
      const { pointer } = subject.widgets[veil]!;
      const text = `${worst.seen.reason()}; without ${subject.widgets[veil]!.id} over it the contrast is ${shown(worst.bare.ratio)}:1`;
      report({
        outcome: 'failed',
        widget: veil,
        measured: worst.seen.ratio,
        limit: worst.seen.least,
        facts: { text: id, others: count - 1 },
        reasons: [{ text, pointer }],
      });
    }
  },
} as const satisfies Check<Facts>;

interface Dimmed {
  readonly index: number;
  readonly seen: TextContrast;
  /** The contrast without anything over it. */
  readonly bare: TextContrast;
}

/** Widgets that let light through, in drawing order, but for those that lie over others by their nature. */
function veilsOf(subject: Subject): readonly number[] {
  return subject.form.once('veils', () =>
    bedsOf(subject).filter((index) => {
      const widget = subject.widgets[index]!;
      return widget.kind !== 'dialog' && letsThrough(subject, widget);
    }),
  );
}

/** Whether light comes through a widget that is drawn; what hides what is under it is told by another check. */
function letsThrough(subject: Subject, { index, kind, look, picture }: Widget): boolean {
  const { background } = look;
  if (picture) return picture.sample !== undefined;
  const fill =
    background?.type === 'color' ? [background.color] : background?.stops.map(({ color }) => color);
  const colors = [...(fill ?? []), ...(kind === 'meter' ? [look.color] : [])];
  const opacity = subject.form.opacity[index]!;
  const hides =
    opacity >= mostSeenThrough && colors.length > 0 && colors.every(({ a }) => a > mostSeenThrough);
  return !hides && colors.some(({ a }) => a > 0);
}

/** Whether a veil lies on more of a text than nobody would notice. */
function liesOn(subject: Subject, veil: number, index: number): boolean {
  if (!subject.isSeen(veil) || subject.isWithin(index, veil)) return false;
  if (lyingOverAt(subject, veil) !== lyingOverAt(subject, index)) return false;
  const text = rectIn(subject.textRect(index), across(subject, index, 0));
  const shared = intersection(text, subject.visualRect(veil));
  return 100 * shared.width * shared.height > leastHidden * text.width * text.height;
}

/** The veil with which, drawn over those below it, a text falls under its limit; undefined where it never does. */
function firstThatDims(
  subject: Subject,
  index: number,
  area: Rect,
  over: readonly number[],
  limit: number,
): { readonly veil: number; readonly index: number; readonly seen: TextContrast } | undefined {
  for (const [nth, veil] of over.entries()) {
    // What is turned is looked at as a whole: where the veil is not it is seen as it is.
    const shared = subject.form.turner[index]! > 0 ? area : intersection(area, subject.visualRect(veil));
    if (!hasArea(shared)) continue;
    const seen = textContrast(subject, index, shared, limit, () => undefined, over.slice(0, nth + 1));
    if (seen && seen.ratio < seen.least) return { veil, index, seen };
  }
  return undefined;
}
