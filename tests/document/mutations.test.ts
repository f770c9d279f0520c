import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { findScreen, formatDiagnostic, readDocument } from 'pimbot';
import { checkDocument } from 'pimbot/tools';
import { random } from '../../bench/trees.ts';
import { fonts } from '../support/views.ts';
import { newSeed, rounds } from '../support/deep.ts';

const document = readFileSync('examples/broken/broken.yaml', 'utf8');
const theme = readFileSync('examples/fathom-post/brine.theme.yaml', 'utf8');
const scraps = [
  '{',
  '}',
  '[',
  ']',
  ':',
  ',',
  '"',
  '&a',
  '*a',
  '<<: ',
  '!!js',
  '- ',
  '#',
  '|',
  '>',
  '%',
  '\t',
  '\u0000',
  '\ud800',
  '1e308',
  '-0',
  '.nan',
  '.inf',
  '{depth',
  '$color.',
  '__proto__',
  'null',
  '~',
  '99999999999999999999',
  'fill 0',
  '50% -',
  '..',
  'left..left',
  '<script>',
  '\u202e',
];

/** Changes a text at a few places: cuts, doubles, swaps and scraps of notation. */
function mutated(text: string, next: () => number): string {
  let result = text;
  const changes = 1 + Math.floor(next() * 4);
  for (let change = 0; change < changes; change++) {
    const at = Math.floor(next() * result.length);
    const to = Math.min(result.length, at + 1 + Math.floor(next() ** 3 * 200));
    const scrap = scraps[Math.floor(next() * scraps.length)]!;
    switch (Math.floor(next() * 5)) {
      case 0:
        result = result.slice(0, at) + result.slice(to);
        break;
      case 1:
        result = result.slice(0, to) + result.slice(at);
        break;
      case 2:
        result = result.slice(0, at) + scrap + result.slice(at);
        break;
      case 3:
        result = result.slice(0, at) + scrap + result.slice(to);
        break;
      default: {
        const from = Math.floor(next() * result.length);
        result = result.slice(0, at) + result.slice(from, from + (to - at)) + result.slice(to);
      }
    }
  }
  return result;
}

describe('documents that went wrong', () => {
  test('mutations are refused with sentences or laid out, never more than that', () => {
    const [seed, count] = [newSeed(), rounds(100, 500)];
    const next = random(seed);
    let refused = 0;
    for (let round = 0; round < count; round++) {
      const breakTheme = round % 5 === 4;
      const text = breakTheme ? document : mutated(document, next);
      const look = breakTheme ? mutated(theme, next) : theme;
      const readFile = () => ({ text: look, name: 'brine.theme.yaml' });
      const { document: read, diagnostics } = readDocument(text, { name: 'hud.yaml', readFile });
      for (const diagnostic of diagnostics) {
        const sentence = formatDiagnostic(diagnostic);
        // The seed brings a failure back: PIMBOT_SEED.
        expect(`${seed} ${sentence}`).toMatch(/^\d+ (hud|brine\.theme)\.yaml:\d+:\d+: (error|warning): \S/);
        expect(sentence).not.toMatch(/undefined|NaN|\[object|node_modules|\n\s+at /);
      }
      if (!read) {
        refused++;
        expect(diagnostics.length).toBeGreaterThan(0);
        continue;
      }
      const screens = [findScreen('phone-portrait')!, findScreen('television')!];
      const { findings } = checkDocument(read, { resources: { fonts }, screens });
      for (const { worst } of findings)
        expect(worst.measured === null || Number.isFinite(worst.measured)).toBe(true);
    }
    expect(refused).toBeGreaterThan(count * 0.4);
    expect(refused).toBeLessThan(count);
  });
});
