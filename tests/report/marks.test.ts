import { cpSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { Browser } from 'playwright-core';
import { createCanvas, loadImage } from '@napi-rs/canvas';
import { startBrowser } from '../../bench/browser.ts';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';

/** A picture as it was photographed. */
interface Photo {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray;
}

/** Of the marks of the drawings, in CSS px of the page, with what is cut off left out. */
interface Mark {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly inside: {
    readonly left: number;
    readonly top: number;
    readonly right: number;
    readonly bottom: number;
  };
}

let browser: Browser;
const folder = temporaryFolder();
beforeAll(async () => {
  browser = await startBrowser();
  cpSync('examples/fathom-post', join(folder.path, 'post'), { recursive: true });
});
afterAll(async () => {
  await browser.close();
  folder.remove();
});

async function photo(png: Uint8Array): Promise<Photo> {
  const image = await loadImage(Buffer.from(png));
  const context = createCanvas(image.width, image.height).getContext('2d');
  context.drawImage(image, 0, 0);
  const { width, height } = image;
  return { width, height, data: context.getImageData(0, 0, width, height).data };
}

/** Relative luminance of WCAG 2.2. */
function luminance({ data, width }: Photo, x: number, y: number): number {
  const at = 4 * (y * width + x);
  const linear = (byte: number) => {
    const share = byte / 255;
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  };
  return 0.2126 * linear(data[at]!) + 0.7152 * linear(data[at + 1]!) + 0.0722 * linear(data[at + 2]!);
}

const contrast = (one: number, other: number) =>
  (Math.max(one, other) + 0.05) / (Math.min(one, other) + 0.05);

test.each([['dark'], ['light']] as const)(
  'marks stand off 3:1 from every picture of the demo (WCAG 2.2, 1.4.11), %s',
  async (colorScheme) => {
    // At this HUD size something is found in every view, over each of its backdrops.
    const args = ['post/post.yaml', '--hud-size', '2.5', '--locale', 'en', '--case', 'typical'];
    for (const screen of ['desktop', 'phone-landscape', 'tablet-portrait']) args.push('--screen', screen);
    const { err } = await pimbotHere(
      ['check', ...args, '--no-suggest', '--no-cache', '--report', 'r.html'],
      folder.path,
    );
    expect(err).toBe('');
    const page = await browser.newPage({ colorScheme, viewport: { width: 1280, height: 900 } });
    await page.goto(pathToFileURL(join(folder.path, 'r.html')).href);
    await page.addStyleTag({ content: '.cause, .shot { content-visibility: visible !important; }' });
    await page.evaluate(async () => {
      for (const image of document.images) image.loading = 'eager';
      await Promise.all([...document.images].map((image) => image.decode()));
    });
    // Marks of drawings further down are made when they come near; on paper all are there.
    const count = () => page.locator('.shot .stage i').count();
    const atFirst = await count();
    expect(atFirst).toBeGreaterThan(0);
    await page.evaluate(async () => {
      window.dispatchEvent(new Event('beforeprint'));
      for (let frames = 0; frames < 3; frames++) await new Promise(requestAnimationFrame);
    });
    expect(await count()).toBeGreaterThan(atFirst);
    const marks = await page.evaluate((): Mark[] =>
      [...document.querySelectorAll('.shot .stage i:not(.off)')].flatMap((one) => {
        const { x, y, width, height } = one.getBoundingClientRect();
        const stage = one.closest('.stage')!.getBoundingClientRect();
        const { left, top, right, bottom } = stage;
        const by = window.scrollY;
        return [{ x, y: y + by, width, height, inside: { left, top: top + by, right, bottom: bottom + by } }];
      }),
    );
    expect(marks.length).toBeGreaterThan(20);
    // Where a number lies over an edge, the number is what is seen.
    const numbers = await page.evaluate(() =>
      [...document.querySelectorAll('.stage i b, .stage i.off')].map((one) => {
        const { left, top, right, bottom } = one.getBoundingClientRect();
        return [left - 3, top - 3 + window.scrollY, right + 3, bottom + 3 + window.scrollY] as const;
      }),
    );
    // Each is whole, in its drawing, and off the others.
    const apart = await page.evaluate(() => {
      const wrong: string[] = [];
      for (const stage of document.querySelectorAll('.stage')) {
        const frame = stage.getBoundingClientRect();
        const numbers = [...stage.querySelectorAll('i b')];
        const seen = numbers.filter((one) => getComputedStyle(one).visibility === 'visible');
        if (seen.length < numbers.length && !stage.querySelector('em')) wrong.push('left out in silence');
        const boxes = [...seen, ...stage.querySelectorAll('em')].map((one) => one.getBoundingClientRect());
        boxes.forEach((a, nth) => {
          if (a.left < frame.left || a.right > frame.right || a.top < frame.top || a.bottom > frame.bottom)
            wrong.push('cut');
          for (const b of boxes.slice(0, nth))
            if (a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom)
              wrong.push('over another');
        });
      }
      return wrong;
    });
    expect(apart).toEqual([]);
    const isUnderNumber = (px: number, py: number) =>
      numbers.some(([left, top, right, bottom]) => px > left && px < right && py > top && py < bottom);
    const marked = await photo(await page.screenshot({ fullPage: true }));
    await page.addStyleTag({ content: '.stage i { visibility: hidden !important; }' });
    const plain = await photo(await page.screenshot({ fullPage: true }));
    await page.close();
    // Where the edge of another mark lies over one, that is what is seen.
    const isOnEdge = ({ x, y, width, height }: Mark, px: number, py: number) => {
      const [left, top, right, bottom] = [px - x, py - y, x + width - px, y + height - py];
      return Math.min(left, top, right, bottom) > -5 && Math.min(left, top, right, bottom) < 5;
    };
    let looked = 0;
    const faint: string[] = [];
    for (const mark of marks) {
      const { x, y, width, height, inside } = mark;
      const across = (along: number, edge: 'left' | 'right' | 'top' | 'bottom') => {
        // From a little outside of the edge to a little inside of it.
        const steps = [-3, -2, -1, 0, 1, 2, 3];
        const at = steps.map((step): [number, number] =>
          edge === 'left'
            ? [x + step, along]
            : edge === 'right'
              ? [x + width + step, along]
              : edge === 'top'
                ? [along, y + step]
                : [along, y + height + step],
        );
        const seen = at
          .map(([px, py]): [number, number] => [Math.round(px), Math.round(py)])
          .filter(
            ([px, py]) =>
              px > inside.left + 1 && px < inside.right - 2 && py > inside.top + 1 && py < inside.bottom - 2,
          );
        if (seen.length < steps.length || seen.some(([px, py]) => isUnderNumber(px, py))) return;
        looked++;
        const best = Math.max(
          ...seen.map(([px, py]) => contrast(luminance(marked, px, py), luminance(plain, px, py))),
        );
        const isOver = marks.some((other) => other !== mark && isOnEdge(other, ...seen[3]!));
        if (best < 3 && !isOver) faint.push(`${edge} of ${x}, ${y}: ${best}`);
      };
      for (let share = 0.2; share < 1; share += 0.2) {
        for (const edge of ['left', 'right'] as const) across(y + share * height, edge);
        for (const edge of ['top', 'bottom'] as const) across(x + share * width, edge);
      }
    }
    expect(looked).toBeGreaterThan(200);
    expect(faint).toEqual([]);
  },
);
