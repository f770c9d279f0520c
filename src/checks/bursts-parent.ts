import { shown, whySize } from '../why/index.ts';
import type { Widget } from '../dress/index.ts';
import type { Check } from './check.ts';
import type { Subject } from './subject/subject.ts';
import { whyTurned } from './subject/drawn-as.ts';
import { across, axisAlong, axisOf, edgesOver, outlineIn, overshoot, type EdgeName } from '../scene/index.ts';

type Facts = { readonly edge: EdgeName };

export const burstsParent = {
  id: 'bursts-parent',
  title: 'Bursts out of its parent',
  measures: 'how far a widget reaches over an edge of the widget it is in',
  unit: 'px',
  limit: 0.5,
  fails: 'above',
  source: 'rounding to whole pixels moves an edge by half a pixel at the most (docs/layout-model.md, 5.1)',
  severity: 'error',
  sentence: ({ facts, other, measured }) =>
    `sticks out ${measured} px past the ${facts.edge} edge of its parent, ${other}`,
  apart: ({ edge }) => edge,
  remedies: ['noLarger', 'fitInParent', 'roomAround', 'stack'],
  run(subject, limit, report) {
    for (const widget of subject.widgets) {
      const { index, parent } = widget;
      if (!isHeld(subject, widget) || !subject.hasArea(index)) continue;
      const isTurned = subject.form.turner[index] !== subject.form.turner[parent];
      if (!isTurned && !(subject.reach(index, parent) * subject.form.scale[parent]! > limit)) continue;
      const rect = outlineIn(subject, index, parent);
      const over = overshoot(rect, subject.drawnBorder(parent));
      for (const { edge, distance } of edgesOver(over, limit)) {
        const { axis } = axisOf(edge);
        const reasons = () => {
          const size = whySize(subject, index, axisAlong(across(subject, index, parent), axis));
          const turned = whyTurned(
            widget,
            `it is ${shown(rect.width)} px wide and ${shown(rect.height)} px high`,
          );
          const own = isTurned ? [turned, ...size] : size;
          // Where its size follows from the parent's, the parent's is in the chain already.
          const around = size.length > 1 ? [] : whySize(subject, parent, axis);
          return [
            ...own,
            ...around.map((reason, at) => ({
              ...reason,
              text: at === 0 ? `${subject.widgets[parent]!.id}: ${reason.text}` : reason.text,
            })),
          ];
        };
        report({
          outcome: 'failed',
          widget: index,
          other: parent,
          measured: distance,
          facts: { edge },
          reasons,
        });
      }
    }
  },
} as const satisfies Check<Facts>;

/** Whether a widget has to stay within what it is in: it is shown, and nothing says what becomes of what does not. */
export function isHeld(subject: Subject, { index, parent, visible }: Widget): boolean {
  if (parent <= 0 || !visible || isAsTheView(subject, parent)) return false;
  // What is turned is so on the screen alone: it sticks out of what is seen there, and of nothing that only arranges.
  if (subject.form.turner[index] !== subject.form.turner[parent] && !subject.paints(parent)) return false;
  const { source } = subject.widgets[parent]!;
  if ('overflow' in source && source.overflow !== undefined) return false;
  return !('scroll' in source && source.scroll !== undefined);
}

/** Whether a widget draws nothing and is as large as its view: what sticks out of it sticks out of that, as other checks tell. */
function isAsTheView(subject: Subject, index: number): boolean {
  const { parent, box } = subject.widgets[index]!;
  if (parent !== 0 || subject.paints(index) || subject.form.turner[index]! > 0 || box.reference) return false;
  const around = subject.widgets[0]!.box;
  const isNone = ({ u, share }: { readonly u: number; readonly share: number }) => u === 0 && share === 0;
  return (
    around.arrange === 'free' &&
    (['x', 'y'] as const).every((axis) => {
      const { span, anchorStart, anchorEnd, insetStart, insetEnd, min, max, mode } = box[axis];
      const { paddingStart, paddingEnd } = around[axis];
      const isWhole = span && mode === 'auto' && anchorStart === 0 && anchorEnd === 1 && !min && !max;
      return isWhole && [insetStart, insetEnd, paddingStart, paddingEnd].every(isNone);
    })
  );
}
