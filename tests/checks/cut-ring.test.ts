import { expect, test } from '@jest/globals';
import { drawLayout, openView, readDocument, type WidgetSource } from 'pimbot';
import { checkDocument } from 'pimbot/tools';
import { bundledFonts } from 'pimbot/node';
import { random } from '../../bench/trees.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { margin, painted, pixelsWide, screen } from './pixel-judge.ts';

/* How much of the ring of a focus is seen: counted in the painted picture, and held against what the check measures. */

const options = { resources: { fonts: bundledFonts() }, screens: [screen] };
const backdrop = '#04202a';

function read(children: readonly WidgetSource[], ring: number) {
  const states = { focused: { shadow: `0 0 0 ${ring} #ffffff` } };
  const { document, diagnostics } = readDocument({
    pimbot: 1,
    reference: { size: '480x300' },
    kinds: { button: { background: '#0d4452', states } },
    views: { v: { backdrop, children } },
  });
  expect(diagnostics).toEqual([]);
  return document!;
}

test('what is measured is what is painted, with clips, neighbours and scrolled lists', () => {
  const next = random(seedOf(20261129));
  const px = (least: number, most: number) => Math.round(least + next() * (most - least));
  let [reported, passed] = [0, 0];
  for (let nth = 0; nth < rounds(40, 400); nth++) {
    const ring = px(4, 10);
    const view = (states: WidgetSource['states']): readonly WidgetSource[] => [
      {
        id: 'list',
        anchor: 'left top',
        offset: [100, 60],
        size: [240, 180],
        ...(scrolls ? { scroll: 'y' } : { overflow: 'clip' }),
        children: [
          { id: 'w', kind: 'button', label: 'Key', anchor: 'left top', ...at, ...(states && { states }) },
          { id: 'more', anchor: 'left top', offset: [0, scrolls ? 400 : 0], size: [10, 10] },
          ...(neighbour ? [{ ...neighbour, 'anchor': 'left top', 'may-overlap': true }] : []),
        ],
      },
    ];
    const scrolls = next() < 0.4;
    const end = (most: number) => (next() < 0.5 ? 0 : px(0, most));
    const at = { offset: [end(60), end(40)], size: [px(60, 180), px(40, 120)] } as const;
    const neighbour = next() < 0.5 && {
      offset: [at.offset[0] + at.size[0] + px(0, 8), at.offset[1]],
      size: [40, at.size[1]],
      look: { background: '#2a6a78' },
    };
    const { findings } = checkDocument(read(view(undefined), ring), options);
    const told = findings.find(({ check }) => check === 'cut-ring')?.worst.measured;
    const draw = (states: WidgetSource['states']) => {
      const on = openView(read(view(states), ring), 'v', options).layoutOn(screen);
      return { data: painted(drawLayout(on), () => true, backdrop), rect: on.rect('w') };
    };
    const [plain, focused] = [draw(undefined), draw('focused')];
    const { x, y, width, height } = plain.rect;
    let seen = 0;
    for (let row = 0; row < screen.height; row++)
      for (let column = 0; column < screen.width; column++) {
        const isInside = column >= x && row >= y && column < x + width && row < y + height;
        const place = 4 * ((row + margin) * pixelsWide + column + margin);
        if (!isInside && plain.data[place] !== focused.data[place]) seen++;
      }
    const all = (width + 2 * ring) * (height + 2 * ring) - width * height;
    const lost = 100 * (1 - seen / all);
    // The line that is looked along has no corners.
    if (Math.abs(lost - 40) < 8) continue;
    if (told === undefined) {
      passed++;
      expect([nth, lost < 40]).toEqual([nth, true]);
    } else {
      reported++;
      expect([nth, Math.abs(told! - lost) < 8]).toEqual([nth, true]);
    }
  }
  expect(Math.min(reported, passed)).toBeGreaterThan(rounds(3, 30));
});

test('where the box itself shows the focus, its ring may be cut off', () => {
  const key: WidgetSource = { id: 'w', kind: 'button', label: 'Key', anchor: 'left top', size: [240, 90] };
  const list = (look: object): readonly WidgetSource[] => [
    { id: 'list', anchor: 'center', size: [240, 180], overflow: 'clip', children: [{ ...key, ...look }] },
  ];
  const found = (look: object, states = {}) => {
    const document = readDocument({
      pimbot: 1,
      reference: { size: '480x300' },
      styles: {
        key: { background: '#0d4452', states: { focused: { shadow: '0 0 0 6 #ffffff', ...states } } },
      },
      views: { v: { backdrop, children: list({ style: 'key', ...look }) } },
    }).document!;
    return checkDocument(document, options).findings.filter(({ check }) => check === 'cut-ring').length;
  };
  expect(found({})).toBe(1);
  expect(found({}, { background: '#ffffff' })).toBe(0);
  expect(found({ anchor: 'center', size: [200, 90] })).toBe(0);
  expect(found({ disabled: true })).toBe(0);
});
