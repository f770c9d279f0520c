import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  contains,
  depthIn,
  heldAspects,
  holdsBetween,
  regionOf,
  unionArea,
  type Polygon,
} from 'pimbot/tools';
import { rounds, seedOf } from '../support/deep.ts';

const runs = { numRuns: rounds(100, 2000), seed: seedOf(20261126) };

const box = fc
  .tuple(
    fc.integer({ min: 1, max: 60 }),
    fc.integer({ min: 1, max: 60 }),
    fc.integer({ min: 1, max: 40 }),
    fc.integer({ min: 1, max: 40 }),
  )
  .map(([x, y, width, height]): Polygon => [
    { x, y },
    { x: x + width, y },
    { x: x + width, y: y + height },
    { x, y: y + height },
  ]);

/** Half of a box, or all of it. */
const part = fc.tuple(box, fc.boolean()).map(([four, isHalf]): Polygon => (isHalf ? four.slice(0, 3) : four));

test('the area that polygons cover together is that of the points in any of them', () => {
  fc.assert(
    fc.property(fc.array(part, { minLength: 1, maxLength: 6 }), (parts) => {
      const fine = 2;
      let count = 0;
      for (let across = 0; across < 101 * fine; across++)
        for (let down = 0; down < 101 * fine; down++) {
          const point = { x: (across + 0.5) / fine, y: (down + 0.5) / fine };
          if (parts.some((one) => contains(one, point))) count++;
        }
      const edges = parts.reduce((sum, one) => sum + one.length, 0);
      // A square that a slanting side runs through counts in full or not at all.
      expect(Math.abs(unionArea(parts) - count / fine ** 2)).toBeLessThan(1 + (edges * 60) / fine);
    }),
    { ...runs, numRuns: rounds(8, 200) },
  );
});

test('a polygon covers with itself what it covers alone, whatever the order', () => {
  fc.assert(
    fc.property(fc.array(part, { minLength: 1, maxLength: 6 }), (parts) => {
      const area = unionArea(parts);
      expect(unionArea([...parts, ...parts])).toBeCloseTo(area, 6);
      expect(unionArea(parts.toReversed())).toBeCloseTo(area, 6);
    }),
    runs,
  );
});

test('depth is the distance from the nearest border, below 0 outside', () => {
  const square: Polygon = [
    { x: 10, y: 10 },
    { x: 30, y: 10 },
    { x: 30, y: 30 },
    { x: 10, y: 30 },
  ];
  expect(depthIn(square, { x: 13, y: 20 })).toBeCloseTo(3);
  expect(depthIn(square, { x: 20, y: 29 })).toBeCloseTo(1);
  expect(depthIn(square, { x: 8, y: 20 })).toBeCloseTo(-2);
  expect(contains(square, { x: 10, y: 10 })).toBe(true);
});

test('a range of sizes that holds has no part in it, and would have one if it ended a few pixels later', () => {
  const region = regionOf({ from: { width: 640, height: 360 }, to: { width: 7680, height: 4320 } });
  const around = { width: 1920, height: 1080 };
  const scaled = (one: Polygon, times: number): Polygon =>
    one.map(({ x, y }) => ({ x: 300 + x * times, y: 150 + y * times }));
  const parts = fc.array(
    fc.tuple(part, fc.constantFrom(5, 15, 60)).map(([one, times]) => scaled(one, times)),
    {
      minLength: 1,
      maxLength: 4,
    },
  );
  const isFree = (all: readonly Polygon[], low: number, high: number) => {
    const [left, right, top, bottom] = [(low * 16) / 9, (high * 16) / 9, low, high];
    const whole: Polygon = [
      { x: left, y: top },
      { x: right, y: top },
      { x: right, y: bottom },
      { x: left, y: bottom },
    ];
    // Two polygons share no area where together they cover as much as both.
    return all.every((one) => unionArea([whole, one]) > unionArea([whole]) + unionArea([one]) - 1e-3);
  };
  let held = 0;
  fc.assert(
    fc.property(parts, (all) => {
      const between = holdsBetween(region, all, around);
      if (!between) return;
      held++;
      const { from, to } = between;
      expect(isFree(all, from.height, to.height)).toBe(true);
      if (to.height < 4316) expect(isFree(all, from.height, to.height + 4)).toBe(false);
    }),
    { ...runs, numRuns: rounds(60, 1000) },
  );
  expect(held).toBeGreaterThan(rounds(20, 300));
});

test('a range around a size that fails is none', () => {
  const region = regionOf({ from: { width: 640, height: 360 }, to: { width: 7680, height: 4320 } });
  const small = [region.map(({ x, y }) => ({ x: 1900 + x / 100, y: 1070 + y / 100 }))];
  expect(holdsBetween(region, small, { width: 1920, height: 1080 })).toBeUndefined();
  expect(holdsBetween(region, [], { width: 1920, height: 1080 })).toEqual({
    from: { width: 640, height: 360 },
    to: { width: 7680, height: 4320 },
  });
});

test('aspects that hold are those of no part', () => {
  const region = regionOf({
    from: { width: 640, height: 360 },
    to: { width: 7680, height: 4320 },
    aspect: { least: 1, most: 4 },
  });
  const [wedge] = [
    regionOf({
      from: { width: 700, height: 400 },
      to: { width: 4000, height: 2000 },
      aspect: { least: 1.5, most: 2 },
    }),
  ];
  expect(heldAspects(region, [wedge])).toEqual([
    { least: expect.closeTo(1), most: expect.closeTo(1.5) },
    { least: expect.closeTo(2), most: expect.closeTo(4) },
  ]);
});

test('a region without area is refused', () => {
  const [from, to] = [
    { width: 640, height: 360 },
    { width: 1280, height: 720 },
  ];
  expect(() => regionOf({ from: to, to: from })).toThrow(RangeError);
  expect(() => regionOf({ from, to, aspect: { least: 8, most: 9 } })).toThrow('no screen');
  expect(() => regionOf({ from, to, aspect: { least: 16 / 9, most: 16 / 9 } })).toThrow('only a line');
});
