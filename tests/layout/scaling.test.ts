import { describe, expect, test } from '@jest/globals';
import { documentOf, opened } from '../support/views.ts';
import type { ReferenceSource, ScreenSize } from './types.ts';

function frame(reference: ReferenceSource, screen: ScreenSize, hudSize = 1) {
  const document = documentOf([{ id: 'corner', anchor: 'right bottom', size: 100 }], { reference });
  const on = opened(document, { hudSize }).layoutOn(screen);
  const { scale, width, height, originX, originY } = on.layout.frame;
  return { scale, width, height, originX, originY, corner: on.rect('corner') };
}

const reference = { size: '1920x1080' } as const;

describe('scaling (docs/layout-model.md 1)', () => {
  test.each([
    ['contain', { width: 2560, height: 1080 }, 1, 2560, 1080],
    ['contain', { width: 1280, height: 1024 }, 2 / 3, 1920, 1536],
    ['cover', { width: 2560, height: 1080 }, 4 / 3, 1920, 810],
    ['cover', { width: 1280, height: 1024 }, 1024 / 1080, 1350, 1080],
    ['none', { width: 1234, height: 567 }, 1, 1234, 567],
  ] as const)('%s on %o', (scaling, screen, scale, width, height) => {
    const found = frame({ ...reference, scaling }, screen);
    expect(found.scale).toBeCloseTo(scale, 12);
    expect(found.width).toBeCloseTo(width, 9);
    expect(found.height).toBeCloseTo(height, 9);
  });

  test('bars keep the reference and stand in the middle', () => {
    const found = frame({ ...reference, spare: 'bars' }, { width: 2560, height: 1080 });
    expect(found).toMatchObject({ scale: 1, width: 1920, height: 1080, originX: 320, originY: 0 });
    expect(found.corner).toEqual({ x: 2140, y: 980, width: 100, height: 100 });
  });

  test("the player's HUD size makes the surface smaller", () => {
    const found = frame(reference, { width: 1920, height: 1080 }, 1.5);
    expect(found).toMatchObject({ scale: 1.5, width: 1280, height: 720 });
    expect(found.corner).toEqual({ x: 1770, y: 930, width: 150, height: 150 });
  });

  test('limits hold the scale last', () => {
    expect(frame({ ...reference, limits: '1..' }, { width: 960, height: 540 })).toMatchObject({
      scale: 1,
      width: 960,
      height: 540,
    });
    expect(frame({ ...reference, limits: '..2' }, { width: 7680, height: 4320 }, 1.2).scale).toBe(2);
  });

  test('a screen without area is laid out without a number that is none', () => {
    for (const screen of [
      { width: 0, height: 0 },
      { width: 0, height: 500 },
      { width: 500, height: 0 },
    ]) {
      for (const scaling of ['contain', 'cover', 'none'] as const) {
        const found = frame({ ...reference, scaling }, screen);
        for (const value of [found.scale, found.width, found.height, found.corner.x, found.corner.y]) {
          expect(Number.isFinite(value)).toBe(true);
        }
      }
    }
  });

  test('edges are rounded, so neighbours keep sharing theirs (5.1)', () => {
    const children = Array.from({ length: 7 }, (_, index) => ({
      id: `c${index}`,
      width: 'fill',
      height: 10,
    }));
    const on = opened(documentOf([{ arrange: 'row', width: '100%', height: 10, children }])).layoutOn({
      width: 1000,
      height: 20,
    });
    for (let index = 0; index < 6; index++) {
      const one = on.pixelRect(`c${index}`);
      expect(Number.isInteger(one.x) && Number.isInteger(one.width)).toBe(true);
      expect(one.x + one.width).toBe(on.pixelRect(`c${index + 1}`).x);
      expect(Math.abs(one.width - 1000 / 7)).toBeLessThan(1);
    }
  });
});
