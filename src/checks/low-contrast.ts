import { compose, contrastRatio, faded, hexOf } from '../theme/index.ts';
import { shown } from '../why/index.ts';
import { behind, opacityOf } from './behind.ts';
import type { Check } from './check.ts';
import { hasArea, intersection } from './geometry.ts';
import { cssPixels } from './text-size.ts';

/** Large text of WCAG 2.2: 18 pt, or 14 pt bold, in CSS px. */
const largeText = 24;
const largeBoldText = 18.66;
const limitForLarge = 3;

export const lowContrast: Check = {
  id: 'low-contrast',
  title: 'Low contrast',
  measures: 'the contrast ratio between a text and the worst of what is behind it',
  unit: ':1',
  limit: 4.5,
  fails: 'below',
  source: 'WCAG 2.2, success criterion 1.4.3 (3:1 for large text)',
  severity: 'error',
  run(subject, limit, report) {
    for (const { index, text, look, pointer } of subject.widgets) {
      if (!text || !subject.paints(index) || !subject.isSeen(index)) continue;
      const clip = subject.clip(index);
      let area = intersection(subject.textRect(index), subject.screenRect);
      if (clip) area = intersection(area, clip);
      if (!hasArea(area)) continue;
      const under = behind(subject, index, area);
      if ('missing' in under) {
        const reasons = [{ text: under.missing, pointer }];
        report({ outcome: 'undecided', widget: index, measured: NaN, missing: under.missing, reasons });
        continue;
      }
      const size = cssPixels(text.setting.fontSize * subject.layout.scale(index), subject.screen);
      const large = size >= largeText || (size >= largeBoldText && look.fontWeight >= 700);
      const least = large ? Math.min(limit, limitForLarge) : limit;
      const ink = faded(look.color, opacityOf(subject, index));
      let worst = Infinity;
      let reason = '';
      for (const { color, backdrop } of under.colors) {
        const seen = compose(ink, color);
        const ratio = contrastRatio(seen, color);
        if (ratio >= worst) continue;
        worst = ratio;
        const on = backdrop === undefined ? '' : `, over the backdrop ${backdrop}`;
        reason = `the text ${hexOf(seen)} stands on ${hexOf(color)}${on}; it counts as ${large ? 'large' : 'normal'} text (${shown(size)} CSS px)`;
      }
      if (worst >= least) continue;
      const reasons = [{ text: reason, pointer }];
      report({ outcome: 'failed', widget: index, measured: worst, limit: least, reasons });
    }
  },
};
