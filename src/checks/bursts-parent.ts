import { whySize } from '../why/index.ts';
import type { Check } from './check.ts';
import { axisOf, hasArea, overshoot, worstEdge } from './geometry.ts';

export const burstsParent: Check = {
  id: 'bursts-parent',
  title: 'Bursts out of its parent',
  measures: 'how far a widget reaches over an edge of the widget it is in',
  unit: 'px',
  limit: 0.5,
  fails: 'above',
  source: 'rounding to whole pixels moves an edge by half a pixel at the most (docs/layout-model.md, 5.1)',
  severity: 'error',
  run(subject, limit, report) {
    for (const { index, parent, visible } of subject.widgets) {
      if (parent <= 0 || !visible) continue;
      const { source } = subject.widgets[parent]!;
      if ('overflow' in source && source.overflow !== undefined) continue;
      if ('scroll' in source && source.scroll !== undefined) continue;
      const rect = subject.layout.rect(index);
      if (!hasArea(rect)) continue;
      const { edge, distance } = worstEdge(overshoot(rect, subject.layout.rect(parent)));
      if (!(distance > limit)) continue;
      const { axis } = axisOf(edge);
      const reasons = [
        ...whySize(subject.tree, subject.layout, index, axis),
        ...whySize(subject.tree, subject.layout, parent, axis).map((reason) => ({
          ...reason,
          text: `${subject.widgets[parent]!.id}: ${reason.text}`,
        })),
      ];
      report({ outcome: 'failed', widget: index, other: parent, measured: distance, detail: edge, reasons });
    }
  },
};
