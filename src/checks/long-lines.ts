import { shown } from '../why/index.ts';
import type { Check } from './check.ts';

/** Characters as wide as two: Chinese, Japanese, Korean (UAX 11). */
const wide =
  /[\u1100-\u115f\u2e80-\u303e\u3041-\u33ff\u3400-\u4dbf\u4e00-\u9fff\uac00-\ud7a3\uf900-\ufaff\uff00-\uff60]/g;
/** One line may be as long as it likes: it is read at a glance. */
const fewestLines = 3;

export const longLines = {
  id: 'long-lines',
  title: 'Lines too long to read',
  measures: 'the characters in the longest line of a text of three lines and more; wide ones count twice',
  unit: 'characters',
  limit: 80,
  fails: 'above',
  source: 'WCAG 2.2, success criterion 1.4.8: no more than 80 characters, 40 of Chinese, Japanese and Korean',
  severity: 'warning',
  sentence: ({ measured, limit }) => `has lines of ${measured} characters, maximum ${limit}`,
  remedies: ['shorterLines'],
  run(subject, limit, report) {
    for (const { index, pointer } of subject.texts) {
      if (!subject.isSeen(index)) continue;
      const lines = subject.text(index).lines;
      if (lines.length < fewestLines) continue;
      const lengths = lines.map((line) => [...line.text].length + (line.text.match(wide)?.length ?? 0));
      const measured = Math.max(...lengths);
      if (!(measured > limit)) continue;
      const reason = {
        text: `its ${lines.length} lines are up to ${shown(lines.reduce((most, { width }) => Math.max(most, width), 0))} u wide`,
        pointer,
      };
      report({ outcome: 'failed', widget: index, measured, reasons: [reason] });
    }
  },
} as const satisfies Check;
