import { spawnSync } from 'node:child_process';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { Browser, Page } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';
import { violationsOf } from '../support/axe.ts';
import { serve } from '../support/serve.ts';

/* `npm run docs`: built, opened, searched and read as a newcomer would. */

let browser: Browser;
let server: Server;
let page: Page;
let home: string;
const asked: string[] = [];

beforeAll(async () => {
  const built = spawnSync(process.execPath, ['scripts/docs.mjs', '--build'], {
    encoding: 'utf8',
    env: { ...process.env, NODE_OPTIONS: '' },
  });
  // A link that leads nowhere ends it.
  expect([built.status, built.stderr]).toEqual([0, '']);
  server = await serve('site/built');
  home = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  browser = await startBrowser();
  page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  page.on('request', (request) => asked.push(request.url()));
});
afterAll(async () => {
  await browser.close();
  server.close();
});

/** Opens the search: a page that has come may not hear keys yet. */
async function openSearch(): Promise<void> {
  const box = page.locator('.VPLocalSearchBox input');
  for (let tries = 0; tries < 500 && (await box.count()) === 0; tries++) {
    await page.keyboard.press('/');
    await page.waitForTimeout(100);
  }
  expect(await box.count()).toBe(1);
}

describe('the documentation', () => {
  test('is searched without a network', async () => {
    await page.goto(home);
    for (const [words, found] of [
      ['bind a bar to health', 'How do I bind a bar to health?'],
      ['least-millimetres', 'reference'],
      ['thumb', 'A target too small for a thumb'],
    ] as const) {
      await openSearch();
      await page.fill('.VPLocalSearchBox input', words);
      // What was found before stands there until the search is done.
      await page.locator('.VPLocalSearchBox .result', { hasText: found }).first().waitFor();
      await page.keyboard.press('Escape');
      await page.waitForSelector('.VPLocalSearchBox', { state: 'detached' });
    }
    expect(asked.filter((url) => !url.startsWith(home) && !url.startsWith('data:'))).toEqual([]);
  });

  test('answers ten questions two clicks from the start', async () => {
    await page.goto(`${home}/`);
    await page.click('main a:has-text("Ten questions")');
    await page.waitForURL(/questions/);
    await page.locator('main h1', { hasText: 'questions' }).waitFor();
    const questions = await page.locator('main h2').allTextContents();
    expect(questions.filter((question) => question.includes('?'))).toHaveLength(10);
  });

  test('has every key of a document, every command and every check', async () => {
    const { documentSchema, checks, documentChecks } = await import('pimbot/tools');
    await page.goto(`${home}/keys.html`);
    const keys = await page.locator('main td:first-child').allTextContents();
    const { $defs } = documentSchema;
    for (const properties of [
      documentSchema.properties,
      $defs.view.properties,
      $defs.widget.else.properties,
      $defs.look.properties,
    ])
      expect(Object.keys(properties).filter((key) => !keys.includes(key))).toEqual([]);
    // Nothing is listed without a word about it.
    expect(await page.locator('main td:nth-child(2):empty').count()).toBe(0);
    await page.goto(`${home}/commands.html`);
    const commands = await page.locator('main h2').allTextContents();
    expect(commands.length).toBe(16);
    await page.goto(`${home}/checks/README.html`);
    const text = await page.textContent('main');
    for (const { id } of [...checks, ...documentChecks]) expect(text).toContain(id);
  });

  test('axe-core finds nothing, light and dark', async () => {
    for (const colorScheme of ['light', 'dark'] as const)
      for (const path of ['', 'keys.html', 'questions.html', 'checks/thumb-target.html']) {
        await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' });
        await page.goto(`${home}/${path}`);
        expect([colorScheme, path, ...(await violationsOf(page))]).toEqual([colorScheme, path]);
      }
  });
});
