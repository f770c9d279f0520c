import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { Browser, Page } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';
import { serve } from '../support/serve.ts';

describe('the viewer', () => {
  let server: Server;
  let browser: Browser;
  let page: Page;
  const problems: string[] = [];

  beforeAll(async () => {
    server = await serve('examples/viewer/dist');
    browser = await startBrowser();
    page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    page.on('pageerror', (error) => problems.push(error.message));
    await page.goto(`http://127.0.0.1:${(server.address() as AddressInfo).port}/`);
    await page.waitForSelector('body[data-ready=yes]');
  });
  afterAll(async () => {
    await browser.close();
    server.close();
    expect(problems).toEqual([]);
  });

  /** Size of the canvas and a number that stands for what is drawn on it. */
  const drawn = () =>
    page.evaluate(() => {
      const canvas = document.getElementById('canvas') as HTMLCanvasElement;
      const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
      let sum = 0;
      let colors = 0;
      for (let at = 0; at < data.length; at += 4 * 97) {
        sum = (sum * 31 + data[at]! + data[at + 1]! * 7 + data[at + 2]! * 13) % 1_000_003;
        if (data[at + 3] === 255) colors++;
      }
      return { width: canvas.width, height: canvas.height, sum, filled: colors / (data.length / (4 * 97)) };
    });
  const found = () => page.locator('#findings li').count();

  test('draws the demo on a desktop, and finds nothing', async () => {
    const { width, height, filled } = await drawn();
    expect([width, height]).toEqual([1920, 1080]);
    expect(filled).toBeGreaterThan(0.99);
    expect(await page.textContent('#summary')).toBe('Nothing found on this screen');
  });

  test('another screen changes the drawing and its size', async () => {
    const before = await drawn();
    await page.click('[data-screen=phone-portrait]');
    const after = await drawn();
    expect([after.width, after.height]).toEqual([1080, 2400]);
    expect(after.sum).not.toBe(before.sum);
    expect(await page.textContent('#caption')).toContain('1080 × 2400 px');
  });

  test('another language and another theme are drawn at once', async () => {
    const english = await drawn();
    await page.selectOption('#locale', 'ar');
    const arabic = await drawn();
    expect(arabic.sum).not.toBe(english.sum);
    await page.selectOption('#theme', 'lantern');
    expect((await drawn()).sum).not.toBe(arabic.sum);
    expect(await page.textContent('#summary')).toBe('Nothing found on this screen');
    await page.selectOption('#theme', 'brine');
    await page.selectOption('#locale', 'en');
    expect((await drawn()).sum).toBe(english.sum);
  });

  test('a larger HUD is checked as it is drawn, on this screen and on the others', async () => {
    await page.click('[data-screen=desktop]');
    await page.fill('#hud-size', '2.5');
    await page.waitForFunction(() => document.querySelectorAll('#findings li').length > 0);
    await page.waitForFunction(
      () => Number(document.querySelector('[data-screen=ultrawide] .count')?.textContent) > 0,
    );
    await page.fill('#hud-size', '1');
    await page.waitForFunction(() => document.getElementById('summary')!.textContent.startsWith('Nothing'));
  });

  test('the broken document has findings, and others on another screen', async () => {
    await page.selectOption('#document', { label: 'Broken on purpose' });
    await page.waitForFunction(() => document.querySelectorAll('#findings li').length > 0);
    await page.selectOption('#case', 'worst');
    await page.click('[data-screen=television]');
    const television = await found();
    await page.click('[data-screen=desktop-4k]');
    expect(television).toBeGreaterThan(await found());
    expect(await found()).toBe(7);
    const marked = await drawn();
    await page.uncheck('#show-findings');
    expect((await drawn()).sum).not.toBe(marked.sum);
  });

  test('a window of any size is laid out anew when it is resized', async () => {
    await page.selectOption('#document', { label: 'Fathom Post' });
    await page.waitForFunction(() => document.getElementById('summary')!.textContent.startsWith('Nothing'));
    await page.click('[data-screen="any size"]');
    const before = await drawn();
    await page.evaluate(() => {
      const frame = document.getElementById('frame')!;
      frame.style.width = '420px';
      frame.style.height = '300px';
    });
    await page.waitForFunction(
      (width) => (document.getElementById('canvas') as HTMLCanvasElement).width !== width,
      before.width,
    );
    expect((await drawn()).width).toBe(418);
    await page.waitForFunction(() => document.querySelectorAll('#findings li').length > 2);
  });
});
