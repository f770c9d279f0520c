import { shown, whySize } from '../why/index.ts';
import type { Check } from './check.ts';
import { whyScaled } from './subject/drawn-as.ts';
import { targetSizes } from './subject/targets.ts';
import { cssPixels } from './subject/text-size.ts';

export const smallTarget = {
  id: 'small-target',
  title: 'A target too small to hit',
  measures: 'the shorter side of what is pressed, on screens that are touched or pointed at',
  unit: 'CSS px',
  limit: 24,
  fails: 'below',
  source: 'WCAG 2.2, success criterion 2.5.8',
  severity: 'error',
  growsWithScale: true,
  sentence: ({ measured, limit }) => `is a target of ${measured} CSS px, minimum ${limit}`,
  remedies: ['largerScale', 'enlarge'],
  run(subject, limit, report) {
    const { inputs } = subject.screen;
    if (!inputs.includes('touch') && !inputs.includes('mouse')) return;
    for (const { index, width, height } of targetSizes(subject)) {
      const measured = cssPixels(Math.min(width, height), subject.screen);
      if (!(measured < limit)) continue;
      const reasons = () => [
        {
          text: `${shown(width)} × ${shown(height)} px at ${shown(subject.screen.density)} px an inch, ${shown(subject.screen.distance)} mm away`,
          pointer: subject.widgets[index]!.pointer,
        },
        ...whyScaled(subject, index),
        ...whySize(subject, index, width < height ? 'x' : 'y'),
      ];
      report({ outcome: 'failed', widget: index, measured, reasons });
    }
  },
} as const satisfies Check;
