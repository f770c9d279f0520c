import { describe, expect, test } from '@jest/globals';
import { findScreen, readDocument, screens, type CheckedDocument } from 'pimbot';
import { Results, checkDocument, planOf, runBatch, type CheckOptions } from 'pimbot/tools';
import { bundledFonts, openProject } from 'pimbot/node';
import { isDeep } from '../support/deep.ts';

/** The verdict of batches that share nothing: each is worked out from the document alone. */
function apart(document: CheckedDocument, options: CheckOptions) {
  const plan = planOf(document, options);
  const results = new Results(document, plan);
  plan.batches.forEach((batch, nth) => results.add(nth, runBatch(document, options.resources, batch)));
  return results.verdict();
}

describe('what batches share', () => {
  test('says of the demo what each batch says by itself, with findings and without', async () => {
    const { document, resources } = await openProject('examples/fathom-post/post.yaml');
    const some = screens.filter((_, at) => isDeep || at % 11 === 3);
    for (const hudSizes of [[1], [2.5]]) {
      const options = { resources, screens: some, hudSizes, ...(!isDeep && { locales: ['en', 'ar'] }) };
      const together = checkDocument(document!, options);
      expect(together).toEqual(apart(document!, options));
      expect(together.findings.length > 0).toBe(hudSizes[0] !== 1);
    }
  });

  test('of two themes that differ in colours alone, what follows from colours is told of the one it is in', () => {
    const theme = (color: string) => ({
      'pimbot-theme': 1,
      'styles': { plate: { 'background': '#04202a', color, 'font-size': 40 } },
    });
    const files: Record<string, object> = { 'day.json': theme('#ffffff'), 'dusk.json': theme('#0a2a35') };
    const { document } = readDocument(
      {
        pimbot: 1,
        reference: { size: '1920x1080' },
        theme: 'day',
        themes: { day: 'day.json', dusk: 'dusk.json' },
        cases: {
          few: { n: 1, other: 1 },
          many: { n: 1, other: 2 },
          large: { n: '10,994 parcels aboard', other: 1 },
        },
        views: {
          v: {
            backdrop: '#000000',
            children: [
              {
                id: 'hold',
                kind: 'text',
                text: 'Hold {n}',
                style: 'plate',
                anchor: 'right top',
                size: '200 60',
                wrap: false,
              },
              { id: 'far', style: 'plate', anchor: 'left top', offset: '1800 300', size: 200 },
            ],
          },
        },
      },
      { readFile: (path) => ({ text: JSON.stringify(files[path]), name: path }) },
    );
    const options = {
      resources: { fonts: bundledFonts() },
      screens: [findScreen('desktop')!, findScreen('square')!],
    };
    const verdict = checkDocument(document!, options);
    expect(verdict).toEqual(apart(document!, options));
    const seen = (check: string, key: 'theme' | 'case') => [
      ...new Set(
        verdict.findings
          .filter((one) => one.check === check)
          .flatMap((one) => one.occurrences.map((at) => at[key])),
      ),
    ];
    expect(seen('low-contrast', 'theme')).toEqual(['dusk']);
    expect(seen('off-screen', 'theme')).toEqual(['day', 'dusk']);
    expect(seen('off-screen', 'case')).toEqual(['few', 'many', 'large']);
    expect(seen('cut-text', 'case')).toEqual(['large']);
  });
});
