import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { openView } from 'pimbot';
import { openProject } from 'pimbot/node';
import type { Browser, Page } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';
import { violationsOf } from '../support/axe.ts';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';
import { rounds, seedOf } from '../support/deep.ts';

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
          {
            id: 'leaf',
            anchor: 'center',
            offset: [-150, 0],
            size: [80, 10],
            rotate: 90,
            look: { background: '#0f0', scale: 1.4 },
          },
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

test('a range of HUD sizes is drawn as bands, each where something fails', async () => {
  const child = (id: string, anchor: string, width: number) => ({
    id,
    anchor,
    width,
    height: 40,
    look: { background: '#234' },
  });
  const views = { one: { children: [child('left', 'left top', 700), child('right', 'right top', 500)] } };
  const source = { pimbot: 1, reference: { size: '1280x720', scaling: 'contain' }, views };
  writeFileSync(join(folder.path, 'range.json'), JSON.stringify(source));
  const args = ['prove', 'range.json', '--hud-size', '0.5..2', '--aspect', '16:9..2', '--to', '2560x1440'];
  const { out } = await pimbotHere([...args, '--report', 'range.html', '--json'], folder.path);
  const [file] = (
    JSON.parse(out) as { files: { views: { hudSizes: { failures: Hud[]; holds: Size[] } }[] }[] }
  ).files;
  const { failures, holds } = file!.views[0]!.hudSizes;
  expect([failures.length, holds.length]).toEqual([2, 1]);
  const ranged = await browser.newPage();
  await ranged.goto(pathToFileURL(join(folder.path, 'range.html')).href);
  const bands = await ranged
    .locator('.band i')
    .evaluateAll((all) =>
      (all as HTMLElement[]).map(({ className, style }) => [className, style.left, style.width]),
    );
  await ranged.close();
  const log = (size: number) => (100 * Math.log(size / 0.5)) / Math.log(4);
  const shown = (share: number) => `${Number(share.toFixed(2))}%`;
  const place = (kind: string, [least, most]: Size) => [
    kind,
    shown(log(least)),
    shown(log(most) - log(least)),
  ];
  expect(bands).toEqual([
    ...holds.map((one) => place('good', one)),
    ...failures.flatMap(({ hudSizes }) => hudSizes.map((one) => place('bad', one))),
  ]);
});

type Size = readonly [least: number, most: number];

interface Hud {
  readonly hudSizes: readonly Size[];
}

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
  // How much it is there is not known to the page: the number is of where it is worst.
  expect(await said.textContent()).toContain('✗ left overlaps right by up to 40 px');
  await page.mouse.move(map.x + left + width - 2, map.y + top + height - 2);
  expect(await said.textContent()).not.toContain('overlaps');
});

/** What a page knows of a view on one occasion: boxes and lines, each number so much of both sides and some px. */
interface Sketch {
  readonly numbers: readonly number[];
  readonly shapes: readonly {
    readonly widget: string;
    readonly box: readonly number[];
    readonly lines: readonly (readonly [string, string, ...number[]])[];
  }[];
  readonly cells: readonly (readonly [readonly (readonly [number, number])[], readonly number[]])[];
}

/** Whether a point lies well inside a convex polygon. */
function isWithin(part: readonly (readonly [number, number])[], x: number, y: number): boolean {
  const sides = part.map(([ax, ay], nth) => {
    const [bx, by] = part[(nth + 1) % part.length]!;
    return ((bx - ax) * (y - ay) - (by - ay) * (x - ax)) / Math.hypot(bx - ax, by - ay);
  });
  return sides.every((side) => side > 0.1) || sides.every((side) => side < -0.1);
}

test('the view is drawn where it is, on any size', async () => {
  const project = await openProject('examples/fathom-post/post.yaml');
  const file = join(folder.path, 'dive.html');
  const only = ['--view', 'dive', '--case', 'typical', '--locale', 'de', '--theme', 'brine'];
  await pimbotHere(['prove', 'examples/fathom-post/post.yaml', ...only, '--report', file], process.cwd());
  const [, json] = /id="proofs">(.*?)<\/script>/s.exec(readFileSync(file, 'utf8'))!;
  const [{ sketches }] = JSON.parse(json!) as [{ sketches: Sketch[] }];
  const { numbers, shapes, cells } = sketches[0]!;
  const view = openView(project.document!, 'dive', {
    resources: project.resources,
    case: 'typical',
    locale: 'de',
    theme: 'brine',
  });
  let [asked, words] = [0, 0];
  const onSize = (width: number, height: number) => {
    const cell = cells.find(([part]) => isWithin(part, width, height));
    if (!cell) return;
    asked++;
    const is = (at: number) =>
      numbers[3 * at]! * width + numbers[3 * at + 1]! * height + numbers[3 * at + 2]!;
    const laidOut = view.layoutOn({ width, height, density: 92, distance: 600 });
    for (const nth of cell[1]) {
      const { widget, box, lines } = shapes[nth]!;
      const [left, top, right, bottom] = box.map(is) as [number, number, number, number];
      const rect = laidOut.rect(widget);
      // A bare text is drawn where its letters are: in its box, and a letter may hang over a little.
      if (lines.length > 0) {
        words += lines.length;
        expect(left).toBeGreaterThan(rect.x - 6);
        expect(right).toBeLessThan(rect.x + rect.width + 6);
        continue;
      }
      const off = [left - rect.x, top - rect.y, right - rect.x - rect.width, bottom - rect.y - rect.height];
      expect([width, height, widget, off.every((by) => Math.abs(by) < 0.1), off]).toEqual([
        width,
        height,
        widget,
        true,
        off,
      ]);
    }
  };
  fc.assert(fc.property(fc.integer({ min: 640, max: 7680 }), fc.integer({ min: 360, max: 4320 }), onSize), {
    numRuns: rounds(150, 20_000),
    seed: seedOf(71),
  });
  expect(asked).toBeGreaterThan(rounds(100, 10_000));
  expect(words).toBeGreaterThan(asked);
});

test('the canvas has the widgets of the size that is pointed at, and marks what fails', async () => {
  await page.getByLabel('Width').fill('600');
  await page.getByLabel('Height').fill('400');
  const { width } = (await page.locator('.sketch canvas').boundingBox())!;
  const colours = await page.locator('.sketch canvas').evaluate((canvas: HTMLCanvasElement, shown) => {
    const unit = (canvas.width / shown) * (shown / 600);
    const pixel = (x: number, y: number) =>
      [...canvas.getContext('2d')!.getImageData(Math.round(x * unit), Math.round(y * unit), 1, 1).data].slice(
        0,
        3,
      );
    return {
      left: pixel(100, 20),
      red: pixel(300, 20),
      nothing: pixel(300, 200),
      turned: [pixel(150, 250), pixel(180, 200)],
    };
  }, width);
  expect(colours.left).toEqual([0x22, 0x33, 0x44]);
  // The edge at which the left one ends, in the right one.
  expect(colours.red[0]).toBeGreaterThan(200);
  expect(colours.nothing).not.toEqual(colours.left);
  // What is turned is drawn as it is in the game.
  expect(colours.turned).toEqual([[0, 255, 0], colours.nothing]);
  expect(await page.locator('.sketch canvas').getAttribute('aria-label')).toBe('dive on 600 × 400');
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
