import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import {
  LiveView,
  drawLayout,
  openView,
  toSvg,
  withPaths,
  type CheckedDocument,
  type Resources,
} from 'pimbot';
import { openProject, packProject } from 'pimbot/node';
import { Chance, anyDocument, valuesOfAny } from '../support/any-document.ts';
import { newSeed, rounds } from '../support/deep.ts';
import { gameOf } from './game-of.ts';

/* What a document by chance is drawn as by a game that has its pack alone is what it is drawn as where it is read. */

/** Colours that a game does not read by itself, by name, by token, worked out. */
const colors = ['tomato', '$ink', 'hsl(200 40% 30%)', "{if(b, 'teal', 'oklch(70% 0.1 200)')}", '$wave'];

const texts = [
  '{n, number} m',
  'Since {n, date, full}',
  '{n, number, percent} [left](700 $wave)',
  '{b, select, true {[{s}](loud)} other {[{s}](500)}}',
  "{if(f > 0.3, '[Größe](loud)', 'ruhig')}",
  '{n, plural, one {[# crate](loud)} other {# crates}}',
];

const translations: { readonly [locale: string]: readonly string[] } = {
  de: [
    '{n, number, ::compact-long} [Übermaß](120% $ink)',
    '{n, date, long}',
    '{n, plural, one {eine} other {# Öl}}',
  ],
  ar: ['{n, number} [م](700)', '{n, number, percent}', '{n, time, full}', 'قلعة'],
  tr: ['{n, number, ::.00} iyi', '{n, date, ::MMMMEEEE} [kıl](loud)'],
};

/** A document by chance with colours, texts, marks, themes and catalogs that packing has to read for a game. */
function filesOf(seed: number): { readonly [name: string]: unknown } {
  const by = new Chance(seed);
  const said: string[] = [];
  const source = anyDocument(seed);
  const views = JSON.parse(JSON.stringify(source.views), (key, value: unknown) => {
    if ((key === 'background' || key === 'color') && by.is(0.6)) return by.pick(colors);
    if (key === 'text' && by.is(0.7)) return said[said.push(by.pick(texts)) - 1];
    return value;
  }) as object;
  const locales = Object.keys(translations);
  const catalogs = locales.map((locale) => [
    `${locale}.json`,
    Object.fromEntries(said.filter(() => by.is(0.8)).map((text) => [text, by.pick(translations[locale]!)])),
  ]);
  return {
    ...(Object.fromEntries(catalogs) as object),
    'day.yaml': { 'pimbot-theme': 1, 'tokens': { wave: 'lab(60% -20 -20)' } },
    'night.yaml': {
      'pimbot-theme': 1,
      'tokens': { wave: 'rebeccapurple' },
      'styles': { loud: { 'font-weight': 700, 'text-transform': 'uppercase' } },
    },
    'hud.json': {
      ...source,
      views,
      styles: { ...source.styles, loud: { 'font-size': 30, 'color': 'hwb(20 20% 10%)' } },
      language: 'en',
      tokens: { ink: 'color(srgb 0.1 0.2 0.3)' },
      themes: { day: 'day.yaml', night: 'night.yaml' },
      catalogs: Object.fromEntries(locales.map((locale) => [locale, `${locale}.json`])),
    },
  };
}

/** What is drawn of it at first, and after each of some changes by chance; what a change is refused with. */
function played(document: CheckedDocument, resources: Resources, seed: number): string[] {
  const by = new Chance(seed);
  const live = new LiveView(openView(document, 'test', { resources, case: by.pick(['one', 'two']) }), {
    width: by.pick([400, 800, 1280, 2560]),
    height: by.pick([300, 720, 1440]),
  });
  const svg = () => toSvg(withPaths(drawLayout(live.snapshot())));
  const drawn = [svg()];
  for (let turn = 0; turn < 8; turn++)
    try {
      const name = by.pick(Object.keys(valuesOfAny));
      const value = by.pick(valuesOfAny[name]!);
      const locale = by.pick(['en', 'de', 'de-AT', 'ar', 'tr', 'en-GB']);
      const theme = by.pick(['day', 'night']);
      if (by.is(0.6)) live.set({ [name]: value } as Parameters<typeof live.set>[0]);
      else live.show(by.is(0.6) ? { locale } : { theme });
      drawn.push(svg());
    } catch (error) {
      drawn.push(`${(error as Error).name}: ${(error as Error).message}`);
    }
  return drawn;
}

test('of any document, a game draws the pack as it is drawn where it is read', async () => {
  const seed = newSeed();
  const folder = mkdtempSync(join(tmpdir(), 'pimbot-pack-any-'));
  let packed = 0;
  for (let nth = 0; nth < rounds(12, 2_000); nth++) {
    const files = filesOf(seed + nth);
    for (const [name, inside] of Object.entries(files))
      writeFileSync(join(folder, name), JSON.stringify(inside));
    const path = join(folder, 'hud.json');
    const whole = await openProject(path);
    if (!whole.document) continue;
    const { pack } = await packProject(path);
    if (!pack) continue;
    packed++;
    const game = gameOf(pack, whole.resources);
    const [theirs, ours] = [whole as { document: CheckedDocument; resources: Resources }, game].map((one) =>
      played(one.document, one.resources, seed + nth),
    );
    const other = theirs!.findIndex((svg, at) => svg !== ours![at]);
    expect([`seed ${seed + nth}`, ours![other]]).toEqual([`seed ${seed + nth}`, theirs![other]]);
  }
  rmSync(folder, { recursive: true });
  expect(packed).toBeGreaterThan(4);
});
