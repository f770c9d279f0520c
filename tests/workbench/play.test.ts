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
  await hand.page.waitForFunction(() => window.bench.values.value.page === 'log');
  // A part of a map as well.
  await hand.page.getByLabel('crew.mate.name').fill('Mo');
  await hand.page.waitForFunction(
    () => JSON.stringify(window.bench.values.value.crew) === '{"mate":{"name":"Mo"}}',
  );
  expect(hand.problems).toEqual([]);
  await hand.close();
});
