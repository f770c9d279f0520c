import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  LiveView,
  ViewInput,
  drawLayout,
  findScreen,
  formatDiagnostic,
  readDocument,
  type DocumentSource,
  type ViewLayout,
  type WidgetSource,
} from 'pimbot';
import { checkDocument } from 'pimbot/tools';
import { rounds, seedOf } from '../support/deep.ts';
import { plain } from '../support/drawn.ts';
import { documentOf, fonts, laidOut, opened, rightDocument } from '../support/views.ts';

/* Values that are maps: `{pick.price}`, and `{item.name}` of an entry. */

const size = { width: 700, height: 500 };

/** The same view, said with values by themselves, with maps, and with entries that are given to a component whole. */
function saidWith(how: 'flat' | 'maps' | 'whole'): DocumentSource {
  const of = (part: string) => (how === 'flat' ? `pick-${part}` : `pick.${part}`);
  const field = (part: string) => (how === 'flat' ? part : how === 'maps' ? `item.${part}` : `ware.${part}`);
  const row: readonly WidgetSource[] = [
    { id: 'name', kind: 'text', text: `{${field('name')}}` },
    { id: 'left', kind: 'text', text: `{${field('left')}, plural, one {# crate} other {# crates}}` },
    { id: 'bar', kind: 'meter', value: `{${field('left')} / 9}`, width: 30, gone: `{${field('left')} = 0}` },
  ];
  const entry: WidgetSource =
    how === 'whole'
      ? ({ id: 'row', use: 'row', repeat: '{wares}', ware: '{item}' } as unknown as WidgetSource)
      : { id: 'row', repeat: '{wares}', arrange: 'row', gap: 4, children: row };
  return documentOf(
    [
      { id: 'rows', anchor: 'left top', arrange: 'column', gap: 2, children: [entry] },
      {
        id: 'pick',
        kind: 'text',
        anchor: 'right top',
        offset: [`{${of('x')}}`, `{${of('x')} / 2}`],
        text: `{${of('name')}} {${of('price')}, number} {${of('price')} * 2}`,
        look: { color: `{${of('color')}}`, opacity: `{if(${of('name')} = 'Tar', 0.5, 1)}` },
      },
    ],
    {
      ...(how === 'whole' && {
        components: { row: { params: { ware: 'map' }, arrange: 'row', gap: 4, children: row } },
      }),
      cases: { only: how === 'flat' ? flat(first) : { pick: first.pick, wares: first.wares } },
    },
  );
}

const first = {
  pick: { name: 'Wax', price: 1200, x: 0, color: '#ffffff' },
  wares: [
    { name: 'Wax', left: 3 },
    { name: 'Tar', left: 1 },
  ],
};

function flat({ pick, wares }: typeof first) {
  return {
    ...Object.fromEntries(Object.entries(pick).map(([part, value]) => [`pick-${part}`, value])),
    wares,
  };
}

const said = (on: ViewLayout) => JSON.stringify(plain(drawLayout(on).operations));

const steps = fc.array(
  fc.record({
    pick: fc.record({
      name: fc.constantFrom('Wax', 'Tar', 'Rope, tarred'),
      price: fc.integer({ min: 0, max: 99_999 }),
      x: fc.integer({ min: -60, max: 0 }),
      color: fc.constantFrom('#ffffff', '#ff8800'),
    }),
    wares: fc.array(
      fc.record({ name: fc.constantFrom('Wax', 'Tar', 'Oil'), left: fc.integer({ min: 0, max: 9 }) }),
      { maxLength: 4 },
    ),
  }),
  { minLength: 1, maxLength: 6 },
);

test('a map of values, and an entry that is given on whole, are what their parts are by themselves; live as well as new', () => {
  const open = (how: Parameters<typeof saidWith>[0]) => new LiveView(opened(saidWith(how)), size);
  fc.assert(
    fc.property(steps, (all) => {
      const [one, maps, whole] = [open('flat'), open('maps'), open('whole')];
      for (const values of all) {
        const isOther = one.set(flat(values));
        expect(maps.set(values as never)).toBe(isOther);
        expect(whole.set(values as never)).toBe(isOther);
        const fresh = opened(saidWith('maps')).with({ values: new Map(Object.entries(values)) });
        const drawn = said(one.snapshot());
        expect(said(maps.snapshot())).toBe(drawn);
        expect(said(whole.snapshot())).toBe(drawn);
        expect(said(fresh.layoutOn(one.snapshot().screen))).toBe(drawn);
      }
    }),
    { numRuns: rounds(12, 400), seed: seedOf(5) },
  );
});

const texts = (children: readonly WidgetSource[], only: object): string[] =>
  laidOut(children, size, { cases: { only } as never }).widgets.flatMap(({ text }) => text?.text ?? []);

describe('what a part of a map is', () => {
  test('maps in maps, lists in maps, and lists in the entries of lists', () => {
    const holds = [
      {
        name: 'Fore',
        crates: [
          { what: 'wax', of: { tide: 3 } },
          { what: 'tar', of: { tide: 4 } },
        ],
      },
      { name: 'Aft', crates: [] },
      { name: 'Keel', crates: [{ what: 'oil', of: { tide: 5 } }] },
    ];
    const crate: WidgetSource = {
      kind: 'text',
      repeat: '{crates}',
      text: '{item.what} {of.tide} {name} {index}',
    };
    const children: readonly WidgetSource[] = [
      { kind: 'text', text: '{ship.master.name}, {ship.holds} holds' },
      {
        id: 'hold',
        repeat: '{ship.holds}',
        children: [{ kind: 'text', text: '{item.name} {item.crates}' }, crate],
      },
    ];
    const shown = texts(children, { ship: { master: { name: 'Ida' }, holds } });
    expect(shown).toEqual([
      'Ida, 3 holds',
      'Fore 2',
      'wax 3 Fore 1',
      'tar 4 Fore 2',
      'Aft 0',
      'Keel 1',
      'oil 5 Keel 1',
    ]);
    // A map is none, and is found.
    expect(texts([{ kind: 'text', text: '{ship}' }], { ship: { holds } })).toEqual(['{ship}']);
    const holdsSaid = '{ship.holds, plural, one {# hold} other {# holds}}';
    expect(texts([{ kind: 'text', text: holdsSaid }], { ship: { holds } })).toEqual(['3 holds']);
    const counted = texts([{ kind: 'text', text: '{ship.holds + 0} {ship + 0}' }], { ship: { holds, a: 1 } });
    expect(counted).toEqual(['3 2']);
  });

  test('a part of an inner map is not looked for in an outer one of the same name', () => {
    const children: readonly WidgetSource[] = [
      {
        id: 'one',
        repeat: '{list}',
        children: [{ id: 'two', kind: 'text', repeat: '{inner}', text: '{item.a} {item.note}' }],
      },
    ];
    const shown = texts(children, { list: [{ note: 'outer', inner: [{ a: 1 }, { a: 2, note: 'own' }] }] });
    expect(shown).toEqual(['1 {item.note}', '2 own']);
  });

  test('names that every map has by itself are no parts', () => {
    expect(texts([{ kind: 'text', text: '{a.b}', gone: '{a.b = 0}' }], { a: { b: 'constructor' } })).toEqual([
      'constructor',
    ]);
    const { diagnostics } = readDocument(
      documentOf([{ kind: 'text', text: '{a.constructor}' }], { cases: { only: { a: { b: 1 } } } }),
    );
    expect(diagnostics.map(formatDiagnostic)[0]).toContain('there is no value "a.constructor"');
  });
});

describe('in a game', () => {
  const boxes = documentOf(
    [
      { id: 'own', kind: 'checkbox', anchor: 'left top', size: 20, checked: '{sound.on}', label: 'Sound' },
      {
        id: 'row',
        anchor: 'right top',
        arrange: 'column',
        children: [
          {
            id: 'one',
            kind: 'checkbox',
            size: 20,
            repeat: '{sound.parts}',
            checked: '{item.is.on}',
            label: '{name}',
          },
        ],
      },
    ],
    {
      cases: {
        only: {
          sound: {
            on: false,
            parts: [
              { name: 'Waves', is: { on: true } },
              { name: 'Bell', is: { on: false } },
            ],
          },
        },
      },
    },
  );

  test('a control puts what it is set to into the part it is bound to, and leaves the rest', () => {
    const live = new LiveView(opened(boxes), size);
    const input = new ViewInput(live);
    const click = (id: string) => {
      const { x, y, width, height } = live.snapshot().rect(id);
      const at = { pointer: 1, device: 'mouse', x: x + width / 2, y: y + height / 2 } as const;
      return (['move', 'down', 'up'] as const).flatMap((type) => input.hear({ type, ...at }));
    };
    expect(click('own')).toContainEqual({
      type: 'change',
      control: 'own',
      key: 'checked',
      value: true,
      to: { name: 'sound.on' },
    });
    expect(click('one-2')).toContainEqual({
      type: 'change',
      control: 'one-2',
      key: 'checked',
      value: true,
      to: { name: 'sound.parts', index: 1, field: 'is.on' },
    });
    expect(live.values.get('sound')).toEqual({
      on: true,
      parts: [
        { name: 'Waves', is: { on: true } },
        { name: 'Bell', is: { on: true } },
      ],
    });
  });

  test('a map that a game goes on changing is seen to change; one that is the same changes nothing', () => {
    const live = new LiveView(opened(saidWith('maps')), size);
    const pick = { name: 'Oil', price: 7, x: 0, color: '#ffffff' };
    expect(live.set({ pick })).toBe(true);
    expect(live.set({ pick: { ...pick } })).toBe(false);
    pick.name = 'Tar';
    expect(live.set({ pick })).toBe(true);
    expect(live.snapshot().widgets.find(({ id }) => id === 'pick')!.text!.text).toBe('Tar 7 14');
  });

  test('a part that a game leaves out is shown as it is written, by whatever it is said', () => {
    const live = new LiveView(opened(saidWith('maps')), size);
    live.set({
      pick: { name: 'Oil', x: 0, color: '#ffffff' },
      wares: [{ name: 'Wax', left: 'many' }],
    });
    const words = live.snapshot().widgets.flatMap(({ text }) => text?.text ?? []);
    expect(words).toEqual(['Wax', 'many crates', 'Oil {pick.price} {pick.price * 2}']);
  });

  test('what is no value in a map is refused with its place in it, and changes nothing', () => {
    const live = new LiveView(opened(saidWith('maps')), size);
    const before = plain(drawLayout(live.snapshot()).operations);
    const round: { [part: string]: unknown } = {};
    round.self = round;
    const told = [
      null,
      { name: null },
      { at: { x: NaN } },
      { list: [[1]] },
      { list: [{ a: undefined }] },
      round,
    ].map((pick) => {
      try {
        live.set({ pick } as never);
        return 'nothing';
      } catch (error) {
        return (error as Error).message
          .replace(/; pick .*/, '')
          .replace(/(a map in which "self" is )+/, '… ');
      }
    });
    expect(told).toEqual([
      'the value "pick" is null, not a text, a number, true, false, a list or a map',
      'the value "pick" is a map in which "name" is null, not a text, a number, true, false, a list or a map',
      'the value "pick" is a map in which "at" is a map in which "x" is NaN, which is no number',
      'the value "pick" is a map in which "list" is a list in which an entry is a list',
      'the value "pick" is a map in which "list" is a list in which an entry is a map in which "a" is undefined, not a text, a number, true, false, a list or a map',
      'the value "pick" is … deeper than 16 maps in each other',
    ]);
    expect(plain(drawLayout(live.snapshot()).operations)).toEqual(before);
  });
});

describe('what is wrong is told', () => {
  const told = (
    children: readonly WidgetSource[],
    cases: DocumentSource['cases'],
    more: Partial<DocumentSource> = {},
  ) => readDocument(documentOf(children, { cases, ...more })).diagnostics.map(formatDiagnostic);
  const one = { a: { pick: { name: 'Wax', price: 3 } }, b: { pick: { name: 'Tar' } } };

  test('a part that no case has, that one of them lacks, and an alias of a token', () => {
    expect(told([{ kind: 'text', text: '{pick.nam}' }], one)[0]).toMatch(
      /no value "pick\.nam".*"pick\.name"/s,
    );
    expect(told([{ kind: 'text', text: '{pick.price}' }], one).join()).toMatch(
      /case "b" gives no value for "\{pick\.price\}"/,
    );
    expect(told([{ kind: 'text', text: '{item.name}' }], one).join()).toContain('no value "item.name"');
    const tokens = { color: { sea: '#0d4452' } };
    expect(told([{ look: { background: '{color.sea}' } }], one, { tokens }).join()).toContain('"$color.sea"');
    expect(told([{ kind: 'text', text: '{pick.}' }], one)[0]).toContain(
      'after the name of a value comes a comma or }',
    );
  });

  test('a parameter that is a map takes none that is written there', () => {
    const components = {
      row: { params: { ware: 'map' as const }, children: [{ kind: 'text' as const, text: '{ware.name}' }] },
    };
    const uses = (ware: unknown) => [{ use: 'row', ware }] as unknown as WidgetSource[];
    expect(told(uses('{pick}'), one, { components })).toEqual([]);
    expect(told(uses('Wax'), one, { components })[0]).toContain('a map that a case has, such as "{item}"');
  });

  test('parts that nothing names are unused, and a map of which none is, once', () => {
    const cases = {
      only: { pick: { name: 'Wax', at: { x: 1, y: 2 } }, idle: { a: 1, b: { c: 2 } }, given: { d: 1 } },
    };
    const components = {
      row: { params: { ware: 'map' as const }, children: [{ kind: 'text' as const, text: '{ware.d}' }] },
    };
    const children = [
      { kind: 'text', text: '{pick.name}', offset: ['{pick.at.x}', 0] },
      { use: 'row', ware: '{given}' },
    ] as unknown as WidgetSource[];
    const { findings } = checkDocument(rightDocument(documentOf(children, { cases, components })), {
      resources: { fonts },
      screens: [findScreen('desktop')!],
    });
    const unused = findings.filter(({ check }) => check === 'unused-value').map(({ widget }) => widget);
    expect(unused).toEqual(['pick.at.y', 'idle']);
  });
});
