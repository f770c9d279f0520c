import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  LiveView,
  formatDiagnostic,
  openView,
  readDocument,
  type Catalogs,
  type DocumentSource,
  type WidgetSource,
} from 'pimbot';
import { checkDocument } from 'pimbot/tools';
import { openProject } from 'pimbot/node';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { documentOf, fonts, laidOut, opened, rightDocument } from '../support/views.ts';

const source = {
  pimbot: 1,
  language: 'en',
  catalogs: { 'pt': 'pt.json', 'pt-BR': 'br.json', 'ar': 'ar.json' },
  cases: {
    only: { depth: 1234, station: 'Kelp Nine', odd: 'a {depth} b', count: 2, list: [{ place: 'Reef' }] },
  },
  components: {
    row: { params: { label: 'text' }, children: [{ id: 'label', kind: 'text', text: '{label}' }] },
  },
  views: {
    test: {
      children: [
        { id: 'title', kind: 'text', text: 'Sorting room' },
        { id: 'depth', kind: 'text', text: '{depth, number} m deep' },
        { id: 'station', kind: 'text', text: '{station}' },
        { id: 'odd', kind: 'text', text: '{odd}' },
        { id: 'count', kind: 'text', text: '{count, plural, one {# parcel} other {# parcels}}' },
        { id: 'use', use: 'row', label: 'Hull' },
        { id: 'many', use: 'row', label: '{place}', repeat: '{list}' },
        { id: 'only', kind: 'text', text: 'Nobody translated this' },
      ],
    },
  },
} as DocumentSource;

const catalogs: Catalogs = new Map([
  [
    'pt',
    new Map([
      ['Sorting room', 'Sala de triagem'],
      ['Hull', 'Casco'],
      ['{depth, number} m deep', '{depth, number} m de fundo'],
      ['Kelp Nine', 'Alga Nove'],
      ['Reef', 'Recife'],
    ]),
  ],
  [
    'pt-BR',
    new Map([
      ['Sorting room', 'Sala de separação'],
      [
        '{count, plural, one {# parcel} other {# parcels}}',
        '{count, plural, one {# pacote} other {# pacotes}}',
      ],
    ]),
  ],
  ['ar', new Map([['Sorting room', 'غرفة الفرز']])],
]);

function shown(locale: string | undefined): Record<string, string> {
  const on = openView(rightDocument(source), 'test', { resources: { fonts, catalogs }, locale }).layoutOn({
    width: 900,
    height: 600,
  });
  return Object.fromEntries(on.widgets.flatMap(({ id, text }) => (text ? [[id, text.text]] : [])));
}

describe('a view in a language', () => {
  test('its own: texts as they are written, values as they are', () => {
    expect(shown(undefined)).toEqual({
      'title': 'Sorting room',
      'depth': '1,234 m deep',
      'station': 'Kelp Nine',
      'odd': 'a {depth} b',
      'count': '2 parcels',
      'use.label': 'Hull',
      'many-1.label': 'Reef',
      'only': 'Nobody translated this',
    });
  });

  test('another: the nearest catalog first, then those it falls back to, numbers as they are written there', () => {
    expect(shown('pt-BR')).toEqual({
      'title': 'Sala de separação',
      'depth': '1.234 m de fundo',
      'station': 'Alga Nove',
      'odd': 'a {depth} b',
      'count': '2 pacotes',
      'use.label': 'Casco',
      'many-1.label': 'Recife',
      'only': 'Nobody translated this',
    });
    expect(shown('pt').title).toBe('Sala de triagem');
    expect(() => shown('de')).toThrow('there is no locale "de"');
  });

  test('a language from right to left mirrors what follows the direction', () => {
    const { document } = readDocument(
      documentOf(
        [
          { id: 'a', anchor: 'start top', offset: [10, 0], size: 50 },
          { id: 'b', anchor: 'left top', size: 50 },
        ],
        {
          catalogs: { ar: 'ar.json' },
        },
      ),
    );
    const x = (locale?: string) => {
      const on = openView(document!, 'test', { resources: { fonts, catalogs }, locale }).layoutOn({
        width: 1000,
        height: 500,
      });
      return [on.rect('a').x, on.rect('b').x];
    };
    expect([x(), x('ar'), x('ar-XB')]).toEqual([
      [10, 0],
      [940, 0],
      [940, 0],
    ]);
  });

  test.each([
    ['pa-Arab', 'pa'],
    ['ckb', 'ku'],
    ['ks', 'ks-Deva'],
    ['he-IL', 'en'],
    ['uz-AF', 'uz-Latn-AF'],
  ])('%s is written from right to left, %s is not', (one, other) => {
    const x = (language: string) =>
      laidOut([{ id: 'a', anchor: 'start top', size: 50 }], undefined, { language }).rect('a').x;
    expect([x(one) > 0, x(other) > 0]).toEqual([true, false]);
  });

  test('a text that no catalog has is a finding with its place', () => {
    const { document } = readDocument(source);
    const { findings, locales, layouts } = checkDocument(document!, {
      resources: { fonts, catalogs },
      screens: [laidOut([], { width: 900, height: 600 }).screen],
    });
    expect([locales, layouts]).toEqual([['en', 'pt', 'pt-BR', 'ar'], 4]);
    const missing = findings.filter(({ check }) => check === 'missing-message');
    const told = missing.map(
      ({ widget, occurrences }) => `${widget} ${occurrences.map(({ locale }) => locale).join(' ')}`,
    );
    expect(told.sort()).toEqual(['count pt ar', 'depth ar', 'only pt pt-BR ar', 'use.label ar']);
    expect(missing.find(({ widget }) => widget === 'only')!.reasons[0]).toEqual({
      text: 'no catalog has "Nobody translated this"',
      pointer: '/views/test/children/7/text',
    });
  });
});

describe('pseudo-locales', () => {
  const inLocale = (text: string, locale: string) => {
    const { document } = readDocument(documentOf([{ id: 't', kind: 'text', text }]));
    return openView(document!, 'test', { resources: { fonts }, locale }).layoutOn({ width: 900, height: 90 })
      .widgets[1]!.text!.text;
  };

  test('make letters wear accents, numbers wide, words long', () => {
    expect(inLocale('Depth 1234', 'en-XA')).toMatch(/^Ðééépţĥ 1234$/u);
    expect(inLocale('Depth 1234', 'x-digits')).toBe('Depth 8888');
    expect(inLocale('Sort', 'ar-XB')).toBe('\u200f\u202eSort\u202c\u200f');
  });

  test('x-long makes every text so much longer, to a letter', () => {
    const words = fc.array(fc.constantFrom('Depth', 'a', 'Kelp', '412', '—', 'rhythm', 'Saint'), {
      minLength: 1,
      maxLength: 9,
    });
    fc.assert(
      fc.property(words, fc.integer({ min: 101, max: 300 }), (parts, percent) => {
        const text = parts.join(' ');
        const letters = (one: string) => one.match(/\p{L}/gu)?.length ?? 0;
        const long = inLocale(text, `x-long-${percent}`);
        expect(Math.abs(letters(long) - (letters(text) * percent) / 100)).toBeLessThanOrEqual(1.01);
        expect(long.split(' ').length).toBe(text.split(' ').length);
      }),
      { numRuns: 100, seed: 8 },
    );
  });
});

describe('catalog files', () => {
  const folder = temporaryFolder();
  afterAll(() => folder.remove());
  writeFileSync(join(folder.path, 'package.json'), '{}');
  mkdirSync(join(folder.path, 'l'));
  const project = (file: string, text: string) => {
    writeFileSync(join(folder.path, 'l', file), text);
    writeFileSync(
      join(folder.path, 'hud.yaml'),
      `pimbot: 1\ncatalogs: { de: l/${file} }\nviews: { dive: { children: [ { id: t, kind: text, text: Depth } ] } }\n`,
    );
    return openProject(join(folder.path, 'hud.yaml'));
  };

  test('are JSON or PO; fuzzy and empty translations count as none, and those of another context', async () => {
    const json = await project('de.json', '{ "Depth": "Tiefe", "Air": "" }');
    expect([...json.resources.catalogs!.get('de')!]).toEqual([['Depth', 'Tiefe']]);
    const po = await project(
      'de.po',
      'msgid ""\nmsgstr "Content-Type: text/plain; charset=UTF-8\\n"\n\nmsgid "Depth"\nmsgstr "Tiefe"\n\n#, fuzzy\nmsgid "Air"\nmsgstr "Luft"\n\nmsgctxt "sonar"\nmsgid "Depth"\nmsgstr "Ferne"\n',
    );
    expect([...po.resources.catalogs!.get('de')!]).toEqual([['Depth', 'Tiefe']]);
    const drawn = await pimbotHere(['where', 'hud.yaml', '--locale', 'de', '--json'], folder.path);
    expect(drawn.code).toBe(0);
    expect(await pimbotHere(['where', 'hud.yaml', '--locale', 'fr'], folder.path)).toMatchObject({
      code: 2,
      err: 'pimbot: there is no locale "fr"; there is en, de\n',
    });
  });

  const ru = 'msgid "a"\nmsgid_plural "b"\nmsgstr[0] "x"\nmsgstr[1] "y"\n';
  test.each([
    ['de.json', '', ':1:1', 'it is empty'],
    ['de.json', '[1]', ':1:1', 'it is no map of texts and translations'],
    ['de.json', '{ "Depth": 3 }', ':1:12', 'the translation of "Depth" is no text'],
    ['de.json', '{ "Depth":\n"{depth" }', ':2:1', 'the translation of "Depth" is no message'],
    ['de.json', '{', ':1:2', 'it is no JSON: the end stands where a text is expected'],
    ['de.json', '{\n"a": "b"\n"c": "d" }', ':3:1', 'it is no JSON: "c" stands where , or } is expected'],
    ['de.json', '{ "a": "b",\n}', ':2:1', 'it is no JSON: } stands where a text after the comma is expected'],
    ['de.json', '{ "a": "b }', ':1:8', 'a text whose quote does not end stands where the translation of "a"'],
    ['de.json', '{ end', ':1:3', 'it is no JSON: end stands where a text is expected'],
    ['de.json', '{ "a": "b", end', ':1:13', 'it is no JSON: end stands where a text after the comma'],
    ['de.json', '{ "a" "b" }', ':1:7', 'it is no JSON: "b" stands where : after "a" is expected'],
    ['de.json', '{ "a": "b" }\n}', ':2:1', 'it is no JSON: } stands where the end is expected'],
    ['de.json', '{ "a": "b", "c": "d",\n "a": "e" }', ':2:2', 'the text "a" stands here a second time'],
    [
      'de.po',
      'msgid "a"\nmsgstr "b"\n\nmsgid "a"\nmsgstr "c"',
      ':4:7',
      'the text "a" stands here a second time',
    ],
    [
      'de.po',
      'msgid "a"\nmsgstr "b\n\nmsgid "c"\nmsgstr "d"',
      ':2:1',
      'it is no PO file: End-of-line within string',
    ],
    [
      'de.po',
      'msgctxt "x"\nmsgid "a"\nmsgstr "{"\n\nmsgid ""\n"a"\nmsgstr "{"',
      ':5:7',
      'the translation of "a" is no message',
    ],
    ['de.po', 'Depth = Tiefe', ':1:1', 'it is no PO file: Invalid key name'],
    ['de.po', `${ru}\nmsgid "Depth"\nmsgstr "Tiefe {"`, ':6:7', 'the translation of "Depth" is no message'],
  ])('%s with %j is refused with a sentence and its place', async (file, text, place, sentence) => {
    const { document, diagnostics } = await project(file, text);
    expect(document).toBeUndefined();
    const [first] = diagnostics.map(formatDiagnostic);
    expect(first).toContain(sentence);
    expect(first).toContain(`${join('l', file)}${place}: error`);
  });

  test('of one that is wrong in many places, each is told', async () => {
    const { diagnostics } = await project('de.json', '{ "a": "{", "b": 3, "a": "c", "d": "}" }');
    expect(diagnostics.map(({ range }) => range?.start)).toEqual([7, 17, 20]);
  });

  test('JSON as it is written by chance says what any reader of JSON says, and what is broken is refused', async () => {
    const word = fc.string({ unit: fc.constantFrom(...'aé"\\/ \n\t,:][\u00a0漢') });
    const flat = fc.dictionary(word, word, { maxKeys: 4 });
    const written = fc.tuple(flat, fc.constantFrom(undefined, 1, '\t'), fc.nat(), fc.boolean());
    await fc.assert(
      fc.asyncProperty(written, async ([map, indent, at, isBroken]) => {
        const whole = JSON.stringify(map, null, indent);
        const cut = at % whole.length;
        const text = isBroken ? whole.slice(0, cut) + whole.slice(cut + 1) : whole;
        const { resources, document } = await project('de.json', text);
        let read: unknown;
        try {
          read = JSON.parse(text);
        } catch {
          expect(document).toBeUndefined();
          return;
        }
        const entries = Object.entries(read as Record<string, string>).filter(([, said]) => said !== '');
        // A letter less may make one text of two: then it stands there twice.
        if (document)
          expect(Object.fromEntries(resources.catalogs!.get('de')!)).toEqual(Object.fromEntries(entries));
        else expect(Object.keys(read as object).length).toBeLessThan(Object.keys(map).length);
      }),
      { numRuns: rounds(150, 20_000), seed: seedOf(4) },
    );
  });

  test('outside the project folder are not read', async () => {
    writeFileSync(
      join(folder.path, 'hud.yaml'),
      'pimbot: 1\ncatalogs: { de: ../../etc/passwd }\nviews: { dive: {} }\n',
    );
    const { diagnostics } = await openProject(join(folder.path, 'hud.yaml'));
    expect(diagnostics.map(formatDiagnostic)[0]).toMatch(/lies outside the project folder|there is no file/);
  });
});

test('names of values may hold hyphens in messages too, and hyphens of words stay what they are', () => {
  const said = (text: string, locale?: string) =>
    openView(
      rightDocument({
        pimbot: 1,
        language: 'en',
        catalogs: { 'pt-BR': 'br.json' },
        cases: { typical: { 'boss-name': 'The Long-Jawed Eel', 'parcels-left': 1, 'a': 2 } },
        views: { test: { children: [{ id: 'w', kind: 'text', text }] } },
      }),
      'test',
      { resources: { fonts, catalogs: new Map([['pt-BR', new Map([[text, 'Já {boss-name}!']])]]) }, locale },
    ).layoutOn({ width: 800, height: 600 }).tree.widgets[1]!.text!.text;
  expect(said('{boss-name}')).toBe('The Long-Jawed Eel');
  expect(said('{boss-name} is a half-blind {a, number}')).toBe('The Long-Jawed Eel is a half-blind 2');
  expect(
    said(
      "{parcels-left, plural, one {# well-kept one, '{a-b}'} other {{boss-name} took {parcels-left, number}}}",
    ),
  ).toBe('1 well-kept one, {a-b}');
  expect(said('{boss-name} is here', 'pt-BR')).toBe('Já The Long-Jawed Eel!');
});

test.each([
  ['{depth', 'this { is not closed, at character 1'],
  ['Deep: {depth, plural, one {# fathom}}', 'a plural or select needs other {…}, at character 37'],
  [
    '{depth, numbr}',
    'there are number, date, time, plural, selectordinal and select, and not this, at character 9',
  ],
  ['{depth deep}', 'after the name of a value comes a comma or }, at character 1'],
  ['{}', 'these braces name no value, at character 1'],
  ['{boss-name, select, eel x}', 'here comes what is read, in braces: red {…}, at character 25'],
  [
    '{depth, number, ::xx/}',
    'this is no way to write a number; there are ::percent, ::.00 and others of ICU, at character 17',
  ],
])('%s is refused in words', (text, words) => {
  const { diagnostics } = readDocument(
    documentOf([{ id: 'w', kind: 'text', text }], { cases: { typical: { 'depth': 3, 'boss-name': 'eel' } } }),
  );
  expect(diagnostics.map(formatDiagnostic)).toEqual([
    expect.stringContaining(`this text is not a message that can be filled in: ${words}`),
  ]);
});

describe('what is worked out in a text', () => {
  const values = {
    'time': 125,
    'boss-name': 'Eel',
    'hull': 30,
    'max-hull': 40,
    'done': 1,
    'total': 3,
    'docked': true,
  };
  const form = (children: readonly WidgetSource[], more: object = {}) =>
    laidOut(children, undefined, { cases: { typical: values }, ...more });
  const said = (text: string) => form([{ id: 'w', kind: 'text', text }]).tree.widgets[1]!.text!.text;

  test.each([
    ['{(time - 5) / 60, number} min', '2 min'],
    ['{hull / max-hull, number, percent} of {max-hull}', '75% of 40'],
    ['{total - done, plural, one {# crate} other {# crates}} left', '2 crates left'],
    ["{if(docked, 'At', 'Near')} {boss-name}", 'At Eel'],
    ['{if(hull > 20, total, 0), plural, =0 {none} other {# of {total * 2}}}', '3 of 6'],
    // What stands in the text of a choice, and in quotes, is text.
    ['{done, plural, one {up - down} other {a + b}}', 'up - down'],
    ["'{hull / total}' is {done + 1}", '{hull / total} is 2'],
  ])('%s: %s', (text, shown) => {
    expect(said(text)).toBe(shown);
  });

  test('asks for its names: one that is not there is told, others are followed', () => {
    const wrong = readDocument(
      documentOf([{ id: 'w', kind: 'text', text: '{hul / max-hull, number} of it' }], {
        cases: { typical: values },
      }),
    );
    expect(wrong.diagnostics.map(formatDiagnostic)).toEqual([
      expect.stringContaining('there is no value "hul"; did you mean "hull"?'),
    ]);
    const source = documentOf([{ id: 'w', kind: 'text', text: '{hull / max-hull, number, percent} left' }], {
      cases: { typical: values },
    });
    const live = new LiveView(opened(JSON.stringify(source)), { width: 400, height: 300 });
    live.set({ 'max-hull': 60 });
    live.update();
    expect(live.nodeOf('w')!.widget.text!.text).toBe('50% left');
  });

  test('neither can be worked out where it is no expression, and says so', () => {
    for (const text of ['{time /} min', '{time time} min', '{2 * (time} min', `${'{time + 1} '.repeat(21)}`])
      expect(
        readDocument(documentOf([{ id: 'w', kind: 'text', text }], { cases: { typical: values } })).document,
      ).toBeUndefined();
  });
});
