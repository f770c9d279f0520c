import { hidingOf } from './covered.ts';
import {
  across,
  grown,
  hasArea,
  holdsPoint,
  isInside,
  pointIn,
  rectIn,
  type RectGrid,
} from '../scene/index.ts';
import type { Rect } from '../layout/index.ts';
import { shown } from '../why/index.ts';
import type { Check } from './check.ts';
import { leastRing, reachOfRing, shownFaintly } from './subject/shown-states.ts';
import { lyingOverAt } from './subject/siblings.ts';
import type { Subject } from './subject/subject.ts';

export const cutRing = {
  id: 'cut-ring',
  title: 'A ring of the focus that is cut off',
  measures:
    'the share of the ring round a control with the focus that is cut off or covered, where nothing else shows the focus',
  unit: '%',
  limit: 40,
  fails: 'above',
  source: 'WCAG 2.2, success criteria 2.4.7 and 2.4.11: what has the focus is seen, and so is that it has it',
  severity: 'warning',
  readsColors: true,
  remedies: ['roomForRing'],
  sentence: ({ other, measured }) => `has ${measured} % of the ring that shows its focus cut off by ${other}`,
  run(subject, limit, report) {
    const above = subject.gridOf(hidingOf(subject), (index) => subject.visualRect(index));
    for (const { index, ring, state } of shownFaintly(subject)) {
      if (state !== 'focused' || ring.length === 0 || !subject.isThere(index)) continue;
      if (subject.isBehindDialog(index)) continue;
      const scale = subject.layout.scale(index);
      const past = Math.max(...ring.map(reachOfRing)) * scale;
      const rect = subject.rect(index);
      // What is not seen whole is scrolled to where it is when it gets the focus.
      const isWhole = subject
        .clippers(index)
        .every((at) => isInside(rectIn(rect, across(subject, index, at)), subject.rect(at), slack));
      if (past < leastRing || !hasArea(rect) || !isWhole) continue;
      const lines = depths.map((depth) => grown(rect, past * depth));
      const { lost, by } = lostOf(subject, index, lines, above);
      const measured = 100 * lost;
      if (by === undefined || measured <= limit) continue;
      const widget = subject.widgets[by]!;
      const text = `it reaches ${shown(past)} px past its box, and ${widget.id} leaves ${shown(100 - measured)} % of that to be seen`;
      report({
        outcome: 'failed',
        widget: index,
        other: by,
        measured,
        reasons: [{ text, pointer: widget.pointer }],
      });
    }
  },
} as const satisfies Check;

/** Rounding, in px. */
const slack = 0.5;

/** Places looked at along each side of a ring, and how far out as shares of its reach. */
const placesASide = 12;
const depths = [1 / 6, 1 / 2, 5 / 6];

/** The share of lines round a control, the outermost last, that is not seen, and what takes most of them. */
function lostOf(
  subject: Subject,
  index: number,
  lines: readonly Rect[],
  hiding: RectGrid,
): { readonly lost: number; readonly by: number | undefined } {
  const toScreen = across(subject, index, 0);
  const clippers = subject
    .clippers(index)
    .map((at) => ({ at, rect: contentRect(subject, at), to: across(subject, index, at) }));
  const { places } = subject.form;
  const above = hiding
    .meeting(rectIn(lines.at(-1)!, toScreen))
    .filter((at) => places[at]! > places[index]! && !subject.isWithin(at, index))
    .filter((at) => lyingOverAt(subject, at) === lyingOverAt(subject, index))
    .map((at) => ({ at, rect: subject.visualRect(at), to: toScreen }));
  const taken = new Map<number, number>();
  let lost = 0;
  const look = (px: number, py: number, weight: number) => {
    const holds = ({ rect, to }: (typeof above)[number]) => holdsPoint(rect, ...pointIn(to, px, py));
    const by = clippers.find((one) => !holds(one))?.at ?? above.find(holds)?.at;
    if (by === undefined) return;
    lost += weight;
    taken.set(by, (taken.get(by) ?? 0) + weight);
  };
  for (const { x, y, width, height } of lines) {
    const each = 1 / (2 * (width + height) * placesASide * lines.length);
    for (let nth = 0; nth < placesASide; nth++) {
      const share = (nth + 0.5) / placesASide;
      for (const side of [0, 1]) {
        look(x + share * width, y + side * height, width * each);
        look(x + side * width, y + share * height, height * each);
      }
    }
  }
  const [most] = [...taken].sort((a, b) => b[1] - a[1]);
  return { lost, by: most?.[0] };
}

/** What a widget shows of what is in it, or shows once that is scrolled: a focus that comes to its edge has it go on a little. */
function contentRect(subject: Subject, index: number): Rect {
  const rect = subject.rect(index);
  const spans = subject.layout.scroll(index);
  if (!spans) return rect;
  const { x, y } = spans;
  const scale = subject.layout.scale(index);
  return {
    x: rect.x - x.at * scale,
    y: rect.y - y.at * scale,
    width: rect.width + x.range * scale,
    height: rect.height + y.range * scale,
  };
}
