import { writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { Browser } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';
import { drawnOn } from './drawn.ts';
import { Hand } from './hand.ts';

const comments = (text: string) => text.match(/(^|\s)#.*/gm) ?? [];

let browser: Browser;
beforeAll(async () => {
  browser = await startBrowser();
});
afterAll(() => browser.close());

describe('the workbench, on the demo', () => {
  let hand: Hand;
  let source: string;
  beforeAll(async () => {
    hand = await Hand.open(browser, 'demo');
    source = hand.disk();
  });
  afterAll(async () => {
    expect(hand.problems).toEqual([]);
    await hand.close();
  });

  test('shows every screen, and what is on the one that is looked at', async () => {
    const { page } = hand;
    expect(await page.locator('.thumb canvas').count()).toBeGreaterThan(30);
    const blank = (await drawnOn(page.locator('.thumb canvas'))).filter(({ isBlank }) => isBlank);
    expect(blank).toEqual([]);
    expect(await page.locator('[role=treeitem]').count()).toBe((await hand.rows()).length);
  });

  test('a click selects what is on top, on the drawing and in the list alike', async () => {
    const at = await hand.middle('sonar');
    await hand.page.mouse.click(at.x, at.y);
    await hand.settled();
    // The marks lie over the sonar; the next click goes further down.
    await hand.page.mouse.click(at.x, at.y);
    await hand.settled();
    const [id] = await hand.selected();
    expect(await hand.page.locator('[role=treeitem][aria-selected=true]').getAttribute('data-widget')).toBe(
      id,
    );
    expect(await hand.page.locator('.inspector h2').textContent()).toContain(id);
  });

  test('dragged, it is where it was dropped, nothing else has moved, and undo brings back the same bytes', async () => {
    await hand.select('sonar');
    const before = await hand.rows();
    await hand.move('sonar', -300, -100, 'Control');
    const after = await hand.rows();
    const was = before.find(({ id }) => id === 'sonar')!;
    const is = after.find(({ id }) => id === 'sonar')!;
    expect(Math.abs(is.rect.x - was.rect.x + 300)).toBeLessThan(0.5 + 1 / 0.3);
    expect(Math.abs(is.rect.y - was.rect.y + 100)).toBeLessThan(0.5 + 1 / 0.3);
    const inside = (index: number): boolean =>
      index >= 0 && (before[index]!.id === 'sonar' || inside(before[index]!.parent));
    for (const row of before)
      if (!inside(row.index)) expect(after.find(({ id }) => id === row.id)!.rect).toEqual(row.rect);
    const text = await hand.text();
    expect(comments(text)).toEqual(comments(source));
    const differing = text.split('\n').filter((line, at) => line !== source.split('\n')[at]);
    expect(differing).toHaveLength(1);
    expect(differing[0]).toMatch(/^ {8}offset: -3\d\d(\.\d+)? -1\d\d(\.\d+)?$/);
    await hand.press('Control+z');
    expect(await hand.text()).toBe(source);
    await hand.press('Control+Shift+z');
    expect(await hand.text()).toBe(text);
    await hand.press('Control+z');
    expect(hand.disk()).toBe(source);
  });

  test('what breaks elsewhere is marked as new, and counted at each screen', async () => {
    await hand.select('sonar');
    await hand.move('sonar', -900, 0, 'Control');
    await hand.page.click('#tab-findings');
    expect(await hand.page.locator('.findings .new').count()).toBeGreaterThan(0);
    const portrait = hand.page.locator('.thumb', { has: hand.page.locator('[data-screen=phone-portrait]') });
    expect(Number(await portrait.locator('.count').textContent())).toBeGreaterThan(0);
    const [first] = await hand.page.evaluate(() => window.bench.judged.findings.value);
    await hand.page.locator('.findings .head').first().click();
    await hand.settled();
    expect(await hand.selected()).toEqual([first!.widget]);
    expect(await hand.page.locator('.overlay .badge').count()).toBeGreaterThan(0);
    await hand.page.locator('.viewport').focus();
    await hand.press('Control+z');
    expect(await hand.text()).toBe(source);
    expect(await hand.page.evaluate(() => window.bench.judged.findings.value.length)).toBe(0);
  });

  test('another language, theme and HUD size are drawn, and stand in the address', async () => {
    const sum = async () => (await drawnOn(hand.page.locator('.sheet canvas').first()))[0]!.sum;
    const english = await sum();
    await hand.page.selectOption('#locale', 'ar');
    await hand.settled();
    const arabic = await sum();
    await hand.page.selectOption('#theme', 'lantern');
    await hand.settled();
    const lantern = await sum();
    expect(new Set([english, arabic, lantern]).size).toBe(3);
    const address = new URL(hand.page.url()).hash;
    expect(address).toContain('locale=ar');
    expect(address).toContain('theme=lantern');
    await hand.page.selectOption('#locale', 'en');
    await hand.page.selectOption('#theme', 'brine');
    await hand.settled();
    expect(await sum()).toBe(english);
  });

  test('beside it: other screens, languages, themes, and how it was; they stand in the address', async () => {
    const { page } = hand;
    const sheets = () => page.locator('.sheets figure');
    await page.locator('#screen').selectOption('desktop');
    await page.locator('#beside').click();
    await page.getByLabel('A screen beside it').selectOption('phone-portrait');
    for (const name of ['in de', 'with lantern', 'as it is saved']) await page.getByLabel(name).check();
    await hand.settled();
    expect(await sheets().count()).toBe(5);
    const address = decodeURIComponent(await page.evaluate(() => location.hash));
    expect(address.match(/beside=[^&]*/g)).toEqual([
      'beside=phone-portrait',
      'beside=desktop|locale=de',
      'beside=desktop|theme=lantern',
      'beside=desktop|saved',
    ]);
    const pictures = () =>
      sheets()
        .locator('canvas')
        .evaluateAll((all) => all.map((one) => (one as HTMLCanvasElement).toDataURL()));
    const before = await pictures();
    expect(new Set(before.slice(0, 4)).size).toBe(4);
    // Nothing has changed since it was saved.
    expect(before[4]).toBe(before[0]);
    await page.locator('#beside').click();
    await hand.select('sonar');
    await page.locator('.viewport').focus();
    await hand.press('Shift+ArrowLeft');
    const after = await pictures();
    expect(after[4]).toBe(before[4]);
    for (const at of [0, 1, 2, 3]) expect(after[at]).not.toBe(before[at]);
    await hand.press('Control+z');
    await page.getByRole('button', { name: 'Take desktop, de away' }).click();
    expect(await sheets().count()).toBe(4);
    await page.getByRole('button', { name: 'phone-portrait', exact: true }).click();
    await hand.settled();
    expect(await page.evaluate(() => window.bench.place.value.screen)).toBe('phone-portrait');
    await page.locator('#beside').click();
    // An address may name what is not there: its sheet is empty, the others are drawn.
    await page.evaluate(() => {
      location.hash = `${location.hash}&beside=desktop%7Ctheme%3Dnone`;
    });
    await hand.settled();
    expect(
      await page
        .locator('.sheets canvas')
        .evaluateAll((all) => all.map((one) => (one as HTMLCanvasElement).width > 1)),
    ).toEqual([true, true, true, true, false]);
    await page.getByRole('button', { name: 'Nothing beside' }).click();
    await page.locator('#beside').click();
    await page.locator('#screen').selectOption('desktop');
    await hand.settled();
    expect(await sheets().count()).toBe(1);
  });

  test('a window of any size is pulled at its edges, by pointer and keys', async () => {
    const { page } = hand;
    await page.locator('#screen').selectOption('any size');
    await hand.settled();
    const size = async () => [
      await page.getByLabel('Width in px').inputValue(),
      await page.getByLabel('Height in px').inputValue(),
    ];
    expect(await size()).toEqual(['1600', '900']);
    await page.getByRole('button', { name: 'Width of the window' }).focus();
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('Shift+ArrowLeft');
    // An edge goes one way alone.
    await page.keyboard.press('ArrowDown');
    expect(await size()).toEqual(['1490', '900']);
    const { x, y } = (await page
      .getByRole('button', { name: 'Width and height of the window' })
      .boundingBox())!;
    await page.mouse.move(x + 5, y + 5);
    await page.mouse.down();
    await page.mouse.move(x - 95, y - 45, { steps: 4 });
    await page.mouse.up();
    await hand.settled();
    const scale = 100 / (1490 - Number((await size())[0]));
    expect(Number((await size())[1])).toBeCloseTo(900 - 50 / scale, -1);
    await page.locator('#screen').selectOption('desktop');
    await hand.settled();
  });

  test('contrast, the size of letters at the eye, and rulers are drawn over it', async () => {
    const { page } = hand;
    await page.getByText('Show', { exact: true }).click();
    for (const layer of ['contrast', 'reading', 'rulers'])
      await page.getByLabel(layer, { exact: true }).check();
    await hand.settled();
    const words = await page.locator('.reading text').allTextContents();
    expect(words.length).toBeGreaterThan(5);
    for (const one of words) expect(one).toMatch(/^(✗ )?\d+(\.\d)?:1 \d+(\.\d)?′$/);
    // The demo has no finding: nothing is marked as failing.
    expect(words.filter((one) => one.startsWith('✗'))).toEqual([]);
    expect((await page.locator('.rulers .number').allTextContents()).slice(0, 3)).toEqual([
      '0',
      '200',
      '400',
    ]);
    for (const layer of ['contrast', 'reading', 'rulers'])
      await page.getByLabel(layer, { exact: true }).uncheck();
    await page.getByText('Show', { exact: true }).click();
    await hand.settled();
    expect(await page.locator('.reading').count()).toBe(0);
  });

  test('keys of a look have fields of their own, with what comes from a style', async () => {
    const { page } = hand;
    await page.click('#tab-inspect');
    await hand.select('gauges');
    const field = page.locator('#key-look-background');
    expect(await field.getAttribute('placeholder')).not.toBe('');
    await field.fill('#103820');
    await field.press('Enter');
    await hand.settled();
    expect(await hand.text()).toContain('      - id: gauges\n        look: { background: "#103820" }\n');
    expect(await page.getByLabel('Pick background').inputValue()).toBe('#103820');
    await page.getByLabel('Pick color').fill('#ffeedd');
    await hand.settled();
    expect(await hand.text()).toContain('look: { background: "#103820", color: "#ffeedd" }');
    // A token is picked by its colour, and its swatch shows that.
    await page.locator('#key-look-color').focus();
    await page.getByRole('button', { name: 'Use $color.brass' }).click();
    await hand.settled();
    expect(await hand.text()).toContain('look: { background: "#103820", color: $color.brass }');
    expect(await page.getByLabel('Pick color').inputValue()).toBe('#ffc75f');
    for (const key of ['look/background', 'look/color']) {
      await page.getByLabel(`Take ${key} out`).click();
      await hand.settled();
    }
    expect(await hand.text()).toBe(source);
  });

  test('a file changed on disk shows, with what was selected; a mistake is told and the last good view stays', async () => {
    await hand.select('sonar');
    const rows = (await hand.rows()).length;
    writeFileSync(
      hand.folder,
      source.replace(
        '        image: sonar\n        anchor: end bottom\n        offset: -24 -24',
        '        image: sonar\n        anchor: end bottom\n        offset: -124 -24',
      ),
    );
    await hand.page.waitForFunction(
      () => window.bench.outline.value!.rows.find(({ id }) => id === 'sonar')!.rect.x < 1600,
    );
    await hand.settled();
    expect(await hand.selected()).toEqual(['sonar']);
    writeFileSync(hand.folder, source.replace('anchor: end bottom', 'anchr: end bottom'));
    await hand.page.waitForSelector('.problems');
    expect(await hand.page.textContent('.problems')).toMatch(/post\.yaml:\d+:\d+: error: .*anchr.*anchor/s);
    expect((await hand.rows()).length).toBe(rows);
    writeFileSync(hand.folder, source);
    await hand.page.waitForFunction(() => document.querySelector('.problems') === null);
    await hand.settled();
    expect(await hand.text()).toBe(source);
  });

  test('saving writes; what somebody else wrote meanwhile is not overwritten', async () => {
    await hand.select('sonar');
    await hand.enter('size', '250');
    expect(hand.disk()).toBe(source);
    await hand.press('Control+s');
    const saved = source.replace(
      /(image: sonar\n {8}anchor: end bottom\n {8}offset: -24 -24\n {8}size: )240/,
      '$1250',
    );
    expect(hand.disk()).toBe(saved);
    await hand.enter('size', '260');
    const theirs = `# theirs\n${saved}`;
    writeFileSync(hand.folder, theirs);
    await hand.page.waitForSelector('.bar');
    await hand.press('Control+s');
    expect(hand.disk()).toBe(theirs);
    await hand.page.click('text=Take the file on disk');
    await hand.settled();
    expect(await hand.text()).toBe(theirs);
    writeFileSync(hand.folder, source);
    await hand.page.waitForFunction((wanted) => window.bench.history.value.text === wanted, source);
    await hand.settled();
  });

  test('the text beside it: a place selects the widget, a widget is scrolled to, what is typed is shown', async () => {
    await hand.page.click('#tab-text');
    await hand.select('prompt');
    const line = hand.page.locator('.cm-activeLine');
    await expect(line.textContent()).resolves.toContain('prompt');
    await line.click();
    await hand.page.keyboard.press('End');
    await hand.page.keyboard.type(' # typed');
    await hand.settled();
    expect(await hand.text()).toContain('# typed');
    // How many letters one step takes back follows from how fast they were typed.
    for (let step = 0; step < 10 && (await hand.text()) !== source; step++) {
      await hand.page.keyboard.press('Control+z');
      await hand.settled();
    }
    expect(await hand.text()).toBe(source);
    await hand.page.click('#tab-inspect');
  });

  test('played, it answers to the pointer and tells what happens', async () => {
    await hand.page.selectOption('#view', 'tuning');
    await hand.settled();
    await hand.page.click('text=Play');
    await hand.page.waitForFunction(
      () => document.querySelector('.playing canvas')!.getAttribute('data-drawn') !== null,
    );
    const slider = await hand.page.evaluate(() => {
      const { rows, width } = window.bench.outline.value!;
      const row = rows.find((one) => (one as unknown as { kind: string }).kind === 'slider')!;
      const box = document.querySelector('.playing canvas')!.getBoundingClientRect();
      const perPx = box.width / width;
      return {
        x: box.x + (row.rect.x + row.rect.width * 0.9) * perPx,
        y: box.y + (row.rect.y + row.rect.height / 2) * perPx,
      };
    });
    await hand.page.mouse.click(slider.x, slider.y);
    await hand.page.waitForFunction(() => document.querySelector('.log')!.textContent.includes('change'));
    await hand.page.click('text=Lay out');
    await hand.settled();
    await hand.page.selectOption('#view', 'dive');
    await hand.settled();
  });

  test('every size: the map of the proof, and a size of it on the stage', async () => {
    await hand.page.click('text=All sizes');
    await hand.page.waitForSelector('.map img');
    await hand.settled();
    expect(await hand.page.textContent('.says')).toMatch(
      /^dive fails on \d\.\d+ % of the sizes from 640 × 360/,
    );
    // Of another view nothing was there before.
    for (const view of ['dock', 'dive']) {
      await hand.page.selectOption('#view', view);
      await hand.settled();
      const says = (await hand.page.textContent('.says'))!;
      expect([says.split(' ')[0], says.includes('than before')]).toEqual([view, false]);
    }
    await hand.page.locator('.worst button').first().click();
    await hand.settled();
    expect(await hand.page.inputValue('#screen')).toBe('any size');
    await hand.page.selectOption('#screen', 'desktop');
    await hand.settled();
  });
});

test('screens that the view does not support are marked as not looked at', async () => {
  const child = '{ id: lamp, anchor: center, size: 100, look: { background: "#345" } }';
  const text = `pimbot: 1\nviews:\n  dive:\n    backdrop: "#000"\n    supports: { from: 1280x720 }\n    children: [${child}]\n`;
  const hand = await Hand.open(browser, { text });
  const count = (screen: string) => hand.page.locator(`.thumb [data-screen="${screen}"] .count`);
  const label = (screen: string) => count(screen).getAttribute('aria-label');
  expect(await label('phone-portrait')).toBe('not supported: not looked at');
  expect(await count('phone-portrait').textContent()).toBe('–');
  expect(await label('desktop')).toBe('nothing found');
  await hand.page.click('#tab-findings');
  expect(await hand.page.locator('.findings h2').textContent()).toBe(
    'Nothing found on the screens it supports',
  );
  expect(hand.problems).toEqual([]);
  await hand.close();
});

test('the reasons of an open finding follow a change of the widget', async () => {
  const lamp = '{ id: lamp, anchor: left top, offset: 1900 20, size: 90, look: { background: "#345" } }';
  const text = `pimbot: 1\nviews:\n  dive:\n    backdrop: "#000"\n    children:\n      - ${lamp}\n`;
  const hand = await Hand.open(browser, { text });
  await hand.page.click('#tab-findings');
  await hand.page.locator('.findings .head').first().click();
  const reasons = hand.page.locator('.findings .details ol');
  await reasons.getByText('1900 offset').first().waitFor();
  await hand.page.locator('.viewport').focus();
  await hand.press('Shift+ArrowRight');
  expect(await hand.text()).toContain('offset: 1910 20');
  await reasons.getByText('1910 offset').first().waitFor();
  expect(await reasons.getByText('1900 offset').count()).toBe(0);
  await hand.close();
});

test('a list of many findings is shown in parts, with those of the selected widget among them', async () => {
  const lamp = (nth: number) =>
    `      - { id: lamp-${nth}, anchor: left top, offset: ${4000 + nth} 20, size: 10, look: { background: "#345" } }\n`;
  const lamps = Array.from({ length: 250 }, (_, nth) => lamp(nth)).join('');
  const hand = await Hand.open(browser, { text: `pimbot: 1\nviews:\n  dive:\n    children:\n${lamps}` });
  await hand.page.click('#tab-findings');
  const listed = () => hand.page.locator('.finding .head').count();
  const all = await hand.page.evaluate(() => window.bench.judged.findings.value.length);
  expect(all).toBeGreaterThanOrEqual(250);
  expect(await listed()).toBe(200);
  const more = hand.page.locator('.findings .more');
  expect(await more.textContent()).toBe(`Show more: ${all - 200} are not listed yet`);
  const last = await hand.page.evaluate(() => window.bench.judged.findings.value.at(-1)!.widget);
  await hand.page.locator(`.tree [data-widget="${last}"]`).click();
  await hand.settled();
  expect(await listed()).toBeGreaterThan(200);
  const current = hand.page.locator('.finding.current');
  expect(await current.first().textContent()).toContain(last);
  const [panel, row] = [await hand.page.locator('#panel').boundingBox(), await current.first().boundingBox()];
  expect(row!.y).toBeGreaterThanOrEqual(panel!.y - 1);
  expect(row!.y + row!.height).toBeLessThanOrEqual(panel!.y + panel!.height + 1);
  expect(hand.problems).toEqual([]);
  await hand.close();
});

test('a catalog that the file on disk names now is there, and is gone again with its line', async () => {
  const text = `pimbot: 1\nviews:\n  dive:\n    backdrop: "#000"\n    children: [{ id: depth, kind: text, text: Depth, anchor: center }]\n`;
  const hand = await Hand.open(browser, { text });
  writeFileSync(join(dirname(hand.folder), 'de.json'), JSON.stringify({ Depth: 'Tiefe unter dem Boot' }));
  const locales = () => hand.page.locator('#locale option').allTextContents();
  expect(await locales()).not.toContain('de');
  const width = async () => (await hand.row('depth')).rect.width;
  const english = await width();
  writeFileSync(hand.folder, `${text}catalogs: { de: de.json }\n`);
  await hand.page.waitForFunction(
    () =>
      document.querySelector('#locale option[value=de], #locale option:nth-child(2)')?.textContent === 'de',
  );
  await hand.settled();
  await hand.page.selectOption('#locale', 'de');
  await hand.settled();
  expect(await width()).toBeGreaterThan(english * 1.5);
  // The catalog alone, and the document once more as it was.
  writeFileSync(join(dirname(hand.folder), 'de.json'), JSON.stringify({ Depth: 'Tiefe' }));
  writeFileSync(hand.folder, `${text}catalogs: { de: de.json }\n`);
  await hand.page.waitForFunction(
    (most) => window.bench.outline.value!.rows.find(({ id }) => id === 'depth')!.rect.width < most,
    english * 1.5,
  );
  await hand.settled();
  await hand.page.selectOption('#locale', 'en');
  writeFileSync(hand.folder, text);
  await hand.page.waitForFunction(
    () => ![...document.querySelectorAll('#locale option')].some((one) => one.textContent === 'de'),
  );
  await hand.settled();
  expect(hand.problems).toEqual([]);
  await hand.close();
});
