import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { drawLayout } from 'pimbot';
import { Player } from '../support/player.ts';
import { seedOf } from '../support/deep.ts';
import { documentOf } from '../support/views.ts';

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
