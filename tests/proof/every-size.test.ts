import { expect, test } from '@jest/globals';
import { openView, readDocument, type View } from 'pimbot';
import { openProject } from 'pimbot/node';
import { checks, provedChecks, proveView, type Device, type Point, type Region } from 'pimbot/tools';
import { makeCase } from '../conformance/generator.ts';
import { isDeep, rounds, seedOf } from '../support/deep.ts';
import { fonts } from '../support/views.ts';
import { judge, asking } from './judge.ts';
import { references, seen } from './by-chance.ts';

/*
 * A proof against laying out and checking every whole size there is from 320 × 240 to 800 × 600, 173,641 of them, each
 * view at another of 48 HUD sizes. `npm run deep -- tests/proof/every-size --count 46` is the six views of the demo and 40
 * by chance; `npm test` takes one of each and few of the sizes.
 */

const small: Region = { from: { width: 320, height: 240 }, to: { width: 800, height: 600 } };
const mouse: Device = { density: 96, distance: 600, inputs: ['mouse'] };
const hudSizes = 48;
const proved = checks.filter(({ id }) => provedChecks.includes(id));

function sizesEach(step: number): Point[] {
  const sizes: Point[] = [];
  for (let y = small.from.height; y <= small.to.height; y += step)
    for (let x = small.from.width; x <= small.to.width; x += step) sizes.push({ x, y });
  return sizes;
}

test('a proof says what every whole size says', async () => {
  const { document: post, resources } = await openProject('examples/fathom-post/post.yaml');
  const views = Object.keys(post!.source.views);
  const count = rounds(2, 46);
  const seed = seedOf(7);
  const sizes = sizesEach(isDeep ? 1 : 23);
  for (let nth = 0; nth < count; nth++) {
    const hudSize = 0.75 + (0.75 * ((nth * 11 + seed) % hudSizes)) / (hudSizes - 1);
    // The demo's come first, where all are asked for; one of them beside one by chance, where few are.
    const ofDemo = count > views.length ? views[nth] : nth === 0 ? views[seed % views.length] : undefined;
    const reference = references[(seed + nth) % references.length]!;
    const open = (): View => {
      if (ofDemo !== undefined) return openView(post!, ofDemo, { resources, hudSize });
      const children = makeCase(seed + nth).children.map(seen);
      const { document } = readDocument({ pimbot: 1, reference, views: { test: { children } } });
      return openView(document!, 'test', { resources: { fonts }, hudSize });
    };
    const proof = proveView(open(), mouse, small);
    const slack = ofDemo === undefined && reference.scaling === 'blend' ? 0.5 : undefined;
    const { asked, unproved, wrong } = judge(asking(open(), mouse, proved), proof, sizes, slack);
    expect({ nth, ofDemo, seed, wrong: wrong.slice(0, 5) }).toEqual({ nth, ofDemo, seed, wrong: [] });
    expect(asked).toBe(sizes.length);
    // In windows that a view is far too large for, half of what hides what is left open: 5 % of sizes and checks of the dive HUD.
    expect(unproved / (provedChecks.length * asked)).toBeLessThan(0.06);
  }
});
