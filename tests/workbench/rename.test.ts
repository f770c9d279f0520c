import { expect, test } from '@jest/globals';
import { readDocument } from 'pimbot';
import { renamesAt } from '../../src/workbench/index.ts';
import { stringify } from 'yaml';
import { Chance, rightDocuments, valuesOfAny } from '../support/any-document.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { fonts } from '../support/views.ts';

test('of any document, every name it gives is another one wherever it stands, or the reason is told', () => {
  let renamed = 0;
  for (const { seed, document: made } of rightDocuments(seedOf(1), rounds(8, 400), readDocument)) {
    const by = new Chance(seed);
    const text = stringify(made.source, { lineWidth: 0, collectionStyle: by.pick(['any', 'flow']) });
    const document = readDocument(text, { name: 'any.yaml' }).document!;
    const names = [...Object.keys(valuesOfAny), 'slot', 'whole', ...(text.match(/\bw\d+\b/g) ?? [])];
    for (let nth = 0; nth < 6; nth++) {
      const name = by.pick(names);
      // Where it is written: as a key, or as an id.
      const at = text.search(new RegExp(`(?<=\\bid: )${name}\\b|(?<=[\\s{,])"?${name}"?:`, 'u'));
      if (at < 0) continue;
      const ranges = renamesAt(document, { fonts }, text, at + (text[at] === '"' ? 1 : 0), 'zebra');
      expect([seed, ranges.map(({ start, end }) => text.slice(start, end))]).toEqual([
        seed,
        ranges.map(() => name),
      ]);
      renamed++;
    }
  }
  expect(renamed).toBeGreaterThan(rounds(30, 1500));
});
