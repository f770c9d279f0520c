import type { Look } from '../theme/index.ts';
import { shown } from '../why/index.ts';
import type { Check } from './check.ts';
import { intersection, meet } from '../scene/index.ts';

export const covered = {
  id: 'covered',
  title: 'Covered by something above',
  measures: 'the share of a text, picture or control that something opaque above it hides',
  unit: '%',
  limit: 5,
  fails: 'above',
  source: 'what is hidden cannot be read, whether it may overlap or not',
  severity: 'error',
  readsColors: true,
  sentence: ({ other, measured }) => `is hidden by ${other}, by ${measured} %`,
  remedies: ['raise'],
  run(subject, limit, report) {
    const { order, widgets } = subject.tree;
    const opaque = subject.form.once('covered', () =>
      order.filter((index) => subject.paints(index) && isOpaque(widgets[index]!.look)),
    );
    if (opaque.length === 0) return;
    for (const { index, kind, pointer } of widgets) {
      if (kind === 'panel' || kind === 'dialog' || !subject.paints(index) || !subject.isSeen(index)) continue;
      const rect = subject.visualRect(index);
      const area = rect.width * rect.height;
      if (!(area > 0)) continue;
      for (const above of opaque) {
        const over = subject.visualRect(above);
        if (!meet(rect, over)) continue;
        if (!subject.isAbove(above, index) || widgets[above]!.kind === 'tooltip') continue;
        const shared = intersection(rect, over);
        const measured = (100 * shared.width * shared.height) / area;
        if (!(measured > limit)) continue;
        const reason = {
          text: `${widgets[above]!.id} is drawn after it and hides ${shown(measured)} % of it`,
          pointer,
        };
        report({ outcome: 'failed', widget: index, other: above, measured, reasons: [reason] });
        break;
      }
    }
  },
} as const satisfies Check;

function isOpaque({ background, opacity }: Look): boolean {
  if (!background || opacity < 0.9) return false;
  if (background.type === 'color') return background.color.a > 0.9;
  return background.stops.every(({ color }) => color.a > 0.9);
}
