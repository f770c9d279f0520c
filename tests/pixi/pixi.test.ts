import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { DrawList } from 'pimbot';
import { toPng } from 'pimbot/node';
import type { PixiPainter } from 'pimbot/pixi';
import type { Application, Container } from 'pixi.js';
import type { Browser } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';
import { demo, drawnView, everyOperation } from '../paint/drawings.ts';
import { pageScript, shotOf } from '../paint/in-page.ts';
import type { revived } from '../paint/revived.ts';
import { paintingSet } from '../paint/set.ts';
import { isDeep } from '../support/deep.ts';
import { pixels, visiblyApart } from '../support/pixels.ts';

/* A drawing by PixiJS, in software WebGL, beside the same on a canvas in Node. */

const project = await demo();
const views = isDeep ? ['dive', 'dock', 'sorting', 'belt', 'logbook', 'tuning'] : ['dive', 'belt'];
const samples = await paintingSet();
const html = '<style>body{margin:0}canvas{display:block}</style>';

let browser: Browser;
let script: string;
beforeAll(async () => {
  script = await pageScript(
    "export { PixiPainter } from './src/pixi/index.ts'; export { Application, Container } from 'pixi.js';",
  );
  browser = await startBrowser();
});
afterAll(() => browser.close());

interface InPage {
  readonly pimbot: {
    readonly PixiPainter: typeof PixiPainter;
    readonly Application: typeof Application;
    readonly Container: typeof Container;
    readonly revived: typeof revived;
  };
}

/** Runs in the page. */
async function draw(drawing: DrawList): Promise<void> {
  const { pimbot } = window as unknown as InPage;
  const app = new pimbot.Application();
  const { width, height } = drawing;
  await app.init({
    width,
    height,
    antialias: true,
    background: '#000',
    preference: 'webgl',
    autoStart: false,
  });
  document.body.append(app.canvas);
  const painter = new pimbot.PixiPainter();
  app.stage.addChild(painter.container);
  painter.paint(await pimbot.revived(drawing));
  app.render();
}

describe('drawn by PixiJS', () => {
  const all: readonly (readonly [string, () => Promise<DrawList> | DrawList])[] = [
    ['every operation there is', () => everyOperation()],
    ...views.map((view) => [view, () => drawnView(project, view, 'desktop-720')] as const),
    ...['gradient', 'radial-gradient'].map(
      (name) => [name, () => samples.find((one) => one.name === name)!.list] as const,
    ),
  ];
  test.each(all)('%s looks as on a canvas: less than one percent differs visibly', async (_, drawn) => {
    const list = await drawn();
    const theirs = await shotOf(browser, list, html, { script, draw });
    expect(visiblyApart(await pixels(toPng(list)), theirs, list.width)).toBeLessThan(0.01);
  });

  test('nodes of what has not changed stay; what is gone is freed, in any order of lists', async () => {
    const page = await browser.newPage();
    await page.setContent(html);
    await page.addScriptTag({ content: script });
    const found = await page.evaluate(() => {
      const { pimbot } = window as unknown as InPage;
      const square = { topLeft: 0, topRight: 0, bottomRight: 0, bottomLeft: 0 };
      const rect = { x: 4, y: 5, width: 9, height: 9 };
      const color = { r: 1, g: 0, b: 0, a: 1 };
      const fill = { type: 'color', color } as const;
      const box = () =>
        ({ type: 'box', widget: 1, rect, radius: square, fill, border: undefined, opacity: 1 }) as const;
      const clip = { type: 'clip', rect, radius: square } as const;
      const group = { type: 'group', widget: 1, opacity: 0.5 } as const;
      const steps = [
        { type: 'M', values: [0, 0] },
        { type: 'L', values: [9, 0] },
        { type: 'L', values: [9, 9] },
        { type: 'Z', values: [] },
      ] as const;
      const path = { type: 'path', widget: 1, steps, color, opacity: 1 } as const;
      const game = { type: 'game', widget: 2, id: 'sea', rect, opacity: 1 } as const;
      const end = { type: 'restore' } as const;
      const shown: string[] = [];
      const painter = new pimbot.PixiPainter({
        game: (id, _, { x, y }) => shown.push(`${id} at ${x} ${y}`),
      });
      const { container } = painter;
      const list = (...operations: DrawList['operations'][number][]) => ({
        width: 99,
        height: 9,
        title: '',
        operations,
      });
      const [one, two] = [box(), box()];
      painter.paint(list(one, clip, two, path, end, game, group, end));
      const before = [...container.children];
      const inClip = [...before[1]!.children[1]!.children];
      painter.paint(list(game, one, clip, two, end));
      const after = [...container.children];
      const stays = before.map((node) => after.indexOf(node));
      const isFreed = [inClip[1]!.destroyed, before[3]!.destroyed, inClip[0]!.destroyed];
      painter.destroy();
      return { shown, stays, isFreed, left: [...after, container].map(({ destroyed }) => destroyed) };
    });
    await page.close();
    expect(found).toEqual({
      shown: ['sea at 4 5'],
      stays: [1, 2, 0, -1],
      isFreed: [true, true, false],
      left: [true, true, true, true],
    });
  });
});
