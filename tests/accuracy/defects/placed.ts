import { box, inner, plate, spots, swap, text, view, type Defect, type Sample } from '../sample.ts';

export const placed: readonly Defect[] = [
  {
    name: 'a promise that no longer holds',
    check: 'broken-promise',
    widget: 'w',
    make: (place, nth) => {
      const promise = (width: number): Sample => {
        const { document } = view([place({ id: 'w', ...box(width) })]);
        const expect = [{ 'widget': 'w', 'at-least': { width: '200 u' } }];
        return { document: { ...document, views: { v: { ...document.views.v!, expect } } } };
      };
      return { clean: promise(200), broken: promise(190 - nth) };
    },
  },
  {
    name: 'placed in pixels, beyond the edge of narrow screens',
    check: 'off-screen',
    widget: 'w',
    make: (place, nth) => ({
      clean: view([place({ id: 'w', ...box() })]),
      broken: view([{ id: 'w', ...box(), anchor: 'left top', offset: [1500 + 12 * nth, 60 + 30 * nth] }]),
    }),
  },
  {
    name: 'a wide panel that never fits',
    check: 'off-screen',
    widget: 'w',
    make: swap(
      () => box(),
      (nth) => box(4000 + nth, 90),
    ),
  },
  {
    name: 'reaching under the notch',
    check: 'outside-safe-area',
    widget: 'w',
    make: (place, nth) => ({
      clean: view([place({ id: 'w', kind: 'button', size: [200, 90], look: plate })]),
      broken: view([
        {
          id: 'w',
          kind: 'button',
          size: [200, 90],
          look: plate,
          area: 'full',
          anchor: [
            'left top',
            'right top',
            'left center',
            'right center',
            'left bottom',
            'right bottom',
            'center top',
            'center bottom',
            'left top',
            'right top',
          ][nth]!,
          offset: 0,
        },
      ]),
    }),
  },
  {
    name: 'two widgets in one place',
    check: 'overlap',
    widget: 'w',
    make: (place, nth) => ({
      clean: view([place({ id: 'w', ...box() })]),
      broken: view([place({ id: 'w', ...box() }), { id: 'x', ...box(150, 60), ...spots[nth]! }]),
    }),
  },
  {
    name: 'a text under an opaque plate',
    check: 'covered',
    widget: 'w',
    make: (place, nth) => ({
      clean: view([place({ id: 'w', ...text('Depth') })]),
      broken: view([
        place({ id: 'w', ...text('Depth') }),
        {
          'id': 'x',
          'size': [400, 160],
          'look': { background: '#000000' },
          'may-overlap': true,
          ...spots[nth]!,
        },
      ]),
    }),
  },
  {
    name: 'a minimum deep inside that bursts its frame',
    check: 'bursts-parent',
    widget: 'in',
    make: swap(
      () => inner({ id: 'in', size: 100, look: { background: '#123' } }),
      (nth) =>
        inner({ 'id': 'in', 'size': 100, 'min-width': 320 + 10 * nth, 'look': { background: '#123' } }),
    ),
  },
  {
    name: 'a child cut off by its parent',
    check: 'cut-off',
    widget: 'in',
    make: swap(
      () =>
        inner(
          {
            id: 'in',
            size: 100,
            kind: 'meter',
            value: 0.5,
            look: { background: '#021118', color: '#b6ee7a' },
          },
          { overflow: 'clip' },
        ),
      (nth) =>
        inner(
          {
            id: 'in',
            size: [320 + nth * 10, 100],
            kind: 'meter',
            value: 0.5,
            look: { background: '#021118', color: '#b6ee7a' },
          },
          { overflow: 'clip' },
        ),
    ),
  },
  {
    name: 'a maximum below the minimum',
    check: 'gave-way',
    widget: 'w',
    make: swap(
      () => ({ ...box(), 'min-width': 100, 'max-width': 300 }),
      (nth) => ({ 'height': 90, 'look': plate, 'min-width': 200 + nth, 'max-width': 150 }),
    ),
  },
  {
    name: 'anchored to the middle, standing at an edge',
    check: 'drifted',
    widget: 'w',
    make: (place, nth) => ({
      clean: view([place({ id: 'w', ...box() })]),
      broken: view([
        {
          id: 'w',
          ...box(),
          anchor: nth % 2 === 0 ? 'center top' : 'center bottom',
          pivot: nth % 2 === 0 ? 'center top' : 'center bottom',
          offset: [(nth < 5 ? -1 : 1) * (820 + (nth % 5)), nth % 2 === 0 ? 60 : -60],
        },
      ]),
    }),
  },
  {
    name: 'the anchor moved, the pivot left behind',
    check: 'pivot-at-odds',
    widget: 'w',
    make: (place, nth) => ({
      clean: view([place({ id: 'w', ...box() })]),
      broken: view([
        {
          id: 'w',
          ...box(200 + nth * 20),
          anchor: nth < 5 ? 'center' : 'center top',
          pivot: 'left top',
          offset: nth < 5 ? 0 : [0, 60],
        },
      ]),
    }),
  },
  {
    name: 'two plates that miss a line by a little',
    check: 'nearly-aligned',
    widget: 'x',
    make: (_, nth) => {
      const pair = (miss: number) =>
        view([
          { id: 'w', ...box(), anchor: 'left top', offset: [60 + nth * 10, 60 + nth * 20] },
          { id: 'x', ...box(), anchor: 'left top', offset: [300 + nth * 10, 60 + nth * 20 + miss] },
        ]);
      return { clean: pair(0), broken: pair(1 + (nth % 3)) };
    },
  },
  {
    name: 'two plates nearly of one width',
    check: 'nearly-same-size',
    widget: 'w',
    make: (place, nth) => {
      const pair = (width: number) =>
        view([
          place({
            arrange: 'column',
            gap: 24,
            children: [
              { ...box(), id: 'x' },
              { ...box(width), id: 'w' },
            ],
          }),
        ]);
      return { clean: pair(nth % 2 === 0 ? 200 : 260), broken: pair(201 + (nth % 3)) };
    },
  },
  {
    name: 'one of three lamps a little aside',
    check: 'uneven-gaps',
    widget: 'w',
    make: (_, nth) => {
      const line = (slip: number) =>
        view(
          [0, 1, 2].map((at) => ({
            id: at === 1 ? 'w' : `lamp-${at}`,
            ...box(80, 80),
            anchor: nth % 2 === 0 ? 'left top' : 'left bottom',
            offset: [60 + at * 100 + (at === 1 ? slip : 0), (nth % 2 === 0 ? 1 : -1) * (60 + nth * 10)],
          })),
        );
      return { clean: line(0), broken: line(nth < 5 ? 1 : -1) };
    },
  },
];
