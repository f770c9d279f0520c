import type { Widget } from '../build/index.ts';
import { compose, contrastRatio, faded, hexOf, type Rgba } from '../theme/index.ts';
import { behind, opacityOf } from './behind.ts';
import type { Check } from './check.ts';
import { hasArea, intersection } from './geometry.ts';
import type { Subject } from './subject.ts';

export const faintPart: Check = {
  id: 'faint-part',
  title: 'A part that cannot be told from what is behind it',
  measures: "the contrast of a meter's or control's filled part or mark with what it stands on",
  unit: ':1',
  limit: 3,
  fails: 'below',
  source: 'WCAG 2.2, success criterion 1.4.11',
  severity: 'error',
  run(subject, limit, report) {
    for (const widget of subject.widgets) {
      const { index, pointer, states } = widget;
      const part = partOf(widget);
      if (!part || !subject.paints(index) || !subject.isSeen(index) || states.includes('disabled')) continue;
      const area = intersection(subject.visualRect(index), subject.screenRect);
      if (!hasArea(area)) continue;
      const under = behind(subject, index, area);
      if ('missing' in under) {
        const reasons = [{ text: under.missing, pointer }];
        report({ outcome: 'undecided', widget: index, measured: NaN, missing: under.missing, reasons });
        continue;
      }
      const ink = faded(part.color, opacityOf(subject, index));
      let measured = Infinity;
      let reason = '';
      for (const { color, backdrop } of under.colors) {
        const seen = compose(ink, color);
        // A border round the whole in another colour tells where it is just as well.
        const ratio = Math.max(
          contrastRatio(seen, color),
          borderRatio(subject, widget, color, part.hasOwnEdge),
        );
        if (ratio >= measured) continue;
        measured = ratio;
        reason = `the ${part.name} ${hexOf(seen)} stands on ${hexOf(color)}${backdrop === undefined ? '' : `, over the backdrop ${backdrop}`}`;
      }
      if (measured >= limit) continue;
      report({
        outcome: 'failed',
        widget: index,
        measured,
        detail: part.name,
        reasons: [{ text: reason, pointer }],
      });
    }
  },
};

/** What a widget says something with, beside words; undefined where there is nothing now. */
function partOf({
  kind,
  look,
  value,
  states,
}: Widget): { name: string; color: Rgba; hasOwnEdge: boolean } | undefined {
  if (kind === 'meter' && value > 0) return { name: 'filled part', color: look.color, hasOwnEdge: false };
  if (kind === 'slider' || kind === 'switch')
    return { name: 'handle', color: look.handleColor ?? look.color, hasOwnEdge: false };
  if (kind === 'checkbox' && states.includes('checked'))
    return { name: 'mark', color: look.color, hasOwnEdge: false };
  if (kind === 'checkbox' || kind === 'textbox')
    return look.borderColor && look.borderWidth > 0
      ? { name: 'border', color: look.borderColor, hasOwnEdge: true }
      : undefined;
  return undefined;
}

/** Of a box that is told by its edge: what its own ground does for it. */
function borderRatio(subject: Subject, { index, look }: Widget, ground: Rgba, hasOwnEdge: boolean): number {
  if (!hasOwnEdge || look.background?.type !== 'color') return 0;
  return contrastRatio(compose(faded(look.background.color, opacityOf(subject, index)), ground), ground);
}
