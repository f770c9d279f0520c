import { keyPointer, shown } from '../why/index.ts';
import type { Check } from './check.ts';
import { drawnPictures, largestPixel, largestPixelOf } from './subject/pictures-drawn.ts';

export const blownUpPicture = {
  id: 'blown-up-picture',
  title: 'A picture blown up beyond its pixels',
  measures: 'device px that one pixel of a smooth picture is drawn with',
  unit: '×',
  limit: 1.5,
  fails: 'above',
  source: 'beyond that, edges are seen to be soft; a finer file helps (docs/pictures.md)',
  severity: 'warning',
  sentence: ({ measured, limit }) => `scales its picture up ${measured} times, maximum ${limit}`,
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
    for (const widget of subject.texts) {
      const { index, text } = widget;
      if (text.runs.length === 0 || !subject.isSeen(index)) continue;
      const em = text.setting.fontSize * subject.text(index).shrink * subject.drawnScale(index);
      let worst: { readonly name: string; readonly times: number } | undefined;
      for (const { setting } of text.runs) {
        const picture = setting.icon && subject.pictures.get(setting.icon.name);
        if (!picture || picture.mime === 'image/svg+xml') continue;
        const times = largestPixelOf(picture, em * setting.scale);
        if (times > (worst?.times ?? limit)) worst = { name: picture.name, times };
      }
      if (!worst) continue;
      const said = `a pixel of "${worst.name}" among its words is ${shown(worst.times)} px wide here`;
      const reasons = [{ text: said, pointer: keyPointer(widget, 'text') }];
      report({ outcome: 'failed', widget: index, measured: worst.times, reasons });
    }
  },
} as const satisfies Check;
