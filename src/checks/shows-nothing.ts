import type { WidgetSource } from '../document/index.ts';
import { shown, whySize } from '../why/index.ts';
import type { Check } from './check.ts';
import type { Subject } from './subject/subject.ts';

/** Kinds that are nothing without one of their keys, and how that is said. */
const essentials = {
  image: { key: 'image', sentence: 'is an image without a picture' },
  text: { key: 'text', sentence: 'is a text without words' },
  meter: { key: 'value', sentence: 'is a meter without a value, so it stays empty' },
  listbox: { key: 'children', sentence: 'is a listbox with nothing in it' },
  radiogroup: { key: 'children', sentence: 'is a radiogroup with nothing in it' },
  tabs: { key: 'children', sentence: 'has no tabs' },
  dialog: { key: 'children', sentence: 'is a dialog with nothing in it' },
} as const;

type Facts =
  | { readonly without: 'width' | 'height' | 'look' }
  | { readonly without: 'essential'; readonly kind: keyof typeof essentials };

export const showsNothing = {
  id: 'shows-nothing',
  title: 'A widget that shows nothing',
  measures: 'plates, controls, pictures, meters and separators without a size, a look or what they show',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'what has no size or no look is not seen, though it was written',
  severity: 'error',
  sentence: ({ facts }) => {
    if (facts.without === 'essential') return essentials[facts.kind].sentence;
    if (facts.without === 'look') return 'is a separator that draws nothing';
    return `has no ${facts.without}, so nothing of it is visible`;
  },
  run(subject, _, report) {
    const drawing = subject.form.once('shows-nothing', () =>
      subject.widgets.flatMap(({ index, kind, visible, source }) => {
        if (kind === 'separator' || lacks(subject, index))
          return visible && subject.form.opacity[index]! > 0 ? [index] : [];
        // A panel that is as large as what is in it has nothing in it now.
        const isFilled = 'children' in source && source.children !== undefined;
        return subject.paints(index) && !isFilled && kind !== 'text' && kind !== 'tooltip' ? [index] : [];
      }),
    );
    for (const index of drawing) {
      const { parent, pointer, kind } = subject.widgets[index]!;
      if (parent > 0 && !subject.hasArea(parent)) continue;
      const essential = lacks(subject, index);
      if (essential) {
        if (isOff(subject, index)) continue;
        const reasons = [{ text: `it has no ${essentials[essential].key}`, pointer }];
        const facts = { without: 'essential', kind: essential } as const;
        report({ outcome: 'failed', widget: index, measured: 1, facts, reasons });
        continue;
      }
      const { width, height } = subject.rect(index);
      const axis = width <= 0 ? 'x' : 'y';
      if (width <= 0 || height <= 0) {
        if (isOff(subject, index)) continue;
        const facts = { without: axis === 'x' ? 'width' : 'height' } as const;
        const reasons = () => [
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

const essentialOf = (kind: string) => (kind in essentials ? (kind as keyof typeof essentials) : undefined);

/** The kind of a widget that lacks what it is nothing without; a look may show a picture, in a state as well. */
function lacks(subject: Subject, index: number): keyof typeof essentials | undefined {
  const { source, kind: given } = subject.widgets[index]!;
  const kind = essentialOf(given);
  if (!kind) return undefined;
  const { style, look, children } = source as WidgetSource;
  if (children !== undefined || (essentials[kind].key in source && !saysNothing(source))) return undefined;
  if (kind === 'meter') return kind;
  if (kind === 'image') return style === undefined && look === undefined ? kind : undefined;
  return subject.paintsWithin(index) ? undefined : kind;
}

/** Whether no words are written where words go: a value that is empty in some case leaves its name there. */
function saysNothing(source: Subject['widgets'][number]['source']): boolean {
  return 'text' in source && source.text === '';
}

/** Whether it is a page that is not shown, which has no place. */
function isOff(subject: Subject, index: number): boolean {
  const { parent, source } = subject.widgets[index]!;
  const around = subject.widgets[parent]!;
  return (
    around.box.arrange === 'pages' && (around.source as WidgetSource).page !== (source as WidgetSource).id
  );
}
