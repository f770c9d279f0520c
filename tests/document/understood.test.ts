import { describe, expect, test } from '@jest/globals';
import { LiveView, NoSuchName, ValueError, openView, readDocument, type WidgetSource } from 'pimbot';
import { documentOf, fonts, laidOut, opened, told } from '../support/views.ts';

const said = (widget: string) =>
  told(readDocument(`pimbot: 1\nviews: { hud: { children: [ ${widget} ] } }\n`, { name: 'hud.yaml' }));

describe('what people write', () => {
  test.each([
    ['50% - 4', '50%-4'],
    ['50% + 4', '50%+4'],
  ])('a width of %s and one of %s are the same', (one, other) => {
    const of = (width: string) => laidOut([{ id: 'w', width, height: 9 }]).rect('w').width;
    expect(of(other)).toBe(of(one));
  });

  test.each([
    ['center top', 'top centre'],
    ['right bottom', 'bottom-right'],
    ['center', 'middle'],
  ])('an anchor of %s and one of %s are the same', (one, other) => {
    const of = (anchor: string) => laidOut([{ id: 'w', anchor, size: 9 }]).rect('w');
    expect(of(other)).toEqual(of(one));
  });

  test('a resolution may have spaces and a large X', () => {
    const sizes = ['1920x1080', '1920X1080', '1920 x 1080'].map((size) => {
      const { width, height } = opened(documentOf([], { reference: { size } })).reference;
      return [width, height];
    });
    expect(new Set(sizes.map(String)).size).toBe(1);
  });

  test('a size of fill and a number fills one axis; the number is the other', () => {
    const of = (size: string | (string | number)[]) =>
      laidOut([
        { id: 'a', arrange: 'row', size: 400, children: [{ id: 'b', size }, { width: 'fill' }] },
      ]).rect('b');
    expect(of('fill 64')).toMatchObject({ width: 200, height: 64 });
    expect(of('64 fill')).toMatchObject({ width: 64, height: 400 });
    expect(of(['fill 3', 64])).toMatchObject({ width: 300, height: 64 });
  });

  test('a weight beside others, and a column of its own after what fills, are taken as they are said', () => {
    const of = (columns: string) => said(`{ id: a, arrange: grid, columns: ${columns}, children: [] }`);
    for (const columns of ['120 fill fill 2', 'fill 30 fill 70', '[220, fill, 110]'])
      expect(of(columns)).toEqual([]);
  });

  test.each(['when', 'children', 'set', 'id', 'use'])('no parameter is called %s', (name) => {
    const text = `pimbot: 1\ncomponents: { row: { params: { ${name}: text, said: text }, children: [] } }\nviews: { v: { children: [{ use: row, said: A }] } }\n`;
    expect(told(readDocument(text, { name: 'hud.yaml' }))).toContainEqual(
      expect.stringContaining(
        `hud.yaml:2:32: error: a parameter cannot be called "${name}": that key says what`,
      ),
    );
  });

  test.each(['when', 'de-1', 'de-DE-DE'])('%s is no locale, though it looks like one', (locale) => {
    const found = (top: string) =>
      told(
        readDocument(`pimbot: 1\n${top}\nviews: { v: { children: [{ kind: text, text: A }] } }\n`, {
          name: 'hud.yaml',
        }),
      );
    expect(found(`catalogs: { ${locale}: a.json }`)).toContainEqual(
      expect.stringContaining(`hud.yaml:2:13: error: "${locale}" is a locale such as de or pt-BR, not this`),
    );
    expect(found(`language: ${locale}`)).toEqual([
      expect.stringContaining(
        `hud.yaml:2:11: error: "language" is a locale such as de or pt-BR, not "${locale}"`,
      ),
    ]);
  });

  test('a parameter may be called as what every object is born with', () => {
    const text =
      'pimbot: 1\ncomponents: { row: { params: { constructor: text, __proto__: text }, children: [{ id: a, kind: text, text: "{constructor}{__proto__}" }] } }\nviews: { v: { children: [{ use: row, id: r, constructor: A, __proto__: B }] } }\n';
    const { document } = readDocument(text);
    const { tree } = openView(document!, 'v', { resources: { fonts } }).layoutOn({ width: 400, height: 300 });
    expect(tree.widgets.at(-1)!.text!.text).toBe('AB');
  });

  test('what an instance gives in such a key is read as the key it is', () => {
    const text =
      'pimbot: 1\ncomponents: { row: { params: { when: text }, children: [] } }\nviews: { v: { children: [{ use: row, when: today }] } }\n';
    const found = told(readDocument(text, { name: 'hud.yaml' })).join('\n');
    expect(found).toContain('a parameter cannot be called "when"');
    expect(found).toContain('"when" is ');
  });

  test('a view is as large as its screen: it is not scaled', () => {
    const text = 'pimbot: 1\nviews: { a: { look: { scale: 2 } } }\n';
    expect(told(readDocument(text, { name: 'hud.yaml' }))).toEqual([
      expect.stringContaining('hud.yaml:2:23: warning: "scale" does something only with a widget in a view'),
    ]);
  });

  test('a mistake in the root of a component is told once', () => {
    const text =
      'pimbot: 1\ncomponents: { row: { columns: 3, children: [] } }\nviews: { v: { children: [{ use: row }, { use: row }] } }\n';
    expect(told(readDocument(text, { name: 'hud.yaml' }))).toEqual([
      expect.stringContaining('"columns" does something only with arrange: grid'),
    ]);
  });

  test('the merge key of YAML: what a map says itself wins', () => {
    const text =
      'pimbot: 1\nviews:\n  test:\n    children:\n      - &a { id: a, size: 90, anchor: left top }\n      - { <<: *a, id: b, anchor: right top }\n      - { <<: [{ size: 20 }, *a], id: c }\n';
    const on = opened(text).layoutOn({ width: 400, height: 300 });
    expect(['a', 'b', 'c'].map((id) => on.rect(id).width)).toEqual(
      [90, 90, 20].map((u) => expect.closeTo((u * 400) / 1920, 0)),
    );
    expect(on.rect('b').x).toBeGreaterThan(200);
  });

  test.each<[string, string]>([
    [
      '{ id: a, look: { color: #fff, font-size: 20 } }',
      'the colour #fff needs quotes; in YAML a # after a space starts a comment',
    ],
    ['{ id: a, left: 10 }', 'say where it is with anchor and offset'],
    ['{ id: a, kind: label }', 'did you mean "text"?'],
    ['{ id: a, width: 2fr }', 'did you mean "fill 2"?'],
    ['{ id: a, width: 50vw }', 'did you mean "50%"?'],
    ['{ id: a, height: auto }', 'did you mean "content"?'],
    ['{ id: a, overflow: hidden }', 'did you mean "clip"?'],
    ['{ id: a, kind: text, text: A, overflow: ellipsis }', 'did you mean "ellipsis: end"?'],
    ['{ id: a, kind: text, text: A, text-overflow: ellipsis }', 'say ellipsis: end'],
    ['{ id: a, arrange: row, align: flex-start }', 'did you mean "start"?'],
    ['{ id: a, arrange: vertical }', 'did you mean "column"?'],
    ['{ id: a, scroll: vertical }', 'did you mean "y"?'],
    ['{ id: a, look: { font-weight: bold } }', 'did you mean "700"?'],
    ['{ id: a, width: 50 % }', 'did you mean "50%"?'],
    ['{ id: a, size: 100x200 }', 'did you mean "100 200"?'],
    ['{ id: a, margin: 4px 10px }', 'did you mean "4 10"?'],
    ['{ id: a, offset: "10, -20" }', 'did you mean "10 -20"?'],
    ['{ id: a, visible: no }', 'did you mean "false"?'],
    ['{ id: a, repeat: wares }', 'did you mean "{wares}"?'],
    ['{ id: a, repeat: 2, key: "{name}" }', 'did you mean "name"?'],
    ['{ id: a, kind: button, nav-up: "b-{kye}" }', 'there is no value "kye"'],
    ['{ id: a, arrange: row, focus-order: ["b-{kye}"] }', 'there is no value "kye"'],
    ['{ id: a, look: { border: 2 "#1f6672" } }', 'did you mean "2 #1f6672"?'],
    ['{ id: a, look: { border: 2px solid red } }', 'did you mean "2 red"?'],
    ['{ id: a, look: { border: "#1f6672 2" } }', 'did you mean "2 #1f6672"?'],
    ['{ id: a, look: { border: 2 } }', 'not 2; in YAML a # after a space starts a comment'],
    ['{ id: a, offset: 10, 20 }', 'no key "20"; between braces a comma starts another key'],
    ['{ id: a, look: { color: rgb(1, 2) } }', 'no key "2)"; between braces a comma starts another key'],
    [
      '{ id: a, look: { states: { hover: {} } } }',
      'a look has no key "states"; looks of states stand in a style',
    ],
    ['{ id: a, look: { borderRadius: 4 } }', 'a look has no key "borderRadius"; say radius'],
    ['{ id: a, background: "#fff" }', 'it belongs into its look: { background: … }'],
    ['{ id: a, items: [] }', 'a widget has no key "items"; say children, a list of widgets'],
    [
      '{ id: a, look: { background: "conic-gradient(#000, #fff)" } }',
      'there are linear and radial gradients, and pictures',
    ],
    [
      '{ id: a, look: { background: "radial-gradient(circle 40px, #000, #fff)" } }',
      'such as radial-gradient(circle at 50% 100%, #1d7f8c, #062631 60%)',
    ],
    ['{ id: a, look: { background: "linear-gradient(90, #000, #fff)" } }', 'an angle in deg or a side'],
    ['{ id: a, look: { background: "url(sea.png)" } }', 'a picture is named by image'],
    ['{ id: a, kind: text, text: "{wares[0].name}" }', 'a name inside its repeat alone: {name}'],
    ['{ id: hud }', 'the id "hud" is taken by the view itself'],
    [
      '{ id: a, arrange: grid, columns: "220 fill 110", children: [] }',
      'warning: "fill 110" is one column with a weight of 110; for 3 columns, one of them 110 u wide, write [220, fill, 110]',
    ],
    [
      '{ id: a, arrange: grid, columns: fill 40 fill, children: [] }',
      'for 3 columns, one of them 40 u wide, write [fill, 40, fill]',
    ],
    ['{ id: a, size: fill 2 64 }', '"size" is one or two sizes such as'],
    ['{ id: a, arrange: grid, rows: fill fill, children: [] }', '"rows" is the height of each row'],
    ['{ id: a, gap: 4, children: [] }', '"gap" does something only with arrange'],
    [
      '{ id: a, anchor: left..right top, inset: { top: 4 } }',
      '"inset: top" does something only with a vertical span',
    ],
  ])('%s', (widget, sentence) => {
    expect(said(widget)).toHaveLength(1);
    expect(said(widget)[0]).toContain(sentence);
  });

  test('what an entry holds goes by its name, whatever the entry is called elsewhere', () => {
    const text =
      'pimbot: 1\ncases: { c: { wares: [{ name: Oil }] } }\nviews: { v: { children: [{ repeat: "{wares}", kind: text, text: "{ware.name}" }] } }\n';
    expect(told(readDocument(text, { name: 'hud.yaml' }))).toEqual([
      expect.stringContaining('there is no value "ware.name"; did you mean "name"?'),
    ]);
  });

  test('a view holds its widgets in children, whatever it is called elsewhere', () => {
    const found = told(readDocument('pimbot: 1\nviews: { v: { Widgets: [] } }\n', { name: 'hud.yaml' }));
    expect(found).toEqual([
      expect.stringContaining('a view has no key "Widgets"; say children, a list of widgets'),
    ]);
  });

  test('mistakes of several sorts are told in one run', () => {
    const text =
      'pimbot: 1\nstyles: { a: { extends: b }, b: { extends: a } }\nviews:\n  v:\n    children:\n      - { id: a, kind: label }\n      - { id: a, anchor: top bottom }\n';
    const found = told(readDocument(text, { name: 'hud.yaml' })).join('\n');
    for (const one of [
      'this style leads back to itself',
      'did you mean "text"?',
      'the id "a" is taken already',
      '"anchor" is an anchor',
    ])
      expect(found).toContain(one);
  });
});

describe('what a running game hands in', () => {
  const children: readonly WidgetSource[] = [
    { id: 'depth', kind: 'text', text: '{depth} m' },
    { id: 'bar', kind: 'meter', value: '{hull}', anchor: 'left bottom' },
  ];
  const view = opened(JSON.stringify(documentOf(children, { cases: { typical: { depth: 4, hull: 0.5 } } })));

  test('what is no value is refused with its widget and line, and nothing has changed', () => {
    const live = new LiveView(view, { width: 800, height: 600 });
    const before = JSON.stringify(
      live.widgets.map(({ index }) => live.read(index, { x: 0, y: 0, width: 0, height: 0 })),
    );
    for (const [values, sentence] of [
      [{ depth: NaN }, /^the value "depth" is NaN, which is no number; depth \(document:1:\d+\) shows it$/],
      [{ hull: undefined }, /^the value "hull" is undefined, .*; bar \(document:1:\d+\) shows it$/],
      [{ hull: 0.2, depth: null }, /^the value "depth" is null/],
      [{ depth: [[1]] }, /^the value "depth" is a list in which an entry is/],
    ] as const) {
      const wrong = values as unknown as Parameters<typeof live.set>[0];
      expect(() => live.set(wrong)).toThrow(ValueError);
      expect(() => live.set(wrong)).toThrow(sentence);
    }
    expect(() => live.set({ dpeth: 1 })).toThrow('there is no value "dpeth"; did you mean "depth"?');
    expect(() => live.setStates('barr', ['hover'])).toThrow('there is no widget "barr"; did you mean "bar"?');
    expect(() => live.setStates('bar', ['hovered' as 'hover'])).toThrow(NoSuchName);
    expect(() => live.scroll('bar', NaN, 0)).toThrow(RangeError);
    expect(
      JSON.stringify(live.widgets.map(({ index }) => live.read(index, { x: 0, y: 0, width: 0, height: 0 }))),
    ).toBe(before);
    expect(live.widgets[2]!.value).toBe(0.5);
  });
});
