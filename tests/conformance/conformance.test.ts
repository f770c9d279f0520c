import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { Browser } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';
import { judge } from './judge.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await startBrowser();
});
afterAll(() => browser.close());

test('600 random trees are laid out as Chromium lays out the same in CSS', async () => {
  const seeds = Array.from({ length: 600 }, (_, index) => 1000 + index);
  expect(await judge(browser, seeds)).toEqual([]);
});
