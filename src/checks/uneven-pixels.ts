import { keyPointer, shown } from '../why/index.ts';
import type { Check } from './check.ts';
import { drawnPictures, pixelScales } from './subject/pictures-drawn.ts';

type Facts = { readonly pixel: number };

export const unevenPixels = {
  id: 'uneven-pixels',
  title: 'Pixel art at a scale that is not whole',
  measures: 'how far the scale of a picture with sharp pixels is from a whole number',
  unit: 'px',
  limit: 0.02,
  fails: 'above',
  source: 'at 2.5 px a pixel, every other pixel is larger than its neighbour',
  severity: 'error',
  sentence: ({ facts }) =>
    `shows pixel art at ${shown(facts.pixel)} px per pixel, which is not a whole number`,
  run(subject, limit, report) {
    for (const drawn of drawnPictures(subject)) {
      const { widget, source } = drawn;
      if (source['image-rendering'] !== 'pixelated') continue;
      const scales = pixelScales(drawn);
      const off = (scale: number) => (scale < 1 ? 1 - scale : Math.abs(scale - Math.round(scale)));
      const worst = scales.reduce((most, scale) => (off(scale) > off(most) ? scale : most), 1);
      if (!(off(worst) > limit)) continue;
      const text = `a pixel of the picture is ${shown(worst)} px`;
      const reasons = [{ text, pointer: keyPointer(widget, 'image') }];
      report({
        outcome: 'failed',
        widget: widget.index,
        measured: off(worst),
        facts: { pixel: worst },
        reasons,
      });
    }
  },
} as const satisfies Check<Facts>;
