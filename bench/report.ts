import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { Browser } from 'playwright-core';
import { median } from './browser.ts';

/** A document in which much is wrong: buttons of four views, too small and too near to each other. */
function wrong(): string {
  const button = (nth: number) =>
    `      - { id: b${nth}, kind: button, text: Go, style: key, anchor: left top, offset: ${(nth % 12) * 165} ${Math.floor(nth / 12) * 60}, size: ${nth % 3 === 0 ? '160 50' : '170 40'} }`;
  const buttons = Array.from({ length: 41 }, (_, nth) => button(nth)).join('\n');
  const views = ['dive', 'dock', 'belt', 'log'].map(
    (name) => `  ${name}:\n    backdrop: "#000"\n    children:\n${buttons}`,
  );
  return `pimbot: 1\nstyles: { key: { background: "#123456" } }\nviews:\n${views.join('\n')}\n`;
}

/** A report with more than 1,000 findings on 46 screens. */
export interface OpenedReport {
  readonly findings: number;
  readonly bytes: number;
  /** Milliseconds of the processor that the page's own thread takes to open it. The median. */
  readonly cpu: number;
}

export async function openedReport(browser: Browser, rounds: number): Promise<OpenedReport> {
  const folder = mkdtempSync(join(tmpdir(), 'pimbot-'));
  const [document, report] = [join(folder, 'hud.yaml'), join(folder, 'report.html')];
  writeFileSync(document, wrong());
  const args = ['bin/pimbot.js', 'check', document, '--no-cache', '--report', report];
  const { status } = spawnSync(process.execPath, args, { stdio: 'ignore' });
  if (status !== 1) throw new Error(`the check ended with ${status}`);
  const times: number[] = [];
  let findings = 0;
  for (let round = 0; round < rounds; round++) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const session = await page.context().newCDPSession(page);
    await session.send('Performance.enable', { timeDomain: 'threadTicks' });
    await page.goto(pathToFileURL(report).href);
    await page.waitForSelector('body[data-ready]');
    await page.evaluate(() => new Promise((done) => requestIdleCallback(done)));
    const { metrics } = await session.send('Performance.getMetrics');
    times.push(1000 * metrics.find(({ name }) => name === 'TaskDuration')!.value);
    findings = await page.locator('.cause li').count();
    await page.close();
  }
  const bytes = statSync(report).size;
  rmSync(folder, { recursive: true });
  return { findings, bytes, cpu: median(times) };
}
