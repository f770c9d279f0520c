import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join, resolve } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { screens } from 'pimbot';
import { openProject } from 'pimbot/node';
import { checkDocument } from 'pimbot/tools';
import type { Browser, Locator, Page } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';
import { filesIn, newProject, writeFiles } from '../support/page-files.ts';
import { serve } from '../support/serve.ts';

/* docs/in-a-game.md, followed to the letter: its files copied out, built, opened and clicked. */

const vite = resolve('node_modules/vite/bin/vite.js');
const page = 'docs/in-a-game.md';
const first = filesIn(page, 'A HUD in five files');
const more = filesIn(page, 'A pause menu, a map, a language');

let folder: string;
let browser: Browser;
beforeAll(async () => {
  folder = newProject();
  browser = await startBrowser();
});
afterAll(async () => {
  await browser.close();
  rmSync(folder, { recursive: true });
});

/** Copies files out of the page and builds them. */
const build = (files: ReadonlyMap<string, string>) => {
  writeFiles(folder, files);
  execFileSync(process.execPath, [vite, 'build', '--logLevel', 'error'], { cwd: folder });
};

const built = async (files: ReadonlyMap<string, string>, does: (shown: Page) => Promise<void>) => {
  build(files);
  await opened(join(folder, 'dist'), does);
};

/** Serves a folder and opens its page. */
const opened = async (served: string, does: (shown: Page) => Promise<void>) => {
  const server: Server = await serve(served);
  const shown = await browser.newPage({ viewport: { width: 1280, height: 720 } });
  const problems: string[] = [];
  shown.on('pageerror', ({ message }) => problems.push(message));
  try {
    await shown.goto(`http://127.0.0.1:${(server.address() as AddressInfo).port}/`);
    await does(shown);
  } finally {
    await shown.close();
    server.close();
  }
  expect(problems).toEqual([]);
};

/** A widget by its role and name, as a screen reader finds it; pressed where it stands, as a player would. */
const press = async (shown: Page, name: string) => {
  const box = await shown.getByRole('button', { name }).boundingBox();
  await shown.mouse.click(box!.x + box!.width / 2, box!.y + box!.height / 2);
};

test('the code of the first HUD has 25 lines at the most', () => {
  const lines = first.get('main.ts')!.trimEnd().split('\n').length;
  const document = first.get('hud.yaml')!.trimEnd().split('\n').length;
  expect(lines).toBeLessThanOrEqual(25);
  expect(document).toBeLessThanOrEqual(25);
});

test.each([
  ['the first HUD', first],
  ['the second', more],
])('%s holds on every screen', async (_, files) => {
  writeFiles(folder, files);
  const { document, resources, diagnostics } = await openProject(join(folder, 'hud.yaml'));
  expect(diagnostics).toEqual([]);
  const { findings } = checkDocument(document!, { resources, screens });
  expect(findings.map(({ check, widget }) => [check, widget])).toEqual([]);
});

test('the first HUD is built with no setting, and its button answers', async () => {
  await built(first, async (shown) => {
    await shown.getByText(/^Depth \d+ m$/).waitFor();
    await press(shown, 'Surface');
    await shown.getByText('Depth 0 m').waitFor();
    // What the page asks for beforehand is all that its script loads, and comes once.
    const beforehand = await shown
      .locator('link[rel=preload], link[rel=modulepreload]')
      .evaluateAll((links) => links.map((one) => (one as HTMLLinkElement).href));
    const came = await shown.evaluate(() => performance.getEntriesByType('resource').map(({ name }) => name));
    expect(beforehand.map((one) => one.split('.').at(-1)).sort()).toEqual(['js', 'ttf', 'wasm']);
    expect(came.filter((one) => beforehand.includes(one)).sort()).toEqual([...beforehand].sort());
    expect(came.filter((one) => /\.(ttf|wasm)$/.test(one))).toHaveLength(2);
  });
});

test('a page that imports its HUD later, or asks not to, loads nothing beforehand', () => {
  const later = first
    .get('main.ts')!
    .replace("import hud from './hud.yaml';\n", '')
    .replace('load(hud)', "import('./hud.yaml').then((one) => load(one.default))");
  const unasked = first.get('vite.config.ts')!.replace('pimbot()', 'pimbot({ preload: false })');
  for (const [name, text] of [
    ['main.ts', later],
    ['vite.config.ts', unasked],
  ] as const) {
    build(new Map([...first, [name, text]]));
    expect(readFileSync(join(folder, 'dist/index.html'), 'utf8')).not.toMatch(/<link[^>]*(ttf|wasm|engine)/);
  }
  build(first);
});

test('without Vite: the commands of the page, its files, and a button that answers', async () => {
  const text = readFileSync(page, 'utf8');
  const commands = /^```sh\n(pimbot pack[^]*?)^```/m.exec(text)![1]!.trim().split('\n');
  const files = new Map([...first, ...filesIn(page, 'Without Vite')]);
  files.set('index.html', files.get('index.html')!.replace(/src="[^"]*"/, 'src="public/main.js"'));
  writeFiles(folder, files);
  const programs: Record<string, string> = {
    pimbot: resolve('bin/pimbot.js'),
    esbuild: resolve('node_modules/esbuild/bin/esbuild'),
  };
  for (const command of commands) {
    const [program, ...args] = command.split(' ');
    // esbuild is a program of its own, not a script.
    const started = program === 'pimbot' ? process.execPath : programs[program!]!;
    const given = program === 'pimbot' ? [programs.pimbot!, ...args] : args;
    execFileSync(started, given, { cwd: folder, stdio: 'pipe', env: { ...process.env, NODE_OPTIONS: '' } });
  }
  expect(commands).toHaveLength(2);
  await opened(folder, async (shown) => {
    await shown.getByText('Depth 412 m').waitFor();
    await press(shown, 'Surface');
    await shown.getByText('Depth 0 m').waitFor();
  });
});

test('what does not fit the document does not compile', () => {
  build(first);
  const [good, ...wrong] = [
    `game.view('dive').set({ depth: 1 });`,
    `game.view('dive').set({ dpeth: 1 });`,
    `game.view('dive').set({ depth: 'deep' });`,
    `game.view('dove');`,
    `game.view('dive').indexOf('surfaec');`,
    `game.view('dive', { locale: 'fr' });`,
  ];
  const use = wrong.map((line) => `  // @ts-expect-error\n  ${line}`).join('\n');
  writeFileSync(
    join(folder, 'wrong.ts'),
    `import { load } from 'pimbot/browser';\nimport hud from './hud.yaml';\n\nload(hud).then((game) => {\n  ${good}\n${use}\n});\n`,
  );
  const options = JSON.parse(first.get('tsconfig.json')!) as { compilerOptions: object };
  Object.assign(options.compilerOptions, { skipLibCheck: false, types: [] });
  // All that the page's own settings take in, as a newcomer's `tsc` would.
  writeFileSync(join(folder, 'tsconfig.json'), JSON.stringify(options));
  const tsc = resolve('node_modules/typescript/bin/tsc');
  expect(() => execFileSync(process.execPath, [tsc, '-p', folder], { encoding: 'utf8' })).not.toThrow();
});

test('then a menu that keeps the focus, a map of the game and another language', async () => {
  await built(new Map([...first, ...more]), async (shown) => {
    await shown.getByText(/^Depth \d+ m$/).waitFor();
    await press(shown, 'Pause');
    await shown.getByRole('dialog').waitFor();
    await press(shown, 'Deutsch');
    await shown.getByRole('button', { name: 'Weiter tauchen' }).waitFor();
    // The dialog has the input for itself; Escape closes it.
    await shown.keyboard.press('Escape');
    await shown.getByRole('dialog').waitFor({ state: 'detached' });
    await shown.getByText(/^Tiefe \d+ m$/).waitFor();
    const map = await shown.evaluate(() => {
      const canvas = document.querySelector('canvas')!;
      const { data } = canvas.getContext('2d')!.getImageData(canvas.width - 300, 0, 300, 300);
      return Array.from(
        { length: data.length / 4 },
        (_, at) => data[4 * at]! * 65536 + data[4 * at + 1]! * 256 + data[4 * at + 2]!,
      ).includes(0x7fe3f2);
    });
    expect(map).toBe(true);
  });
});

/**
 * Saves a file until a page shows what follows from it: who watches files may miss the second of two changes that come at once, and
 * saving again is what people do then.
 */
async function saved(file: string, text: string, seen: Locator): Promise<void> {
  for (;;) {
    writeFileSync(file, text);
    const isSeen = await seen.waitFor({ timeout: 5000 }).then(
      () => true,
      () => false,
    );
    if (isSeen) return;
  }
}

describe('while developing', () => {
  let server: ChildProcess;
  let address: string;
  beforeAll(async () => {
    writeFiles(folder, first);
    server = spawn(process.execPath, [vite, '--host', '127.0.0.1', '--port', '0'], { cwd: folder });
    let said = '';
    while (!/http:\/\/127\.0\.0\.1:\d+\//.test(said)) {
      const [chunk] = (await once(server.stdout!, 'data')) as [Buffer];

      said += chunk.toString().replace(/\u001b\[\d+m/g, '');
    }
    [address] = /http:\/\/127\.0\.0\.1:\d+\//.exec(said)! as unknown as [string];
  });
  afterAll(() => {
    server.kill();
  });

  test('a change is shown in the running game, a mistake over it, and nothing is lost', async () => {
    const file = join(folder, 'hud.yaml');
    const text = readFileSync(file, 'utf8');
    const shown = await browser.newPage({ viewport: { width: 1280, height: 720 } });
    await shown.goto(address);
    await press(shown, 'Surface');
    await shown.getByText('Depth 0 m').waitFor();
    // Only a page that was not loaded again has it.
    await shown.evaluate(() => Object.assign(window, { kept: true }));
    await saved(
      file,
      text.replace('text: Surface', 'text: Rise'),
      shown.getByRole('button', { name: 'Rise' }),
    );
    expect(await shown.getByText('Depth 0 m').count()).toBe(1);
    // Some editors empty a file before they write it: nothing is loaded of what is not there yet.
    writeFileSync(file, '');
    await new Promise((done) => setTimeout(done, 60));
    await saved(file, text.replace('text: Surface', 'text: Up'), shown.getByRole('button', { name: 'Up' }));
    expect(await shown.evaluate(() => (window as unknown as { kept?: boolean }).kept)).toBe(true);
    await saved(
      file,
      text.replace('text: Surface', 'text: Rise'),
      shown.getByRole('button', { name: 'Rise' }),
    );
    const overlay = shown.locator('vite-error-overlay');
    const mistaken = text.replace('anchor: left top', 'anchr: left top');
    await saved(file, mistaken, overlay.getByText('did you mean "anchor"?').first());
    await overlay.getByText('hud.yaml:15:48').first().waitFor();
    expect(await shown.getByRole('button', { name: 'Rise' }).count()).toBe(1);
    await saved(file, text, shown.getByRole('button', { name: 'Surface' }));
    // Under the same id it is another thing to a screen reader.
    const lamp = text.replace('kind: button', 'kind: checkbox').replace('text: Surface', 'label: Surface');
    await saved(file, lamp, shown.getByRole('checkbox', { name: 'Surface' }));
    expect(await shown.getByRole('button', { name: 'Surface' }).count()).toBe(0);
    await saved(file, text, shown.getByRole('button', { name: 'Surface' }));
    expect(await shown.evaluate(() => (window as unknown as { kept?: boolean }).kept)).toBe(true);
    await shown.close();
    expect(existsSync(join(folder, 'hud.d.yaml.ts'))).toBe(true);
  });
});
