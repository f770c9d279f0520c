import type { WidgetSource } from '../document/index.ts';
import { keyPointer } from '../why/index.ts';
import type { Check } from './check.ts';

type Facts = { readonly key: 'value' | 'trail'; readonly value: string };

export const valueRange = {
  id: 'value-range',
  title: 'A value outside of its range',
  measures: 'how far the value of a meter or slider is outside of 0 to 1',
  unit: '%',
  limit: 0,
  fails: 'above',
  source: 'such a meter is drawn full or empty, whatever the value is',
  severity: 'error',
  sentence: ({ facts: { key, value } }) => `has a ${key} of ${value}, outside 0 to 1`,
  run(subject, limit, report) {
    const outside = subject.form.once('value-range', () =>
      subject.widgets.flatMap((widget) => {
        if (widget.kind !== 'meter' && widget.kind !== 'slider') return [];
        return (['value', 'trail'] as const).flatMap((key) => {
          const said = (widget.source as WidgetSource)[key];
          if (said === undefined) return [];
          const value = typeof said === 'string' ? widget.scope.evaluate(said) : said;
          const number = typeof value === 'boolean' || typeof value === 'object' ? NaN : Number(value);
          const by = Number.isNaN(number) ? 1 : Math.max(-number, number - 1);
          return by > limit
            ? [{ widget, key, value: typeof value === 'object' ? 'a list' : String(value), by }]
            : [];
        });
      }),
    );
    for (const { widget, key, value, by } of outside) {
      if (!subject.isThere(widget.index)) continue;
      const text = `${key} is ${value} here; a meter goes from 0 to 1`;
      const reasons = [{ text, pointer: keyPointer(widget, key) }];
      // In %: of a value near the largest there is, that is the largest.
      const measured = Math.min(100 * by, Number.MAX_VALUE);
      report({ outcome: 'failed', widget: widget.index, measured, facts: { key, value }, reasons });
    }
  },
} as const satisfies Check<Facts>;
