import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, expect, test } from '@jest/globals';
import { readDocument, screens } from 'pimbot';
import { pimbotMatchers } from 'pimbot/jest';
import { checkDocument, proveDocument } from 'pimbot/tools';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';
import { documentOf, fonts, opened, told } from '../support/views.ts';

const folder = temporaryFolder();
afterAll(folder.remove);
const look = { background: '#223344' };
const pair = [
  { id: 'left', look, anchor: 'left top', width: 500, height: 40 },
  { id: 'right', look, anchor: 'right top', width: 500, height: 40 },
] as const;
const region = { from: { width: 640, height: 360 }, to: { width: 2560, height: 1440 } };
const device = { density: 96, distance: 600, inputs: ['mouse'] } as const;

test('a view is not looked at on screens it does not support, and the verdict says which', () => {
  const source = documentOf(pair, {}, { supports: { from: '1000x500', aspect: '1..' } });
  const { document } = readDocument(source);
  const { findings, unsupported, layouts } = checkDocument(document!, { resources: { fonts }, screens });
  expect(findings.filter(({ check }) => check === 'overlap')).toEqual([]);
  const outside = screens.filter(({ width, height }) => width < 1000 || height < 500 || width < height);
  expect(unsupported).toEqual([{ view: 'test', screens: outside.map(({ name }) => name) }]);
  expect(layouts).toBe(screens.length - outside.length);
  // Without the line, the same view fails on some of them.
  const all = checkDocument(readDocument(documentOf(pair)).document!, { resources: { fonts }, screens });
  expect(all.findings.some(({ check }) => check === 'overlap')).toBe(true);
});

test('matchers that are told no screens look at those it supports', () => {
  const only = { checks: ['overlap' as const] };
  const view = (supports: object) => opened(documentOf(pair, {}, { supports }));
  expect(pimbotMatchers.toPassOnScreens(view({}), only).pass).toBe(false);
  expect(pimbotMatchers.toPassOnScreens(view({ from: '1000x200' }), only).pass).toBe(true);
  expect(pimbotMatchers.toHoldOnEverySize(view({}), only).pass).toBe(false);
  expect(pimbotMatchers.toHoldOnEverySize(view({ from: '1000x200' }), only).pass).toBe(true);
  const small = { screens: [{ width: 800, height: 600 }], ...only };
  expect(pimbotMatchers.toPassOnScreens(view({ from: '1000x200' }), small).pass).toBe(false);
});

test('what is proved are the sizes it supports', () => {
  const proved = (supports: { from?: string; aspect?: string }) => {
    const { document } = readDocument(documentOf(pair, {}, { supports }));
    return proveDocument(document!, { resources: { fonts }, device, region })[0]!;
  };
  expect(proved({}).failing).toBeGreaterThan(0);
  const { failing, sizes } = proved({ from: '1000x360' });
  expect({ failing, from: sizes.from }).toEqual({ failing: 0, from: { width: 1000, height: 360 } });
  expect(() => proved({ from: '4000x2000' })).toThrow('supports no size of those');
});

test('a line for the document is offered, and taking it makes the proof hold', async () => {
  const hud = (line: string) => `pimbot: 1
reference: { size: 1280x720, scaling: none }
views:
  dive:
    ${line}
    children:
      - { id: left, look: { background: "#223344" }, anchor: left top, width: 500, height: 40 }
      - { id: right, look: { background: "#223344" }, anchor: right top, width: 500, height: 40 }
`;
  const path = join(folder.path, 'hud.yaml');
  writeFileSync(path, hud('title: Dive'));
  const before = await pimbotHere(['prove', 'hud.yaml'], folder.path);
  const [, line] = /(supports: \{ from: .*\})/.exec(before.out)!;
  expect(before.code).toBe(1);
  writeFileSync(path, hud(line!));
  const after = await pimbotHere(['prove', 'hud.yaml'], folder.path);
  expect(after.out).toMatch(/dive holds on every size from 1001 × 563 to 7680 × 4320/);
  expect(after.code).toBe(0);
  const checked = await pimbotHere(['check', 'hud.yaml'], folder.path);
  expect(checked.out.replace(/\s+/g, ' ')).toMatch(
    /– dive does not support \d+ screens, and is not looked at on them: /,
  );
  const json = JSON.parse((await pimbotHere(['check', 'hud.yaml', '--json'], folder.path)).out) as {
    files: { unsupported: { view: string; screens: string[] }[] }[];
  };
  expect(json.files[0]!.unsupported[0]!.screens).toContain('half-window');
});

test('where only some aspects are proved, the line promises no others', async () => {
  const path = join(folder.path, 'wide.yaml');
  writeFileSync(
    path,
    `pimbot: 1
reference: { size: 1280x720, scaling: none }
views: { dive: { children: [ { id: bar, anchor: right top, width: 900, height: 40, look: { background: "#223344" } } ] } }
`,
  );
  const { out } = await pimbotHere(['prove', 'wide.yaml', '--aspect', '1.5..2'], folder.path);
  expect(out).toMatch(/supports: \{ from: \d+x\d+, to: 7680x4320, aspect: "1\.5\.\.2" \}/);
});

test('a slip in it is told with what it has to be', () => {
  const source = documentOf(pair, {}, { supports: { from: 'small', aspect: '16:9' } });
  expect(told(readDocument(source))).toEqual([
    expect.stringContaining('"from" is a resolution such as 1920x1080'),
    expect.stringContaining('"aspect"'),
  ]);
});
