import { cpSync, mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { readDocument, screens } from 'pimbot';
import { checkDocument, suggestFor, type Finding } from 'pimbot/tools';
import { bundledFonts } from 'pimbot/node';
import { defects } from '../accuracy/defects.ts';
import { opened } from '../accuracy/run.ts';
import { defectPictures, places } from '../accuracy/sample.ts';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';

const fonts = bundledFonts();
const nameOf = ({ check, view, widget, other }: Finding) => [check, view, widget, other].join(' ');

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
      const { start, end, insert } = suggestion;
      expect(text.slice(0, start) + insert + text.slice(end)).toBe(suggestion.text);
    }
    // What nobody can know (a missing letter, a broken promise, a look of the focus) has none.
    expect(mended.has('letters no font has')).toBe(false);
    expect([...mended].sort()).toMatchInlineSnapshot(`
     [
       "a button too small to hit",
       "a checkbox too small to hit",
       "a clear panel over a button",
       "a component nothing uses",
       "a dialog whose last button leads out of it",
       "a green bar on a green field",
       "a handle nobody sees",
       "a label the colour of its plate",
       "a lamp in the round corner of the glass",
       "a maximum below the minimum",
       "a meter as thin as a hair",
       "a minimum deep inside that bursts its frame",
       "a neighbour that is hidden",
       "a neighbour that is no control",
       "a picture squeezed into a box",
       "a picture that hides a text",
       "a picture that is a dot across the room",
       "a plate whose neighbours it was copied beside, a sixth of the screen away on wide ones",
       "a small raster blown up",
       "a style nothing uses",
       "a text at its floor",
       "a text too wide for its box",
       "a text under an opaque plate",
       "a token nothing uses",
       "an instance that says again what its component says",
       "an unseen panel over a button",
       "anchored to the middle, standing at an edge",
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
    expect(out).toContain('1 finding mended. Nothing was written; --write does it.');
    expect(text()).toBe(old);
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
