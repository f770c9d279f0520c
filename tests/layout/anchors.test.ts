import { describe, expect, test } from '@jest/globals';
import { readDocument, type WidgetSource } from 'pimbot';
import { documentOf, laidOut, numbers, opened, told } from '../support/views.ts';

/** The rectangle of one child of a 1000 × 800 surface. */
function placed(widget: WidgetSource): [number, number, number, number] {
  return numbers(laidOut([{ id: 'it', ...widget }]), 'it');
}

describe('an anchor that is a point (docs/layout-model.md 3.1)', () => {
  test.each<[string, WidgetSource, [number, number, number, number]]>([
    ['left top without a word', { size: '120 40' }, [0, 0, 120, 40]],
    [
      'a corner, the pivot following',
      { anchor: 'right bottom', offset: '-24 -24', size: 280 },
      [696, 496, 280, 280],
    ],
    ['the middle', { anchor: 'center', size: '101 33' }, [449.5, 383.5, 101, 33]],
    ['one word leaves the other axis centred', { anchor: 'top', size: '100 10' }, [450, 0, 100, 10]],
    ['words in either order', { anchor: 'bottom left', size: '10 20' }, [0, 780, 10, 20]],
    ['a fraction', { anchor: '0.25 0.75', pivot: 'left top', size: 8 }, [250, 600, 8, 8]],
    ['a percentage', { anchor: '12.5% 50%', size: 16 }, [125 - 2, 392, 16, 16]],
    ['outside of the parent', { anchor: '110% -10%', pivot: 'center', size: 10 }, [1095, -85, 10, 10]],
    [
      'another pivot',
      { anchor: 'center top', pivot: 'left top', offset: '0 24', size: '420 82' },
      [500, 24, 420, 82],
    ],
    ['an offset with a share', { anchor: 'left top', offset: ['10% - 4', '50%'], size: 5 }, [96, 400, 5, 5]],
    ['a size with a share', { size: '50% - 24 25%' }, [0, 0, 476, 200]],
    [
      'a minimum that wins over the maximum',
      { 'size': 50, 'max-width': 60, 'min-width': 80 },
      [0, 0, 80, 50],
    ],
    [
      'a maximum kept at the pivot',
      { 'anchor': 'right top', 'size': '500 10', 'max-width': 300 },
      [700, 0, 300, 10],
    ],
    [
      'a margin beside the anchor',
      { anchor: 'right bottom', margin: '0 7 9 0', size: 20 },
      [973, 771, 20, 20],
    ],
    ['fill takes the parent', { width: 'fill', height: 10, margin: '0 30 0 20' }, [20, 0, 950, 10]],
  ])('%s', (_, widget, expected) => {
    expect(placed(widget)).toEqual(expected);
  });
});

describe('an anchor that is a span (docs/layout-model.md 3.2)', () => {
  test.each<[string, WidgetSource, [number, number, number, number]]>([
    [
      'stretched between the edges',
      { anchor: 'left..right top', inset: '340 340', height: 56 },
      [340, 0, 320, 56],
    ],
    ['start and end differ', { anchor: 'left..right top', inset: '100 20', height: 1 }, [100, 0, 880, 1]],
    ['top and bottom', { anchor: 'left top..bottom', inset: '30 50', width: 9 }, [0, 30, 9, 720]],
    ['both axes, one inset', { anchor: 'left..right top..bottom', inset: 25 }, [25, 25, 950, 750]],
    [
      'both axes, the sides of CSS',
      { anchor: 'left..right top..bottom', inset: '1 2 3 4' },
      [4, 1, 994, 796],
    ],
    [
      'named sides',
      { anchor: 'left..right top', inset: { left: 10, right: '10%' }, height: 5 },
      [10, 0, 890, 5],
    ],
    ['part of the parent', { anchor: '25%..75% 0.5', height: 10 }, [250, 395, 500, 10]],
    [
      'a minimum bites: the pivot keeps its place',
      { 'anchor': 'left..right top', 'inset': 480, 'min-width': 100, 'height': 1 },
      [450, 0, 100, 1],
    ],
    [
      'and says which point',
      { 'anchor': 'left..right top', 'inset': 480, 'min-width': 100, 'height': 1, 'pivot': 'right top' },
      [420, 0, 100, 1],
    ],
    ['a said width in a span', { anchor: 'left..right top', width: 200, height: 1 }, [400, 0, 200, 1]],
    ['insets that cross leave nothing', { anchor: 'left..right top', inset: 600, height: 1 }, [500, 0, 0, 1]],
  ])('%s', (_, widget, expected) => {
    expect(placed(widget)).toEqual(expected);
  });
});

describe('a free container that is as large as its content (docs/layout-model.md 3.5)', () => {
  test('is the least size at which every child lies inside', () => {
    const on = laidOut([
      {
        id: 'box',
        padding: 10,
        children: [
          { id: 'a', anchor: 'left top', offset: 30, size: '50 20' },
          { id: 'b', anchor: 'right bottom', offset: '-5 -6', size: '120 40' },
          {
            id: 'c',
            anchor: 'left..right top',
            inset: '8 12',
            size: 'content',
            children: [{ size: '140 4' }],
          },
        ],
      },
    ]);
    expect(numbers(on, 'box')).toEqual([0, 0, 180, 70]);
    expect(numbers(on, 'b')).toEqual([45, 14, 120, 40]);
    expect(numbers(on, 'c')).toEqual([18, 10, 140, 4]);
  });

  test('a centred child needs as much on both sides', () => {
    const on = laidOut([{ id: 'box', children: [{ anchor: 'center', offset: '20 0', size: '60 30' }] }]);
    expect(numbers(on, 'box')).toEqual([0, 0, 100, 30]);
  });
});

describe('the surface and the safe area (docs/layout-model.md 1.4)', () => {
  const screen = { width: 1000, height: 500, safe: [40, 100, 20, 60] as const };

  test('children stand in the safe area, and on the full surface where asked', () => {
    const on = laidOut(
      [
        { id: 'safe', anchor: 'left..right top..bottom' },
        { id: 'full', area: 'full', anchor: 'left..right top..bottom' },
        { id: 'corner', anchor: 'right bottom', size: 10 },
      ],
      screen,
    );
    expect(numbers(on, 'safe')).toEqual([60, 40, 840, 440]);
    expect(numbers(on, 'full')).toEqual([0, 0, 1000, 500]);
    expect(numbers(on, 'corner')).toEqual([890, 470, 10, 10]);
  });

  test('insets shrink by the scale', () => {
    const on = laidOut(
      [{ id: 'safe', anchor: 'left..right top..bottom' }],
      { ...screen, width: 2000 },
      {
        reference: { size: '500x250', scaling: 'contain' },
      },
    );
    expect(on.rectInU('safe')).toEqual({ x: 30, y: 20, width: 920, height: 220 });
    expect(numbers(on, 'safe')).toEqual([60, 40, 1840, 440]);
  });
});

describe('a span between two widgets (docs/layout-model.md 3.6)', () => {
  const map: WidgetSource = { id: 'map', anchor: 'left top', offset: [40, 30], size: [200, 150] };
  const radio: WidgetSource = { id: 'radio', anchor: 'right top', offset: [-60, 50], size: [120, 80] };
  const bar = (more: WidgetSource): WidgetSource => ({
    'id': 'bar',
    'anchor': 'right..left top',
    'anchor-to': 'map..radio',
    'inset': 10,
    'height': 20,
    ...more,
  });

  test('reaches from the one to the other, with an inset from each; across, the first counts', () => {
    const on = laidOut([bar({}), map, radio]);
    expect(numbers(on, 'bar')).toEqual([250, 30, 1000 - 60 - 120 - 10 - 250, 20]);
    // Any two places: from the middle of the one to the right edge of the other.
    const wide = laidOut([bar({ anchor: 'center..right bottom', inset: 0 }), map, radio]);
    expect(numbers(wide, 'bar')).toEqual([140, 160, 800, 20]);
  });

  test('a share of an inset is one of the widget at that end', () => {
    const on = laidOut([bar({ inset: { left: '10%', right: '50%' } }), map, radio]);
    expect(numbers(on, 'bar')).toEqual([260, 30, 820 - 60 - 260, 20]);
  });

  test('follows both when they move, and is turned round with the writing direction', () => {
    const children = [
      bar({ anchor: 'end..start top', inset: { left: 5, right: 25 } }),
      { ...map, anchor: 'start top' },
      { ...radio, anchor: 'end top' },
    ];
    const on = (direction: 'ltr' | 'rtl') =>
      numbers(opened(documentOf(children, {}, { direction })).layoutOn({ width: 1000, height: 800 }), 'bar');
    // The mirror image of it the other way round.
    expect(on('ltr')).toEqual([245, 30, 820 - 25 - 245, 20]);
    const [x, y, width, height] = on('ltr');
    expect(on('rtl')).toEqual([1000 - x - width, y, width, height]);
  });

  test('lies in the parent where one of the two is not there, and why says so', () => {
    const on = laidOut([bar({}), map, { ...radio, gone: true }]);
    const [, , width] = numbers(on, 'bar');
    expect(width).toBeLessThan(0.5);
    expect(told(readDocument(documentOf([bar({ 'anchor-to': 'map..radoi' }), map, radio])))).toEqual([
      expect.stringContaining('did you mean "radio"'),
    ]);
    expect(told(readDocument(documentOf([bar({}), map, { ...radio, 'anchor-to': 'bar' }]))).join()).toContain(
      'leads back to itself',
    );
  });
});
