import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { drawLayout, formatDiagnostic, openView, readDocument, screens, type FileReader } from 'pimbot';
import { Theme, checkDocument, themeGaps, themeSheet, tokensFile } from 'pimbot/tools';
import { openProject } from 'pimbot/node';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';
import { fonts, told } from '../support/views.ts';

const files: Record<string, string> = {
  'day.yaml': `pimbot-theme: 1
tokens: { color: { $type: color, ink: "#102030", paper: { $value: "{color.white}" }, white: "#ffffff" } }
kinds: { button: { background: $color.paper, color: $color.ink, states: { focused: { border: "2 #f00" } } } }
styles: { plate: { background: $color.paper }, big: { font-size: 40 } }
`,
  'night.yaml': `pimbot-theme: 1
tokens: { color: { $type: color, ink: "#e0e0e0", paper: "#000000" } }
kinds: { button: { background: $color.paper, color: $color.ink } }
styles: { plate: { background: $color.paper, border: 1 $color.ink } }
`,
};
const source = `pimbot: 1
themes: { day: day.yaml, night: night.yaml }
theme: night
views:
  test:
    look: { background: "#808080" }
    children:
      - { id: go, kind: button, text: Go }
      - { id: part, theme: day, style: plate, children: [ { id: in, kind: button, text: In }, { id: deep, theme: night, style: plate } ] }
      - { id: own, kind: button, text: Own, look: { color: "#f00" } }
`;
const readFile: FileReader = (path) => {
  const text = files[path];
  return text === undefined ? { problem: 'missing', detail: path } : { text, name: path };
};
const read = (text = source, theme?: string) => readDocument(text, { name: 'hud.yaml', readFile, theme });

function looks(theme?: string) {
  const { document } = read();
  const on = openView(document!, 'test', { resources: { fonts }, theme }).layoutOn({
    width: 400,
    height: 300,
  });
  return (id: string) => on.widgets[on.indexOf(id)]!.look;
}

describe('several themes of one document', () => {
  test('a view is seen in the one it names, and in any other that is asked for', () => {
    expect(looks()('go').color.r).toBeCloseTo(0xe0 / 255);
    expect(looks('day')('go').color.r).toBeCloseTo(0x10 / 255);
    expect(() => looks('nigth')).toThrow('there is no theme "nigth"; did you mean "night"?');
    expect(read(source, 'day').document!.themeName).toBe('day');
    expect(read(source.replace('theme: night\n', '')).document!.themeName).toBe('day');
  });

  test('a part of a view keeps another', () => {
    const look = looks();
    expect(look('part').background).toMatchObject({ color: { r: 1 } });
    expect(look('in').color.r).toBeCloseTo(0x10 / 255);
    expect(look('deep').background).toMatchObject({ color: { r: 0 } });
  });

  test('what a kind starts from is under its styles and its own look', () => {
    const look = looks();
    expect(look('go').background).toMatchObject({ color: { r: 0 } });
    expect([look('own').color.r, look('own').color.g]).toEqual([1, 0]);
    expect(look('own').background).toEqual(look('go').background);
  });

  test('unknown themes are told where they are named', () => {
    expect(told(read(source.replace('theme: day, style', 'theme: dusk, style')))[0]).toContain(
      'hud.yaml:9:28: error: there is no theme "dusk"',
    );
    expect(told(read(source.replace('theme: night\n', 'theme: nigth\n')))[0]).toContain(
      'there is no theme "nigth"; did you mean "night"?',
    );
    expect(told(read(source.replace('night.yaml', 'dusk.yaml')))[0]).toContain(
      'there is no file "dusk.yaml"',
    );
  });

  test('an error in any of them is told, whichever is seen', () => {
    const before = files['day.yaml']!;
    files['day.yaml'] = before.replace('font-size: 40', 'font-size: huge');
    const [first] = told(read());
    files['day.yaml'] = before;
    expect(first).toContain('day.yaml:4:66: error: "font-size" is a number of u from 1 to 2000, not "huge"');
  });

  test('checks are run in each, and say in which they found something', () => {
    const { document } = read(
      source.replace(
        '      - { id: go,',
        '      - { id: t, kind: text, text: Hm, anchor: right bottom, look: { color: $color.ink } }\n      - { id: go,',
      ),
    );
    const desktop = screens.filter(({ name }) => name === 'desktop');
    const { findings, layouts, themes } = checkDocument(document!, {
      resources: { fonts },
      screens: desktop,
    });
    expect([layouts, themes]).toEqual([2, ['day', 'night']]);
    const themesOf = findings
      .filter(({ check, widget }) => check === 'low-contrast' && widget === 't')
      .map(({ occurrences }) => occurrences.map(({ theme }) => theme));
    expect(themesOf).toEqual([['night']]);
  });
});

describe('what a theme lacks that another has', () => {
  test('tokens, styles, and states of what both have', () => {
    const gaps = themeGaps(read().document!);
    expect(gaps.map(({ theme, what, name, has }) => `${theme} ${what} ${name} (${has})`)).toEqual([
      'night token color.white (day)',
      'night style big (day)',
      'night state button, focused (day)',
    ]);
    expect(gaps[1]!.origin.at(gaps[1]!.pointer).range).toBeDefined();
  });

  test('what the document says itself is in all of them', () => {
    const text = `${source}styles: { big: { font-size: 30 } }\n`;
    expect(themeGaps(read(text).document!).map(({ name }) => name)).toEqual([
      'color.white',
      'button, focused',
    ]);
  });
});

describe('files in the Design Tokens format', () => {
  const tokens = {
    color: {
      $type: 'color',
      red: { $value: { colorSpace: 'srgb', components: [1, 0, 0], alpha: 0.5, hex: '#ff0000' } },
      lab: { $value: { colorSpace: 'oklch', components: [0.7, 0.1, 200] } },
      alias: { $value: '{color.red}' },
      $root: { $value: '#123456' },
    },
    space: {
      gap: { $type: 'dimension', $value: { value: 1.5, unit: 'rem' } },
      flat: { $type: 'dimension', $value: '12px' },
    },
    type: {
      family: { $type: 'fontFamily', $value: ['Saira', 'Inter'] },
      weight: { $type: 'fontWeight', $value: 'bold' },
    },
    line: { $type: 'border', $value: { color: '{color.red}', width: '{space.flat}', style: 'solid' } },
    fall: {
      $type: 'shadow',
      $value: {
        color: '#000000',
        offsetX: { value: 0, unit: 'px' },
        offsetY: { value: 4, unit: 'px' },
        blur: { value: 8, unit: 'px' },
        spread: { value: 0, unit: 'px' },
      },
    },
    falls: { $type: 'shadow', $value: ['{fall}', { color: '#112233', offsetX: 1, offsetY: 2, blur: 3 }] },
    more: { $type: 'shadow', $value: ['{falls}', '{fall}'] },
    end: { $type: 'number', $value: 1 },
    fade: {
      $type: 'gradient',
      $value: [
        { color: '{color.red}', position: 0 },
        { color: '#000', position: '{end}' },
      ],
    },
  };
  const withTokens = (json: string, look = '{}') => {
    files['a.tokens.json'] = json;
    return read(
      `pimbot: 1\ntoken-files: a.tokens.json\nviews: { test: { children: [ { look: ${look} } ] } }\n`,
    );
  };
  const resolved = (json: string) => {
    const theme = new Theme(withTokens(json).document!);
    return Object.fromEntries([...theme.tokens.names()].map((name) => [name, theme.tokens.resolve(name)]));
  };

  test('are read: colours, lengths, fonts, borders, shadows, gradients, aliases', () => {
    expect(resolved(JSON.stringify(tokens))).toEqual({
      'color': { value: '#123456' },
      'color.red': { value: 'color(srgb 1 0 0 / 0.5)' },
      'color.lab': { value: 'oklch(0.7 0.1 200 / 1)' },
      'color.alias': { value: 'color(srgb 1 0 0 / 0.5)' },
      'space.gap': { value: 24 },
      'space.flat': { value: 12 },
      'type.family': { value: 'Saira, Inter' },
      'type.weight': { value: 700 },
      'line': { value: '12 color(srgb 1 0 0 / 0.5)' },
      'fall': { value: '0 4 8 0 #000000' },
      'falls': { value: '0 4 8 0 #000000, 1 2 3 0 #112233' },
      'more': { value: '0 4 8 0 #000000, 1 2 3 0 #112233, 0 4 8 0 #000000' },
      'end': { value: 1 },
      'fade': { value: 'linear-gradient(color(srgb 1 0 0 / 0.5) 0%, #000 100%)' },
    });
  });

  test('their tokens are used in looks', () => {
    const json = JSON.stringify(tokens);
    const look = '{ border: $line, shadow: $fall, background: $fade, font-weight: $type.weight }';
    const { document, diagnostics } = withTokens(json, look);
    expect(diagnostics).toEqual([]);
    const on = openView(document!, 'test', { resources: { fonts } }).layoutOn({ width: 100, height: 100 });
    expect(on.widgets[1]!.look).toMatchObject({
      borderWidth: 12,
      fontWeight: 700,
      shadow: [{ y: 4, blur: 8 }],
    });
  });

  test.each([
    ['{"a": {"$type": "color", "$value": 3}}', '"a" is a colour'],
    [
      '{"a": {"$type": "dimension", "$value": {"value": 3, "unit": "em"}}}',
      '"a" is a number of u, or value and unit (px or rem)',
    ],
    ['{"a": {"$value": "{b.c}"}}', 'there is no token "b.c"'],
    ['{"a": {"$value": "{b}"}, "b": {"$value": "{a}"}}', 'leads back to itself: a → b → a'],
    ['{"a": {"$type": "border", "$value": {"width": 1, "color": "{a}"}}}', 'leads back to itself: a → a'],
    ['[1]', 'a token file is a map of keys and values'],
    ['{"a": ', 'this is not YAML or JSON'],
  ])('%s', (json, sentence) => {
    const sentences = told(withTokens(json));
    expect(sentences.join('\n')).toContain(sentence);
    expect(sentences[0]).toMatch(/^a\.tokens\.json:\d+:\d+: error: /);
  });

  test('a token that is a group too is written as its root', () => {
    const { document } = withTokens(JSON.stringify({ color: tokens.color }));
    const written = JSON.parse(tokensFile(document!.themes[0]!)) as {
      color: Record<string, { $value: unknown }>;
    };
    expect(written.color.$root!.$value).toMatchObject({ hex: '#123456' });
    expect(written.color.alias!.$value).toBe('{color.red}');
    expect(resolved(JSON.stringify(written)).color).toMatchObject({
      value: expect.stringContaining('color(srgb'),
    });
  });

  test('what is written is read back as the same', () => {
    const hex = fc.stringMatching(/^#[0-9a-f]{6}$/);
    const name = fc.stringMatching(/^[a-z]{1,5}$/);
    const value = fc.oneof(
      hex.map((color) => ({ $type: 'color', $value: color })),
      fc.integer({ min: 0, max: 500 }).map((length) => ({ $type: 'dimension', $value: length })),
      fc.double({ min: 0, max: 9, noNaN: true }).map((number) => ({ $type: 'number', $value: number })),
    );
    fc.assert(
      fc.property(fc.dictionary(name, fc.dictionary(name, value, { minKeys: 1 })), (groups) => {
        const first = withTokens(JSON.stringify(groups)).document!;
        const written = tokensFile(first.themes[0]!);
        const plain = (json: string) => {
          const theme = new Theme(withTokens(json).document!);
          return [...theme.tokens.names()].map((one) => {
            const answer = theme.tokens.resolve(one) as { value: string | number };
            const color = theme.changesOf({ color: `$${one}` }).color;
            return [one, color ?? answer.value];
          });
        };
        const [before, after] = [plain(JSON.stringify(groups)), plain(written)];
        expect(after.map(([one]) => one).sort()).toEqual(before.map(([one]) => one).sort());
        const byName = new Map(after.map(([one, said]) => [one, said] as const));
        for (const [one, said] of before) {
          if (typeof said === 'object') {
            const other = byName.get(one) as typeof said;
            for (const part of ['r', 'g', 'b', 'a'] as const) expect(other[part]).toBeCloseTo(said[part], 4);
          } else expect(byName.get(one)).toBe(said);
        }
      }),
      { numRuns: 60 },
    );
  });
});

describe('pimbot theme', () => {
  const folder = temporaryFolder();
  beforeAll(() => {
    mkdirSync(folder.path, { recursive: true });
    for (const [name, text] of Object.entries(files)) writeFileSync(join(folder.path, name), text);
    writeFileSync(join(folder.path, 'hud.yaml'), source);
  });
  afterAll(() => folder.remove());
  const run = (...args: string[]) => pimbotHere(['theme', ...args], folder.path);

  test('draws a sheet of every theme and says what one lacks', async () => {
    const { code, out, err } = await run('hud.yaml', '--out', 'sheet.svg', '--svg-text', 'words');
    expect([code, out]).toEqual([1, 'sheet.svg\n']);
    expect(err).toContain('the theme night lacks the style "big", which day has');
    expect(err).toContain('3 differences between the themes');
    const svg = readFileSync(join(folder.path, 'sheet.svg'), 'utf8');
    for (const word of [
      'day',
      'night',
      'button',
      'checkbox',
      'focused',
      'disabled',
      'plate',
      'color.ink',
      '#102030',
    ])
      expect(svg).toContain(`>${word}</text>`);
  });

  test('shows every kind as it is, and in the states that look otherwise', () => {
    const source = readDocument({
      pimbot: 1,
      kinds: { button: { background: '#123456', states: { hover: { background: '#234567' } } } },
      views: { v: { backdrop: '#000' } },
    }).document!;
    const { view, width, height } = themeSheet(source, { resources: { fonts } });
    const on = view.layoutOn({ width, height });
    const shown = (kind: string) =>
      on.widgets.filter((widget) => widget.kind === kind).map(({ states }) => states.join());
    // Tabs are made of buttons, of which the first is selected.
    expect(new Set(shown('button').flatMap((one) => one.split(',')))).toEqual(
      new Set(['', 'hover', 'selected']),
    );
    expect(shown('checkbox')).toEqual(['', 'checked']);
    expect(shown('textbox')).toEqual(['', 'focused']);
    for (const kind of ['image', 'switch', 'slider', 'meter', 'separator', 'dialog', 'tooltip'])
      expect(shown(kind)).toContain('');
    expect(on.widgets.some(({ source }) => 'text' in source && source.text === '=')).toBe(true);
    expect(on.rect('sheet').height).toBeLessThanOrEqual(height);
  });

  test('shows the handle of a scrollbar, though nothing is seen of what it scrolls', () => {
    const scrollbar = { 'background': '#021118', 'handle-color': '#a9ddd3' };
    const source = readDocument({
      pimbot: 1,
      kinds: { scrollbar },
      views: { v: { backdrop: '#000' } },
    }).document!;
    const { view, width, height } = themeSheet(source, { resources: { fonts } });
    const on = view.layoutOn({ width, height });
    const bar = on.widgets.find(({ kind }) => kind === 'scrollbar')!;
    const boxes = drawLayout(on).operations.filter((one) => one.type === 'box' && one.widget === bar.index);
    expect(boxes).toHaveLength(2);
  });

  test('shows a style on what it is used on, with the contrast of its words there', () => {
    const plate = { background: '#ffffff' };
    const { document } = readDocument({
      pimbot: 1,
      styles: {
        plate,
        dark: { color: '#000000' },
        grey: { color: '#777777' },
        key: { ...plate, color: '#777777' },
      },
      views: {
        v: {
          backdrop: '#000000',
          children: [
            { style: 'plate', children: [{ kind: 'text', style: 'dark', text: 'x' }] },
            { kind: 'text', style: 'grey', text: 'y' },
          ],
        },
      },
    });
    const { view, width, height } = themeSheet(document!, { resources: { fonts } });
    const { widgets } = view.layoutOn({ width, height });
    const said = widgets.map(({ source }) => ('text' in source ? String(source.text) : ''));
    // Black on the white plate, WCAG's 4.48:1 of #777777 on white, and 4.69:1 of it on black.
    for (const [name, ratio] of [
      ['dark', '21:1'],
      ['key', '4.4:1'],
      ['grey', '4.6:1'],
    ] as const)
      expect(said[said.indexOf(name) + 1]).toBe(ratio);
    const sample = widgets.find(({ source }) => source.style === 'dark')!;
    expect(widgets[sample.parent]!.source.style).toEqual(['plate']);
  });

  test('a theme file that is none of the document’s is shown by itself', async () => {
    writeFileSync(join(folder.path, 'dusk.yaml'), files['night.yaml']!.replace('#e0e0e0', '#c0ffee'));
    await run('hud.yaml', '--theme', 'dusk.yaml', '--out', 'dusk.svg', '--svg-text', 'words');
    const svg = readFileSync(join(folder.path, 'dusk.svg'), 'utf8');
    expect([svg.includes('#c0ffee'), svg.includes('>day</text>'), svg.includes('>night</text>')]).toEqual([
      true,
      false,
      false,
    ]);
  });

  test('draws one of them', async () => {
    expect(
      (await run('hud.yaml', '--theme', 'night', '--out', 'night.svg', '--svg-text', 'words')).code,
    ).toBe(1);
    const svg = readFileSync(join(folder.path, 'night.svg'), 'utf8');
    expect([svg.includes('>night</text>'), svg.includes('>day</text>')]).toEqual([true, false]);
  });

  test('writes tokens, and prints JSON', async () => {
    expect((await run('hud.yaml', '--theme', 'day', '--tokens', 'day.tokens.json')).out).toBe(
      'day.tokens.json\n',
    );
    const written = JSON.parse(readFileSync(join(folder.path, 'day.tokens.json'), 'utf8')) as {
      color: Record<string, { $value: unknown }>;
    };
    expect(written.color.paper!.$value).toBe('{color.white}');
    expect(written.color.white!.$value).toEqual({
      colorSpace: 'srgb',
      components: [1, 1, 1],
      alpha: 1,
      hex: '#ffffff',
    });
    const json = JSON.parse((await run('hud.yaml', '--json')).out) as {
      themes: { name: string }[];
      lacks: unknown[];
    };
    expect([json.themes.map(({ name }) => name), json.lacks.length]).toEqual([['day', 'night'], 3]);
    expect((await run('hud.yaml', '--tokens', 'day.yaml')).err).toContain('"day.yaml" is no .json file');
    expect((await run('hud.yaml', '--out', 'sheet.pdf')).err).toContain(
      '"sheet.pdf" is neither an .svg nor a .png file',
    );
    expect((await run('hud.yaml', '--backdrop', 'bluish')).err).toContain('"bluish" is no CSS colour');
  });

  test('the demo: two complete themes', async () => {
    const { document, diagnostics } = await openProject('examples/fathom-post/post.yaml');
    expect(diagnostics).toEqual([]);
    expect([...document!.named.keys()]).toEqual(['brine', 'lantern']);
    expect(themeGaps(document!)).toEqual([]);
  });
});

test('tokens that hold nothing somewhere are refused in a sentence, whatever their type', () => {
  const wholes = {
    color: { colorSpace: 'srgb', components: [0.1, 0.2, 0.3], alpha: 1, hex: '#123456' },
    dimension: { value: 3, unit: 'px' },
    number: 4,
    fontFamily: ['Inter', 'Inter'],
    fontWeight: 400,
    border: { color: '#ffffff', width: { value: 2, unit: 'px' }, style: 'solid' },
    shadow: [{ color: '#000000', offsetX: 1, offsetY: 2, blur: 3, spread: 4 }],
    gradient: [
      { color: '#000000', position: 0 },
      { color: '#ffffff', position: 1 },
    ],
  };
  /** A value once for every place in it, with nothing there. */
  const emptied = (value: unknown): unknown[] => {
    if (typeof value !== 'object' || value === null) return [null];
    const parts = Object.entries(value).flatMap(([key, part]) =>
      emptied(part).map((one) => {
        const copy = (Array.isArray(value) ? [...(value as unknown[])] : { ...value }) as Record<
          string,
          unknown
        >;
        copy[key] = one;
        return copy;
      }),
    );
    return [null, ...parts];
  };
  let tried = 0;
  for (const [type, whole] of Object.entries(wholes)) {
    for (const $value of emptied(whole)) {
      const text = JSON.stringify({ one: { $type: type, $value } });
      const { diagnostics } = readDocument(
        { 'pimbot': 1, 'token-files': ['x.json'], 'views': { test: {} } },
        { readFile: (name) => ({ name, text }) },
      );
      for (const one of diagnostics) expect(formatDiagnostic(one)).toMatch(/error|warning/);
      tried++;
    }
  }
  expect(tried).toBeGreaterThan(30);
});
