import { expect, test } from '@jest/globals';
import { openView, readDocument } from 'pimbot';
import { desktop, proveView, wrongValues } from 'pimbot/tools';
import { rightDocuments } from '../support/any-document.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { fonts } from '../support/views.ts';
import { asking, judge, sizesOf } from './judge.ts';

const resources = { fonts };
const region = { from: { width: 360, height: 300 }, to: { width: 1600, height: 1000 } };

test('of any document, a proof says what laying it out on single sizes says', () => {
  let [asked, unproved] = [0, 0];
  for (const { seed, document } of rightDocuments(seedOf(20), rounds(5, 900), readDocument)) {
    if (wrongValues(document, resources).length > 0) continue;
    const open = () => openView(document, 'test', { resources, case: 'one' });
    const proof = proveView(open(), desktop, region, { mostCells: 400 });
    // Where the scale is a curve, places are right to a tenth of a px.
    const slack = document.source.reference?.scaling === 'blend' ? 0.5 : undefined;
    const judged = judge(asking(open(), desktop), proof, sizesOf(region, proof, 24, seed), slack);
    expect({ seed, wrong: judged.wrong }).toEqual({ seed, wrong: [] });
    asked += judged.asked;
    unproved += judged.unproved;
  }
  expect(asked).toBeGreaterThan(rounds(50, 9000));
  // A few documents may happen to have a lot that is turned over each other.
  expect(unproved / (12 * asked)).toBeLessThan(rounds(0.07, 0.02));
});
