import { shown } from '../why/index.ts';
import type { Check } from './check.ts';
import { intersection } from '../scene/index.ts';

const bare: ReadonlySet<string> = new Set(['text', 'panel', 'separator']);

export const cutOff = {
  id: 'cut-off',
  title: 'Cut off for good',
  measures: 'the share of a widget that something around it cuts off and nobody can scroll to',
  unit: '%',
  limit: 1,
  fails: 'above',
  source: 'what is cut off and cannot be scrolled to is not there',
  severity: 'error',
  sentence: ({ measured }) => `is cut off by ${measured} % of itself, and cannot be scrolled to`,
  run(subject, limit, report) {
    for (const { index, kind, pointer } of subject.widgets) {
      // Of a text, cut-text says how much of it is lost; a bare panel that is cut off loses nothing that is said.
      if (bare.has(kind) || !subject.paints(index)) continue;
      const clip = subject.cutter(index);
      const rect = subject.rect(index);
      if (!clip || rect.width * rect.height === 0) continue;
      const left = intersection(rect, clip);
      const measured = 100 * (1 - (left.width * left.height) / (rect.width * rect.height));
      if (!(measured > limit)) continue;
      const text = `of ${shown(rect.width)} × ${shown(rect.height)} px, ${shown(left.width)} × ${shown(left.height)} px are left`;
      report({ outcome: 'failed', widget: index, measured, reasons: [{ text, pointer }] });
    }
  },
} as const satisfies Check;
