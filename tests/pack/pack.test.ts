import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  LiveView,
  PackError,
  everyNotation,
  drawLayout,
  openView,
  formatDiagnostic,
  screens,
  toSvg,
  unpack,
  withPaths,
  type Pack,
} from 'pimbot';
import { openProject, packProject } from 'pimbot/node';
import { rounds, seedOf } from '../support/deep.ts';
import { gameOf } from './game-of.ts';

const file = 'examples/fathom-post/post.yaml';

/** A document of one file, packed, and as it is read otherwise. */
async function packedText(text: string, files: { readonly [path: string]: string } = {}) {
  const folder = mkdtempSync(join(tmpdir(), 'pimbot-pack-'));
  const path = join(folder, 'hud.yaml');
  writeFileSync(path, text);
  for (const [name, inside] of Object.entries(files)) writeFileSync(join(folder, name), inside);
  const { document, resources, diagnostics } = await openProject(path);
  expect(diagnostics.map(formatDiagnostic)).toEqual([]);
  const { pack } = await packProject(path);
  rmSync(folder, { recursive: true });
  return { pack: pack!, document: document!, resources };
}

describe('a packed document', () => {
  test('is drawn as the one it was packed from, in every view, case, language and theme', async () => {
    const whole = await openProject(file);
    const { pack, missing, diagnostics } = await packProject(file);
    expect([diagnostics, missing]).toEqual([[], []]);
    const game = gameOf(pack!, whole.resources);
    const views = Object.keys(whole.document!.source.views);
    fc.assert(
      fc.property(
        fc.constantFrom(...views),
        fc.constantFrom(...Object.keys(whole.document!.source.cases!)),
        fc.constantFrom('en', 'de', 'ja', 'ar'),
        fc.constantFrom('brine', 'lantern'),
        fc.constantFrom(...screens),
        (view, one, locale, theme, screen) => {
          const occasion = { case: one, locale, theme };
          const [theirs, ours] = [whole, game].map(({ document, resources }) =>
            toSvg(
              withPaths(drawLayout(openView(document!, view, { resources, ...occasion }).layoutOn(screen))),
            ),
          );
          expect(ours).toBe(theirs);
        },
      ),
      { numRuns: rounds(40, 2_000), seed: seedOf(41) },
    );
  });

  test('has fonts cut down to what is written, and keeps what the author adds', async () => {
    const { pack, fonts } = await packProject(file, { characters: 'Ωж' });
    const { resources } = gameOf(pack!, (await openProject(file)).resources);
    for (const { bytes, wholeBytes } of fonts) expect(bytes).toBeLessThan(wholeBytes);
    const saira = resources.fonts.face('Saira', 500);
    for (const letter of 'Fathom Post 0123456789 ÄÖÜäöü%')
      expect([letter, saira.has(letter.codePointAt(0)!)]).toEqual([letter, true]);
    expect(fonts.map(({ family }) => family)).not.toContain('Inter');
  });

  test('has colours of CSS and messages of ICU read, whatever they are', async () => {
    const { pack, document, resources } = await packedText(`
pimbot: 1
language: de
styles: { hot: { background: "oklch(0.7 0.2 40 / 0.5)", color: tomato, shadow: "0 2 4 rgb(1 2 3 / 40%)" } }
cases: { typical: { n: 3, who: Ida, max-n: 4 } }
components: { row: { params: { what: text }, kind: text, text: "{what}: {n, plural, one {ein} other {# Stück}}" } }
views: { v: { style: hot, children: [{ use: row, id: a, what: "it''s {who}" }, { id: b, kind: text, text: "{n, number, ::.00}" }, { id: c, kind: text, text: "{n / max-n, number, percent} von {max-n}{if(n > 2, '!', '')}" }] } }
`);
    const unpacked = unpack(pack);
    for (const text of ['oklch(0.7 0.2 40 / 0.5)', 'tomato', 'rgb(1 2 3 / 40%)', '#abc', '#a1b2c3d4'])
      expect(unpacked.notations.color(text)).toEqual(everyNotation.color(text));
    const [theirs, ours] = [document, unpacked].map((one) =>
      openView(one, 'v', { resources })
        .layoutOn({ width: 800, height: 600 })
        .widgets.map(({ text }) => text?.text),
    );
    expect(ours).toEqual(theirs);
    expect(ours).toEqual(expect.arrayContaining(['3,00', '75\u00a0% von 4!']));
  });

  test('has what only a condition, a state or another screen brings in', async () => {
    const { pack, document, resources } = await packedText(`
pimbot: 1
styles:
  calm: { font-size: 30, states: { focused: { font-weight: 700 } } }
cases: { typical: { n: 3 } }
components:
  row: { params: { what: text, hue: color }, kind: text, text: "{n, plural, one {one {what}} other {# {what}}}", tint: "{hue}" }
views:
  v:
    children:
      - { id: a, kind: button, style: calm, text: Wide, when: [{ screen: { orientation: portrait }, change: { text: "{n, plural, one {a} other {# Ωs}}", look: { background: tomato } } }] }
      - { use: row, id: b, what: "it''s {n, number, ::.00}", hue: "oklch(0.7 0.2 40)", gone: true, when: [{ screen: { orientation: portrait }, change: { gone: false } }] }
`);
    expect(pack.fonts.map(({ weight }) => weight)).toEqual([400, 700]);
    const game = gameOf(pack, resources);
    for (const screen of [
      { width: 800, height: 600 },
      { width: 600, height: 800 },
    ]) {
      const [theirs, ours] = [{ document, resources }, game].map((one) =>
        toSvg(
          withPaths(
            drawLayout(
              openView(one.document, 'v', {
                resources: one.resources,
                widgetStates: { a: ['focused'] },
              }).layoutOn(screen),
            ),
          ),
        ),
      );
      expect(ours).toBe(theirs);
    }
  });

  test('has what only a mark, a date, a default or a region of a language brings in', async () => {
    const text = `
pimbot: 1
language: en
catalogs: { de: de.json }
cases: { typical: { n: 3, t: 0, wares: [] } }
components:
  row: { params: { what: { type: text, default: "{n, plural, one {# Öl} other {# Öle}} [alt]($ink)" } }, children: [{ kind: text, text: "{what}" }] }
tokens: { ink: "hsl(10 80% 50%)" }
views:
  v:
    arrange: column
    children:
      - { kind: text, text: "[bold](700) since {t, date, long}" }
      - { kind: text, text: "{n, plural, one {# crate} other {# crates}}" }
      - { repeat: "{wares}", use: row }
`;
    const files = {
      'de.json':
        '{ "{n, plural, one {# crate} other {# crates}}": "{n, plural, one {# Kiste} other {# Kisten}}" }',
    };
    const { pack, document, resources } = await packedText(text, files);
    expect(pack.fonts.map(({ weight }) => weight)).toEqual([400, 700]);
    const game = gameOf(pack, resources);
    const march = Date.UTC(2026, 2, 3, 12);
    for (const locale of ['en', 'de', 'de-AT']) {
      const [theirs, ours] = [{ document, resources }, game].map((one) => {
        const live = new LiveView(openView(one.document, 'v', { resources: one.resources, locale }), {
          width: 800,
          height: 600,
        });
        live.set({ wares: ['oil'], t: march });
        return toSvg(withPaths(drawLayout(live.snapshot())));
      });
      expect(ours).toBe(theirs);
    }
  });

  test('a colour that no text of it had is none; a message that had to be read says so', async () => {
    const { pack } = await packedText('pimbot: 1\nviews: { v: {} }\n');
    const { color, message } = unpack(pack).notations;
    expect(color('tomato')).toBeUndefined();
    expect(message('Depth {n} m', 'en')).toEqual(everyNotation.message('Depth {n} m', 'en'));
    expect(() => message('{n, plural, other {#}}', 'en')).toThrow(
      'the message "{n, plural, other {#}}" was not there when the document was packed',
    );
  });

  test.each([
    [
      'another version',
      { 'pimbot-pack': 99 },
      'this document was packed by another version (format 99, this one reads 2): pack it again',
    ],
    [
      'something else',
      { pimbot: 1 },
      'this is no packed document: `pimbot pack` writes them, and the plugin for Vite',
    ],
    ['nothing', undefined, 'this is no packed document: `pimbot pack` writes them, and the plugin for Vite'],
  ])('%s is refused with a sentence', (_, wrong, sentence) => {
    expect(() => unpack(wrong as unknown as Pack)).toThrow(new PackError(sentence));
  });
});

test('tokens are worked out for each theme: what stands for another one follows the theme', async () => {
  const text = `pimbot: 1
tokens: { ink: "#101010", line: "{ink}", gap: { $type: dimension, $value: { value: 4, unit: px } } }
themes: { day: day.yaml, night: night.yaml }
styles: { plate: { background: $line, radius: $gap } }
views: { v: { children: [{ id: a, style: plate, size: 20 }] } }
`;
  const files = {
    'day.yaml': 'pimbot-theme: 1\n',
    'night.yaml': 'pimbot-theme: 1\ntokens: { ink: "#ff0000", own: 3 }\n',
  };
  const { document, pack, resources } = await packedText(text, files);
  expect(pack.tokens.night).toMatchObject({ own: 3, gap: 4 });
  expect(JSON.stringify(pack.themes) + JSON.stringify(pack.named)).not.toContain('ink');
  for (const theme of ['day', 'night']) {
    const [packed, read] = [unpack(pack), document].map(
      (one) =>
        openView(one, 'v', { resources, theme }).layoutOn({ width: 800, height: 600 }).widgets[1]!.look,
    );
    expect(packed).toEqual(read);
  }
});

test('a document whose cases give what keys cannot be is not packed, and all of it is told', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'pimbot-pack-'));
  const path = join(folder, 'hud.yaml');
  writeFileSync(
    path,
    'pimbot: 1\ncases: { calm: { dim: 1, kind: row }, storm: { dim: 4, kind: heap } }\nviews: { v: { children: [{ id: a, size: 20, arrange: "{kind}", look: { opacity: "{dim}" } }] } }\n',
  );
  const { pack, diagnostics } = await packProject(path);
  rmSync(folder, { recursive: true });
  expect(pack).toBeUndefined();
  expect(diagnostics.map(({ code, facts }) => [code, (facts as { message: string }).message])).toEqual([
    ['refused-value', expect.stringContaining('"arrange" is one of free')],
    ['refused-value', '"opacity" is a number from 0 to 1, and "{dim}" gives 4, in the case "storm"'],
  ]);
});

test('hex colours and plain messages are read as their parsers read them', async () => {
  const { pack } = await packedText('pimbot: 1\nviews: { v: {} }\n');
  const { color, message } = unpack(pack).notations;
  const digit = fc.constantFrom(...'0123456789abcdefABCDEF');
  fc.assert(
    fc.property(fc.array(digit, { minLength: 1, maxLength: 9 }), (digits) => {
      const text = `#${digits.join('')}`;
      expect(color(text)).toEqual(everyNotation.color(text));
    }),
    { numRuns: rounds(300, 20_000), seed: seedOf(42) },
  );
  const part = fc.constantFrom(
    '{n}',
    '{ who }',
    '{max-n}',
    '{1-n}',
    '{-}',
    'Depth ',
    '12',
    ' – ',
    '深さ',
    '{a.b}',
    '#',
  );
  fc.assert(
    fc.property(fc.array(part, { maxLength: 6 }), (parts) => {
      const text = parts.join('');
      const read = (by: typeof message) => {
        try {
          return by(text, 'en');
        } catch {
          return 'no message';
        }
      };
      expect(read(message)).toEqual(read(everyNotation.message));
    }),
    { numRuns: rounds(200, 10_000), seed: seedOf(43) },
  );
});
