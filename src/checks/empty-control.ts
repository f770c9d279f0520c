import type { Widget } from '../dress/index.ts';
import { hasBox } from '../scene/index.ts';
import type { Check } from './check.ts';

export const emptyControl = {
  id: 'empty-control',
  title: 'A button that says nothing',
  measures:
    'buttons with no text, picture or anything else drawn in them, but for the free ones of several of one line that have a box and a label, as in a bag',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'WCAG 2.2, success criterion 4.1.2: a control has a name',
  severity: 'error',
  sentence: () => 'is a button with nothing on it',
  run(subject, _, report) {
    const empty = subject.form.once('empty-control', () => {
      const known = new Set<string>();
      const several = new Set<string>();
      for (const { pointer } of subject.widgets) (known.has(pointer) ? several : known).add(pointer);
      return subject.widgets.filter((widget) => {
        const { index, kind, text, picture, pointer } = widget;
        if (kind !== 'button' || picture || (text && text.text.trim() !== '')) return false;
        if (several.has(pointer) && isPlace(widget)) return false;
        for (let at = index + 1; at < subject.form.end[index]!; at++) if (subject.paints(at)) return false;
        return true;
      });
    });
    for (const { index, pointer } of empty) {
      if (!subject.isThere(index)) continue;
      const reasons = [{ text: 'it has no text, no picture and nothing in it that is drawn', pointer }];
      report({ outcome: 'failed', widget: index, measured: 1, reasons });
    }
  },
} as const satisfies Check;

/** Whether a button is a place that something may lie in, such as a slot: nothing is said on it, and it can be seen and has a name. */
function isPlace({ source, look }: Widget): boolean {
  return !('text' in source) && !('image' in source) && hasBox(look) && 'label' in source;
}
