import { spawnSync } from 'node:child_process';
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { MarkerPlaces, markerHidden, markerInside, markerOnEdge, placeMarkers } from 'pimbot';

const rect = { x: 100, y: 50, width: 200, height: 100 };
const rules = { rect, x: 1000, y: 500, zoom: 2, outside: 'edge' } as const;

function placed(things: { x: number; y: number; angle?: number }[], more: object = {}) {
  const places = new MarkerPlaces(things.length);
  const shown = placeMarkers(
    {
      count: things.length,
      x: things.map(({ x }) => x),
      y: things.map(({ y }) => y),
      angle: things.map(({ angle = 0 }) => angle),
    },
    { ...rules, ...more },
    places,
  );
  return { shown, places };
}

test('things stand where they are, and those further out on the edge in their direction', () => {
  const { shown, places } = placed([
    { x: 1000, y: 500, angle: 1 },
    { x: 1010, y: 520 },
    { x: 1100, y: 500 },
    { x: 1000, y: 400 },
    { x: 1200, y: 600 },
  ]);
  expect(shown).toBe(5);
  expect([...places.x]).toEqual([200, 220, 300, 200, 300]);
  expect([...places.y]).toEqual([100, 140, 100, 50, 150]);
  expect([...places.where]).toEqual([markerInside, markerInside, markerOnEdge, markerOnEdge, markerOnEdge]);
  // Clockwise from up: on the edge where the thing is, inside where it heads.
  expect([...places.angle]).toEqual([1, 0, Math.PI / 2, 0, expect.closeTo(Math.atan2(2, -1), 12)]);
  expect(places.distance[2]).toBe(100);
});

test('hidden, in a circle, with an inset and turned', () => {
  expect([...placed([{ x: 1100, y: 500 }], { outside: 'hidden' }).places.where]).toEqual([markerHidden]);
  const round = placed([{ x: 1100, y: 600 }], { shape: 'circle', inset: 10 }).places;
  expect(Math.hypot(round.x[0]! - 200, round.y[0]! - 100)).toBeCloseTo(40, 9);
  // A quarter turn clockwise has what is up at the right.
  const turned = placed([{ x: 1000, y: 490 }], { turn: Math.PI / 2 }).places;
  expect([turned.x[0], turned.y[0]]).toEqual([expect.closeTo(220, 9), expect.closeTo(100, 9)]);
  expect(() => placed([{ x: 0, y: 0 }], { zoom: 0 })).toThrow('a zoom is above 0, not 0');
  expect(() => placeMarkers({ count: 2, x: [0, 0], y: [0, 0] }, rules, new MarkerPlaces(1))).toThrow(
    'there are 2 things and places for 1 markers',
  );
});

test('whatever is asked, markers stay within the edge and numbers are numbers', () => {
  const number = fc.double({ min: -1e6, max: 1e6, noNaN: true });
  fc.assert(
    fc.property(
      fc.array(fc.record({ x: number, y: number }), { minLength: 1, maxLength: 20 }),
      fc.record({
        zoom: fc.double({ min: 0.001, max: 100, noNaN: true }),
        turn: fc.double({ min: -7, max: 7, noNaN: true }),
        inset: fc.double({ min: 0, max: 120, noNaN: true }),
        shape: fc.constantFrom('circle', 'rectangle'),
      }),
      (things, more) => {
        const { places } = placed(things, more);
        things.forEach((_, n) => {
          const [x, y] = [places.x[n]! - 200, places.y[n]! - 100];
          const [halfX, halfY] = [Math.max(0, 100 - more.inset), Math.max(0, 50 - more.inset)];
          const over =
            more.shape === 'circle'
              ? Math.hypot(x, y) - Math.min(halfX, halfY)
              : Math.max(Math.abs(x) - halfX, Math.abs(y) - halfY);
          expect(over).toBeLessThan(1e-6);
          expect(Number.isFinite(places.angle[n]!)).toBe(true);
        });
      },
    ),
  );
});

test('moving 5,000 markers makes no garbage', () => {
  const program = `
    import { MarkerPlaces, placeMarkers } from 'pimbot';
    const count = 5000;
    const things = { count, x: new Float64Array(count), y: new Float64Array(count) };
    const places = new MarkerPlaces(count);
    const rules = { rect: { x: 0, y: 0, width: 200, height: 100 }, x: 0, y: 0, zoom: 1, outside: 'edge' };
    const move = (turn) => {
      for (let n = 0; n < count; n++) { things.x[n] = (turn + n) % 900 - 450; things.y[n] = (turn * 3 + n) % 700 - 350; }
      placeMarkers(things, rules, places);
    };
    for (let turn = 0; turn < 300; turn++) move(turn);
    const found = [];
    for (let round = 0; round < 5; round++) {
      gc();
      const before = process.memoryUsage().heapUsed;
      for (let turn = 0; turn < 100; turn++) move(turn);
      found.push((process.memoryUsage().heapUsed - before) / 100);
    }
    console.log(found.sort((a, b) => a - b)[2]);`;
  const { stdout, stderr } = spawnSync(
    process.execPath,
    ['--expose-gc', '--input-type=module', '--eval', program],
    { encoding: 'utf8', env: { ...process.env, NODE_OPTIONS: '' } },
  );
  expect(stderr).toBe('');
  // An object for each would be 16 bytes times 5,000 at the least.
  expect(Number(stdout)).toBeLessThan(5000);
});
