import type { Widget } from '../build/index.ts';
import { whyEdge } from '../why/index.ts';
import type { Check } from './check.ts';
import { axisOf, hasArea, intersection, isInside, overshoot, worstEdge } from './geometry.ts';
import type { Subject } from './subject.ts';

export const outsideSafeArea: Check = {
  id: 'outside-safe-area',
  title: 'Outside the safe area',
  measures: 'how far a widget reaches into what a notch, a rounded corner or overscan takes away',
  unit: 'px',
  limit: 0.5,
  fails: 'above',
  source: 'rounding to whole pixels moves an edge by half a pixel at the most (docs/layout-model.md, 5.1)',
  severity: 'error',
  run(subject, limit, report) {
    const told = new Map<number, number>();
    for (const widget of subject.widgets) {
      const { index, parent } = widget;
      const above = told.get(parent) ?? 0;
      told.set(index, above);
      if (!subject.paints(index) || mayBleed(subject, widget)) continue;
      // What lies outside the screen altogether is the business of another check.
      const rect = intersection(subject.visualRect(index), subject.screenRect);
      if (!hasArea(rect)) continue;
      if (isInside(rect, subject.safeRect, limit)) continue;
      const { edge, distance } = worstEdge(overshoot(rect, subject.safeRect));
      if (!(distance > limit) || distance <= above) continue;
      told.set(index, distance);
      const { axis, end } = axisOf(edge);
      const reasons = whyEdge(subject.tree, subject.layout, index, axis, end);
      report({ outcome: 'failed', widget: index, measured: distance, detail: edge, reasons });
    }
  },
};

/** Backgrounds that asked for the full surface may reach under a notch; what is read or pressed may not. */
function mayBleed(subject: Subject, widget: Widget): boolean {
  if (widget.kind !== 'panel' && widget.kind !== 'image') return false;
  for (let at = widget; at.index > 0; at = subject.widgets[at.parent]!) if (at.box.full) return true;
  return false;
}
