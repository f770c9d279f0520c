import {
  cpSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { createCanvas } from '@napi-rs/canvas';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';

const folder = temporaryFolder();
const kept = join(folder.path, 'node_modules', '.cache', 'pimbot');
const path = (name: string) => join(folder.path, name);
const suggest = (...more: string[]) =>
  pimbotHere(
    ['check', 'hud.yaml', '--json', '--screen', 'desktop', '--screen', 'square', ...more],
    folder.path,
  );
const check = (...more: string[]) => suggest('--no-suggest', ...more);
const prove = (...more: string[]) =>
  pimbotHere(['prove', 'hud.yaml', '--json', '--from', '900x600', '--to', '1280x720', ...more], folder.path);

const document = `pimbot: 1
theme: day
themes: { day: day.yaml }
catalogs: { de: de.json }
pictures: { crest: crest.png }
cases: { few: { n: 1 }, many: { n: 1000 } }
vary: { hud-sizes: [1] }
components:
  tag: { params: { name: text }, style: plate, size: 200 60, children: [ { id: words, kind: text, text: "{name}" } ] }
views:
  one:
    backdrop: "#001018"
    children:
      - { use: tag, id: a, name: "Hold {n}", anchor: right top }
      - { id: crest, kind: image, image: crest, anchor: left top, size: 64 }
  two:
    backdrop: "#001018"
    children:
      - { id: b, kind: text, text: Depth, style: plate, anchor: left bottom }
      - { id: c, kind: text, text: Air, style: plate, anchor: right top, pivot: left top }
`;
const theme = `pimbot-theme: 1
tokens: { ink: "#e8fff4" }
fonts: { Deep: { 400: deep.woff } }
styles: { plate: { background: "#0a3040", color: $ink, font: Deep, font-size: 30 } }
`;

function picture(color: string, size: number): Buffer {
  const context = createCanvas(size, size).getContext('2d');
  context.fillStyle = color;
  context.fillRect(0, 0, size, size);
  return context.canvas.toBuffer('image/png');
}

beforeAll(() => {
  mkdirSync(path('node_modules'));
  mkdirSync(path('.git'));
  writeFileSync(path('hud.yaml'), document);
  writeFileSync(path('day.yaml'), theme);
  writeFileSync(path('de.json'), '{ "Depth": "Tiefe" }');
  writeFileSync(path('crest.png'), picture('#ffd583', 64));
  cpSync('assets/fonts/inter-400.woff', path('deep.woff'));
});
afterAll(() => folder.remove());

test('after a change of anything, a check, its suggestions or a proof say what one without a cache says', async () => {
  const changes: readonly (readonly [string, () => void])[] = [
    ['nothing', () => undefined],
    [
      'a view',
      () => writeFileSync(path('hud.yaml'), document.replace('text: Depth', 'text: Depth of the keel')),
    ],
    [
      'its place',
      () =>
        writeFileSync(
          path('hud.yaml'),
          document.replace('anchor: right top', 'anchor: left top, offset: 1800 0'),
        ),
    ],
    ['a component', () => writeFileSync(path('hud.yaml'), document.replace('size: 200 60', 'size: 20 60'))],
    [
      'a value of a case',
      () => writeFileSync(path('hud.yaml'), document.replace('n: 1000', 'n: 10000000000000')),
    ],
    [
      'what varies',
      () => writeFileSync(path('hud.yaml'), document.replace('hud-sizes: [1]', 'hud-sizes: [1, 4]')),
    ],
    [
      'the reference',
      () =>
        writeFileSync(
          path('hud.yaml'),
          document.replace('theme: day\n', 'theme: day\nreference: { size: 800x600 }\n'),
        ),
    ],
    ['a comment', () => writeFileSync(path('hud.yaml'), `# One.\n${document}`)],
    ['a style', () => writeFileSync(path('day.yaml'), theme.replace('font-size: 30', 'font-size: 8'))],
    ['a token', () => writeFileSync(path('day.yaml'), theme.replace('"#e8fff4"', '"#0b3141"'))],
    ['the theme as it was', () => writeFileSync(path('day.yaml'), theme)],
    ['a catalog', () => writeFileSync(path('de.json'), '{}')],
    ['a picture', () => writeFileSync(path('crest.png'), picture('#001018', 4))],
    ['a picture that is none', () => writeFileSync(path('crest.png'), 'no picture')],
    ['a font', () => cpSync('assets/fonts/inter-700.woff', path('deep.woff'))],
  ];
  const seen = new Map([
    [suggest, new Set<string>()],
    [prove, new Set<string>()],
  ]);
  for (const [what, change] of changes) {
    change();
    for (const [command, said] of seen) {
      const [cached, again] = [await command(), await command()];
      const fresh = await command('--no-cache');
      expect([what, cached]).toEqual([what, fresh]);
      expect([what, again]).toEqual([what, fresh]);
      said.add(fresh.out);
    }
  }
  // The changes do change what is said.
  for (const said of seen.values()) expect(said.size).toBeGreaterThan(9);
  expect([...seen.get(suggest)!].filter((out) => out.includes('"suggestion"')).length).toBeGreaterThan(9);
  const [plain, larger] = [await check(), await check('--hud-size', '3')];
  expect(larger.out).not.toBe(plain.out);
  expect(larger).toEqual(await check('--hud-size', '3', '--no-cache'));
});

/** Makes all that is kept old; gives how much of it was old before. */
function ageAll(): number {
  const long = new Date(2020, 1, 1);
  const paths = readdirSync(kept).map((name) => join(kept, name));
  const old = paths.filter((one) => statSync(one).mtimeMs === long.getTime());
  for (const one of paths) utimesSync(one, long, long);
  return old.length;
}

const comparing = () =>
  pimbotHere(['compare', 'hud.yaml', 'hud.yaml', '--prove', '--screen', 'square'], folder.path);

test.each([
  ['check', check, { read: 2, added: 1 }],
  // Changes of the view, and what was suggested of the text.
  ['check with suggestions', suggest, { read: 3, added: 3 }],
  ['prove', prove, { read: 2, added: 1 }],
  ['check --prove', () => check('--prove'), { read: 4, added: 2 }],
  ['compare --prove', comparing, { read: 2, added: 1 }],
] as const)(
  '%s looks again at what has changed alone, and at what was tampered with',
  async (_, run, { read, added }) => {
    rmSync(kept, { recursive: true, force: true });
    writeFileSync(path('hud.yaml'), document);
    const first = await run();
    const before = new Set(readdirSync(kept));
    ageAll();
    const all = ageAll();
    expect(await run()).toEqual(first);
    expect(new Set(readdirSync(kept))).toEqual(before);
    // Both views were read, and are used last now.
    expect(ageAll()).toBe(all - read);
    writeFileSync(path('hud.yaml'), document.replace('text: Depth', 'text: Keel'));
    await run();
    expect(readdirSync(kept).filter((name) => !before.has(name))).toHaveLength(added);
    writeFileSync(path('hud.yaml'), document);
    for (const name of readdirSync(kept)) {
      const bytes = readFileSync(join(kept, name));
      // The middle of what was found; a proof with another number in it would be told as it is.
      bytes[bytes.length >> 1]! ^= 1;
      writeFileSync(join(kept, name), bytes);
    }
    expect(await run()).toEqual(first);
  },
);
