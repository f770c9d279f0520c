import { keyPointer, shown } from '../why/index.ts';
import type { Check } from './check.ts';
import { drawnPictures } from './subject/pictures-drawn.ts';

export const stretchedPicture = {
  id: 'stretched-picture',
  title: 'A picture out of its aspect',
  measures: 'how much more a picture is stretched one way than the other',
  unit: '%',
  limit: 3,
  fails: 'above',
  source:
    'a circle that is an ellipse by a thirtieth is seen (the just noticeable difference of aspect is 2 % to 3 %)',
  severity: 'error',
  sentence: ({ measured }) => `stretches its picture by ${measured} %`,
  remedies: ['ownShape'],
  run(subject, limit, report) {
    for (const { widget, picture, source, pieces } of drawnPictures(subject)) {
      if (source.slice !== undefined || source.tile !== undefined) continue;
      const [{ from, to }] = pieces as [(typeof pieces)[number]];
      const [across, down] = [to.width / from.width, to.height / from.height];
      const measured = 100 * (Math.max(across, down) / Math.min(across, down) - 1);
      if (!(measured > limit) || !Number.isFinite(measured)) continue;
      const text = `${shown(picture.width)} × ${shown(picture.height)} px are drawn as ${shown(to.width)} × ${shown(to.height)}`;
      const reasons = [{ text, pointer: keyPointer(widget, 'fit', 'image') }];
      report({ outcome: 'failed', widget: widget.index, measured, reasons });
    }
  },
} as const satisfies Check;
