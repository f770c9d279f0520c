import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { Browser } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';
import { judge } from './judge.ts';
import { rounds, seedOf } from '../support/deep.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await startBrowser();
});
afterAll(() => browser.close());

test('random trees are laid out as Chromium lays out the same in CSS', async () => {
  const seeds = Array.from({ length: rounds(150, 600) }, (_, index) => seedOf(1000) + index);
  const { found, onEdge } = await judge(browser, seeds);
  expect(found).toEqual([]);
  expect(onEdge.length).toBeLessThan(3);
});

test('a line that fits by less than Chromium rounds is not held against either', async () => {
  expect(await judge(browser, [61522])).toEqual({ found: [], onEdge: [61522] });
});
