import { whyEdge } from '../why/index.ts';
import type { Check } from './check.ts';
import { axisOf, hasArea, isInside, overshoot, worstEdge, type EdgeName } from '../scene/index.ts';

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
    `reaches ${measured} px over the ${facts.edges.join(' ')} edge of the screen`,
  remedies: ['pivotFollows', 'tieToEdge', 'moveInside'],
  run(subject, limit, report) {
    const { painted } = subject.form;
    if (!painted.some((index) => subject.seenReach(index, subject.screenRect) > limit)) return;
    const told = new Map<number, number>();
    for (const { index, parent } of subject.widgets) {
      const above = told.get(parent) ?? 0;
      told.set(index, above);
      if (!subject.paints(index)) continue;
      const rect = subject.visualRect(index);
      if (!hasArea(rect)) continue;
      if (isInside(rect, subject.screenRect, limit)) continue;
      const { edge, distance } = worstEdge(overshoot(rect, subject.screenRect));
      // What a widget carries out of the screen with it is told once, of the widget.
      if (!(distance > limit) || distance <= above) continue;
      told.set(index, distance);
      const { axis, end } = axisOf(edge);
      const reasons = whyEdge(subject.tree, subject.layout, index, axis, end);
      report({ outcome: 'failed', widget: index, measured: distance, facts: { edges: [edge] }, reasons });
    }
  },
} as const satisfies Check<Facts>;
