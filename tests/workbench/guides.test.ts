import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { distancesOf, snap, type Moving } from 'pimbot/tools';
import { rounds, seedOf } from '../support/deep.ts';

const surface = { x: 0, y: 0, width: 1920, height: 1080 };
const safe = { x: 40, y: 20, width: 1840, height: 1040 };
const room = { x: 100, y: 100, width: 1200, height: 800 };
const whole: Moving = { left: true, top: true, right: true, bottom: true };
const box = (x: number, y: number, width: number, height: number) => ({ x, y, width, height });

describe('guides', () => {
  const on = (rect: ReturnType<typeof box>, siblings: ReturnType<typeof box>[], moving = whole, reach = 6) =>
    snap(rect, moving, { siblings, room, safe, surface }, reach);

  test.each([
    ['the edge of a sibling', box(303, 250, 80, 80), [box(300, 500, 120, 60)], 'x', -3, 'edge'],
    ['the middle of a sibling', box(322, 250, 80, 80), [box(300, 500, 120, 60)], 'x', -2, 'middle'],
    ['the parent', box(104, 250, 80, 80), [], 'x', -4, 'parent'],
    ['the safe area', box(250, 22, 80, 80), [], 'y', -2, 'safe'],
    ['a third of the surface', box(642, 255, 80, 80), [], 'x', -2, 'third'],
    [
      'the gap between two others',
      box(724, 300, 80, 80),
      [box(400, 300, 80, 80), box(560, 300, 80, 80)],
      'x',
      -4,
      'gap',
    ],
    [
      'the same gap on both sides',
      box(543, 300, 80, 80),
      [box(400, 300, 80, 80), box(680, 300, 80, 80)],
      'x',
      -3,
      'gap',
    ],
  ] as const)('catches at %s', (_, rect, siblings, axis, by, kind) => {
    const found = on(rect, [...siblings]);
    expect(found[axis]).toBeCloseTo(by, 6);
    expect(found.guides.filter((one) => one.axis === axis).map((one) => one.kind)).toContain(kind);
  });

  test('an edge that is pulled catches at the size of a sibling', () => {
    const found = on(box(400, 400, 118, 50), [box(900, 700, 120, 60)], {
      left: false,
      top: false,
      right: true,
      bottom: false,
    });
    expect(found).toMatchObject({ x: 2, y: 0 });
    expect(found.guides.map(({ kind }) => kind)).toContain('size');
  });

  test('never moves further than its reach, nothing that does not move, and ends where its guide says', () => {
    const number = fc.integer({ min: 0, max: 1500 });
    const any = fc.record({
      x: number,
      y: number,
      width: fc.integer({ min: 1, max: 400 }),
      height: fc.integer({ min: 1, max: 400 }),
    });
    const edges = fc.record({
      left: fc.boolean(),
      top: fc.boolean(),
      right: fc.boolean(),
      bottom: fc.boolean(),
    });
    fc.assert(
      fc.property(
        any,
        fc.array(any, { maxLength: 6 }),
        edges,
        fc.integer({ min: 0, max: 20 }),
        (rect, siblings, moving, reach) => {
          const { x, y, guides } = on(rect, siblings, moving, reach);
          expect(Math.max(Math.abs(x), Math.abs(y))).toBeLessThanOrEqual(reach);
          if (!moving.left && !moving.right) expect(x).toBe(0);
          if (!moving.top && !moving.bottom) expect(y).toBe(0);
          for (const { axis, at, kind } of guides) {
            if (kind === 'gap') continue;
            const [start, length, by] = axis === 'x' ? [rect.x, rect.width, x] : [rect.y, rect.height, y];
            const places = [start + by, start + length + by, start + length / 2 + by];
            expect(Math.min(...places.map((one) => Math.abs(one - at)))).toBeLessThan(0.02);
          }
        },
      ),
      { numRuns: rounds(300, 20_000), seed: seedOf(41) },
    );
  });

  test('distances to parent, safe area, screen and the nearest neighbour of each side', () => {
    const found = distancesOf(box(300, 300, 100, 50), { parent: room, safe, screen: surface }, [
      box(450, 310, 20, 20),
      box(420, 280, 20, 400),
      box(0, 0, 50, 50),
    ]);
    const of = (to: string) =>
      Object.fromEntries(found.filter((one) => one.to === to).map(({ side, length }) => [side, length]));
    expect(of('parent')).toEqual({ left: 200, top: 200, right: 900, bottom: 550 });
    expect(of('screen')).toEqual({ left: 300, top: 300, right: 1520, bottom: 730 });
    expect(of('neighbour')).toEqual({ right: 20 });
    expect(found.find(({ to }) => to === 'neighbour')!.neighbour).toBe(1);
  });
});
