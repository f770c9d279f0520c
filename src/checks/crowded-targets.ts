import type { Widget } from '../dress/index.ts';
import type { WidgetSource } from '../document/index.ts';
import { keyPointer, shown, type Reason } from '../why/index.ts';
import { lyingOverAt } from './subject/siblings.ts';
import type { Check } from './check.ts';
import { depthsAskew } from '../scene/index.ts';
import { cssPixels } from './subject/text-size.ts';
import type { Subject } from './subject/subject.ts';
import { usableControls } from './subject/focus-map.ts';

/** The container whose gap is between them; undefined where they are placed by hand. */
type Facts = { readonly container: string | undefined };

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
  growsWithScale: true,
  sentence: ({ other, measured, limit }) =>
    `is ${measured} CSS px from another target, ${other}, minimum ${limit}`,
  cause: ({ facts: { container } }) => container && `the gap of ${container}`,
  remedies: ['widerGap'],
  run(subject, limit, report) {
    if (!subject.screen.inputs.includes('touch')) return;
    const targets = usableControls(subject)
      .map((index) => ({ index, rect: subject.visualRect(index) }))
      .filter(({ rect }) => rect.width > 0 && rect.height > 0)
      .sort((a, b) => a.rect.x - b.rect.x || a.index - b.index);
    const px = 1 / cssPixels(1, subject.screen);
    targets.forEach(({ index, rect: seen }, nth) => {
      for (let next = nth + 1; next < targets.length; next++) {
        subject.effort.compare();
        const other = targets[next]!;
        if (other.rect.x - seen.x - seen.width >= limit * px) break;
        const rect = subject.seenBeside(index, other.index);
        const beside = subject.seenBeside(other.index, index);
        const across = Math.max(beside.x - rect.x - rect.width, rect.x - beside.x - beside.width);
        const down = Math.max(beside.y - rect.y - rect.height, rect.y - beside.y - beside.height);
        const askew = depthsAskew(subject, index, other.index).map((depth) => -depth);
        const gap = Math.max(across, down, ...askew);
        // What overlaps is the business of another check.
        if (gap >= limit * px || gap < 0) continue;
        const least = Math.min(rect.width, rect.height, beside.width, beside.height) / px;
        if (least >= roomy || lyingOverAt(subject, index) !== lyingOverAt(subject, other.index)) continue;
        const [one, two] = index < other.index ? [index, other.index] : [other.index, index];
        const text = `there are ${shown(gap)} px between them, ${shown((gap / subject.screen.density) * 25.4)} mm; the smaller is ${shown(least)} CSS px`;
        const holder = arrangedIn(subject, one, two);
        const reasons = [
          { text, pointer: subject.widgets[one]!.pointer },
          ...(holder ? [gapOf(holder, subject)] : []),
        ];
        const facts = { container: holder?.id };
        report({ outcome: 'failed', widget: one, other: two, measured: gap / px, facts, reasons });
      }
    });
  },
} as const satisfies Check<Facts>;

/** The container that sets two widgets apart: the nearest around both that arranges its children. */
function arrangedIn(subject: Subject, one: number, two: number): Widget | undefined {
  for (let at = subject.widgets[one]!.parent; at >= 0; at = subject.widgets[at]!.parent) {
    if (!subject.isWithin(two, at)) continue;
    const widget = subject.widgets[at]!;
    return at > 0 && widget.box.arrange !== 'free' ? widget : undefined;
  }
  return undefined;
}

function gapOf(holder: Widget, subject: Subject): Reason {
  const { gap } = holder.source as WidgetSource;
  const said =
    gap === undefined ? 'says no gap' : `says gap: ${typeof gap === 'object' ? gap.join(' ') : gap}`;
  const times = shown(subject.drawnScale(holder.index));
  return {
    text: `${holder.id} ${said}; 1 u is ${times} px here`,
    pointer: keyPointer(holder, 'gap', 'arrange'),
  };
}
