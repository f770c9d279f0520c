import { execFileSync } from 'node:child_process';
import { copyFileSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { join, resolve } from 'node:path';
import type { Browser } from 'playwright-core';
import { filesIn, newProject, writeFiles } from '../tests/support/page-files.ts';
import { serve } from '../tests/support/serve.ts';
import { median } from './browser.ts';

/** The HUD of docs/in-a-game.md, and the same in HTML over the same canvas, both counting a number every frame. */
export interface HudPages {
  /** Milliseconds from the start of a load to the first painted HUD, ours and theirs in turn. */
  firstHud(loads: number): Promise<{ ours: number; theirs: number }>;
  /** Milliseconds of processor time a second, of the page and of what puts it on the screen. */
  everyFrame(seconds: number): Promise<{ ours: number; theirs: number }>;
  close(): void;
}

const rival = `<!doctype html>
<title>Dive</title>
<style>
  @font-face { font-family: Inter; src: url(inter.woff); }
  .hud { position: fixed; inset: 0; font: 21.3px Inter }
  .hud > * { position: absolute; padding: 12px 16px; border: 0; border-radius: 8px; font: inherit }
  #depth { left: 16px; top: 16px; background: #0d4452; color: #fff }
  #surface { right: 16px; bottom: 16px; background: #ffc75f; color: #2b1700 }
  #surface:hover { background: #ffe2a8 }
</style>
<canvas style="position: fixed; inset: 0; width: 100%; height: 100%"></canvas>
<div class="hud"><div id="depth"></div><button id="surface">Surface</button></div>
<script type="module" src="main.js"></script>
`;

const rivalScript = `const label = document.querySelector('#depth');
let [depth, speed, last] = [412, 10, performance.now()];
document.querySelector('#surface').addEventListener('click', () => (speed = -400));
function frame(now) {
  depth = Math.max(0, depth + (speed * (now - last)) / 1000);
  last = now;
  label.textContent = 'Depth ' + Math.round(depth) + ' m';
  requestAnimationFrame(frame);
}
requestAnimationFrame(frame);
`;

export async function hudPages(browser: Browser): Promise<HudPages> {
  const folder = newProject();
  writeFiles(folder, filesIn('docs/in-a-game.md', 'A HUD in five files'));
  execFileSync(process.execPath, [resolve('node_modules/vite/bin/vite.js'), 'build', '--logLevel', 'error'], {
    cwd: folder,
    env: { ...process.env, NODE_OPTIONS: '' },
  });
  const other = join(folder, 'dist', 'html');
  mkdirSync(other);
  writeFileSync(join(other, 'index.html'), rival);
  writeFileSync(join(other, 'main.js'), rivalScript);
  copyFileSync('assets/fonts/inter-400.woff', join(other, 'inter.woff'));
  const server = await serve(join(folder, 'dist'));
  const home = `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
  const theirs = `${home}html/index.html`;
  const context = await browser.newContext({ viewport: { width: 1280, height: 720 } });

  const firstPaint = async (url: string): Promise<number> => {
    const page = await context.newPage();
    await page.goto(url);
    const time = await page.evaluate(
      () =>
        new Promise<number>((done) => {
          new PerformanceObserver((list) => {
            const found = list.getEntriesByName('first-contentful-paint')[0];
            if (found) done(found.startTime);
          }).observe({ type: 'paint', buffered: true });
        }),
    );
    await page.close();
    return time;
  };

  const busy = async (url: string, seconds: number): Promise<number> => {
    const page = await context.newPage();
    await page.goto(url);
    await page.waitForTimeout(1000);
    const session = await browser.newBrowserCDPSession();
    const spent = async () => {
      const { processInfo } = await session.send('SystemInfo.getProcessInfo');
      return processInfo.reduce((sum, { cpuTime }) => sum + cpuTime, 0);
    };
    const before = await spent();
    await page.waitForTimeout(seconds * 1000);
    const after = await spent();
    await page.close();
    return ((after - before) * 1000) / seconds;
  };

  return {
    async firstHud(loads) {
      const found: { ours: number; theirs: number }[] = [];
      for (let load = 0; load < loads + 1; load++)
        found.push({ ours: await firstPaint(home), theirs: await firstPaint(theirs) });
      const warm = found.slice(1);
      return {
        ours: median(warm.map((one) => one.ours)),
        theirs: median(warm.map((one) => one.theirs)),
      };
    },
    async everyFrame(seconds) {
      return { ours: await busy(home, seconds), theirs: await busy(theirs, seconds) };
    },
    close() {
      server.close();
      rmSync(folder, { recursive: true });
    },
  };
}
