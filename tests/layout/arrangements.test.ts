import { describe, expect, test } from '@jest/globals';
import { LiveView, openView, readDocument } from 'pimbot';
import type { DocumentSource, ViewSource, WidgetSource } from 'pimbot';
import { documentOf, fonts, laidOut, numbers, opened, told } from '../support/views.ts';

const cells = (count: number, size: WidgetSource = { size: 40 }): WidgetSource[] =>
  Array.from({ length: count }, (_, index) => ({ id: `c${index}`, ...size }));

describe('wrap, grid, layers, pages (docs/layout-model.md 4.5 to 4.7)', () => {
  test('a row that wraps stacks its lines', () => {
    const on = laidOut([{ id: 'wrap', arrange: 'wrap', width: 100, gap: [5, 10], children: cells(5) }]);
    expect(numbers(on, 'c1')).toEqual([50, 0, 40, 40]);
    expect(numbers(on, 'c2')).toEqual([0, 45, 40, 40]);
    expect(numbers(on, 'c4')).toEqual([0, 90, 40, 40]);
    expect(on.rect('wrap').height).toBe(130);
  });

  test.each<[WidgetSource['columns'], number, [number, number][]]>([
    [
      2,
      0,
      [
        [0, 150],
        [150, 150],
        [0, 150],
      ],
    ],
    [
      '60 fill fill 3',
      10,
      [
        [0, 60],
        [70, 55],
        [135, 165],
      ],
    ],
    [
      'content fill',
      0,
      [
        [0, 40],
        [40, 260],
        [0, 40],
      ],
    ],
    [
      'auto 90',
      10,
      [
        [0, 90],
        [100, 90],
        [200, 90],
      ],
    ],
    [
      'auto 110..',
      10,
      [
        [0, 145],
        [155, 145],
        [0, 145],
      ],
    ],
  ])('columns %s with a gap of %d', (columns, gap, expected) => {
    const on = laidOut([
      { arrange: 'grid', width: 300, columns, gap, children: cells(3, { 'height': 20, 'min-width': 40 }) },
    ]);
    expect(expected.map((_, index) => [on.rect(`c${index}`).x, on.rect(`c${index}`).width])).toEqual(
      expected,
    );
  });

  test('cells that span, and rows that share', () => {
    const children = [{ 'id': 'wide', 'column-span': 2 }, { 'id': 'high', 'row-span': 2 }, ...cells(2, {})];
    const on = laidOut([{ arrange: 'grid', size: '300 200', columns: 3, rows: 'fill', children }]);
    expect(numbers(on, 'wide')).toEqual([0, 0, 200, 100]);
    expect(numbers(on, 'high')).toEqual([200, 0, 100, 200]);
    expect(numbers(on, 'c0')).toEqual([0, 100, 100, 100]);
    expect(numbers(on, 'c1')).toEqual([100, 100, 100, 100]);
  });

  test('layers lie over each other; of pages one is shown, and all keep the size', () => {
    const on = laidOut([
      {
        id: 'stack',
        arrange: 'layers',
        align: 'center',
        justify: 'end',
        children: [
          { id: 'big', size: '90 60' },
          { id: 'small', size: 20 },
        ],
      },
      {
        id: 'pages',
        offset: '0 200',
        arrange: 'pages',
        page: 'two',
        children: [
          { id: 'one', size: '90 60' },
          { id: 'two', size: 20 },
        ],
      },
    ]);
    expect(numbers(on, 'small')).toEqual([70, 20, 20, 20]);
    expect(on.rect('pages')).toMatchObject({ width: 90, height: 60 });
    expect(on.widgets.filter(({ visible }) => visible).map(({ id }) => id)).toEqual([
      'test',
      'stack',
      'big',
      'small',
      'pages',
      'two',
    ]);
  });
});

describe('sizes and places of their own', () => {
  test('limits of the size that an aspect gives hold the other one: as large as fits (2.6)', () => {
    const on = laidOut(
      [
        {
          id: 'fits',
          size: '300 100',
          children: [{ 'id': 'in', 'width': 'fill', 'max-height': '100%', 'aspect': 1.5 }],
        },
        { 'id': 'share', 'width': '100%', 'max-height': '50%', 'aspect': '2/1', 'anchor': 'center' },
        { 'id': 'spanned', 'anchor': 'left..right bottom', 'max-height': 90, 'aspect': 2 },
        { 'id': 'tall', 'height': '100%', 'max-width': '50%', 'aspect': 1 },
        {
          id: 'least',
          arrange: 'row',
          anchor: 'right top',
          children: [{ 'id': 'low', 'min-height': 40, 'aspect': 2 }],
        },
        { 'id': 'said', 'width': 300, 'max-height': 100, 'aspect': 1 },
        { 'id': 'own', 'width': 'fill', 'min-width': 500, 'max-height': 100, 'aspect': 1 },
      ],
      { width: 1000, height: 800 },
    );
    const sizes = (id: string) => numbers(on, id).slice(2);
    expect(sizes('in')).toEqual([150, 100]);
    expect(sizes('share')).toEqual([800, 400]);
    expect(sizes('spanned')).toEqual([180, 90]);
    expect(numbers(on, 'spanned')[0]).toBe(410);
    expect(sizes('tall')).toEqual([500, 500]);
    expect(sizes('low')).toEqual([80, 40]);
    expect(sizes('said')).toEqual([300, 100]);
    expect(sizes('own')).toEqual([500, 100]);
  });

  test('an aspect follows from the width, or from a height that is known (2.6, 2.7)', () => {
    const on = laidOut([
      { id: 'wide', width: 160, aspect: '16/9' },
      { id: 'high', height: 90, aspect: '16/9' },
      { id: 'span', anchor: 'left top..bottom', inset: 100, aspect: 0.5 },
      { id: 'both', width: 50, height: 70, aspect: 1 },
      {
        arrange: 'column',
        width: 200,
        offset: '300 0',
        children: [{ id: 'fills', width: 'fill', aspect: 2 }],
      },
    ]);
    expect(on.rect('wide')).toMatchObject({ width: 160, height: 90 });
    expect(on.rect('high')).toMatchObject({ width: 160, height: 90 });
    expect(numbers(on, 'span')).toEqual([0, 100, 300, 600]);
    expect(on.rect('both')).toMatchObject({ width: 50, height: 70 });
    expect(on.rect('fills')).toMatchObject({ width: 200, height: 100 });
  });

  test('a widget anchored to another follows it, whatever the order in the document (3.6)', () => {
    const on = laidOut([
      { 'id': 'close', 'anchor-to': 'dialog', 'anchor': 'right top', 'pivot': 'center', 'size': 20 },
      { 'id': 'tip', 'anchor-to': 'close', 'anchor': 'left..right bottom', 'pivot': 'left top', 'height': 5 },
      { arrange: 'row', anchor: 'center', children: [{ size: 100 }, { id: 'dialog', size: '300 200' }] },
    ]);
    expect(numbers(on, 'dialog')).toEqual([400, 300, 300, 200]);
    expect(numbers(on, 'close')).toEqual([690, 290, 20, 20]);
    expect(numbers(on, 'tip')).toEqual([690, 310, 20, 5]);
  });

  test('anchors in a circle are refused by name', () => {
    const found = told(
      readDocument(
        documentOf([
          { 'id': 'a', 'anchor-to': 'b' },
          { 'id': 'b', 'children': [{ 'id': 'c', 'anchor-to': 'a' }], 'anchor-to': 'c' },
        ]),
      ),
    );
    expect(found).toEqual([
      '/views/test/children/0/anchor-to: error: this anchor leads back to itself: a → b → c → a',
    ]);
  });

  test('a viewport scrolls over larger content, as far as there is some (4.7)', () => {
    const view = opened(
      documentOf([
        {
          'id': 'list',
          'size': '100 90',
          'scroll': 'y',
          'arrange': 'column',
          'gap': 10,
          'scroll-offset': '0 30',
          'children': cells(4),
        },
      ]),
    );
    expect(view.layoutOn({ width: 500, height: 500 }).rect('c0').y).toBe(-30);
    const live = new LiveView(view, { width: 500, height: 500 });
    live.scroll('list', 0, 1000);
    const { y } = live.read(live.indexOf('c3'), { x: 0, y: 0, width: 0, height: 0 });
    expect(y).toBe(50);
    live.scroll('list', 0, -5);
    expect(live.snapshot().rect('c0').y).toBe(0);
  });

  test('a divider gives its neighbours the shares it stands for (4.8)', () => {
    const row: WidgetSource = {
      arrange: 'row',
      size: '410 50',
      children: [{ id: 'a' }, { kind: 'separator', width: 10, value: 0.25 }, { 'id': 'b', 'min-width': 320 }],
    };
    const on = laidOut([row]);
    expect([on.rect('a').width, on.rect('b').width]).toEqual([80, 320]);
  });

  test('what is gone takes no room, what is invisible keeps its own', () => {
    const on = laidOut([
      {
        arrange: 'row',
        children: [
          { size: 10, gone: true },
          { size: 20, visible: false },
          { id: 'last', size: 30 },
        ],
      },
    ]);
    expect(numbers(on, 'last')).toEqual([20, 0, 30, 30]);
  });

  test('texts of a row stand on one baseline', () => {
    const on = laidOut([
      {
        arrange: 'row',
        align: 'baseline',
        children: [
          { id: 'big', kind: 'text', text: '412', look: { 'font-size': 60 } },
          { id: 'small', kind: 'text', text: 'm', look: { 'font-size': 20 } },
        ],
      },
    ]);
    const baseline = (id: string) => on.rect(id).y + on.widgets[on.indexOf(id)]!.text!.baseline;
    expect(baseline('small')).toBeCloseTo(baseline('big'), 9);
    expect(on.rect('small').y).toBeGreaterThan(20);
  });
});

describe('right to left (docs/layout-model.md 4.10)', () => {
  const view: ViewSource = {
    children: [
      { id: 'corner', anchor: 'start top', offset: '24 10', size: '50 20' },
      { id: 'physical', anchor: 'left bottom', offset: '24 0', size: '50 20' },
      { id: 'span', anchor: 'start..end top', inset: '10 30', height: 5 },
      {
        id: 'row',
        offset: '0 100',
        anchor: 'start top',
        arrange: 'row',
        width: 300,
        gap: 10,
        children: cells(3),
      },
      {
        offset: '0 200',
        anchor: 'start top',
        arrange: 'column',
        width: 300,
        align: 'start',
        children: [{ id: 'inner', size: 30 }],
      },
    ],
  };
  const layout = (direction: 'ltr' | 'rtl', one = view) =>
    opened({ pimbot: 1, reference: { scaling: 'none' }, views: { test: { ...one, direction } } }).layoutOn({
      width: 1000,
      height: 800,
    });

  test('start and end are mirrored, left and right are not', () => {
    const on = layout('rtl');
    expect(numbers(on, 'corner')).toEqual([926, 10, 50, 20]);
    expect(numbers(on, 'physical')).toEqual([24, 780, 50, 20]);
    expect(numbers(on, 'span')).toEqual([30, 0, 960, 5]);
    expect(numbers(on, 'c0')).toEqual([960, 100, 40, 40]);
    expect(numbers(on, 'c2')).toEqual([860, 100, 40, 40]);
    expect(numbers(on, 'inner')).toEqual([970, 200, 30, 30]);
  });

  test('mirrored twice is the identity', () => {
    const logical: ViewSource = { children: view.children!.filter(({ id }) => id !== 'physical') };
    const once = layout('ltr', logical);
    const mirrored = layout('rtl', logical);
    for (const { id } of once.widgets.slice(1)) {
      const { x, width, ...rest } = mirrored.rect(id);
      expect({ x: 1000 - x - width, width, ...rest }).toEqual(once.rect(id));
    }
  });
});

describe('scalings (docs/layout-model.md 1.1)', () => {
  test.each<[NonNullable<DocumentSource['reference']>, number]>([
    [{ scaling: 'width' }, 2],
    [{ scaling: 'height' }, 1],
    [{ scaling: 'blend' }, Math.SQRT2],
    [{ scaling: 'blend', blend: 1 }, 1],
    [{ scaling: 'whole', size: '320x180' }, 6],
    [{ scaling: 'physical', millimetres: 0.5 }, (200 / 25.4) * 0.5],
    [{ scaling: 'width', step: 0.75 }, 1.5],
    [{ scaling: 'whole', size: '3000x3000' }, 1],
  ])('%o', (reference, scale) => {
    const on = opened(documentOf([], { reference: { size: '1920x1080', ...reference } })).layoutOn({
      width: 3840,
      height: 1080,
      density: 200,
    });
    expect(on.layout.frame.scale).toBeCloseTo(scale, 12);
  });

  test('bars stand where they are asked to', () => {
    const on = opened(
      documentOf([{ id: 'a', size: 10 }], {
        reference: { size: '100x100', spare: 'bars', align: 'right top' },
      }),
    ).layoutOn({ width: 300, height: 100 });
    expect(numbers(on, 'a')).toEqual([200, 0, 10, 10]);
  });

  test("the player's text size makes texts larger, and what holds them", () => {
    const width = (textSize: number) =>
      openView(readDocument(documentOf([{ id: 't', kind: 'text', text: 'Depth' }])).document!, 'test', {
        resources: { fonts },
        textSize,
      })
        .layoutOn({ width: 900, height: 90 })
        .rect('t').width;
    expect(width(1.5)).toBeCloseTo(1.5 * width(1), 9);
  });
});
