import type { Check } from './check.ts';
import { focusField, focusWays, movesFocus } from './subject/focus-map.ts';

type Facts = { readonly first: string };

export const focusTrap = {
  id: 'focus-trap',
  title: 'A control the focus does not come back from',
  measures:
    'controls from which no neighbour, direction or focus-order leads back to where the focus is first',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'WCAG 2.2, success criterion 2.1.2',
  severity: 'error',
  sentence: ({ facts: { first } }) => `traps the focus: no direction leads back to ${first}`,
  remedies: [],
  run(subject, _, report) {
    if (!movesFocus(subject)) return;
    const field = focusField(subject);
    for (const widget of focusWays(subject).trapped) {
      const { pointer } = subject.widgets[widget]!;
      const first = field.idOf(field.firstIn(field.scopeOf(widget))!);
      const text = `the focus can be moved to it from ${first}, and from it, one step or several, never back`;
      report({ outcome: 'failed', widget, measured: 1, facts: { first }, reasons: [{ text, pointer }] });
    }
  },
} as const satisfies Check<Facts>;
