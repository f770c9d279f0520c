import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { Browser } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';
import { random } from '../../bench/trees.ts';
import { judge } from './judge.ts';
import { laidOut, numbers } from '../support/views.ts';
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
  expect(onEdge).toEqual([]);
});

test('a line that fits by less than Chromium rounds is not held against either', async () => {
  expect(await judge(browser, [61522])).toEqual({ found: [], onEdge: [61522] });
});

test('limits carried over by an aspect are those of CSS Sizing 4 §6.2 where content gives the size', async () => {
  const next = random(seedOf(62));
  const upTo = (most: number) => 1 + Math.floor(next() * most);
  const page = await browser.newPage({ viewport: { width: 1000, height: 800 } });
  for (let nth = 0; nth < rounds(12, 200); nth++) {
    const [wide, ratio] = [upTo(400), upTo(4) / upTo(3)];
    const limits: Record<string, number> = {};
    for (const key of ['min-width', 'max-width', 'min-height', 'max-height'])
      if (next() < 0.6) limits[key] = upTo(300);
    const css = Object.entries(limits).map(([key, value]) => `${key}:${value}px`);
    await page.setContent(
      `<!doctype html><body style="margin:0"><div id="box" style="position:absolute;width:fit-content;aspect-ratio:${ratio};${css.join(';')}"><div style="width:${wide}px;height:0"></div></div>`,
    );
    const theirs = await page.evaluate(() => {
      const { width, height } = document.getElementById('box')!.getBoundingClientRect();
      return [width, height];
    });
    const on = laidOut([{ id: 'box', aspect: ratio, ...limits, children: [{ width: wide, height: 0 }] }]);
    const ours = numbers(on, 'box').slice(2);
    const told = JSON.stringify({ wide, ratio, limits, ours, theirs });
    expect([told, ours.map((one, at) => Math.abs(one - theirs[at]!) < 0.1)]).toEqual([told, [true, true]]);
  }
  await page.close();
});
