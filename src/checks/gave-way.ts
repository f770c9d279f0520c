import type { FormScene } from '../scene/index.ts';
import { demandsOf, gaveWay, type Demand } from '../why/index.ts';
import type { Check } from './check.ts';

export const gaveWayCheck = {
  id: 'gave-way',
  title: 'A demand that gave way',
  measures: 'how many sizes, insets and aspects that were asked for a widget did not get',
  unit: 'demands',
  limit: 0,
  fails: 'above',
  source: 'what the author wrote and what the player sees are two things (docs/layout-model.md, 2.8)',
  severity: 'error',
  sentence: ({ measured }) =>
    `could not get ${measured === '1' ? 'the size' : `${measured} of the sizes`} it asked for`,
  remedies: ['raiseMaximum', 'roomForChildren', 'stack'],
  run(subject, limit, report) {
    const found = new Map<number, { text: string; pointer: string }[]>();
    for (const { widget, text, pointer } of gaveWay(subject.tree, subject.layout, demandsIn(subject.form)))
      found.set(widget, [...(found.get(widget) ?? []), { text, pointer }]);
    for (const [widget, reasons] of found)
      if (reasons.length > limit) report({ outcome: 'failed', widget, measured: reasons.length, reasons });
  },
} as const satisfies Check;

/** Everything that is asked for in a form. */
export function demandsIn(form: FormScene): readonly Demand[] {
  return form.once('demands', () => demandsOf(form.tree));
}
