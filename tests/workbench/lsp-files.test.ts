import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { Editor } from '../support/editor.ts';

const hud = `pimbot: 1
theme: themes/night.yaml
views:
  dive:
    children: [ { id: sonar, style: plate, size: 200, offset: 40 40, label: Sonar } ]
`;
const night = `pimbot-theme: 1
tokens: { color: { fog: { $type: color, $value: "#24414d" } } }
styles:
  plate: { background: $color.fog }
`;
const mistyped = night.replace('background', 'backgruond').replace('plate', 'plate: {}\n  plank');

describe('the files a document names, in an editor', () => {
  let folder: string;
  let editor: Editor;
  const uriOf = (name: string) => pathToFileURL(join(folder, name)).href;
  const save = (name: string, text: string) => writeFileSync(join(folder, name), text);

  beforeEach(async () => {
    folder = mkdtempSync(join(tmpdir(), 'pimbot-'));
    mkdirSync(join(folder, 'themes'));
    save('package.json', '{}');
    save('hud.yaml', hud);
    save('themes/night.yaml', night);
    editor = new Editor();
    const workspace = { didChangeWatchedFiles: { dynamicRegistration: true } };
    await editor.ask('initialize', { processId: null, rootUri: null, capabilities: { workspace } });
    editor.tell('initialized', {});
  });
  afterEach(async () => {
    await editor.ask('shutdown', null);
    rmSync(folder, { recursive: true });
  });

  test('a mistake in a theme is told where it stands while it is typed, and where the document names the theme', async () => {
    editor.open(uriOf('hud.yaml'), hud);
    editor.open(uriOf('themes/night.yaml'), night);
    expect(await editor.diagnostics(uriOf('hud.yaml'), () => true)).toEqual([]);
    editor.change(uriOf('themes/night.yaml'), 2, mistyped);
    const [wrong, ...others] = await editor.diagnostics(uriOf('themes/night.yaml'), (all) => all.length > 0);
    expect(others).toEqual([]);
    expect(wrong).toMatchObject({
      severity: 1,
      range: { start: { line: 4, character: 11 }, end: { line: 4, character: 21 } },
    });
    expect(wrong!.message).toMatch(/backgruond.*background/);
    const [named] = await editor.diagnostics(uriOf('hud.yaml'), (all) => all.length > 0);
    expect(named!.message).toBe(`themes/night.yaml:5:12: ${wrong!.message}`);
    expect(named!.range).toEqual({ start: { line: 1, character: 7 }, end: { line: 1, character: 24 } });

    const [action] = await editor.ask<
      { edit: { changes: { [uri: string]: { range: unknown; newText: string }[] } } }[]
    >('textDocument/codeAction', {
      textDocument: { uri: uriOf('themes/night.yaml') },
      range: wrong!.range,
      context: { diagnostics: [wrong] },
    });
    expect(action!.edit.changes[uriOf('themes/night.yaml')]).toEqual([
      { range: wrong!.range, newText: 'background' },
    ]);

    editor.forget();
    editor.change(uriOf('themes/night.yaml'), 3, night);
    // What was mistyped stands there no more.
    expect(
      await editor.ask('textDocument/codeAction', {
        textDocument: { uri: uriOf('themes/night.yaml') },
        range: wrong!.range,
        context: { diagnostics: [wrong] },
      }),
    ).toEqual([]);
    expect(await editor.diagnostics(uriOf('themes/night.yaml'), () => true)).toEqual([]);
    expect(await editor.diagnostics(uriOf('hud.yaml'), () => true)).toEqual([]);
  });

  test('what was typed into a theme and not saved is gone once it is closed, and a change on the disk counts', async () => {
    const theme = uriOf('themes/night.yaml');
    editor.open(uriOf('hud.yaml'), hud);
    editor.open(theme, mistyped);
    await editor.diagnostics(theme, (all) => all.length > 0);
    editor.forget();
    editor.tell('textDocument/didClose', { textDocument: { uri: theme } });
    expect(await editor.diagnostics(uriOf('hud.yaml'), () => true)).toEqual([]);
    save('themes/night.yaml', mistyped);
    editor.tell('workspace/didChangeWatchedFiles', { changes: [{ uri: theme, type: 2 }] });
    expect(await editor.diagnostics(theme, (all) => all.length > 0)).toHaveLength(1);
    expect(await editor.diagnostics(uriOf('hud.yaml'), (all) => all.length > 0)).toHaveLength(1);
  });

  test('a theme that is open alone is read with the document above it that names it, of which nothing else is told', async () => {
    const theme = uriOf('themes/night.yaml');
    save('other.yaml', 'pimbot: 1\nviews: { a: {} }\n');
    save('hud.yaml', hud.replace('offset: 40 40', 'offsett: 40 40'));
    editor.open(theme, mistyped);
    expect(await editor.diagnostics(theme, (all) => all.length > 0)).toHaveLength(1);
    await expect(
      Promise.race([editor.diagnostics(uriOf('hud.yaml'), (all) => all.length > 0), editor.ask('x/y', {})]),
    ).resolves.toMatch(/Unhandled method/);
    editor.forget();
    editor.change(theme, 2, night);
    expect(await editor.diagnostics(theme, () => true)).toEqual([]);
    editor.change(theme, 3, mistyped);
    await editor.diagnostics(theme, (all) => all.length > 0);
    editor.forget();
    editor.tell('textDocument/didClose', { textDocument: { uri: theme } });
    expect(await editor.diagnostics(theme, () => true)).toEqual([]);
  });

  test('in a theme, keys say what they do and names lead to where they are written; renaming is refused', async () => {
    const theme = uriOf('themes/night.yaml');
    editor.open(uriOf('hud.yaml'), hud);
    editor.open(theme, night);
    await editor.diagnostics(uriOf('hud.yaml'), () => true);
    const at = (piece: string) => {
      const before = night.slice(0, night.indexOf(piece) + 1).split('\n');
      return {
        textDocument: { uri: theme },
        position: { line: before.length - 1, character: before.at(-1)!.length },
      };
    };
    const hover = await editor.ask<{ contents: { value: string } }>('textDocument/hover', at('background'));
    expect(hover.contents.value).toMatch(/^\*\*background\*\* \S/);
    const found = await editor.ask('textDocument/definition', at('fog }'));
    expect(found).toMatchObject({ uri: theme, range: { start: { line: 1, character: 19 } } });
    const places = async (asked: object, uri = theme) =>
      (
        await editor.ask<{ uri: string; range: { start: { line: number } } }[]>('textDocument/references', {
          ...asked,
          context: { includeDeclaration: true },
        })
      ).map((one) => [one.uri === uri ? 'here' : 'there', one.range.start.line]);
    expect(await places(at('fog }'))).toEqual([
      ['here', 1],
      ['here', 3],
    ]);
    expect(await places(at('plate'))).toEqual([
      ['here', 3],
      ['there', 4],
    ]);
    const used = { textDocument: { uri: uriOf('hud.yaml') }, position: { line: 4, character: 39 } };
    expect(await places(used, uriOf('hud.yaml'))).toEqual([
      ['there', 3],
      ['here', 4],
    ]);
    expect(await editor.ask('textDocument/documentSymbol', { textDocument: { uri: theme } })).toBeNull();
    expect(await editor.ask('textDocument/rename', { ...at('plate'), newName: 'sheet' })).toBe(
      'names of a theme file are changed by hand: other documents may use it too',
    );
  });

  test('what a check finds in a theme is told in the theme', async () => {
    const both = hud.replace(
      'theme: themes/night.yaml',
      'theme: night\nthemes: { night: themes/night.yaml, day: themes/day.yaml }',
    );
    const day = `${night}  frame: { background: $color.fog }\n`;
    save('themes/day.yaml', day);
    editor.open(uriOf('hud.yaml'), both);
    const [lacking] = await editor.diagnostics(uriOf('themes/day.yaml'), (all) => all.length > 0);
    expect(lacking).toMatchObject({ code: 'theme-gap', range: { start: { line: 4, character: 2 } } });
    const own = await editor.diagnostics(uriOf('hud.yaml'), () => true);
    expect(own.filter(({ code }) => code === 'theme-gap')).toEqual([]);
  });
});
