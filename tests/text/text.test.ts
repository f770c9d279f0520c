import { readFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { FontBook, FontError, unpackFont } from 'pimbot';
import { nodeText } from 'pimbot/node';
import type { Browser } from 'playwright-core';
import { random } from '../../bench/trees.ts';
import { startBrowser } from '../../bench/browser.ts';
import { documentOf, fonts, opened } from '../support/views.ts';
import { rounds, seedOf } from '../support/deep.ts';

const file = readFileSync('assets/fonts/inter-400.woff');

/** Words of the demo's world, joined at random. */
function strings(count: number): string[] {
  const words =
    'Depth hull air battery 10,994 m Kelp Nine Saint Barnacle — rise at once! (winch ready) A letter, sealed. Über Tänk 86% AV To-night fjord…'.split(
      ' ',
    );
  const next = random(7);
  return Array.from({ length: count }, () =>
    Array.from({ length: 1 + Math.floor(next() * 12) }, () => words[Math.floor(next() * words.length)]).join(
      ' ',
    ),
  );
}

/** Width, height and lines of texts in our layout, at a width or none. */
function measured(texts: readonly string[], width: number | undefined): { width: number; lines: string[] }[] {
  const children = texts.map((text, index) => ({
    id: `t${index}`,
    kind: 'text' as const,
    text: text.replace(/'/g, "''"),
    ...(width !== undefined && { width }),
  }));
  const view = opened(documentOf([{ arrange: 'column', align: 'start', children }]));
  const on = view.layoutOn({ width: 90_000, height: 100 });
  return texts.map((_, index) => {
    const { text } = on.widgets[on.indexOf(`t${index}`)]!;
    return {
      width: on.rect(`t${index}`).width,
      lines: text!.linesAt(width ?? Infinity).map((line) => line.text),
    };
  });
}

describe('texts beside Chromium with the same font file', () => {
  let browser: Browser;
  beforeAll(async () => {
    browser = await startBrowser();
  });
  afterAll(() => browser.close());

  test('widths agree, and lines break at the same places', async () => {
    const texts = strings(120);
    const page = await browser.newPage();
    await page.setContent(
      `<style>@font-face{font-family:T;src:url(data:font/woff;base64,${file.toString('base64')})} span{font:24px/30px T;white-space:pre;text-rendering:geometricPrecision} div{font:24px/30px T;width:260px;overflow-wrap:normal;text-rendering:geometricPrecision}</style>`,
    );
    const theirs = await page.evaluate(async (all) => {
      await document.fonts.load('24px T');
      return all.map((text) => {
        const span = document.createElement('span');
        span.textContent = text;
        document.body.append(span);
        const width = span.getBoundingClientRect().width;
        const block = document.createElement('div');
        block.textContent = text;
        document.body.append(block);
        const height = block.getBoundingClientRect().height;
        span.remove();
        block.remove();
        return { width, lines: height / 30 };
      });
    }, texts);
    await page.close();
    const free = measured(texts, undefined);
    const wrapped = measured(texts, 260);
    const wrong = texts.filter((_, index) => Math.abs(free[index]!.width - theirs[index]!.width) > 0.1);
    expect(wrong).toEqual([]);
    const broken = texts.filter((_, index) => wrapped[index]!.lines.length !== theirs[index]!.lines);
    expect(broken).toEqual([]);
  });
});

describe('fonts', () => {
  test('lines are as high as said, and a size twice as large is twice as wide', () => {
    const width = (size: number) =>
      opened(
        documentOf([
          { id: 't', kind: 'text', text: 'Kelp Nine', look: { 'font-size': size, 'line-height': 1.5 } },
        ]),
      )
        .layoutOn({ width: 900, height: 90 })
        .rect('t');
    expect(width(20).height).toBe(30);
    expect(width(40).width).toBeCloseTo(2 * width(20).width, 9);
  });

  test('letter spacing is added behind every letter', () => {
    const width = (spacing: number) =>
      opened(documentOf([{ id: 't', kind: 'text', text: 'Hull', look: { 'letter-spacing': spacing } }]))
        .layoutOn({ width: 900, height: 90 })
        .rect('t').width;
    expect(width(3) - width(0)).toBeCloseTo(12, 9);
  });

  test('the nearest weight is taken as CSS takes it', () => {
    expect(fonts.face('Inter', 300)).toBe(fonts.face('Inter', 400));
    expect(fonts.face('Inter', 500)).toBe(fonts.face('Inter', 400));
    expect(fonts.face('Inter', 600)).toBe(fonts.face('Inter', 700));
    expect(fonts.face('Inter', 900)).toBe(fonts.face('Inter', 700));
  });

  test.each<[string, Uint8Array, RegExp]>([
    ['nothing', new Uint8Array(0), /too short/],
    ['a text', new TextEncoder().encode('this is no font at all, is it?'), /not a TrueType/],
    ['half a WOFF', file.subarray(0, file.length / 2), /outside it|cut short|unpacked/],
    [
      'a WOFF of noise',
      Uint8Array.from(file, (byte, at) => (at > 300 && at % 3 === 0 ? byte ^ 0x5a : byte)),
      /unpacked|another length|characters|height/,
    ],
    ['a bare header', Uint8Array.from({ length: 64 }, (_, at) => [0, 1, 0, 0][at] ?? 0), /no characters/],
  ])('%s is refused with a sentence', async (_, bytes, sentence) => {
    const book = new FontBook('Test', nodeText());
    const add = async () => book.add('Test', 400, await unpackFont(bytes));
    await expect(add()).rejects.toThrow(FontError);
    await expect(add()).rejects.toThrow(sentence);
  });

  test('a font that is still packed is refused with what to do', () => {
    expect(() => new FontBook('Test', nodeText()).add('Test', 400, file)).toThrow(
      'a WOFF file has to be unpacked first, with unpackFont',
    );
  });

  test('random damage never does more than refuse', async () => {
    const next = random(99);
    for (let round = 0; round < 60; round++) {
      const damaged = Uint8Array.from(file);
      for (let hit = 0; hit < 8; hit++)
        damaged[Math.floor(next() * damaged.length)] = Math.floor(next() * 256);
      const book = new FontBook('Test', nodeText());
      try {
        book.add('Test', 400, await unpackFont(damaged));
        expect(
          Number.isFinite(
            book.face('Test', 400).shape('Depth 412 m', false, { tabular: false, language: 'en' }).advance,
          ),
        ).toBe(true);
      } catch (error) {
        expect(error).toBeInstanceOf(FontError);
      }
    }
  });
});

describe('where lines may break', () => {
  const textOf = (text: string) =>
    opened(documentOf([{ id: 't', kind: 'text', text }])).layoutOn({ width: 500, height: 500 }).widgets[1]!
      .text!;

  const { lineBreaks } = nodeText();

  test('letters, digits, spaces, points and commas break where UAX 14 breaks them', () => {
    const letters = fc.constantFrom('a', 'Z', '0', '9', ' ', '.', ',', '-');
    fc.assert(
      fc.property(fc.string({ unit: letters, minLength: 1, maxLength: 14 }), (text) => {
        const expected: string[] = [];
        let from = 0;
        for (const { position } of lineBreaks(text)) {
          expected.push(text.slice(from, position).trimEnd());
          from = position;
        }
        expect(
          textOf(text)
            .linesAt(0)
            .map((line) => line.text),
        ).toEqual(expected);
      }),
      { numRuns: rounds(200, 600), seed: seedOf(3) },
    );
  });

  test('the height is that of the lines, whatever was asked before', () => {
    const words = fc.constantFrom('Rise', 'rise at once', 'a', 'parcels', '\n', '128', 'Barnacle');
    fc.assert(
      fc.property(
        fc.array(words, { maxLength: 12 }),
        fc.array(fc.integer({ min: 0, max: 500 }), { minLength: 1, maxLength: 12 }),
        (parts, widths) => {
          const kept = textOf(parts.join(' '));
          for (const width of widths) {
            const fresh = textOf(parts.join(' '));
            if (width % 3 === 0) kept.linesAt(width);
            expect(kept.heightAt(width)).toBe(fresh.linesAt(width).length * fresh.lineHeight);
          }
        },
      ),
      { numRuns: rounds(100, 300), seed: seedOf(4) },
    );
  });
});
