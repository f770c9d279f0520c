import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { type Screen, type WidgetSource } from 'pimbot';
import { byPlace, causesOf, checkDocument } from 'pimbot/tools';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';
import { documentOf, fonts, rightDocument } from '../support/views.ts';

const near = { density: 96, distance: 600, inputs: ['mouse'], group: 'desktop' } as const;
const screens = [
  { ...near, name: 'large', width: 1920, height: 1080 },
  { ...near, name: 'small', width: 640, height: 360 },
] as unknown as readonly Screen[];
const line = (nth: number, more: object = {}): WidgetSource => ({
  id: `line-${nth}`,
  kind: 'text',
  text: 'Depth',
  anchor: 'left top',
  offset: [20, 60 * nth],
  look: { 'font-size': 20, 'color': '#fff' },
  ...more,
});

/** The causes of what is found of a view: what each is, and the widgets and checks it takes in. */
function causes(children: readonly WidgetSource[], on = screens) {
  const source = documentOf(children, { reference: { size: '1920x1080', scaling: 'contain' } });
  const document = rightDocument({ ...source, views: { test: { ...source.views.test, backdrop: '#000' } } });
  const verdict = checkDocument(document, { resources: { fonts }, screens: on });
  return causesOf(verdict.findings, verdict, () => 0).map(({ what, findings }) => ({
    what,
    checks: [...new Set(findings.map(({ check }) => check))].sort(),
    widgets: [...new Set(findings.map(({ widget }) => widget))].sort(),
  }));
}

const lines = (count: number) => Array.from({ length: count }, (_, nth) => line(nth + 1));

test('where something is found is told by the screens its view supports, and by the fewer of those it is on and is not on', async () => {
  const folder = temporaryFolder();
  const box = (id: string, x: number) =>
    `      - { id: ${id}, anchor: left top, offset: ${x} 20, size: 90, look: { background: "#345" } }\n`;
  const hud = `pimbot: 1
reference: { size: 1920x1080, scaling: none }
views:
  hud:
    supports: { from: 1000x500 }
    children:
${box('everywhere', 4000)}${box('nearly', 1850)}${box('here', 1100)}`;
  writeFileSync(join(folder.path, 'hud.yaml'), hud);
  const sizes = ['640x360', '1100x600', '1150x600', '1280x720', '1600x900', '1920x1080', '2000x1080'];
  const on = sizes.flatMap((size) => ['--screen', size]);
  const { out } = await pimbotHere(['check', 'hud.yaml', ...on, '--check', 'off-screen'], folder.path);
  folder.remove();
  const said = out.replace(/\s+/g, ' ');
  expect(said).toContain(
    'hud/everywhere sticks out 2990 px past the right edge of the screen on all 6 screens it supports (worst on 1100x600',
  );
  expect(said).toContain('on 5 of 6 screens it supports, all but 2000x1080 (worst on 1100x600');
  expect(said).toContain('on 1100x600 and 1150x600 (worst on 1100x600');
});

describe('what gets too small in a view', () => {
  test('on some screens, in five places or more, is one cause that says where it stands', () => {
    expect(causes(lines(5))).toEqual([
      {
        what: 'test is small on this screen (1 u is 0.33 px)',
        checks: ['coarse-text', 'small-text'],
        widgets: ['line-1', 'line-2', 'line-3', 'line-4', 'line-5'],
      },
    ]);
  });

  test('is told widget by widget where it is in few places, and where it is so on every screen', () => {
    expect(causes(lines(4)).map(({ what, widgets }) => [what, ...widgets])).toEqual(
      lines(4).map(({ id }) => [undefined, id]),
    );
    expect(causes(lines(5), screens.slice(1))).toHaveLength(5);
  });

  test('a widget of which something else is found stays a cause of its own', () => {
    const found = causes([...lines(5), line(6, { width: 40, wrap: false })]);
    expect(found.map(({ widgets }) => widgets.length).sort()).toEqual([1, 5]);
    const [alone] = found.filter(({ what }) => what === undefined);
    expect(alone).toMatchObject({ widgets: ['line-6'] });
    expect(alone!.checks).toContain('cut-text');
  });
});

describe('what is found of many widgets of one line of the document', () => {
  const row = (nth: number) =>
    `      - { kind: text, id: go-${nth}, repeat: 6, text: Go, size: 60 30, look: { font-size: 6 } }\n`;
  const told = async (rows: number, ...more: string[]) => {
    const folder = temporaryFolder();
    const children = Array.from({ length: rows }, (_, nth) => row(nth)).join('');
    writeFileSync(
      join(folder.path, 'hud.yaml'),
      `pimbot: 1\nreference: { size: 1920x1080 }\nviews:\n  hud:\n    backdrop: "#000"\n    arrange: ${rows > 6 ? 'wrap' : 'column'}\n    children:\n${children}`,
    );
    const call = [
      'check',
      'hud.yaml',
      '--screen',
      'desktop',
      '--check',
      'small-text',
      '--check',
      'small-target',
    ];
    const { out } = await pimbotHere([...call, ...more], folder.path);
    folder.remove();
    return out;
  };

  test('is told once, with the names of the others; --verbose tells each', async () => {
    const out = await told(1);
    expect(out).toMatch(/6 errors of 1 cause/);
    expect(out.match(/text too small/g)).toHaveLength(1);
    expect(out).toContain('and of the same line go-0-2, go-0-3, go-0-4, go-0-5 and 1 more');
    expect((await told(1, '--verbose')).match(/text too small/g)).toHaveLength(6);
  });

  test('but what is found of one widget and several others is told of each', () => {
    const box = (id: string) => ({ id, anchor: 'left top' as const, size: 90, look: { background: '#345' } });
    const document = rightDocument(documentOf([box('a'), box('b'), box('c')]));
    const { findings } = checkDocument(document, { resources: { fonts }, screens });
    const pairs = findings.filter(({ check }) => check === 'overlap');
    expect(pairs).toHaveLength(3);
    expect(byPlace(pairs)).toEqual(pairs.map((one) => [one]));
    const [first] = pairs;
    expect(byPlace([first!, first!])).toHaveLength(2);
  });

  test('a change that mends several places is told in full once', async () => {
    const out = (await told(3, '--verbose')).replace(/\s+/g, ' ');
    const tries = [...out.matchAll(/try (go-\d-1): look \{ font-size: \d+ \}(: mends it|, as above)/g)];
    expect(tries.map(([, id, how]) => `${id}${how}`)).toEqual(
      [0, 1, 2].flatMap((nth) => [
        `go-${nth}-1: mends it`,
        ...new Array<string>(5).fill(`go-${nth}-1, as above`),
      ]),
    );
  });

  test('where a cause is of very many places it is told in short', async () => {
    const small = (count: number) => told(count, '--screen', '3840x2160');
    expect(await small(6)).toMatch(/36 errors of 1 cause .*because/s);
    const many = await small(30);
    expect(many).toContain('180 errors of 1 cause');
    expect(many).not.toContain('because');
    expect(many.split('\n').length).toBeLessThan(20);
  });
});

test('a writing that a font lacks is one cause of all texts in it; a sign that is missing is that of its text', () => {
  const text = (id: string, y: number, words: string): WidgetSource => ({
    id,
    kind: 'text',
    text: words,
    anchor: 'left top',
    offset: [20, y],
    look: { 'font-size': 60, 'color': '#fff' },
  });
  const found = causes([
    text('a', 20, 'عمق'),
    text('b', 200, 'قاع'),
    text('c', 400, '𓆛 𓅓'),
    text('d', 600, '𓆛!'),
    text('e', 700, '深さ'),
    text('f', 800, 'カゴ'),
  ]);
  expect(found.filter(({ checks }) => checks.includes('missing-glyph'))).toEqual([
    { what: 'no font of "Inter" has Arabic letters', checks: ['missing-glyph'], widgets: ['a', 'b'] },
    { what: 'no font of "Inter" has such letters', checks: ['missing-glyph'], widgets: ['c', 'd'] },
    {
      what: 'no font of "Inter" has Chinese or Japanese letters',
      checks: ['missing-glyph'],
      widgets: ['e', 'f'],
    },
  ]);
  const signs = causes([text('a', 20, 'Up ⮝'), text('b', 200, 'Down ⮟')]);
  expect(signs.map(({ what, widgets }) => [what, ...widgets])).toEqual([
    [undefined, 'a'],
    [undefined, 'b'],
  ]);
});
