import { existsSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { unpack, type Pack } from 'pimbot';
import { pimbotHere } from '../support/cli.ts';

describe('pimbot pack', () => {
  let folder: string;
  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'pimbot-packed-'));
  });
  afterAll(() => rmSync(folder, { recursive: true }));
  const post = 'examples/fathom-post/post.yaml';
  const read = (name: string) => JSON.parse(readFileSync(join(folder, name), 'utf8')) as Pack;

  test('writes one file with everything in it, and says what is there', async () => {
    const { out, err, code } = await pimbotHere(['pack', post, '--out', join(folder, 'hud.json')], '.');
    expect([code, err]).toEqual([0, '']);
    expect(out).toMatch(/hud\.json: 6 views, \d+ pictures, \d+ kB\n {2}Saira 500: \d+ kB of \d+ kB\n/);
    expect(Object.keys(unpack(read('hud.json')).source.views)).toHaveLength(6);
    expect(readdirSync(folder)).toEqual(['hud.json']);
  });

  test('writes files beside it, named after what is in them, and types', async () => {
    const script = join(folder, 'beside', 'hud.js');
    const types = join(folder, 'beside', 'hud.d.ts');
    const call = ['pack', post, '--out', script, '--types', types, '--files', 'beside', '--json'];
    const { out, code } = await pimbotHere(call, '.');
    expect(code).toBe(0);
    const { files, bytes } = JSON.parse(out) as { files: string[]; bytes: number };
    expect(bytes).toBeLessThan(100_000);
    const { default: pack } = (await import(pathToFileURL(script).href)) as { default: Pack };
    for (const { file } of [...pack.fonts, ...pack.images]) {
      const url = 'url' in file ? file.url : '';
      expect(url).toMatch(/-[0-9a-f]{8}\.\w+$/);
      expect(existsSync(join(folder, 'beside', url))).toBe(true);
      expect(files).toContain(url);
    }
    const text = readFileSync(types, 'utf8');
    expect(text).toContain('readonly "depth": number;');
    expect(text).toContain('`slot-${string}`');
    expect(text).toContain('readonly locales: "en" | "de" | "ja" | "ar";');
  });

  test('types of ids that hold names are patterns', async () => {
    const at = (name: string) => join(folder, name);
    writeFileSync(at('package.json'), '{}');
    writeFileSync(
      at('rack.yaml'),
      `pimbot: 1
cases: { typical: { slots: [{ name: wax }] } }
components: { slot: { params: { name: text }, size: 40, children: [{ id: "label-{name}", size: 9 }] } }
views: { rack: { children: [{ id: "{name}-slot", repeat: "{slots}", use: slot, name: "{name}" }] } }
`,
    );
    const call = ['pack', 'rack.yaml', '--out', 'rack.json', '--types', 'rack.d.ts'];
    const { code, err } = await pimbotHere(call, folder);
    expect([code, err]).toEqual([0, '']);
    const text = readFileSync(at('rack.d.ts'), 'utf8');
    expect(text).toContain('`${string}-slot`');
    expect(text).toContain('`${string}-slot.label-${string}`');
    for (const name of ['package.json', 'rack.yaml', 'rack.json', 'rack.d.ts']) rmSync(at(name));
  });

  test.each([
    [
      ['pack', post, '--out', 'hud.bin'],
      /"hud\.bin" is no name for a packed document: one ends in \.json or \.js/,
    ],
    [
      ['pack', post, '--out', 'a.json', '--types', 'a.ts'],
      /"a\.ts" is no name for a declaration: one ends in \.d\.ts/,
    ],
    [['pack', 'nowhere.yaml', '--out', 'a.json'], /there is no file "nowhere\.yaml"/],
    [['pack', post], /required option '--out <file>' not specified/],
  ])('%j is refused with a sentence, and writes nothing', async (call, sentence) => {
    const { err, code } = await pimbotHere(call, '.');
    expect(code).toBe(2);
    expect(err).toMatch(sentence);
    expect(existsSync('hud.bin') || existsSync('a.json')).toBe(false);
  });
});
