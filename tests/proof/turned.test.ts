import { expect, test } from '@jest/globals';
import { openView, readDocument } from 'pimbot';
import { proveView, type Device, type Region } from 'pimbot/tools';
import { random } from '../../bench/trees.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { fonts } from '../support/views.ts';
import { references } from './by-chance.ts';
import { asking, judge, sizesOf } from './judge.ts';
import { viewBy } from './turned-views.ts';

const small: Region = { from: { width: 320, height: 240 }, to: { width: 800, height: 600 } };
const mouse: Device = { density: 96, distance: 600, inputs: ['mouse'] };

test('proofs of views of which anything is turned, and cut off, say what laying them out on single sizes says', () => {
  const first = seedOf(1);
  let [unproved, asked] = [0, 0];
  for (let seed = first; seed < first + rounds(16, 400); seed++) {
    const reference = references[seed % references.length]!;
    const { document, diagnostics } = readDocument({ pimbot: 1, reference, views: viewBy(random(seed)) });
    expect(diagnostics.filter(({ severity }) => severity === 'error')).toEqual([]);
    const open = () => openView(document!, 'test', { resources: { fonts } });
    const proof = proveView(open(), mouse, small);
    const slack = reference.scaling === 'blend' ? 0.5 : undefined;
    const judged = judge(asking(open(), mouse), proof, sizesOf(small, proof, rounds(25, 200), seed), slack);
    expect({ seed, wrong: judged.wrong }).toEqual({ seed, wrong: [] });
    unproved += judged.unproved;
    asked += judged.asked;
  }
  expect(unproved / (11 * asked)).toBeLessThan(0.1);
});
