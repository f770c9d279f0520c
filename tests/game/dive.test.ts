import { readFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { LiveView, ViewInput } from 'pimbot';
import { screens } from 'pimbot';
import { openProject } from 'pimbot/node';
import { checkDocument } from 'pimbot/tools';
import type { Browser, Page } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';
import type { Game } from '../../examples/dive/game.ts';
import { serve } from '../support/serve.ts';

/* The game of examples/dive, played in a real browser by keys, pointer and pad. Time is handed in. */

interface Played {
  readonly game: Game;
  readonly hud: LiveView;
  readonly input: ViewInput;
  readonly step: (ms: number) => void;
}

test('the own code of its instruments has 150 lines at the most', () => {
  expect(readFileSync('examples/dive/hud.ts', 'utf8').trimEnd().split('\n').length).toBeLessThanOrEqual(150);
});

test('its view holds on every screen', async () => {
  const { document, resources, diagnostics } = await openProject('examples/dive/dive.yaml');
  expect(diagnostics).toEqual([]);
  const { findings } = checkDocument(document!, { resources, screens });
  expect(findings.map(({ check, widget }) => [check, widget])).toEqual([]);
});

describe('the dive', () => {
  let server: Server;
  let browser: Browser;
  let page: Page;
  const problems: string[] = [];
  beforeAll(async () => {
    server = await serve('examples/dive/dist');
    browser = await startBrowser();
    page = await browser.newPage({ viewport: { width: 1280, height: 720 } });
    page.on('pageerror', ({ message }) => problems.push(message));
  });
  afterAll(async () => {
    await browser.close();
    server.close();
    expect(problems).toEqual([]);
  });

  const open = async () => {
    await page.goto(`http://127.0.0.1:${(server.address() as AddressInfo).port}/?still`);
    await page.waitForSelector('body[data-ready]');
    await pass(200);
  };
  const pass = (ms: number) =>
    page.evaluate((all) => {
      const { step } = (window as unknown as { played: Played }).played;
      for (let gone = 0; gone < all; gone += 20) step(20);
    }, ms);
  const value = (name: string) =>
    page.evaluate((one) => (window as unknown as { played: Played }).played.hud.values.get(one), name);
  const focused = () => page.evaluate(() => (window as unknown as { played: Played }).played.input.focused);
  const click = async (name: string) => {
    const box = (await page.getByRole('button', { name }).boundingBox())!;
    await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
    await pass(200);
  };
  const press = async (...keys: readonly string[]) => {
    for (const key of keys) await page.keyboard.press(key);
    await pass(200);
  };

  test('is steered by keys, comes to a station, docks and hands over the mail', async () => {
    await open();
    expect(await value('near')).toBe(false);
    await page.keyboard.down('ArrowRight');
    await pass(1800);
    await page.keyboard.up('ArrowRight');
    await pass(400);
    expect(await value('near')).toBe(true);
    expect(await value('course')).toBe(90);
    expect(await page.getByRole('button', { name: 'E · Dock' }).count()).toBe(1);
    await press('e');
    expect(await focused()).toBe('deliver');
    await press('Enter');
    expect(await value('parcels')).toBe(0);
    // What is said waits for its turn.
    await pass(8000);
    expect(await value('call')).toBe('All there. Thank you, Limpet.');
    // The game stands still while a menu is open.
    const before = await page.evaluate(() => (window as unknown as { played: Played }).played.game.x);
    await page.keyboard.down('ArrowRight');
    await pass(500);
    await page.keyboard.up('ArrowRight');
    expect(await page.evaluate(() => (window as unknown as { played: Played }).played.game.x)).toBe(before);
    await click('Cast off');
    expect(await value('docked')).toBe(false);
  });

  test('is steered by a pointer that is held on the sea, and paused by a button', async () => {
    await open();
    await page.mouse.move(640, 500);
    await page.mouse.down();
    await pass(1500);
    await page.mouse.up();
    expect(await value('depth')).toBeGreaterThan(440);
    await click('Pause');
    expect(await focused()).toBe('resume');
    await press('Escape');
    expect(await value('paused')).toBe(false);
    await press('Escape');
    expect(await value('paused')).toBe(true);
  });

  test('has its HUD, words, colours and language tuned without a pointer', async () => {
    await page.setViewportSize({ width: 1920, height: 1080 });
    await open();
    await press('Escape', 'ArrowDown', 'Enter');
    expect(await focused()).toBe('hud-size');
    const wide = () =>
      page.evaluate(() => (window as unknown as { played: Played }).played.hud.scaleOf('gauges'));
    const before = await wide();
    await press('ArrowRight', 'ArrowRight');
    expect(await wide()).toBeGreaterThan(before);
    await press('Tab', 'Tab', 'ArrowRight', 'Tab', 'ArrowRight');
    expect([await value('theme'), await value('language')]).toEqual(['lantern', 'de']);
    await page.getByRole('button', { name: 'Fertig' }).waitFor({ state: 'attached' });
    expect(
      await page.evaluate(() => (window as unknown as { played: Played }).played.hud.occasion.theme),
    ).toBe('lantern');
  });

  test('has the theme of high contrast and no motion for players who ask their system for that', async () => {
    const now = () =>
      page.evaluate(() => {
        const { hud } = (window as unknown as { played: Played }).played;
        return [hud.occasion.theme, hud.motion];
      });
    // What a page is told of a change comes with its next frames.
    const asked = async (media: Parameters<Page['emulateMedia']>[0]) => {
      await page.emulateMedia(media);
      await page.evaluate(
        () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))),
      );
      await pass(60);
    };
    await open();
    expect(await now()).toEqual(['brine', 'full']);
    await asked({ contrast: 'more', reducedMotion: 'reduce' });
    expect(await now()).toEqual(['lantern', 'reduced']);
    await asked({ contrast: 'no-preference', reducedMotion: 'no-preference' });
    expect(await now()).toEqual(['brine', 'full']);
  });

  test('keeps off the keyboard of a phone', async () => {
    const phone = await browser.newPage({ viewport: { width: 800, height: 600 } });
    try {
      await phone.addInitScript(() => {
        const seen = Object.assign(new EventTarget(), { scale: 1, offsetTop: 0, height: 600 });
        Object.defineProperty(window, 'visualViewport', { value: seen });
      });
      await phone.goto(`http://127.0.0.1:${(server.address() as AddressInfo).port}/?still`);
      await phone.waitForSelector('body[data-ready]');
      const covered = (height: number, scale = 1) =>
        phone.evaluate(
          ([high, large]) => {
            Object.assign(window.visualViewport!, { height: high, scale: large });
            window.visualViewport!.dispatchEvent(new Event('resize'));
            return (window as unknown as { played: Played }).played.hud.frame.screen.safe.bottom;
          },
          [height, scale] as const,
        );
      expect(await covered(600)).toBe(0);
      expect(await covered(360)).toBe(240);
      // Who has zoomed in sees less of the page, and nothing lies over it.
      expect(await covered(300, 2)).toBe(0);
    } finally {
      await phone.close();
    }
  });

  test('is played with a pad, and says so', async () => {
    await open();
    const hold = (buttons: readonly number[], x = 0) =>
      page.evaluate(
        ([held, way]) => {
          const pad = {
            index: 0,
            mapping: 'standard',
            buttons: Array.from({ length: 17 }, (_, at) => ({ pressed: held.includes(at) })),
            axes: [way, 0, 0, 0],
          };
          navigator.getGamepads = () => [pad] as unknown as (Gamepad | null)[];
        },
        [buttons, x] as const,
      );
    await hold([], 1);
    await pass(1800);
    await hold([], 0);
    await pass(400);
    await page.getByRole('button', { name: 'A · Dock' }).waitFor({ state: 'attached' });
    await hold([0]);
    await pass(60);
    await hold([]);
    await pass(200);
    expect(await value('docked')).toBe(true);
    expect(await focused()).toBe('deliver');
  });
});
