import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { Browser } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';
import { Hand } from './hand.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await startBrowser();
});
afterAll(() => browser.close());

test('played, what is typed is there once, and values that change are shown beside it', async () => {
  const text = `pimbot: 1
cases: { typical: { boat: Limpet, page: log, loud: 0.5, docked: false, crew: { mate: { name: Ida } } } }
views:
  room:
    backdrop: "#000"
    children:
      - { id: boat, kind: textbox, label: Boat, text: "{boat}", anchor: left top, size: 600 80 }
      - { id: pages, kind: tabs, page: "{page}", anchor: left top, offset: 0 100, children: [ { id: log, kind: button, text: Log }, { id: map, kind: button, text: Map } ] }
      - { id: dock, kind: checkbox, label: Docked, checked: "{docked}", anchor: left top, offset: 0 300, size: 80 }
      - { id: mate, kind: text, text: "{crew.mate.name}", anchor: left top, offset: 0 400 }
`;
  const hand = await Hand.open(browser, { text });
  await hand.page.click('text=Play');
  await hand.page.waitForFunction(() => document.querySelector('.playing canvas[data-drawn]') !== null);
  const value = (name: string) => hand.page.locator(`#value-${name}`);
  expect(await value('boat').inputValue()).toBe('Limpet');
  await hand.page.locator('.playing canvas').focus();
  for (const key of ['Tab', 'End', '-', 'X', 'y']) await hand.page.keyboard.press(key);
  await hand.page.waitForFunction(
    () => (document.querySelector('#value-boat') as HTMLInputElement).value === 'Limpet-Xy',
  );
  for (const key of ['Tab', 'ArrowRight', 'Tab', 'Space']) await hand.page.keyboard.press(key);
  await hand.page.waitForFunction(
    () => (document.querySelector('#value-docked') as HTMLInputElement).checked,
  );
  expect(await value('page').inputValue()).toBe('map');
  // And the other way round.
  await value('page').fill('log');
  await hand.page.waitForFunction(() => window.bench.played.values.value.page === 'log');
  // A part of a map as well.
  await hand.page.getByLabel('crew.mate.name').fill('Mo');
  await hand.page.waitForFunction(
    () => JSON.stringify(window.bench.played.values.value.crew) === '{"mate":{"name":"Mo"}}',
  );
  expect(hand.problems).toEqual([]);
  await hand.close();
});

test('values that the view does not name stand by themselves', async () => {
  const text = `pimbot: 1
cases: { typical: { depth: 12, hull: { share: 1 }, crew: [{ name: Ida }], letters: 3, told: 1 } }
components: { gauge: { params: { at: number }, children: [{ kind: meter, value: "{at}" }] } }
views:
  dive:
    backdrop: "#000"
    children:
      - { kind: text, text: "{depth, plural, one {# m} other {# m}}" }
      - { use: gauge, at: "{hull.share}" }
      - { repeat: "{crew}", kind: text, text: "{name}" }
  dock: { backdrop: "#000", children: [{ kind: text, text: "{letters} of {told}" }] }
`;
  const hand = await Hand.open(browser, { text });
  const { page } = hand;
  await page.click('text=Play');
  await page.locator('#value-depth').waitFor();
  const others = page.locator('details', { hasText: 'of other views: 2' });
  expect(await others.locator('input[type=range]').count()).toBe(2);
  expect(await page.locator('#value-letters').isVisible()).toBe(false);
  await others.locator('summary').click();
  await page.locator('#value-letters').fill('5');
  await page.waitForFunction(() => window.bench.played.values.value.letters === 5);
  expect(hand.problems).toEqual([]);
  await hand.close();
});

test('the entries of a list can be set, come and go; a number keeps the range of all cases while it is dragged', async () => {
  const text = `pimbot: 1
cases:
  typical: { coins: 80, trust: 0.5, tools: [{ what: Lamp, left: 3 }, { what: Horn, left: 0 }] }
  worst: { coins: 1200, trust: 1, tools: [{ what: Net, left: 40 }] }
views:
  rack:
    backdrop: "#000"
    arrange: column
    children:
      - { id: coins, kind: text, text: "{coins} of {trust}" }
      - { id: tool, kind: text, repeat: "{tools}", text: "{what}: {left}" }
`;
  const hand = await Hand.open(browser, { text });
  const { page } = hand;
  await page.click('text=Play');
  const range = (name: string) =>
    page
      .getByLabel(name, { exact: true })
      .evaluate((one) => [one.getAttribute('min'), one.getAttribute('max')].map(Number));
  const tools = () => page.evaluate(() => JSON.stringify(window.bench.played.values.value.tools));
  await page.locator('#value-coins').waitFor();
  expect([await range('coins'), await range('trust')]).toEqual([
    [0, 2400],
    [0, 1],
  ]);
  await page.locator('#value-coins').fill('2400');
  await page.waitForFunction(() => window.bench.played.values.value.coins === 2400);
  expect(await range('coins')).toEqual([0, 2400]);
  // What is typed stays while something else changes, and counts on Enter.
  const coins = page.getByLabel('coins, as a number');
  await coins.focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('42');
  await page.evaluate(() => {
    const trust = document.querySelector('#value-trust') as HTMLInputElement;
    trust.value = '0.75';
    trust.dispatchEvent(new Event('input', { bubbles: true }));
  });
  await page.waitForFunction(() => window.bench.played.values.value.trust === 0.75);
  expect(await coins.inputValue()).toBe('42');
  await page.keyboard.press('Enter');
  await page.waitForFunction(() => window.bench.played.values.value.coins === 42);
  await coins.fill('5000');
  await page.keyboard.press('Enter');
  await page.waitForFunction(() => window.bench.played.values.value.coins === 5000);

  await page.click('text=tools: 2 entries');
  expect(await range('tools-1.left')).toEqual([0, 80]);
  await page.getByLabel('tools-2.what').fill('Rope');
  await page.waitForFunction(() => JSON.stringify(window.bench.played.values.value.tools).includes('Rope'));
  expect(await tools()).toBe('[{"what":"Lamp","left":3},{"what":"Rope","left":0}]');
  await page.getByLabel('one more of tools').click();
  await page.locator('text=tools: 3 entries').waitFor();
  expect(await tools()).toBe('[{"what":"Lamp","left":3},{"what":"Rope","left":0},{"what":"Rope","left":0}]');
  // Twice in a row: the second counts from the first, though nothing was answered yet.
  await page.getByLabel('one less of tools').evaluate(async (less: HTMLButtonElement) => {
    less.click();
    for (let turn = 0; turn < 20; turn++) await Promise.resolve();
    less.click();
  });
  await page.locator('text=tools: 1 entry').waitFor();
  await page.getByLabel('one less of tools').click();
  await page.locator('text=tools: 0 entries').waitFor();
  await page.getByLabel('one more of tools').click();
  await page.locator('text=tools: 1 entry').waitFor();
  expect(await tools()).toBe('[{"what":"Lamp","left":3}]');
  expect(hand.problems).toEqual([]);
  await hand.close();
});
