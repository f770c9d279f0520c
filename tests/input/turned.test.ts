import { createCanvas } from '@napi-rs/canvas';
import { describe, expect, test } from '@jest/globals';
import { Hits, drawLayout, paintOnCanvas, type LiveView, type WidgetSource } from 'pimbot';
import { Player } from '../support/player.ts';
import { documentOf } from '../support/views.ts';

/* What is rotated or scaled, or in something that is, answers where it is drawn. Pixels say where that is. */

const [wide, high] = [400, 300];
const screen = { width: wide, height: high };

/** Where the middle of what is painted in a colour is; of the whole screen. */
function middleOf(live: LiveView, [r, g, b]: readonly [number, number, number]): { x: number; y: number } {
  const context = createCanvas(wide, high).getContext('2d');
  paintOnCanvas(drawLayout(live.snapshot()), context);
  const { data } = context.getImageData(0, 0, wide, high);
  let [x, y, count] = [0, 0, 0];
  for (let at = 0; at < data.length; at += 4) {
    if (Math.abs(data[at]! - r) + Math.abs(data[at + 1]! - g) + Math.abs(data[at + 2]! - b) > 3) continue;
    x += ((at / 4) % wide) + 0.5;
    y += Math.floor(at / 4 / wide) + 0.5;
    count++;
  }
  expect(count).toBeGreaterThan(8);
  return { x: x / count, y: y / count };
}

const white = [255, 255, 255] as const;
const red = [255, 0, 0] as const;

const turns: readonly (readonly [string, Partial<WidgetSource>])[] = [
  ['turned by a right angle', { rotate: 90 }],
  ['askew', { rotate: 25 }],
  ['scaled', { look: { scale: 1.5 } }],
  ['scaled and askew', { rotate: -40, look: { scale: 0.6 } }],
];

describe.each(turns)('%s', (_, turned) => {
  /** Somebody who plays with something in the middle of what is turned. */
  const playing = (child: WidgetSource, only: object = {}) => {
    const look = { background: '#223344', ...turned.look };
    const around = { id: 'around', anchor: 'center', size: [260, 200], ...turned, look, children: [child] };
    return new Player(documentOf([around], { cases: { only: only as never } }), screen);
  };

  test('a slider goes to where it is pressed, and follows a pointer', () => {
    const slider: WidgetSource = {
      id: 'loud',
      kind: 'slider',
      label: 'Music',
      anchor: 'center',
      size: [180, 24],
      value: '{loud}',
      look: { 'background': '#112233', 'color': '#ff8800', 'handle-color': '#ffffff' },
    };
    const player = playing(slider, { loud: 0.2 });
    const { live } = player;
    const handleAt = (loud: number) => (live.set({ loud }), middleOf(live, white));
    const [start, far, near] = [handleAt(0.2), handleAt(0.7), handleAt(0.4)];
    player.down(far.x, far.y);
    expect(live.values.get('loud')).toBeCloseTo(0.7, 1);
    player.move(start.x, start.y).move(near.x, near.y).up(near.x, near.y);
    expect(live.values.get('loud')).toBeCloseTo(0.4, 1);
    expect(middleOf(live, white).x).toBeCloseTo(near.x, -0.5);
  });

  test('a list that is dragged goes along with the finger', () => {
    const list: WidgetSource = {
      id: 'list',
      anchor: 'center',
      size: [200, 160],
      scroll: 'y',
      arrange: 'column',
      children: Array.from({ length: 12 }, (_one, nth) => ({
        id: `row-${nth}`,
        width: 180,
        height: 30,
        look: { background: nth === 4 ? '#ff0000' : '#445566' },
      })),
    };
    const player = playing(list);
    const { live } = player;
    const rowAt = (y: number) => (live.scroll('list', 0, y), middleOf(live, red));
    const [after, before] = [rowAt(90), rowAt(60)];
    // A way beside the one that can be scrolled does nothing.
    const [byX, byY] = [after.x - before.x, after.y - before.y];
    const finger = { pointer: 1, device: 'touch' as const };
    player.hear({ type: 'down', ...finger, x: 200, y: 150 });
    for (const share of [0.4, 0.8, 1])
      player.hear({ type: 'move', ...finger, x: 200 + byX * share, y: 150 + byY * share });
    const dragged = middleOf(live, red);
    expect(Math.hypot(dragged.x - after.x, dragged.y - after.y)).toBeLessThan(1.5);
  });

  test('a divider lies under the pointer that drags it', () => {
    const panes: WidgetSource = {
      id: 'panes',
      anchor: 'left..right top..bottom',
      arrange: 'row',
      children: [
        { id: 'one', width: 'fill', height: 200 },
        {
          id: 'divider',
          kind: 'separator',
          value: '{split}',
          size: [10, 200],
          look: { background: '#ffffff' },
        },
        { id: 'two', width: 'fill', height: 200 },
      ],
    };
    const player = playing(panes, { split: 0.7 });
    const { live } = player;
    const goal = middleOf(live, white);
    live.set({ split: 0.3 });
    const start = middleOf(live, white);
    const middle = { x: (start.x + goal.x) / 2, y: (start.y + goal.y) / 2 };
    player.down(start.x, start.y).move(middle.x, middle.y).move(goal.x, goal.y).up(goal.x, goal.y);
    expect(live.values.get('split')).toBeCloseTo(0.7, 1);
  });

  test('the caret goes to the letter that is pressed, and a finger beside a button finds it', () => {
    const box: WidgetSource = {
      id: 'name',
      kind: 'textbox',
      label: 'Name',
      anchor: 'center',
      size: [200, 40],
      text: '{typed}',
      look: { 'font-size': 20, 'color': '#ff0000' },
    };
    const player = playing(box, { typed: 'AAAAAAAAAAAA' });
    const { live } = player;
    // After as many letters as there are up to the middle of all of them.
    const { x, y } = middleOf(live, red);
    player.down(x, y).up(x, y);
    player.hear({ type: 'text', text: '-' });
    expect(live.values.get('typed')).toBe('AAAAAA-AAAAAA');

    const look = { background: '#ffffff' };
    const pressed = playing({ id: 'go', kind: 'button', anchor: 'center', size: [80, 30], look }).live;
    const hits = new Hits(pressed);
    const at = middleOf(pressed, white);
    const edge = [0, 1, 2, 3, 4, 5, 6, 7].map((nth) => {
      const way = (nth / 4) * Math.PI;
      let far = 0;
      while (hits.at(at.x + far * Math.cos(way), at.y + far * Math.sin(way))?.control === 'go') far += 0.5;
      return { x: at.x + (far + 4) * Math.cos(way), y: at.y + (far + 4) * Math.sin(way) };
    });
    for (const one of edge) {
      expect(hits.at(one.x, one.y)?.control).toBeUndefined();
      expect(hits.near(one.x, one.y, 6)?.control).toBe('go');
      expect(hits.near(one.x, one.y, 1)?.control).toBeUndefined();
    }
  });
});

test('arrows lead to where a control is drawn', () => {
  const keys = ['one', 'two', 'three'].map((id): WidgetSource => ({
    id,
    kind: 'button',
    size: [60, 30],
    look: { background: '#ffffff' },
  }));
  const row: WidgetSource = { id: 'row', anchor: 'center', arrange: 'row', gap: 10, children: keys };
  for (const [rotate, order] of [
    [0, ['ArrowRight', 'ArrowRight']],
    [90, ['ArrowDown', 'ArrowDown']],
    [180, ['ArrowLeft', 'ArrowLeft']],
    [-90, ['ArrowUp', 'ArrowUp']],
  ] as const) {
    const player = new Player(documentOf([{ ...row, rotate }]), screen);
    player.input.focus('one');
    const seen = order.map((key) => player.keys(key).input.focused);
    expect([rotate, ...seen]).toEqual([rotate, 'two', 'three']);
  }
});

test('a dialog that is turned or scaled has all of the screen behind its veil', () => {
  for (const [, turned] of turns) {
    const dialog: WidgetSource = {
      id: 'ask',
      kind: 'dialog',
      label: 'Sure?',
      anchor: 'center',
      size: [100, 60],
      ...turned,
      look: { background: '#ffffff', veil: '#ff0000', ...turned.look },
    };
    const around = { id: 'around', anchor: 'center', size: 200, look: { scale: 0.5 }, children: [dialog] };
    for (const children of [[dialog], [around]]) {
      const { live } = new Player(documentOf(children), screen);
      const context = createCanvas(wide, high).getContext('2d');
      paintOnCanvas(drawLayout(live.snapshot()), context);
      for (const x of [0, wide - 1])
        for (const y of [0, high - 1])
          expect([...context.getImageData(x, y, 1, 1).data]).toEqual([255, 0, 0, 255]);
    }
  }
});
