import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join, resolve } from 'node:path';
import { afterAll, beforeAll, beforeEach, expect, test } from '@jest/globals';
import { build } from 'esbuild';
import { packProject } from 'pimbot/node';
import type { Browser, Page } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';
import { filesIn, newProject, writeFiles } from '../support/page-files.ts';
import { serve, type Answer } from '../support/serve.ts';

/* `load` in a page, from a server that answers as it is told. */

let folder: string;
let server: Server;
let home: string;
let browser: Browser;
let page: Page;
/** What is answered in place of the file. */
const instead = new Map<string, Answer>();

beforeAll(async () => {
  folder = newProject();
  writeFiles(folder, filesIn('docs/in-a-game.md', 'A HUD in five files'));
  const served = join(folder, 'public');
  mkdirSync(served);
  const { pack } = await packProject(join(folder, 'hud.yaml'), {
    fileOf: (name, bytes) => {
      writeFileSync(join(served, name), bytes);
      return { url: name };
    },
  });
  writeFileSync(join(served, 'hud.json'), JSON.stringify({ ...pack!, shaper: 'shaper.wasm' }));
  writeFileSync(join(served, 'shaper.wasm'), readFileSync('assets/shaper.wasm'));
  writeFileSync(join(served, 'index.html'), '<!doctype html><script type="module" src="main.js"></script>');
  writeFileSync(
    join(folder, 'main.js'),
    `import { load, mount } from 'pimbot/browser';\nObject.assign(window, { load, mount });\n`,
  );
  await build({
    entryPoints: [join(folder, 'main.js')],
    outdir: served,
    bundle: true,
    splitting: true,
    format: 'esm',
    loader: { '.wasm': 'file' },
    absWorkingDir: resolve('.'),
    logLevel: 'error',
  });
  server = await serve(served, instead);
  home = `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
  browser = await startBrowser();
});
afterAll(async () => {
  await browser.close();
  server.close();
  rmSync(folder, { recursive: true });
});
beforeEach(async () => {
  instead.clear();
  await page?.close();
  page = await browser.newPage();
  await page.goto(home);
  await page.waitForFunction(() => 'load' in window);
});

/** What `load` comes to: the places of the button, or the error. */
const loaded = (gaveUp = false) =>
  page.evaluate(async (isGivenUp) => {
    const { load } = window as unknown as {
      load: (
        file: string,
        options: object,
      ) => Promise<{ view(name: string): { now: { on: { rect(id: string): { height: number } } } } }>;
    };
    const steps: [number, number][] = [];
    const control = new AbortController();
    const progress = (done: number, all: number) => {
      steps.push([done, all]);
      if (isGivenUp) control.abort();
    };
    try {
      const game = await load('hud.json', { progress, signal: control.signal });
      return { steps, rect: game.view('dive').now.on.rect('surface') };
    } catch (error) {
      const { name, message } = error as Error;
      return { steps, error: `${name}: ${message}` };
    }
  }, gaveUp);

test('files are counted as they come, and the view is laid out', async () => {
  const { steps, rect } = await loaded();
  expect(steps).toEqual([
    [1, 2],
    [2, 2],
  ]);
  expect(rect!.height).toBeGreaterThan(20);
});

test('a server that does not know WebAssembly serves the shaper as well', async () => {
  const { rect } = await loaded();
  instead.set('shaper.wasm', { type: 'application/octet-stream' });
  expect(await loaded()).toMatchObject({ rect });
});

test.each<[string, string, Answer, RegExp]>([
  ['no shaper', 'shaper.wasm', { status: 404 }, /^Error: the shaper is not at .*shaper\.wasm: give/],
  [
    'a page in place of the shaper',
    'shaper.wasm',
    { type: 'text/html', body: '<!doctype html>' },
    /^Error: the shaper is not at .*shaper\.wasm: give/,
  ],
  [
    'something else under the name of WebAssembly',
    'shaper.wasm',
    { body: 'not found' },
    /^Error: the shaper is not at .*shaper\.wasm: give/,
  ],
  [
    'no font',
    'inter-400.ttf',
    { status: 404 },
    /^LoadError: the font Inter is not at http:\S+\/inter-400\.ttf: the server says 404$/,
  ],
  [
    'no document',
    'hud.json',
    { status: 500 },
    /^LoadError: the packed document is not at \S+: the server says 500$/,
  ],
  [
    'a page in place of the document',
    'hud.json',
    { body: '<html>' },
    /^PackError: \S+ is no packed document: it is not JSON$/,
  ],
  [
    'a document of another version',
    'hud.json',
    { body: '{"pimbot-pack":0}' },
    /^PackError: this document was packed by another version/,
  ],
])('%s is one sentence', async (_, file, answer, said) => {
  instead.set(file, answer);
  const { error } = await loaded();
  expect(error).toMatch(said);
});

test('loading is given up', async () => {
  expect((await loaded(true)).error).toMatch(/^AbortError: /);
});

test('of several views of a page no two elements have one id, whichever was taken away before', async () => {
  const ids = await page.evaluate(async () => {
    type Game = { view(name: string): object };
    type Mounted = { frame(ms: number): void; unmount(): void };
    const { load, mount } = window as unknown as {
      load: (file: string) => Promise<Game>;
      mount: (canvas: HTMLCanvasElement, live: object, options: object) => Mounted;
    };
    const game = await load('hud.json');
    const shown = (role?: string) => {
      const canvas = document.createElement('canvas');
      // A role of the page's own stays, and counts as well.
      if (role !== undefined) canvas.setAttribute('role', role);
      document.body.append(canvas);
      const view = mount(canvas, game.view('dive'), { loop: false });
      view.frame(0);
      return view;
    };
    const first = shown();
    shown('img');
    shown('img');
    first.unmount();
    shown();
    return [...document.querySelectorAll('[id]')].map(({ id }) => id);
  });
  expect(ids.filter((id) => id.endsWith('-surface'))).toHaveLength(3);
  expect(ids).toHaveLength(new Set(ids).size);
});
