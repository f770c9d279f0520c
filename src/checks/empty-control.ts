import type { Check } from './check.ts';

export const emptyControl = {
  id: 'empty-control',
  title: 'A button that says nothing',
  measures: 'buttons with no text, picture or anything else drawn in them',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'WCAG 2.2, success criterion 4.1.2: a control has a name',
  severity: 'error',
  sentence: () => 'is a button with nothing on it',
  run(subject, _, report) {
    const empty = subject.form.once('empty-control', () =>
      subject.widgets.filter(({ index, kind, text, picture }) => {
        if (kind !== 'button' || picture || (text && text.text.trim() !== '')) return false;
        for (let at = index + 1; at < subject.form.end[index]!; at++) if (subject.paints(at)) return false;
        return true;
      }),
    );
    for (const { index, pointer } of empty) {
      if (!subject.isThere(index)) continue;
      const reasons = [{ text: 'it has no text, no picture and nothing in it that is drawn', pointer }];
      report({ outcome: 'failed', widget: index, measured: 1, reasons });
    }
  },
} as const satisfies Check;
