import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { LiveView, type WidgetSource } from 'pimbot';
import { BuildError } from 'pimbot';
import { documentOf, laidOut, opened } from '../support/views.ts';

const names = { 'health': 60, 'max-health': 80, 'x': -3.5 } as const;

/** An expression as it is written, and what it comes to, worked out beside it. */
type Made = { readonly text: string; readonly value: number };

const { tree } = fc.letrec<{ tree: Made }>((tie) => ({
  tree: fc.oneof(
    { maxDepth: 4 },
    fc.nat(500).map((n): Made => ({ text: String(n / 10), value: n / 10 })),
    fc
      .constantFrom(...(Object.keys(names) as (keyof typeof names)[]))
      .map((name): Made => ({ text: name, value: names[name] })),
    fc
      .tuple(tie('tree'), fc.constantFrom('+', '-', '*'), tie('tree'), fc.boolean())
      .map(([a, sign, b, tight]): Made => {
        const value = sign === '+' ? a.value + b.value : sign === '-' ? a.value - b.value : a.value * b.value;
        return {
          text: tight && sign === '*' ? `(${a.text})*(${b.text})` : `(${a.text}) ${sign} (${b.text})`,
          value,
        };
      }),
    tie('tree').map((a): Made => ({ text: `-(${a.text})`, value: -a.value })),
    fc
      .tuple(tie('tree'), tie('tree'))
      .map(([a, b]): Made => ({ text: `min(${a.text}, ${b.text})`, value: Math.min(a.value, b.value) })),
    fc.tuple(tie('tree'), tie('tree'), tie('tree')).map(([a, b, c]): Made => ({
      text: `clamp(${a.text},${b.text},${c.text})`,
      value: Math.max(a.value, Math.min(b.value, c.value)),
    })),
  ),
}));

const bound = (expression: string): WidgetSource => ({
  id: 'w',
  size: 10,
  anchor: 'left top',
  offset: [`{${expression}}`, 0],
});
const cases = { typical: { ...names, dir: 'row', gap: 4, list: [1, 2] } };

describe('numbers that are worked out', () => {
  test('come to what arithmetic says, however they are nested', () => {
    fc.assert(
      fc.property(tree, ({ text, value }) => {
        fc.pre(Math.abs(value) < 1e6 && text.length < 390 && /[a-z]/.test(text));
        const on = laidOut([bound(`0 + ${text}`)], undefined, { cases });
        expect(Math.abs(on.layout.rectInU(1).x - value)).toBeLessThan(1e-6 * Math.max(1, Math.abs(value)));
      }),
      { numRuns: 300 },
    );
  });

  test.each([
    ['2 * 3 + x * 2', -1],
    ['10 - 4 - x', 9.5],
    ['8 / 4 / 2 + 0 * x', 1],
    ['round(x)', -3],
    ['round(health, 25)', 50],
    ['max-health - health', 20],
    ['health / (health - 60)', 0],
  ])('%s is %d', (expression, value) => {
    expect(laidOut([bound(expression)], undefined, { cases }).layout.rectInU(1).x).toBeCloseTo(value, 9);
  });

  test.each(['health /', '(health', 'health)', '1 2', 'sin(x)', 'clamp(x, 1)', 'x + ', '{x} + 1', 'x +1'])(
    '%s is refused',
    (text) => {
      expect(() =>
        laidOut([{ ...bound('x'), kind: 'meter', ...{ value: `{${text}}` } }], undefined, {
          cases,
        }),
      ).toThrow();
    },
  );
});

describe('any key may be left to a value', () => {
  const row = (more: object): WidgetSource => ({
    id: 'p',
    anchor: 'left top',
    ...more,
    children: [
      { id: 'a', size: 10 },
      { id: 'b', size: 10 },
    ],
  });

  test('an arrangement, a gap and a place in a list or map follow it live, and what it cannot be leaves no trace', () => {
    const children = [
      row({ arrange: '{dir}', gap: '{gap}' }),
      { id: 's', anchor: 'left..right bottom', inset: { left: '{x + 10}' }, height: 5 },
    ] as WidgetSource[];
    const live = new LiveView(opened(JSON.stringify(documentOf(children, { cases }))), {
      width: 400,
      height: 300,
    });
    const at = (id: string) => ({ ...live.read(id, { x: 0, y: 0, width: 0, height: 0 }) });
    expect([at('b').x, at('b').y, at('s').x]).toEqual([14, 0, 6.5]);
    live.set({ dir: 'column', gap: 9, x: 0 });
    expect([at('b').x, at('b').y, at('s').x]).toEqual([0, 19, 10]);
    expect(() => live.set({ dir: 'rwo', gap: 1 })).toThrow(BuildError);
    expect([at('b').x, at('b').y]).toEqual([0, 19]);
    live.set({ gap: 2 });
    expect([at('b').x, at('b').y]).toEqual([0, 12]);
  });
});
