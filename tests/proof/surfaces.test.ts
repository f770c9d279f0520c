import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { desktop, screenOf } from 'pimbot/tools';
import { frameOf, referenceOf } from '../../src/layout/index.ts';
import { depthIn } from '../../src/proof/polygon.ts';
import { regionOf } from '../../src/proof/region.ts';
import { piecesOf } from '../../src/proof/surfaces.ts';
import { rounds } from '../support/deep.ts';

const scaling = fc.constantFrom('contain', 'cover', 'width', 'height', 'blend', 'none', 'physical', 'whole');
const reference = fc.record({
  'size': fc.constantFrom('1280x720', '480x270', '1920x1080', '640x480', '3840x2160'),
  'scaling': scaling,
  'blend': fc.constantFrom(0, 0.25, 0.5, 1),
  'limits': fc.constantFrom('..', '1..', '..2', '0.8..2.5', '1..1'),
  'step': fc.constantFrom(undefined, undefined, 0.5, 1, 2),
  'least-millimetres': fc.constantFrom(undefined, undefined, 0.106),
});
const size = (from: number, to: number) => fc.integer({ min: from, max: to });
const share = fc.double({ min: 0, max: 1, noNaN: true });

test('every screen of a region has its surface among those that are looked at, at its HUD size and scale', () => {
  let looked = 0;
  fc.assert(
    fc.property(
      reference,
      fc.tuple(size(320, 2000), size(200, 1200), size(10, 4000), size(10, 3000)),
      fc.tuple(fc.double({ min: 0.5, max: 1.5, noNaN: true }), fc.double({ min: 0.05, max: 1, noNaN: true })),
      fc.array(fc.tuple(share, share, share), { minLength: 20, maxLength: 20 }),
      (
        { step, 'least-millimetres': leastMillimetres, ...source },
        [x, y, across, down],
        [least, more],
        all,
      ) => {
        const read = referenceOf({
          ...source,
          ...(step && { step }),
          ...(leastMillimetres && { 'least-millimetres': leastMillimetres }),
        });
        const range = { least, most: least + more };
        const region = {
          from: { width: x, height: y },
          to: { width: x + across, height: y + down },
        };
        const pieces = piecesOf(read, desktop, region, range);
        if (!pieces) return;
        const polygons = pieces.map(({ surfaces }) => regionOf(surfaces));
        for (const [right, low, larger] of all) {
          const hudSize = least + more * larger;
          const screen = screenOf(desktop, { x: x + across * right, y: y + down * low });
          const { scale } = frameOf(read, screen, hudSize);
          const surface = { x: screen.width / scale, y: screen.height / scale };
          const found = pieces.filter(({ hudSizesOf, scaleAt }, nth) => {
            if (depthIn(polygons[nth]!, surface) < -0.002) return false;
            const sizes = hudSizesOf([surface]);
            if (hudSize < sizes.least - 1e-6 || hudSize > sizes.most + 1e-6) return false;
            const scales = scaleAt(surface, hudSize);
            return scale >= scales.least - 1e-6 && scale <= scales.most + 1e-6;
          });
          looked++;
          expect({ surface, hudSize, scale, isFound: found.length > 0 }).toMatchObject({ isFound: true });
        }
      },
    ),
    { numRuns: rounds(300, 5000) },
  );
  expect(looked).toBeGreaterThan(3000);
});
