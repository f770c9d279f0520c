import { expect, test } from '@jest/globals';
import { Resvg } from '@resvg/resvg-js';
import { toSvg, type DrawList } from 'pimbot';
import { toPng } from 'pimbot/node';
import { isDeep } from '../support/deep.ts';
import { pixels, visiblyApart } from '../support/pixels.ts';
import { demo, drawnView, everyOperation, screens, views } from './drawings.ts';

/* One draw list, two painters: the canvas in Node, and the SVG drawn by a library that knows nothing of Pimbot. */

const project = await demo();

async function drawnApart(list: DrawList): Promise<number> {
  const canvas = await pixels(toPng(list));
  const svg = await pixels(new Resvg(toSvg(list), { font: { loadSystemFonts: false } }).render().asPng());
  return visiblyApart(canvas, svg, list.width);
}

test('every operation there is: less than half a percent of the pixels differ visibly', async () => {
  // The other library scales pictures in a way of its own, and knows no sharp pixels.
  const list = await everyOperation(['sharp', 'tinted']);
  expect([...new Set(list.operations.map(({ type }) => type))].sort()).toEqual([
    'box',
    'clip',
    'glyphs',
    'path',
    'picture',
    'restore',
    'shadow',
    'turn',
  ]);
  expect(await drawnApart(list)).toBeLessThan(0.005);
});

const all = screens.flatMap((screen) => views.map((view) => [view, screen] as const));
test.each(isDeep ? all : all.slice(0, views.length))(
  '%s on %s: less than half a percent of the pixels differ visibly',
  async (view, screen) => {
    expect(await drawnApart(drawnView(project, view, screen, 'sea'))).toBeLessThan(0.005);
  },
);
