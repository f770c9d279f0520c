import { readFileSync } from 'node:fs';
import { parse } from 'yaml';
import { describe, expect, test } from '@jest/globals';
import { BuildError, findScreen, formatDiagnostic, readDocument } from 'pimbot';
import { checkDocument, type Finding } from 'pimbot/tools';
import { random } from '../../bench/trees.ts';
import { fonts } from '../support/views.ts';
import { isDeep, newSeed, rounds } from '../support/deep.ts';
import { mutatedText, mutatedTree } from '../support/mutated.ts';

const document = readFileSync('examples/broken/broken.yaml', 'utf8');
const theme = readFileSync('examples/fathom-post/brine.theme.yaml', 'utf8');
/** A document of one everyday view each: small, so that very many can be tried. */
const small = (() => {
  const { views, ...head } = parse(readFileSync('tests/accuracy/idioms.yaml', 'utf8')) as {
    readonly views: Readonly<Record<string, unknown>>;
  };
  return Object.entries(views).map(([name, view]) => ({ ...head, views: { [name]: view } }));
})();

/** What has to be true of a document, however wrong it is. */
function judge(text: string, look: string): 'used' | 'refused' {
  const readFile = () => ({ text: look, name: 'brine.theme.yaml' });
  const { document: read, diagnostics } = readDocument(text, { name: 'hud.yaml', readFile });
  const sentences = diagnostics.map(formatDiagnostic);
  expect(
    sentences.filter(
      (sentence) =>
        !/^(hud|brine\.theme)\.yaml:\d+:\d+: (error|warning): \S/.test(sentence) ||
        /undefined|NaN|\[object|node_modules|\n\s+at /.test(sentence),
    ),
  ).toEqual([]);
  if (!read) {
    expect(diagnostics.length).toBeGreaterThan(0);
    return 'refused';
  }
  const screens = [findScreen('phone-portrait')!, findScreen('television')!];
  let found: readonly Finding[];
  try {
    found = checkDocument(read, { resources: { fonts }, screens }).findings;
  } catch (error) {
    // What a value of the case cannot be is only known when the view is built: a sentence with its place.
    if (!(error instanceof BuildError)) throw error;
    expect(error.pointer).toMatch(/^\/(views|components)\//);
    return 'refused';
  }
  expect(found.filter(({ worst }) => worst.measured !== null && !Number.isFinite(worst.measured))).toEqual(
    [],
  );
  return 'used';
}

/** The same over many; what fails names the seed, which PIMBOT_SEED brings back. */
function judgeAll(count: number, made: (next: () => number, round: number) => [text: string, look: string]) {
  const seed = newSeed();
  const next = random(seed);
  const came = { used: 0, refused: 0 };
  for (let round = 0; round < count; round++) {
    const [text, look] = made(next, round);
    try {
      came[judge(text, look)]++;
    } catch (error) {
      throw new Error(`seed ${seed}, round ${round}:\n${text}`, { cause: error });
    }
  }
  return came;
}

describe('documents that went wrong', () => {
  test('changed letters are refused with sentences or laid out, never more than that', () => {
    const count = Math.ceil(rounds(2400, 20_000) / 40);
    const { used, refused } = judgeAll(count, (next, round) =>
      round % 5 === 4
        ? [document, mutatedText(theme, next, 1)]
        : [mutatedText(document, next, 1 + (round % 4)), theme],
    );
    expect(refused).toBeGreaterThan(count * 0.4);
    expect(used).toBeGreaterThan(0);
  });

  test('changed structure and letters of small documents as well', () => {
    // Small ones are cheap: fifty for each file of another kind.
    const count = isDeep ? 50 * rounds(0, 400) : 800;
    const { used, refused } = judgeAll(count, (next, round) => {
      const one = small[Math.floor(next() * small.length)];
      return [
        round % 4 === 3
          ? mutatedText(JSON.stringify(one, null, 1), next)
          : JSON.stringify(mutatedTree(one, next), null, 1),
        theme,
      ];
    });
    expect(refused).toBeGreaterThan(count * 0.2);
    expect(used).toBeGreaterThan(count * 0.05);
  });
});
