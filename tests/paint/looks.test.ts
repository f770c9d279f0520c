import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { createCanvas, loadImage } from '@napi-rs/canvas';
import fc from 'fast-check';
import {
  drawLayout,
  readDocument,
  readPicture,
  toSvg,
  type LookSource,
  type Picture,
  type WidgetSource,
} from 'pimbot';
import { toPng } from 'pimbot/node';
import type { Browser } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { pixels, stepsApart } from '../support/pixels.ts';
import { documentOf, laidOut, opened, told } from '../support/views.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await startBrowser();
});
afterAll(() => browser.close());

const size = { width: 300, height: 200 };

async function ours(look: LookSource, more: Partial<WidgetSource> = {}): Promise<Uint8ClampedArray> {
  const widget = { id: 'w', anchor: 'left top', offset: '60 50', size: '180 100', look, ...more };
  const on = opened(documentOf([widget], {}, { backdrop: '#456' })).layoutOn(size);
  return pixels(toPng(drawLayout(on)));
}

async function theirs(css: string): Promise<Uint8ClampedArray> {
  const page = await browser.newPage({ viewport: size });
  await page.setContent(
    `<style>body{margin:0;background:#456}div{position:absolute;box-sizing:border-box;left:60px;top:50px;width:180px;height:100px;${css}}</style><div></div>`,
  );
  const png = await page.screenshot();
  await page.close();
  return pixels(png);
}

describe('boxes beside what CSS says of them, on pixels', () => {
  const radii = fc.array(fc.integer({ min: 0, max: 130 }), { minLength: 1, maxLength: 4 });

  test('corners of any radius, crossing or not', async () => {
    await fc.assert(
      fc.asyncProperty(radii, async (all) => {
        const mine = await ours({ background: '#fc6', radius: all.join(' ') });
        const css = await theirs(`background:#fc6;border-radius:${all.map((one) => `${one}px`).join(' ')}`);
        expect(stepsApart(mine, css, 24)).toBeLessThan(0.002);
      }),
      { numRuns: rounds(5, 12), seed: seedOf(3) },
    );
  });

  const shadow = fc.record({
    x: fc.integer({ min: -20, max: 20 }),
    y: fc.integer({ min: -20, max: 20 }),
    blur: fc.integer({ min: 0, max: 30 }),
    spread: fc.integer({ min: -10, max: 12 }),
    radius: fc.integer({ min: 0, max: 40 }),
  });

  test('shadows, seen beside and not through a box of glass', async () => {
    await fc.assert(
      fc.asyncProperty(shadow, async ({ x, y, blur, spread, radius }) => {
        const mine = await ours({
          background: '#ffffff30',
          radius,
          shadow: `${x} ${y} ${blur} ${spread} #000000c0, 0 0 0 2 #0f0`,
        });
        const css = await theirs(
          `background:#ffffff30;border-radius:${radius}px;box-shadow:${x}px ${y}px ${blur}px ${spread}px #000000c0, 0 0 0 2px #0f0`,
        );
        expect(stepsApart(mine, css, 12)).toBeLessThan(0.004);
      }),
      { numRuns: rounds(5, 12), seed: seedOf(5) },
    );
  });

  const share = fc.integer({ min: -20, max: 120 }).map((one) => `${one}%`);
  const color = fc.constantFrom('#ffc75f', '#1d7f8c', '#8e1712', '#04202a', '#0000', '#fff');
  const radial = fc
    .record({
      form: fc.oneof(
        fc.constantFrom(
          '',
          'circle',
          'ellipse',
          'closest-side',
          'circle closest-corner',
          'farthest-side circle',
        ),
        fc.constantFrom('ellipse closest-corner', 'circle farthest-side', '40% 60%', 'ellipse 90% 20%'),
      ),
      at: fc.oneof(
        fc.constantFrom(
          '',
          'at top',
          'at left',
          'at right bottom',
          'at top left',
          'at center 20%',
          'at 80% bottom',
        ),
        fc.tuple(share, share).map(([x, y]) => `at ${x} ${y}`),
      ),
      stops: fc.array(
        fc.tuple(color, fc.constantFrom('', ' 20%', ' 55%', ' 80%')).map((one) => one.join('')),
        { minLength: 2, maxLength: 4 },
      ),
    })
    .map(
      ({ form, at, stops }) =>
        `radial-gradient(${[`${form} ${at}`.trim(), ...stops].filter(Boolean).join(', ')})`,
    );

  test('gradients from a point outwards, whatever their shape and middle', async () => {
    await fc.assert(
      fc.asyncProperty(radial, fc.constantFrom(0, 30), async (background, radius) => {
        const mine = await ours({ background, radius });
        const css = await theirs(`background:${background};border-radius:${radius}px`);
        expect([background, stepsApart(mine, css, 6) < 0.004]).toEqual([background, true]);
      }),
      { numRuns: rounds(6, 300), seed: seedOf(11) },
    );
  });

  test('a shadow turns with its box', async () => {
    const look = { background: '#fc6', shadow: '12 18 10 #000000c0' };
    const turned = await ours(look, { rotate: 30 });
    const css = await theirs(
      'background:#fc6;box-shadow:12px 18px 10px #000000c0;transform-origin:0 0;rotate:30deg',
    );
    expect(stepsApart(turned, css, 16)).toBeLessThan(0.01);
  });

  test('a box is skewed, then scaled, then rotated', async () => {
    const look = { background: '#fc6', border: '6 #204080', radius: 14, scale: 0.7 };
    const turned = await ours(look, { rotate: 30, skew: '20 0' });
    const css = await theirs(
      'background:#fc6;box-sizing:border-box;border:6px solid #204080;border-radius:14px;' +
        'transform-origin:0 0;rotate:30deg;scale:0.7;transform:skewX(20deg)',
    );
    expect(stepsApart(turned, css, 16)).toBeLessThan(0.01);
  });
});

describe('letters', () => {
  const inkOf = (data: Uint8ClampedArray, test: (r: number, g: number, b: number) => boolean): number => {
    let count = 0;
    for (let at = 0; at < data.length; at += 4) if (test(data[at]!, data[at + 1]!, data[at + 2]!)) count++;
    return count;
  };
  const text = { kind: 'text', text: 'Hull', look: undefined } as const;
  const plain = { 'font-size': 48, 'color': '#fff' };

  test('an outline lies outside of them, and nothing of them is lost', async () => {
    const white = (r: number, g: number, b: number) => r > 250 && g > 250 && b > 250;
    const bare = await ours(plain, { ...text, look: plain });
    const look = { ...plain, 'text-outline': '4 #ff0000' };
    const outlined = await ours(look, { ...text, look });
    // Their edges are mixed with the outline instead of with what is behind.
    expect(inkOf(outlined, white)).toBeGreaterThan(0.95 * inkOf(bare, white));
    expect(inkOf(outlined, (r, g, b) => r > 200 && g < 60 && b < 60)).toBeGreaterThan(400);
  });

  test('the ink of an outlined text lies in the rectangle it is measured with', () => {
    const look = { ...plain, 'text-outline': '6 #f00' };
    const on = laidOut([{ id: 't', kind: 'text', text: 'fjord', look }]);
    const { operations } = drawLayout(on);
    const path = operations.find(({ type }) => type === 'glyphs');
    expect(path).toMatchObject({ outline: { width: 6 } });
  });

  test('a shadow is drawn once for all of them, before them', () => {
    const look = { ...plain, 'text-shadow': '2 3 4 #000, 0 0 8 #f00' };
    const on = laidOut([{ id: 't', kind: 'text', text: 'fjord', look }]);
    expect(drawLayout(on).operations.map(({ type }) => type)).toEqual(['shadow', 'shadow', 'glyphs']);
  });

  test('an SVG holds them as outlines, or as words on request', () => {
    const on = laidOut([{ id: 't', kind: 'text', text: 'Depth & <hull>', look: { 'font-weight': 700 } }]);
    const list = drawLayout(on);
    expect(toSvg(list)).not.toContain('<text');
    const svg = toSvg(list, { text: 'words' });
    expect(svg).toMatch(
      /<text [^>]*font-family="Inter" font-size="24" font-weight="700"[^>]*>Depth &#38; &#60;hull&#62;<\/text>/,
    );
    expect(svg).not.toContain('<path');
  });
});

describe('a tint', () => {
  test('multiplies the colours of a picture and leaves its shape', async () => {
    const context = createCanvas(20, 20).getContext('2d');
    context.fillStyle = 'rgba(200, 100, 50, 0.5)';
    context.fillRect(0, 0, 10, 20);
    context.fillStyle = 'rgb(200, 100, 50)';
    context.fillRect(10, 0, 10, 10);
    const bytes = context.canvas.toBuffer('image/png');
    const picture: Picture = { ...readPicture('p', bytes), drawable: await loadImage(bytes) };
    const widget = { kind: 'image', image: 'p', size: 20, tint: '#8040ff' } as const;
    const view = opened(documentOf([widget], { pictures: { p: 'p.png' } }, { backdrop: '#000' }), {
      pictures: new Map([['p', picture]]),
    });
    const list = drawLayout(view.layoutOn({ width: 20, height: 20 }));
    const data = await pixels(toPng(list));
    const at = (x: number, y: number) => [...data.subarray((y * 20 + x) * 4, (y * 20 + x) * 4 + 3)];
    expect(at(15, 5)).toEqual([100, 25, 50]);
    expect(at(15, 15)).toEqual([0, 0, 0]);
    at(5, 5).forEach((value, channel) =>
      expect(Math.abs(value - [50, 12.5, 25][channel]!)).toBeLessThanOrEqual(1.5),
    );
    expect(toSvg(list)).toContain(
      '<feColorMatrix values="0.501961 0 0 0 0 0 0.25098 0 0 0 0 0 1 0 0 0 0 0 1 0"/>',
    );
  });
});

describe('looks that are none', () => {
  test.each([
    ['radius', '4 4 4 4 4', 'one to four numbers of u from 0 to 10000'],
    ['radius', '-3', 'one to four numbers of u from 0 to 10000'],
    ['shadow', '1 2 3 4 5 #000', 'lengths and a colour, such as "0 8 24 #00000080", or none'],
    ['shadow', '0 8 -2 #000', 'lengths and a colour'],
    ['text-shadow', '1 2 3 4 #000', 'lengths and a colour, such as "0 2 4 #000000c0", or none'],
    ['text-outline', 'wide red', 'a width in u and a colour, such as "2 #04202a", or none'],
    ['image-tint', 'reddish', 'a colour'],
  ])('%s: %s', (key, value, expected) => {
    const [first] = told(readDocument(documentOf([{ look: { [key]: value } }])));
    expect(first).toContain(`"${key}" is ${expected}`);
  });

  test.each([
    'circle 40% 60%',
    'at top 20%',
    'at 20% left',
    'circle ellipse',
    'circle closest-side ellipse',
    'at',
    '-40% 60%',
    'at top at left',
    'closest',
    'at constructor',
    'circle 40px',
  ])('a radial gradient that CSS does not have, or whose lengths are no shares: %s', (form) => {
    const background = `radial-gradient(${form}, #000, #fff)`;
    const [first] = told(readDocument(documentOf([{ look: { background } }])));
    expect(first).toContain('is not a gradient that is drawn, such as radial-gradient(circle at 50% 100%');
  });

  test('none takes away what a style gave', () => {
    const styles = { s: { 'shadow': '0 1 2 #000', 'text-shadow': '0 1 2 #000', 'text-outline': '1 #000' } };
    const look = { 'shadow': 'none', 'text-shadow': 'none', 'text-outline': 'none' };
    const on = opened(documentOf([{ id: 'w', style: 's', look }], { styles })).layoutOn(size);
    expect(on.widgets[1]!.look).toMatchObject({ shadow: [], textShadow: [], textOutline: undefined });
  });
});
