import type { Rect } from '../layout/index.ts';
import { keyPointer, shown, whyEdge, type Reason } from '../why/index.ts';
import type { Check } from './check.ts';
import { axisOf, hasArea, isInside, overshoot, type EdgeName } from '../scene/index.ts';
import { CarriedOver } from './subject/carried.ts';
import { whyTurned } from './subject/drawn-as.ts';
import type { Subject } from './subject/subject.ts';
import { isPlacedLater } from './subject/tips.ts';

type Facts = { readonly edges: readonly EdgeName[] };

export const offScreen = {
  id: 'off-screen',
  title: 'Off the screen',
  measures: 'how far what a widget draws reaches over an edge of the screen',
  unit: 'px',
  limit: 0.5,
  fails: 'above',
  source: 'rounding to whole pixels moves an edge by half a pixel at the most (docs/layout-model.md, 5.1)',
  severity: 'error',
  sentence: ({ facts, measured }) =>
    `sticks out ${measured} px past the ${facts.edges.join(' ')} edge of the screen`,
  apart: ({ edges }) => edges.join(' '),
  remedies: ['noLarger', 'pivotFollows', 'tieToEdge', 'moveInside', 'otherSide', 'stack'],
  run(subject, limit, report) {
    const { painted } = subject.form;
    if (!painted.some((index) => subject.seenReach(index, subject.screenRect) > limit)) return;
    const carried = new CarriedOver();
    for (const { index, parent } of subject.widgets) {
      carried.passOn(index, parent);
      if (!subject.paints(index) || isPlacedLater(subject, index)) continue;
      const rect = subject.visualRect(index);
      if (!hasArea(rect)) continue;
      if (isInside(rect, subject.screenRect, limit)) continue;
      for (const { edge, distance } of carried.own(
        index,
        parent,
        overshoot(rect, subject.screenRect),
        limit,
      )) {
        const { axis, end } = axisOf(edge);
        const reasons = () => [...pastBox(subject, index, edge, rect), ...whyEdge(subject, index, axis, end)];
        report({ outcome: 'failed', widget: index, measured: distance, facts: { edges: [edge] }, reasons });
      }
    }
  },
} as const satisfies Check<Facts>;

/** Of a bare text whose letters, not its box, reach over an edge: by how much they reach past the box. */
function pastBox(subject: Subject, index: number, edge: EdgeName, seen: Rect): readonly Reason[] {
  const past = overshoot(seen, subject.rect(index))[edge];
  if (!(past > 1)) return [];
  const widget = subject.widgets[index]!;
  const reaches = `reaches ${shown(past)} px past the ${edge} edge of its box`;
  if (!widget.text) return [whyTurned(subject.widgets[subject.form.turner[index]!]!, `it ${reaches}`)];
  return [{ text: `its text ${reaches}`, pointer: keyPointer(widget, 'text') }];
}
