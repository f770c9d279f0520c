import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readDocument, screens, type WidgetSource } from 'pimbot';
import { checkDocument } from 'pimbot/tools';
import { documentOf, fonts } from '../support/views.ts';

const rect = fc.record({
  x: fc.integer({ min: -200, max: 1900 }),
  y: fc.integer({ min: -200, max: 1000 }),
  width: fc.oneof(fc.integer({ min: 1, max: 60 }), fc.integer({ min: 1, max: 2000 })),
  height: fc.oneof(fc.integer({ min: 1, max: 60 }), fc.integer({ min: 1, max: 1200 })),
});

test('of widgets anywhere and of any size, exactly those that share some px are found to overlap', () => {
  const desktop = screens.filter(({ name }) => name === 'desktop');
  fc.assert(
    fc.property(fc.array(rect, { minLength: 2, maxLength: 40 }), (rects) => {
      const children = rects.map(({ x, y, width, height }, nth): WidgetSource => {
        const at = { anchor: 'left top', offset: [x, y], size: [width, height] } as const;
        return { id: `w${nth}`, ...at, look: { background: '#0d4452' } };
      });
      const reference = { size: '1920x1080', scaling: 'none' } as const;
      const { findings } = checkDocument(readDocument(documentOf(children, { reference })).document!, {
        resources: { fonts },
        screens: desktop,
      });
      const found = findings.flatMap(({ check, widget, other }) =>
        check === 'overlap' ? [`${widget} ${other}`] : [],
      );
      const fills = ({ x, y, width, height }: (typeof rects)[number]) =>
        x <= 1 && y <= 1 && x + width >= 1919 && y + height >= 1079;
      const meant = rects.flatMap((a, one) =>
        rects.flatMap((b, other) => {
          if (other <= one || fills(a) || fills(b)) return [];
          const across = Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x);
          const down = Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y);
          return across > 0.5 && down > 0.5 ? [`w${one} w${other}`] : [];
        }),
      );
      const left = found.filter((pair) => pair.split(' ').every((id) => !fills(rects[Number(id.slice(1))]!)));
      expect(left.sort()).toEqual(meant.sort());
    }),
    { numRuns: 100 },
  );
});
