import { keyPointer, shown } from '../why/index.ts';
import type { Check } from './check.ts';
import { drawnPictures, largestPixel } from './subject/pictures-drawn.ts';

export const blownUpPicture = {
  id: 'blown-up-picture',
  title: 'A picture blown up beyond its pixels',
  measures: 'device px that one pixel of a smooth picture is drawn with',
  unit: '×',
  limit: 1.5,
  fails: 'above',
  source: 'beyond that, edges are seen to be soft; a finer file helps (docs/pictures.md)',
  severity: 'warning',
  sentence: ({ measured, limit }) => `shows a picture blown up ${measured} times; ${limit} is the most`,
  remedies: ['shrinkPicture'],
  run(subject, limit, report) {
    for (const drawn of drawnPictures(subject)) {
      const { widget, picture, source } = drawn;
      if (picture.mime === 'image/svg+xml' || source['image-rendering'] === 'pixelated') continue;
      const measured = largestPixel(drawn);
      if (!(measured > limit)) continue;
      const text = `a pixel of "${picture.name}" is ${shown(measured)} px wide here`;
      report({
        outcome: 'failed',
        widget: widget.index,
        measured,
        reasons: [{ text, pointer: keyPointer(widget, 'image') }],
      });
    }
  },
} as const satisfies Check;
