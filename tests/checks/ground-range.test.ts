import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { rangeOf } from '../../src/checks/subject/ground-range.ts';
import { colorAt, compose, faded, luminance, type Fill } from '../../src/theme/index.ts';
import { rounds } from '../support/deep.ts';

const share = fc.double({ min: 0, max: 1, noNaN: true });
const color = fc.record({ r: share, g: share, b: share, a: share });
const opaque = color.map((one) => ({ ...one, a: 1 }));

test('whatever is behind a gradient, all that is seen of it lies between the two ends', () => {
  fc.assert(
    fc.property(
      fc.array(color, { minLength: 2, maxLength: 4 }),
      share,
      opaque,
      share,
      fc.boolean(),
      (colors, opacity, behind, at, isRadial) => {
        const stops = colors.map((one, nth) => ({ color: one, at: nth / (colors.length - 1) }));
        const linear: Fill = { type: 'linear', angle: 90, stops };
        const middle = { x: at, y: 0.2 };
        const fill: Fill = isRadial
          ? { type: 'radial', shape: 'circle', size: 'closest-side', at: middle, stops }
          : linear;
        const { darkest, lightest } = rangeOf(fill, opacity);
        const seen = luminance(compose(faded(colorAt(fill, at, 0.5, 100, 100), opacity), behind));
        expect(seen).toBeGreaterThanOrEqual(darkest - 1e-9);
        expect(seen).toBeLessThanOrEqual(lightest + 1e-9);
      },
    ),
    { numRuns: rounds(300, 1000) },
  );
});
