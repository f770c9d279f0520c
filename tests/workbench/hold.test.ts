import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import type { Browser } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';
import { violationsOf } from '../support/axe.ts';
import { isDeep } from '../support/deep.ts';
import { drawnOn } from './drawn.ts';
import { Hand } from './hand.ts';

const comments = (text: string) => text.match(/(^|\s)#.*/gm) ?? [];

let browser: Browser;
beforeAll(async () => {
  browser = await startBrowser();
});
afterAll(() => browser.close());

const hud = `# Mine.
pimbot: 1
views:
  dive:
    children:
      # The plate.
      - { id: plate, offset: 100 100, size: 300 200, look: { background: "#456" } } # plain
      - id: lamp
        anchor: right top
        offset: -60 60
        size: 120
        look: { background: "#a63" }
      - { id: row, arrange: row, gap: 20, offset: 200 600, children: [
          { id: one, size: 80, look: { background: "#333" } },
          { id: two, size: 80, look: { background: "#555" } },
          { id: three, size: 80, look: { background: "#777" } } ] }
      - { id: box, offset: 900 500, size: 500 400, look: { background: "#244" } }
`;

describe('taking hold', () => {
  let hand: Hand;
  beforeAll(async () => {
    hand = await Hand.open(browser, { text: hud });
  });
  afterAll(async () => {
    expect(hand.problems).toEqual([]);
    await hand.close();
  });
  beforeEach(async () => {
    await hand.page.locator('.viewport').focus();
    await hand.press('Escape');
  });
  afterEach(async () => {
    await hand.page.locator('.viewport').focus();
    for (let steps = 0; (await hand.text()) !== hud && steps < 8; steps++) await hand.press('Control+z');
    expect(await hand.text()).toBe(hud);
    expect(hand.disk()).toBe(hud);
  });

  /** A handle of what is selected. */
  const handle = async (name: string) => {
    const box = (await hand.page.locator(`[data-hold="${name}"]`).boundingBox())!;
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  };

  test('a corner is pulled, and catches at an edge beside it', async () => {
    await hand.select('plate');
    const { scale } = await hand.middle('plate');
    const from = await handle('edge 1 1');
    // Two px short of the row's left edge plus its width: nothing there; the top of the row is at 600.
    await hand.pull(from, { x: from.x, y: from.y + 299 * scale });
    const { rect } = await hand.row('plate');
    expect([rect.x, rect.y, rect.width, rect.height]).toEqual([100, 100, 300, 500]);
    expect(await hand.text()).toContain(
      '- { id: plate, offset: 100 100, size: 300 500, look: { background: "#456" } } # plain',
    );
  });

  test('an edge that is pulled past the one across leaves 1 u', async () => {
    await hand.select('plate');
    const { scale } = await hand.middle('plate');
    const from = await handle('edge -1 0');
    await hand.pull(from, { x: from.x + 500 * scale, y: from.y }, 'Control');
    const { rect } = await hand.row('plate');
    expect([rect.x, rect.y, rect.width, rect.height]).toEqual([399, 100, 1, 200]);
  });

  test('moved by arrow keys, in u', async () => {
    await hand.select('lamp');
    await hand.page.locator('.viewport').focus();
    await hand.press('ArrowLeft');
    await hand.press('Shift+ArrowDown');
    expect(await hand.text()).toContain('offset: -61 70');
  });

  test('moved, it catches at the middle of what is beside it', async () => {
    await hand.select('lamp');
    const lamp = await hand.row('lamp');
    // The middle of the plate is at 200; the lamp goes to 3 px from there.
    await hand.move('lamp', 0, 200 - lamp.rect.y - 60 - 3);
    expect((await hand.row('lamp')).rect.y + 60).toBe(200);
  });

  test('in a row, dragging reorders', async () => {
    await hand.select('one');
    const three = await hand.middle('three');
    const one = await hand.middle('one');
    await hand.pull(one, { x: three.x + 30 * three.scale, y: three.y });
    const rows = (await hand.rows()).filter(({ id }) => ['one', 'two', 'three'].includes(id));
    expect(rows.sort((a, b) => a.rect.x - b.rect.x).map(({ id }) => id)).toEqual(['two', 'three', 'one']);
  });

  test('in the list it is dragged between others and into a container, or goes by keys', async () => {
    const row = async (id: string, share = 0.5) => {
      const { x, y, height } = (await hand.page
        .locator(`[role=treeitem][data-widget="${id}"]`)
        .boundingBox())!;
      return { x: x + 60, y: y + share * height };
    };
    const children = async (parent: string) => {
      const rows = await hand.rows();
      const { index } = rows.find(({ id }) => id === parent)!;
      return rows.filter((one) => one.parent === index).map(({ id }) => id);
    };
    await hand.pull(await row('one'), await row('three', 0.9));
    expect(await children('row')).toEqual(['two', 'three', 'one']);
    await hand.pull(await row('three'), await row('two', 0.1));
    expect(await children('row')).toEqual(['three', 'two', 'one']);
    await hand.pull(await row('lamp'), await row('box'));
    expect(await children('box')).toEqual(['lamp']);
    await hand.pull(await row('lamp'), await row('plate', 0.1));
    expect((await children('dive')).slice(0, 2)).toEqual(['lamp', 'plate']);
    // Into itself nothing goes.
    const before = await hand.text();
    await hand.pull(await row('row'), await row('two'));
    expect(await hand.text()).toBe(before);
    await hand.select('one');
    await hand.page.locator('[role=treeitem][data-widget="one"]').focus();
    await hand.press('Alt+ArrowUp');
    expect(await children('row')).toEqual(['three', 'one', 'two']);
    expect(comments(await hand.text())).toEqual(comments(hud));
  });

  test('with Alt it goes into the container under it, and stays where it is', async () => {
    await hand.select('lamp');
    const before = await hand.row('lamp');
    await hand.move('lamp', 1100 - before.rect.x, 650 - before.rect.y, 'Control', 'Alt');
    const rows = await hand.rows();
    const lamp = rows.find(({ id }) => id === 'lamp')!;
    expect(rows[lamp.parent]!.id).toBe('box');
  });

  test('an anchor is pulled to another place, and the widget stays', async () => {
    await hand.select('lamp');
    const before = await hand.row('lamp');
    const from = await handle('anchor 0 0');
    const to = await hand.at(0, 1080);
    await hand.pull(from, to);
    expect((await hand.row('lamp')).rect).toEqual(before.rect);
    expect(await hand.text()).toContain('anchor: left bottom');
  });

  test('the pivot is pulled to the middle, and the widget stays', async () => {
    await hand.select('lamp');
    const before = await hand.row('lamp');
    const box = (await hand.page.locator('[data-hold="pivot"]').boundingBox())!;
    const to = await hand.middle('lamp');
    // The ring is taken at its rim: a handle stands in its middle.
    await hand.pull({ x: box.x + box.width - 2, y: box.y + box.height / 2 }, to);
    expect((await hand.row('lamp')).rect).toEqual(before.rect);
    expect(await hand.text()).toContain('pivot: 0.5 0.5');
  });

  test('it is turned', async () => {
    await hand.select('box');
    const from = await handle('turn');
    const middle = await hand.row('box');
    const to = await hand.at(middle.rect.x + 900, middle.rect.y);
    await hand.pull(from, to);
    expect(await hand.text()).toMatch(/id: box, .*rotate: \d+/);
  });

  test('turned, its edge follows the pointer, and the one across stays', async () => {
    await hand.select('box');
    const { scale } = await hand.middle('box');
    // A quarter of a turn about its left top corner, which is its pivot.
    await hand.pull(await handle('turn'), await hand.at(1300, 500));
    expect(await hand.text()).toMatch(/id: box, .*rotate: 90/);
    const [left, right] = [await handle('edge -1 0'), await handle('edge 1 0')];
    await hand.pull(right, { x: right.x, y: right.y + 60 * scale }, 'Control');
    expect(await hand.text()).toMatch(/id: box, .*size: 560 400/);
    const long = await handle('edge 1 0');
    expect(long.y - right.y).toBeCloseTo(60 * scale, 0);
    expect((await handle('edge -1 0')).y).toBeCloseTo(left.y, 0);
    await hand.pull(left, { x: left.x, y: left.y + 40 * scale }, 'Control');
    expect(await hand.text()).toMatch(/id: box, .*size: 520 400/);
    expect((await handle('edge -1 0')).y - left.y).toBeCloseTo(40 * scale, 0);
    expect((await handle('edge 1 0')).y).toBeCloseTo(long.y, 0);
  });

  test('several are framed, aligned, spaced out, wrapped and dissolved', async () => {
    await hand.select('plate');
    await hand.page.locator('[role=treeitem][data-widget=lamp]').click({ modifiers: ['Control'] });
    await hand.settled();
    await hand.page.click('[aria-label="Align top"]');
    await hand.settled();
    expect((await hand.row('plate')).rect.y).toBe((await hand.row('lamp')).rect.y);
    await hand.page.locator('.actions select').first().selectOption('free');
    await hand.settled();
    expect(await hand.selected()).toEqual(['group']);
    await hand.page.click('text=Dissolve');
    await hand.settled();
    expect((await hand.rows()).some(({ id }) => id === 'group')).toBe(false);
  });

  test('a new widget from the palette, duplicated and deleted', async () => {
    await hand.page.locator('.palette select').selectOption('button');
    await hand.page.locator('.palette button').click();
    await hand.settled();
    expect(await hand.selected()).toEqual(['button']);
    await hand.page.locator('.viewport').focus();
    await hand.press('Control+d');
    expect(await hand.selected()).toEqual(['button-2']);
    await hand.press('Delete');
    expect((await hand.rows()).map(({ id }) => id)).not.toContain('button-2');
  });

  test('a new view, named in place of the list of views', async () => {
    const { page } = hand;
    const named = async (name: string) => {
      await page.locator('#view').selectOption('+');
      await page.getByLabel('Name of the new view').fill(name);
      await page.keyboard.press('Enter');
      await hand.settled();
    };
    await named('dock');
    expect(await hand.text()).toBe(`${hud}  dock: { children: [] }\n`);
    expect(await page.evaluate(() => window.bench.place.value.view)).toBe('dock');
    await page.getByRole('button', { name: 'Add to dock' }).click();
    await hand.settled();
    expect(await hand.text()).toContain('  dock: { children: [{ ');
    await named('dive');
    expect(await page.locator('.notice').textContent()).toBe('there is a view "dive" already.');
    await named('two words');
    expect(await page.locator('.notice').textContent()).toContain('"two words" is no name');
    await page.locator('#view').selectOption('dive');
    await hand.settled();
  });

  test('a key that cannot be is refused with the reason', async () => {
    await hand.select('lamp');
    await hand.enter('anchor', 'nowhere');
    expect(await hand.notice()).toMatch(/nowhere/);
    expect(await hand.text()).toBe(hud);
    await hand.select('plate');
    await hand.select('lamp');
  });

  test('beside the stage, the map of every size follows what is pulled', async () => {
    const { page } = hand;
    await page.click('#tab-sizes');
    await page.waitForSelector('.map img');
    await hand.settled();
    const says = async () => (await page.textContent('.sizes .says'))!;
    const share = async () => Number(/Holds on ([\d.]+) %/.exec(await says())![1]);
    const map = () => page.getAttribute('.map img', 'src');
    const [before, mapBefore] = [await share(), await map()];
    const { x, y, scale } = await hand.middle('box');
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x - 300 * scale, y);
    await page.mouse.move(x - 650 * scale, y);
    // Where a proof takes long, nothing is proved before it is let go.
    await page.waitForFunction(() =>
      /before the drag|when you let go/.test(document.querySelector('.sizes')!.textContent),
    );
    await page.mouse.up();
    await hand.settled();
    expect(await says()).toMatch(/less than before the last change\.$/);
    expect(await share()).toBeLessThan(before);
    expect(await map()).not.toBe(mapBefore);
    await hand.press('Control+z');
    await hand.settled();
    expect(await says()).toMatch(/more than before the last change\.$/);
    expect([await share(), await map()]).toEqual([before, mapBefore]);
    await page.click('#tab-inspect');
    await hand.settled();
  });

  test('an anchor that fits better is proposed where it is dropped', async () => {
    await hand.select('lamp');
    await hand.move('lamp', -1600, 800, 'Control');
    expect(await hand.page.textContent('.advice')).toMatch(/left bottom/);
    const before = await hand.row('lamp');
    await hand.page.click('.advice button');
    await hand.settled();
    expect((await hand.row('lamp')).rect).toEqual(before.rect);
    expect(await hand.text()).toContain('anchor: left bottom');
  });
});

describe('everybody can use it', () => {
  test('in forced colours what is selected, pressed and found still shows', async () => {
    const hand = await Hand.open(browser, 'demo', { forcedColors: 'active' });
    const { page } = hand;
    await hand.select('sonar');
    expect(await violationsOf(page)).toEqual([]);
    const outlineOf = (selector: string) =>
      page
        .locator(selector)
        .first()
        .evaluate((one) => getComputedStyle(one).outlineStyle);
    expect(await outlineOf('[role=treeitem][aria-selected=true]')).toBe('solid');
    expect(await outlineOf('[role=treeitem][aria-selected=false]')).toBe('none');
    expect(await outlineOf('.modes [aria-pressed=true]')).toBe('solid');
    expect(await outlineOf('.modes [aria-pressed=false]')).toBe('none');
    // The drawing keeps its own colours, and what lies over it the strokes that stand off from any.
    const [drawn] = await drawnOn(page.locator('.sheet canvas'));
    expect(drawn!.tones).toBeGreaterThan(20);
    expect(
      await page
        .locator('.overlay .chosen')
        .first()
        .evaluate((one) => getComputedStyle(one).stroke),
    ).not.toBe('none');
    await hand.close();
  });

  test.each(['dark', 'light'] as const)('axe-core finds nothing, %s', async (colorScheme) => {
    const isDemo = isDeep && colorScheme === 'dark';
    const hand = await Hand.open(browser, isDemo ? 'demo' : { text: hud }, { colorScheme });
    // The page's own policy lets no script in: it is run as the debugger's.
    const violations = () => violationsOf(hand.page);
    await hand.select(isDemo ? 'sonar' : 'lamp');
    for (const tab of ['inspect', 'why', 'findings', 'sizes', 'text']) {
      await hand.page.click(`#tab-${tab}`);
      await hand.settled();
      expect([tab, ...(await violations())]).toEqual([tab]);
    }
    for (const mode of ['All screens', 'All sizes', 'Play']) {
      await hand.page.click(`text=${mode}`);
      if (mode === 'All sizes') await hand.page.waitForSelector('.map img');
      expect([mode, ...(await violations())]).toEqual([mode]);
    }
    await hand.close();
  });

  test.each([
    [1280, 800],
    [1024, 640],
    [640, 400],
  ])('at %i × %i px nothing of the frame has to be scrolled sideways', async (width, height) => {
    const hand = await Hand.open(browser, { text: hud }, { viewport: { width, height } });
    await hand.select('lamp');
    const { across, down } = await hand.page.evaluate(() => ({
      across: document.documentElement.scrollWidth - innerWidth,
      down: document.documentElement.scrollHeight - innerHeight,
    }));
    expect(across).toBeLessThanOrEqual(0);
    if (width > 760) expect(down).toBeLessThanOrEqual(0);
    await hand.close();
  });

  test('by keyboard alone: a widget is found, changed, undone and saved', async () => {
    const hand = await Hand.open(browser, { text: hud });
    const { keyboard } = hand.page;
    const focusIs = (selector: string) =>
      hand.page.evaluate((wanted) => document.activeElement?.matches(wanted) === true, selector);
    for (let tabs = 0; tabs < 60 && !(await focusIs('[role=treeitem]')); tabs++) await keyboard.press('Tab');
    await keyboard.press('ArrowDown');
    await hand.settled();
    expect(await hand.selected()).toEqual(['plate']);
    for (let tabs = 0; tabs < 60 && !(await focusIs('.viewport')); tabs++) await keyboard.press('Tab');
    await hand.press('ArrowRight');
    expect(await hand.text()).toContain('offset: 101 100');
    for (let tabs = 0; tabs < 60 && !(await focusIs('#key-size')); tabs++) await keyboard.press('Tab');
    await keyboard.press('Control+a');
    await keyboard.type('310 200');
    await keyboard.press('Tab');
    await hand.settled();
    expect(await hand.text()).toContain('size: 310 200');
    await hand.press('Control+s');
    expect(hand.disk()).toBe(await hand.text());
    await hand.close();
  });
});
