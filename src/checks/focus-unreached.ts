import type { Check } from './check.ts';
import { movesFocus, unreached } from './subject/focus-map.ts';

export const focusUnreached = {
  id: 'focus-unreached',
  title: 'A control no pad or key can reach',
  measures: 'controls to which no declared neighbour, order or direction leads',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'WCAG 2.2, success criterion 2.1.1',
  severity: 'error',
  sentence: () => 'cannot be reached with a pad or keys',
  run(subject, _, report) {
    if (!movesFocus(subject)) return;
    for (const index of unreached(subject)) {
      const text = 'the neighbours that are declared go past it, and no focus-order names it';
      const reasons = [{ text, pointer: subject.widgets[index]!.pointer }];
      report({ outcome: 'failed', widget: index, measured: 1, reasons });
    }
  },
} as const satisfies Check;
