import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { createCanvas, loadImage } from '@napi-rs/canvas';
import { Resvg } from '@resvg/resvg-js';
import { build } from 'esbuild';
import { drawLayout, findScreen, openView, toSvg, type DrawList, type paintOnCanvas } from 'pimbot';
import { openProject, toPng, type Project } from 'pimbot/node';
import type { Browser } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';

/* One draw list, three painters: the canvas in Node, the SVG drawn by another library, the SVG drawn by Chromium. */

const screens = [
  'desktop-720',
  'phone-small-portrait',
  'phone-small-landscape',
  'handheld-720',
  'monitor-5-4',
  'laptop-small',
];
const views = ['dive', 'dock', 'sorting', 'belt', 'logbook', 'tuning'];

let project: Project;
let browser: Browser;
/** The canvas painter as a script of a page. */
let painterForPages: string;
beforeAll(async () => {
  project = await openProject('examples/fathom-post/post.yaml');
  const { outputFiles } = await build({
    entryPoints: ['src/paint/canvas.ts'],
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

function listOf(view: string, screen: string): DrawList {
  const on = openView(project.document!, view, { resources: project.resources }).layoutOn(
    findScreen(screen)!,
  );
  return drawLayout(on);
}

async function pixels(png: Uint8Array): Promise<Uint8ClampedArray> {
  const image = await loadImage(Buffer.from(png));
  const context = createCanvas(image.width, image.height).getContext('2d');
  context.drawImage(image, 0, 0);
  return context.getImageData(0, 0, image.width, image.height).data;
}

/** CIE 1976 lightness and colour of the mean of a pixel and those around it, in sRGB. */
function seen(data: Uint8ClampedArray, width: number, at: number): [number, number, number] {
  const linear: [number, number, number] = [0, 0, 0];
  let count = 0;
  for (const row of [-width, 0, width]) {
    for (const column of [-1, 0, 1]) {
      const pixel = at + 4 * (row + column);
      if (pixel < 0 || pixel >= data.length) continue;
      count++;
      for (const channel of [0, 1, 2] as const) linear[channel] += toLinear[data[pixel + channel]!]!;
    }
  }
  const [r, g, b] = linear.map((sum) => sum / count) as [number, number, number];
  const curve = (value: number) =>
    value > 216 / 24389 ? Math.cbrt(value) : ((24389 / 27) * value + 16) / 116;
  const x = curve((0.4124 * r + 0.3576 * g + 0.1805 * b) / 0.9505);
  const y = curve(0.2126 * r + 0.7152 * g + 0.0722 * b);
  const z = curve((0.0193 * r + 0.1192 * g + 0.9505 * b) / 1.089);
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)];
}

const toLinear = Array.from({ length: 256 }, (_, byte) =>
  byte <= 10 ? byte / 255 / 12.92 : ((byte / 255 + 0.055) / 1.055) ** 2.4,
);

/** A difference of 2.3 in CIELAB is just visible (Mahy et al. 1994) … */
const justVisible = 2.3;

/**
 * … once it is as large as the eye resolves: both pictures are looked at through the blur of the eye, a pixel to each
 * side, as S-CIELAB does (Zhang and Wandell 1996). The share of pixels that differ visibly.
 */
function difference(one: Uint8ClampedArray, other: Uint8ClampedArray, width: number): number {
  expect(one.length).toBe(other.length);
  // Two steps of 255 in a channel are no visible difference in any colour: only what is near more is looked at.
  const near = new Uint8Array(one.length / 4);
  for (let at = 0; at < one.length; at += 4) {
    const most = Math.max(
      Math.abs(one[at]! - other[at]!),
      Math.abs(one[at + 1]! - other[at + 1]!),
      Math.abs(one[at + 2]! - other[at + 2]!),
    );
    if (most <= 2) continue;
    for (const row of [-width, 0, width])
      near.fill(1, Math.max(0, at / 4 + row - 1), Math.max(0, at / 4 + row + 2));
  }
  let off = 0;
  for (let pixel = 0; pixel < near.length; pixel++) {
    const at = pixel * 4;
    if (near[pixel] === 0) continue;
    if (one[at] === other[at] && one[at + 1] === other[at + 1] && one[at + 2] === other[at + 2]) continue;
    const [a, b] = [seen(one, width, at), seen(other, width, at)];
    if (Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]) > justVisible) off++;
  }
  return off / (one.length / 4);
}

const all = views.flatMap((view) => screens.map((screen) => [view, screen] as const));

async function drawnApart(list: DrawList): Promise<number> {
  const canvas = await pixels(toPng(list));
  const svg = await pixels(new Resvg(toSvg(list), { font: { loadSystemFonts: false } }).render().asPng());
  return difference(canvas, svg, list.width);
}

describe('the canvas and the SVG', () => {
  const sea = { type: 'color', name: 'sea', color: { r: 0.05, g: 0.25, b: 0.3, a: 1 } } as const;
  const onSea = (view: string, screen: string) =>
    drawLayout(
      openView(project.document!, view, { resources: project.resources }).layoutOn(findScreen(screen)!),
      { backdrop: sea },
    );

  test.each(all)('%s on %s: less than half a percent of the pixels differ visibly', async (view, screen) => {
    expect(await drawnApart(onSea(view, screen))).toBeLessThan(0.005);
  });

  test.each(views)('%s: so does the same painter on the canvas of Chromium', async (view) => {
    const list = listOf(view, 'desktop-720');
    const operations = list.operations.map((one) => {
      if (one.type !== 'picture') return one;
      const data = `data:${one.picture.mime};base64,${Buffer.from(one.picture.bytes).toString('base64')}`;
      const { width, height } = one.picture;
      return { ...one, picture: { width, height, data } };
    });
    const page = await browser.newPage({ viewport: { width: list.width, height: list.height } });
    await page.setContent(
      `<style>body{margin:0}canvas{display:block}</style><canvas width="${list.width}" height="${list.height}"></canvas>`,
    );
    await page.addScriptTag({ content: painterForPages });
    await page.evaluate(
      async (drawing) => {
        const images = new Map<string, HTMLImageElement>();
        for (const one of drawing.operations) {
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
        const context = document.querySelector('canvas')!.getContext('2d')!;
        (window as unknown as { pimbot: { paintOnCanvas: typeof paintOnCanvas } }).pimbot.paintOnCanvas(
          drawing,
          context,
        );
      },
      { ...list, operations } as unknown as DrawList,
    );
    const theirs = await pixels(await page.screenshot());
    await page.close();
    expect(difference(await pixels(toPng(list)), theirs, list.width)).toBeLessThan(0.005);
  });

  test.each(views)('%s: so does Chromium draw the SVG', async (view) => {
    const list = listOf(view, 'desktop-720');
    const page = await browser.newPage({ viewport: { width: list.width, height: list.height } });
    await page.setContent(`<style>body{margin:0;background:#000}svg{display:block}</style>${toSvg(list)}`);
    const theirs = await pixels(await page.screenshot());
    await page.close();
    expect(difference(await pixels(toPng(list)), theirs, list.width)).toBeLessThan(0.005);
  });
});
