import { shown, whySize } from '../why/index.ts';
import type { Check } from './check.ts';
import { pxOfMillimetres } from './subject/text-size.ts';
import { whyScaled } from './subject/drawn-as.ts';
import { targetSizes } from './subject/targets.ts';

export const thumbTarget = {
  id: 'thumb-target',
  title: 'A target too small for a thumb',
  measures: 'the shorter side of what is pressed, on screens that are touched',
  unit: 'mm',
  limit: 7,
  fails: 'below',
  source:
    'WCAG 2.2, success criterion 2.5.5: 44 CSS px, which on what is held in the hand are 160 to the inch; a thumb does not shrink with the distance of the eyes, so this one is in mm',
  severity: 'warning',
  growsWithScale: true,
  sentence: ({ measured, limit }) =>
    `is ${measured} mm high or wide, too small for a thumb: minimum ${limit} mm`,
  remedies: ['largerScale', 'enlarge'],
  run(subject, limit, report) {
    const { inputs, density } = subject.screen;
    if (!inputs.includes('touch')) return;
    for (const { index, width, height } of targetSizes(subject)) {
      const measured = Math.min(width, height) / pxOfMillimetres(1, subject.screen);
      if (!(measured < limit)) continue;
      const reasons = () => [
        {
          text: `${shown(width)} × ${shown(height)} px at ${shown(density)} px an inch`,
          pointer: subject.widgets[index]!.pointer,
        },
        ...whyScaled(subject, index),
        ...whySize(subject, index, width < height ? 'x' : 'y'),
      ];
      report({ outcome: 'failed', widget: index, measured, reasons });
    }
  },
} as const satisfies Check;
