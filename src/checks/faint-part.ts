import type { Widget } from '../dress/index.ts';
import { compose, contrastRatio, faded, hexOf, type Rgba } from '../theme/index.ts';
import { groundOf } from './subject/behind.ts';
import { groundRange, standsOff } from './subject/ground-range.ts';
import type { Check } from './check.ts';
import { hasArea, intersection } from '../scene/index.ts';

type Facts = { readonly part: string };

export const faintPart = {
  id: 'faint-part',
  title: 'A part that cannot be told from what is behind it',
  measures: "the contrast of a meter's or control's filled part or mark with what it stands on",
  unit: ':1',
  limit: 3,
  fails: 'below',
  source: 'WCAG 2.2, success criterion 1.4.11',
  severity: 'error',
  readsColors: true,
  sentence: ({ facts, measured, limit }) =>
    `has a ${facts.part} of contrast ${measured}:1; ${limit}:1 is the least`,
  remedies: ['strongerColor'],
  run(subject, limit, report) {
    const parted = subject.form.once('faint-part', () =>
      subject.form.painted.flatMap((index) => {
        const part = partOf(subject.widgets[index]!);
        return part && !subject.widgets[index]!.states.includes('disabled') ? [{ index, part }] : [];
      }),
    );
    for (const { index, part } of parted) {
      const { pointer } = subject.widgets[index]!;
      if (!subject.isSeen(index)) continue;
      const area = intersection(subject.visualRect(index), subject.screenRect);
      if (!hasArea(area)) continue;
      const opacity = subject.form.opacity[index]!;
      if (part.stands === 'with its own' && opacity === 1) {
        const range = groundRange(subject, index, area);
        if (range && standsOff(part.color, range, limit)) continue;
      }
      let measured = Infinity;
      let reason = '';
      for (const { color, backdrop } of groundOf(subject, index, area, report, part.stands)) {
        const seen = compose(faded(part.color, opacity), color);
        // Of a box that is told by its edge, its inside in another colour tells where it is just as well.
        const inside = part.inside ? compose(faded(part.inside, opacity), color) : color;
        const ratio = Math.max(contrastRatio(seen, color), contrastRatio(inside, color));
        if (ratio >= measured) continue;
        measured = ratio;
        const on = backdrop === undefined ? '' : `, over the backdrop ${backdrop}`;
        reason = `the ${part.name} ${hexOf(seen)} stands on ${hexOf(color)}${on}`;
      }
      if (measured >= limit) continue;
      const reasons = [{ text: reason, pointer }];
      report({ outcome: 'failed', widget: index, measured, facts: { part: part.name }, reasons });
    }
  },
} as const satisfies Check<Facts>;

/** What a widget says something with, beside words. */
interface Part {
  readonly name: string;
  readonly color: Rgba;
  /** What it is told from: the widget's own background, or, of an edge round that, what is behind it. */
  readonly stands: 'with its own' | 'without its own';
  /** The colour inside an edge. */
  readonly inside?: Rgba;
}

/** Undefined where there is nothing now. */
function partOf({ kind, look, value, states }: Widget): Part | undefined {
  if (kind === 'meter' && value > 0)
    return { name: 'filled part', color: look.color, stands: 'with its own' };
  if (kind === 'slider' || kind === 'switch')
    return { name: 'handle', color: look.handleColor ?? look.color, stands: 'with its own' };
  if (kind === 'checkbox' && states.includes('checked'))
    return { name: 'mark', color: look.color, stands: 'with its own' };
  if ((kind !== 'checkbox' && kind !== 'textbox') || !look.borderColor || look.borderWidth === 0)
    return undefined;
  const inside = look.background?.type === 'color' ? look.background.color : undefined;
  return { name: 'border', color: look.borderColor, stands: 'without its own', ...(inside && { inside }) };
}
