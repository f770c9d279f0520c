import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { createCanvas, loadImage } from '@napi-rs/canvas';
import fc from 'fast-check';
import {
  drawLayout,
  makeScreen,
  readDocument,
  readPicture,
  type DrawOperation,
  type Picture,
  type WidgetSource,
} from 'pimbot';
import { checkDocument } from 'pimbot/tools';
import { readFileSync } from 'node:fs';
import type { Browser } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';
import { documentOf, fonts, laidOut, opened, told } from '../support/views.ts';

const styles = {
  loud: { 'font-weight': 700, 'color': '#ff0000' },
  large: { 'font-size': 36 },
};

const bytes = createCanvas(40, 20).toBuffer('image/png');
const crate: Picture = { ...readPicture('crate', bytes), drawable: await loadImage(bytes) };
const pictures = new Map([['crate', crate]]);

function shown(text: string, more: Partial<WidgetSource> = {}, values = {}) {
  const widget = { id: 't', kind: 'text' as const, text, ...more };
  const document = documentOf([widget], {
    styles,
    pictures: { crate: 'crate.png' },
    cases: { only: values },
  });
  return opened(document, { pictures }).layoutOn({ width: 1000, height: 800 });
}

const blockOf = (on: ReturnType<typeof shown>) => on.widgets[on.indexOf('t')]!.text!;
const inksOf = (on: ReturnType<typeof shown>) =>
  drawLayout(on).operations.filter(
    (one): one is Extract<DrawOperation, { type: 'glyphs' }> => one.type === 'glyphs',
  );

describe('words set in another way', () => {
  test('have the weight, colour and size their mark says', () => {
    const block = blockOf(shown('Plain [bold](700) [red](#f00) [big](150%) [30 u](30u) [all](loud large)'));
    expect(block.text).toBe('Plain bold red big 30 u all');
    const said = block.runs.map(({ from, to, setting }) => [
      block.text.slice(from, to),
      setting.chain.primary.weight,
      setting.scale,
      setting.color?.r,
    ]);
    expect(said).toEqual([
      ['bold', 700, 1, undefined],
      ['red', 400, 1, 1],
      ['big', 400, 1.5, undefined],
      ['30 u', 400, 1.25, undefined],
      ['all', 700, 1.5, 1],
    ]);
  });

  test('each colour is one path, in order', () => {
    expect(inksOf(shown('a [b](#f00) c [d](#00f) [e](#f00)')).map(({ color }) => [color.r, color.b])).toEqual(
      [
        [1, 1],
        [1, 0],
        [0, 1],
        [1, 0],
      ],
    );
  });

  test('all of a text in marks is as wide as the same without', () => {
    const [plain, marked] = ['Sealing wax', '[Sealing wax](100%)'].map((text) => blockOf(shown(text)));
    expect(marked!.widest).toBe(plain!.widest);
    expect(blockOf(shown('[Sealing wax](200%)')).widest).toBeCloseTo(2 * plain!.widest, 6);
  });

  test('larger ones make every line higher; smaller ones do not make it lower', () => {
    const height = (text: string) => shown(text).rect('t').height;
    expect(height('one [two](50%)')).toBe(height('one two'));
    expect(height('one [two](200%)')).toBe(2 * height('one two'));
  });

  test('brackets that are no marks stay, and so do escaped ones', () => {
    const texts = ['[F1]', 'a [b] (c)', '\\[a](700)', 'x \\\\ y', '[a\\]b](700)', '!', '![', '[](700)'];
    expect(texts.map((text) => blockOf(shown(text)).text)).toEqual([
      '[F1]',
      'a [b] (c)',
      '[a](700)',
      'x \\ y',
      'a]b',
      '!',
      '![',
      '',
    ]);
  });

  test('what a value holds stands for itself, whatever it is', () => {
    const letters = fc.constantFrom('[', ']', '(', ')', '!', '\\', '7', '%', 'a', ' ', '{', '}', "'");
    fc.assert(
      fc.property(fc.array(letters, { minLength: 1, maxLength: 12 }), (parts) => {
        const name = parts.join('');
        expect(blockOf(shown('To {name}: [now](700)', {}, { name })).text).toBe(`To ${name}: now`);
      }),
    );
  });

  test('parameters of a component are written by the author: their marks hold', () => {
    const document = documentOf([{ use: 'row', id: 'r', label: '[Hull](loud) {depth}' }], {
      styles,
      cases: { only: { depth: '[x](700)' } },
      components: {
        row: { params: { label: 'text' }, children: [{ id: 't', kind: 'text', text: '{label}' }] },
      },
    });
    const on = opened(document).layoutOn({ width: 500, height: 300 });
    const { text, runs } = on.widgets[on.indexOf('r.t')]!.text!;
    expect([text, runs.length]).toEqual(['Hull [x](700)', 1]);
  });

  test('unknown styles, tokens and pictures are told with their place', () => {
    const text =
      'pimbot: 1\nstyles: { loud: { font-weight: 700 } }\nviews:\n  test:\n    children:\n      - { kind: text, text: "[a](lowd) [b]($color.x) ![crat]" }\n';
    const diagnostics = told(readDocument(text, { name: 'hud.yaml' }));
    expect(diagnostics.map((one) => one.split('\n')[0])).toEqual([
      'hud.yaml:6:29: error: there is no style "lowd"; did you mean "loud"?',
      'hud.yaml:6:29: error: there is no token "color.x"',
      'hud.yaml:6:29: error: there is no picture "crat"',
    ]);
  });

  test('marks of other notations are warned of: they are shown as they are written', () => {
    const toldOf = (text: string) => {
      const { document, diagnostics } = readDocument(documentOf([{ kind: 'text', text }]));
      return [document !== undefined, told({ document, diagnostics }).join().split('\n')[0]];
    };
    expect(toldOf('Now **at once** please')).toEqual([
      true,
      '/views/test/children/0/text: warning: **at once** is shown as it is written: words that look another way are marked so: [at once](700), or with a style or a colour for 700',
    ]);
    expect(toldOf('Now <b>at once</b>')[1]).toContain('<b>at once</b> is shown as it is written');
    for (const text of ['2 ** 3 ** 4', 'a < b > c', '** at once **', '*****', '<bold>'])
      expect([text, ...toldOf(text)]).toEqual([text, true, '']);
  });

  test('in conditions and in changes of instances too', () => {
    const when = [{ screen: { width: '1..' }, change: { text: '[a](lowd)' } }];
    expect(told(readDocument(documentOf([{ kind: 'text', text: 'a', when }], { styles })))[0]).toContain(
      '/views/test/children/0/when/0/change/text: error: there is no style "lowd"; did you mean "loud"?',
    );
  });

  test('an ellipsis keeps how the words before it are set', () => {
    const on = shown('[Barnacle station](#f00) and the long way home', {
      width: 160,
      wrap: false,
      ellipsis: 'end',
    });
    const [red] = inksOf(on);
    expect(red!.color.g).toBe(0);
    const middle = shown('start of [the very end](#f00)', { width: 150, wrap: false, ellipsis: 'middle' });
    expect(inksOf(middle).map(({ color }) => color.g)).toEqual([1, 0]);
  });
});

describe('pictures among words', () => {
  test('are as high as the letters, in their aspect, and keep their place in the line', () => {
    const on = shown('Take ![crate] along', { look: { 'font-size': 30 } });
    const picture = drawLayout(on).operations.find(({ type }) => type === 'picture');
    if (picture?.type !== 'picture') throw new Error('no picture was drawn');
    expect([picture.rect.width, picture.rect.height]).toEqual([60, 30]);
    const { x, y, width, height } = on.rect('t');
    expect(picture.rect.x).toBeGreaterThan(x);
    expect(picture.rect.x + 60).toBeLessThan(x + width);
    expect(picture.rect.y).toBeGreaterThanOrEqual(y);
    expect(picture.rect.y + 30).toBeLessThanOrEqual(y + height);
    const [before, after] = ['Take ', ' along'].map((text) =>
      blockOf(shown(text, { look: { 'font-size': 30 } })),
    );
    expect(blockOf(on).widest).toBeGreaterThan(60 + before!.widest + after!.widest);
  });

  test('take a size and a tint', () => {
    const picture = drawLayout(shown('![crate](200% #f00)')).operations.find(
      ({ type }) => type === 'picture',
    );
    if (picture?.type !== 'picture') throw new Error('no picture was drawn');
    expect([picture.rect.height, picture.tint]).toEqual([48, { r: 1, g: 0, b: 0, a: 1 }]);
  });
});

describe('checks look at every colour and size of a text', () => {
  const findingsOf = (text: string, look = {}) => {
    const { document } = readDocument(
      documentOf(
        [
          {
            id: 't',
            kind: 'text',
            anchor: 'center',
            text,
            look: { 'color': '#fff', 'font-size': 40, ...look },
          },
        ],
        {},
        { backdrop: '#000' },
      ),
    );
    const screen = makeScreen({ width: 900, height: 600, density: 96, distance: 600 });
    return checkDocument(document!, { resources: { fonts }, screens: [screen] }).findings;
  };

  test('dark words in a light text have low contrast', () => {
    expect(findingsOf('White on black')).toEqual([]);
    const [finding] = findingsOf('White and [dark](#222) on black');
    expect([finding!.check, finding!.reasons[0]!.text]).toEqual([
      'low-contrast',
      expect.stringContaining('"dark" in the text, #222222 stands on #000000'),
    ]);
  });

  test('an outline of a pixel and more is what letters are read against', () => {
    expect(findingsOf('Dark', { color: '#222' }).map(({ check }) => check)).toEqual(['low-contrast']);
    expect(findingsOf('Dark', { 'color': '#222', 'text-outline': '2 #fff' })).toEqual([]);
    expect(findingsOf('Dark', { 'color': '#222', 'text-outline': '0.4 #fff' })).toHaveLength(1);
  });

  test('words too small to read in a text that is not', () => {
    expect(findingsOf('Fine [print](10%)').map(({ check }) => check)).toContain('small-text');
  });
});

describe('beside Chromium', () => {
  let browser: Browser;
  beforeAll(async () => {
    browser = await startBrowser();
  });
  afterAll(() => browser.close());

  test('texts of several weights and sizes break at the same places and are as wide', async () => {
    const page = await browser.newPage();
    const font = (weight: number) => readFileSync(`assets/fonts/inter-${weight}.woff`).toString('base64');
    await page.setContent(
      `<style>${[400, 700].map((weight) => `@font-face{font-family:T;font-weight:${weight};src:url(data:font/woff;base64,${font(weight)})}`).join('')} div{font:24px/60px T;position:absolute;top:0;left:0}</style><body></body>`,
    );
    const words = 'sea ridge parcel Barnacle lamp oil winch 128 rack to of a'.split(' ');
    const cases: { widths: number; parts: { text: string; weight: number; percent: number }[] }[] = [];
    let seed = 7;
    const next = (most: number) => (seed = (seed * 48271) % 2147483647) % most;
    for (let at = 0; at < 60; at++) {
      const parts = Array.from({ length: 4 + next(6) }, () => ({
        text: Array.from({ length: 1 + next(3) }, () => words[next(words.length)]!).join(' '),
        weight: next(2) ? 700 : 400,
        percent: [50, 100, 150][next(3)]!,
      }));
      cases.push({ widths: 150 + next(400), parts });
    }
    const theirs = await page.evaluate(async (all) => {
      await Promise.all([400, 700].map((weight) => document.fonts.load(`${weight} 24px T`)));
      return all.map(({ widths, parts }) => {
        const div = document.createElement('div');
        div.style.width = `${widths}px`;
        for (const { text, weight, percent } of parts) {
          const span = document.createElement('span');
          span.style.cssText = `font-weight:${weight};font-size:${percent}%`;
          span.textContent = text;
          div.append(span, ' ');
        }
        document.body.append(div);
        const rows: [number, number][] = [];
        for (const span of div.children) {
          for (const { left, right } of span.getClientRects()) {
            const row = rows.at(-1);
            // Words that start before the last ones end are on the next line.
            if (row && left > row[1] - 1) row[1] = right;
            else rows.push([left, right]);
          }
        }
        div.remove();
        return rows.map(([left, right]) => right - left);
      });
    }, cases);
    await page.close();
    const off: string[] = [];
    cases.forEach(({ widths, parts }, at) => {
      const text = parts.map((part) => `[${part.text}](${part.weight} ${part.percent}%)`).join(' ');
      const on = laidOut([{ id: 't', kind: 'text', text, width: widths }]);
      const ours = on.widgets[on.indexOf('t')]!.text!.linesAt(widths).map(({ width }) => width);
      const same =
        ours.length === theirs[at]!.length &&
        ours.every((width, row) => Math.abs(width - theirs[at]![row]!) < 0.5);
      if (!same) off.push(`${text}: ${ours.join(' ')} beside ${theirs[at]!.join(' ')}`);
    });
    expect(off).toEqual([]);
  });
});
