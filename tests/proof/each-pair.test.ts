import { expect, test } from '@jest/globals';
import { openView, readDocument, type View, type WidgetSource } from 'pimbot';
import {
  checkView,
  depthIn,
  proveView,
  provedChecks,
  screenOf,
  type Device,
  type Finding,
  type Point,
  type Proof,
  type Region,
} from 'pimbot/tools';
import { random } from '../../bench/trees.ts';
import { makeCase } from '../conformance/generator.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { fonts } from '../support/views.ts';
import { references, seen } from './by-chance.ts';
import { sizesOf } from './judge.ts';

/* Which widgets a check fails of, not only whether: a failing may not be left out because another one is there. */

const small: Region = { from: { width: 320, height: 240 }, to: { width: 800, height: 600 } };
const mouse: Device = { density: 96, distance: 600, inputs: ['mouse'] };

/** Of what is covered, what covers it most is told alone. */
const keyOf = ({ check, widget, other }: Finding): string =>
  `${check} ${widget} ${check === 'covered' ? '' : (other ?? '')}`;

/** Nearer to a border than this, in px, a size may be on either side. */
const tie = 1e-6;

/** Whether a proof leaves a check open on a size. */
function isOpen({ gaps }: Proof, check: string, size: Point): boolean {
  return gaps.some((gap) => (gap.check ?? check) === check && depthIn(gap.polygon, size) > -tie);
}

/** What the checks tell on a size of what is proved there; rounding alone puts what is as much as the limit beyond it. */
function toldOn(view: View, size: Point, proof: Proof): readonly Finding[] {
  return checkView(view, [screenOf(mouse, size)]).filter(
    ({ outcome, check, worst: { measured, limit } }) =>
      outcome === 'failed' &&
      provedChecks.includes(check) &&
      !isOpen(proof, check, size) &&
      Math.abs(measured! - limit) > tie,
  );
}

test('proofs fail of the same widgets as laying out on single sizes does', () => {
  const first = seedOf(1);
  let told = 0;
  for (let seed = first; seed < first + rounds(15, 400); seed++) {
    const next = random(seed);
    const choose = <One>(...from: readonly One[]): One => from[Math.floor(next() * from.length)]!;
    const length = () => choose<number | string>('20%', '35%', '60% - 40', 90, 180, 300);
    const children = Array.from({ length: 5 }, (_, nth): WidgetSource => ({
      ...choose<WidgetSource>({}, { kind: 'button', text: 'Go' }, { kind: 'text', text: 'Depth of the sea' }),
      id: `w${nth}`,
      look: { background: '#112233' },
      anchor: choose('left top', 'top', 'center', 'right bottom', 'left', 'right top'),
      offset: [choose(0, 12, -30), choose(0, 20, -16)],
      size: [length(), length()],
    }));
    const { document } = readDocument({
      pimbot: 1,
      reference: { scaling: choose('none', 'contain'), size: '800x450' },
      views: { test: { children } },
    });
    const open = () => openView(document!, 'test', { resources: { fonts } });
    const proof = proveView(open(), mouse, small);
    const view = open();
    for (const size of sizesOf(small, proof, rounds(12, 60), seed)) {
      const said = new Set(toldOn(view, size, proof).map(keyOf));
      const proved = new Map<string, number>();
      for (const { finding, parts } of proof.findings) {
        const key = keyOf(finding);
        if (isOpen(proof, finding.check, size)) continue;
        const depth = Math.max(...parts.map((part) => depthIn(part, size)));
        proved.set(key, Math.max(proved.get(key) ?? -Infinity, depth));
      }
      const wrong = [
        ...[...said].filter((key) => !((proved.get(key) ?? -Infinity) > -tie)),
        ...[...proved]
          .filter(([key, depth]) => depth > tie && !said.has(key))
          .map(([key]) => `${key}, proved`),
      ];
      expect({ seed, size, wrong }).toEqual({ seed, size, wrong: [] });
      told += said.size;
    }
  }
  expect(told).toBeGreaterThan(rounds(300, 20_000));
});

/** The ids of a widget and of those around it, from the innermost. */
function around(view: View, id: string | undefined): readonly string[] {
  const { widgets } = view.formOn(view.frameOn(screenOf(mouse, { x: 640, y: 480 }))).tree;
  const ids: string[] = [];
  for (let at = widgets.findIndex((one) => one.id === id); at >= 0; at = widgets[at]!.parent)
    ids.push(widgets[at]!.id);
  return ids;
}

/** The two children of what is nearest around two widgets that those are in. */
function branchesOf(view: View, { widget, other }: Finding): string {
  const [mine, theirs] = [around(view, widget), around(view, other)];
  const both = mine.find((id) => theirs.includes(id))!;
  return [mine, theirs]
    .map((ids) => ids[ids.indexOf(both) - 1])
    .sort()
    .join(' ');
}

test('nor is one left out in trees of widgets, but for what another one carries with it', () => {
  const first = seedOf(1);
  let told = 0;
  for (let seed = first; seed < first + rounds(6, 140); seed++) {
    const reference = references.filter(({ scaling }) => scaling !== 'blend')[seed % 10]!;
    const { document } = readDocument({
      pimbot: 1,
      reference,
      views: { test: { children: makeCase(seed).children.map(seen) } },
    });
    const open = () => openView(document!, 'test', { resources: { fonts } });
    const [proof, view] = [proveView(open(), mouse, small), open()];
    for (const size of sizesOf(small, proof, 12, seed)) {
      const there = proof.findings.filter(({ parts }) => parts.some((part) => depthIn(part, size) > -tie));
      const all = toldOn(view, size, proof);
      told += all.length;
      const missed = all.filter((one) => {
        const { check, widget } = one;
        return !there.some(
          ({ finding }) =>
            finding.check === check &&
            (check === 'overlap'
              ? branchesOf(view, finding) === branchesOf(view, one)
              : around(view, widget).includes(finding.widget)),
        );
      });
      expect({ seed, size, missed: missed.map(keyOf) }).toEqual({ seed, size, missed: [] });
    }
  }
  expect(told).toBeGreaterThan(rounds(1000, 40_000));
});
