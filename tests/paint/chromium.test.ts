import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { toSvg, type CanvasCache, type DrawList, type paintOnCanvas } from 'pimbot';
import { toPng } from 'pimbot/node';
import type { Browser } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';
import { isDeep } from '../support/deep.ts';
import { pixels, visiblyApart } from '../support/pixels.ts';
import { demo, drawnView, everyOperation, views } from './drawings.ts';
import { pageScript, shotOf } from './in-page.ts';
import type { revived } from './revived.ts';

/* The canvas in Node beside two drawings of Chromium: its own canvas under the same painter, and the SVG. */

const project = await demo();
const drawings: readonly (readonly [string, DrawList])[] = [
  ['every operation there is', await everyOperation()],
  ...(isDeep ? views : ['dive']).map((view) => [view, drawnView(project, view, 'desktop-720')] as const),
];

let browser: Browser;
/** The canvas painter as a script of a page. */
let script: string;
beforeAll(async () => {
  script = await pageScript(
    "export { paintOnCanvas } from './src/paint/canvas.ts'; export { CanvasCache } from './src/paint/canvas-cache.ts';",
  );
  browser = await startBrowser();
});
afterAll(() => browser.close());

/** Runs in the page. */
async function draw(drawing: DrawList): Promise<void> {
  const { pimbot } = window as unknown as {
    pimbot: {
      paintOnCanvas: typeof paintOnCanvas;
      CanvasCache: typeof CanvasCache;
      revived: typeof revived;
    };
  };
  const cache = new pimbot.CanvasCache(
    (width, height) => new OffscreenCanvas(width, height),
    () => new Path2D(),
  );
  const list = await pimbot.revived(drawing);
  pimbot.paintOnCanvas(list, document.querySelector('canvas')!.getContext('2d')!, cache);
}

describe.each(drawings)('%s', (_, list) => {
  test('the same painter on the canvas of Chromium: less than half a percent differs visibly', async () => {
    const html = `<style>body{margin:0}canvas{display:block}</style><canvas width="${list.width}" height="${list.height}"></canvas>`;
    const theirs = await shotOf(browser, list, html, { script, draw });
    expect(visiblyApart(await pixels(toPng(list)), theirs, list.width)).toBeLessThan(0.005);
  });

  test('so does Chromium draw the SVG', async () => {
    const html = `<style>body{margin:0;background:#000}svg{display:block}</style>${toSvg(list)}`;
    const theirs = await shotOf(browser, list, html);
    expect(visiblyApart(await pixels(toPng(list)), theirs, list.width)).toBeLessThan(0.005);
  });
});
