import { createCanvas } from '@napi-rs/canvas';
import { expect, test } from '@jest/globals';
import {
  CanvasCache,
  LiveDrawing,
  LiveView,
  drawLayout,
  paintOnCanvas,
  type DrawList,
  type WidgetSource,
} from 'pimbot';
import { random } from '../../bench/trees.ts';
import { plain } from '../support/drawn.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { documentOf, laidOut, opened } from '../support/views.ts';

/* What is cut off whole is not drawn; what reaches into sight is, whatever it reaches with. */

const screen = { width: 480, height: 320 };
const hole = { offset: [120, 80], size: [240, 160] } as const;

/** Something that may reach out of its box: with a shadow, letters, a turn, a group. */
function oneBy(next: () => number, nth: number): WidgetSource {
  const chance = (share: number) => next() < share;
  const px = (least: number, most: number) => Math.round(least + next() * (most - least));
  const isText = chance(0.4);
  return {
    id: `w${nth}`,
    anchor: 'left top',
    offset: [px(-200, 360), px(-160, 260)],
    size: [px(10, 120), px(10, 80)],
    ...(isText && { kind: 'text', text: 'Barnabas Tidewater of Tern Rock', wrap: chance(0.5) }),
    ...(chance(0.2) && { rotate: px(0, 90) }),
    look: {
      ...((!isText || chance(0.3)) && { background: '#2a6a78', radius: px(0, 12) }),
      ...(chance(0.3) && { border: '3 #ffd583' }),
      ...(chance(0.4) && { shadow: `${px(-90, 90)} ${px(-90, 90)} ${px(0, 30)} ${px(-5, 20)} #c0583a` }),
      ...(isText && chance(0.4) && { 'text-shadow': `${px(-90, 90)} ${px(-90, 90)} ${px(0, 9)} #8fb8a8` }),
      ...(isText && chance(0.3) && { 'text-outline': `${px(1, 9)} #101820` }),
      ...(chance(0.3) && { opacity: 0.5 }),
      'font-size': px(12, 60),
    },
    ...(!isText &&
      chance(0.3) && {
        children: [{ kind: 'text', text: 'within', anchor: 'right bottom', offset: [px(-40, 90), 0] }],
      }),
  };
}

const around = (overflow: 'clip' | 'visible', children: readonly WidgetSource[]) =>
  drawLayout(laidOut([{ id: 'hole', anchor: 'left top', ...hole, overflow, children }], screen));

function painted(list: DrawList): Uint8Array {
  const context = createCanvas(screen.width, screen.height).getContext('2d');
  paintOnCanvas(list, context, new CanvasCache(createCanvas));
  return new Uint8Array(context.getImageData(0, 0, screen.width, screen.height).data);
}

test('the pixels are those of drawing everything and cutting it off', () => {
  const next = random(seedOf(20261130));
  let drawn = 0;
  let all = 0;
  for (let nth = 0; nth < rounds(30, 400); nth++) {
    const children = Array.from({ length: 12 }, (_, at) => oneBy(next, at));
    const [cut, whole] = [around('clip', children), around('visible', children)];
    const clip = cut.operations.find(({ type }) => type === 'clip')!;
    const everything = { ...whole, operations: [clip, ...whole.operations, { type: 'restore' as const }] };
    expect([nth, Buffer.compare(painted(cut), painted(everything))]).toEqual([nth, 0]);
    drawn += cut.operations.length;
    all += everything.operations.length;
  }
  expect(drawn).toBeLessThan(0.85 * all);
});

test('a list draws what it has scrolled to, whatever is in it', () => {
  const rows = Array.from({ length: 200 }, (_, nth) => ({ name: `Parcel ${nth}` }));
  const list: WidgetSource = {
    id: 'list',
    size: [240, 160],
    scroll: 'y',
    arrange: 'column',
    children: [
      {
        id: 'row',
        repeat: '{rows}',
        height: 40,
        width: 'fill',
        look: { background: '#2a6a78' },
        children: [{ kind: 'text', text: '{name}' }],
      },
    ],
  };
  const live = new LiveView(opened(documentOf([list], { cases: { all: { rows } } })), screen);
  const drawing = new LiveDrawing(live);
  const next = random(seedOf(20261131));
  for (let step = 0; step < 40; step++) {
    const { operations } = drawing.update();
    expect(operations.length).toBeLessThan(24);
    expect(plain(operations)).toEqual(plain(drawLayout(live.snapshot()).operations));
    if (step % 7 === 6) live.set({ rows: rows.slice(Math.floor(next() * 20)) });
    live.scroll('list', 0, Math.round(next() * 7000));
  }
});
