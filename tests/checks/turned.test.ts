import { expect, test } from '@jest/globals';
import { createCanvas } from '@napi-rs/canvas';
import { drawLayout, readPicture, type ViewLayout, type WidgetSource } from 'pimbot';
import { checkView, checks } from 'pimbot/tools';
import { random } from '../../bench/trees.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { documentOf, opened } from '../support/views.ts';
import { extentOf, painted, screen } from './pixel-judge.ts';

test('plates that are turned any way overlap where pixels are of both, and nowhere else', () => {
  const next = random(seedOf(81));
  const pick = <One>(all: readonly One[]): One => all[Math.floor(next() * all.length)]!;
  const plate = (id: string): WidgetSource => ({
    id,
    anchor: 'center',
    offset: [Math.round(next() * 180 - 90), Math.round(next() * 180 - 90)],
    size: [30 + Math.round(next() * 130), 20 + Math.round(next() * 80)],
    rotate: pick([0, 0, 8, -30, 45, 90]),
    ...(next() < 0.2 && { skew: 20 }),
    look: { background: '#ff8800', scale: pick([1, 1, 0.6, 1.3]) },
  });
  const overlaps = checks.filter(({ id }) => id === 'overlap');
  const met = { said: 0, unsaid: 0 };
  const count = rounds(60, 1500);
  for (let nth = 0; nth < count; nth++) {
    const plates = [plate('a'), plate('b')];
    const group: WidgetSource = {
      id: 'g',
      anchor: 'left..right top..bottom',
      rotate: pick([0, 15]),
      look: { scale: pick([1, 0.7]) },
      children: plates,
    };
    const view = opened(documentOf(next() < 0.4 ? [group] : plates));
    const said = checkView(view, [screen], overlaps).length > 0;
    const on = view.layoutOn(screen);
    const [mine, theirs] = ['a', 'b'].map((id) =>
      painted(drawLayout(on), (one) => !('widget' in one) || one.widget === on.indexOf(id)),
    );
    let both = 0;
    for (let at = 3; at < mine!.length; at += 4) if (mine![at]! > 250 && theirs![at]! > 250) both++;
    // A corner of a px or two is of no whole pixel.
    if (said ? both === 0 && !isHair(mine!, theirs!) : both > 12)
      expect({ nth, said, both }).toEqual({ nth, said: !said, both });
    met[said ? 'said' : 'unsaid']++;
  }
  expect(Math.min(met.said, met.unsaid)).toBeGreaterThan(count / 4);
});

/** Whether any pixel is of both in part. */
function isHair(mine: Uint8ClampedArray, theirs: Uint8ClampedArray): boolean {
  for (let at = 3; at < mine.length; at += 4) if (mine[at]! > 0 && theirs[at]! > 0) return true;
  return false;
}

/** A window that cuts off what is in it, a button in it and a plate over that, each turned any way. */
function windowBy(next: () => number) {
  const pick = <One>(all: readonly One[]): One => all[Math.floor(next() * all.length)]!;
  const place = (far: number) => ({
    anchor: 'center',
    offset: [Math.round(next() * 2 * far - far), Math.round(next() * 2 * far - far)] as [number, number],
  });
  const turned = () => ({
    rotate: pick([0, 0, 90, 20, -45]),
    ...(next() < 0.15 && { skew: 25 }),
    look: { background: '#ff8800', scale: pick([1, 1, 0.7, 1.4]) },
  });
  const button: WidgetSource = {
    id: 'button',
    kind: 'button',
    ...place(60),
    ...turned(),
    size: [40 + Math.round(next() * 120), 20 + Math.round(next() * 40)],
  };
  const plate: WidgetSource = {
    id: 'plate',
    ...place(60),
    ...turned(),
    size: [20 + Math.round(next() * 100), 20 + Math.round(next() * 60)],
  };
  const inWindow = (overflow?: 'clip'): WidgetSource[] => [
    {
      id: 'window',
      ...place(20),
      ...around,
      size: [120, 100],
      ...(overflow && { overflow }),
      children: [button],
    },
    plate,
  ];
  const { look, ...turn } = turned();
  const around = { ...turn, look: { scale: look.scale } };
  return { whole: documentOf(inWindow()), cut: documentOf(inWindow('clip')) };
}

/** How many px are painted in both of two pictures, softened ones in part. */
function areaOf(one: Uint8ClampedArray, other = one): number {
  let area = 0;
  for (let at = 3; at < one.length; at += 4) area += Math.min(one[at]!, other[at]!) / 255;
  return area;
}

test('what is turned in a window is cut off by the share that is not painted, and covered by the share that is painted over', () => {
  const next = random(seedOf(7));
  const asked = checks.filter(({ id }) => id === 'cut-off' || id === 'covered');
  const met = { cut: 0, left: 0, hidden: 0, free: 0 };
  const count = rounds(20, 1500);
  for (let nth = 0; nth < count; nth++) {
    const { whole, cut } = windowBy(next);
    const paintedOf = (on: ViewLayout, id: string) =>
      painted(drawLayout(on), (one) => !('widget' in one) || one.widget === on.indexOf(id));
    const view = opened(cut);
    const on = view.layoutOn(screen);
    const all = areaOf(paintedOf(opened(whole).layoutOn(screen), 'button'));
    const [mine, theirs] = [paintedOf(on, 'button'), paintedOf(on, 'plate')];
    const left = areaOf(mine);
    const findings = checkView(view, [screen], asked);
    const saidOf = (check: string) => findings.find((one) => one.check === check)?.worst.measured ?? 0;
    const lost = 100 * (1 - left / all);
    if (Math.abs(saidOf('cut-off') - lost) > (saidOf('cut-off') === 0 ? 4 : 3))
      expect({ nth, cut, said: saidOf('cut-off') }).toEqual({ nth, cut, said: lost });
    met[lost > 4 ? 'cut' : 'left']++;
    // What is left of a few px says little of shares.
    if (left < 400) continue;
    const hidden = (100 * areaOf(mine, theirs)) / left;
    if (Math.abs(saidOf('covered') - hidden) > (saidOf('covered') === 0 ? 10 : 4))
      expect({ nth, cut, said: saidOf('covered') }).toEqual({ nth, cut, said: hidden });
    met[hidden > 10 ? 'hidden' : 'free']++;
  }
  expect(Math.min(...Object.values(met))).toBeGreaterThan(count / 25);
});

test('what is turned in a plate sticks out of it, and breaks a promise to be within, by as far as it is painted beyond', () => {
  const next = random(seedOf(3));
  const pick = <One>(all: readonly One[]): One => all[Math.floor(next() * all.length)]!;
  const asked = checks.filter(({ id }) => id === 'bursts-parent' || id === 'broken-promise');
  const met = { out: 0, within: 0 };
  const count = rounds(40, 1500);
  for (let nth = 0; nth < count; nth++) {
    const children: WidgetSource[] = [
      {
        id: 'plate',
        anchor: 'center',
        // Turned with it, all of it is seen from another side: edges stay those of the plate.
        rotate: pick([0, 0, 180]),
        size: [100 + Math.round(next() * 80), 60 + Math.round(next() * 60)],
        look: { background: '#ff8800', scale: pick([1, 0.7, 1.2]) },
        children: [
          {
            id: 'in',
            anchor: 'center',
            offset: [Math.round(next() * 40 - 20), Math.round(next() * 40 - 20)],
            rotate: pick([0, 90, 30, -45]),
            size: [20 + Math.round(next() * 120), 10 + Math.round(next() * 40)],
            look: {
              background: '#ff8800',
              radius: pick<number | string>([0, 0, 12, 999, '0 8 40 16']),
              scale: pick([1, 1, 0.5, 1.3]),
            },
          },
        ],
      },
    ];
    const view = opened(documentOf(children, {}, { expect: [{ widget: 'in', within: 'plate' }] }));
    const on = view.layoutOn(screen);
    const [plate, inner] = ['plate', 'in'].map((id) =>
      extentOf(painted(drawLayout(on), (one) => !('widget' in one) || one.widget === on.indexOf(id)))!,
    );
    const over = Math.max(
      plate!.left - inner!.left,
      plate!.top - inner!.top,
      inner!.right - plate!.right,
      inner!.bottom - plate!.bottom,
    );
    const findings = checkView(view, [screen], asked);
    for (const check of ['bursts-parent', 'broken-promise']) {
      const said = Math.max(
        0,
        ...findings.filter((one) => one.check === check).map(({ worst }) => worst.measured!),
      );
      if (Math.abs(said - Math.max(0, over)) > 2.1)
        expect({ nth, check, children, said }).toEqual({ nth, check, children, said: over });
    }
    met[over > 1 ? 'out' : 'within']++;
  }
  expect(Math.min(...Object.values(met))).toBeGreaterThan(count / 5);
});

test('a needle may turn in its dial: what is clear in the corners of a picture, or of what draws nothing, sticks out of nothing', () => {
  const bytes = createCanvas(80, 80).toBuffer('image/png');
  const pictures = new Map([['needle', readPicture('needle', bytes)]]);
  const inDial = (more: WidgetSource, look: object = { background: '#0d4452', radius: 40 }) => {
    const child: WidgetSource = { id: 'needle', anchor: 'center', size: 80, rotate: 45, ...more };
    const dial: WidgetSource = {
      id: 'dial',
      anchor: 'center',
      size: 80,
      look,
      children: [child],
    };
    const view = opened(
      documentOf(
        [dial],
        { pictures: { needle: 'needle.png' } },
        { expect: [{ widget: 'needle', within: 'dial' }] },
      ),
      { pictures },
    );
    return checkView(
      view,
      [screen],
      checks.filter(({ id }) => id === 'bursts-parent' || id === 'broken-promise'),
    ).length;
  };
  expect(inDial({ kind: 'image', image: 'needle' })).toBe(0);
  expect(inDial({ look: { background: '#ffffff', radius: 40 } })).toBe(0);
  expect(
    inDial({ children: [{ id: 'hand', anchor: 'center', size: [6, 70], look: { background: '#ffffff' } }] }),
  ).toBe(0);
  // Out of what draws nothing, nothing is seen to stick out; what was promised was promised.
  expect(inDial({ look: { background: '#ffffff' } }, {})).toBe(1);
  // One that is longer than its dial does, whichever way it points, and a plate with corners.
  expect(inDial({ kind: 'image', image: 'needle', size: [80, 120], rotate: 30 })).toBeGreaterThan(0);
  expect(inDial({ look: { background: '#ffffff' } })).toBeGreaterThan(0);
});

test('what a text that is turned upright is too long for is told by its own length', () => {
  const words: WidgetSource = {
    id: 'words',
    kind: 'text',
    text: 'Depth of the dive',
    wrap: false,
    anchor: 'center',
    rotate: 90,
  };
  const window: WidgetSource = {
    id: 'window',
    anchor: 'center',
    size: [40, 150],
    overflow: 'clip',
    children: [words, { id: 'more' }],
  };
  const [finding] = checkView(
    opened(documentOf([window])),
    [screen],
    checks.filter(({ id }) => id === 'cut-text'),
  );
  expect(finding!.reasons.map(({ text }) => text.replace(/[\d.]+/g, 'n'))).toEqual([
    'window cuts off n px of it at its bottom edge',
    'its width n u is what its content needs (its text)',
    'window: height is set to n u',
  ]);
});

test('what is scaled counts as large as it is drawn: as if it had been laid out so', () => {
  const next = random(seedOf(12));
  const pick = <One>(all: readonly One[]): One => all[Math.floor(next() * all.length)]!;
  const phone = { ...screen, name: 'phone', density: 320, distance: 300, inputs: ['touch'] as const };
  const met = new Map<string, number>();
  const count = rounds(40, 1000);
  for (let nth = 0; nth < count; nth++) {
    const scale = pick([0.4, 0.7, 1.5]);
    const [wide, high] = [80 + Math.round(next() * 200), 20 + Math.round(next() * 80)];
    const parts = [
      { kind: 'button', high, more: { text: 'Depth', wrap: false } },
      { kind: 'text', high, more: { text: 'Depth', wrap: false } },
      { kind: 'meter', high: high / 10, more: { value: 0.5 } },
      { kind: 'slider', high, more: { value: 0.5, label: 'Music' } },
    ] as const;
    const places = parts.map((part) => ({
      ...part,
      at: [Math.round(next() * 160 - 80), Math.round(next() * 120 - 60)] as const,
      font: 10 + Math.round(next() * 20),
    }));
    /** Everything so many times as large, in something that is scaled. */
    const viewOf = (by: number, look: object) => {
      const children = places.map(({ kind, high: long, more, at, font }): WidgetSource => ({
        id: kind,
        kind,
        anchor: 'center',
        offset: [at[0] * by, at[1] * by],
        size: [wide * by, long * by],
        ...more,
        look: { ...(kind !== 'text' && { background: '#336699' }), 'font-size': font * by },
      }));
      const around: WidgetSource = {
        id: 'around',
        anchor: 'center',
        size: [240 * by, 180 * by],
        look: { background: '#224466', ...look },
        children,
      };
      const expect = [
        { widget: 'button', within: 'around' },
        { 'widget': 'slider', 'at-least': { width: '9 mm' } },
        { widgets: ['button', 'slider'], touching: true as const },
      ];
      return opened(documentOf([around], {}, { expect }));
    };
    const asked = checks.filter(({ id }) => drawnSizes.includes(id));
    const told = (view: ReturnType<typeof viewOf>) =>
      checkView(view, [phone], asked).map(({ check, widget, other, worst }) => ({
        what: `${check} ${widget} ${other ?? ''}`,
        measured: worst.measured!,
      }));
    const [scaled, laidOut] = [told(viewOf(1, { scale })), told(viewOf(scale, {}))];
    for (const [one, others] of [
      [scaled, laidOut],
      [laidOut, scaled],
    ] as const)
      for (const { what, measured } of one) {
        met.set(what.split(' ')[0]!, (met.get(what.split(' ')[0]!) ?? 0) + 1);
        const near = others.filter((other) => other.what === what).map((other) => other.measured);
        // Edges are rounded to whole px where they are laid out, not where they are drawn: what is about a px may be none.
        if (measured < 1.5) continue;
        const isAlike = near.some((other) => Math.abs(other - measured) <= 1.5 + 0.03 * measured);
        const limit = checks.find(({ id }) => what.startsWith(`${id} `))!.limit;
        if (!isAlike && Math.abs(measured - limit) > 1.5 + 0.03 * limit)
          expect({ nth, scale, what, measured }).toEqual({ nth, scale, what, measured: near });
      }
  }
  expect([...met.keys()].sort()).toEqual([...drawnSizes].sort());
});

/** Checks that measure what is drawn in px, or in what px are on the glass. */
const drawnSizes = [
  'broken-promise',
  'bursts-parent',
  'coarse-text',
  'crowded-targets',
  'cut-text',
  'overlap',
  'small-target',
  'small-text',
  'thumb-target',
  'tiny-part',
];
