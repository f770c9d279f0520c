import { spawn } from 'node:child_process';
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import type { Browser } from 'playwright-core';
import { filesIn, newProject, writeFiles } from '../tests/support/page-files.ts';
import { median } from './browser.ts';

const known = '  const { input } = mount(';

/** Milliseconds from a written file of the HUD of docs/in-a-game.md to its new place in the running game, under `vite`. The median. */
export async function reloaded(browser: Browser, count: number): Promise<number> {
  const folder = newProject();
  const files = new Map(filesIn('docs/in-a-game.md', 'A HUD in five files'));
  const main = files.get('main.ts')!;
  if (!main.includes(known)) throw new Error('the page of the HUD is another one');
  files.set('main.ts', main.replace(known, `  Object.assign(window, { dive });\n${known}`));
  writeFiles(folder, files);
  const vite = spawn(process.execPath, [resolve('node_modules/vite/bin/vite.js'), '--host', '127.0.0.1'], {
    cwd: folder,
    env: { ...process.env, NODE_OPTIONS: '', NO_COLOR: '1' },
  });
  try {
    const url = await new Promise<string>((done, failed) => {
      vite.stdout.on('data', (data: Buffer) => {
        const [found] = /http:\S+/.exec(data.toString()) ?? [];
        if (found) done(found);
      });
      vite.on('exit', (code) => failed(new Error(`vite ended with ${code}`)));
    });
    const page = await browser.newPage({ viewport: { width: 1920, height: 1080 } });
    await page.goto(url);
    await page.waitForFunction('window.dive');
    const file = join(folder, 'hud.yaml');
    const text = readFileSync(file, 'utf8');
    const times: number[] = [];
    for (let nth = 0; nth <= count; nth++) {
      const offset = 100 + nth;
      const next = text.replace('anchor: left top, offset: 24', `anchor: left top, offset: ${offset}`);
      if (next === text) throw new Error('the HUD is another one');
      const seen = page.evaluate(
        (wanted) =>
          new Promise<number>((done) => {
            const { dive } = window as unknown as { dive: { read(id: string, into: { x: number }): void } };
            const look = () => {
              const rect = { x: 0, y: 0, width: 0, height: 0 };
              dive.read('depth', rect);
              if (Math.abs(rect.x - wanted) < 0.5) done(Date.now());
              else setTimeout(look, 2);
            };
            look();
          }),
        offset,
      );
      await new Promise((done) => setTimeout(done, 300));
      const start = Date.now();
      writeFileSync(file, next);
      const took = (await seen) - start;
      // The first one is made by code that is not warm yet.
      if (nth > 0) times.push(took);
    }
    await page.close();
    return median(times);
  } finally {
    vite.removeAllListeners('exit');
    vite.kill();
    rmSync(folder, { recursive: true, force: true });
  }
}
