import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { inflateSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { createCanvas } from '@napi-rs/canvas';
import { drawLayout, findScreen, formatDiagnostic, openView, toSvg } from 'pimbot';
import { openProject } from 'pimbot/node';
import { random } from '../../bench/trees.ts';
import { temporaryFolder } from '../support/cli.ts';
import { newSeed, rounds } from '../support/deep.ts';
import { cubicFont } from '../support/cubic-font.ts';
import { mutatedBytes } from '../support/mutated.ts';

const folder = temporaryFolder();
const at = (name: string) => join(folder.path, name);

/** Every kind of file a document may name. */
const whole = new Map<string, Buffer>();

/** A document that names one kind of file alone, so that very many can be tried. */
const documentOf = (head: string, widget: string) => `pimbot: 1
${head}
cases: { typical: { depth: 412 } }
views:
  v:
    backdrop: "#04202a"
    children:
      - ${widget}
`;

const words = '{ id: t, kind: text, text: "Depth {depth, number} m", anchor: center }';
const styled = '{ id: t, kind: text, style: words, text: "Depth {depth, number} m", anchor: center }';
const pictureOf = (file: string): [string, string] => [
  `pictures: { art: ${file} }`,
  '{ kind: image, image: art, size: 40 }',
];
const fontOf = (file: string): [string, string] => [
  `fonts: { Own: { 400: ${file} } }`,
  '{ kind: text, look: { font: Own }, text: "Depth Глубина" }',
];

/** What names each kind of file, and shows it. */
const naming: Readonly<Record<string, [head: string, widget: string]>> = {
  'a.png': pictureOf('a.png'),
  'a.jpg': pictureOf('a.jpg'),
  'a.webp': pictureOf('a.webp'),
  'a.svg': pictureOf('a.svg'),
  'sheet.json': ['pictures: { sheet: sheet.json }', '{ kind: image, image: sheet/half, size: 40 }'],
  'de.json': ['language: de\ncatalogs: { de: de.json }', words],
  'fr.po': ['language: fr\ncatalogs: { fr: fr.po }', words],
  'brand.tokens.json': [
    'token-files: brand.tokens.json\nstyles: { words: { font-size: $size, color: $line } }',
    styled,
  ],
  'theme.yaml': ['theme: theme.yaml\ntoken-files: brand.tokens.json', styled],
  'saira.woff': fontOf('saira.woff'),
  'plain.ttf': fontOf('plain.ttf'),
  'cubic.otf': fontOf('cubic.otf'),
  'noto.woff2': fontOf('noto.woff2'),
};

/** All of them at once. */
const everything = documentOf(
  `theme: theme.yaml
token-files: brand.tokens.json
catalogs: { de: de.json, fr: fr.po }
pictures: { png: a.png, jpeg: a.jpg, webp: a.webp, svg: a.svg, sheet: sheet.json }`,
  [
    styled,
    ...['Plain', 'Noto', 'Cubic'].map(
      (font) => `{ kind: text, look: { font: ${font} }, text: "Depth Глубина" }`,
    ),
    ...['png', 'jpeg', 'webp', 'svg', 'sheet/half'].map(
      (name) => `{ kind: image, image: ${name}, size: 40 }`,
    ),
  ].join('\n      - '),
);

beforeAll(() => {
  const context = createCanvas(32, 32).getContext('2d');
  context.fillStyle = '#c08040';
  context.fillRect(4, 4, 24, 24);
  const { canvas } = context;
  whole.set('a.png', canvas.toBuffer('image/png'));
  whole.set('a.jpg', canvas.toBuffer('image/jpeg'));
  whole.set('a.webp', canvas.toBuffer('image/webp'));
  whole.set(
    'a.svg',
    Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><rect width="9" height="9"/></svg>',
    ),
  );
  whole.set('sheet.json', readAtlas());
  whole.set('de.json', Buffer.from(JSON.stringify({ 'Depth {depth, number} m': 'Tiefe {depth, number} m' })));
  whole.set(
    'fr.po',
    Buffer.from(
      'msgid ""\nmsgstr "Content-Type: text/plain; charset=UTF-8\\n"\n\nmsgid "Depth {depth, number} m"\nmsgstr "{depth, number} m de fond"\n',
    ),
  );
  whole.set(
    'brand.tokens.json',
    Buffer.from(
      JSON.stringify({
        line: { $type: 'color', $value: '#58bfb0' },
        size: { $type: 'dimension', $value: { value: 30, unit: 'px' } },
      }),
    ),
  );
  whole.set(
    'theme.yaml',
    Buffer.from(
      'pimbot-theme: 1\nfonts: { Saira: { 400: saira.woff }, Plain: { 400: plain.ttf }, Noto: { 400: noto.woff2 }, Cubic: { 400: cubic.otf } }\nstyles: { words: { font: "Saira, Plain, Noto", font-size: 30, color: $line } }\n',
    ),
  );
  whole.set('hud.yaml', Buffer.from(everything));
  const woff = readFileSync('assets/fonts/inter-400.woff');
  whole.set('saira.woff', woff);
  whole.set('plain.ttf', unpacked(woff));
  whole.set('cubic.otf', cubicFont(unpacked(woff)));
  whole.set('noto.woff2', readFileSync('tests/assets/noto-cyrillic-500.woff2'));
  writeFileSync(at('package.json'), '{}');
});
afterAll(() => folder.remove());

/** The TTF in a WOFF (WOFF 1.0 §4, §5): its tables, unpacked. */
function unpacked(woff: Buffer): Buffer {
  const count = woff.readUInt16BE(12);
  const head = Buffer.alloc(12 + 16 * count);
  woff.copy(head, 0, 4, 8);
  head.writeUInt16BE(count, 4);
  const tables: Buffer[] = [];
  let at = head.length;
  for (let nth = 0; nth < count; nth++) {
    const entry = 44 + 20 * nth;
    const [from, packed, length] = [4, 8, 12].map((by) => woff.readUInt32BE(entry + by)) as [
      number,
      number,
      number,
    ];
    const bytes = woff.subarray(from, from + packed);
    const table = packed < length ? inflateSync(bytes) : bytes;
    woff.copy(head, 12 + 16 * nth, entry, entry + 4);
    woff.copy(head, 16 + 16 * nth, entry + 16, entry + 20);
    head.writeUInt32BE(at, 20 + 16 * nth);
    head.writeUInt32BE(length, 24 + 16 * nth);
    tables.push(table, Buffer.alloc((4 - (length % 4)) % 4));
    at += Math.ceil(length / 4) * 4;
  }
  return Buffer.concat([head, ...tables]);
}

/** An atlas of one region over the PNG, in the format docs/pictures.md tells of. */
function readAtlas(): Buffer {
  return Buffer.from(
    JSON.stringify({ 'pimbot-atlas': 1, 'picture': 'a.png', 'regions': { half: [0, 0, 16, 32] } }),
  );
}

/** Opens the project, and lays out and draws its view where it can be used. */
async function used(): Promise<'used' | 'refused'> {
  const { document: read, resources, diagnostics } = await openProject(at('hud.yaml'));
  // Whatever is wrong is told in one line each, with no stack.
  for (const one of diagnostics) expect(formatDiagnostic(one)).not.toMatch(/\n\s+at \S+ \(/);
  if (!read) {
    expect(diagnostics.length).toBeGreaterThan(0);
    return 'refused';
  }
  const names = Object.keys(read.source.views);
  if (!names.includes('v')) return 'used';
  const on = openView(read, 'v', { resources }).layoutOn(findScreen('desktop')!);
  for (const { index } of on.widgets) {
    const { x, y, width, height } = on.layout.rect(index);
    expect([x, y, width, height].every(Number.isFinite)).toBe(true);
  }
  expect(toSvg(drawLayout(on))).not.toContain('NaN');
  return 'used';
}

describe('files that went wrong', () => {
  test('the whole ones are used', async () => {
    for (const [name, bytes] of whole) writeFileSync(at(name), bytes);
    expect(await used()).toBe('used');
    const { diagnostics } = await openProject(at('hud.yaml'));
    expect(diagnostics.map(formatDiagnostic)).toEqual([]);
  });

  test.each([...Object.keys(naming), 'hud.yaml'])(
    '%s is used as far as it can be, or refused in sentences',
    async (name) => {
      for (const [one, bytes] of whole) writeFileSync(at(one), bytes);
      const own = naming[name];
      if (own) writeFileSync(at('hud.yaml'), documentOf(...own));
      expect(await used()).toBe('used');
      const seed = newSeed();
      const next = random(seed);
      const came = new Set<string>();
      for (let nth = 0; nth < rounds(15, 2000); nth++) {
        writeFileSync(at(name), mutatedBytes(whole.get(name)!, next));
        try {
          came.add(await used());
        } catch (error) {
          throw new Error(`${name}, seed ${seed}, round ${nth}`, { cause: error });
        }
      }
      expect(came.size).toBeGreaterThan(0);
    },
  );
});
