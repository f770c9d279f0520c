import { expect, test } from '@jest/globals';
import { drawLayout, openView, readDocument, screens, type CheckedDocument } from 'pimbot';
import { compareSnapshots, snapshotOf, type Snapshot } from 'pimbot/tools';
import { Chance, otherVersion, rightDocuments } from '../support/any-document.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { plain } from '../support/drawn.ts';
import { fonts } from '../support/views.ts';

const resources = { fonts };
const some = ['desktop', 'ultrawide', 'phone-portrait'].map((name) =>
  screens.find((one) => one.name === name)!,
);

test('of any two versions of a document, what is drawn otherwise is told, and what is told back is the reverse', () => {
  let [drawn, told] = [0, 0];
  for (const { seed, document } of rightDocuments(seedOf(1), rounds(12, 800), readDocument)) {
    const { document: other } = readDocument(otherVersion(document.source, new Chance(seed), seed));
    if (!other) continue;
    const seen = [document, other].map((one): Snapshot =>
      snapshotOf(one, { resources, screens: some }, ({ check }) => check),
    );
    const [old, now] = seen as [Snapshot, Snapshot];
    const there = compareSnapshots(old, now);
    const back = compareSnapshots(now, old);
    expect([seed, compareSnapshots(old, old).changes, compareSnapshots(old, old).findings]).toEqual([
      seed,
      [],
      { new: [], worse: [], better: [], gone: [], unchanged: old.findings },
    ]);
    const keys = (all: readonly { readonly key: string }[]) => all.map(({ key }) => key).sort();
    expect([seed, keys(there.findings.new)]).toEqual([seed, keys(back.findings.gone)]);
    expect([seed, there.findings.unchanged.length]).toEqual([seed, back.findings.unchanged.length]);
    // What is better one way is worse the other; what is both is worse both ways.
    const again = (all: typeof there.findings.better) => keys(all.map((one) => one.now));
    for (const key of again(there.findings.better))
      expect([seed, again(back.findings.worse)]).toEqual([seed, expect.arrayContaining([key])]);
    for (const screen of some) {
      if (drawnOn(document, screen) === drawnOn(other, screen)) continue;
      // Less than half a px is no movement, though it may be drawn a whole px further.
      if (standByHairs(document, other, screen)) continue;
      drawn++;
      const isTold = there.changed.some((one) => isOn(one.at, screen.name));
      expect([seed, screen.name, isTold]).toEqual([seed, screen.name, true]);
      told++;
    }
  }
  expect(told).toBe(drawn);
  expect(drawn).toBeGreaterThan(rounds(10, 700));
});

test('several places of a document that go by one name are found again as they were', () => {
  const found = (...measured: readonly number[]): Snapshot => ({
    views: [],
    seen: [],
    findings: [
      {
        key: 'a',
        check: 'unused-style',
        view: undefined,
        widget: 'plate',
        outcome: 'failed',
        message: 'twice',
        fails: 'above',
        unit: 'places',
        on: measured.map((one) => [-1, one] as const),
      },
    ],
  });
  const became = (old: Snapshot, now: Snapshot) => {
    const { worse, better, unchanged } = compareSnapshots(old, now).findings;
    return [worse.length, better.length, unchanged.length];
  };
  expect(became(found(1, 3), found(3, 1))).toEqual([0, 0, 1]);
  expect(became(found(1, 3), found(4))).toEqual([1, 0, 0]);
  expect(became(found(1, 3), found(2, 2))).toEqual([0, 1, 0]);
});

/** What is drawn, to a hundredth of a px, in any order: what lies on nothing may be drawn at any time. */
function drawnOn(document: CheckedDocument, screen: (typeof some)[number]): string {
  const { operations } = drawLayout(openView(document, 'test', { resources, case: 'one' }).layoutOn(screen));
  const rounded = (key: string, value: unknown) => {
    // Widgets are counted: others have been put before them.
    if (key === 'widget') return undefined;
    return typeof value === 'number' ? Math.round(value * 100) / 100 : value;
  };
  return plain(operations)
    .map((one) => JSON.stringify(one, rounded))
    .sort()
    .join();
}

function isOn({ screen, occasion }: Snapshot['seen'][number], name: string): boolean {
  return screen === name && occasion.case === 'one';
}

/** Whether something stands elsewhere, if by a hair, and nothing by more. */
function standByHairs(old: CheckedDocument, now: CheckedDocument, screen: (typeof some)[number]): boolean {
  const [was, is] = [old, now].map((one) =>
    openView(one, 'test', { resources, case: 'one' }).layoutOn(screen),
  );
  const steps = is!.widgets.map(({ id, index }) => {
    const then = was!.find(id);
    if (then === undefined) return Infinity;
    const [a, b] = [was!.layout.rect(then), is!.layout.rect(index)];
    return Math.max(...(['x', 'y', 'width', 'height'] as const).map((key) => Math.abs(a[key] - b[key])));
  });
  const most = Math.max(...steps);
  return most > 0 && most <= 1;
}
