import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { startBrowser } from '../../bench/browser.ts';
import { violationsOf } from '../support/axe.ts';
import { pimbotHere, temporaryFolder, unwrapped } from '../support/cli.ts';

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
  findings: { [Became in 'new' | 'worse' | 'better' | 'gone' | 'unchanged']: { widget: string }[] };
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
    expect(out).toContain(
      '0 changes of widgets, findings: 0 new, 0 worse, 0 better, 0 gone, 0 unchanged (2 layouts compared)',
    );
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
    const args = ['p1.yaml', 'p2.yaml', ...screens];
    const { findings } = JSON.parse((await run(...args, '--json')).out) as Told;
    expect(findings).toMatchObject({ new: [], worse: [], gone: [], unchanged: [] });
    const { before, ...now } = findings.better[0] as unknown as { message: string; before: object };
    expect(now).toMatchObject({
      widget: 'lamp',
      layouts: 2,
      worse: 0,
      message: expect.stringContaining('70') as unknown,
    });
    expect(before).toEqual({ layouts: 2, message: expect.stringContaining('60') as unknown });
    expect((await run(...args)).code).toBe(0);
    expect((await run('p2.yaml', 'p1.yaml', ...screens)).code).toBe(1);
  });

  test('what was found on one screen and is on another too is worse, also of a baseline', async () => {
    const wide = (aspect: string) =>
      old.replace(
        'size: 280,',
        `size: 280, when: [{ screen: { aspect: "${aspect}" }, change: { offset: "24 24" } }],`,
      );
    put('few.yaml', wide('2.2..'));
    put('more.yaml', wide('1.5..'));
    const { code, out } = await run('few.yaml', 'more.yaml', ...screens);
    expect(code).toBe(1);
    expect(unwrapped(out)).toContain(
      '✗ worse dive/sonar sticks out 32 px past the right edge of the screen, in 2 layouts, worse in 1 of them; before: in 1 [off-screen]',
    );
    expect((await run('more.yaml', 'few.yaml', ...screens)).code).toBe(0);
    await pimbotHere(['baseline', 'few.yaml', ...screens, '--out', 'few.baseline.json'], folder.path);
    const saved = await run('few.baseline.json', 'more.yaml', ...screens, '--report', 'out/worse.html');
    expect(saved).toEqual({ code, out: out.replace('few.yaml', 'few.baseline.json'), err: '' });
    expect(readFileSync(join(folder.path, 'out/worse.html'), 'utf8')).toContain(
      'worse in 1 of them; before: in 1',
    );
    // On the screen that both fail on it is the same.
    const { out: same } = await run('few.yaml', 'more.yaml', '--screen', 'ultrawide');
    expect(same).toContain('0 new, 0 worse, 0 better, 0 gone, 2 unchanged');
  });

  test.each([
    ['is drawn over or under others than before,', 'size: 280,', 'size: 280, z: 1,'],
    ['looks different', 'size: 280,', 'size: 280, rotate: 20,'],
  ])('%s, where it stands as it stood', async (sentence, from, to) => {
    const two = old
      .replace('size: 60', 'size: 60, offset: -200 900')
      .replace('anchor: right top, offset: -24 24, ', 'anchor: right top, ');
    put('o1.yaml', two);
    put('o2.yaml', two.replace(from, to));
    const { changes } = JSON.parse((await run('o1.yaml', 'o2.yaml', ...screens, '--json')).out) as Told;
    expect(changes).toHaveLength(1);
    expect((await run('o1.yaml', 'o2.yaml', ...screens)).out).toContain(`sonar ${sentence} on both screens`);
  });

  test('what cannot be compared is refused in a sentence', async () => {
    put('cut.json', '{ "pimbot-baseline": 1, "views": []');
    expect(await run('cut.json', 'new.yaml')).toMatchObject({ code: 2 });
    put(
      'bad.json',
      '{ "pimbot-baseline": 1, "views": [], "findings": [], "seen": [{ "view": "dive", "width": "9" }] }',
    );
    expect((await run('bad.json', 'new.yaml')).err).toContain(
      '"bad.json" is a baseline of another version of Pimbot: save it again',
    );
    for (const seen of [
      '5',
      '[null]',
      '[{ "view": "dive", "screen": "s", "occasion": {}, "widgets": [5] }]',
    ]) {
      put('bad.json', `{ "pimbot-baseline": 2, "views": [], "findings": [], "seen": ${seen} }`);
      expect(await run('bad.json', 'new.yaml')).toMatchObject({
        code: 2,
        err: expect.stringContaining('"bad.json" is a baseline that was changed or cut short') as unknown,
      });
    }
    expect((await run('gone.yaml', 'new.yaml')).err).toContain('there is no file "gone.yaml"');
    expect((await run('old.yaml', 'new.yaml', '--report', 'x.pdf')).err).toContain('ends in .html or .json');
  });
});
