import { cpSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { readDocument, screens, type DocumentSource, type WidgetSource } from 'pimbot';
import { TryBudget, checkDocument, mend, suggestFor } from 'pimbot/tools';
import { bundledFonts } from 'pimbot/node';
import { defects } from '../accuracy/defects.ts';
import { opened } from '../accuracy/run.ts';
import { defectPictures, places } from '../accuracy/sample.ts';
import { harms, nameOf } from './second-judge.ts';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';
import { isDeep } from '../support/deep.ts';

const fonts = bundledFonts();

test('no more than a budget is tried, and what is is left is not', () => {
  const text =
    'pimbot: 1\nviews: { v: { children: [{ kind: panel, size: 256 96, offset: 1640 24, look: { background: "#345" } }] } }';
  const { document } = readDocument(text);
  const options = { resources: { fonts }, screens };
  const verdict = checkDocument(document!, options);
  const finding = verdict.findings.find(({ check }) => check === 'off-screen')!;
  const budget = new TryBudget();
  expect(suggestFor(document!, finding, verdict, options, undefined, budget)?.say).toBeDefined();
  expect(budget.isSpent).toBe(false);
  expect(() => budget.spend(400_000)).toThrow('more was tried than changes are looked for');
  expect(suggestFor(document!, finding, verdict, options, undefined, budget)).toBeUndefined();
  expect(mend(document!, verdict, options, () => true)).toMatchObject({ isWhole: true });
});

(isDeep ? test : test.skip)('of many findings some are left untried, and the report says so', async () => {
  const folder = temporaryFolder();
  const plate = { size: [40, 40], look: { background: '#345' } };
  const children = [
    { ...plate, 'repeat': 600, 'may-overlap': true },
    { ...plate, offset: [1900, 0] },
  ];
  writeFileSync(join(folder.path, 'hold.json'), JSON.stringify({ pimbot: 1, views: { hold: { children } } }));
  const { out } = await pimbotHere(['check', 'hold.json', '--no-cache'], folder.path);
  folder.remove();
  expect(out).toMatch(/No change was tried for \d+ findings?: there are many\./);
});

describe('a suggestion', () => {
  test('of every kind of mistake that has one: tried here again, it takes the finding away and brings no other', async () => {
    const pictures = await defectPictures();
    const mended = new Set<string>();
    for (const defect of defects) {
      const { broken } = defect.make(places[4]!, 4);
      if (broken.files) continue;
      const { options } = opened(broken, pictures, fonts);
      const text = JSON.stringify(broken.document, null, 1);
      const { document } = readDocument(text, { name: 'broken.json' });
      const before = checkDocument(document!, options);
      const finding = before.findings.find(
        ({ check, widget, other }) =>
          check === defect.check && (widget === defect.widget || other === defect.widget),
      )!;
      const suggestion = suggestFor(document!, finding, before, options);
      if (!suggestion) continue;
      mended.add(defect.name);
      const after = checkDocument(readDocument(suggestion.text).document!, options);
      const left = after.findings.map(nameOf);
      const known = new Set(before.findings.map(nameOf));
      expect([defect.name, left.filter((name) => !known.has(name))]).toEqual([defect.name, []]);
      expect([defect.name, left]).not.toEqual([defect.name, expect.arrayContaining([nameOf(finding)])]);
      expect([defect.name, harms(document!, readDocument(suggestion.text).document!, finding)]).toEqual([
        defect.name,
        [],
      ]);
      const { start, end, insert } = suggestion;
      expect(text.slice(0, start) + insert + text.slice(end)).toBe(suggestion.text);
    }
    // What nobody can know (a missing letter, a broken promise) has none.
    expect(mended.has('letters no font has')).toBe(false);
    expect([...mended].sort()).toMatchInlineSnapshot(`
     [
       "a button that is hard to read while it is hovered",
       "a button too small for a thumb",
       "a button too small to hit",
       "a button whose neighbour leads back to another",
       "a checkbox that does not show that it is disabled",
       "a checkbox too small to hit",
       "a child cut off by its parent",
       "a chosen tab that looks like the others",
       "a clear panel over a button",
       "a component nothing uses",
       "a condition that says what is so without it",
       "a dialog whose last button leads out of it",
       "a disabled button that looks like any other",
       "a focus that is too faint",
       "a focus that looks like none",
       "a green bar on a green field",
       "a handle nobody sees",
       "a label the colour of its plate",
       "a line of the colour of its plate",
       "a long number in the worst case alone",
       "a maximum below the minimum",
       "a meter as thin as a hair",
       "a minimum deep inside that bursts its frame",
       "a neighbour that is hidden",
       "a neighbour that is no control",
       "a padding that leaves its text no room",
       "a picture nothing shows",
       "a picture over the whole view",
       "a picture squeezed into a box",
       "a picture that hides a text",
       "a picture that is a dot across the room",
       "a plate whose neighbours it was copied beside, a sixth of the screen away on wide ones",
       "a plate wider than the list it is in",
       "a ring that is cut off",
       "a scrollbar nobody sees",
       "a style nothing uses",
       "a switch that does not show that it is disabled",
       "a text at its floor",
       "a text that two kinds of colour-blind players cannot tell from its plate",
       "a text too wide for its box",
       "a text under an opaque plate",
       "a token nothing uses",
       "an instance that says again what its component says",
       "an unseen panel over a button",
       "anchored to the middle, standing at an edge",
       "content past the axis that does not scroll",
       "gaps of 20 and 16",
       "gaps of 32, 20, 26 and 26",
       "grey on grey",
       "letters of too few pixels",
       "lines across the whole screen",
       "nine slices in too small a box",
       "one of three lamps a little aside",
       "placed in pixels, beyond the edge of narrow screens",
       "small print",
       "the anchor moved, the pivot left behind",
       "too many lines for a box",
       "two buttons a hair apart",
       "two plates nearly of one width",
       "two plates that miss a line by a little",
       "two that stand together on the reference, each tied to another edge",
       "two widgets in one place",
     ]
    `);
  });

  test('that would only move the fault elsewhere is not made', () => {
    const document = (around: number) =>
      readDocument(`pimbot: 1
views:
  dive:
    backdrop: "#000000"
    look: { color: "#ffffff", font-size: 40 }
    children:
      - { id: depth, kind: text, anchor: left top, offset: 20 20, width: 120, wrap: false, text: "10,994 metres", look: { background: "#102030" } }
      - { id: wall, anchor: left top, offset: ${150 + around} 20, size: 60 600, look: { background: "#0d4452" } }
`).document!;
    const on = { resources: { fonts }, screens: screens.filter(({ name }) => name === 'desktop') };
    const offered = (around: number) => {
      const verdict = checkDocument(document(around), on);
      const cut = verdict.findings.find(({ check }) => check === 'cut-text')!;
      return suggestFor(document(around), cut, verdict, on)?.say;
    };
    expect(offered(400)).toMatch(/^depth: width: \d+$/);
    // The wall stands where the text would be, and no word of it fits: nothing small mends it.
    expect(offered(0)).toBeUndefined();
  });
});

describe('what a suggestion does not do', () => {
  const reference = { 'size': '1920x1080', 'limits': '1..', 'least-millimetres': 0.11 };
  const look = { background: '#125463' };
  const offered = (children: readonly WidgetSource[], more: Partial<DocumentSource> = {}) => {
    const views = { v: { backdrop: '#04202a', children } };
    const text = JSON.stringify({ pimbot: 1, reference, ...more, views });
    const { document } = readDocument(text, {
      name: 'made.json',
      readFile: () => ({ text: '{}', name: 'ar.json' }),
    });
    const catalogs = more.catalogs ? new Map([['ar', new Map<string, string>()]]) : undefined;
    const options = { resources: { fonts, catalogs }, screens };
    const verdict = checkDocument(document!, options);
    expect(verdict.findings.length).toBeGreaterThan(0);
    return verdict.findings.map((finding) => suggestFor(document!, finding, verdict, options));
  };
  const says = (found: ReturnType<typeof offered>) => found.flatMap((one) => (one ? [one.say] : []));

  test('what is bound to a value stays bound', () => {
    const bar = { id: 'bar', anchor: 'left top', offset: '24 400', width: 60, height: '{h}', look };
    const found = offered([bar], { cases: { typical: { h: 400 }, worst: { h: 900 } } });
    for (const one of found) if (one) expect(one.text).toContain('{h}');
  });

  test('two that stand in a line on the reference are set below each other where it is narrow alone', () => {
    const twin = (id: string, side: string, x: number) => ({
      id,
      anchor: `${side} top`,
      offset: `${x} 24`,
      size: '400 90',
      look,
    });
    const found = offered([twin('a', 'left', 24), twin('b', 'right', -24)]);
    expect(says(found)).toEqual(['b: where the view is up to 800 u wide offset: -24 114']);
    expect(found.find((one) => one)!.disturbs).toBe('moves nothing on the reference');
  });

  test('a button is not made smaller for the picture on it', () => {
    const button = { id: 'b', kind: 'button', anchor: 'center', size: 110, image: 'tiny' } as const;
    // What the focus looks like is another matter.
    expect(says(offered([button], { pictures: { tiny: 'tiny.png' } }))).toEqual([
      'kinds button: states { focused: { border: 3 #ffffff } }',
    ]);
  });

  test('where a language is written from right to left, plain px become the end of the line, in their place', () => {
    const parcels = { id: 'parcels', anchor: 'left top', offset: '1640 24', size: '256 96', look };
    const found = offered([parcels], { catalogs: { ar: 'ar.json' }, vary: { locales: ['en', 'ar'] } });
    expect(says(found)).toContain('parcels: anchor end top, in its place');
    expect(found.find((one) => one)!.disturbs).toBe('moves nothing on the reference');
  });
});

describe('pimbot check --mend', () => {
  const folder = temporaryFolder();
  const run = (...args: string[]) => pimbotHere(args, folder.path);
  const file = 'broken/broken.yaml';
  const text = () => readFileSync(join(folder.path, file), 'utf8');

  beforeAll(() => {
    for (const name of ['broken', 'fathom-post'])
      cpSync(join('examples', name), join(folder.path, name), { recursive: true });
    mkdirSync(join(folder.path, '.git'));
  });
  afterAll(() => folder.remove());

  test('shows what it would change, and changes nothing without --write', async () => {
    const old = text();
    const { code, out } = await run(
      'check',
      file,
      '--view',
      'console',
      '--mend',
      'console/third',
      '--screen',
      'desktop',
      '--no-suggest',
    );
    expect(code).toBe(1);
    expect(out).toContain(
      '-      - { id: third, style: plate, anchor: left center, offset: 304 40, size: 122 70 }',
    );
    expect(out).toContain(
      '+      - { id: third, style: plate, anchor: left center, offset: 304 40, size: 120 70 }',
    );
    expect(out).toContain('1 finding mended. Nothing was written; --write applies it.');
    expect(text()).toBe(old);
  });

  test('what a change mends beside is counted as mended', async () => {
    const one = join(folder.path, 'one.yaml');
    // One anchor mends what is off narrow screens, outside the safe area and adrift on wide ones.
    const widget =
      '{ id: parcels, kind: text, text: 7 parcels, offset: 1650 24, wrap: false, look: { font-size: 48, background: "#123" } }';
    writeFileSync(one, `pimbot: 1\nviews: { dive: { backdrop: "#04202a", children: [ ${widget} ] } }\n`);
    const before = await run('check', one, '--json', '--no-suggest', '--no-cache');
    const { files } = JSON.parse(before.out) as { files: [{ findings: object[] }] };
    expect(files[0].findings.length).toBeGreaterThan(1);
    const { code, out } = await run('check', one, '--mend', 'all', '--no-cache');
    expect(code).toBe(0);
    expect(out).toContain(`${files[0].findings.length} findings mended. Nothing was written`);
  });

  test('--write keeps every comment and every line it does not concern', async () => {
    const old = text().split('\n');
    const { out } = await run(
      'check',
      file,
      '--view',
      'console',
      '--mend',
      'uneven-gaps',
      '--mend',
      'nearly-same-size',
      '--write',
      '--screen',
      'desktop',
      '--no-suggest',
    );
    expect(out).toContain('2 findings mended');
    const now = text().split('\n');
    expect(now).toHaveLength(old.length);
    expect(old.flatMap((line, nth) => (line === now[nth] ? [] : [line.trim().slice(0, 14)]))).toEqual([
      '- { id: second',
      '- { id: third,',
    ]);
    const again = await run(
      'check',
      file,
      '--view',
      'console',
      '--screen',
      'desktop',
      '--json',
      '--no-suggest',
    );
    expect(again.out).not.toContain('"check": "uneven-gaps"');
  });

  test('done twice it changes nothing the second time', async () => {
    const twice = join(folder.path, 'twice.yaml');
    const names = ['--screen', 'desktop', '--screen', 'phone-portrait', '--screen', 'ultrawide'];
    const made = readFileSync(join(folder.path, file), 'utf8').replaceAll('../fathom-post', 'fathom-post');
    writeFileSync(
      twice,
      made
        .replaceAll('crest.png', 'broken/crest.png')
        .replaceAll('stamp.png', 'broken/stamp.png')
        .replaceAll('de.json', 'broken/de.json'),
    );
    const args = [
      'check',
      'twice.yaml',
      '--view',
      'plates',
      '--view',
      'console',
      ...names,
      '--mend',
      'all',
      '--write',
    ];
    expect((await run(...args)).out).toMatch(/[1-9]\d* findings mended/);
    const once = readFileSync(twice, 'utf8');
    expect((await run(...args)).out).toContain('0 findings mended');
    expect(readFileSync(twice, 'utf8')).toBe(once);
  });

  test('reports offer what was tried: the terminal, JSON and SARIF with the place of the text', async () => {
    const args = ['check', file, '--view', 'plates', '--screen', 'desktop', '--screen', 'ultrawide'];
    expect((await run(...args)).out).toContain('try banner: no pivot\n');
    expect((await run(...args, '--verbose')).out).toContain(
      'try banner: no pivot: mends it on every screen, breaks nothing',
    );
    const { out } = await run(...args, '--json', '--report', 'out.sarif');
    type Told = {
      files: {
        findings: {
          check: string;
          widget: string;
          suggestion?: { start: number; end: number; insert: string };
        }[];
      }[];
    };
    const { files } = JSON.parse(out) as Told;
    const banner = files[0]!.findings.find(
      ({ check, widget }) => check === 'pivot-at-odds' && widget === 'banner',
    )!;
    const { start, end, insert } = banner.suggestion!;
    expect(text().slice(0, start) + insert + text().slice(end)).toContain(
      'id: banner, style: plate, anchor: center top, offset: 0 24',
    );
    const sarif = readFileSync(join(folder.path, 'out.sarif'), 'utf8');
    expect(sarif).toContain(`"charOffset": ${start}`);
    expect((await run(...args, '--no-suggest')).out).not.toContain('try banner');
  });

  test('what cannot be mended is told in a sentence', async () => {
    expect((await run('check', file, '--mend', 'everything')).err).toContain(
      '"everything" is nothing to mend: say all',
    );
    expect((await run('check', file, '--write')).err).toContain('--write is for --mend');
  });
});
