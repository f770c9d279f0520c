import { keyPointer } from '../why/index.ts';
import type { Check } from './check.ts';

type Facts = { readonly chosen: readonly string[] };

export const twoChosen = {
  id: 'two-chosen',
  title: 'More than one chosen',
  measures: 'tabs of one row, and entries of one radio group, that are selected',
  unit: 'places',
  limit: 1,
  fails: 'above',
  source:
    'ARIA 1.2, radiogroup: not more than one is checked at a time; tablist: one is selected. Players cannot tell which counts',
  severity: 'error',
  sentence: ({ facts: { chosen } }) => `has more than one selected: ${chosen.join(' and ')}`,
  run(subject, limit, report) {
    const found = subject.form.once('two-chosen', () =>
      subject.widgets.flatMap(({ kind, index }) => {
        if (kind !== 'tabs' && kind !== 'radiogroup') return [];
        const chosen = subject.widgets.filter(
          ({ parent, visible, states }) => parent === index && visible && states.includes('selected'),
        );
        return chosen.length > limit ? [{ index, chosen }] : [];
      }),
    );
    for (const { index, chosen } of found) {
      if (!subject.isThere(index)) continue;
      const reasons = chosen.map((one) => ({
        text: one.selected ? `${one.id} is what is chosen` : `${one.id} is in the state selected by itself`,
        pointer: one.selected ? one.pointer : keyPointer(one, 'states'),
      }));
      const facts = { chosen: chosen.map(({ id }) => id) };
      report({ outcome: 'failed', widget: index, measured: chosen.length, facts, reasons });
    }
  },
} as const satisfies Check<Facts>;
