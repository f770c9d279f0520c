import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { LiveView, drawLayout, readDocument, type WidgetSource, withPaths } from 'pimbot';
import { checkDocument } from 'pimbot/tools';
import { documentOf, fonts, laidOut, numbers, opened, told } from '../support/views.ts';
import { rounds, seedOf } from '../support/deep.ts';

const portrait: WidgetSource = {
  id: 'portrait',
  anchor: 'right bottom',
  offset: [-20, -10],
  size: [32, 24],
  padding: 2,
  reference: { size: '480x270', scaling: 'whole' },
  children: [{ id: 'eye', offset: [4, 6], size: [3, 3] }],
};
const smooth = { reference: { size: '1920x1080' } };

describe('1.5 a part that keeps another scaling', () => {
  test('its place is in u of its parent, its size and inside in its own', () => {
    // contain: 1.25 px per u; whole of 480x270: 5 px.
    const on = laidOut([portrait], { width: 2400, height: 1350 }, smooth);
    expect(numbers(on, 'portrait')).toEqual([2400 - 25 - 160, 1350 - 12.5 - 120, 160, 120]);
    expect(numbers(on, 'eye')).toEqual([2215 + 30, 1217.5 + 40, 15, 15]);
    expect(on.layout.scale(on.indexOf('eye'))).toBe(5);
    expect(on.layout.scale(0)).toBe(1.25);
  });

  test('every size is whole px on every screen, while the view around is smooth', () => {
    const view = opened(documentOf([portrait], smooth));
    fc.assert(
      fc.property(
        fc.integer({ min: 500, max: 5000 }),
        fc.integer({ min: 300, max: 3000 }),
        (width, height) => {
          const on = view.layoutOn({ width, height });
          const scale = Math.max(1, Math.floor(Math.min(width / 480, height / 270)));
          expect(on.rect('portrait').width).toBeCloseTo(32 * scale, 9);
          expect(on.pixelRect('eye').width).toBe(3 * scale);
          expect(on.pixelRect('eye').height).toBe(3 * scale);
        },
      ),
      { numRuns: rounds(80, 200), seed: seedOf(7) },
    );
  });

  test('a part is measured, painted and checked at its own scale', () => {
    const text: WidgetSource = { id: 'name', kind: 'text', text: 'Ada Finch of the night post', width: 120 };
    const plain = laidOut([text], { width: 500, height: 500 }, { reference: { scaling: 'none' } });
    const part = { ...text, reference: { scaling: 'none', limits: '3..' } } as const;
    const on = laidOut([part], { width: 500, height: 500 }, { reference: { scaling: 'none' } });
    const [, , width, height] = numbers(plain, 'name');
    expect(numbers(on, 'name')).toEqual([0, 0, 3 * width, 3 * height]);
    const inkOf = (one: typeof on) => {
      const path = withPaths(drawLayout(one)).operations.find(({ type }) => type === 'path');
      return path?.type === 'path' ? path.steps.map(({ values }) => values) : [];
    };
    const thrice = inkOf(plain).map((values) => values.map((value) => value * 3));
    expect(inkOf(on).length).toBe(thrice.length);
    inkOf(on).forEach((values, at) =>
      values.forEach((value, n) => expect(value).toBeCloseTo(thrice[at]![n]!, 6)),
    );
    const { document } = readDocument(documentOf([part], { reference: { scaling: 'none' } }));
    const screens = [{ ...on.screen }];
    const { findings } = checkDocument(document!, { resources: { fonts }, screens });
    expect(findings.map(({ check }) => check)).not.toContain('cut-text');
  });

  test('parts in parts: the innermost decides, places follow what is around', () => {
    const inner: WidgetSource = {
      id: 'inner',
      offset: 10,
      size: 10,
      reference: { scaling: 'none', limits: '4..' },
    };
    const outer: WidgetSource = {
      id: 'outer',
      offset: 10,
      size: 100,
      reference: { scaling: 'none', limits: '2..' },
      children: [inner, { id: 'beside', anchor: 'right bottom', size: '50% 10' }],
    };
    const on = laidOut([outer], { width: 500, height: 500 }, { reference: { scaling: 'none' } });
    expect(numbers(on, 'outer')).toEqual([10, 10, 200, 200]);
    expect(numbers(on, 'inner')).toEqual([30, 30, 40, 40]);
    expect(numbers(on, 'beside')).toEqual([110, 190, 100, 20]);
  });

  test('in a row, a grid and a list that scrolls', () => {
    const reference = { scaling: 'none', limits: '3..' } as const;
    const on = laidOut(
      [
        {
          id: 'row',
          arrange: 'row',
          gap: 5,
          width: 300,
          children: [
            { id: 'small', size: 10, margin: 1, reference },
            { id: 'rest', width: 'fill', height: 4 },
          ],
        },
        {
          id: 'grid',
          anchor: 'left bottom',
          arrange: 'grid',
          columns: 'auto 10',
          gap: 2,
          width: 36,
          reference,
          children: Array.from({ length: 4 }, () => ({ height: 6 })),
        },
        {
          'id': 'list',
          'anchor': 'right top',
          'arrange': 'column',
          'scroll': 'y',
          'scroll-offset': [0, 4],
          'size': [10, 10],
          reference,
          'children': [{ id: 'long', height: 40 }],
        },
      ],
      { width: 500, height: 500 },
      { reference: { scaling: 'none' } },
    );
    expect(numbers(on, 'small')).toEqual([1, 1, 30, 30]);
    expect(numbers(on, 'rest')).toEqual([37, 0, 263, 4]);
    // Three columns of 10 and two gaps of 2 fit into 36, times 3; two rows of 6 and a gap of 2.
    expect(numbers(on, 'grid')).toEqual([0, 500 - 42, 108, 42]);
    expect(numbers(on, 'long')).toEqual([470, -12, 30, 120]);
  });

  test('live equals fresh, through sizes that change the factor', () => {
    const scrolling: WidgetSource = {
      ...portrait,
      id: 'log',
      anchor: 'left top',
      offset: 0,
      arrange: 'column',
      scroll: 'y',
      children: [{ kind: 'text', text: 'Rise! Rise!' }, { height: 90 }],
    };
    const view = opened(documentOf([portrait, scrolling], smooth));
    const live = new LiveView(view, { width: 640, height: 360 });
    const bytes = (one: { rect(index: number): object; count: number }) =>
      JSON.stringify(Array.from({ length: one.count }, (_, index) => one.rect(index)));
    for (const [width, height] of [
      [1920, 1080],
      [1930, 1080],
      [960, 540],
      [333, 200],
      [0, 0],
      [3840, 2160],
    ] as const) {
      live.resize({ width, height });
      expect(bytes(live.snapshot().layout)).toBe(
        bytes(opened(documentOf([portrait, scrolling], smooth)).layoutOn({ width, height }).layout),
      );
    }
  });

  test('a spare or an alignment is for a whole view', () => {
    const wrong = documentOf([{ ...portrait, reference: { spare: 'bars' } as never }]);
    expect(told(readDocument(wrong))[0]).toContain('has no key "spare"');
  });
});
