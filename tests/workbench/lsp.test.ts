import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { Editor } from '../support/editor.ts';

const hud = `pimbot: 1
tokens: { color: { sea: { $type: color, $value: "#1d7f8c" } } }
styles:
  plate: { background: $color.sea }
components:
  gauge: { size: 100, style: plate }
views:
  dive:
    children:
      - { id: sonar, style: plate, offset: 1600 760, size: ["{room.side}", 280] }
      - { id: left, use: gauge, anchor: left bottom }
cases: { only: { room: { side: 280 } } }
`;

describe('pimbot lsp', () => {
  const folder = mkdtempSync(join(tmpdir(), 'pimbot-'));
  const file = join(folder, 'hud.yaml');
  const uri = pathToFileURL(file).href;
  let editor: Editor;
  /** The place of a piece of the text, so many letters in. */
  const at = (text: string, piece: string, more = 1) => {
    const offset = text.indexOf(piece) + more;
    const before = text.slice(0, offset).split('\n');
    return { textDocument: { uri }, position: { line: before.length - 1, character: before.at(-1)!.length } };
  };
  const change = (text: string, version: number) => editor.change(uri, version, text);

  beforeAll(async () => {
    writeFileSync(file, hud);
    writeFileSync(join(folder, 'package.json'), '{}');
    editor = new Editor();
    const { capabilities } = await editor.ask<{ capabilities: object }>('initialize', {
      processId: null,
      rootUri: null,
      capabilities: {},
    });
    expect(Object.keys(capabilities)).toEqual(
      expect.arrayContaining([
        'completionProvider',
        'hoverProvider',
        'definitionProvider',
        'codeActionProvider',
        'referencesProvider',
        'documentHighlightProvider',
        'documentSymbolProvider',
        'renameProvider',
      ]),
    );
    editor.tell('initialized', {});
    editor.open(uri, hud);
  });
  afterAll(async () => {
    await editor.ask('shutdown', null);
    rmSync(folder, { recursive: true });
  });

  test('what fails on screens is told where it is written, with the tested change as an action', async () => {
    const found = await editor.diagnostics(uri, (all) => all.some(({ code }) => code === 'off-screen'));
    const off = found.find(({ code }) => code === 'off-screen')!;
    expect(off.range.start.line).toBe(9);
    expect(off.message).toMatch(/^dive\/sonar .*screens?\)$/);
    const context = { diagnostics: [off] };
    const actions = await editor.ask<
      { title: string; edit: { changes: { [uri: string]: { newText: string }[] } } }[]
    >('textDocument/codeAction', { textDocument: { uri }, range: off.range, context });
    expect(actions).toHaveLength(1);
    expect(actions[0]!.title).toMatch(/sonar.*tried on every screen/);
    expect(actions[0]!.edit.changes[uri]).toHaveLength(1);
  });

  test('completion offers keys with what they do, and names', async () => {
    const labels = async (text: string, piece: string, more: number, version: number) => {
      change(text, version);
      const found = await editor.ask<{ label: string }[]>('textDocument/completion', at(text, piece, more));
      return found.map(({ label }) => label);
    };
    const typed = hud.replace('offset: 1600 760', 'off');
    expect(await labels(typed, 'off,', 3, 2)).toContain('offset');
    expect(await labels(hud, 'style: plate, off', 'style: pl'.length, 3)).toEqual(['plate']);
  });

  test('in the file of a theme it knows what the document that has it does', async () => {
    const theme =
      'pimbot-theme: 1\ntokens: { color: { fog: { $type: color, $value: "#cde" } } }\nstyles:\n  plate: {}\n';
    const other =
      'pimbot: 1\ntheme: night.yaml\ntokens: { color: { sea: { $type: color, $value: "#123" } } }\nviews: { hud: {} }\n';
    const open = (name: string, text: string) => {
      writeFileSync(join(folder, name), text);
      const its = pathToFileURL(join(folder, name)).href;
      editor.open(its, text);
      return its;
    };
    const [night] = [open('night.yaml', theme), open('other.yaml', other)];
    await editor.diagnostics(pathToFileURL(join(folder, 'other.yaml')).href, () => true);
    editor.change(night, 2, theme.replace('{}', '{ background: $ }'));
    const found = await editor.ask<{ label: string }[]>('textDocument/completion', {
      textDocument: { uri: night },
      position: { line: 3, character: '  plate: { background: $'.length },
    });
    expect(found.map(({ label }) => label).sort()).toEqual(['$color.fog', '$color.sea']);
  });

  test('hover says what a key does and why the widget is where it is', async () => {
    change(hud, 4);
    const { contents } = await editor.ask<{ contents: { value: string } }>(
      'textDocument/hover',
      at(hud, 'offset: 1600', 2),
    );
    expect(contents.value).toMatch(/\*\*offset\*\* From anchor to pivot/);
    expect(contents.value).toMatch(/dive\/sonar: 1600, 760, 280 × 280 u/);
  });

  test.each([
    ['style: plate, off', 8, 3],
    ['use: gauge', 6, 5],
    ['$color.sea }', 3, 1],
    ['room.side', 7, 11],
  ])('goes from %s to where it is written', async (piece, more, line) => {
    const found = await editor.ask<{ uri: string; range: { start: { line: number } } }>(
      'textDocument/definition',
      at(hud, piece, more),
    );
    expect([found.uri, found.range.start.line]).toEqual([uri, line]);
  });

  test('a name in an entry of a repeat goes to the widget in there, and elsewhere to the one that is not in another', async () => {
    const text = [
      'pimbot: 1',
      'views:',
      '  dive:',
      '    children:',
      '      - { id: ware, repeat: 2, children: [{ id: lamp, size: 9 }, { size: 9, may-overlap: [lamp] }] }',
      '      - { id: lamp, size: 9 }',
      '      - { id: rope, size: 9, may-overlap: [ lamp ] }',
      '',
    ].join('\n');
    change(text, 4);
    const lineOf = async (piece: string, more: number) => {
      for (;;) {
        const found = await editor.ask<{ range: { start: { line: number } } } | null>(
          'textDocument/definition',
          at(text, piece, more),
        );
        // The text is read when nothing more is typed for a moment.
        if (found) return found.range.start.line;
        await new Promise((done) => setTimeout(done, 20));
      }
    };
    expect(await lineOf('may-overlap: [lamp]', 14)).toBe(4);
    expect(await lineOf('may-overlap: [ lamp', 15)).toBe(5);
  });

  test('a mistyped key is an error with the one that was meant', async () => {
    change(hud.replace('anchor: left', 'anchr: left'), 5);
    const found = await editor.diagnostics(uri, (all) => all.some(({ severity }) => severity === 1));
    const wrong = found.find(({ severity }) => severity === 1)!;
    expect(wrong.message).toMatch(/anchr.*anchor/);
    const actions = await editor.ask<{ title: string }[]>('textDocument/codeAction', {
      textDocument: { uri },
      range: wrong.range,
      context: { diagnostics: [wrong] },
    });
    expect(actions.map(({ title }) => title)).toEqual(['Change to "anchor"']);
  });

  test('what a case gives that a key cannot be is told at its key', async () => {
    const wrong = `${hud.replace('offset: 1600 760', 'offset: 16 16, look: { opacity: "{dim}" }').replace(/cases.*\n$/, '')}cases: { calm: { dim: 1, room: { side: 280 } }, storm: { room: { side: 280 }, dim: 4 } }\n`;
    change(wrong, 1000);
    const found = await editor.diagnostics(uri, (all) => all.some(({ code }) => code === 'refused-value'));
    expect(found).toMatchObject([
      {
        message: '"opacity" is a number from 0 to 1, and "{dim}" gives 4, in the case "storm"',
        severity: 1,
        range: { start: { line: 9 } },
      },
    ]);
  });
});

/** A document in which each name that is looked for is marked wherever it is meant: «1:lamp». */
const names = `pimbot: 1
styles:
  «1:plate»: { background: «8:$color.sea» } # plate, as in style: plate
  wide: { extends: «1:plate» }
tokens: { color: { «8t:sea»: "#1d7f8c", mud: "{color.«8t:sea»}" } }
components:
  «2:gauge»:
    params: { «3:label»: text }
    children:
      - { id: «4:bar», kind: text, text: "{«3:label»}: plate" }
      - { kind: text, text: lamp, anchor-to: «4:bar» }
      - kind: text
        text: Mo's # the bar, after the label
views:
  dive:
    expect:
      - { widgets: [«5:lamp», hull.«4:bar»], never: overlap }
    children:
      - { id: «5:lamp», size: 9, style: "«1:plate»" }
      - { id: rope, size: 9, may-overlap: [«5:lamp»], offset: ["{«6:room».«7:side»}", 40] }
      - { id: hull, use: «2:gauge», «3:label»: "{«6:room».name} «9:{name}»", set: { «4:bar»: { style: [wide, «1:plate»] } } }
      - { id: ware, repeat: "{wares}", size: 9, children: [{ id: lamp, size: 5 }, { kind: text, text: "{«10:name»}" }] }
  dock:
    children: [{ id: lamp, size: 9 }, { size: 9, may-overlap: [lamp] }]
cases:
  calm: { name: Mo, wares: [], «6:room»: { «7:side»: 280, name: Hold } }
  storm: { name: Ida, wares: [{ «10:name»: wax }, { «10:name»: tar }], «6:room»: { «7:side»: 90, name: Bow } }
`;

describe('what a name leads to', () => {
  /** The text without marks, and where each name is meant. */
  const places = new Map<string, number[]>();
  let text = '';
  for (const piece of names.split(/(«[^»]*»)/)) {
    const [, which, word] = /^«(\w+):(.*)»$/.exec(piece) ?? [];
    if (which !== undefined) places.set(which, [...(places.get(which) ?? []), text.length]);
    text += word ?? piece;
  }
  const folder = mkdtempSync(join(tmpdir(), 'pimbot-'));
  const uri = pathToFileURL(join(folder, 'hud.yaml')).href;
  const textDocument = { uri };
  const positionOf = (offset: number) => {
    const before = text.slice(0, offset).split('\n');
    return { line: before.length - 1, character: before.at(-1)!.length };
  };
  interface Found {
    readonly range: { readonly start: { readonly line: number; readonly character: number } };
  }
  const offsetOf = ({ range: { start } }: Found) => {
    const from = text.split('\n').slice(0, start.line).join('\n').length + (start.line > 0 ? 1 : 0);
    return from + start.character;
  };
  let editor: Editor;
  beforeAll(async () => {
    writeFileSync(join(folder, 'package.json'), '{}');
    writeFileSync(join(folder, 'hud.yaml'), text);
    editor = new Editor();
    await editor.ask('initialize', { processId: null, rootUri: null, capabilities: {} });
    editor.tell('initialized', {});
    editor.open(uri, text);
  });
  afterAll(async () => {
    await editor.ask('shutdown', null);
    rmSync(folder, { recursive: true });
  });

  test.each(['1', '2', '3', '4', '5', '6', '7', '10'])(
    'every place that names it is found from each of them, and all of them get another name: %s',
    async (which) => {
      const all = places.get(which)!;
      for (const at of all) {
        const position = positionOf(at + 1);
        const context = { includeDeclaration: true };
        const found = await editor.ask<Found[]>('textDocument/references', {
          textDocument,
          position,
          context,
        });
        expect(found.map(offsetOf).sort((a, b) => a - b)).toEqual(all);
        expect(await editor.ask('textDocument/documentHighlight', { textDocument, position })).toHaveLength(
          all.length,
        );
      }
      const { changes } = await editor.ask<{ changes: { [uri: string]: (Found & { newText: string })[] } }>(
        'textDocument/rename',
        { textDocument, position: positionOf(all[0]!), newName: 'else' },
      );
      expect(changes[uri]!.map(offsetOf).sort((a, b) => a - b)).toEqual(all);
    },
  );

  test('a token is found by its last word, and a value by the case that has it, not by an entry', async () => {
    const [at] = places.get('8')!;
    const ask = (offset: number) =>
      editor.ask<Found[]>('textDocument/references', {
        textDocument,
        position: positionOf(offset),
        context: { includeDeclaration: false },
      });
    expect((await ask(at! + 8)).map(offsetOf)).toEqual([at! + 7, places.get('8t')![1]]);
    const [value] = places.get('9')!;
    const said = await ask(value! + 2);
    expect(said.map(offsetOf)).toEqual([value! + 1, text.indexOf('name: Ida')]);
    expect(await ask(text.indexOf('anchor-to') + 2)).toBeNull();
    expect(await ask(text.indexOf('text: lamp') + 7)).toBeNull();
  });

  test('a name that would make another thing of the document is refused, with the reason', async () => {
    const rename = (offset: number, newName: string) =>
      editor.ask<string>('textDocument/rename', { textDocument, position: positionOf(offset), newName });
    const [lamp] = places.get('5')!;
    expect(await rename(lamp!, 'rope')).toMatch(/unusable: .*rope/);
    expect(await rename(lamp!, 'two words')).toMatch(/"two words" is no name/);
    expect(await rename(places.get('1')![0]!, 'wide')).toMatch(/unusable: /);
    expect(await rename(text.indexOf('anchor-to'), 'else')).toBe(
      'nothing that the document names stands here',
    );
  });

  test('the outline has what has a name, with the widgets in each other', async () => {
    interface Symbol {
      readonly name: string;
      readonly detail: string;
      readonly children: readonly Symbol[];
    }
    const told = (all: readonly Symbol[]): unknown[] =>
      all.map(({ name, detail, children }) =>
        children.length === 0 ? `${name} ${detail}`.trim() : [`${name} ${detail}`.trim(), ...told(children)],
      );
    expect(told(await editor.ask<Symbol[]>('textDocument/documentSymbol', { textDocument }))).toEqual([
      'plate style',
      'wide style',
      ['gauge component', 'bar text · {label}: plate', 'text lamp', "text Mo's"],
      ['dive view', 'lamp panel', 'rope panel', 'hull gauge', ['ware panel', 'lamp panel', 'text {name}']],
      ['dock view', 'lamp panel', 'panel'],
      'calm case',
      'storm case',
    ]);
  });
});
