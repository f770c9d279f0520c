import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { pimbotHere, temporaryFolder, unwrapped } from '../support/cli.ts';

const folder = temporaryFolder();
const hud = `pimbot: 1
reference: { size: 1280x720, scaling: none }
views:
  dive:
    children:
      - { id: left, look: { background: "#223344" }, anchor: left top, offset: 10 10, width: 300, height: 40 }
      - { id: right, look: { background: "#223344" }, anchor: right top, offset: -10 10, width: 400, height: 40 }
`;
const small = ['--from', '320x200', '--to', '1280x800'];

beforeAll(() => {
  writeFileSync(join(folder.path, 'hud.yaml'), hud);
  writeFileSync(join(folder.path, 'slip.yaml'), hud.replace('width: 300', 'width: wide'));
  mkdirSync(join(folder.path, 'maps'));
});
afterAll(folder.remove);

test('says on which sizes a view holds, where it does not, and which line is why', async () => {
  const { code, out, err } = await pimbotHere(['prove', 'hud.yaml', ...small], folder.path);
  expect({ code, err }).toEqual({ code: 1, err: '' });
  expect(out).toContain('dive fails on');
  expect(unwrapped(out)).toContain('it holds on every size from 720 × 405 to 1280 × 800');
  expect(unwrapped(out)).toMatch(
    /left overlaps right by .* px on .* of the sizes: between 320 × 200 and 720 × 800/,
  );
  expect(unwrapped(out)).toMatch(/because .* hud\.yaml:6:\d+/);
  expect(out).toContain('Proved: off-screen, ');
});

test('what fails of several entries of one line is told once, in lines that fit a terminal', async () => {
  const entry = '{ id: slot, repeat: 7, kind: text, text: Depth, look: { font-size: 24 } }';
  const list = `pimbot: 1\nviews:\n  dive:\n    children:\n      - id: list\n        arrange: row\n        children:\n          - ${entry}\n`;
  writeFileSync(join(folder.path, 'list.yaml'), list);
  const { out } = await pimbotHere(['prove', 'list.yaml', ...small], folder.path);
  const told = unwrapped(out);
  expect(told.match(/has text too small/g)).toHaveLength(1);
  expect(told).toMatch(
    /✗ slot-1 has text too small .*\[small-text\].* and of the same line slot-2, slot-3, slot-4, slot-5 and 2 more/,
  );
  const lines = out.split('\n').filter((line) => !line.includes('supports:'));
  expect(lines.filter((line) => [...line].length > 80)).toEqual([]);
  const every = await pimbotHere(['prove', 'list.yaml', ...small, '--verbose'], folder.path);
  expect(unwrapped(every.out).match(/has text too small/g)).toHaveLength(7);
  // On the page the others are folded behind the first.
  await pimbotHere(['prove', 'list.yaml', ...small, '--report', 'list.html'], folder.path);
  const [, listed] = readFileSync(join(folder.path, 'list.html'), 'utf8').split('Everything that fails (7)');
  expect(listed).toMatch(
    /^[^]*slot-1 has text too small[^]*<summary>6 more of the same line<\/summary>[^]*slot-7 has/,
  );
});

test('a range on which all of it holds is exit code 0', async () => {
  const { code, out } = await pimbotHere(
    ['prove', 'hud.yaml', '--from', '720x200', '--to', '1280x800'],
    folder.path,
  );
  expect(unwrapped(out)).toContain('dive holds on every size from 720 × 200 to 1280 × 800');
  expect(code).toBe(0);
});

test('an aspect narrows the range', async () => {
  const args = ['prove', 'hud.yaml', ...small, '--aspect', '3:1..'];
  const { code, out } = await pimbotHere(args, folder.path);
  expect(unwrapped(out)).toContain('with an aspect from 3');
  expect(code).toBe(1);
});

test('JSON has every polygon, and reads as JSON', async () => {
  const { code, out } = await pimbotHere(['prove', 'hud.yaml', ...small, '--json'], folder.path);
  expect(code).toBe(1);
  const proof = JSON.parse(out) as {
    passed: boolean;
    proved: string[];
    files: {
      views: {
        view: string;
        holds: boolean;
        failures: { check: string; worst: unknown; polygons: number[][][] }[];
      }[];
    }[];
  };
  expect(proof.passed).toBe(false);
  expect(proof.proved).toContain('overlap');
  const [dive] = proof.files[0]!.views;
  const overlap = dive!.failures.find(({ check }) => check === 'overlap');
  // Corners one after the other, from any of them.
  const corners = overlap!.polygons.map((polygon) =>
    polygon.toSorted((a, b) => a[0]! - b[0]! || a[1]! - b[1]!),
  );
  expect(corners).toEqual([
    [
      [320, 200],
      [320, 800],
      [719.5, 200],
      [719.5, 800],
    ],
  ]);
});

test('draws the map as SVG and PNG, and one for each view into a folder', async () => {
  const args = ['prove', 'hud.yaml', ...small, '--map', 'dive.png', '--map', 'dive.svg', '--map', 'maps'];
  args.push('--strip', 'aspects.svg', '--strip', 'maps');
  const { out } = await pimbotHere(args, folder.path);
  expect(out).toContain('dive.png\n');
  const [png, svg] = ['dive.png', 'dive.svg'].map((name) => readFileSync(join(folder.path, name)));
  expect([...png!.subarray(1, 4)]).toEqual([...Buffer.from('PNG')]);
  expect(svg!.toString()).toContain('<title>Where dive holds</title>');
  expect(existsSync(join(folder.path, 'maps', 'dive-sizes.svg'))).toBe(true);
  expect(existsSync(join(folder.path, 'maps', 'dive-aspects.svg'))).toBe(true);
  expect(readFileSync(join(folder.path, 'aspects.svg'), 'utf8')).toContain(
    '<title>At which aspects dive holds</title>',
  );
});

test('what cannot be read is one clear sentence, and exit code 2', async () => {
  const told = async (...args: string[]) => {
    const { code, out, err } = await pimbotHere(['prove', ...args], folder.path);
    return { code, out, err };
  };
  expect(await told('none.yaml')).toMatchObject({
    code: 2,
    err: expect.stringContaining('there is no file "none.yaml"'),
  });
  expect(await told('slip.yaml')).toMatchObject({ code: 2, err: expect.stringContaining('slip.yaml:6:') });
  expect(await told('hud.yaml', '--from', '640')).toMatchObject({
    code: 2,
    err: expect.stringContaining('such as 1280x720'),
  });
  expect(await told('hud.yaml', '--aspect', '2..1')).toMatchObject({
    code: 2,
    err: expect.stringContaining('range of aspects'),
  });
  expect(await told('hud.yaml', '--safe', '5%,5%')).toMatchObject({
    code: 2,
    err: expect.stringContaining('four distances'),
  });
  expect(await told('hud.yaml', '--device', 'dekstop')).toMatchObject({
    code: 2,
    err: expect.stringContaining('did you mean "desktop"'),
  });
  expect(await told('hud.yaml', '--view', 'dvie')).toMatchObject({
    code: 2,
    err: expect.stringContaining('dvie'),
  });
  expect(await told('hud.yaml', '--from', '900x900', '--to', '800x800')).toMatchObject({
    code: 2,
    err: expect.stringContaining('no screen'),
  });
  expect(await told('hud.yaml', '--map', 'dive.gif')).toMatchObject({
    code: 2,
    err: expect.stringContaining('neither an .svg nor a .png'),
  });
});

test('safe insets in shares grow with the screen', async () => {
  const args = ['prove', 'hud.yaml', '--from', '760x200', '--to', '1280x800', '--safe', '10%,0,0,0'];
  const { code, out } = await pimbotHere(args, folder.path);
  // Both stand 10 px below the safe area, wherever that begins.
  expect(out).toContain('dive holds on every size');
  expect(code).toBe(0);
});

test('a view that supports none of the sizes keeps no other from being proved, and is told', async () => {
  const child = '{ id: lamp, anchor: center, size: 100, look: { background: "#345" } }';
  const view = (name: string, supports: string) =>
    `  ${name}:\n    backdrop: "#000"\n${supports}    children: [${child}]\n`;
  const text = (supports: string) =>
    `pimbot: 1\nviews:\n${view('tiny', '    supports: { to: 300x300 }\n')}${view('usual', supports)}`;
  writeFileSync(join(folder.path, 'some.yaml'), text(''));
  writeFileSync(join(folder.path, 'none.yaml'), text('    supports: { to: 300x300 }\n'));
  const some = await pimbotHere(['prove', 'some.yaml', '--report', 'some.html'], folder.path);
  expect([some.code, some.err]).toEqual([0, '']);
  expect(some.out).toContain('✓ usual holds on every size');
  const said = 'tiny supports no size from 640 × 360 to 7680 × 4320: nothing of it was proved';
  expect(some.out).toContain(`– ${said}`);
  expect(readFileSync(join(folder.path, 'some.html'), 'utf8')).toContain(said);
  const { out: json } = await pimbotHere(['prove', 'some.yaml', '--json'], folder.path);
  const [file] = (JSON.parse(json) as { files: { unsupported: string[]; views: unknown[] }[] }).files;
  expect([file!.unsupported, file!.views.length]).toEqual([['tiny'], 1]);
  const checked = await pimbotHere(['check', 'some.yaml', '--prove'], folder.path);
  expect([checked.code, checked.out.includes(`– ${said}`)]).toEqual([0, true]);
  expect(checked.out).toContain('✓ passed');
  expect(await pimbotHere(['prove', 'none.yaml'], folder.path)).toEqual({
    code: 2,
    out: '',
    err: 'pimbot: nothing to prove: tiny, usual support no size of those, or a line of them alone\n',
  });
  const compared = await pimbotHere(['compare', 'some.yaml', 'none.yaml', '--prove'], folder.path);
  expect(compared).toEqual({
    code: 2,
    out: '',
    err: 'pimbot: nothing to compare: no layout of tiny, usual is in both; their screens, cases, languages or what they support are others\n',
  });
  writeFileSync(join(folder.path, 'also.yaml'), text('').replace('to: 300x300', 'to: 1280x720'));
  const more = await pimbotHere(
    ['compare', 'some.yaml', 'also.yaml', '--prove', '--report', 'also.html'],
    folder.path,
  );
  const apart = 'of the view tiny nothing was compared: no layout of it is in both';
  expect(more.out).toContain(`– ${apart}\n`);
  expect(readFileSync(join(folder.path, 'also.html'), 'utf8')).toContain(apart);
  expect([more.code, more.out]).toEqual([
    0,
    expect.stringContaining('~ tiny supports more: 100 % of its sizes are new\n'),
  ]);
  await pimbotHere(['baseline', 'also.yaml', '--prove', '--out', 'also.json'], folder.path);
  const less = await pimbotHere(['compare', 'also.json', 'some.yaml', '--prove'], folder.path);
  expect([less.code, less.out]).toEqual([
    0,
    expect.stringContaining('~ tiny supports 100 % of its sizes no more\n'),
  ]);
});
