import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { drawLayout, readDocument, type WidgetSource, withPaths } from 'pimbot';
import { checkDocument } from 'pimbot/tools';
import { steadyBetween } from '../../src/text/index.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { documentOf, fonts, laidOut, numbers, told } from '../support/views.ts';

const long = 'We lay on the ridge for eleven hours with the pumps off, listening.';

function textOf(widget: WidgetSource) {
  const on = laidOut([{ id: 't', kind: 'text', text: long, ...widget }], { width: 900, height: 600 });
  const { text, box } = on.widgets[1]!;
  const rect = on.rect('t');
  const inner = rect.width - box.x.paddingStart.u - box.x.paddingEnd.u;
  return { rect, set: text!.setIn(inner, rect.height), text: text!, on };
}

const lines = (widget: WidgetSource) => textOf(widget).set.lines.map((line) => line.text);

describe('a text that does not fit', () => {
  test('has so many lines at the most, and an ellipsis for the rest', () => {
    expect(lines({ width: 260 })).toHaveLength(3);
    const two = textOf({ 'width': 260, 'max-lines': 2, 'ellipsis': 'end' });
    expect(two.rect.height).toBe(60);
    expect(two.set.lines.map((line) => line.text)).toEqual([
      'We lay on the ridge for',
      'eleven hours with th…',
    ]);
    expect(two.set.shortened).toBe(true);
    expect(lines({ 'width': 260, 'max-lines': 9, 'ellipsis': 'end' })).toEqual(lines({ width: 260 }));
    expect(lines({ 'width': 260, 'max-lines': 2 })).toEqual(lines({ width: 260 }).slice(0, 2));
  });

  test('on one line keeps its start, or its start and its end', () => {
    expect(lines({ width: 200, wrap: false, ellipsis: 'end' })).toEqual(['We lay on the ri…']);
    const [middle] = lines({ width: 200, wrap: false, ellipsis: 'middle' });
    expect(middle).toMatch(/^We lay.*….*ening\.$/);
    expect(lines({ width: 20, wrap: false, ellipsis: 'end' })).toEqual(['…']);
    // It may be narrower than its text: in a row it gives way.
    const on = laidOut(
      [
        {
          arrange: 'row',
          width: 300,
          children: [
            { id: 't', kind: 'text', text: long, wrap: false, ellipsis: 'end' },
            { id: 'b', size: 100 },
          ],
        },
      ],
      { width: 900, height: 600 },
    );
    expect(numbers(on, 't')[2]).toBe(200);
    expect(numbers(on, 'b')[0]).toBe(200);
  });

  test('has an ellipsis in every line that one long word is too wide for', () => {
    const told = { text: 'To Bartholomew of the Lampworks', width: 110, ellipsis: 'end' } as const;
    expect(lines(told)).toEqual(['To', 'Barthol…', 'of the', 'Lampw…']);
    expect(textOf(told).set.shortened).toBe(true);
    expect(lines({ ...told, 'ellipsis': 'middle', 'max-lines': 2 })).toEqual(['To', 'Bart…rks']);
    expect(lines({ ...told, 'text': 'Bartholomew', 'max-lines': 1 })).toEqual(['Barthol…']);
    for (let width = 30; width < 300; width += 7)
      for (const line of textOf({ ...told, width, 'max-lines': 3 }).set.lines)
        expect(line.width).toBeLessThanOrEqual(width + 1e-6);
  });

  test('is set as the room says, whatever room it had before', () => {
    const settings: readonly WidgetSource[] = [
      {},
      { 'max-lines': 2 },
      { 'max-lines': 2, 'ellipsis': 'end' },
      { wrap: false, ellipsis: 'middle' },
      { ellipsis: 'end' },
      { 'max-lines': 1, 'ellipsis': 'end' },
      { 'max-lines': 4, 'ellipsis': 'middle' },
      { 'least-font-size': 12, 'max-lines': 3 },
      { 'least-font-size': 9, 'wrap': false },
      { 'least-font-size': 16 },
    ];
    fc.assert(
      fc.property(
        fc.constantFrom(...settings),
        fc.array(fc.integer({ min: 30, max: 700 }), { minLength: 2, maxLength: 9 }),
        (setting, widths) => {
          const block = () => textOf({ width: 900, ...setting }).text;
          const kept = block();
          const said = ({ lines, ...set }: ReturnType<typeof kept.setIn>) => [
            set,
            lines.map(({ text, width, ink }) => [text, width, ink]),
          ];
          for (const width of widths) {
            expect(said(kept.setIn(width, 90))).toEqual(said(block().setIn(width, 90)));
            // From the first of the widths around it up to the last, it stays as it is; and no further, where all lines are shown.
            const [from, to, isSteady] = steadyBetween(block(), width);
            if (Number.isNaN(from)) continue;
            expect(width >= from && width < to).toBe(true);
            const at = (one: number) => {
              const { lines, shrink, shortened } = block().setIn(one, Infinity);
              const share = isSteady ? shrink : shrink / one;
              return [lines.map(({ text }) => text), shortened, share.toFixed(9)];
            };
            for (const other of [from, (Math.max(from, 1) + Math.min(to, 900)) / 2, to - 1e-9])
              if (other > 0 && other < 1e6) expect(at(other)).toEqual(at(width));
            if (to < 900 && !('max-lines' in setting) && !('least-font-size' in setting))
              expect(at(to)).not.toEqual(at(width));
          }
        },
      ),
      { numRuns: rounds(40, 400), seed: seedOf(5) },
    );
  });

  test('never breaks a character in two', () => {
    const family = '👩‍🚀👩‍🚀👩‍🚀👩‍🚀👩‍🚀👩‍🚀 é́ n';
    for (let width = 10; width < 300; width += 7) {
      const [line] = lines({ text: family, width, wrap: false, ellipsis: 'end' });
      const kept = line!.replace(/…$/, '');
      expect(family.startsWith(kept)).toBe(true);
      expect(kept.endsWith('\u200d')).toBe(false);
    }
  });

  test('is shrunk to the best of all numbers of lines', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 40, max: 700 }),
        fc.integer({ min: 10, max: 300 }),
        fc.constantFrom(1, 2, 5, Infinity),
        fc.constantFrom(long, 'Sea', 'First\nsecond line\nthird', long.repeat(4)),
        (width, height, most, words) => {
          const few = most < Infinity && { 'max-lines': most };
          const { text } = textOf({ 'text': words, width, ...few, 'least-font-size': 6 });
          let best = 6 / 24;
          for (let lines = 1; lines <= Math.min(most, 120); lines++) {
            const needs = text.leastFor(lines);
            const across = needs === undefined ? 0 : width >= needs - 1e-6 ? 1 : width / needs;
            best = Math.max(best, Math.min(across, height / (lines * text.lineHeight)));
          }
          expect(text.setIn(width, height).shrink).toBeCloseTo(best, 6);
        },
      ),
      { numRuns: rounds(60, 2000), seed: seedOf(7) },
    );
  });

  test('is shrunk as little as it needs, and no further than is allowed', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 120, max: 700 }),
        fc.integer({ min: 1, max: 4 }),
        fc.constantFrom(true, false),
        (width, most, wrap) => {
          const { set, rect, text } = textOf({ width, wrap, 'max-lines': most, 'least-font-size': 8 });
          const widest = Math.max(...set.lines.map((line) => line.width)) * set.shrink;
          const fits = widest <= width + 1e-6;
          expect(set.shrink === 1 / 3 || (fits && set.lines.length <= most)).toBe(true);
          expect(set.shrink).toBeGreaterThanOrEqual(8 / 24);
          expect(rect.height).toBeCloseTo(Math.min(most, set.lines.length) * text.lineHeight * set.shrink, 6);
          // A hair larger would not fit any more.
          if (set.shrink < 1 && set.shrink > 8 / 24) {
            const room = width / (set.shrink * 1.001);
            const more = textOf({ width: room, wrap }).text;
            expect(
              more.linesAt(room).length > most || more.least > room || (!wrap && more.widest > room),
            ).toBe(true);
          }
        },
      ),
      { numRuns: 100, seed: 6 },
    );
  });

  test('in a box of a said height is shrunk to that height too', () => {
    const { set, rect, on } = textOf({ 'width': 260, 'height': 60, 'least-font-size': 6 });
    expect(set.shrink).toBeLessThan(1);
    expect(set.lines.length * 30 * set.shrink).toBeLessThanOrEqual(rect.height + 1e-6);
    const path = withPaths(drawLayout(on)).operations.find(({ type }) => type === 'path');
    const ys =
      path?.type === 'path' ? path.steps.flatMap(({ values }) => values.filter((_, at) => at % 2 === 1)) : [];
    expect(Math.max(...ys)).toBeLessThanOrEqual(60);
  });

  test('and is still too large is cut text, with the size it came down to', () => {
    const { document } = readDocument(
      documentOf(
        [{ 'id': 't', 'kind': 'text', 'text': long, 'width': 100, 'wrap': false, 'least-font-size': 20 }],
        {},
        { backdrop: '#000' },
      ),
    );
    const { findings } = checkDocument(document!, {
      resources: { fonts },
      screens: [laidOut([], { width: 900, height: 600 }).screen],
    });
    expect(findings.map(({ check }) => check)).toContain('cut-text');
  });

  test('these keys are for texts', () => {
    expect(told(readDocument(documentOf([{ kind: 'meter', ellipsis: 'end' }])))[0]).toContain(
      '"ellipsis" is for text, button, textbox, tooltip; this widget is of kind meter',
    );
  });
});

describe('lines in a taller box', () => {
  test.each([
    ['start', 0],
    ['center', 85],
    ['end', 170],
  ] as const)('align-content %s', (where, top) => {
    const on = laidOut([
      { id: 't', kind: 'text', text: 'Rise', height: 200, look: { 'align-content': where } },
    ]);
    const plain = laidOut([{ id: 't', kind: 'text', text: 'Rise', height: 30 }]);
    const high = (one: typeof on) => {
      const path = withPaths(drawLayout(one)).operations.find(({ type }) => type === 'path');
      return path?.type === 'path'
        ? Math.min(...path.steps.flatMap(({ values }) => values.filter((_, at) => at % 2 === 1)))
        : NaN;
    };
    expect(high(on) - high(plain)).toBeCloseTo(top, 6);
  });

  test('digits of one width, where the font has them', () => {
    const width = (text: string, look: object) =>
      numbers(laidOut([{ id: 't', kind: 'text', text, look }]), 't')[2];
    expect(width('1111', {})).not.toBeCloseTo(width('8888', {}), 1);
    const tabular = { 'font-variant-numeric': 'tabular-nums' };
    expect(width('1111', tabular)).toBeCloseTo(width('8888', tabular), 6);
  });
});

test.each(['start', 'center', 'end'] as const)(
  'a shrunk text is painted where it is aligned: %s',
  (align) => {
    const on = laidOut([
      {
        'kind': 'text',
        'text': 'Rise, Fathom, rise to the lamps of the quay',
        'size': '300 80',
        'offset': '50 20',
        'max-lines': 2,
        'least-font-size': 8,
        'look': { 'font-size': 60, 'text-align': align },
      },
    ]);
    const { operations } = withPaths(drawLayout(on));
    const xs = operations.flatMap((one) =>
      one.type === 'path' ? one.steps.flatMap(({ values }) => values.filter((_, at) => at % 2 === 0)) : [],
    );
    const [before, after] = [Math.min(...xs) - 50, 350 - Math.max(...xs)];
    expect(Math.min(before, after)).toBeGreaterThan(-2);
    // The longer of its lines leaves a little of the room.
    if (align === 'start') expect(before).toBeLessThan(5);
    if (align === 'end') expect(after).toBeLessThan(5);
    if (align === 'center') expect(Math.abs(before - after)).toBeLessThan(4);
  },
);
