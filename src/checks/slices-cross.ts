import { readSides } from '../document/index.ts';
import { keyPointer, shown } from '../why/index.ts';
import type { Check } from './check.ts';
import { drawnPictures } from './subject/pictures-drawn.ts';

export const slicesCross = {
  id: 'slices-cross',
  title: 'Nine slices in too small a box',
  measures: 'what is left of the corners of a picture in nine slices, which shrink where they would cross',
  unit: '%',
  limit: 99.5,
  fails: 'below',
  source: 'corners that shrink do not match those of the next box (CSS Backgrounds 3 §6.2)',
  severity: 'warning',
  sentence: ({ measured }) => `is too small for its nine slices: the corners shrink to ${measured} %`,
  remedies: ['roomForSlices'],
  run(subject, limit, report) {
    for (const { widget, source } of drawnPictures(subject)) {
      const sides = source.slice === undefined ? undefined : readSides(source.slice);
      if (!sides) continue;
      const rect = subject.layout.rectInU(widget.index);
      const factor = subject.layout.factor(widget.index);
      const [across, down] = [sides.left.u + sides.right.u, sides.top.u + sides.bottom.u];
      const [width, height] = [rect.width / factor, rect.height / factor];
      const measured = 100 * Math.min(1, across > 0 ? width / across : 1, down > 0 ? height / down : 1);
      if (measured >= limit) continue;
      const text = `the borders ask for ${shown(across)} × ${shown(down)} u, and there are ${shown(width)} × ${shown(height)}`;
      report({
        outcome: 'failed',
        widget: widget.index,
        measured,
        reasons: [{ text, pointer: keyPointer(widget, 'slice') }],
      });
    }
  },
} as const satisfies Check;
