import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { WidgetSource } from 'pimbot';
import { documentOf, opened } from '../support/views.ts';
import { rounds, seedOf } from '../support/deep.ts';

const runs = { numRuns: rounds(100, 300), seed: seedOf(20261123) };
const u = fc.integer({ min: -400, max: 800 });
const size = fc.integer({ min: 0, max: 600 });
const share = fc.integer({ min: 0, max: 120 });
const length = fc.oneof(
  u,
  share.map((value) => `${value}%`),
  fc.tuple(share, u).map(([a, b]) => `${a}% ${b < 0 ? '-' : '+'} ${Math.abs(b)}`),
);
const sizes = fc.oneof(
  size,
  share.map((value) => `${value}%`),
  fc.constant('content'),
  fc.integer({ min: 0, max: 5 }).map((weight) => `fill ${weight}`),
);
/** A padding or gap: a number of u, a share, both. */
const between = fc.oneof(fc.integer({ min: 0, max: 20 }), fc.constantFrom('3%', '10%', '2% + 4', '5% - 2'));
const point = fc.constantFrom('left top', 'right bottom', 'center', '30% 80%', 'right top', '-10% 110%');
const span = fc.constantFrom(
  'left..right top',
  'left..right top..bottom',
  '20%..70% bottom',
  'center top..bottom',
);

const common = {
  'width': fc.option(sizes, { nil: undefined }),
  'height': fc.option(sizes, { nil: undefined }),
  'min-width': fc.option(size, { nil: undefined }),
  'max-width': fc.option(size, { nil: undefined }),
  'min-height': fc.option(size, { nil: undefined }),
  'margin': fc.option(fc.integer({ min: 0, max: 30 }), { nil: undefined }),
};

const { tree } = fc.letrec<{
  tree: WidgetSource;
  leaf: WidgetSource;
  flow: WidgetSource;
  free: WidgetSource;
}>((tie) => ({
  leaf: fc.oneof(
    fc.record(common),
    fc.record({
      ...common,
      kind: fc.constant('text' as const),
      text: fc.constantFrom('', 'Depth', 'A letter with a red seal', 'Rise!\nRise!'),
    }),
    fc.record({ ...common, kind: fc.constant('meter' as const), value: fc.constantFrom(0, 0.4, 1) }),
  ),
  flow: fc.record({
    ...common,
    arrange: fc.constantFrom('row' as const, 'column' as const),
    gap: between,
    padding: between,
    align: fc.constantFrom('start' as const, 'center' as const, 'end' as const, 'stretch' as const),
    justify: fc.constantFrom(
      'start' as const,
      'center' as const,
      'end' as const,
      'space-between' as const,
      'space-around' as const,
      'space-evenly' as const,
    ),
    children: fc.array(tie('tree'), { maxLength: 4 }),
  }),
  free: fc.record({
    ...common,
    padding: fc.integer({ min: 0, max: 20 }),
    children: fc.array(
      fc
        .tuple(
          tie('tree'),
          fc.oneof(
            fc.record({ anchor: point, offset: fc.tuple(length, length) }),
            fc.record({ anchor: span, inset: size }),
          ),
        )
        .map(([widget, anchored]) => ({ ...widget, ...anchored })),
      { maxLength: 4 },
    ),
  }),
  tree: fc.oneof({ maxDepth: 4, depthSize: 'small' }, tie('leaf'), tie('flow'), tie('free')),
}));

/** Values left out are left out, not undefined: that is what a document is. */
function clean(widget: WidgetSource): WidgetSource {
  return JSON.parse(JSON.stringify(widget)) as WidgetSource;
}

const screen = fc.record({
  width: fc.integer({ min: 0, max: 4000 }),
  height: fc.integer({ min: 0, max: 3000 }),
});

describe('properties of every layout', () => {
  test('no number is ever none, no size negative', () => {
    fc.assert(
      fc.property(fc.array(tree, { maxLength: 4 }), screen, (children, on) => {
        const layout = opened(documentOf(children.map(clean))).layoutOn(on).layout;
        for (let index = 0; index < layout.count; index++) {
          const { x, y, width, height } = layout.rect(index);
          expect([x, y, width, height].every(Number.isFinite)).toBe(true);
          expect(Math.min(width, height)).toBeGreaterThanOrEqual(0);
          expect(Object.is(x, -0) || Object.is(width, -0)).toBe(false);
        }
      }),
      runs,
    );
  });

  test('the same input gives the same bytes', () => {
    fc.assert(
      fc.property(fc.array(tree, { maxLength: 3 }), screen, screen, (children, on, other) => {
        const document = documentOf(children.map(clean));
        const bytes = (view: ReturnType<typeof opened>) => {
          const { layout } = view.layoutOn(on);
          return JSON.stringify(Array.from({ length: layout.count }, (_, index) => layout.rect(index)));
        };
        const view = opened(document);
        const first = bytes(view);
        view.layoutOn(other);
        expect(bytes(view)).toBe(first);
        expect(bytes(opened(document))).toBe(first);
      }),
      runs,
    );
  });

  test('doubling reference and screen together changes nothing in u', () => {
    fc.assert(
      fc.property(fc.array(tree, { maxLength: 3 }), screen, (children, { width, height }) => {
        // On a panel of a said size, so that a larger surface does not reach what is inside.
        const panel = { size: '700 500', children: children.map(clean) };
        const inU = (factor: number) => {
          const reference = { size: `${800 * factor}x${600 * factor}`, scaling: 'contain' as const };
          const { layout } = opened(documentOf([panel], { reference })).layoutOn({
            width: width * factor,
            height: height * factor,
          });
          return Array.from({ length: layout.count - 1 }, (_, index) => layout.rectInU(index + 1));
        };
        const once = inU(1);
        inU(2).forEach((rect, index) => {
          for (const key of ['x', 'y', 'width', 'height'] as const)
            expect(rect[key]).toBeCloseTo(once[index]![key], 6);
        });
      }),
      { ...runs, numRuns: rounds(50, 150) },
    );
  });

  test('a screen of twice the pixels changes nothing in u', () => {
    fc.assert(
      fc.property(fc.array(tree, { maxLength: 3 }), screen, (children, { width, height }) => {
        const view = opened(documentOf(children.map(clean), { reference: { size: '800x600' } }));
        const once = view.layoutOn({ width, height }).layout;
        const twice = view.layoutOn({ width: width * 2, height: height * 2 }).layout;
        for (let index = 0; index < once.count; index++)
          expect(twice.rectInU(index)).toEqual(once.rectInU(index));
      }),
      { ...runs, numRuns: rounds(50, 150) },
    );
  });

  test('children of a row never overlap, and exceed it only by what they cannot give', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            width: fc.oneof(
              size,
              fc.integer({ min: 0, max: 4 }).map((weight) => `fill ${weight}`),
            ),
            height: size,
          }),
          { minLength: 1, maxLength: 6 },
        ),
        size,
        fc.integer({ min: 0, max: 30 }),
        (cells, width, gap) => {
          const children = cells.map((cell, index) => ({ id: `c${index}`, ...cell }));
          const on = opened(
            documentOf([{ id: 'row', arrange: 'row', width, height: 50, gap, children }]),
          ).layoutOn({ width: 900, height: 100 });
          const fixed =
            cells.reduce((sum, cell) => sum + (typeof cell.width === 'number' ? cell.width : 0), 0) +
            gap * (cells.length - 1);
          let at = 0;
          for (const { id } of children) {
            const rect = on.rect(id);
            expect(rect.x).toBeGreaterThanOrEqual(at - 1e-6);
            at = rect.x + rect.width;
          }
          expect(at).toBeLessThanOrEqual(Math.max(width, fixed) + 1e-6);
        },
      ),
      runs,
    );
  });

  test('weights share exactly', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 1, max: 3000 }),
        (weights, width) => {
          const children = weights.map((weight, index) => ({
            id: `c${index}`,
            width: `fill ${weight}`,
            height: 1,
          }));
          const on = opened(documentOf([{ arrange: 'row', width, height: 1, children }])).layoutOn({
            width: 3000,
            height: 10,
          });
          const total = weights.reduce((sum, weight) => sum + weight, 0);
          weights.forEach((weight, index) =>
            expect(on.rect(`c${index}`).width).toBeCloseTo((width * weight) / total, 9),
          );
        },
      ),
      runs,
    );
  });
});
