import { controls } from '../dress/index.ts';
import { accessibleName } from '../input/index.ts';
import type { Check } from './check.ts';

export const namelessControl = {
  id: 'nameless-control',
  title: 'A control without a name',
  measures: 'controls that a screen reader has no words for: neither a label nor a text',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'WCAG 2.2, success criterion 4.1.2',
  severity: 'warning',
  sentence: () => 'has no name for screen readers',
  remedies: [],
  run(subject, _, report) {
    const { widgets } = subject;
    const nameless = subject.form.once('nameless-control', () =>
      widgets.filter((one) => controls.has(one.kind) && accessibleName(one, widgets) === undefined),
    );
    for (const { index, kind, pointer } of nameless) {
      if (!subject.isThere(index)) continue;
      const text =
        kind === 'button'
          ? 'it has no label, and no text is in it; a button without any is named by its label alone'
          : `it has no label: a ${kind} is named by nothing else`;
      report({ outcome: 'failed', widget: index, measured: 1, reasons: [{ text, pointer }] });
    }
  },
} as const satisfies Check;
