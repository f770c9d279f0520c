import { readFileSync } from 'node:fs';
import { build } from 'esbuild';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { LiveView } from 'pimbot';
import type { Browser, Page } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';

/* The examples of docs/painting.md run in a page as they stand there. */

const blocks = [...readFileSync('docs/painting.md', 'utf8').matchAll(/```ts\n([^]*?)```/g)].map(
  ([, block]) => block!,
);
const source = {
  pimbot: 1,
  reference: { size: '640x360' },
  cases: { typical: { depth: 12 } },
  views: {
    hud: {
      children: [
        { id: 'plate', size: [200, 80], offset: [20, 20], look: { background: '#0d4452' } },
        { id: 'depth', kind: 'text', text: '{depth} m', offset: [40, 40], look: { color: '#ffffff' } },
      ],
    },
  },
};
const inBase64 = (file: string) => readFileSync(file).toString('base64');
const given = {
  text: JSON.stringify(source),
  shaper: inBase64('assets/shaper.wasm'),
  font: inBase64('assets/fonts/inter-400.woff'),
};

async function scriptOf(contents: string): Promise<string> {
  const alias = Object.fromEntries(
    ['dom', 'pixi', 'game'].map((name) => [
      `pimbot/${name}`,
      name === 'game' ? './src/game.ts' : `./src/${name}/index.ts`,
    ]),
  );
  const { outputFiles } = await build({
    stdin: { contents, resolveDir: '.', loader: 'ts' },
    alias,
    bundle: true,
    write: false,
    format: 'iife',
    logLevel: 'warning',
  });
  return outputFiles[0]!.text;
}

/** Puts a live view of the document and, for PixiJS, an application into the page. */
const setting = `
  import { Application } from 'pixi.js';
  import { FontBook, LiveView, openView, readDocument, unpackFont } from './src/index.ts';
  import { loadEngine } from './src/text/index.ts';

  const bytes = (base64) => Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));
  window.prepare = async ({ text, shaper, font }) => {
    const fonts = new FontBook('Inter', await loadEngine(await WebAssembly.compile(bytes(shaper))));
    fonts.add('Inter', 400, await unpackFont(bytes(font)));
    const { document } = readDocument(text, { name: 'hud.yaml' });
    window.live = new LiveView(openView(document, 'hud', { resources: { fonts } }), { width: 640, height: 360 });
    window.app = new Application();
    await window.app.init({ width: 640, height: 360, resolution: 1, preference: 'webgl' });
  };`;

let browser: Browser;
let page: Page;
beforeAll(async () => {
  browser = await startBrowser();
  page = await browser.newPage();
  await page.setContent('<div id="hud"></div>');
  await page.addScriptTag({ content: await scriptOf(setting) });
  await page.evaluate(
    (all) => (window as unknown as { prepare: (all: unknown) => Promise<void> }).prepare(all),
    given,
  );
});
afterAll(() => browser.close());

const shown = () => page.locator('#hud [data-widget=depth]').innerText();

test('the DOM painter shows what changes', async () => {
  await page.addScriptTag({ content: await scriptOf(blocks[0]!) });
  await page.waitForSelector('#hud [data-widget=depth]', { state: 'attached' });
  expect(await shown()).toBe('12 m');
  await page.evaluate(() => {
    document.querySelector('#hud [data-widget=plate]')!.setAttribute('class', 'kept');
    (window as unknown as { live: LiveView }).live.set({ depth: 340 });
  });
  await page.waitForFunction(() => document.querySelector('#hud')!.textContent === '340 m');
  expect(await page.locator('#hud .kept').count()).toBe(1);
});

test('the PixiJS painter draws on every tick', async () => {
  await page.addScriptTag({ content: await scriptOf(blocks[1]!) });
  const drawn = () =>
    page.evaluate(() => {
      const { app } = window as unknown as { app: { stage: { children: { children: unknown[] }[] } } };
      return app.stage.children[0]?.children.length ?? 0;
    });
  await page.waitForFunction(
    () =>
      (window as unknown as { app: { stage: { children: { children: unknown[] }[] } } }).app.stage
        .children[0]!.children.length > 0,
  );
  expect(await drawn()).toBe(2);
});

test('there are two', () => {
  expect(blocks).toHaveLength(2);
});
