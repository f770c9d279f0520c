import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { Browser, Page } from 'playwright-core';
import type { Log } from 'sarif';
import { pathToFileURL } from 'node:url';
import { startBrowser } from '../../bench/browser.ts';
import { violationsOf } from '../support/axe.ts';
import { pimbotHere, temporaryFolder, type Ran } from '../support/cli.ts';
import { pageData } from '../support/findings.ts';

const hostile = '<script>document.body.dataset.owned=1</script>';
const folder = temporaryFolder();
const document = {
  pimbot: 1,
  reference: { scaling: 'none' },
  language: 'en',
  catalogs: { de: 'de.json' },
  themes: { day: 'day.yaml', night: 'night.yaml' },
  cases: { typical: { name: 'Ida' }, worst: { name: `A & B "quoted" ]]> ${hostile}` } },
  views: {
    hud: {
      backdrop: '#000',
      children: [
        { id: 'name', kind: 'text', text: '{name}', width: 90, wrap: false, look: { 'font-size': 40 } },
        { id: 'far', anchor: 'left top', offset: '900 200', size: 200, look: { background: '#456' } },
        {
          id: 'faint',
          kind: 'text',
          text: hostile,
          anchor: 'center',
          look: { 'color': '#111', 'font-size': 40 },
        },
      ],
    },
    open: { children: [{ id: 'hm', kind: 'text', text: 'Hm', look: { 'font-size': 40 } }] },
  },
};
let ran: Ran;
const read = (name: string) => readFileSync(join(folder.path, name), 'utf8');

let browser: Browser;
beforeAll(async () => {
  writeFileSync(join(folder.path, 'hud.json'), JSON.stringify(document, null, 1));
  writeFileSync(join(folder.path, 'de.json'), JSON.stringify({ Hm: 'Hm' }));
  writeFileSync(join(folder.path, 'day.yaml'), 'pimbot-theme: 1\nstyles: { plate: { radius: 4 } }\n');
  writeFileSync(join(folder.path, 'night.yaml'), 'pimbot-theme: 1\n');
  const reports = ['r.html', 'r.sarif', 'r.xml', 'r.json'].flatMap((name) => ['--report', name]);
  ran = await pimbotHere(
    ['check', 'hud.json', '--screen', 'desktop', '--screen', '1000x800', ...reports],
    folder.path,
  );
  browser = await startBrowser();
});
afterAll(async () => {
  await browser.close();
  folder.remove();
});

test('the end of its name says what a report is', async () => {
  expect(ran.code).toBe(1);
  const { code, err } = await pimbotHere(['check', 'hud.json', '--report', 'r.pdf'], folder.path);
  expect([code, err]).toEqual([
    2,
    'pimbot: "r.pdf" is no report: the name of one ends in .json, .sarif, .xml (JUnit) or .html\n',
  ]);
});

describe('SARIF', () => {
  test('every finding with its rule, place, level and a fingerprint of its own', () => {
    const log = JSON.parse(read('r.sarif')) as Log;
    expect(log.version).toBe('2.1.0');
    const [run] = log.runs;
    const { rules } = run!.tool.driver;
    const lines = read('hud.json').split('\n');
    for (const result of run!.results!) {
      expect(rules![result.ruleIndex!]!.id).toBe(result.ruleId);
      const { physicalLocation, logicalLocations } = result.locations![0]!;
      const { startLine, startColumn } = physicalLocation!.region!;
      if (physicalLocation!.artifactLocation!.uri === 'hud.json')
        expect(lines[startLine! - 1]!.slice(startColumn! - 1)).toMatch(/^\{/);
      expect(logicalLocations![0]!.fullyQualifiedName).not.toBe('');
      expect([result.kind, result.level]).toEqual(
        result.kind === 'open' ? ['open', 'none'] : ['fail', expect.stringMatching(/^(error|warning)$/)],
      );
    }
    const said = run!.results!.map(({ partialFingerprints }) => partialFingerprints!['pimbot/v1']);
    expect(new Set(said).size).toBe(said.length);
    expect(said).toEqual(
      expect.arrayContaining(['off-screen hud/far  right', 'low-contrast hud/faint ', 'theme-gap night ']),
    );
    expect(run!.results!.map(({ kind }) => kind)).toContain('open');
  });
});

test('what is found in the writing is in every report', async () => {
  const idle = { id: 'w', kind: 'text', text: 'Hm', look: { 'font-size': 60 }, accept: { overlap: 'once' } };
  writeFileSync(
    join(folder.path, 'idle.json'),
    JSON.stringify({ pimbot: 1, views: { v: { backdrop: '#000', children: [idle] } } }),
  );
  const reports = ['i.sarif', 'i.xml', 'i.html'].flatMap((name) => ['--report', name]);
  const { code, out } = await pimbotHere(['check', 'idle.json', ...reports], folder.path);
  expect([code, out.includes('w accepts overlap, which no check has found')]).toEqual([1, true]);
  const [run] = (JSON.parse(read('i.sarif')) as Log).runs;
  const [result] = run!.results!;
  expect(run!.tool.driver.rules![result!.ruleIndex!]!.id).toBe('idle-acceptance');
  expect(read('i.xml')).toContain('<failure type="idle-acceptance"');
  expect(pageData(read('i.html'))).toContain('accepts overlap, which no check has found');
});

describe('JUnit XML', () => {
  test('is well-formed whatever the names are, and counts what it holds', async () => {
    const page = await browser.newPage();
    const counts = await page.evaluate((xml) => {
      const parsed = new DOMParser().parseFromString(xml, 'application/xml');
      const number = (of: string) => Number(parsed.documentElement.getAttribute(of));
      return {
        error: parsed.querySelector('parsererror')?.textContent ?? '',
        said: [number('tests'), number('failures'), number('skipped')],
        held: ['testcase', 'failure', 'skipped'].map((name) => parsed.querySelectorAll(name).length),
        texts: [...parsed.querySelectorAll('failure')].map(({ textContent }) => textContent).join('\n'),
      };
    }, read('r.xml'));
    await page.close();
    expect(counts.error).toBe('');
    expect(counts.said).toEqual(counts.held);
    expect(counts.held[1]).toBeGreaterThan(2);
    expect(counts.held[2]).toBe(1);
    expect(counts.texts).toMatch(
      /hud\.json:\d+:\d+: error: far sticks out 100 px past the right edge of the screen on 1000x800/,
    );
    expect(counts.texts).toContain(hostile);
  });
});

describe('the page', () => {
  let page: Page;
  const asked: string[] = [];
  beforeAll(async () => {
    page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    page.on('request', (request) => {
      if (!request.url().startsWith('data:')) asked.push(request.url());
    });
    await page.goto(`file://${join(folder.path, 'r.html')}`);
    await page.waitForSelector('body[data-ready]');
  });
  afterAll(() => page.close());
  const shots = () => page.locator('.shot').count();
  /** Marks of drawings further down are made when they come near; on paper all are there. */
  const marksOf = async (what: string) => {
    await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
    return page.locator(what);
  };
  const marks = async () => (await marksOf('.shot i')).count();

  /** Opens an address that somebody was sent. A reload could still load the address before: it may overtake the change. */
  const opened = async (hash: string) => {
    await page.goto('about:blank');
    await page.goto(`file://${join(folder.path, 'r.html')}${hash}`);
    await page.waitForSelector('body[data-ready]');
  };

  test('shows every view on every screen by itself, and its findings', async () => {
    expect(asked).toHaveLength(1);
    expect(await shots()).toBe(4);
    expect(await marks()).toBeGreaterThan(4);
    expect(await page.textContent('main')).toContain('night lacks the style "plate", which day has');
    const loaded = await page.evaluate(() =>
      [...globalThis.document.images].every((image) => image.complete && image.naturalWidth > 0),
    );
    expect(loaded).toBe(true);
  });

  test('a widget that is called like a script is a word', async () => {
    expect(await page.evaluate(() => globalThis.document.body.dataset.owned)).toBeUndefined();
    await page.locator('.shot').first().click();
    expect(await page.textContent('dialog')).toContain(hostile);
    await page.keyboard.press('Escape');
  });

  test('filters by check, severity, screen and locale', async () => {
    const all = await marks();
    await page.selectOption('#check', 'off-screen');
    // Both in one drawing: the case in which more of what is found is seen.
    expect(await marks()).toBe(2);
    await page.check('#only');
    expect(await shots()).toBe(1);
    await page.uncheck('#only');
    await page.selectOption('#check', '');
    await page.selectOption('#screen', 'desktop');
    expect(await shots()).toBe(2);
    await page.selectOption('#screen', '');
    // What has one value alone is nothing to choose from.
    expect(await page.locator('#severity').isVisible()).toBe(false);
    await page.fill('#search', 'past the right edge');
    expect(await page.locator('#list .row').count()).toBe(2);
    expect(await marks()).toBeLessThan(all);
    await page.fill('#search', 'nothing of the kind');
    expect(await page.textContent('#list')).toMatch(/^0 of \d+ findings/);
    await page.fill('#search', '');
    expect(await marks()).toBe(all);
  });

  test('begins with a list whose numbers are those of the drawings, and leads to each', async () => {
    const numbers = await page.locator('#list .row .number').allTextContents();
    expect(new Set(numbers).size).toBe(numbers.length);
    expect(await page.textContent('#list h2')).toBe(`${numbers.length} findings, by cause`);
    const drawn = await (await marksOf('.shot i b')).allTextContents();
    expect(drawn.filter((number) => !numbers.includes(number))).toEqual([]);
    const row = page.locator('#list .row', { hasText: 'past the right edge of the screen' }).first();
    const number = await row.locator('.number').textContent();
    await row.click();
    expect(new URL(page.url()).hash).toBe(`#finding=${number}`);
    expect(await page.locator('dialog[open] .meant .number').textContent()).toBe(number);
    await page.goBack();
    await page.waitForFunction(() => globalThis.document.querySelector('dialog[open]') === null);
    await opened(`#finding=${number}`);
    expect(await page.locator('dialog[open] .meant .number').textContent()).toBe(number);
    await page.keyboard.press('Escape');
    // The page gives up the address of what is closed: two changes of one address at once may swap.
    await page.waitForFunction(() => globalThis.location.hash === '');
    await opened('#check=off-screen');
    expect(await page.inputValue('#check')).toBe('off-screen');
    await page.selectOption('#check', '');
  });

  test('axe-core finds nothing, on a desktop and 390 px wide', async () => {
    for (const width of [1280, 390]) {
      await page.setViewportSize({ width, height: 800 });
      expect([width, ...(await violationsOf(page))]).toEqual([width]);
      const across = await page.evaluate(() => globalThis.document.documentElement.scrollWidth - innerWidth);
      expect(across).toBeLessThanOrEqual(0);
    }
    await page.setViewportSize({ width: 1280, height: 800 });
  });

  test('at 200 % zoom and in forced colours it is all there', async () => {
    // Twice as large is half as many CSS px.
    await page.setViewportSize({ width: 640, height: 400 });
    await page.emulateMedia({ forcedColors: 'active', colorScheme: 'dark' });
    expect(
      await page.evaluate(() => globalThis.document.documentElement.scrollWidth - innerWidth),
    ).toBeLessThanOrEqual(0);
    expect(await violationsOf(page)).toEqual([]);
    await page.emulateMedia({ forcedColors: 'none', colorScheme: null });
    await page.setViewportSize({ width: 1280, height: 800 });
  });

  test('is used with the keyboard alone', async () => {
    await page.locator('.shot').first().focus();
    await page.keyboard.press('Enter');
    const title = () => page.textContent('#large-title');
    expect(await title()).toBe('hud on desktop');
    await page.keyboard.press('ArrowRight');
    expect(await title()).toBe('hud on 1000x800');
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('ArrowLeft');
    expect(await title()).toBe('open on 1000x800');
    await page.keyboard.press('Escape');
    expect(await page.locator('dialog[open]').count()).toBe(0);
  });

  test('its text stands out from what is behind it by 4.5 to 1', async () => {
    const ratios = await page.evaluate(() => {
      const parse = (text: string) => text.match(/[\d.]+/g)!.map(Number);
      const luminance = ([r, g, b]: number[]) => {
        const linear = [r!, g!, b!].map((one) =>
          one / 255 <= 0.04045 ? one / 255 / 12.92 : ((one / 255 + 0.055) / 1.055) ** 2.4,
        );
        return 0.2126 * linear[0]! + 0.7152 * linear[1]! + 0.0722 * linear[2]!;
      };
      const ground = (element: Element | null): number[] => {
        for (let at = element; at; at = at.parentElement) {
          const color = parse(getComputedStyle(at).backgroundColor);
          if (color.length === 3) return color;
        }
        return [0, 0, 0];
      };
      return [...globalThis.document.querySelectorAll('h1 *, h2, label, li, p, code, .name, .name span')].map(
        (element) => {
          const [a, b] = [luminance(parse(getComputedStyle(element).color)), luminance(ground(element))];
          return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
        },
      );
    });
    expect(Math.min(...ratios)).toBeGreaterThan(4.5);
  });
});

test('screens that a view does not support have no drawing that looks as if all were well', async () => {
  const child = '{ id: lamp, anchor: center, size: 100, look: { background: "#345" } }';
  writeFileSync(
    join(folder.path, 'some.yaml'),
    `pimbot: 1\nviews:\n  dive:\n    backdrop: "#000"\n    supports: { from: 1280x720 }\n    children: [${child}]\n`,
  );
  const on = ['--screen', 'desktop', '--screen', 'phone-portrait'];
  const { code } = await pimbotHere(['check', 'some.yaml', ...on, '--report', 'some.html'], folder.path);
  expect(code).toBe(0);
  const page = await browser.newPage();
  await page.goto(pathToFileURL(join(folder.path, 'some.html')).href);
  expect(await page.locator('.shot .name').allTextContents()).toEqual(['desktop✓']);
  expect(await page.locator('.unsupported').allTextContents()).toEqual([
    'dive does not support phone-portrait: nothing was looked at there.',
  ]);
  await page.getByLabel('Screen').selectOption('phone-portrait');
  expect(await page.locator('.shot').count()).toBe(0);
  expect(await page.locator('.unsupported').count()).toBe(1);
  await page.close();
});
