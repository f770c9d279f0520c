import { describe, expect, test } from '@jest/globals';
import type { WidgetSource } from 'pimbot';
import { laidOut, numbers } from '../support/views.ts';

/** Start and length along x of the children of a row of that width. */
function row(
  width: number | string,
  more: WidgetSource,
  children: readonly WidgetSource[],
): [number, number][] {
  const named = children.map((child, index) => ({ id: `c${index}`, ...child }));
  const on = laidOut([{ id: 'row', width, height: 100, arrange: 'row', ...more, children: named }]);
  return named.map(({ id }) => {
    const { x, width: length } = on.rect(id);
    return [x, length];
  });
}

const boxes = [{ width: 50 }, { width: 100 }, { width: 30 }];

describe('along a row (docs/layout-model.md 4.1)', () => {
  test('children follow each other with gaps, padding and margins', () => {
    expect(
      row(400, { gap: 10, padding: '0 20' }, [
        { width: 50 },
        { width: 100, margin: '0 4 0 6' },
        { width: 30 },
      ]),
    ).toEqual([
      [20, 50],
      [86, 100],
      [200, 30],
    ]);
  });

  test.each<[WidgetSource['justify'], [number, number][]]>([
    [
      'start',
      [
        [0, 50],
        [50, 100],
        [150, 30],
      ],
    ],
    [
      'center',
      [
        [110, 50],
        [160, 100],
        [260, 30],
      ],
    ],
    [
      'end',
      [
        [220, 50],
        [270, 100],
        [370, 30],
      ],
    ],
    [
      'space-between',
      [
        [0, 50],
        [160, 100],
        [370, 30],
      ],
    ],
    [
      'space-around',
      [
        [220 / 6, 50],
        [50 + 220 / 2, 100],
        [150 + (220 * 5) / 6, 30],
      ],
    ],
    [
      'space-evenly',
      [
        [55, 50],
        [160, 100],
        [315, 30],
      ],
    ],
  ])('justify %s', (justify, expected) => {
    const found = row(400, { justify }, boxes);
    found.forEach(([start, length], index) => {
      expect(start).toBeCloseTo(expected[index]![0], 9);
      expect(length).toBe(expected[index]![1]);
    });
  });

  test('what overflows hangs out at the end, or on both sides when centred', () => {
    expect(row(100, {}, boxes)[2]).toEqual([150, 30]);
    expect(row(100, { justify: 'center' }, boxes)[0]).toEqual([-40, 50]);
    expect(row(100, { justify: 'space-between' }, boxes)[0]).toEqual([0, 50]);
  });

  test('fills share what is left by weight', () => {
    expect(row(400, { gap: 10 }, [{ width: 'fill' }, { width: 80 }, { width: 'fill 3' }])).toEqual([
      [0, 75],
      [85, 80],
      [175, 225],
    ]);
  });

  test('a fill that its maximum stops leaves its share to the others, a minimum takes from them', () => {
    expect(
      row(400, {}, [{ 'width': 'fill', 'max-width': 40 }, { width: 'fill' }, { width: 'fill' }]).map(
        ([, length]) => length,
      ),
    ).toEqual([40, 180, 180]);
    expect(
      row(400, {}, [{ 'width': 'fill', 'min-width': 220 }, { width: 'fill' }, { width: 'fill' }]).map(
        ([, length]) => length,
      ),
    ).toEqual([220, 90, 90]);
    expect(
      row(400, {}, [
        { 'width': 'fill', 'min-width': 250 },
        { 'width': 'fill', 'max-width': 20 },
        { width: 'fill' },
      ]).map(([, length]) => length),
    ).toEqual([250, 20, 130]);
  });

  test('without room, fills keep their minimum', () => {
    expect(
      row(100, {}, [{ width: 90 }, { 'width': 'fill', 'min-width': 30 }]).map(([, length]) => length),
    ).toEqual([90, 30]);
  });

  test('a share of the row', () => {
    expect(row(400, { padding: '0 50' }, [{ width: '50%' }, { width: '25% + 5' }])).toEqual([
      [50, 150],
      [200, 80],
    ]);
  });
});

describe('across a row (docs/layout-model.md 4.3)', () => {
  test('align, and a child that says otherwise', () => {
    const on = laidOut([
      {
        arrange: 'row',
        size: '400 100',
        align: 'center',
        children: [
          { id: 'middle', size: '10 40' },
          { 'id': 'end', 'size': '10 40', 'align-self': 'end' },
          { 'id': 'stretched', 'width': 10, 'align-self': 'stretch', 'margin': '5 0 15 0' },
          { id: 'auto', width: 10, children: [{ size: 6 }] },
        ],
      },
    ]);
    expect(numbers(on, 'middle')).toEqual([0, 30, 10, 40]);
    expect(numbers(on, 'end')).toEqual([10, 60, 10, 40]);
    expect(numbers(on, 'stretched')).toEqual([20, 5, 10, 80]);
    expect(numbers(on, 'auto')).toEqual([30, 47, 10, 6]);
  });
});

describe('containers as large as their content (docs/layout-model.md 2.1)', () => {
  test('a column is as wide as its widest child and as high as all of them', () => {
    const on = laidOut([
      {
        id: 'column',
        arrange: 'column',
        padding: '8 12',
        gap: 5,
        children: [
          { size: '100 20' },
          { id: 'wide', size: '160 30', margin: '0 3' },
          { id: 'auto', height: 10 },
        ],
      },
    ]);
    expect(numbers(on, 'column')).toEqual([0, 0, 190, 86]);
    expect(numbers(on, 'wide')).toEqual([15, 33, 160, 30]);
    expect(numbers(on, 'auto')).toEqual([12, 68, 166, 10]);
  });

  test('a view arranges its children in its safe area', () => {
    const on = laidOut([
      {
        id: 'box',
        arrange: 'row',
        children: [{ id: 'inner', arrange: 'column', children: [{ size: 7 }, { size: '9 3' }] }],
      },
    ]);
    expect(numbers(on, 'inner')).toEqual([0, 0, 9, 10]);
  });
});

describe('text in a flow (docs/layout-model.md 4.2)', () => {
  const words = 'Rise and shine, the winch is ready';

  test('a text wraps at the width its column has, and the column grows', () => {
    const on = laidOut([
      { id: 'column', arrange: 'column', width: 160, children: [{ id: 'text', kind: 'text', text: words }] },
    ]);
    const { width, height } = on.rect('text');
    expect(width).toBe(160);
    expect(height).toBe(120);
    expect(on.rect('column').height).toBe(120);
  });

  test('a text in a row gives way to what has a fixed width', () => {
    const on = laidOut([
      {
        id: 'row',
        arrange: 'row',
        width: 200,
        children: [{ size: 60 }, { id: 'text', kind: 'text', text: words }],
      },
    ]);
    expect(on.rect('text').width).toBeCloseTo(140, 9);
    expect(on.rect('row').height).toBe(on.rect('text').height);
    expect(on.rect('text').height).toBeGreaterThan(60);
  });

  test('a text that may not wrap keeps its width', () => {
    const on = laidOut([
      { arrange: 'row', width: 50, children: [{ id: 'text', kind: 'text', text: words, wrap: false }] },
    ]);
    expect(on.rect('text').width).toBeGreaterThan(300);
    expect(on.rect('text').height).toBe(30);
  });

  test('a text anchored to a point wraps where it would leave its parent', () => {
    const on = laidOut(
      [
        {
          id: 'text',
          kind: 'text',
          text: `${words} ${words} ${words} ${words}`,
          anchor: 'right top',
          offset: '-100 0',
        },
      ],
      { width: 400, height: 300 },
    );
    const { x, width } = on.rect('text');
    expect(x).toBeGreaterThanOrEqual(0);
    expect(x + width).toBeCloseTo(300, 9);
  });
});
