import type { Check } from './check.ts';
import { capitalsUnder } from './subject/text-size.ts';

export const coarseText = {
  id: 'coarse-text',
  title: 'Text of too few pixels',
  measures: 'the height of a capital letter in device pixels',
  unit: 'px',
  limit: 9,
  fails: 'below',
  source: 'ISO 9241-303: a character matrix of 7 × 9 pixels where text is to be read',
  severity: 'error',
  growsWithScale: true,
  sentence: ({ measured, limit }) =>
    `has text too coarse to read: capitals of ${measured} px, minimum ${limit}`,
  remedies: ['largerScale', 'largerText'],
  run(subject, limit, report) {
    for (const { index, px, reasons } of capitalsUnder(subject, limit))
      report({ outcome: 'failed', widget: index, measured: px, reasons: reasons() });
  },
} as const satisfies Check;
