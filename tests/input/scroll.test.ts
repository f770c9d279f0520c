import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { LiveDrawing, drawLayout, readDocument } from 'pimbot';
import { Player } from '../support/player.ts';
import { seedOf } from '../support/deep.ts';
import { documentOf, told } from '../support/views.ts';

/** A page of 10 rows of 100 u in a box of 300 u, and a list in it that scrolls across. */
const source = documentOf([
  {
    id: 'page',
    offset: '100 0',
    size: '200 300',
    scroll: 'y',
    arrange: 'column',
    children: [
      {
        id: 'row',
        repeat: 9,
        height: 100,
        width: 200,
        look: { background: '#123' },
        children: [{ id: 'key', kind: 'button', size: 40 }],
      },
      {
        id: 'shelf',
        size: '200 100',
        scroll: 'x',
        arrange: 'row',
        children: [{ id: 'box', repeat: 4, size: '100 100', look: { background: '#345' } }],
      },
    ],
  },
  { id: 'bar', kind: 'scrollbar', controls: 'page', offset: '300 0', size: '10 300' },
  { id: 'none', kind: 'scrollbar', controls: 'short', offset: '320 0', size: '10 100' },
  { id: 'short', scroll: 'y', offset: '340 0', size: '40 100' },
  { id: 'other', kind: 'button', size: 40 },
]);

const player = () => new Player(source);
const at = (one: Player, id = 'page') => one.live.scrolled(id);
const wheel = (one: Player, deltaY: number, deltaX = 0, y = 150) =>
  one.hear({ type: 'wheel', x: 250, y, deltaX, deltaY });

describe('scrolling', () => {
  test('by a wheel, as far as there is', () => {
    const one = player();
    expect(one.live.scrollRange('page')).toEqual({ x: 0, y: 700 });
    expect(at(wheel(one, 120))).toEqual({ x: 0, y: 120 });
    expect(one.told('scroll')).toEqual(['scroll page']);
    expect(at(wheel(one, 9999)).y).toBe(700);
    one.told();
    wheel(one, 50);
    expect(one.told('scroll')).toEqual([]);
    expect(at(wheel(one, -9999)).y).toBe(0);
    // Nothing scrolls beside it.
    one.hear({ type: 'wheel', x: 50, y: 350, deltaX: 0, deltaY: 50 });
    expect(at(one).y).toBe(0);
  });

  test('an inner one first, then what it is in', () => {
    const one = player();
    wheel(one, 700);
    wheel(one, 0, 90, 250);
    expect([at(one).y, at(one, 'shelf').x]).toEqual([700, 90]);
    wheel(one, -50, 0, 250);
    expect([at(one).y, at(one, 'shelf').x]).toEqual([650, 90]);
  });

  test('a finger drags it, it goes on with its momentum, slows down and rests', () => {
    const one = player();
    one.swipe([150, 290], [150, 280], [150, 250], [150, 220], [150, 190], [150, 160]);
    const dragged = at(one).y;
    expect(dragged).toBe(130);
    let before = dragged;
    let step = Infinity;
    for (let frame = 0; frame < 300; frame++) {
      one.wait(16);
      const { y } = at(one);
      // Always onward, always slower.
      expect(y).toBeGreaterThanOrEqual(before);
      expect(y - before).toBeLessThanOrEqual(step + 1e-9);
      step = y - before;
      before = y;
    }
    expect(before).toBeGreaterThan(dragged + 100);
    expect(step).toBe(0);
    expect(one.told('click')).toEqual([]);
  });

  test('held still before it is let go it stays; with reduced motion too', () => {
    const one = player();
    one.hear({ type: 'down', pointer: 9, device: 'touch', x: 150, y: 290 });
    for (const y of [280, 240, 200])
      one.wait(16).hear({ type: 'move', pointer: 9, device: 'touch', x: 150, y });
    one.wait(200).hear({ type: 'up', pointer: 9, device: 'touch', x: 150, y: 200 });
    one.wait(500);
    expect(at(one).y).toBe(90);
    const other = player();
    other.live.motion = 'reduced';
    other.swipe([150, 290], [150, 240], [150, 200]).wait(500);
    expect(at(other).y).toBe(90);
  });

  test('pulled past its end it follows by half, and springs back', () => {
    const one = player();
    const top = () => one.live.read('row-1', { x: 0, y: 0, width: 0, height: 0 }).y;
    one.hear({ type: 'down', pointer: 9, device: 'touch', x: 150, y: 100 });
    one.wait(16).hear({ type: 'move', pointer: 9, device: 'touch', x: 150, y: 180 });
    expect([at(one).y, top()]).toEqual([0, 40]);
    one.hear({ type: 'up', pointer: 9, device: 'touch', x: 150, y: 180 });
    one.wait(50);
    expect(top()).toBeGreaterThan(5);
    expect(top()).toBeLessThan(40);
    one.wait(2000);
    expect(top()).toBe(0);
  });

  test('a button that is dragged is not clicked; one that is tapped is', () => {
    const one = player();
    one.swipe([110, 20], [110, 12], [110, 2]);
    expect(one.told('press', 'release', 'click', 'drag-start')).toEqual([
      'press row-1.key',
      'release row-1.key',
      'drag-start page',
    ]);
    const other = player().swipe([110, 20], [111, 18]);
    expect(other.told('click')).toEqual(['click row-1.key']);
  });

  test('by keys where nothing has the focus, and to what gets it', () => {
    const one = player();
    one.keys('PageDown').wait(1000);
    expect(at(one).y).toBe(270);
    one.keys('End').wait(1000);
    expect(at(one).y).toBe(700);
    one.keys('Home').wait(1000);
    expect(at(one).y).toBe(0);
    one.effects.push(...one.input.focus('row-3.key'));
    one.keys('ArrowDown').wait(1000);
    expect([one.input.focused, at(one).y]).toEqual(['row-4.key', 48]);
    one.keys('ArrowUp', 'ArrowUp', 'ArrowUp').wait(1000);
    expect([one.input.focused, at(one).y]).toEqual(['row-1.key', 0]);
    one.effects.push(...one.input.scrollTo('row-9.key'));
    one.wait(1000);
    expect(at(one).y).toBe(548);
  });

  test('by a stick for as long as it is pushed', () => {
    const one = player();
    one.hear({ type: 'stick', stick: 'right', x: 0, y: 1 }).wait(100).wait(100);
    expect(at(one).y).toBe(240);
    one.hear({ type: 'stick', stick: 'right', x: 0.1, y: 0.1 }).wait(100);
    expect(at(one).y).toBe(240);
  });

  test('a scrollbar shows how much there is, is dragged, and goes a page where it is pressed beside its handle', () => {
    const one = player();
    const handle = () => {
      const { operations } = drawLayout(one.live.snapshot());
      const own = operations.filter(
        (operation) => operation.type === 'box' && operation.widget === one.live.indexOf('bar'),
      );
      return own.map((operation) => operation.type === 'box' && [operation.rect.y, operation.rect.height]);
    };
    // 300 of 1,000 u are shown.
    expect(handle()).toEqual([[0, 90]]);
    one.down(305, 45).move(305, 55).move(305, 150).up(305, 150);
    expect(at(one).y).toBeCloseTo((105 / 210) * 700, 9);
    expect(handle()).toEqual([[105, 90]]);
    one.down(305, 290).up(305, 290).wait(1000);
    expect(at(one).y).toBeCloseTo(350 + 270, 9);
    one.down(305, 5).up(305, 5).wait(1000);
    expect(at(one).y).toBeCloseTo(350, 9);
    // Where all of it is shown there is none.
    const none = drawLayout(one.live.snapshot()).operations.some(
      (operation) => 'widget' in operation && operation.widget === one.live.indexOf('none'),
    );
    expect(none).toBe(false);
  });

  test('below the last control there is more to read', () => {
    const text = documentOf([
      {
        id: 'page',
        size: '200 300',
        scroll: 'y',
        arrange: 'column',
        children: [
          { id: 'top', kind: 'button', size: 40 },
          { id: 'story', size: '200 900', look: { background: '#123' } },
        ],
      },
    ]);
    const one = new Player(text).keys('Tab', 'ArrowDown');
    one.wait(1000);
    expect(at(one).y).toBe(45);
    expect(one.told('stopped')).toEqual([]);
    for (let time = 0; time < 20; time++) one.keys('ArrowDown').wait(200);
    expect(at(one).y).toBe(640);
    expect(one.told('stopped').length).toBeGreaterThan(0);
  });

  test('the same time in other portions comes to the same place', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 60 }), { minLength: 1, maxLength: 30 }),
        fc.integer({ min: 2, max: 40 }),
        (portions, speed) => {
          const run = (times: readonly number[]) => {
            const one = player();
            one.swipe([150, 250], [150, 250 - 8 - speed], [150, 250 - 8 - 2 * speed]);
            for (const time of times) one.wait(time);
            return one.live.read('row-1', { x: 0, y: 0, width: 0, height: 0 }).y;
          };
          const total = portions.reduce((sum, one) => sum + one, 0);
          // What is at rest is so to half a u.
          expect(Math.abs(run(portions) - run([total]))).toBeLessThan(7);
        },
      ),
      { numRuns: 60, seed: seedOf(18) },
    );
  });
});

describe('what comes to rest at its entries', () => {
  const shelf = (snap: 'start' | 'end' | 'center' | undefined, more: object = {}) =>
    documentOf([
      {
        id: 'page',
        size: '200 300',
        scroll: 'y',
        ...(snap && { 'scroll-snap': snap }),
        arrange: 'column',
        gap: 10,
        padding: '5 0',
        children: [
          {
            id: 'row',
            repeat: 12,
            height: 110,
            width: 200,
            children: [{ id: 'key', kind: 'button', size: 40 }],
          },
        ],
        ...more,
      },
      { id: 'bar', kind: 'scrollbar', controls: 'page', offset: '300 0', size: '10 300' },
    ]);
  // 12 of 110 u, 11 gaps of 10, twice 5 of padding: 1,440 u, of which 300 are shown.
  const most = 1140;
  const turn = (one: Player, deltaY: number) =>
    one.hear({ type: 'wheel', x: 100, y: 150, deltaX: 0, deltaY });

  test.each([
    ['start', (nth: number) => nth * 120],
    ['end', (nth: number) => nth * 120 - 180],
    ['center', (nth: number) => nth * 120 - 90],
  ] as const)('%s: let go anywhere, with any speed', (snap, placeOf) => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 20, max: 280 }), { minLength: 2, maxLength: 6 }), (places) => {
        const one = new Player(shelf(snap));
        one.swipe(...places.map((y): [number, number] => [150, y]));
        one.wait(16).wait(5000);
        const { y } = at(one);
        const allowed = Array.from({ length: 12 }, (_, nth) => Math.min(most, Math.max(0, placeOf(nth))));
        expect(Math.min(...allowed.map((place) => Math.abs(place - y)))).toBeLessThan(1e-9);
        expect(one.live.read('page', { x: 0, y: 0, width: 0, height: 0 }).y).toBe(0);
      }),
      { numRuns: 60, seed: seedOf(31) },
    );
  });

  test('momentum ends where it would have, at the entry nearest to that', () => {
    const free = new Player(shelf(undefined));
    const snapping = new Player(shelf('start'));
    for (const one of [free, snapping])
      one.swipe([150, 290], [150, 280], [150, 250], [150, 220], [150, 190], [150, 160]);
    let before = at(snapping).y;
    for (let frame = 0; frame < 400; frame++) {
      free.wait(16);
      snapping.wait(16);
      expect(at(snapping).y).toBeGreaterThanOrEqual(before);
      before = at(snapping).y;
    }
    expect(Math.abs(at(free).y - at(snapping).y)).toBeLessThanOrEqual(61);
    expect(at(snapping).y % 120).toBe(0);
  });

  test('a wheel goes freely while it is turned, then to the next entry that way at least', () => {
    const one = new Player(shelf('start'));
    turn(one, 20);
    expect(at(one).y).toBe(20);
    one.wait(60);
    turn(one, 15);
    expect(at(one).y).toBe(35);
    one.wait(200).wait(1000);
    expect(at(one).y).toBe(120);
    turn(one, 200);
    one.wait(200).wait(1000);
    expect(at(one).y).toBe(360);
    turn(one, -5);
    one.wait(200).wait(1000);
    expect(at(one).y).toBe(240);
    turn(one, 9999);
    one.wait(200).wait(1000);
    expect(at(one).y).toBe(most);
  });

  test('keys go from entry to entry, the focus to one at which it is seen, a scrollbar to the nearest', () => {
    const one = new Player(shelf('start', { children: [{ id: 'plate', repeat: 12, size: '200 110' }] }));
    one.keys('ArrowDown').wait(1000);
    expect(at(one).y).toBe(120);
    one.keys('PageDown').wait(1000);
    expect(at(one).y).toBe(360);
    one.keys('PageUp').wait(1000);
    expect(at(one).y).toBe(120);
    one.down(305, 30).move(305, 40).move(305, 100).up(305, 100).wait(1000);
    expect(at(one).y % 120).toBe(0);
    expect(at(one).y).toBeGreaterThan(240);
    const other = new Player(shelf('start'));
    other.effects.push(...other.input.focus('row-4.key'));
    other.wait(1000);
    expect(at(other).y).toBe(120);
    const { y, height } = other.live.read('row-4.key', { x: 0, y: 0, width: 0, height: 0 });
    expect(y >= 0 && y + height <= 300).toBe(true);
  });

  test('with reduced motion it is there at once', () => {
    const one = new Player(shelf('start'));
    one.live.motion = 'reduced';
    one.swipe([150, 280], [150, 240], [150, 180]);
    expect(at(one).y).toBe(120);
  });
});

describe('what tells that there is more', () => {
  const source = documentOf([
    {
      id: 'page',
      size: '200 300',
      scroll: 'y',
      arrange: 'column',
      children: [{ id: 'row', repeat: 9, height: 100, width: 200 }],
    },
    {
      'id': 'above',
      'controls': 'page',
      'shows-more': 'top',
      'size': '200 20',
      'look': { background: '#fff' },
    },
    {
      'id': 'below',
      'controls': 'page',
      'shows-more': 'bottom',
      'anchor': 'left top',
      'offset': '0 280',
      'size': '200 20',
      'children': [{ id: 'arrow', size: 10, look: { background: '#fff' } }],
    },
    {
      'id': 'bar',
      'kind': 'scrollbar',
      'controls': 'page',
      'hides-after': 800,
      'offset': '300 0',
      'size': '10 300',
    },
  ]);
  const drawnOf = (one: Player, drawing: LiveDrawing, ...ids: readonly string[]) =>
    ids.filter((id) =>
      drawing.update().operations.some((op) => op.type === 'box' && op.widget === one.live.indexOf(id)),
    );

  test('is drawn as long as there is, and so it is where nothing lives', () => {
    const one = new Player(source);
    const drawing = new LiveDrawing(one.live);
    const seen = () => {
      const kept = drawing.update().operations;
      expect(JSON.stringify(kept)).toBe(JSON.stringify(drawLayout(one.live.snapshot()).operations));
      return drawnOf(one, drawing, 'above', 'arrow');
    };
    expect(seen()).toEqual(['arrow']);
    one.hear({ type: 'wheel', x: 100, y: 150, deltaX: 0, deltaY: 50 });
    expect(seen()).toEqual(['above', 'arrow']);
    one.hear({ type: 'wheel', x: 100, y: 150, deltaX: 0, deltaY: 9999 });
    expect(seen()).toEqual(['above']);
    one.hear({ type: 'wheel', x: 100, y: 150, deltaX: 0, deltaY: -9999 });
    expect(seen()).toEqual(['arrow']);
  });

  test('a scrollbar hides when nobody has scrolled for a while, and comes back', () => {
    const one = new Player(source);
    const drawing = new LiveDrawing(one.live);
    const bar = () => drawnOf(one, drawing, 'bar').length === 1;
    expect(bar()).toBe(true);
    expect(one.live.advance(500)).toBe(true);
    expect(bar()).toBe(true);
    one.live.advance(400);
    expect(bar()).toBe(false);
    expect(one.live.advance(16)).toBe(false);
    one.hear({ type: 'wheel', x: 100, y: 150, deltaX: 0, deltaY: 50 });
    expect(bar()).toBe(true);
    one.live.advance(700);
    one.hear({ type: 'wheel', x: 100, y: 150, deltaX: 0, deltaY: 50 });
    bar();
    one.live.advance(700);
    expect(bar()).toBe(true);
    // What it looks like changes nothing about that.
    one.live.advance(200);
    one.live.setStates('bar', ['hover']);
    expect(bar()).toBe(false);
  });

  test('what belongs to nothing is told', () => {
    const wrong = (child: object) => told(readDocument(documentOf([child])));
    expect(wrong({ 'shows-more': 'top' })).toEqual([
      expect.stringContaining('"shows-more" does something only with controls'),
    ]);
    expect(wrong({ 'shows-more': 'top', 'controls': 'pgae' })).toEqual([expect.stringContaining('pgae')]);
    expect(wrong({ 'scroll-snap': 'start' })).toEqual([
      expect.stringContaining('"scroll-snap" does something only with scroll'),
    ]);
    expect(wrong({ 'kind': 'scrollbar', 'hides-after': -1 })).toHaveLength(1);
  });
});
