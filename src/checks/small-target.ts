import { shown, whySize } from '../why/index.ts';
import type { Check } from './check.ts';
import { intersection } from '../scene/index.ts';

import { cssPixels } from './subject/text-size.ts';
import { usableControls } from './subject/focus-map.ts';

export const smallTarget = {
  id: 'small-target',
  title: 'A target too small to hit',
  measures: 'the shorter side of what is pressed, on screens that are touched or pointed at',
  unit: 'CSS px',
  limit: 24,
  fails: 'below',
  source: 'WCAG 2.2, success criterion 2.5.8',
  severity: 'error',
  sentence: ({ measured, limit }) => `is a target of ${measured} CSS px, minimum ${limit}`,
  remedies: ['enlarge'],
  run(subject, limit, report) {
    const { inputs } = subject.screen;
    if (!inputs.includes('touch') && !inputs.includes('mouse')) return;
    for (const index of usableControls(subject)) {
      const clip = subject.cutter(index);
      const whole = subject.rect(index);
      const { width, height } = clip ? intersection(whole, clip) : whole;
      const px = Math.min(width, height);
      const measured = cssPixels(px, subject.screen);
      if (!(measured < limit) || px === 0) continue;
      const reasons = [
        {
          text: `${shown(width)} × ${shown(height)} px at ${shown(subject.screen.density)} px an inch, ${shown(subject.screen.distance)} mm away`,
          pointer: subject.widgets[index]!.pointer,
        },
        ...whySize(subject.tree, subject.layout, index, width < height ? 'x' : 'y'),
      ];
      report({ outcome: 'failed', widget: index, measured, reasons });
    }
  },
} as const satisfies Check;
