import { readFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { createCanvas, loadImage } from '@napi-rs/canvas';
import {
  FontBook,
  drawLayout,
  openView,
  readDocument,
  unpackFont,
  type ViewLayout,
  type WidgetSource,
} from 'pimbot';
import { nodeText, toPng } from 'pimbot/node';
import type { Browser } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';
import { random } from '../../bench/trees.ts';
import { rounds, seedOf } from '../support/deep.ts';

/*
 * Latin, Cyrillic, Japanese and Arabic in the same font files, beside Chromium and on pixels. Chromium is told to break
 * as UAX 14 does by itself (line-break: strict), and not to squeeze Japanese punctuation, which we do not.
 */

const folder = 'examples/fathom-post/fonts';
const files = {
  Saira: readFileSync(`${folder}/saira-500.woff`),
  NotoCyrillic: readFileSync('tests/assets/noto-cyrillic-500.woff2'),
  NotoArabic: readFileSync(`${folder}/noto-arabic-500.woff2`),
  NotoJP: readFileSync(`${folder}/noto-jp-500.woff2`),
};
const families = 'Saira, NotoCyrillic, NotoArabic, NotoJP';

const words = {
  latin:
    'Depth hull air battery 10,994 m Kelp Nine Saint Barnacle rise at once! (winch ready) A letter, sealed. Über Tänk 86% To-night'.split(
      ' ',
    ),
  cyrillic:
    'Глубина корпус воздух почта 10 994 м станция «Ламинария» подъём! (лебёдка готова) письмо, запечатано.'.split(
      ' ',
    ),
  japanese:
    '深度 船体 空気 電池 昆布九番 手紙、 封印済み。 「すぐ浮上」 メートル 10,994m ポスト 荷物が七つ 赤い印の手紙'.split(
      ' ',
    ),
  arabic: 'العمق الهيكل الهواء البطارية 10,994 م رسالة، مختومة. اصعد! البريد سبعة طرود محطة'.split(' '),
};
type Script = keyof typeof words;

function texts(script: Script | 'mixed', count: number, seed: number): string[] {
  const next = random(seed);
  const scripts = Object.keys(words) as Script[];
  return Array.from({ length: count }, () => {
    const parts: string[] = [];
    for (let at = 0; at < 1 + Math.floor(next() * 9); at++) {
      const from = words[script === 'mixed' ? scripts[Math.floor(next() * 4)]! : script];
      parts.push(from[Math.floor(next() * from.length)]!);
    }
    return parts.join(script === 'japanese' && next() < 0.7 ? '' : ' ');
  });
}

let fonts: FontBook;
let browser: Browser;
beforeAll(async () => {
  fonts = new FontBook('Saira', nodeText());
  for (const [family, file] of Object.entries(files)) fonts.add(family, 500, await unpackFont(file));
  browser = await startBrowser();
});
afterAll(() => browser.close());

function laidOut(children: readonly WidgetSource[], rightToLeft = false): ViewLayout {
  const { document, diagnostics } = readDocument({
    pimbot: 1,
    reference: { scaling: 'none' },
    fonts: Object.fromEntries(Object.keys(files).map((family) => [family, { 500: 'font' }])),
    views: {
      test: {
        direction: rightToLeft ? 'rtl' : 'ltr',
        arrange: 'column',
        align: 'start',
        look: { 'font': families, 'font-size': 24, 'line-height': 1.5, 'color': '#000' },
        children,
      },
    },
  });
  if (!document) throw new Error(JSON.stringify(diagnostics.map(({ code, facts }) => ({ code, facts }))));
  return openView(document, 'test', { resources: { fonts } }).layoutOn({ width: 60_000, height: 100 });
}

interface Measured {
  readonly width: number;
  readonly lines: readonly string[];
}

function ours(all: readonly string[], widths: readonly number[], rightToLeft: boolean): Measured[] {
  const quoted = all.map((text) => text.replace(/'/g, "''"));
  const free = laidOut(
    quoted.map((text, at) => ({ id: `t${at}`, kind: 'text', text, wrap: false })),
    rightToLeft,
  );
  const wrapped = laidOut(
    quoted.map((text, at) => ({ id: `t${at}`, kind: 'text', text, width: widths[at]! })),
    rightToLeft,
  );
  return all.map((_, at) => ({
    width: free.rect(`t${at}`).width,
    lines: wrapped.widgets[at + 1]!.text!.linesAt(widths[at]!).map((line) => line.text),
  }));
}

async function theirs(
  all: readonly string[],
  widths: readonly number[],
  rightToLeft: boolean,
): Promise<Measured[]> {
  const page = await browser.newPage();
  const faces = Object.entries(files).map(
    ([family, file]) =>
      `@font-face{font-family:${family};font-weight:500;src:url(data:font/woff2;base64,${file.toString('base64')})}`,
  );
  await page.setContent(
    `<style>${faces.join('')} body{font:500 24px/36px ${families};text-rendering:geometricPrecision} span{white-space:pre} body{text-spacing-trim:space-all} div{overflow-wrap:normal;line-break:strict}</style><body dir="${rightToLeft ? 'rtl' : 'ltr'}" lang="en">`,
  );
  const found = await page.evaluate(
    async ({ all, widths, families }) => {
      for (const family of families.split(', ')) await document.fonts.load(`500 24px ${family}`, 'aﺍあ');
      return all.map((text, at) => {
        const span = document.createElement('span');
        span.textContent = text;
        document.body.append(span);
        const { width } = span.getBoundingClientRect();
        span.remove();
        const block = document.createElement('div');
        block.style.width = `${widths[at]}px`;
        block.textContent = text;
        document.body.append(block);
        const node = block.firstChild!;
        const top = block.getBoundingClientRect().top;
        const lines: string[] = [];
        const range = document.createRange();
        for (let index = 0; index < text.length; index++) {
          range.setStart(node, index);
          range.setEnd(node, index + 1);
          const rect = range.getClientRects()[0];
          const line = rect
            ? Math.max(0, Math.floor((rect.top + rect.height / 2 - top) / 36))
            : lines.length - 1;
          lines[line] = (lines[line] ?? '') + text[index]!;
        }
        block.remove();
        return { width, lines: lines.map((line) => (line ?? '').trimEnd()) };
      });
    },
    { all: [...all], widths: [...widths], families },
  );
  await page.close();
  return found;
}

describe('beside Chromium with the same font files', () => {
  test.each<[Script | 'mixed', number, boolean]>([
    ['latin', rounds(116, 350), false],
    ['cyrillic', rounds(100, 300), false],
    ['japanese', rounds(116, 350), false],
    ['arabic', rounds(50, 150), true],
    ['mixed', rounds(50, 150), false],
  ])('%s: widths and lines agree', async (script, count, rightToLeft) => {
    const all = texts(script, count, seedOf(11));
    const next = random(12);
    const widths = all.map(() => 90 + Math.floor(next() * 400));
    const [own, other] = [ours(all, widths, rightToLeft), await theirs(all, widths, rightToLeft)];
    const disagree = all.flatMap((text, at) => {
      const wide = Math.abs(own[at]!.width - other[at]!.width) > 0.2;
      const broken = JSON.stringify(own[at]!.lines) !== JSON.stringify(other[at]!.lines);
      return wide || broken ? [{ text, width: widths[at], ours: own[at], theirs: other[at] }] : [];
    });
    // Every one that disagrees has its cause: a line that fits by less than Chromium's 64ths of a px.
    const causes = disagree.map(({ text, width, theirs: found }) => {
      const edge = [0.05, -0.05].some(
        (by) =>
          JSON.stringify(ours([text], [width! + by], rightToLeft)[0]!.lines) === JSON.stringify(found!.lines),
      );
      return { text, width, cause: edge ? 'rounding' : 'unknown' };
    });
    expect(causes.filter(({ cause }) => cause === 'unknown')).toEqual([]);
    expect(disagree.length).toBeLessThanOrEqual(count * 0.01);
  });
});

describe('what is measured is what is painted', () => {
  test('the ink of texts lies in the box that was measured', async () => {
    const each = rounds(18, 60);
    const all = (['latin', 'cyrillic', 'japanese', 'arabic', 'mixed'] as const).flatMap((script, at) =>
      texts(script, each, seedOf(20) + at),
    );
    let inked = 0;
    for (let from = 0; from < all.length; from += 30) {
      const part = all.slice(from, from + 30);
      const { document } = readDocument({
        pimbot: 1,
        reference: { scaling: 'none' },
        fonts: Object.fromEntries(Object.keys(files).map((family) => [family, { 500: 'font' }])),
        views: {
          test: {
            arrange: 'column',
            align: 'start',
            gap: 40,
            padding: 40,
            look: { 'font': families, 'font-size': 24, 'line-height': 1.9, 'color': '#000' },
            children: part.map((text, at) => ({
              id: `t${at}`,
              kind: 'text',
              text: text.replace(/'/g, "''"),
              wrap: false,
            })),
          },
        },
      });
      const on = openView(document!, 'test', { resources: { fonts } }).layoutOn({
        width: 1600,
        height: 30 * 90 + 80,
      });
      const canvas = createCanvas(1600, 30 * 90 + 80);
      const context = canvas.getContext('2d');
      context.drawImage(await loadImage(Buffer.from(toPng(drawLayout(on)))), 0, 0);
      part.forEach((text, at) => {
        const box = on.rect(`t${at}`);
        const { data } = context.getImageData(0, Math.round(box.y) - 20, 1600, Math.round(box.height) + 40);
        let [left, right, top, bottom] = [Infinity, -Infinity, Infinity, -Infinity];
        for (let index = 3; index < data.length; index += 4) {
          if (data[index]! < 128) continue;
          const x = ((index - 3) / 4) % 1600;
          const y = Math.floor((index - 3) / 4 / 1600) + Math.round(box.y) - 20;
          left = Math.min(left, x);
          right = Math.max(right, x + 1);
          top = Math.min(top, y);
          bottom = Math.max(bottom, y + 1);
        }
        // Letters may lean out of their advance by a little: side bearings below zero are the font's own.
        const lean = 2;
        expect({ text, within: left >= box.x - lean && right <= box.x + box.width + lean }).toEqual({
          text,
          within: true,
        });
        expect({ text, within: top >= box.y - 1 && bottom <= box.y + box.height + 1 }).toEqual({
          text,
          within: true,
        });
        inked++;
      });
    }
    expect(inked).toBe(5 * each);
  });
});
