import { controls } from '../dress/index.ts';
import type { Check } from './check.ts';
import { keyPointer } from '../why/index.ts';
import { focusWays, focusWishes, movesFocus, orderOf } from './subject/focus-map.ts';
import type { Subject } from './subject/subject.ts';

export const focusUnreached = {
  id: 'focus-unreached',
  title: 'A control no pad or key can reach',
  measures:
    'controls to which no declared neighbour, direction or focus-order leads from where the focus is first',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'WCAG 2.2, success criterion 2.1.1',
  severity: 'error',
  sentence: () => 'cannot be reached with a pad or keys',
  run(subject, _, report) {
    if (!movesFocus(subject)) return;
    for (const index of focusWays(subject).unreached) {
      const { id, pointer, parent } = subject.widgets[index]!;
      // No direction leads into a control: nested-controls says so.
      if (isInControl(subject, parent)) continue;
      const order = subject.widgets.find((one) => orderOf(one).includes(id));
      const text = order
        ? `the neighbours that are declared go past it, and nothing leads into the focus-order of ${order.id}, which names it`
        : focusWishes(subject).length === 0
          ? 'from every control something else is nearer in its direction; a neighbour or a focus-order would lead to it'
          : 'the neighbours that are declared go past it, and no focus-order names it';
      const reasons = [{ text, pointer: order ? keyPointer(order, 'focus-order') : pointer }];
      report({ outcome: 'failed', widget: index, measured: 1, reasons });
    }
  },
} as const satisfies Check;

function isInControl(subject: Subject, index: number): boolean {
  for (let at = index; at >= 0; at = subject.widgets[at]!.parent)
    if (controls.has(subject.widgets[at]!.kind)) return true;
  return false;
}
