import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { startBrowser } from '../../bench/browser.ts';
import { violationsOf } from '../support/axe.ts';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';

const folder = temporaryFolder();
const put = (name: string, text: string) => writeFileSync(join(folder.path, name), text);
const run = (...args: string[]) => pimbotHere(['compare', ...args], folder.path);
const screens = ['--screen', 'desktop', '--screen', 'ultrawide'];

const old = `pimbot: 1
views:
  dive:
    backdrop: "#001018"
    look: { color: "#ffffff", font-size: 40 }
    children:
      - id: rack
        anchor: left top
        offset: 24 24
        arrange: column
        gap: 12
        look: { background: "#0a3340", padding: 16 }
        children:
          - { id: hull, kind: text, text: Hull }
          - { id: air, kind: text, text: Air }
      - { id: sonar, anchor: right bottom, offset: -24 -24, size: 280, look: { background: "#0a4d68" } }
      - { id: lamp, anchor: right top, offset: -24 24, size: 60, look: { background: "#ffd583" } }
`;
const now = old
  .replace('offset: 24 24', 'offset: 34 24')
  .replace('size: 280', 'size: 300')
  .replace('text: Air', 'text: Oxygen')
  .replace('#0a4d68', '#0a5d68')
  .replace(
    '      - { id: lamp, anchor: right top, offset: -24 24, size: 60',
    '      - { id: beacon, anchor: right top, offset: 24 24, size: 60',
  );

beforeAll(() => {
  mkdirSync(join(folder.path, '.git'));
  put('old.yaml', old);
  put('new.yaml', now);
});
afterAll(() => folder.remove());

type Told = {
  changes: { widget: string; kind: string; by: number; screens: string[] }[];
  findings: { new: { check: string; widget: string }[]; gone: unknown[]; unchanged: unknown[] };
};

describe('pimbot compare', () => {
  test('says what moved, grew, changed its look or words, came and went, by how much and where', async () => {
    const { code, out } = await run('old.yaml', 'new.yaml', ...screens, '--json');
    const { changes, findings } = JSON.parse(out) as Told;
    const told = changes.map(({ widget, kind, by, screens: on }) => [
      widget,
      kind,
      Math.round(by * 10) / 10,
      on.length,
    ]);
    expect(told).toEqual(
      expect.arrayContaining([
        // In px where it is most: on the reference, and on the ultrawide where a u is 1.33 px.
        ['rack', 'moved', expect.closeTo(10, 0), 2],
        ['sonar', 'resized', expect.any(Number), 2],
        ['sonar', 'looks', 0, 2],
        ['air', 'says', 0, 2],
        ['beacon', 'new', expect.any(Number), 2],
        ['lamp', 'gone', expect.any(Number), 2],
      ]),
    );
    // What the rack carries along has not moved in it.
    expect(told.filter(([widget, kind]) => widget === 'hull' && kind === 'moved')).toEqual([]);
    expect(findings.new).toMatchObject([{ check: 'off-screen', widget: 'beacon' }]);
    expect(findings.gone).toEqual([]);
    expect(code).toBe(1);
  });

  test('nothing changed: exit 0 and a line that says so', async () => {
    const { code, out } = await run('old.yaml', 'old.yaml', ...screens);
    expect(code).toBe(0);
    expect(out).toContain('0 changes of widgets, findings: 0 new, 0 gone, 0 unchanged (2 layouts compared)');
  });

  test('a baseline stands for the document it was saved of', async () => {
    const saved = await pimbotHere(
      ['baseline', 'old.yaml', ...screens, '--out', 'old.baseline.json'],
      folder.path,
    );
    expect([saved.code, saved.out]).toEqual([0, 'old.baseline.json: 2 layouts, 0 findings\n']);
    const direct = JSON.parse((await run('old.yaml', 'new.yaml', ...screens, '--json')).out) as Told;
    const later = JSON.parse((await run('old.baseline.json', 'new.yaml', ...screens, '--json')).out) as Told;
    expect({ ...later, old: '' }).toEqual({ ...direct, old: '' });
    expect((await run('new.yaml', 'old.yaml', ...screens)).code).toBe(0);
    expect((await run('new.yaml', 'old.yaml', ...screens, '--exact')).code).toBe(1);
  });

  test('the page shows both, with hostile names as text', async () => {
    const { code } = await run('old.yaml', 'new.yaml', ...screens, '--report', 'out/compare.html');
    expect(code).toBe(1);
    const page = readFileSync(join(folder.path, 'out/compare.html'), 'utf8');
    expect(page.match(/data:image\/webp/g)).toHaveLength(2);
    expect(page).toContain('beacon is new, on both screens');
    expect(page).toContain('class="before" title="sonar before"');
    // A baseline may have been made by anybody.
    const saved = readFileSync(join(folder.path, 'old.baseline.json'), 'utf8');
    put('evil.json', saved.replaceAll('"lamp"', '"<script>lamp"'));
    await run('evil.json', 'new.yaml', ...screens, '--report', 'out/evil.html');
    const other = readFileSync(join(folder.path, 'out/evil.html'), 'utf8');
    expect(other).toContain('&#60;script&#62;lamp is gone');
    expect(other).not.toContain('<script>');
  });

  test('draws where most is seen, on screens that show the rest, and says which occasion it is', async () => {
    // Two screens, two things that change on one of them alone, one that changes in one language alone.
    const with2 = (offset: number, more: string, said: string) => {
      put('de.json', JSON.stringify({ Hull: said, Air: 'Luft', Oxygen: 'Luft' }));
      return old
        .replace('views:', 'language: en\ncatalogs: { de: de.json }\nviews:')
        .replace('offset: 24 24', `offset: ${offset} 24`)
        .replace('size: 280', `size: 280, when: [{ screen: { aspect: "2..", }, change: { ${more} } }]`);
    };
    mkdirSync(join(folder.path, 'was'), { recursive: true });
    put('a.yaml', with2(24, 'size: 200', 'Rumpf'));
    put('was/a.yaml', with2(24, 'size: 200', 'Rumpf'));
    put('was/de.json', readFileSync(join(folder.path, 'de.json'), 'utf8'));
    put('a.yaml', with2(44, 'size: 220', 'Huelle'));
    const args = ['was/a.yaml', 'a.yaml', ...screens, '--report', 'out/c.html'];
    expect((await run(...args)).out).toContain('~ hull says something else in de\n');
    const page = readFileSync(join(folder.path, 'out/c.html'), 'utf8');
    // The wide screen in German shows all of it at once.
    const drawn = [...page.matchAll(/<h3>([^<]*)<\/h3>/g)].map(([, text]) => text);
    expect(drawn).toEqual(['ultrawide, 3440 × 1440 px · de']);
  });

  test('axe-core finds nothing on the page, light and dark', async () => {
    await run('old.yaml', 'new.yaml', ...screens, '--report', 'out/compare.html');
    const browser = await startBrowser();
    try {
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      await page.goto(pathToFileURL(join(folder.path, 'out/compare.html')).href);
      for (const colorScheme of ['light', 'dark'] as const) {
        await page.emulateMedia({ colorScheme });
        expect([colorScheme, ...(await violationsOf(page))]).toEqual([colorScheme]);
      }
    } finally {
      await browser.close();
    }
  });

  test('a promise that breaks by another length is the same finding', async () => {
    const promised = (text: string) =>
      text.replace(
        '    backdrop:',
        '    expect: [{ widget: lamp, at-least: { width: 200 } }]\n    backdrop:',
      );
    put('p1.yaml', promised(old));
    put('p2.yaml', promised(old.replace('size: 60', 'size: 70')));
    const { findings } = JSON.parse((await run('p1.yaml', 'p2.yaml', ...screens, '--json')).out) as Told;
    expect([findings.new.length, findings.gone.length, findings.unchanged.length]).toEqual([0, 0, 1]);
  });

  test('what cannot be compared is refused in a sentence', async () => {
    put('cut.json', '{ "pimbot-baseline": 1, "views": []');
    expect(await run('cut.json', 'new.yaml')).toMatchObject({ code: 2 });
    put(
      'bad.json',
      '{ "pimbot-baseline": 1, "views": [], "findings": [], "seen": [{ "view": "dive", "width": "9" }] }',
    );
    expect((await run('bad.json', 'new.yaml')).err).toContain(
      '"bad.json" is a baseline that was changed or cut short',
    );
    expect((await run('gone.yaml', 'new.yaml')).err).toContain('there is no file "gone.yaml"');
    expect((await run('old.yaml', 'new.yaml', '--report', 'x.pdf')).err).toContain('ends in .html or .json');
  });
});
