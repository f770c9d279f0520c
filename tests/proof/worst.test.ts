import { expect, test } from '@jest/globals';
import { openView, readDocument, type View } from 'pimbot';
import { openProject } from 'pimbot/node';
import {
  checkView,
  contains,
  checks,
  proveView,
  screenOf,
  type Device,
  type Finding,
  type Proof,
  type Region,
} from 'pimbot/tools';
import { random } from '../../bench/trees.ts';
import { makeCase } from '../conformance/generator.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { fonts } from '../support/views.ts';
import { references, seen } from './by-chance.ts';
import { apartOf } from './judge.ts';

/*
 * A proof tells each finding where it is worst. Sizes by chance out of those it fails on are asked: none may be worse by more than a
 * hundredth and a px.
 */

const small: Region = { from: { width: 320, height: 240 }, to: { width: 1600, height: 1200 } };
const devices: readonly Device[] = [
  { density: 96, distance: 600, inputs: ['mouse'] },
  {
    density: 300,
    distance: 300,
    inputs: ['touch'],
    safe: { px: [40, 0, 20, 0], shares: [0, 0.03, 0, 0.03] },
  },
];

/** What is worse than a proof says, in words. */
function worseThanTold(
  open: () => View,
  device: Device,
  proof: Proof,
  count: number,
  seed: number,
): string[] {
  const next = random(seed);
  const view = open();
  const isSame = (one: Finding, other: Finding) =>
    one.widget === other.widget &&
    one.other === other.other &&
    one.pointer === other.pointer &&
    apartOf(one) === apartOf(other);
  return proof.findings.flatMap(({ finding, parts, worst }) => {
    const check = checks.filter(({ id }) => id === finding.check);
    const told = finding.worst.measured!;
    return Array.from({ length: count }, () => {
      const part = parts[Math.floor(next() * parts.length)]!;
      const weights = part.map(() => next() ** 4);
      const all = weights.reduce((sum, one) => sum + one, 0);
      const sum = (of: 'x' | 'y') =>
        part.reduce((so, point, nth) => so + (point[of] * weights[nth]!) / all, 0);
      // Sizes are told in whole px.
      const size = { x: Math.round(sum('x')), y: Math.round(sum('y')) };
      if (!contains(part, size)) return [];
      const is = checkView(view, [screenOf(device, size)], check).find(
        (one) => one.outcome === 'failed' && isSame(one, finding),
      )?.worst.measured;
      if (is === undefined || is === null) return [];
      const by = finding.fails === 'above' ? is - told : told - is;
      const slack = 0.01 * Math.abs(told) + 1;
      return by > slack
        ? [
            `${finding.check} of ${finding.widget}: ${is} on ${size.x} × ${size.y}; told is ${told} on ${worst.x} × ${worst.y}`,
          ]
        : [];
    }).flat();
  });
}

test('nothing is worse anywhere than where it is told to be worst', () => {
  const first = seedOf(1);
  for (let seed = first; seed < first + rounds(12, 240); seed++) {
    const reference = references[seed % references.length]!;
    const views = { test: { children: makeCase(seed).children.map(seen) } };
    const { document } = readDocument({ pimbot: 1, reference, views });
    const open = () => openView(document!, 'test', { resources: { fonts } });
    const device = devices[seed % devices.length]!;
    const worse = worseThanTold(open, device, proveView(open(), device, small), rounds(6, 30), seed);
    expect({ seed, worse: worse.slice(0, 5) }).toEqual({ seed, worse: [] });
  }
});

test('nor in the views of the demo', async () => {
  const { document, resources } = await openProject('examples/fathom-post/post.yaml');
  const views = Object.keys(document!.source.views);
  const region: Region = { from: { width: 640, height: 360 }, to: { width: 7680, height: 4320 } };
  for (const [nth, view] of views.entries()) {
    const open = () => openView(document!, view, { resources, hudSize: 1.4 });
    const device = devices[nth % devices.length]!;
    const worse = worseThanTold(open, device, proveView(open(), device, region), rounds(6, 60), seedOf(3));
    expect({ view, worse: worse.slice(0, 5) }).toEqual({ view, worse: [] });
  }
});
