import type { WidgetSource } from '../document/index.ts';
import { shown, whySize } from '../why/index.ts';
import type { Check } from './check.ts';
import { whyScaled } from './subject/drawn-as.ts';
import type { Subject } from './subject/subject.ts';
import { cssPixels } from './subject/text-size.ts';

type Facts = { readonly side: 'width' | 'height' };

export const smallViewport = {
  id: 'small-viewport',
  title: 'A scroll area too small to use',
  measures: 'the side along which a panel scrolls, where more is in it than it shows',
  unit: 'CSS px',
  limit: 44,
  fails: 'below',
  source:
    'WCAG 2.2, success criterion 2.5.5: what is dragged is 44 CSS px at least; less shows no entry as a whole',
  severity: 'error',
  sentence: ({ facts, measured, limit }) =>
    `scrolls in a ${facts.side} of ${measured} CSS px, minimum ${limit}`,
  apart: ({ side }) => side,
  run(subject, limit, report) {
    const scrolling = subject.form.once('small-viewport', () =>
      subject.widgets.filter(
        ({ source, visible }) => visible && (source as WidgetSource).scroll !== undefined,
      ),
    );
    for (const { index, source, pointer } of scrolling) {
      if (!subject.isThere(index) && subject.hasArea(index)) continue;
      const { scroll } = source as WidgetSource;
      for (const axis of ['x', 'y'] as const) {
        if (scroll !== axis && scroll !== 'both') continue;
        const side = axis === 'x' ? 'width' : 'height';
        const px = subject.drawnBorder(index)[side];
        const measured = cssPixels(px, subject.screen);
        const long = contentOf(subject, index, axis) * subject.form.scale[index]!;
        if (!(measured < limit) || long <= px + 1) continue;
        const text = `what is in it is ${shown(long)} px long, and ${shown(px)} px of it are seen`;
        const reasons = () => [
          { text, pointer },
          ...whyScaled(subject, index),
          ...whySize(subject, index, axis),
        ];
        report({ outcome: 'failed', widget: index, measured, facts: { side }, reasons });
      }
    }
  },
} as const satisfies Check<Facts>;

/** How long what is in a panel is on an axis, in px. */
function contentOf(subject: Subject, index: number, axis: 'x' | 'y'): number {
  const side = axis === 'x' ? 'width' : 'height';
  let [start, end] = [Infinity, -Infinity];
  for (let at = index + 1; at < subject.form.end[index]!; at = subject.form.end[at]!) {
    const rect = subject.rect(at);
    start = Math.min(start, rect[axis]);
    end = Math.max(end, rect[axis] + rect[side]);
  }
  return Math.max(0, end - start);
}
