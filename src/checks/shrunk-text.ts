import { shown } from '../why/index.ts';
import type { Check } from './check.ts';

export const shrunkText = {
  id: 'shrunk-text',
  title: 'Text shrunk to its floor',
  measures: 'what is left of the font size of a text that shrinks to fit, where no less is allowed',
  unit: '%',
  limit: 99.9,
  fails: 'below',
  source: 'a text at its floor has no room left for a longer word or another language',
  severity: 'warning',
  sentence: ({ measured }) => `has text shrunk to ${measured} %, the minimum it allows`,
  remedies: ['roomForText'],
  run(subject, limit, report) {
    for (const { index, text, pointer } of subject.texts) {
      const { fontSize, leastFontSize } = text.setting;
      if (leastFontSize >= fontSize) continue;
      const { shrink } = subject.text(index);
      const measured = shrink * 100;
      if (shrink * fontSize > leastFontSize * 1.0001 || measured >= limit) continue;
      const reason = {
        text: `it came down from ${shown(fontSize)} to its floor of ${shown(leastFontSize)} u`,
        pointer,
      };
      report({ outcome: 'failed', widget: index, measured, reasons: [reason] });
    }
  },
} as const satisfies Check;
