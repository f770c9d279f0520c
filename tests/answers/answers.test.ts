import { readFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { LiveView, ViewInput, openView, screens } from 'pimbot';
import { checkDocument } from 'pimbot/tools';
import { openProject } from 'pimbot/node';
import type { Browser, Page } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';
import type { Recording } from '../../examples/answers/main.ts';
import { pages } from '../../examples/answers/pages/index.ts';
import { serve } from '../support/serve.ts';

/* The pages of examples/answers in a real browser, by real input; what was heard there is heard again here. */

declare global {
  interface Window {
    played: {
      live: LiveView;
      input: ViewInput;
      recording: Recording;
      unmount(): void;
      frame(ms: number): void;
    };
  }
}

test.each(Object.keys(pages))('the own code of %s has 20 lines at the most', (name) => {
  const lines = readFileSync(`examples/answers/pages/${name}.ts`, 'utf8')
    .split('\n')
    .filter((line) => line.trim() !== '' && !line.startsWith('/**') && !line.startsWith('import'));
  expect(lines.length).toBeLessThanOrEqual(20);
});

test('the views hold on every screen', async () => {
  const { document, resources } = await openProject('examples/answers/answers.yaml');
  expect(
    checkDocument(document!, { resources, screens }).findings.map(({ check, widget }) => [check, widget]),
  ).toEqual([]);
});

describe('a page that answers', () => {
  let server: Server;
  let browser: Browser;
  let page: Page;
  const problems: string[] = [];

  beforeAll(async () => {
    server = await serve('examples/answers/dist');
    browser = await startBrowser();
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, hasTouch: true });
    page = await context.newPage();
    page.on('pageerror', (error) => problems.push(error.message));
  });
  afterAll(async () => {
    await browser.close();
    server.close();
    expect(problems).toEqual([]);
  });

  const open = async (name: string) => {
    await page.goto(`http://127.0.0.1:${(server.address() as AddressInfo).port}/?page=${name}&still`);
    await page.waitForSelector('body[data-ready=yes]');
  };

  /** Has so many frames of 16 ms go by: what was heard is shown. The page has no clock of its own. */
  const frames = (count = 2) =>
    page.evaluate((left) => {
      for (let one = 0; one < left; one++) window.played.frame(16);
    }, count);

  /** Turns the wheel, and waits until the page has heard it. */
  const wheel = async (deltaY: number) => {
    const heard = () =>
      page.evaluate(() => window.played.recording.steps.filter(({ event }) => event.type === 'wheel').length);
    const before = await heard();
    await page.mouse.wheel(0, deltaY);
    await page.waitForFunction(
      (count) => window.played.recording.steps.filter(({ event }) => event.type === 'wheel').length > count,
      before,
    );
  };

  /** Where a widget is on the page, in CSS px. */
  const box = (id: string) =>
    page.evaluate((wanted) => {
      const { x, y, width, height } = window.played.live.read(wanted, { x: 0, y: 0, width: 0, height: 0 });
      const { left, top } = document.querySelector('canvas')!.getBoundingClientRect();
      const ratio = devicePixelRatio;
      return { x: left + x / ratio, y: top + y / ratio, width: width / ratio, height: height / ratio };
    }, id);
  const middle = async (id: string) => {
    const { x, y, width, height } = await box(id);
    return { x: x + width / 2, y: y + height / 2 };
  };
  const click = async (id: string) => {
    const { x, y } = await middle(id);
    await page.mouse.click(x, y);
    await frames();
  };
  const value = (name: string) => page.evaluate((wanted) => window.played.live.values.get(wanted), name);
  const states = (id: string) =>
    page.evaluate(
      (wanted) => window.played.live.widgets[window.played.live.indexOf(wanted)]!.states.join(' '),
      id,
    );
  const focused = () => page.evaluate(() => window.played.input.focused);
  const press = async (...keys: readonly string[]) => {
    for (const key of keys) await page.keyboard.press(key);
    await frames();
  };

  /** What the page heard, heard again by the core, over the same view. */
  const replay = async (name: string) => {
    const { screen, steps } = await page.evaluate(() => window.played.recording);
    const { document, resources } = await openProject('examples/answers/answers.yaml');
    const live = new LiveView(openView(document!, name, { resources }), screen);
    const input = new ViewInput(live, { deviceValue: 'device' });
    pages[name]!({ live, input });
    for (const { event, effects } of steps) {
      expect([event, JSON.parse(JSON.stringify(input.hear(event)))]).toEqual([event, effects]);
      if (event.type === 'time') live.advance(event.ms);
    }
    return { live, steps };
  };

  /** A pad of the standard mapping that the page is made to see. */
  const pad = async (...buttons: readonly number[]) => {
    for (const pressed of buttons)
      for (const isDown of [true, false]) {
        await page.evaluate(
          ([button, down]) => {
            const buttons = Array.from({ length: 17 }, (_, at) => ({ pressed: at === button && down }));
            const one = { index: 0, mapping: 'standard', buttons, axes: [0, 0, 0, 0] };
            Object.assign(navigator, { getGamepads: () => [one] });
          },
          [pressed, isDown] as const,
        );
        await frames(3);
      }
  };

  test('card: entries are hovered and clicked by name, a disabled one refuses', async () => {
    await open('card');
    const { x, y } = await middle('sorting');
    await page.mouse.move(x, y);
    await frames();
    expect(await states('sorting')).toBe('hover');
    await page.mouse.down();
    await frames();
    expect(await states('sorting')).toBe('hover pressed');
    await page.mouse.up();
    await frames();
    expect(await value('said')).toBe('Chosen: sorting');
    await click('leave');
    expect(await value('said')).toBe('Not before the mail is sorted');
    const { live } = await replay('card');
    expect(live.values.get('said')).toBe('Not before the mail is sorted');
  });

  test('bridge: the side menu takes the focus, keeps it, and gives it back', async () => {
    await open('bridge');
    await press('ArrowDown', 'ArrowDown');
    expect(await focused()).toBe('tools');
    await press('Enter');
    expect(await focused()).toBe('wax');
    await press('ArrowLeft', 'ArrowRight', 'ArrowDown', 'Tab', 'Tab', 'Tab');
    expect(await focused()).toBe('lamp');
    await press('Enter');
    expect([await focused(), await value('said')]).toEqual(['tools', 'Tool: lamp']);
    await press('Enter', 'Escape');
    expect(await focused()).toBe('tools');
    await replay('bridge');
  });

  test('letter: a finger drags the page, and it goes on with its momentum; a wheel and keys scroll it', async () => {
    await open('letter');
    const { x, y } = await middle('sheet');
    const touch = await page.context().newCDPSession(page);
    const send = (type: 'touchStart' | 'touchMove' | 'touchEnd', at?: number) =>
      touch.send('Input.dispatchTouchEvent', { type, touchPoints: at === undefined ? [] : [{ x, y: at }] });
    await send('touchStart', y + 150);
    for (let step = 1; step <= 8; step++) {
      await frames(1);
      await send('touchMove', y + 150 - 25 * step);
    }
    const scrolled = () => page.evaluate(() => window.played.live.scrolled('sheet').y);
    const dragged = await scrolled();
    expect(dragged).toBeGreaterThan(100);
    await send('touchEnd');
    await frames(30);
    const after = await scrolled();
    expect(after).toBeGreaterThan(dragged);
    await page.mouse.move(x, y);
    await wheel(100);
    await frames(60);
    expect(await scrolled()).toBeGreaterThan(after);
    await press('End');
    await frames(60);
    const range = await page.evaluate(() => window.played.live.scrollRange('sheet').y);
    expect(await scrolled()).toBe(range);
    await replay('letter');
  });

  test('rack: parcels are dragged from one pigeonhole to another', async () => {
    await open('rack');
    const [from, to] = [await middle('hole-a'), await middle('hole-d')];
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(from.x + 30, from.y, { steps: 3 });
    await page.mouse.move(to.x, to.y, { steps: 5 });
    await frames();
    const carried = await middle('carried');
    expect([await value('carries'), Math.abs(carried.x - to.x) < 1, Math.abs(carried.y - to.y) < 1]).toEqual([
      true,
      true,
      true,
    ]);
    await page.mouse.up();
    await frames();
    expect([await value('said'), await value('carries')]).toEqual(['letter: a to d', false]);
    const holes = (await value('holes')) as unknown as { place: string; empty: boolean }[];
    expect(holes.filter(({ empty }) => !empty).map(({ place }) => place)).toEqual(['c', 'd', 'e', 'h']);
    await replay('rack');
  });

  test('radio: the window grows at its corner, and a message is typed and sent', async () => {
    await open('radio');
    const corner = await middle('corner');
    const before = await box('window');
    await page.mouse.move(corner.x, corner.y);
    await page.mouse.down();
    await page.mouse.move(corner.x + 100, corner.y + 60, { steps: 4 });
    await page.mouse.up();
    await frames();
    const after = await box('window');
    expect(after.width - before.width).toBeCloseTo(100, -1);
    expect(after.height - before.height).toBeCloseTo(60, -1);
    await click('line');
    await page.keyboard.type('On our way');
    await page.keyboard.insertText(' – dive 3');
    await press('Enter');
    expect(await value('log')).toMatch(/Petrel: On our way – dive 3$/);
    expect(await value('line')).toBe('');
    await replay('radio');
  });

  test('valves: the corners of round buttons do not click', async () => {
    await open('valves');
    const { x, y, width } = await box('trim');
    await page.mouse.click(x + 4, y + 4);
    await page.mouse.click(x + width - 4, y + 4);
    await frames();
    expect(await value('said')).toBe('Nothing yet');
    await page.mouse.click(x + width / 2, y + 4);
    await frames();
    expect(await value('said')).toBe('Opened: trim');
    await replay('valves');
  });

  test('lockers: the tooltip is inside of the screen and clear of the pointer at every edge', async () => {
    await open('lockers');
    for (const id of ['north-west', 'north-east', 'middle', 'south-west', 'south-east']) {
      const at = await middle(id);
      await page.mouse.move(at.x, at.y);
      await frames(40);
      expect(await value('shows-tip')).toBe(true);
      expect(await value('tip')).toContain(id);
      const tip = await box('tip');
      const canvas = (await page.locator('canvas').boundingBox())!;
      const isInside =
        tip.x >= canvas.x - 1 &&
        tip.y >= canvas.y - 1 &&
        tip.x + tip.width <= canvas.x + canvas.width + 1 &&
        tip.y + tip.height <= canvas.y + canvas.height + 1;
      const isUnder = at.x > tip.x && at.x < tip.x + tip.width && at.y > tip.y && at.y < tip.y + tip.height;
      expect([id, isInside, isUnder]).toEqual([id, true, false]);
    }
    await replay('lockers');
  });

  test('tuning: by a pad alone', async () => {
    await open('tuning');
    await pad(13, 13);
    expect(await focused()).toBe('loud');
    await pad(15, 15);
    expect(await value('loud')).toBe(0.8);
    await pad(13, 14);
    expect(await value('pings')).toBe(0.2);
    await pad(5);
    expect(await value('tab')).toBe('helm');
    expect(await page.evaluate(() => window.played.input.device)).toBe('pad');
    // The control that is nearest to where it was.
    expect(await focused()).toBe('boat');
    await pad(12, 0);
    expect(await value('captions')).toBe(false);
    await replay('tuning');
  });

  test('alarm: a dialog takes the focus and gives it back; what is behind it hears nothing', async () => {
    await open('alarm');
    await press('Tab', 'Enter');
    expect([await value('asks'), await focused()]).toEqual([true, 'rise']);
    const { x, y } = await middle('blow');
    await page.mouse.move(x, y);
    await frames();
    expect(await states('blow')).toBe('');
    await press('Escape');
    expect([await value('asks'), await focused()]).toEqual([false, 'blow']);
    await press('Enter', 'Tab', 'Enter');
    expect(await value('said')).toBe('Staying down');
    await replay('alarm');
  });

  test('archive: ten thousand letters, of which a few are built', async () => {
    await open('archive');
    const { x, y } = await middle('list');
    await page.mouse.move(x, y);
    for (let time = 0; time < 10; time++) await wheel(3000);
    await frames(5);
    const { y: at } = await page.evaluate(() => window.played.live.scrolled('list'));
    expect(at).toBeGreaterThan(20_000);
    expect(await page.evaluate(() => window.played.live.widgets.length)).toBeLessThan(25);
    const hit = await page.evaluate(
      ([left, top]) => {
        const canvas = document.querySelector('canvas')!.getBoundingClientRect();
        return window.played.input.at(
          (left! - canvas.left) * devicePixelRatio,
          (top! - canvas.top) * devicePixelRatio,
        )?.control;
      },
      [x, y + 20],
    );
    expect(hit).toMatch(/^row-\d{3,}$/);
    await page.mouse.click(x, y + 20);
    await press('ArrowDown', 'ArrowDown', 'ArrowDown', 'ArrowDown', 'ArrowDown', 'ArrowDown', 'ArrowDown');
    await frames(40);
    const focus = await focused();
    const row = await box(focus!);
    const list = await box('list');
    expect(row.y).toBeGreaterThanOrEqual(list.y - 1);
    expect(row.y + row.height).toBeLessThanOrEqual(list.y + list.height + 1);
    await replay('archive');
  });

  /** What Chromium tells a screen reader: roles and names of what is in the canvas, with some of their properties. */
  const told = async (...roles: readonly string[]) => {
    const client = await page.context().newCDPSession(page);
    const { nodes } = await client.send('Accessibility.getFullAXTree');
    await client.detach();
    return nodes
      .filter(({ ignored, role }) => !ignored && roles.includes(String(role?.value)))
      .map(({ role, name, value: worth, properties = [] }) => {
        const said = properties
          .filter(({ name: key }) => ['disabled', 'checked', 'selected'].includes(key))
          .filter(({ value: { value: is } }) => is === true || is === 'true')
          .map(({ name: key }) => ` ${key}`);
        const number = worth === undefined ? '' : ` ${String(worth.value)}`;
        return `${String(role?.value)} ${String(name?.value)}${number}${said.join('')}`;
      })
      .sort();
  };

  test('for screen readers: by role and name, with states and values, pressed as a player would', async () => {
    await open('card');
    await frames(3);
    expect(await told('button')).toEqual([
      'button Cast off',
      'button Leave the boat disabled',
      'button Logbook',
      'button Sorting room',
    ]);
    await page.evaluate(() => document.querySelector<HTMLElement>('[aria-label=Logbook]')!.click());
    expect(await value('said')).toBe('Chosen: logbook');
    // What is disabled is not pressed, and neither is what had the focus before.
    const heard = () => page.evaluate(() => window.played.recording.steps.length);
    const before = await heard();
    await page.evaluate(() => document.querySelector<HTMLElement>('[aria-label="Leave the boat"]')!.click());
    expect(await heard()).toBe(before);
    await frames(10);
    expect(await page.evaluate(() => document.querySelector('[aria-live=polite]')?.textContent)).toBe(
      'Chosen: logbook',
    );
    await open('tuning');
    await press('Tab', 'Tab', 'ArrowRight');
    await frames(10);
    expect(await told('slider', 'tab')).toEqual([
      'slider Music 70',
      'slider Sonar pings 30',
      'tab Helm',
      'tab Sound selected',
    ]);
    const active = await page.evaluate(() => {
      const id = document.querySelector('canvas')!.getAttribute('aria-activedescendant')!;
      return document.getElementById(id)!.getAttribute('aria-label');
    });
    expect(active).toBe('Music');
    await open('alarm');
    await press('Tab', 'Enter');
    await frames(10);
    expect(await told('button', 'dialog')).toEqual(['button Rise', 'button Stay down', 'dialog Really?']);
    // A button that is held down is drawn a little smaller, and is found where it is drawn.
    await open('card');
    await frames(3);
    const width = async () => (await page.getByRole('button', { name: 'Logbook' }).boundingBox())!.width;
    const loose = await width();
    const { x, y } = await middle('logbook');
    await page.mouse.move(x, y);
    await page.mouse.down();
    await frames(10);
    expect((await width()) / loose).toBeCloseTo(0.96, 2);
    await page.mouse.up();
  });

  test('in a window that was made larger it is painted as in one that was opened so', async () => {
    const size = { width: 1280, height: 800 };
    const painted = async () => {
      await page.waitForFunction(() => document.querySelector('canvas')!.width === innerWidth);
      // What is hovered then is painted by itself.
      await frames();
      const { x, y } = await middle('trim');
      await page.mouse.move(x, y);
      await frames();
      expect(await states('trim')).toBe('hover');
      return page.evaluate(() => document.querySelector('canvas')!.toDataURL());
    };
    await page.setViewportSize({ width: 640, height: 400 });
    await open('valves');
    await frames();
    await page.setViewportSize(size);
    const grown = await painted();
    await open('valves');
    expect(grown === (await painted())).toBe(true);
  });

  test('taken away, it leaves the page as it was and hears nothing', async () => {
    await open('card');
    const { x, y } = await middle('sorting');
    const left = await page.evaluate(() => {
      window.played.unmount();
      const canvas = document.querySelector('canvas')!;
      return [
        document.querySelectorAll('input').length,
        canvas.getAttribute('tabindex'),
        canvas.style.touchAction,
        document.body.children.length,
        canvas.children.length,
      ];
    });
    // A link list and the canvas.
    expect(left).toEqual([0, null, '', 2, 0]);
    const steps = () => page.evaluate(() => window.played.recording.steps.length);
    const before = await steps();
    await page.mouse.click(x, y);
    expect(await steps()).toBe(before);
  });
});
