import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { Browser } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';
import { Hand } from './hand.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await startBrowser();
});
afterAll(() => browser.close());

const lampAt = (x: number, also = '') =>
  `pimbot: 1\nviews:\n  dive:\n    backdrop: "#000"\n    children: [{ id: lamp, offset: ${x} 100, size: 90, look: { background: "#fc8" }${also} }]\n`;
const moved = (text: string) => Number(/offset: (\d+)/.exec(text)![1]);

/** Selects the lamp, so that keys move it. */
async function takeLamp(hand: Hand): Promise<void> {
  await hand.select('lamp');
  await hand.page.locator('.viewport').focus();
}

/** Puts a text in place of what the panel of the text shows, as by pasting it. */
async function paste(hand: Hand, text: string): Promise<void> {
  await hand.page.click('#tab-text');
  await hand.page.locator('.cm-content').click();
  await hand.page.keyboard.press('Control+a');
  await hand.page.keyboard.insertText(text);
}

test('of two documents each keeps what was done to it and is not saved', async () => {
  const hand = await Hand.open(browser, { text: lampAt(100) }, {}, { 'menu.yaml': lampAt(500) });
  const choice = hand.page.getByLabel('Document');
  const menu = () => readFileSync(join(dirname(hand.folder), 'menu.yaml'), 'utf8');
  await takeLamp(hand);
  await hand.press('Shift+ArrowRight');
  await choice.selectOption('menu.yaml');
  await hand.settled();
  expect(moved(await hand.text())).toBe(500);
  expect(await choice.locator('option').allTextContents()).toEqual(['hud.yaml ●', 'menu.yaml']);
  await takeLamp(hand);
  await hand.press('ArrowLeft');
  await hand.press('Control+s');
  expect([moved(hand.disk()), moved(menu())]).toEqual([100, 499]);
  await choice.selectOption('hud.yaml');
  await hand.settled();
  expect([moved(await hand.text()), (await hand.row('lamp')).rect.x]).toEqual([110, 110]);
  await hand.press('Control+z');
  expect(moved(await hand.text())).toBe(100);
  await choice.selectOption('menu.yaml');
  await hand.settled();
  // What was saved is undone as well, and a change on disk meanwhile is there.
  expect(await choice.locator('option').allTextContents()).toEqual(['hud.yaml', 'menu.yaml']);
  await hand.press('Control+z');
  expect(moved(await hand.text())).toBe(500);
  await choice.selectOption('hud.yaml');
  await hand.settled();
  writeFileSync(join(dirname(hand.folder), 'menu.yaml'), lampAt(700));
  await choice.selectOption('menu.yaml');
  await hand.page.waitForSelector('.bar');
  expect(moved(await hand.text())).toBe(500);
  await hand.page.click('text=Take the file on disk');
  await hand.settled();
  expect([moved(await hand.text()), hand.problems]).toEqual([700, []]);
  await hand.close();
});

test('a document that cannot be read shows nothing of another one, and nothing is made of it', async () => {
  const broken = lampAt(500, ', colour: red');
  // Something is found in the one before, and is still being looked for when it is left.
  const hand = await Hand.open(browser, { text: lampAt(9000) }, {}, { 'menu.yaml': broken });
  await takeLamp(hand);
  await hand.page.keyboard.press('ArrowRight');
  await hand.page.getByLabel('Document').selectOption('menu.yaml');
  await hand.page.waitForSelector('.problems');
  await hand.page.waitForFunction(() => window.bench.busy.value === 0);
  expect(await hand.page.locator('.count, #view, #locale').count()).toBe(0);
  expect(await hand.page.textContent('.problems')).toMatch(/Nothing can be shown yet.*colour/s);
  expect(await hand.page.locator('.sheet, .thumb, [role=treeitem]').count()).toBe(0);
  for (const mode of ['All screens', 'All sizes', 'Play', 'Lay out']) await hand.page.click(`text=${mode}`);
  for (const tab of ['why', 'findings', 'sizes', 'inspect']) await hand.page.click(`#tab-${tab}`);
  await paste(hand, lampAt(300));
  await hand.settled();
  expect(await hand.page.locator('.problems').count()).toBe(0);
  expect([(await hand.row('lamp')).rect.x, hand.problems]).toEqual([300, []]);
  await hand.close();
});

test('a text with a mistake that somebody typed stays, whatever else they do', async () => {
  const hand = await Hand.open(browser, { text: lampAt(100) });
  await hand.select('lamp');
  const typed = lampAt(100, ', colour: red');
  await paste(hand, typed);
  await hand.page.waitForSelector('.problems');
  await hand.page.locator('.viewport').focus();
  await hand.press('ArrowRight');
  expect(await hand.notice()).toContain('The text has a mistake. Mend it first');
  expect(await hand.text()).toBe(typed);
  await hand.close();
});

test('what comes before the page has answered is done after it: nothing is lost, and what is shown is the text', async () => {
  const lines = `pimbot: 1\nviews:\n  dive:\n    children:\n      - id: lamp\n        offset: 100 100\n        size: 90\n`;
  const hand = await Hand.open(browser, { text: lines });
  const { page } = hand;
  await hand.select('lamp');
  const isShown = async () => expect((await hand.row('lamp')).rect.x).toBe(moved(await hand.text()));
  await page.locator('.viewport').focus();
  for (const key of ['ArrowRight', 'ArrowRight', 'Control+z', 'Shift+ArrowRight', 'Control+s'])
    await page.keyboard.press(key);
  await hand.settled();
  expect([moved(await hand.text()), moved(hand.disk())]).toEqual([111, 111]);
  await isShown();
  // Of what is typed and moved in one breath, both are there.
  await page.click('#tab-text');
  await page.locator('.cm-line', { hasText: 'offset' }).click();
  await hand.settled();
  await page.keyboard.press('End');
  await page.keyboard.insertText(' # here');
  await page.evaluate(() => document.querySelector<HTMLElement>('.viewport')!.focus());
  await page.keyboard.press('ArrowRight');
  await hand.settled();
  expect(await hand.text()).toContain('offset: 112 100 # here');
  await isShown();
  expect(hand.problems).toEqual([]);
  await hand.close();
});

test('a file that is on disk again as it was saved asks nothing more', async () => {
  const hand = await Hand.open(browser, { text: lampAt(100) });
  await takeLamp(hand);
  await hand.press('ArrowRight');
  writeFileSync(hand.folder, lampAt(400));
  await hand.page.waitForSelector('.bar');
  writeFileSync(hand.folder, lampAt(100));
  await hand.page.waitForSelector('.bar', { state: 'detached' });
  await hand.press('Control+s');
  expect([moved(hand.disk()), hand.problems]).toEqual([101, []]);
  await hand.close();
});

test('a file that is gone from disk is written again by saving twice', async () => {
  const hand = await Hand.open(browser, { text: lampAt(100) });
  await takeLamp(hand);
  await hand.press('ArrowRight');
  rmSync(hand.folder);
  await hand.press('Control+s');
  expect(await hand.notice()).toBe('hud.yaml is not on disk any more. Saving again writes it.');
  await hand.press('Control+s');
  expect(hand.disk()).toBe(lampAt(101));
  // That it is not there is an answer the page asks for.
  expect(hand.problems.filter((one) => !one.includes('404'))).toEqual([]);
  await hand.close();
});
