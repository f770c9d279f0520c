import { shown } from '../why/index.ts';
import type { Check } from './check.ts';
import { meet } from '../scene/index.ts';
import { cssPixels } from './subject/text-size.ts';
import { usableControls } from './subject/usable.ts';

/** Targets this large (WCAG 2.2, 2.5.5) need no room around them. In CSS px. */
const roomy = 44;

export const crowdedTargets = {
  id: 'crowded-targets',
  title: 'Targets too close to each other',
  measures: 'the gap between two targets of which one is smaller than 44 CSS px, on screens that are touched',
  unit: 'CSS px',
  limit: 4,
  fails: 'below',
  source:
    'between WCAG 2.2, success criteria 2.5.8 and 2.5.5: what is large needs no gap, what is small needs one; 4 CSS px are half a millimetre on a phone',
  severity: 'warning',
  sentence: ({ other, measured, limit }) =>
    `stands ${measured} CSS px from ${other}, which is pressed too; ${limit} is the least`,
  remedies: ['widerGap'],
  run(subject, limit, report) {
    if (!subject.screen.inputs.includes('touch')) return;
    const targets = usableControls(subject)
      .map((index) => ({ index, rect: subject.visualRect(index) }))
      .filter(({ rect }) => rect.width > 0 && rect.height > 0)
      .sort((a, b) => a.rect.x - b.rect.x || a.index - b.index);
    const px = 1 / cssPixels(1, subject.screen);
    targets.forEach(({ index, rect }, nth) => {
      for (let next = nth + 1; next < targets.length; next++) {
        const other = targets[next]!;
        const across = other.rect.x - rect.x - rect.width;
        if (across >= limit * px) break;
        const down = Math.max(other.rect.y - rect.y - rect.height, rect.y - other.rect.y - other.rect.height);
        // What overlaps is the business of another check.
        if (down >= limit * px || meet(rect, other.rect)) continue;
        const least = Math.min(rect.width, rect.height, other.rect.width, other.rect.height) / px;
        if (least >= roomy) continue;
        const gap = Math.max(across, down, 0);
        const [one, two] = index < other.index ? [index, other.index] : [other.index, index];
        const text = `there are ${shown(gap)} px between them, ${shown((gap / subject.screen.density) * 25.4)} mm; the smaller is ${shown(least)} CSS px`;
        const reasons = [{ text, pointer: subject.widgets[one]!.pointer }];
        report({ outcome: 'failed', widget: one, other: two, measured: gap / px, reasons });
      }
    });
  },
} as const satisfies Check;
