import type { Check } from './check.ts';
import { keyPointer } from '../why/index.ts';
import { movesFocus, orderOf, unreached } from './subject/focus-map.ts';

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
      const { id, pointer } = subject.widgets[index]!;
      const order = subject.widgets.find((one) => orderOf(one).includes(id));
      const text = order
        ? `the neighbours that are declared go past it, and nothing leads into the focus-order of ${order.id}, which names it`
        : 'the neighbours that are declared go past it, and no focus-order names it';
      const reasons = [{ text, pointer: order ? keyPointer(order, 'focus-order') : pointer }];
      report({ outcome: 'failed', widget: index, measured: 1, reasons });
    }
  },
} as const satisfies Check;
