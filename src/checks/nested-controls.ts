import { controls } from '../dress/index.ts';
import type { Check } from './check.ts';

export const nestedControls = {
  id: 'nested-controls',
  title: 'A control in a control',
  measures: 'controls that are inside of another control',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source:
    'HTML 4.10.6: a button contains no interactive content; which of the two is pressed nobody can tell',
  severity: 'error',
  sentence: ({ other }) => `is a control inside another control, ${other}`,
  run(subject, _, report) {
    const nested = subject.form.once('nested-controls', () =>
      subject.widgets.flatMap(({ index, kind, parent }) => {
        if (!controls.has(kind)) return [];
        let at = parent;
        while (at > 0 && !controls.has(subject.widgets[at]!.kind)) at = subject.widgets[at]!.parent;
        return at > 0 ? [{ index, other: at }] : [];
      }),
    );
    for (const { index, other } of nested) {
      if (!subject.isThere(index)) continue;
      const { id, kind, pointer } = subject.widgets[other]!;
      const reasons = [{ text: `${id} around it is a ${kind}`, pointer }];
      report({ outcome: 'failed', widget: index, other, measured: 1, reasons });
    }
  },
} as const satisfies Check;
