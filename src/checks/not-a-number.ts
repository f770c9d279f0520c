import type { WidgetSource } from '../document/index.ts';
import { keyPointer } from '../why/index.ts';
import type { Check } from './check.ts';
import { keysSaidBy } from './subject/said.ts';

type Facts = { readonly name: string; readonly value: string };

export const notANumber = {
  id: 'not-a-number',
  title: 'Not a number, where one is needed',
  measures: 'names that a text shows as a number, a date or a plural, and that stand for something else',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'it is shown as it is written: no digits grouped, no plural chosen',
  severity: 'error',
  sentence: ({ facts: { name, value } }) => `needs a number for {${name}}, which is "${value}"`,
  run(subject, limit, report) {
    const found = subject.form.once('not-a-number', () =>
      subject.widgets.flatMap((widget) =>
        keysSaidBy(subject, widget).flatMap((key) => {
          const said = (widget.source as WidgetSource)[key] as string;
          const misfits = [...widget.scope.misfits(said)];
          return misfits.length > 0 ? [{ widget, key, said, misfits }] : [];
        }),
      ),
    );
    for (const { widget, key, said, misfits } of found) {
      if (misfits.length <= limit) continue;
      const pointer = keyPointer(widget, key);
      const reasons = misfits.map(([name, value]) => ({
        text: `${name} is "${value}" here, and "${said}" shows it as a number`,
        pointer,
      }));
      const [name, value] = misfits[0]!;
      const facts = { name, value: String(value) };
      report({ outcome: 'failed', widget: widget.index, measured: misfits.length, facts, reasons });
    }
  },
} as const satisfies Check<Facts>;
