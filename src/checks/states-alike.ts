import { isControl, lookOf } from '../dress/index.ts';
import { choiceKeyOf, type State } from '../document/index.ts';
import { compose, contrastRatio, type Fill, type Look, type Rgba, type Shadow } from '../theme/index.ts';
import { grown, hasArea, intersection } from '../scene/index.ts';
import type { Check } from './check.ts';
import { groundOf } from './subject/behind.ts';
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
  limit: 3,
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
  run(subject, limit, report) {
    const alike = subject.form.once('states-alike', () =>
      subject.widgets.flatMap((widget) => {
        if (!isControl(widget)) return [];
        const { index, parent, kind, theme, source, states } = widget;
        const { look: around, kind: outside } = subject.widgets[parent]!;
        // What is disabled takes no focus; whether it is so has to be seen, and so does which tab is selected.
        const now: State = states.includes('disabled')
          ? 'disabled'
          : states.includes('selected') && choiceKeyOf(outside) !== undefined
            ? 'selected'
            : 'focused';
        return (now === 'selected' ? ([now, 'focused'] as const) : [now]).flatMap((state) => {
          // Pointed at or pressed, it may look the same with the focus: what counts is what it looks like at rest.
          const others = states.filter((one) => one !== state && one !== 'hover' && one !== 'pressed');
          const seen = (inStates: readonly State[]) => lookOf(source, kind, theme, around, inStates);
          const [before, after] = [seen(others), seen([...others, state])];
          const within = largestChange(before, after);
          const wanted = state === 'focused' ? limit : anyDifference;
          if (within >= wanted) return [];
          const isCovered = others.length > 0 && largestChange(seen([]), seen([state])) >= wanted;
          const ring = after.shadow.filter((one) => !before.shadow.includes(one));
          return [{ index, within, ring, state, wanted, over: isCovered ? others : [] }];
        });
      }),
    );
    for (const { index, within, ring, state, wanted, over } of alike) {
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

/** Contrast enough for a state that is no place to be found: it differs. */
const anyDifference = 1.2;

/** The contrast of what changes most between two looks; 1 where nothing does. */
function largestChange(before: Look, after: Look): number {
  if (Math.abs(before.opacity - after.opacity) >= leastFading) return Infinity;
  const ground = meanOf(before.background) ?? neutral;
  const changes = [contrastOf(meanOf(before.background), meanOf(after.background), neutral)];
  const [thin, thick] = [before.borderWidth, after.borderWidth];
  if (after.borderColor) {
    const old = before.borderColor && thin > 0 ? before.borderColor : undefined;
    if (thick > 0) changes.push(contrastOf(old ?? ground, after.borderColor, ground));
    // A ring that grows is drawn over what was the ground before.
    if (thick > thin) changes.push(contrastOf(ground, after.borderColor, ground));
  }
  changes.push(contrastOf(before.color, after.color, ground));
  changes.push(contrastOf(before.handleColor ?? before.color, after.handleColor ?? after.color, ground));
  return Math.max(1, ...changes);
}

/** The contrast of a shadow, a ring round a widget above all, with what is behind it where it stands off least. */
function shadowContrast(subject: Subject, index: number, { x, y, color, blur, spread }: Shadow): number {
  const { layout } = subject;
  const scale = layout.frame.scale * layout.factor(index);
  const past = (spread + blur / 2 + Math.max(Math.abs(x), Math.abs(y))) * scale;
  if (past < leastPast) return 1;
  const area = intersection(grown(subject.visualRect(index), past), subject.screenRect);
  if (!hasArea(area)) return 1;
  // A blur lets through half of it at the edge of what it is the shadow of.
  const seen = { ...color, a: color.a * (spread >= blur / 2 ? 1 : 0.5) };
  const nobody = () => undefined;
  const grounds = groundOf(subject, index, area, nobody, { own: 'without its own' });
  // Where nobody can tell what is behind, it counts as neither light nor dark.
  if (grounds.length === 0) return contrastOf(undefined, seen, neutral);
  return Math.min(...grounds.map((ground) => contrastRatio(ground.over(seen), ground.color)));
}

/** In px: what is thinner past the edge of a widget is no ring. */
const leastPast = 1;

/** An opacity that changes by this much is seen. */
const leastFading = 0.15;

/** Where nothing is known of what is behind. */
const neutral: Rgba = { r: 0.21, g: 0.21, b: 0.21, a: 1 };

function contrastOf(one: Rgba | undefined, other: Rgba | undefined, ground: Rgba): number {
  if (one === other) return 1;
  const [a, b] = [one, other].map((color) => (color ? compose(color, ground) : ground)) as [Rgba, Rgba];
  return contrastRatio(a, b);
}

function meanOf(fill: Fill | undefined): Rgba | undefined {
  if (!fill || fill.type === 'color') return fill?.color;
  const { stops } = fill;
  const mean = (part: 'r' | 'g' | 'b' | 'a') =>
    stops.reduce((sum, { color }) => sum + color[part], 0) / stops.length;
  return { r: mean('r'), g: mean('g'), b: mean('b'), a: mean('a') };
}
