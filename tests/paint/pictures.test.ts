import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { createCanvas, loadImage } from '@napi-rs/canvas';
import fc from 'fast-check';
import {
  drawLayout,
  readDocument,
  readPicture,
  toSvg,
  type DrawOperation,
  type Picture,
  type WidgetSource,
} from 'pimbot';
import { toPng } from 'pimbot/node';
import type { Browser, Page } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';
import { documentOf, laidOut, opened, told } from '../support/views.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { pixels, stepsApart } from '../support/pixels.ts';

/** A picture of 40 × 40 whose every part has a colour of its own. */
function pattern(): Uint8Array {
  const context = createCanvas(40, 40).getContext('2d');
  for (let y = 0; y < 40; y += 5)
    for (let x = 0; x < 40; x += 5) {
      context.fillStyle = `rgb(${x * 6} ${y * 6} ${((x * 3 + y * 7) % 11) * 22})`;
      context.fillRect(x, y, 5, 5);
    }
  return context.canvas.toBuffer('image/png');
}

const bytes = pattern();
let pictures: Map<string, Picture>;
let browser: Browser;
let page: Page;
beforeAll(async () => {
  const picture = readPicture('tile', bytes);
  pictures = new Map([['tile', { ...picture, drawable: await loadImage(Buffer.from(bytes)) }]]);
  browser = await startBrowser();
  page = await browser.newPage({ viewport: { width: 240, height: 200 } });
});
afterAll(() => browser.close());

/** What the browser draws of a page. */
async function shown(html: string): Promise<Awaited<ReturnType<typeof pixels>>> {
  await page.setContent(`<style>html{background:transparent}body{margin:0}</style>${html}`);
  return pixels(await page.screenshot({ omitBackground: true }));
}

function drawn(widget: WidgetSource, size: readonly [number, number] = [200, 120]) {
  const view = opened(
    documentOf([{ id: 'p', kind: 'image', image: 'tile', size: [...size], ...widget }], {
      pictures: { tile: 'tile.png' },
    }),
    { pictures },
  );
  return drawLayout(view.layoutOn({ width: 240, height: 200 }));
}

function pieces(widget: WidgetSource, size?: readonly [number, number]) {
  return drawn(widget, size).operations.filter(
    (one): one is Extract<DrawOperation, { type: 'picture' }> => one.type === 'picture',
  );
}

describe('pictures beside what CSS says of them, on pixels', () => {
  const url = `url(data:image/png;base64,${Buffer.from(bytes).toString('base64')})`;
  const border = (repeat: string, fill = ' fill') => `border-image:${url} 10${fill} / 10px / 0 ${repeat}`;
  const cases: [string, WidgetSource, string, [number, number]][] = [
    ['nine slices, stretched', { slice: 10 }, border('stretch'), [200, 120]],
    ['nine slices, repeated', { 'slice': 10, 'slice-edges': 'repeat' }, border('repeat'), [200, 120]],
    ['nine slices, rounded', { 'slice': 10, 'slice-edges': 'round' }, border('round'), [195, 115]],
    ['nine slices, spaced', { 'slice': 10, 'slice-edges': 'space' }, border('space'), [210, 105]],
    ['nine slices, hollow', { 'slice': 10, 'slice-center': 'hollow' }, border('stretch', ''), [200, 120]],
    [
      'four different slices',
      { slice: [5, 10, 15, 20] },
      `border-image:${url} 5 10 15 20 fill / 5px 10px 15px 20px stretch`,
      [180, 90],
    ],
    ['slices in a box too small for them', { slice: 10 }, border('stretch'), [14, 60]],
    ['tiles, cut off', { tile: 'repeat' }, `background:${url} 0 0 repeat`, [190, 110]],
    ['tiles, resized', { tile: 'round' }, `background:${url} 0 0 round`, [190, 110]],
    ['tiles, apart', { tile: 'space' }, `background:${url} 0 0 space`, [190, 110]],
    [
      'contained at the end',
      { 'fit': 'contain', 'image-position': 'right center' },
      `background:${url} right center / contain no-repeat`,
      [200, 120],
    ],
    [
      'covering from the top',
      { 'fit': 'cover', 'image-position': 'center top' },
      `background:${url} center top / cover no-repeat`,
      [200, 120],
    ],
    [
      'as it is, in a corner',
      { 'fit': 'none', 'image-position': '0 1' },
      `background:${url} left bottom no-repeat`,
      [200, 120],
    ],
    [
      'large and sharp',
      { 'fit': 'fill', 'image-rendering': 'pixelated' },
      `background:${url} 0 0 / 100% 100%;image-rendering:pixelated`,
      [200, 120],
    ],
    [
      'flipped',
      { fit: 'fill', flip: 'x' },
      `background:${url} 0 0 / 100% 100%;transform:scaleX(-1)`,
      [200, 120],
    ],
  ];
  test.each(cases)('%s', async (_, widget, css, size) => {
    const theirs = await shown(
      `<style>div{box-sizing:border-box;width:${size[0]}px;height:${size[1]}px;border:0 solid transparent;${css}}</style><div></div>`,
    );
    const list = drawn(widget, size);
    expect(stepsApart(await pixels(toPng(list)), theirs, 24, 4)).toBeLessThan(0.02);
    // The same list as an SVG, drawn by the browser.
    const svg = await shown(`<style>svg{display:block}</style>${toSvg(list)}`);
    expect(stepsApart(svg, theirs, 24, 4)).toBeLessThan(0.02);
  });
});

describe('nine slices', () => {
  test('fill the box without gap or overlap, at any size', () => {
    const side = fc.integer({ min: 0, max: 20 });
    fc.assert(
      fc.property(
        fc.tuple(side, side, side, side),
        fc.integer({ min: 1, max: 220 }),
        fc.integer({ min: 1, max: 180 }),
        fc.constantFrom('stretch' as const, 'repeat' as const, 'round' as const),
        (slice, width, height, edges) => {
          const found = pieces({ slice, 'slice-edges': edges }, [width, height]);
          // A middle of no size has nothing to fill the box with.
          fc.pre(slice[1] + slice[3] < 40 && slice[0] + slice[2] < 40);
          const area = found.reduce((sum, { rect }) => sum + rect.width * rect.height, 0);
          expect(area).toBeCloseTo(width * height, 3);
          for (const { rect, from } of found) {
            expect(rect.x).toBeGreaterThanOrEqual(-1e-6);
            expect(rect.x + rect.width).toBeLessThanOrEqual(width + 1e-6);
            expect(rect.y + rect.height).toBeLessThanOrEqual(height + 1e-6);
            if (from) expect(from.x + from.width).toBeLessThanOrEqual(40 + 1e-6);
          }
        },
      ),
      { numRuns: rounds(40, 300), seed: seedOf(13) },
    );
  });

  test('a million tiles are drawn as one', () => {
    expect(pieces({ tile: 'repeat' }, [100_000, 100_000]).length).toBeLessThanOrEqual(1);
  });

  test('are for widgets that show a picture, and take plain numbers', () => {
    expect(told(readDocument(documentOf([{ kind: 'meter', slice: 4 }])))[0]).toContain(
      '"slice" is for image, panel, button',
    );
    expect(told(readDocument(documentOf([{ kind: 'image', slice: '10%' }])))[0]).toContain(
      '"slice" is one to four numbers',
    );
    expect(told(readDocument(documentOf([{ 'kind': 'image', 'image-position': 'leftish' }])))[0]).toContain(
      '"image-position" is a point',
    );
  });

  test('a picture that is drawn often stands in the SVG once', () => {
    const svg = toSvg(drawn({ tile: 'repeat' }));
    expect(svg.match(/data:image\/png/g)).toHaveLength(1);
    expect(svg.match(/<use /g)!.length).toBe(15);
    expect(laidOut([]).widgets).toHaveLength(1);
  });
});
