import { expect, test } from '@jest/globals';
import { openView, readDocument, type DocumentSource, type WidgetSource } from 'pimbot';
import { openProject } from 'pimbot/node';
import { proveView, type Device, type Region } from 'pimbot/tools';
import { makeCase } from '../conformance/generator.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { fonts } from '../support/views.ts';
import { references, seen } from './by-chance.ts';
import { asking, judge, sizesOf } from './judge.ts';

const small: Region = { from: { width: 320, height: 240 }, to: { width: 800, height: 600 } };
const mouse: Device = { density: 96, distance: 600, inputs: ['mouse'] };

test('proofs of buttons and of spans between widgets, by finger and by mouse, say the same', () => {
  const look = { background: '#112233' };
  const touch: Device = { density: 200, distance: 300, inputs: ['touch'] };
  const children: WidgetSource[] = [
    { id: 'map', look, offset: [10, 10], size: ['30%', 60] },
    { id: 'radio', look, anchor: 'right top', offset: [-10, 10], size: [180, 60] },
    {
      'id': 'bar',
      look,
      'anchor-to': 'map..radio',
      'anchor': 'right..left top',
      'inset': 12,
      'height': 30,
      'min-width': 90,
    },
    { id: 'go', kind: 'button', label: 'Go', look, anchor: 'left bottom', size: ['25%', '12%'] },
  ];
  for (const [nth, reference] of references.entries()) {
    const { document } = readDocument({ pimbot: 1, reference, views: { test: { children } } });
    const open = () => openView(document!, 'test', { resources: { fonts } });
    for (const device of [touch, mouse]) {
      const proof = proveView(open(), device, small);
      const slack = reference.scaling === 'blend' ? 0.5 : undefined;
      const judged = judge(asking(open(), device), proof, sizesOf(small, proof, 60, nth), slack);
      expect({ nth, wrong: judged.wrong }).toEqual({ nth, wrong: [] });
      expect(judged.asked).toBeGreaterThan(50);
    }
  }
});

test('proofs of views by chance say what laying them out on single sizes says', () => {
  const first = seedOf(1);
  let unproved = 0;
  let asked = 0;
  for (let seed = first; seed < first + rounds(24, 480); seed++) {
    const reference = references[seed % references.length]!;
    const source: DocumentSource = {
      pimbot: 1,
      reference,
      views: { test: { children: makeCase(seed).children.map(seen) } },
    };
    const { document } = readDocument(source);
    const open = () => openView(document!, 'test', { resources: { fonts } });
    const proof = proveView(open(), mouse, small);
    const sizes = sizesOf(small, proof, rounds(25, 500), seed);
    // Where the scale is a curve, places are right to a tenth of a px; borders drawn by two of them to as much more.
    const slack = reference.scaling === 'blend' ? 0.5 : undefined;
    const judged = judge(asking(open(), mouse), proof, sizes, slack);
    expect({ seed, wrong: judged.wrong }).toEqual({ seed, wrong: [] });
    unproved += judged.unproved;
    asked += judged.asked;
  }
  // What nobody is sure of is little: of each size, eleven checks are asked.
  expect(asked).toBeGreaterThan(rounds(600, 10_000));
  expect(unproved / (11 * asked)).toBeLessThan(0.02);
});

test('a proof that ends before all is looked at says nothing wrong of what it has looked at, and leaves the rest open', () => {
  const first = seedOf(1);
  let unproved = 0;
  for (let seed = first; seed < first + rounds(8, 120); seed++) {
    const reference = references[seed % references.length]!;
    const views = { test: { children: makeCase(seed).children.map(seen) } };
    const { document } = readDocument({ pimbot: 1, reference, views });
    const open = () => openView(document!, 'test', { resources: { fonts } });
    const limits = seed % 2 === 0 ? { mostCells: 1 + (seed % 7) } : { mostParts: 1 + (seed % 20) };
    const proof = proveView(open(), mouse, small, limits);
    const slack = reference.scaling === 'blend' ? 0.5 : undefined;
    const judged = judge(asking(open(), mouse), proof, sizesOf(small, proof, rounds(25, 200), seed), slack);
    expect({ seed, wrong: judged.wrong }).toEqual({ seed, wrong: [] });
    unproved += judged.unproved;
  }
  expect(unproved).toBeGreaterThan(0);
});

test('so do those of the demo, on three kinds of device, small windows and large screens', async () => {
  const { document, resources } = await openProject('examples/fathom-post/post.yaml');
  const large: Region = { from: { width: 640, height: 360 }, to: { width: 7680, height: 4320 } };
  const devices: readonly Device[] = [
    { density: 92, distance: 600, inputs: ['mouse', 'keys'] },
    { density: 420, distance: 300, inputs: ['touch'], safe: { px: [96, 0, 60, 0], shares: [0, 0, 0, 0] } },
    {
      density: 40,
      distance: 2700,
      inputs: ['pad'],
      safe: { px: [0, 0, 0, 0], shares: [0.05, 0.05, 0.05, 0.05] },
    },
  ];
  const occasions = [{}, { hudSize: 1.3, textSize: 1.25 }, { hudSize: 0.75, locale: 'de' }];
  const views = Object.keys(document!.source.views);
  const all = views.flatMap((view) =>
    [0, 1, 2].flatMap((nth) => [large, small].map((region) => ({ view, nth, region }))),
  );
  // A part of them in npm test, another one with another seed.
  const chosen = all.filter((_, at) => at % rounds(9, 1) === seedOf(0) % rounds(9, 1));
  for (const { view, nth, region } of chosen) {
    const open = () => openView(document!, view, { resources, ...occasions[nth] });
    const proof = proveView(open(), devices[nth]!, region);
    const sizes = sizesOf(region, proof, rounds(40, 2000), seedOf(7));
    const judged = judge(asking(open(), devices[nth]!), proof, sizes);
    expect({ view, nth, wrong: judged.wrong }).toEqual({ view, nth, wrong: [] });
  }
});
