import { keyPointer, shown } from '../why/index.ts';
import type { Check } from './check.ts';

/** What was asked for, and what is drawn in its place. */
type Facts = { readonly asked: string; readonly drawn: string };

/** Weights nearer than this are told apart by few. */
const leastApart = 200;

export const missingFace = {
  id: 'missing-face',
  title: 'A face the font does not have',
  measures:
    'how far the weight of the font that draws a text is from the one it asks for; italic that is drawn upright counts as all of it',
  unit: 'u',
  limit: 0,
  fails: 'above',
  source: 'CSS Fonts 4 §5.2 chooses the nearest face there is; what should stand out does not',
  severity: 'warning',
  sentence: ({ facts }) => `asks for ${facts.asked} but is drawn ${facts.drawn}`,
  run(subject, _, report) {
    const faceless = subject.form.once('missing-face', () =>
      subject.texts.flatMap(({ index, text, look }) => {
        const { weight, italic } = text.setting.chain.primary;
        const apart = Math.abs(weight - look.fontWeight);
        const isUpright = look.italic && !italic;
        if (apart < leastApart && !isUpright) return [];
        const said = (bold: number, slanted: boolean) => `${slanted ? 'italic ' : ''}${shown(bold)}`;
        const facts = { asked: said(look.fontWeight, look.italic), drawn: said(weight, italic) };
        return [{ index, apart: isUpright ? Math.max(apart, 1000) : apart, facts }];
      }),
    );
    for (const { index, apart, facts } of faceless) {
      if (!subject.isSeen(index)) continue;
      const widget = subject.widgets[index]!;
      const text = `the nearest face of "${widget.look.font}" is ${facts.drawn}`;
      const reasons = [{ text, pointer: keyPointer(widget, 'look', 'style') }];
      report({ outcome: 'failed', widget: index, measured: apart, facts, reasons });
    }
  },
} as const satisfies Check<Facts>;
