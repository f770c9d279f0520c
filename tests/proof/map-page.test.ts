import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { Browser, Page } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';
import { violationsOf } from '../support/axe.ts';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';

const folder = temporaryFolder();
const hostile = '<img src=x onerror="document.body.dataset.owned=1">';
let browser: Browser;
let page: Page;
const errors: string[] = [];

beforeAll(async () => {
  const source = {
    pimbot: 1,
    reference: { size: '1280x720', scaling: 'none' },
    views: {
      dive: {
        children: [
          { id: 'left', look: { background: '#234' }, anchor: 'left top', width: 300, height: 40 },
          { id: 'right', look: { background: '#234' }, anchor: 'right top', width: 400, height: 40 },
          { id: 'words', kind: 'text', text: hostile, anchor: 'left bottom', width: 60, wrap: false },
        ],
        expect: [{ widget: 'left', within: 'safe', because: hostile }],
      },
    },
  };
  writeFileSync(join(folder.path, 'hud.json'), JSON.stringify(source));
  const args = ['prove', 'hud.json', '--from', '320x200', '--to', '1280x800', '--report', 'sizes.html'];
  expect((await pimbotHere(args, folder.path)).code).toBe(1);
  browser = await startBrowser();
  page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  page.on('pageerror', (error) => errors.push(error.message));
  await page.goto(pathToFileURL(join(folder.path, 'sizes.html')).href);
});

afterAll(async () => {
  await browser.close();
  folder.remove();
});

test('several maps in a page have ids of their own', async () => {
  const view = { children: [{ id: 'wide', look: { background: '#234' }, width: 900, height: 40 }] };
  const source = { pimbot: 1, reference: { scaling: 'none' }, views: { one: view, other: view } };
  writeFileSync(join(folder.path, 'two.json'), JSON.stringify(source));
  const args = ['prove', 'two.json', '--from', '320x200', '--to', '1280x800', '--report', 'two.html'];
  expect((await pimbotHere(args, folder.path)).code).toBe(1);
  const two = await browser.newPage();
  await two.goto(pathToFileURL(join(folder.path, 'two.html')).href);
  const ids = await two.locator('[id]').evaluateAll((all) => all.map(({ id }) => id));
  await two.close();
  expect(ids.length).toBeGreaterThan(20);
  expect(new Set(ids).size).toBe(ids.length);
});

test('the map says of the size under the pointer what fails there', async () => {
  const map = (await page.locator('.map').boundingBox())!;
  const said = page.locator('output');
  // The upper left corner is the smallest screen, the lower right one the largest.
  const [left, top, width, height] = [84, 132, 700, 590].map((px) => (px * map.width) / 1280) as [
    number,
    number,
    number,
    number,
  ];
  await page.mouse.move(map.x + left + 2, map.y + top + 2);
  expect(await said.textContent()).toMatch(/^32\d × 20\d\n/);
  expect(await said.textContent()).toContain('✗ left overlaps right');
  await page.mouse.move(map.x + left + width - 2, map.y + top + height - 2);
  expect(await said.textContent()).not.toContain('overlaps');
});

test('axe-core finds nothing, in light, dark and forced colours, and at 200 % zoom', async () => {
  for (const [colorScheme, forcedColors] of [
    ['light', 'none'],
    ['dark', 'none'],
    ['dark', 'active'],
  ] as const) {
    await page.emulateMedia({ colorScheme, forcedColors });
    expect([colorScheme, forcedColors, ...(await violationsOf(page))]).toEqual([colorScheme, forcedColors]);
  }
  await page.emulateMedia({ forcedColors: 'none' });
  // Twice as large is half as many CSS px.
  await page.setViewportSize({ width: 640, height: 400 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
  await page.setViewportSize({ width: 1280, height: 800 });
});

test('a size can be typed, and a border is where it is', async () => {
  const said = page.locator('output');
  await page.getByLabel('Height').fill('400');
  for (const [width, fails] of [
    [699, true],
    [700, false],
  ] as const) {
    await page.getByLabel('Width').fill(String(width));
    expect((await said.textContent())!.includes('left overlaps right')).toBe(fails);
  }
  await page.getByLabel('Width').fill('5000');
  expect(await said.textContent()).toBe('5000 × 400: not in the range that is proved.');
});

test('names and words of a document stay words', async () => {
  await page.locator('summary').click();
  expect(await page.locator('body').getAttribute('data-owned')).toBeNull();
  expect(await page.locator('img').count()).toBe(1);
  expect(errors).toEqual([]);
});
