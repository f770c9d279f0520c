import { readFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { drawLayout, findScreen, openView, type DrawList } from 'pimbot';
import type { DomPainter, addFonts } from 'pimbot/dom';
import { toPng } from 'pimbot/node';
import type { Browser } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';
import { demo, drawnView, everyOperation } from '../paint/drawings.ts';
import { pageScript, sendable, shotOf } from '../paint/in-page.ts';
import type { revived } from '../paint/revived.ts';
import { isDeep } from '../support/deep.ts';
import { pixels, visiblyApart } from '../support/pixels.ts';

/* A drawing as elements of a page, beside the same on a canvas in Node. */

const project = await demo();
const views = isDeep ? ['dive', 'dock', 'sorting', 'belt', 'logbook', 'tuning'] : ['dive', 'logbook'];

const folder = 'examples/fathom-post/fonts';
const faces = (
  [
    ['Inter', 400, 'assets/fonts/inter-400.woff'],
    ['Inter', 700, 'assets/fonts/inter-700.woff'],
    ['Saira', 500, `${folder}/saira-500.woff`],
    ['Saira', 700, `${folder}/saira-700.woff`],
    ['Noto Arabic', 500, `${folder}/noto-arabic-500.woff2`],
    ['Noto Arabic', 700, `${folder}/noto-arabic-700.woff2`],
  ] as const
).map(([family, weight, file]) => {
  const font = readFileSync(file).toString('base64');
  return `@font-face{font-family:'${family}';font-weight:${weight};src:url(data:font/woff;base64,${font})}`;
});
const html = `<style>body{margin:0}${faces.join('')}</style><main></main>`;

let browser: Browser;
let script: string;
beforeAll(async () => {
  script = await pageScript("export { DomPainter, addFonts } from './src/dom/index.ts';");
  browser = await startBrowser();
});
afterAll(() => browser.close());

interface InPage {
  readonly pimbot: {
    readonly DomPainter: typeof DomPainter;
    readonly addFonts: typeof addFonts;
    readonly revived: typeof revived;
  };
}

/** Runs in the page. */
async function drawOutlines(drawing: DrawList): Promise<void> {
  const { pimbot } = window as unknown as InPage;
  const painter = new pimbot.DomPainter(document.querySelector('main')!, { text: 'outlines' });
  painter.paint(await pimbot.revived(drawing));
}

/** Runs in the page. @returns where each text is: left, width, and where its line ends below. */
async function drawWords(drawing: DrawList) {
  const { pimbot } = window as unknown as InPage;
  await Promise.all([...document.fonts].map((font) => font.load()));
  const painter = new pimbot.DomPainter(document.querySelector('main')!);
  painter.paint(await pimbot.revived(drawing));
  const walker = document.createTreeWalker(document.querySelector('main')!, NodeFilter.SHOW_TEXT);
  const found: { text: string; left: number; width: number; foot: number }[] = [];
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    const range = document.createRange();
    range.selectNodeContents(node);
    const { left, width } = range.getBoundingClientRect();
    const foot = (node.previousSibling as HTMLElement).getBoundingClientRect().bottom;
    found.push({ text: node.textContent!, left, width, foot });
  }
  return found;
}

describe('as elements of a page', () => {
  const all: readonly (readonly [string, () => Promise<DrawList> | DrawList])[] = [
    ['every operation there is', () => everyOperation()],
    ...views.map((view) => [view, () => drawnView(project, view, 'desktop-720')] as const),
  ];
  test.each(all)('%s looks as on a canvas: less than half a percent differs visibly', async (_, drawn) => {
    const list = await drawn();
    const theirs = await shotOf(browser, list, html, { script, draw: drawOutlines });
    expect(visiblyApart(await pixels(toPng(list)), theirs, list.width)).toBeLessThan(0.005);
  });

  test.each(['en', 'ar'])('words are text of the page where they were set, in %s', async (locale) => {
    const view = openView(project.document!, 'logbook', { resources: project.resources, locale });
    const list = drawLayout(view.layoutOn(findScreen('desktop-720')!));
    const page = await browser.newPage({ viewport: { width: list.width, height: list.height } });
    await page.setContent(html);
    await page.addScriptTag({ content: script });
    const found = await page.evaluate(drawWords, sendable(list));
    await page.close();
    const words = list.operations.flatMap((one) => (one.type === 'glyphs' ? one.words : []));
    expect(found.map(({ text }) => text)).toEqual(words.map(({ text }) => text));
    expect(words.length).toBeGreaterThan(5);
    expect(words.some(({ rightToLeft }) => rightToLeft)).toBe(locale === 'ar');
    words.forEach(({ text, x, width, baseline }, nth) => {
      const at = found[nth]!;
      const off = [at.left - x, at.width - width, at.foot - baseline].map(Math.abs);
      expect([text, Math.max(...off) < 1]).toEqual([text, true]);
    });
  });

  test('the fonts of a packed document can be given to the page', async () => {
    const page = await browser.newPage();
    await page.setContent('<p style="position:absolute;font:700 40px Given, monospace">Kelp Nine</p>');
    await page.addScriptTag({ content: script });
    const font = readFileSync('assets/fonts/inter-700.woff').toString('base64');
    const [before, after, refused] = await page.evaluate(async (base64) => {
      const { pimbot } = window as unknown as InPage;
      const width = () => document.querySelector('p')!.getBoundingClientRect().width;
      const first = width();
      const given = (file: { base64: string }) => [{ family: 'Given', weight: 700, italic: false, file }];
      await pimbot.addFonts({ fonts: given({ base64 }) });
      const wrong = await pimbot.addFonts({ fonts: given({ base64: 'AAAA' }) }).then(() => '', String);
      return [first, width(), wrong] as const;
    }, font);
    await page.close();
    // Nine letters of one width are 24 px each; those of the font are not.
    expect(Math.abs(before - after)).toBeGreaterThan(5);
    expect(refused).toMatch(/Error/);
  });

  test('elements of what has not changed stay; what is gone is taken away', async () => {
    const page = await browser.newPage();
    await page.setContent(html);
    await page.addScriptTag({ content: script });
    const [kept, all, named, left] = await page.evaluate(() => {
      const { pimbot } = window as unknown as InPage;
      const main = document.querySelector('main')!;
      const painter = new pimbot.DomPainter(main, { idOf: (widget) => `w${widget}` });
      const square = { topLeft: 0, topRight: 0, bottomRight: 0, bottomLeft: 0 };
      const box = (widget: number) =>
        ({
          type: 'box',
          widget,
          rect: { x: 10 * widget, y: 0, width: 9, height: 9 },
          radius: square,
          fill: { type: 'color', color: { r: 1, g: 0, b: 0, a: 1 } },
          border: undefined,
          opacity: 1,
        }) as const;
      const clip = {
        type: 'clip',
        rect: { x: 0, y: 0, width: 99, height: 9 },
        radius: square,
      } as const;
      const end = { type: 'restore' } as const;
      const [one, two, three] = [box(1), box(2), box(3)];
      const list = (...operations: DrawList['operations'][number][]) => ({
        width: 99,
        height: 9,
        title: '',
        operations,
      });
      const shown = () => [...main.querySelectorAll<HTMLElement>('[data-widget]')];
      painter.paint(list(one, clip, two, three, end));
      const before = shown();
      const other = box(4);
      painter.paint(list(clip, three, other, two, end));
      const after = shown();
      const stays = before.map((element) => after.indexOf(element));
      const ids = after.map(({ dataset }) => dataset.widget);
      const inClip = main.querySelectorAll('[style*=hidden] [data-widget]').length;
      painter.remove();
      return [stays, ids, inClip, main.childNodes.length] as const;
    });
    await page.close();
    expect([kept, all, named, left]).toEqual([[-1, 2, 0], ['w3', 'w4', 'w2'], 3, 0]);
  });
});
