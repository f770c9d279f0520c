import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { createCanvas } from '@napi-rs/canvas';
import {
  PictureError,
  drawLayout,
  formatDiagnostic,
  loadPictures,
  openView,
  type DrawOperation,
  type PictureHost,
} from 'pimbot';
import { openProject } from 'pimbot/node';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';

const folder = temporaryFolder();
const put = (name: string, content: string | Uint8Array) => writeFileSync(join(folder.path, name), content);

/** A PNG of squares: the colour of each says where it is. */
function squares(width: number, height: number, side: number): Buffer {
  const context = createCanvas(width, height).getContext('2d');
  for (let y = 0; y < height; y += side)
    for (let x = 0; x < width; x += side) {
      context.fillStyle = `rgb(${x} ${y} 99)`;
      context.fillRect(x, y, side, side);
    }
  return context.canvas.toBuffer('image/png');
}

const atlas = {
  'pimbot-atlas': 1,
  'picture': 'sheet.png',
  'regions': { lamp: [0, 0, 40, 20], hook: [40, 60, 20, 20] },
};

beforeAll(() => {
  mkdirSync(join(folder.path, 'art'), { recursive: true });
  put('package.json', '{}');
  put('art/sheet.png', squares(100, 100, 20));
  put('art/tools.atlas.json', JSON.stringify(atlas));
  put('art/fine.atlas.json', JSON.stringify({ ...atlas, density: 2 }));
  for (const density of [1, 2, 3]) put(`art/crate-${density}.png`, squares(20 * density, 10 * density, 10));
  put('broken.png', squares(50, 50, 10).subarray(0, 90));
  const bomb = squares(8, 8, 8);
  bomb.writeUInt32BE(60_000, 16);
  bomb.writeUInt32BE(60_000, 20);
  put('bomb.png', bomb);
});
afterAll(() => folder.remove());

const hud = (pictures: string, children: string) => {
  put(
    'hud.yaml',
    `pimbot: 1\nreference: { scaling: none }\npictures: ${pictures}\nviews: { test: { backdrop: "#000", children: [ ${children} ] } }\n`,
  );
  return join(folder.path, 'hud.yaml');
};

async function drawn(pictures: string, children: string, scale = 1) {
  const { document, resources, diagnostics } = await openProject(hud(pictures, children));
  expect(diagnostics).toEqual([]);
  const view = openView(document!, 'test', { resources, hudSize: scale });
  const { operations } = drawLayout(view.layoutOn({ width: 400, height: 300 }));
  return operations.filter(
    (one): one is Extract<DrawOperation, { type: 'picture' }> => one.type === 'picture',
  );
}

describe('an atlas', () => {
  test('its regions are pictures of their own size', async () => {
    const [lamp, hook] = await drawn(
      '{ tools: art/tools.atlas.json }',
      '{ kind: image, image: tools/lamp }, { kind: image, image: tools/hook }',
    );
    expect(lamp).toMatchObject({
      rect: { width: 40, height: 20 },
      from: { x: 0, y: 0, width: 40, height: 20 },
    });
    expect(hook).toMatchObject({
      rect: { width: 20, height: 20 },
      from: { x: 40, y: 60, width: 20, height: 20 },
    });
    expect(lamp!.picture).toBe(hook!.picture);
  });

  test('of twice the density, they are half the size, from the same place', async () => {
    const [lamp] = await drawn('{ tools: art/fine.atlas.json }', '{ kind: image, image: tools/lamp }');
    expect(lamp).toMatchObject({
      rect: { width: 20, height: 10 },
      from: { x: 0, y: 0, width: 40, height: 20 },
    });
  });

  test('slices, tiles and fits are cut out of the region', async () => {
    const pieces = await drawn(
      '{ tools: art/tools.atlas.json }',
      '{ image: tools/hook, slice: 5, size: 100 }, { kind: image, image: tools/hook, tile: repeat, size: 40 }',
    );
    expect(pieces).toHaveLength(13);
    for (const { from } of pieces) {
      expect(from!.x).toBeGreaterThanOrEqual(40);
      expect(from!.y).toBeGreaterThanOrEqual(60);
      expect(from!.x + from!.width).toBeLessThanOrEqual(60);
      expect(from!.y + from!.height).toBeLessThanOrEqual(80);
    }
  });

  test('a region it does not have is told with the nearest', async () => {
    hud('{ tools: art/tools.atlas.json }', '{ kind: image, image: tools/lmap }');
    const { code, err } = await pimbotHere(['check', 'hud.yaml', '--screen', '400x300'], folder.path);
    expect(code).toBe(2);
    expect(err).toContain('there is no picture "tools/lmap"; did you mean "tools/lamp"?');
  });

  test.each([
    ['{"pimbot-atlas": 2}', 'it is no atlas: "pimbot-atlas" is not 1'],
    ['nothing', 'it is no JSON'],
    ['{"pimbot-atlas": 1}', '"picture" is not the path of a picture'],
    [
      '{"pimbot-atlas": 1, "picture": "sheet.png", "regions": []}',
      '"regions" is not a map of names and places',
    ],
    [
      '{"pimbot-atlas": 1, "picture": "sheet.png", "density": 0, "regions": {}}',
      '"density" is not a number from 0.1 to 16',
    ],
    [
      '{"pimbot-atlas": 1, "picture": "sheet.png", "regions": {"a": [0, 0, -4, 4]}}',
      'the region "a" is not four numbers of px',
    ],
    [
      '{"pimbot-atlas": 1, "picture": "sheet.png", "regions": {"a": [90, 0, 20, 4]}}',
      'the region "a/a" reaches out of the 100 × 100 px of its picture',
    ],
    ['{"pimbot-atlas": 1, "picture": "../../../etc/hostname", "regions": {}}', 'outside the project folder'],
  ])('%s is refused', async (text, sentence) => {
    put('art/bad.atlas.json', text);
    const { diagnostics } = await openProject(hud('{ a: art/bad.atlas.json }', '{ size: 10 }'));
    const { formatDiagnostic } = await import('pimbot');
    expect(diagnostics.map(formatDiagnostic).join('\n')).toContain(sentence);
  });
});

describe('one picture in several densities', () => {
  const pictures = '{ crate: { 1: art/crate-1.png, 2: art/crate-2.png, 3: art/crate-3.png } }';

  test.each([
    [0.5, 20],
    [1, 20],
    [1.5, 40],
    [2, 40],
    [2.1, 60],
    [8, 60],
  ])('at %s px a u, the coarsest that has the px is drawn', async (scale, width) => {
    const [picture] = await drawn(pictures, '{ kind: image, image: crate }', scale);
    expect([picture!.picture.width, picture!.rect.width]).toEqual([width, Math.round(20 * scale)]);
  });

  test('files of another shape are no such picture', async () => {
    const { diagnostics } = await openProject(
      hud('{ crate: { 1: art/crate-1.png, 2: art/sheet.png } }', '{ size: 10 }'),
    );
    expect(diagnostics[0]!.facts).toMatchObject({
      detail: 'its file of density 2 has 100 × 100 px; 40 × 20 would be the same picture',
    });
  });
});

describe('a picture that cannot be used', () => {
  const children =
    '{ id: gone, kind: image, image: p, size: 40 }, { id: there, kind: text, text: Still here }';

  test.each([
    ['cut short', 'broken.png', '"broken.png" cannot be read as a picture: the file is cut short'],
    ['a bomb', 'bomb.png', '60000 × 60000 pixels are more than is read'],
    ['none', 'package.json', '"package.json" cannot be read as a picture: it is no atlas'],
    ['missing', 'nowhere.png', 'there is no file "nowhere.png"'],
    ['a folder', 'art', 'it is a folder'],
    ['outside', '../../etc/hostname', 'lies outside the project folder'],
  ])('%s: it is told, the rest is drawn, and the check fails', async (_, path, sentence) => {
    hud(`{ p: ${path} }`, children);
    const drawing = await pimbotHere(
      ['draw', 'hud.yaml', '--screen', '400x300', '--out', 'test.svg'],
      folder.path,
    );
    expect(drawing.code).toBe(0);
    expect(drawing.err).toMatch(/^hud\.yaml:3:\d+: warning: /);
    expect(drawing.err).toContain(sentence);
    const check = await pimbotHere(['check', 'hud.yaml', '--screen', '400x300'], folder.path);
    expect(check.code).toBe(1);
    expect(check.out).toContain('test/gone shows the picture "p", whose file could not be used');
  });

  test('several that unpack to far more than their files hold: those that go too far are told, before they are unpacked', async () => {
    const plain = createCanvas(6000, 6000).toBuffer('image/png');
    expect(plain.length).toBeLessThan(400_000);
    const names = ['one', 'two', 'three', 'four'];
    for (const name of names) put(`${name}.png`, plain);
    const file = hud(`{ ${names.map((name) => `${name}: ${name}.png`).join(', ')} }`, '{ size: 10 }');
    const { diagnostics, resources } = await openProject(file);
    expect([...resources.pictures!.keys()]).toEqual(['one', 'two']);
    expect(diagnostics.map(formatDiagnostic).filter((one) => one.includes('million pixels'))).toEqual([
      expect.stringMatching(
        /"three.png" cannot be read as a picture: with those before it, it unpacks to 108 million pixels/,
      ),
      expect.stringMatching(/"four.png" cannot/),
    ]);
  });

  test('as an icon in a text too', async () => {
    hud('{ p: nowhere.png }', '{ id: t, kind: text, text: "Take ![p] along" }');
    const { code, out } = await pimbotHere(['check', 'hud.yaml', '--screen', '400x300'], folder.path);
    expect([code, out.includes('test/t shows the picture "p"')]).toEqual([1, true]);
  });

  test('what a host of another kind throws is handed on', async () => {
    const host: PictureHost = {
      read: () => Promise.resolve(squares(4, 4, 2)),
      decode: () => Promise.reject(new PictureError('no decoder')),
      sample: () => ({ width: 1, height: 1, data: new Uint8ClampedArray(4) }),
    };
    await expect(loadPictures('p', 'p.png', host)).rejects.toThrow('no decoder');
  });
});
