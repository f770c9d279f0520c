import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { LiveView, drawLayout, formatDiagnostic, openView, readDocument, toSvg } from 'pimbot';
import { rounds, seedOf } from '../support/deep.ts';
import { fonts } from '../support/views.ts';
import { widgetKeys } from '../../src/document/widget-keys.ts';
import { lookKeys } from '../../src/theme/look.ts';

/*
 * A value that is put in for a name may be anything. What a key cannot be is refused in one sentence that names the key, what it
 * is to be, what was given, the widget and its place, whether a game gives it or a case does, and nothing has changed.
 */

const files: Record<string, string> = {
  'day.yaml': 'pimbot-theme: 1\nstyles: { sunny: { color: "#ffcc00" } }\n',
  'night.yaml': 'pimbot-theme: 1\ntokens: { glow: "#ff0000" }\n',
};

function opened(keys: string, value: unknown) {
  const text = `pimbot: 1
themes: { day: day.yaml, night: night.yaml }
tokens: { ink: "#102030" }
styles: { a: { background: "#112233" } }
cases: { only: { v: ${JSON.stringify(value)} } }
views:
  view:
    children:
      - { id: w, size: 40, ${keys} }
`;
  const { document, diagnostics } = readDocument(text, {
    name: 'hud.yaml',
    readFile: (path) => ({ name: path, text: files[path]! }),
  });
  expect(diagnostics.map(formatDiagnostic)).toEqual([]);
  return openView(document!, 'view', { resources: { fonts } });
}

const screen = { width: 800, height: 600 };

/** Key, where it stands, a value it can be, and what it cannot be with what it is to be. */
const keys: readonly (readonly [string, string, unknown, string, readonly unknown[]])[] = [
  ['opacity', 'look: { opacity: "{v}" }', 1, 'a number from 0 to 1', ['here', 5, -1, true, [1]]],
  ['background', 'look: { background: "{v}" }', '$ink', 'a colour, a linear', ['nonsense', 5, true, '$inc']],
  ['font-size', 'kind: text, text: a, look: { font-size: "{v}" }', 20, 'a number of u', ['big', -3, 1e9]],
  ['border', 'look: { border: "{v}" }', '2 #ffffff', 'a width in u and a colour', ['thick', 5]],
  ['transition', 'look: { transition: "{v}" }', 'none', 'a key, a time', ['slowly', 5]],
  ['font', 'kind: text, text: a, look: { font: "{v}" }', 'Inter', 'the name of a font', ['Intre', 5]],
  [
    'text-align',
    'kind: text, text: a, look: { text-align: "{v}" }',
    'end',
    'start, center or end',
    ['left', 5],
  ],
  ['repeat', 'repeat: "{v}"', 2, 'a whole number from 0 to 1000 or a list', ['x', -1, 1e9, 2.5, true]],
  ['value', 'kind: meter, value: "{v}"', 0.5, 'a number from 0 to 1', ['x', [1]]],
  ['states', 'states: "{v}"', 'hover', 'a state', ['hovered', 5]],
  ['style', 'style: "{v}"', 'sunny', 'a name', ['sunnny', 5]],
  ['theme', 'theme: "{v}"', 'day', 'a', ['dawn', 5]],
  ['tint', 'kind: text, text: a, tint: "{v}"', '$glow', 'a colour', ['nonsense', 5]],
  ['offset', 'offset: ["{v}", 3]', 4, 'one or two lengths', ['here', 2e15, true]],
  ['anchor', 'anchor: "{v}"', 'center', 'an anchor such as', ['nowhere', true]],
  ['inset', 'anchor: left..right top, inset: "{v}"', 4, 'the distances kept', ['near', true]],
  ['z', 'z: "{v}"', 1, 'a whole number', ['x', 1.5, 1e12]],
];

describe.each(keys)('"%s" of a name', (key, where, right, expected, wrong) => {
  test.each(wrong)('cannot be %j', (value) => {
    const live = new LiveView(opened(where, right), screen);
    const before = toSvg(drawLayout(live.snapshot()));
    let refused: unknown;
    try {
      live.set({ v: value as never });
    } catch (error) {
      refused = error;
    }
    const { message, place } = refused as Error & { place?: string };
    expect(refused).toMatchObject({ name: 'BuildError', place: expect.stringMatching(/^hud\.yaml:9:\d+$/) });
    expect(
      message.startsWith(`"${key}" is ${expected}`) || message.startsWith(`"${key}" is the name of a`),
    ).toBe(true);
    expect(message).toContain(`gives `);
    expect(message).toMatch(new RegExp(`; w(-1)? \\(${place}\\)$`));
    expect(live.values.get('v')).toEqual(right);
    expect(toSvg(drawLayout(live.snapshot()))).toBe(before);
    expect(live.set({ v: right as never })).toBe(false);
  });

  test('cannot be what it is not in a case either', () => {
    // What a meter shows is found by a check of its own there.
    if (key === 'value') return;
    for (const value of wrong)
      expect(() => opened(where, value).layoutOn(screen)).toThrow(
        expect.objectContaining({
          name: 'BuildError',
          message: expect.stringContaining(', in the case "only"'),
        }),
      );
  });
});

test('values that a view is opened with are held against the same', () => {
  const open = (values: object) => () => {
    const { document } = opened('width: "{v}"', 3);
    return openView(document, 'view', { resources: { fonts }, values: values as never });
  };
  expect(open({ vv: 1 })).toThrow('there is no value "vv"; did you mean "v"?');
  expect(open({ v: NaN })).toThrow('the value "v" is NaN, which is no number');
  expect(open({ v: undefined })).toThrow('the value "v" is undefined');
  expect(open({ v: null })).toThrow('the value "v" is null');
  expect(() => open({ v: { a: 1 } })().layoutOn(screen)).toThrow('"width" is a length');
  // Values that a live view has kept from another version of the document are no mistake when it is shown otherwise.
  const live = new LiveView(open({ v: 4 })(), screen);
  live.replace(opened('width: 5', 3));
  expect(live.show({ hudSize: 1.2 })).toBeUndefined();
});

/** Whatever a game may hand over. */
const scalar = fc.oneof(
  fc.constantFrom(
    '',
    ' ',
    'none',
    '$ink',
    '$',
    '0',
    '-1',
    '2 #fff',
    '1e999',
    'center',
    'fill',
    '{v}',
    'constructor',
  ),
  fc.string(),
  fc.integer(),
  fc.double(),
  fc.boolean(),
);
const anything = fc.oneof(
  scalar,
  fc.array(scalar, { maxLength: 4 }),
  fc.array(fc.dictionary(fc.string(), scalar, { maxKeys: 2 }), { maxLength: 3 }),
);

test('whatever is put in for a name anywhere is shown or refused in a sentence', () => {
  const places = [
    ...lookKeys.map((key) => ({
      key,
      kinds: ['panel', 'text'],
      said: (name: string) => `look: { "${key}": "${name}" }`,
    })),
    ...Object.entries(widgetKeys)
      .filter(
        ([key, row]) => row.binds === undefined && !['id', 'kind', 'children', 'look', 'size'].includes(key),
      )
      .map(([key, { kinds }]) => ({
        key,
        kinds: kinds ?? ['panel'],
        said: (name: string) => `"${key}": "${name}"`,
      })),
  ];
  let [shown, refused] = [0, 0];
  fc.assert(
    fc.property(fc.constantFrom(...places), anything, fc.nat(), ({ said, kinds }, value, nth) => {
      const { document } = readDocument(
        `pimbot: 1
tokens: { ink: "#102030" }
cases: { only: { v: 1 } }
views: { view: { children: [{ id: w, kind: ${kinds[nth % kinds.length]!}, size: 40, ${said('{v}')} }] } }
`,
      );
      if (!document) return;
      const open = (v: unknown) =>
        openView(document, 'view', { resources: { fonts }, values: { v: v as never } });
      try {
        const live = new LiveView(open(value), screen);
        toSvg(drawLayout(live.snapshot()));
        shown++;
      } catch (error) {
        refused++;
        expect(error).toMatchObject({ name: expect.stringMatching(/^(BuildError|ValueError|RangeError)$/) });
      }
    }),
    { numRuns: rounds(600, 20_000), seed: seedOf(20261128) },
  );
  expect(shown).toBeGreaterThan(5);
  expect(refused).toBeGreaterThan(100);
});
