import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { build } from 'esbuild';
import { toSvg, type CanvasCache, type DrawList, type GlyphRun, type paintOnCanvas } from 'pimbot';
import { toPng } from 'pimbot/node';
import type { Browser } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';
import { isDeep } from '../support/deep.ts';
import { pixels, visiblyApart } from '../support/pixels.ts';
import { demo, drawnView, everyOperation, views } from './drawings.ts';

/* The canvas in Node beside two drawings of Chromium: its own canvas under the same painter, and the SVG. */

const project = await demo();
const drawings: readonly (readonly [string, DrawList])[] = [
  ['every operation there is', await everyOperation()],
  ...(isDeep ? views : ['dive']).map((view) => [view, drawnView(project, view, 'desktop-720')] as const),
];

let browser: Browser;
/** The canvas painter as a script of a page. */
let painterForPages: string;
beforeAll(async () => {
  const { outputFiles } = await build({
    stdin: {
      contents:
        "export { paintOnCanvas } from './canvas.ts'; export { CanvasCache } from './canvas-cache.ts';",
      resolveDir: 'src/paint',
    },
    bundle: true,
    write: false,
    format: 'iife',
    globalName: 'pimbot',
    logLevel: 'warning',
  });
  painterForPages = outputFiles[0]!.text;
  browser = await startBrowser();
});
afterAll(() => browser.close());

/** Glyphs with the outlines they need in place of their font. */
function sendable(run: GlyphRun): unknown {
  const outlines = Object.fromEntries(run.glyphs.map(({ id }) => [id, run.face.outline(id)]));
  return { ...run, face: { outlines } };
}

async function shotOf(list: DrawList, html: string, draw?: (drawing: DrawList) => Promise<void>) {
  const page = await browser.newPage({ viewport: { width: list.width, height: list.height } });
  await page.setContent(html);
  if (draw) {
    const operations = list.operations.map((one) => {
      if (one.type === 'glyphs') return { ...one, runs: one.runs.map(sendable) };
      if (one.type === 'shadow' && one.shape.type === 'glyphs')
        return { ...one, shape: { ...one.shape, runs: one.shape.runs.map(sendable) } };
      if (one.type !== 'picture') return one;
      const data = `data:${one.picture.mime};base64,${Buffer.from(one.picture.bytes).toString('base64')}`;
      const { width, height } = one.picture;
      return { ...one, picture: { width, height, data } };
    });
    await page.addScriptTag({ content: painterForPages });
    await page.evaluate(draw, { ...list, operations } as unknown as DrawList);
  }
  const found = await pixels(await page.screenshot());
  await page.close();
  return found;
}

/** Runs in the page. */
async function onCanvas(drawing: DrawList): Promise<void> {
  const images = new Map<string, HTMLImageElement>();
  const give = (runs: readonly { face: unknown }[]) => {
    for (const { face } of runs) {
      const known = face as { outlines: Record<number, unknown>; outline?: unknown };
      known.outline = (glyph: number) => known.outlines[glyph];
    }
  };
  for (const one of drawing.operations) {
    if (one.type === 'glyphs') give(one.runs);
    if (one.type === 'shadow' && one.shape.type === 'glyphs') give(one.shape.runs);
    if (one.type !== 'picture') continue;
    const { data } = one.picture as unknown as { data: string };
    if (!images.has(data)) {
      const image = new Image();
      image.src = data;
      await image.decode();
      images.set(data, image);
    }
    (one.picture as { drawable?: unknown }).drawable = images.get(data);
  }
  const { pimbot } = window as unknown as {
    pimbot: { paintOnCanvas: typeof paintOnCanvas; CanvasCache: typeof CanvasCache };
  };
  const cache = new pimbot.CanvasCache(
    (width, height) => new OffscreenCanvas(width, height),
    () => new Path2D(),
  );
  pimbot.paintOnCanvas(drawing, document.querySelector('canvas')!.getContext('2d')!, cache);
}

describe.each(drawings)('%s', (_, list) => {
  test('the same painter on the canvas of Chromium: less than half a percent differs visibly', async () => {
    const html = `<style>body{margin:0}canvas{display:block}</style><canvas width="${list.width}" height="${list.height}"></canvas>`;
    const theirs = await shotOf(list, html, onCanvas);
    expect(visiblyApart(await pixels(toPng(list)), theirs, list.width)).toBeLessThan(0.005);
  });

  test('so does Chromium draw the SVG', async () => {
    const html = `<style>body{margin:0;background:#000}svg{display:block}</style>${toSvg(list)}`;
    const theirs = await shotOf(list, html);
    expect(visiblyApart(await pixels(toPng(list)), theirs, list.width)).toBeLessThan(0.005);
  });
});
