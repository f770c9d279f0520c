import type { WidgetSource } from '../document/index.ts';
import { shown, whySize } from '../why/index.ts';
import type { Check } from './check.ts';
import type { Subject } from './subject/subject.ts';

type Facts = { readonly without: 'width' | 'height' | 'look' };

export const showsNothing = {
  id: 'shows-nothing',
  title: 'A widget that shows nothing',
  measures: 'plates, controls, pictures, meters and separators without a size or a look',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'what has no size or no look is not seen, though it was written',
  severity: 'error',
  sentence: ({ facts: { without } }) =>
    without === 'look'
      ? 'is a separator that draws nothing'
      : `has no ${without}, so nothing of it is visible`,
  run(subject, _, report) {
    const drawing = subject.form.once('shows-nothing', () =>
      subject.widgets.flatMap(({ index, kind, visible, source }) => {
        if (kind === 'separator') return visible && subject.form.opacity[index]! > 0 ? [index] : [];
        // A panel that is as large as what is in it has nothing in it now.
        const isFilled = 'children' in source && source.children !== undefined;
        return subject.paints(index) && !isFilled && kind !== 'text' && kind !== 'tooltip' ? [index] : [];
      }),
    );
    for (const index of drawing) {
      const { parent, pointer, kind } = subject.widgets[index]!;
      if (parent > 0 && !subject.hasArea(parent)) continue;
      const { width, height } = subject.rect(index);
      const axis = width <= 0 ? 'x' : 'y';
      if (width <= 0 || height <= 0) {
        if (isOff(subject, index)) continue;
        const facts = { without: axis === 'x' ? 'width' : 'height' } as const;
        const reasons = [
          { text: `it is ${shown(width)} × ${shown(height)} px`, pointer },
          ...whySize(subject, index, axis),
        ];
        report({ outcome: 'failed', widget: index, measured: 1, facts, reasons });
      } else if (kind === 'separator' && !subject.paintsWithin(index)) {
        const reasons = [{ text: 'it has no background, border or picture', pointer }];
        report({ outcome: 'failed', widget: index, measured: 1, facts: { without: 'look' }, reasons });
      }
    }
  },
} as const satisfies Check<Facts>;

/** Whether it is a page that is not shown, which has no place. */
function isOff(subject: Subject, index: number): boolean {
  const { parent, source } = subject.widgets[index]!;
  const around = subject.widgets[parent]!;
  return (
    around.box.arrange === 'pages' && (around.source as WidgetSource).page !== (source as WidgetSource).id
  );
}
