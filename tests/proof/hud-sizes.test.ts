import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import { openView, readDocument, type DocumentSource, type WidgetSource } from 'pimbot';
import {
  checkDocument,
  proveDocument,
  provedChecks,
  screenOf,
  sentenceOf,
  type Device,
  type Region,
} from 'pimbot/tools';
import { random } from '../../bench/trees.ts';
import { makeCase } from '../conformance/generator.ts';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { fonts } from '../support/views.ts';
import { viewBy } from './turned-views.ts';

const mouse: Device = { density: 96, distance: 600, inputs: ['mouse'] };
const region: Region = { from: { width: 640, height: 360 }, to: { width: 3840, height: 2160 } };
const look = { background: '#112233' };

function proved(
  source: DocumentSource,
  hudRange = { least: 0.75, most: 1.5 },
  hudSizes = [0.75, 1.5],
  sizes = region,
  device = mouse,
) {
  const { document } = readDocument(source);
  const [proof] = proveDocument(document!, {
    resources: { fonts },
    device,
    region: sizes,
    hudSizes,
    hudRange,
  });
  return { ...proof!, document: document! };
}

const two = (reference: DocumentSource['reference'], more: WidgetSource = {}): DocumentSource => ({
  pimbot: 1,
  reference,
  views: {
    test: {
      children: [
        { id: 'left', look, offset: [10, 10], size: [1000, 40] },
        { id: 'right', look, anchor: 'right top', offset: [-10, 10], size: [788, 40], ...more },
      ],
    },
  },
});

test('a HUD size at which two meet comes out as the sum says, whatever the scaling', () => {
  // 1808 u of a surface that is 1920 divided by the HUD size, on screens no wider than the reference.
  for (const scaling of ['contain', 'width'] as const) {
    const { hudSizes } = proved(two({ scaling, size: '1920x1080' }));
    expect(hudSizes!.holds).toEqual([{ least: 0.75, most: expect.closeTo(1920 / 1807.5, 4) }]);
    const [failure] = hudSizes!.failures;
    expect(failure!.finding).toMatchObject({ check: 'overlap', widget: 'left', other: 'right' });
    expect(failure!.hudSizes).toEqual([{ least: expect.closeTo(1920 / 1807.5, 4), most: 1.5 }]);
    // The finding is told of a screen that there is.
    expect(failure!.finding.worst.hudSize).toBe(failure!.worst.hudSize);
  }
  // Where 1 u is never less than 1 px, small windows overlap at every HUD size.
  const held = proved(two({ scaling: 'contain', size: '1920x1080', limits: '1..' })).hudSizes!;
  expect(held.holds).toEqual([]);
  // Without a limit, smaller HUD sizes make room on a screen of 1800 px; with one they do not.
  const near: Region = { from: { width: 1800, height: 900 }, to: { width: 2400, height: 1400 } };
  const free = proved(two({ scaling: 'none' }), undefined, [1], near).hudSizes!;
  expect(free.holds).toEqual([{ least: 0.75, most: expect.closeTo(1800 / 1807.5, 4) }]);
  expect(proved(two({ scaling: 'none', limits: '1..' }), undefined, [1], near).hudSizes!.holds).toEqual([]);
  // 1 px to a u at HUD size 1: the narrowest screen, 640 px, is always too narrow.
  expect(proved(two({ scaling: 'none' })).hudSizes!.holds).toEqual([]);
});

test('so it does where a surface follows from both sides, or the scale goes in steps', () => {
  const large: Region = { from: { width: 1920, height: 1080 }, to: { width: 6000, height: 3375 } };
  const most = (reference: DocumentSource['reference'], sizes: Region = large, more: WidgetSource = {}) => {
    const { hudSizes } = proved(two(reference, more), { least: 0.75, most: 1.6 }, [1], sizes);
    expect(hudSizes).toMatchObject({ holds: [{ least: 0.75 }], gaps: [] });
    return hudSizes!.holds[0]!.most;
  };
  const size = '1920x1080';
  // The narrowest surface is 1920 divided by the HUD size, on screens of the aspect of the reference.
  const wide = { ...large, aspect: { least: 16 / 9, most: 3 } };
  expect(most({ scaling: 'blend', size }, wide)).toBeCloseTo(1920 / 1807.5, 6);
  expect(most({ scaling: 'contain', size, step: 0.5 })).toBeCloseTo(1920 / 1807.5, 6);
  // On a screen 4:3, a mean of which the height is a quarter is (4:3 / 16:9) ^ 0.25 of that.
  const narrow = { ...large, aspect: { least: 4 / 3, most: 3 } };
  const share = (3 / 4) ** 0.25;
  expect(most({ scaling: 'blend', size, blend: 0.25 }, narrow)).toBeCloseTo((1920 / 1807.5) * share, 6);
  // It is told where it is worst, though surfaces beside the curve of the largest HUD size are looked at.
  const { failures } = proved(two({ scaling: 'blend', size }), undefined, [1], narrow).hudSizes!;
  expect(failures[0]!.worst).toMatchObject({ hudSize: 1.5 });
  // A screen of three times the reference has a scale of 4 from a HUD size of 4:3 on, and 5760 / 4 u.
  expect(most({ scaling: 'whole', size })).toBeCloseTo(4 / 3, 6);
  // On screens smaller than the reference it is 1.
  const small: Region = { from: { width: 640, height: 360 }, to: { width: 1280, height: 720 } };
  expect(proved(two({ scaling: 'whole', size }), undefined, [1], small).hudSizes!.holds).toEqual([]);
  // Between bars it is that wide on wide screens too, and larger where there are none.
  const wider = { ...large, aspect: { least: 2, most: 3 } };
  expect(most({ scaling: 'contain', size, spare: 'bars' }, wider)).toBeCloseTo(1920 / 1807.5, 6);
  expect(most({ scaling: 'contain', size }, wider)).toBeCloseTo(((1920 / 1807.5) * 9) / 8, 6);
  // A part drawn for half the size has twice the u.
  const half: WidgetSource = { size: [394, 20], reference: { size: '960x540' } };
  expect(most({ scaling: 'contain', size }, large, half)).toBeCloseTo(1920 / 1807.5, 6);
  const physical: WidgetSource = {
    size: [394, 20],
    reference: { scaling: 'physical', millimetres: 25.4 / 48 },
  };
  const near: Region = { from: { width: 1900, height: 1080 }, to: { width: 2400, height: 1400 } };
  expect(most({ scaling: 'none' }, near, physical)).toBeCloseTo(1900 / 1807.5, 6);
  // 1 u is 2 px up to a HUD size of 3, which leaves 1920 / 2 u of a screen.
  const held = proved(two({ scaling: 'none', step: 2 }), { least: 0.75, most: 1.6 }, [1], large).hudSizes!;
  expect(held.holds).toEqual([]);
});

test('what one line promises of a widget, and what another does, is told of its own HUD sizes', () => {
  const source = two({ scaling: 'none' });
  const expects = [
    { 'widget': 'left', 'within': 'screen' as const, 'at-most': { width: '900u' } },
    { widget: 'left', within: 'safe' as const, because: 'the last 3 mm are behind the bezel' },
  ];
  const { hudSizes } = proved({ ...source, views: { test: { ...source.views['test']!, expect: expects } } });
  const promises = hudSizes!.failures.filter(({ finding }) => finding.check === 'broken-promise');
  expect(
    promises
      .map(({ finding, hudSizes: [first] }) => [
        finding.pointer.replace('/views/test/expect/', ''),
        sentenceOf(finding).replace(/[\d.]+ px/, '… px'),
        Math.round(first!.least * 1000) / 1000,
      ])
      .sort(),
  ).toEqual([
    ['0', 'breaks a promise: left sticks out … px past the right edge of the screen', 0.75],
    ['0', 'breaks a promise: the width of left is 1000 u; the most is 900', 0.75],
    ['1', 'breaks a promise: left sticks out … px past the right edge of the safe area', 0.75],
  ]);
});

test('each HUD size is proved for itself, though the view has the same form at all', () => {
  const { failures } = proved(two({ scaling: 'contain', size: '1920x1080' }));
  expect(failures.map(({ finding }) => finding.worst.hudSize)).toEqual([1.5]);
});

test('what follows from px is refused with the reason', () => {
  const onlyNarrow = { screen: { aspect: '..1.5' }, change: { reference: { scaling: 'none' } } } as const;
  const reasons = (
    [
      [{ scaling: 'contain', size: '1920x1080', step: 0.001 }, {}],
      [{ scaling: 'whole', size: '640x360', spare: 'bars' }, {}],
      [{ scaling: 'contain', size: '1920x1080' }, { reference: { size: '480x270', scaling: 'whole' } }],
      // On the reference itself it has none.
      [{ scaling: 'contain', size: '1920x1080' }, { when: [onlyNarrow] }],
      [{ scaling: 'contain', size: '1920x1080', limits: '1..' }, { reference: { size: '480x270' } }],
    ] as const
  ).map(([reference, more]) => proved(two(reference, more as WidgetSource)).hudSizes!.refused);
  expect(reasons).toEqual([
    expect.stringContaining('steps'),
    expect.stringContaining('bars'),
    expect.stringContaining('right keeps a scaling that does not go along'),
    expect.stringContaining('right keeps a scaling that does not go along'),
    expect.stringContaining('right keeps a scaling that does not go along'),
  ]);
  const notched: Device = { ...mouse, safe: { px: [0, 50, 0, 0], shares: [0, 0, 0, 0] } };
  const refused = (reference: DocumentSource['reference']) =>
    proved(two(reference), undefined, [1], region, notched).hudSizes!.refused;
  expect(refused({ scaling: 'contain' })).toContain('safe insets are in px');
  expect(refused({ scaling: 'whole', size: '640x360' })).toBeUndefined();
});

test('views by chance fail at no HUD size that is said to hold, and where they fail it is said', () => {
  type Shown = NonNullable<DocumentSource['reference']> & { readonly part?: WidgetSource['reference'] };
  const references: readonly Shown[] = [
    { scaling: 'contain', size: '800x450', part: { size: '400x225', scaling: 'contain' } },
    { scaling: 'cover', size: '640x480', part: { size: '320x240', scaling: 'cover' } },
    { scaling: 'width', size: '700x400', spare: 'bars', align: 'left top' },
    { scaling: 'height', size: '700x400' },
    { scaling: 'none', step: 0.25 },
    { scaling: 'contain', size: '800x450', limits: '1..' },
    { scaling: 'contain', size: '800x450', limits: '0.8..2', spare: 'bars' },
    { scaling: 'blend', size: '800x450', step: 1 },
    { scaling: 'none', limits: '1..' },
    { scaling: 'cover', size: '640x480', step: 0.25, limits: '0.8..3' },
    { scaling: 'blend', size: '800x450', part: { size: '640x480', scaling: 'blend' } },
    { scaling: 'blend', size: '700x400', blend: 0.25, limits: '0.9..2' },
    { scaling: 'whole', size: '480x270' },
    { scaling: 'whole', size: '320x180', limits: '2..' },
    { scaling: 'contain', size: '800x450', step: 0.5 },
    { scaling: 'physical', limits: '0.9..1.2' },
    { scaling: 'none', part: { scaling: 'physical', millimetres: 0.4 } },
    { scaling: 'physical' },
    { scaling: 'blend', size: '800x450', spare: 'bars' },
  ];
  const seen = (widget: WidgetSource, nth: number): WidgetSource => {
    if (widget.children) return { ...widget, look, children: widget.children.map(seen) };
    return nth % 3 > 0 ? { ...widget, look } : { ...widget, kind: 'text', text: 'A letter with a red seal' };
  };
  const notched: Device = { ...mouse, safe: { px: [0, 30, 9, 0], shares: [0.02, 0, 0, 0] } };
  const windows: Region = { from: { width: 640, height: 360 }, to: { width: 1920, height: 1080 } };
  let asked = 0;
  let failed = 0;
  let state = seedOf(1) * 7919;
  const chance = () => (state = (state * 16807) % 2147483647) / 2147483647;
  for (let seed = seedOf(1); seed < seedOf(1) + rounds(14, 160); seed++) {
    const { part, ...reference } = references[seed % references.length]!;
    const made = makeCase(seed).children.map((child, nth) =>
      seen({ ...child, ...(part && nth % 2 === 0 && { reference: part }) }, nth),
    );
    // Some are of windows and of what is turned in them.
    const views = seed % 3 === 2 ? viewBy(random(seed)) : { test: { children: made } };
    const inSteps = reference.step !== undefined || reference.scaling === 'whole';
    const device: Device = inSteps ? notched : mouse;
    const source: DocumentSource = { pimbot: 1, reference, views };
    const { hudSizes: hud, document } = proved(source, undefined, [1], windows, device);
    expect([seed, hud!.refused]).toEqual([seed, undefined]);
    for (let nth = 0; nth < rounds(12, 40); nth++) {
      const hudSize = 0.75 + 0.75 * chance();
      const width = Math.round(640 + 1280 * chance() ** 2);
      const height = Math.round(360 + 720 * chance() ** 2);
      const screen = screenOf(device, { x: width, y: height });
      const { findings } = checkDocument(document, {
        resources: { fonts },
        screens: [screen],
        hudSizes: [hudSize],
      });
      const { scale } = openView(document, 'test', { resources: { fonts }, hudSize }).frameOn(screen);
      asked++;
      for (const { check, widget, other, outcome, worst, unit, fails } of findings) {
        if (outcome !== 'failed' || !provedChecks.includes(check)) continue;
        if (['small-target', 'thumb-target', 'small-text'].includes(check)) continue;
        // Half a px is half a u here: what is less than that in u is not told.
        if (unit === 'px' && fails === 'above' && worst.measured! / scale < 0.51) continue;
        if (unit === '%' && worst.measured! < 2) continue;
        const inRange = (ranges: readonly { least: number; most: number }[]) =>
          ranges.some(({ least, most }) => hudSize >= least - 1e-6 && hudSize <= most + 1e-6);
        failed++;
        expect({ seed, hudSize, width, height, check, widget, holds: inRange(hud!.holds) }).toMatchObject({
          holds: false,
        });
        // A check may tell two failings in one sentence, of whichever is worse.
        const told = hud!.failures.some((one) => one.finding.check === check && inRange(one.hudSizes));
        const isOpen = hud!.gaps.some((gap) => gap.check === undefined || gap.check === check);
        expect(
          [seed, hudSize, width, height, check, widget, other, worst.measured, told || isOpen].join(' '),
        ).toMatch(/true$/);
      }
    }
  }
  expect(asked).toBeGreaterThan(60);
  expect(failed).toBeGreaterThan(60);
});

test('the command takes a range beside single HUD sizes, tells it, and writes it for machines', async () => {
  const { path: folder, remove } = temporaryFolder();
  writeFileSync(join(folder, 'hud.json'), JSON.stringify(two({ scaling: 'contain', size: '1920x1080' })));
  const run = (...args: string[]) => pimbotHere(['prove', 'hud.json', ...args], folder);
  const told = await run('--hud-size', '0.75..1.5');
  expect(told.code).toBe(1);
  expect(told.out).toContain('holds on all of them at HUD sizes 0.75 to 1.062, of those from 0.75 to 1.5');
  expect(told.out).toContain('left overlaps right by 60 px at HUD sizes 1.062 to 1.5');
  // A screen of twice the reference has a scale of 3 from the last of them on.
  writeFileSync(join(folder, 'whole.json'), JSON.stringify(two({ scaling: 'whole', size: '1920x1080' })));
  const sizes = ['--from', '3840x2160', '--to', '5700x3200', '--report', 'sizes.html'];
  const last = await pimbotHere(['prove', 'whole.json', '--hud-size', '0.75..1.5', ...sizes], folder);
  expect(last.out.replace(/\s+/g, ' ')).toMatch(/left overlaps right by [\d.]+ px at HUD size 1\.5, aspects/);
  expect(readFileSync(join(folder, 'sizes.html'), 'utf8')).toContain('left:99.50%;width:0.50%');
  const held = await run('--hud-size', '0.75..1');
  expect([held.code, held.out]).toEqual([
    0,
    expect.stringContaining('holds on them at every HUD size from 0.75 to 1\n'),
  ]);
  const { files } = JSON.parse((await run('--hud-size', '0.75..1.5', '--hud-size', '1', '--json')).out) as {
    files: {
      views: { occasions: { hudSize: number }[]; hudSizes: { range: number[]; failures: unknown[] } }[];
    }[];
  };
  const [view] = files[0]!.views;
  expect(view!.occasions.map(({ hudSize }) => hudSize)).toEqual([0.75, 1.5, 1]);
  expect(view!.hudSizes).toMatchObject({
    range: [0.75, 1.5],
    failures: [{ check: 'overlap', widget: 'left' }],
  });
  for (const [said, message] of [
    ['1.5..0.75', 'ends above where it begins'],
    ['0..1', 'Give a HUD size from 0.1 to 10'],
    ['big', 'Give a HUD size from 0.1 to 10'],
  ] as const)
    expect(await run('--hud-size', said)).toMatchObject({ code: 2, err: expect.stringContaining(message) });
  const both = await run('--hud-size', '0.5..0.6', '--hud-size', '1..2');
  expect(both).toMatchObject({ code: 2, err: expect.stringContaining('takes one range') });
  remove();
});
