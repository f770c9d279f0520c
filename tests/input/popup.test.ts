import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { listWindow, popupPlace } from 'pimbot';
import { Player } from '../support/player.ts';
import { documentOf } from '../support/views.ts';

const within = { x: 20, y: 10, width: 400, height: 300 };

describe('a pop-up beside something', () => {
  test('stands on its side, else on the opposite one, else on another, shifted to stay inside', () => {
    const size = { width: 100, height: 40 };
    const rules = { side: 'top', gap: 8, within } as const;
    const at = (x: number, y: number, width = 50, height = 20) =>
      popupPlace({ x, y, width, height }, size, rules);
    expect(at(200, 150)).toEqual({ x: 175, y: 102, side: 'top', fits: true, lacks: 0 });
    expect(at(200, 20)).toEqual({ x: 175, y: 48, side: 'bottom', fits: true, lacks: 0 });
    expect(at(22, 150)).toEqual({ x: 20, y: 102, side: 'top', fits: true, lacks: 0 });
    expect(at(390, 150)).toEqual({ x: 320, y: 102, side: 'top', fits: true, lacks: 0 });
    expect(at(30, 15, 50, 290)).toEqual({ x: 88, y: 140, side: 'right', fits: true, lacks: 0 });
    expect(at(20, 10, 400, 300)).toMatchObject({ fits: false, lacks: 48 });
  });

  test('is inside and clear of it wherever there is room, and inside wherever it is small enough', () => {
    const number = (least: number, most: number) => fc.integer({ min: least, max: most });
    fc.assert(
      fc.property(
        fc.record({ x: number(20, 400), y: number(10, 290), width: number(1, 200), height: number(1, 200) }),
        fc.record({ width: number(1, 420), height: number(1, 320) }),
        fc.constantFrom('top' as const, 'bottom' as const, 'left' as const, 'right' as const),
        number(0, 20),
        (anchor, size, side, gap) => {
          const { x, y, fits, lacks } = popupPlace(anchor, size, { side, gap, within });
          const isInside =
            x >= within.x &&
            y >= within.y &&
            x + size.width <= within.x + within.width + 1e-9 &&
            y + size.height <= within.y + within.height + 1e-9;
          const clear =
            x + size.width + gap <= anchor.x + 1e-9 ||
            x >= anchor.x + anchor.width + gap - 1e-9 ||
            y + size.height + gap <= anchor.y + 1e-9 ||
            y >= anchor.y + anchor.height + gap - 1e-9;
          expect(isInside).toBe(size.width <= within.width && size.height <= within.height);
          if (fits) expect([isInside, clear]).toEqual([true, true]);
          // Nobody finds a place that it did not.
          const places = [
            [anchor.x - gap - size.width, undefined],
            [anchor.x + anchor.width + gap, undefined],
            [undefined, anchor.y - gap - size.height],
            [undefined, anchor.y + anchor.height + gap],
          ].some(([left, top]) =>
            left !== undefined
              ? left >= within.x &&
                left + size.width <= within.x + within.width &&
                size.height <= within.height
              : top! >= within.y &&
                top! + size.height <= within.y + within.height &&
                size.width <= within.width,
          );
          expect([fits, lacks > 0]).toEqual([places, !places]);
        },
      ),
    );
  });
});

test('who rests on a control is told once, until it is left or pressed', () => {
  const one = new Player(
    documentOf([
      { id: 'wax', kind: 'button', size: 40 },
      { id: 'lamp', kind: 'button', size: 40, offset: '60 0' },
    ]),
  );
  one.move(10, 10).wait(499).wait(0);
  expect(one.told('rest')).toEqual([]);
  one.move(12, 12).wait(16).wait(500);
  expect(one.effects.filter(({ type }) => type === 'rest')).toEqual([
    { type: 'rest', control: 'wax', at: { x: 12, y: 12 } },
  ]);
  one.told();
  one.move(70, 10).wait(16).wait(600);
  expect(one.told('rest', 'rest-end')).toEqual(['rest-end wax', 'rest lamp']);
  one.down(70, 10).up(70, 10).wait(900);
  expect(one.told('rest', 'rest-end')).toEqual(['rest-end lamp']);
  one.keys('Tab').wait(16).wait(600);
  expect(one.effects.find(({ type }) => type === 'rest')).toEqual({
    type: 'rest',
    control: 'wax',
    at: undefined,
  });
});

describe('a long list', () => {
  test('has what is seen built, and the rest as room', () => {
    expect(listWindow({ count: 10_000, each: 50, at: 0, shown: 300 })).toEqual({
      from: 0,
      to: 11,
      before: 0,
      after: 499_450,
    });
    expect(listWindow({ count: 10_000, each: 50, at: 25_010, shown: 300 })).toEqual({
      from: 498,
      to: 509,
      before: 24_900,
      after: 474_550,
    });
    expect(listWindow({ count: 3, each: 50, at: 0, shown: 300 })).toEqual({
      from: 0,
      to: 3,
      before: 0,
      after: 0,
    });
    expect(listWindow({ count: 0, each: 50, at: 0, shown: 300 })).toEqual({
      from: 0,
      to: 0,
      before: 0,
      after: 0,
    });
  });

  test('all that is seen is built, wherever it is scrolled, and the length stays', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 5000 }),
        fc.integer({ min: 1, max: 200 }),
        fc.integer({ min: 1, max: 900 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (count, each, shown, share) => {
          const at = share * Math.max(0, count * each - shown);
          const { from, to, before, after } = listWindow({ count, each, at, shown });
          expect(before + (to - from) * each + after).toBe(count * each);
          expect(before).toBeLessThanOrEqual(at);
          expect(before + (to - from) * each).toBeGreaterThanOrEqual(
            Math.min(count * each, at + shown) - 1e-9,
          );
          expect(to - from).toBeLessThanOrEqual(Math.ceil(shown / each) + 5);
        },
      ),
    );
  });
});
