import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  BuildError,
  LiveView,
  findScreen,
  openView,
  readDocument,
  type DocumentSource,
  type WidgetSource,
} from 'pimbot';
import { checkDocument, kinds, messageOf, widgetKeys, wrongValues } from 'pimbot/tools';
import { documentOf, fonts, laidOut, opened } from '../support/views.ts';

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

/** A condition as it is written, and whether it holds, worked out beside it. */
type Condition = { readonly text: string; readonly holds: boolean };

const comparisons: { readonly [sign: string]: (a: number, b: number) => boolean } = {
  '<': (a, b) => a < b,
  '<=': (a, b) => a <= b,
  '=': (a, b) => a === b,
  '>=': (a, b) => a >= b,
  '>': (a, b) => a > b,
};

const { condition } = fc.letrec<{ condition: Condition }>((tie) => ({
  condition: fc.oneof(
    { maxDepth: 4 },
    fc
      .tuple(fc.nat(4), fc.constantFrom(...Object.keys(comparisons)), fc.nat(4), fc.boolean())
      .map(([a, sign, b, tight]): Condition => {
        const space = tight ? '' : ' ';
        return { text: `${a} + 0 * x${space}${sign}${space}${b}`, holds: comparisons[sign]!(a, b) };
      }),
    fc
      .constantFrom('docked', 'alone', 'held', 'none', 'caller', 'nobody')
      .map((name): Condition => ({ text: name, holds: ['docked', 'held', 'caller'].includes(name) })),
    tie('condition').map((a): Condition => ({ text: `not (${a.text})`, holds: !a.holds })),
    fc.tuple(tie('condition'), tie('condition'), tie('condition')).map(([a, b, c]): Condition => ({
      text: `if(${a.text}, ${b.text},${c.text})`,
      holds: a.holds ? b.holds : c.holds,
    })),
    fc
      .tuple(tie('condition'), fc.constantFrom('and', 'or'), tie('condition'))
      .map(([a, word, b]): Condition => ({
        text: `(${a.text}) ${word} (${b.text})`,
        holds: word === 'and' ? a.holds && b.holds : a.holds || b.holds,
      })),
  ),
}));

const facts = {
  x: 3,
  docked: true,
  alone: false,
  held: ['crate', 'tube'],
  none: [],
  caller: 'Mo',
  nobody: '',
  page: 'chart',
};
const shownIf = (said: string): WidgetSource => ({ id: 'w', size: 10, visible: `{${said}}` });
const isShown = (said: string) =>
  laidOut([shownIf(said)], undefined, { cases: { typical: facts } }).tree.widgets[1]!.visible;

describe('conditions that are worked out', () => {
  test('hold where logic says so, however they are nested', () => {
    fc.assert(
      fc.property(condition, ({ text, holds }) => {
        fc.pre(text.length < 390);
        expect(isShown(`docked and (${text})`)).toBe(holds);
      }),
      { numRuns: 300 },
    );
  });

  test.each([
    // What binds more: a comparison before not, not before and, and before or.
    ['not x > 5', true],
    ['not alone and docked', true],
    ['docked or docked and alone', true],
    ['alone and docked or docked', true],
    ['not docked or docked', true],
    ['x + 1 > 2 * 2 or x = 3', true],
    ['not (docked or alone)', false],
    ['not(docked)', false],
    ["page = 'chart'", true],
    ["'sight' = page", false],
    ["not page = 'chart'", false],
    ['page = 3', false],
    ['x = docked + 2', true],
    ['held = 2', true],
    ['held > 2', false],
    ['not none', true],
    ['not nobody and caller', true],
    ['x >= 3 and x <= 3', true],
  ])('%s: %s', (said, holds) => {
    expect(isShown(said)).toBe(holds);
  });

  test('a condition counts 1 in arithmetic where it holds', () => {
    const at = (said: string) =>
      laidOut([bound(said)], undefined, { cases: { typical: facts } }).layout.rectInU(1).x;
    expect([at('20 * (x > 2)'), at('20 * (x > 3)'), at('docked + held')]).toEqual([20, 0, 3]);
  });

  test('what it needs is set in a running game, a list too', () => {
    const children: WidgetSource[] = [
      { id: 'alarm', size: 10, visible: '{depth > 400 and not silent}' },
      { id: 'bare', size: 10, gone: '{held > 0}' },
    ];
    const cases = { typical: { depth: 400, silent: false, held: ['crate'] } };
    const live = new LiveView(opened(JSON.stringify(documentOf(children, { cases }))), {
      width: 400,
      height: 300,
    });
    const there = () => ['alarm', 'bare'].map((id) => live.nodeOf(id)?.widget.visible ?? 'gone');
    expect(there()).toEqual([false, 'gone']);
    live.set({ depth: 401 });
    live.update();
    expect(there()).toEqual([true, 'gone']);
    live.set({ silent: true, held: [] });
    live.update();
    expect(there()).toEqual([false, true]);
  });

  test.each([
    ['x >', undefined],
    ['1 < x < 5', '{1 < x and x < 5}'],
    ['!docked', '{not docked}'],
    ['x == 3', '{x = 3}'],
    ['x != 3', '{not x = 3}'],
    ['docked && !alone', '{docked and not alone}'],
    ['docked || alone', '{docked or alone}'],
    ['docked ? held : none', '{if(docked, held, none)}'],
    ['page = "chart"', "{page = 'chart'}"],
    ['if(docked, $color.ink, #ff7a6b)', "{if(docked, '$color.ink', '#ff7a6b')}"],
    ['if(docked, alone)', undefined],
    ['not', undefined],
    ['and x', undefined],
    ["page = 'chart", undefined],
    ['x and', undefined],
    ['docked not alone', undefined],
  ])('%s is refused, and the nearest that is meant is %s', (said, meant) => {
    const { diagnostics } = readDocument(documentOf([shownIf(said)], { cases: { typical: facts } }));
    const [told] = diagnostics.map(messageOf);
    if (said === 'not') expect(told).toContain('there is no value "not"');
    else
      expect(told).toBe(
        `"visible" is left to "{${said}}", which is neither a name nor anything that can be worked out${
          meant === undefined ? '' : `; did you mean "${meant}"?`
        }`,
      );
  });

  test('no key of any kind takes in silence what cannot be worked out', () => {
    for (const kind of kinds)
      for (const key of Object.keys(widgetKeys)) {
        if (['kind', 'children', 'id', 'text', 'label', 'placeholder'].includes(key)) continue;
        const widget = { id: 'w', kind, [key]: '{x >}' } as unknown as WidgetSource;
        const { diagnostics } = readDocument(documentOf([widget], { cases: { typical: facts } }));
        expect({ kind, key, told: diagnostics.length > 0 }).toEqual({ kind, key, told: true });
      }
  });
});

describe('one of two by a condition', () => {
  const values = { shots: 0, name: 'Mo', side: 'right' };
  const german = new Map([
    ['Empty', 'Leer'],
    ['Mo', 'Maurice'],
    ['right', 'rechts'],
  ]);
  const desktop = findScreen('desktop')!;
  const shown = (widget: WidgetSource, more: object = {}) =>
    laidOut([{ id: 'w', ...widget }], undefined, { cases: { typical: values }, ...more }).tree.widgets[1]!;

  test('a colour, a place and a length', () => {
    const { look } = shown({ size: 9, look: { background: "{if(shots = 0, '#ff0000', '#00ff00')}" } });
    expect(look.background).toMatchObject({ color: { r: 1, g: 0, b: 0 } });
    const { layout } = laidOut(
      [
        {
          id: 'w',
          size: 10,
          anchor: "{if(side = 'right', 'left bottom', 'left top')}",
          offset: ['{if(shots, 1, 7)}', 0],
        },
      ],
      undefined,
      { cases: { typical: values } },
    );
    expect(layout.rectInU(1)).toMatchObject({ x: 7, y: layout.rectInU(0).height - 10 });
  });

  test('what is not chosen may be what cannot be worked out', () => {
    expect(
      shown({ size: 9, rotate: "{if(name = 'Mo', 3, name / 2)}" } as unknown as WidgetSource).source,
    ).toMatchObject({ rotate: 3 });
  });

  test('words are read in the language that is spoken, and compared as they are written', () => {
    const source = documentOf(
      [
        { id: 'a', kind: 'text', text: "{if(shots = 0, 'Empty', 'Full')}" },
        { id: 'b', kind: 'text', text: "{if(name = 'Mo', name, 'Full')}" },
        { id: 'c', kind: 'text', text: 'Mo', visible: "{side = 'right'}" },
      ],
      { cases: { typical: values } },
    );
    const { document } = readDocument({ ...source, language: 'en', catalogs: { de: 'de.po' } });
    const form = openView(document!, 'test', {
      locale: 'de',
      resources: { fonts, catalogs: new Map([['de', german]]) },
    });
    const { tree } = form.layoutOn(desktop);
    expect(tree.widgets.slice(1).map(({ text, visible }) => [text!.text, visible])).toEqual([
      ['Leer', true],
      ['Maurice', true],
      ['Maurice', true],
    ]);
    const missing = checkDocument(document!, {
      screens: [desktop],
      locales: ['de'],
      resources: { fonts, catalogs: new Map([['de', new Map([['Mo', 'Maurice']])]]) },
    }).findings.filter(({ check }) => check === 'missing-message');
    expect(missing.map(({ widget, worst }) => [widget, worst.measured])).toEqual([
      ['a', 2],
      ['b', 1],
    ]);
  });

  test('what no case chooses is held against the key as well', () => {
    const told = (widget: WidgetSource) =>
      readDocument(
        documentOf([{ id: 'w', size: 9, ...widget }], { cases: { typical: values } }),
      ).diagnostics.map(messageOf);
    expect(told({ look: { background: "{if(shots, '#0f0', if(name = 'Mo', '#ff000', '#000'))}" } })).toEqual([
      `"background" is a colour, a linear-gradient(…) or a radial-gradient(…), and "{if(shots, '#0f0', if(name = 'Mo', '#ff000', '#000'))}" gives "#ff000"`,
    ]);
    expect(told({ anchor: "{if(shots, 'left botom', 'left top')}" })[0]).toContain('gives "left botom"');
    expect(told({ style: "{if(shots, 'plate', 'alarm')}" })).toHaveLength(2);
    expect(told({ anchor: 'left top', offset: ['{if(shots, 5, 7)}', "{if(shots, 'up', 7)}"] })).toEqual([]);
    expect(told({ anchor: 'left top', offset: [4, "{if(shots, 'up', 7)}"] })).toEqual([
      expect.stringContaining('gives [4,"up"]'),
    ]);
    expect(told({ rotate: '{if(shots, 5, 7) + 1}' } as unknown as WidgetSource)).toEqual([]);
  });
});

test('what one key is given and cannot be is told once, with how many others there are, and with what was meant', () => {
  const keys = [{ on: ['Space'] }, { on: ['Shift', 'C'] }, { on: [] }];
  const told = (gone: string, cases: DocumentSource['cases']) => {
    const children = [
      { repeat: '{keys}', children: [{ id: 'none', kind: 'text' as const, text: 'Not set', gone }] },
    ];
    return wrongValues(readDocument(documentOf(children, { cases })).document!, { fonts }).map(messageOf);
  };
  const flags = '"gone" is true, false, or a value such as "{shown}", "{not shown}" or "{depth > 400}"';
  expect(told('{item.on}', { typical: { keys }, none: { keys: [] } })).toEqual([
    `${flags}, and "{item.on}" gives ["Space"], in the case "typical", and 2 more that it cannot be; did you mean "{item.on > 0}"?`,
  ]);
  expect(told('{item.on > 0}', { typical: { keys } })).toEqual([]);
  const long = [{ on: Array.from({ length: 90 }, () => 'Space') }];
  expect(told('{item.on}', { typical: { keys: long } })[0]!.length).toBeLessThan(300);
  // What is neither a list nor a number may mean anything.
  expect(told('{item.on}', { typical: { keys: [{ on: 'Space' }] } })).toEqual([
    `${flags}, and "{item.on}" gives "Space", in the case "typical"`,
  ]);
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
