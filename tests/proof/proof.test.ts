import { describe, expect, test } from '@jest/globals';
import { openView, readDocument, type DocumentSource, type WidgetSource } from 'pimbot';
import {
  contains,
  proveDocument,
  proveView,
  sentenceOf,
  type Device,
  type Proof,
  type Region,
} from 'pimbot/tools';
import { documentOf, fonts } from '../support/views.ts';

const region: Region = { from: { width: 320, height: 200 }, to: { width: 1280, height: 800 } };
const device: Device = { density: 96, distance: 600, inputs: ['mouse'] };
const look = { background: '#223344' };

function proved(
  children: readonly WidgetSource[],
  more: Partial<DocumentSource> = {},
  limits: Parameters<typeof proveView>[3] = {},
): Proof {
  const { document } = readDocument(documentOf(children, more));
  const open = () => openView(document!, 'test', { resources: { fonts } });
  return proveView(open(), device, region, limits);
}

/** Of each finding, in order: the check, the widgets and the corners of its parts. */
function told({ findings }: Proof): unknown {
  return findings.map(({ finding, parts }) => [
    finding.check,
    finding.widget,
    parts.map((part) => fromLeftTop(part.map(({ x, y }) => [rounded(x), rounded(y)] as const))),
  ]);
}

const rounded = (px: number) => Math.round(px * 100) / 100;

/** The same corners in the same order, that nearest to the left top first. */
function fromLeftTop(corners: readonly (readonly [number, number])[]): unknown {
  const first = corners.reduce(
    (best, [x, y], nth) => (x + y < corners[best]![0] + corners[best]![1] ? nth : best),
    0,
  );
  return [...corners.slice(first), ...corners.slice(0, first)];
}

function findingOf({ findings }: Proof, check: string) {
  return findings.find(({ finding }) => finding.check === check);
}

const left: WidgetSource = { id: 'left', look, anchor: 'left top', offset: [10, 10], width: 300, height: 40 };
const right: WidgetSource = {
  id: 'right',
  look,
  anchor: 'right top',
  offset: [-10, 10],
  width: 400,
  height: 40,
};

describe('borders are where sums say they are', () => {
  test('two widgets on opposite sides meet where the screen is narrower than both and their distances', () => {
    // 10 + 300 + 400 + 10 = 720; half a px is rounding.
    const upTo = (x: number) => [
      [
        [320, 200],
        [x, 200],
        [x, 800],
        [320, 800],
      ],
    ];
    expect(told(proved([left, right]))).toEqual([
      // 10 + 400 px are wider than the screen.
      ['off-screen', 'right', upTo(409.5)],
      ['overlap', 'left', upTo(719.5)],
    ]);
  });

  test('scaled to fit, the same is a border of one aspect', () => {
    const proof = proved([left, right], { reference: { size: '1280x800', scaling: 'height' } });
    // The surface is 800 u high, and 800 × aspect wide.
    const overlap = findingOf(proof, 'overlap');
    const aspects = overlap!.parts.flatMap((part) => part.map(({ x, y }) => x / y));
    expect(Math.max(...aspects)).toBeCloseTo(720 / 800, 2);
  });

  test('a condition is a border, and what holds on its two sides is found on each', () => {
    const proof = proved([
      left,
      { ...right, when: [{ screen: { width: '..600' }, change: { offset: [-10, 60] } }] },
    ]);
    const overlap = findingOf(proof, 'overlap');
    const reached = (x: number) => overlap!.parts.some((part) => contains(part, { x, y: 400 }));
    expect([599, 601, 719, 720].map(reached)).toEqual([false, true, true, false]);
  });

  test('sizes between whole px are left out, as no screen has one, unless they are asked for', () => {
    const under = (width: string): WidgetSource['when'] => [
      { screen: { width }, change: { offset: [-10, 60] } },
    ];
    // Neither condition holds between the two: there, and only there, the two overlap.
    const between = { ...right, when: [...under('..600')!, ...under('601..')!] };
    expect(findingOf(proved([left, between]), 'overlap')).toBeUndefined();
    const overlap = findingOf(proved([left, between], {}, { betweenPixels: true }), 'overlap');
    expect(overlap!.parts.flatMap((part) => part.map(({ x }) => rounded(x)))).toEqual(
      expect.arrayContaining([600, 601]),
    );
    // One whole width has two borders, and is looked at.
    const but = { ...right, when: [...under('..600')!, ...under('602..')!] };
    const one = findingOf(proved([left, but]), 'overlap')!;
    expect(one.parts.some((part) => contains(part, { x: 601, y: 400 }))).toBe(true);
  });

  test('a text that breaks has a border at the width at which it does', () => {
    const text = 'The lamps of Kelp Nine came up like a row of moons, and Ida had the rack sorted.';
    const note: WidgetSource = { id: 'note', kind: 'text', text, wrap: true };
    const across = { anchor: 'left..right top', inset: 0 } as const;
    const proof = proved([{ id: 'box', look, ...across, height: 60, arrange: 'column', children: [note] }]);
    const [burst] = proof.findings.filter(({ finding }) => finding.check !== 'gave-way');
    expect(burst?.finding.widget).toBe('note');
    // Exactly where one more line is needed: a hair on either side of the border it is one line more or less.
    const border = Math.max(...burst!.parts.flatMap((part) => part.map(({ x }) => x)));
    const { document } = readDocument(documentOf([{ ...note, ...across }]));
    const linesAt = (width: number) =>
      openView(document!, 'test', { resources: { fonts } }).layoutOn({ width, height: 400 }).rect('note')
        .height;
    expect(linesAt(border - 0.01)).toBeGreaterThan(linesAt(border + 0.01));
  });
});

test('sizes on which all is decided alike are looked at once, wherever a border ends that lies beside them', () => {
  // Its least width is asked about on narrow screens alone: from an aspect of 2.2 on, no border lies at 700.
  const narrow = { screen: { aspect: '..2.2' }, change: { 'min-width': 350 } };
  const half: WidgetSource = { ...left, width: '50%', when: [narrow] };
  const proof = proved([half], { reference: { size: '1280x720', scaling: 'none' } });
  expect(proof.gaps).toEqual([]);
  expect(proof.cells).toBe(3);
});

test('what lies over another of the same width, its edges on the same lines, covers it from a share of its height on', () => {
  const plate = { look, 'may-overlap': true as const, 'inset': { left: 20, right: 20 } };
  const { document } = readDocument(
    documentOf([
      {
        id: 'go',
        kind: 'button',
        label: 'Go',
        ...plate,
        anchor: 'left..right bottom',
        offset: [0, -20],
        height: 140,
      },
      { id: 'board', ...plate, anchor: 'left..right top', offset: [0, 20], height: 320 },
    ]),
  );
  const view = openView(document!, 'test', { resources: { fonts } });
  const parts = proveView(view, device, region).findings.flatMap(({ finding, parts: own }) =>
    finding.check === 'covered' ? own : [],
  );
  // 20 + 320 + 140 + 20 = 500, less 5 % of 140.
  const covers = (height: number) => parts.some((part) => contains(part, { x: 640, y: height }));
  expect([400, 492, 494, 520].map(covers)).toEqual([true, true, false, false]);
});

test('what is so on the edge of the range alone is found', () => {
  // The scale is 4 on 1280 × 720 and larger screens, and the range ends there.
  const { document } = readDocument({
    pimbot: 1,
    reference: { scaling: 'whole', size: '320x180' },
    views: {
      test: {
        expect: [{ 'widget': 'w', 'at-most': { width: '350 px' } }],
        children: [{ id: 'w', look, width: 90, height: 20 }],
      },
    },
  });
  const open = () => openView(document!, 'test', { resources: { fonts } });
  const to = (width: number, height: number) =>
    proveView(open(), device, { from: { width: 640, height: 360 }, to: { width, height } }).findings.map(
      ({ finding, worst }) => [finding.check, worst],
    );
  expect(to(1279, 720)).toEqual([]);
  expect(to(1280, 719)).toEqual([]);
  expect(to(1280, 720)).toEqual([['broken-promise', { x: 1280, y: 720 }]]);
});

describe('what a proof cannot know, it says', () => {
  const shrinks = (more: WidgetSource): WidgetSource => ({
    'id': 'shrinks',
    'kind': 'text',
    'text': 'A letter with a red seal for a Mr Oduya, who has not been seen at the station since the spring',
    'anchor': 'left..45% top',
    'offset': [0, 20],
    'least-font-size': 8,
    ...more,
  });

  test('a text that shrinks is known at its own size, in proportion to its room and at its floor: all of it is proved', () => {
    for (const more of [{ wrap: false }, { 'max-lines': 2 }, { height: 400 }, {}]) {
      const { gaps, cells } = proved([shrinks(more)]);
      expect({ more, gaps }).toEqual({ more, gaps: [] });
      expect(cells).toBeGreaterThan(1);
    }
  });

  test('one that its height makes smaller is no straight line: where it is compared is not proved', () => {
    const proof = proved([shrinks({ height: 50 })]);
    expect(new Set(proof.gaps.map(({ reason }) => reason))).toEqual(new Set(['curved']));
  });

  test('a text that an ellipsis shortens is known for each letter: all of it is proved', () => {
    const long =
      'The lamps of Kelp Nine came up like a row of moons, and Ida had the rack sorted before the last of them.';
    const line = (id: string, y: number, more: WidgetSource): WidgetSource => ({
      id,
      kind: 'text',
      text: long,
      anchor: 'left..45% top',
      offset: [0, y],
      ...more,
    });
    const proof = proved([
      line('end', 20, { wrap: false, ellipsis: 'end' }),
      line('middle', 70, { wrap: false, ellipsis: 'middle' }),
      line('last', 120, { 'max-lines': 2, 'ellipsis': 'end' }),
    ]);
    expect([proof.findings, proof.gaps]).toEqual([[], []]);
    expect(proof.cells).toBeGreaterThan(40);
  });

  test('more cells than may be looked at leave a gap, and are no proof', () => {
    const words = 'one two three four five six seven eight nine ten eleven twelve thirteen fourteen';
    const text: WidgetSource = {
      id: 'text',
      kind: 'text',
      text: words,
      wrap: true,
      anchor: 'left..right top',
      inset: 8,
    };
    const all = proved([text]);
    const few = proved([text], {}, { mostCells: 2 });
    expect(all.gaps).toEqual([]);
    expect(few.gaps.map(({ reason, check }) => [reason, check])).toContainEqual(['many', undefined]);
    expect(few.cells).toBe(2);
    // Between them, cells and gaps still cover all of it.
    expect(few.gaps.some(({ polygon }) => contains(polygon, { x: 1279, y: 799 })) || few.cells > 0).toBe(
      true,
    );
  });
});

test('of a view that fails all over, a part of the sizes is looked at, and the rest is said to be open', () => {
  const words = 'The lamps of Kelp Nine came up like a row of moons';
  const text = (nth: number): WidgetSource => ({
    kind: 'text',
    text: `${words} ${'and moons '.repeat(nth)}`,
    wrap: true,
  });
  const children = Array.from({ length: 12 }, (_, nth) => text(nth));
  const all: WidgetSource = {
    id: 'box',
    look,
    anchor: 'left..right top',
    height: 10,
    arrange: 'column',
    children,
  };
  const whole = proved([all]);
  const some = proved([all], {}, { mostParts: 60 });
  const counted = ({ findings }: Proof) => findings.reduce((sum, { parts }) => sum + parts.length, 0);
  expect(whole.gaps.map(({ reason }) => reason)).not.toContain('many');
  expect(some.gaps.some(({ reason, check }) => reason === 'many' && check === undefined)).toBe(true);
  expect(counted(some)).toBeLessThan(counted(whole));
});

test('a proof tells a finding as its check does on its worst size, with whole px where there are some', () => {
  const overlap = findingOf(proved([left, right]), 'overlap');
  expect(overlap!.worst.x % 1).toBe(0);
  expect(sentenceOf(overlap!.finding)).toBe('overlaps right by 40 px');
  expect(overlap!.finding.reasons.length).toBeGreaterThan(0);
});

test('what the author accepts is no failure', () => {
  const accepted = { accept: { 'overlap': 'they share a plate', 'off-screen': 'seldom' } };
  expect(
    told(
      proved([
        { ...left, ...accepted },
        { ...right, ...accepted },
      ]),
    ),
  ).toEqual([]);
});

test('a document is proved in everything it varies, and occasions that change nothing are proved once', () => {
  const source = documentOf([{ ...left, kind: 'text', text: '{name}' }], {
    cases: {
      short: { name: 'Ida' },
      again: { name: 'Ida' },
      long: { name: 'Idalinda of the three lamps and the long pier' },
    },
  });
  const { document } = readDocument(source);
  const [proof] = proveDocument(document!, { resources: { fonts }, device, region });
  expect(proof!.occasions.map((one) => one.case)).toEqual(['short', 'again', 'long']);
  // Only the long one does not fit, and it is told once.
  expect(proof!.failures.map(({ finding }) => [finding.check, finding.worst.case])).toEqual([
    ['cut-text', 'long'],
  ]);
  expect(proof!.failing).toBe(1);
});

test('what one line promises of a widget is told by kind, each on the sizes on which that is broken', () => {
  const far: WidgetSource = { ...left, offset: [700, 10] };
  const promise = { 'widget': 'left', 'within': 'screen' as const, 'at-most': { width: 200 } };
  const { document } = readDocument(documentOf([far], {}, { expect: [promise] }));
  const proof = proveView(openView(document!, 'test', { resources: { fonts } }), device, region);
  const promises = proof.findings.filter(({ finding }) => finding.check === 'broken-promise');
  expect(promises.map(({ finding }) => sentenceOf(finding)).sort()).toEqual([
    'breaks a promise: left sticks out 680 px past the right edge of the screen',
    'breaks a promise: the width of left is 300 u; the most is 200',
  ]);
  const widest = promises.map(({ parts }) => Math.max(...parts.flat().map(({ x }) => x)));
  // 1000 px to its right edge, less the half px that is none.
  expect(widest.map((one) => Math.round(one)).sort((a, b) => a - b)).toEqual([1000, 1280]);
});
