import { describe, expect, test } from '@jest/globals';
import type { WidgetSource } from 'pimbot';
import { whySize } from 'pimbot/tools';
import { random } from '../../bench/trees.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { documentOf, laidOut, numbers, opened } from '../support/views.ts';

describe('a padding may be a share of what the widget stands in, as every other length', () => {
  test('of its parent, each axis of its own', () => {
    const on = laidOut([
      {
        id: 'plate',
        offset: [100, 50],
        size: [400, 300],
        padding: '10%',
        children: [{ id: 'in', width: 'fill', height: 'fill' }],
      },
    ]);
    expect(numbers(on, 'in')).toEqual([200, 130, 200, 140]);
  });

  test('of the view, where that is the view itself: all of the surface', () => {
    const view = { padding: ['5%', '10% + 6'] };
    const on = opened(documentOf([{ id: 'in', anchor: 'left..right top..bottom' }], {}, view)).layoutOn({
      width: 1000,
      height: 800,
    });
    expect(numbers(on, 'in')).toEqual([106, 40, 788, 720]);
  });

  test('what has the size of its content grows by it, and its text has the room it needs', () => {
    const [plain, padded] = [0, '10% 20%'].map((padding) =>
      laidOut([
        {
          id: 'row',
          arrange: 'row',
          size: [500, 200],
          align: 'start',
          children: [{ id: 't', kind: 'text', text: 'Depth', padding }],
        },
      ]).rect('t'),
    );
    expect(padded!.width - plain!.width).toBeCloseTo(200, 9);
    expect(padded!.height - plain!.height).toBeCloseTo(40, 9);
  });

  test('a look has them too, and a limit holds the whole', () => {
    const on = laidOut([
      {
        id: 'row',
        arrange: 'row',
        size: [500, 200],
        align: 'start',
        children: [
          {
            'id': 't',
            'kind': 'panel',
            'min-width': 60,
            'look': { padding: '0 5%' },
            'children': [{ size: 30 }],
          },
        ],
      },
    ]);
    expect(numbers(on, 't')).toEqual([0, 0, 80, 30]);
  });
});

test('a gap may be a share of the room the children stand in', () => {
  const cells = ['a', 'b', 'c'].map((id): WidgetSource => ({ id, size: 20 }));
  const row = laidOut([{ arrange: 'row', size: [400, 50], padding: 20, gap: '5% + 2', children: cells }]);
  expect(numbers(row, 'c')).toEqual([20 + 2 * (20 + 18 + 2), 20, 20, 20]);
  const grid = laidOut([
    { arrange: 'grid', size: [400, 200], columns: 2, rows: 30, gap: ['10%', '5%'], children: cells },
  ]);
  expect(numbers(grid, 'b')).toEqual([210, 0, 20, 20]);
  expect(numbers(grid, 'c')).toEqual([0, 50, 20, 20]);
});

/** Panels whose sizes do not follow from what is in them, with shares in paddings and gaps; `leaf` is where that ends. */
function nested(next: () => number, depth: number, ids: { count: number }): WidgetSource {
  const pick = <T>(values: readonly T[]) => values[Math.floor(next() * values.length)]!;
  const id = `w${ids.count++}`;
  const size = { width: pick(['fill', '60%', 120]), height: pick(['fill', '70%', 90]) };
  if (depth === 0) return { id, ...size };
  const arrange = pick(['row', 'column', 'free', 'layers', 'grid'] as const);
  return {
    id,
    ...size,
    arrange,
    ...(arrange === 'grid' && { columns: 2, rows: 'fill' }),
    ...(next() < 0.5 && { reverse: true }),
    padding: pick([0, 6, '4%', '3% 2% + 5', '1% 2% 3% 4%']),
    ...(arrange !== 'free' && { gap: pick([0, 5, '3%', '2% 1% + 4']) }),
    children: [nested(next, depth - 1, ids), nested(next, depth - 1, ids)],
  };
}

test('views by chance are laid out as with the numbers that their shares come to, and anew as from nothing', () => {
  const next = random(seedOf(129));
  for (let round = 0; round < rounds(40, 600); round++) {
    const tree = nested(next, 3, { count: 0 });
    const view = opened(documentOf([tree]));
    const size = () => ({ width: 200 + Math.floor(next() * 900), height: 150 + Math.floor(next() * 700) });
    view.layoutOn(size());
    const screen = size();
    const on = view.layoutOn(screen);
    const fixed = (widget: WidgetSource): WidgetSource => {
      const index = on.indexOf(widget.id!);
      const { x, y } = on.widgets[index]!.box;
      const { top, right, bottom, left } = on.layout.padding(index) ?? {
        top: y.paddingStart.u,
        right: x.paddingEnd.u,
        bottom: y.paddingEnd.u,
        left: x.paddingStart.u,
      };
      const wide = Math.max(0, on.layout.widthInU(index) - left - right);
      const high = Math.max(0, on.layout.heightInU(index) - top - bottom);
      return {
        ...widget,
        padding: [top, right, bottom, left],
        ...(widget.children && { children: widget.children.map(fixed) }),
        ...(widget.gap !== undefined && {
          gap: [y.gap.u + y.gap.share * high, x.gap.u + x.gap.share * wide],
        }),
      };
    };
    const plain = opened(documentOf([fixed(tree)])).layoutOn(screen);
    for (const { id, index } of on.widgets) {
      const [ours, theirs] = [on.layout.rectInU(index), plain.layout.rectInU(plain.indexOf(id))];
      for (const key of ['x', 'y', 'width', 'height'] as const)
        expect([round, id, key, Math.abs(ours[key] - theirs[key]) < 1e-6]).toEqual([round, id, key, true]);
    }
  }
});

test('why says what they come to', () => {
  const on = laidOut([
    {
      id: 'outer',
      size: [400, 300],
      children: [
        {
          id: 'row',
          arrange: 'row',
          height: 100,
          padding: '0 5%',
          gap: 6,
          children: [
            { id: 'a', width: 30 },
            { id: 'b', width: 40 },
          ],
        },
      ],
    },
  ]);
  const reasons = whySize(on, on.indexOf('row'), 'x');
  expect(reasons[0]!.text).toBe('width 116 u is what its content needs (30 a + 40 b + 6 gap + 40 padding)');
});
