import { shown } from '../why/index.ts';
import type { Check } from './check.ts';
import { capitalsUnder, minutesOfArc, pxOfArc } from './subject/text-size.ts';

/** In px: what an angle and back again may be off by; the angle itself decides. */
const rounding = 0.001;

export const smallText = {
  id: 'small-text',
  title: 'Text too small for the distance',
  measures: 'the angle under which a capital letter is seen, in minutes of arc',
  unit: '′',
  limit: 10,
  fails: 'below',
  source: 'twice the 5′ letter of normal acuity (ISO 8596), below which words are spelt, not read',
  severity: 'error',
  growsWithScale: true,
  sentence: ({ measured, limit }) => `has text too small to read: ${measured} arcmin, minimum ${limit}`,
  remedies: ['largerScale', 'largerText'],
  run(subject, limit, report) {
    const { screen } = subject;
    for (const { index, px, reasons } of capitalsUnder(subject, pxOfArc(limit, screen) + rounding)) {
      const measured = minutesOfArc(px, screen);
      if (measured >= limit) continue;
      const seen = {
        text: `on this screen ${shown(px)} px are ${shown((px / screen.density) * 25.4)} mm, seen from ${screen.distance} mm`,
        pointer: subject.widgets[index]!.pointer,
      };
      report({ outcome: 'failed', widget: index, measured, reasons: [...reasons(), seen] });
    }
  },
} as const satisfies Check;
