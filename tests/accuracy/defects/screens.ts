import type { WidgetSource } from 'pimbot';
import { box, image, pictures, plate, swap, view, type Defect } from '../sample.ts';

/** What shows on some screens only: very large ones, far ones, round ones. */
export const onScreens: readonly Defect[] = [
  {
    name: 'two that stand together on the reference, each tied to another edge',
    check: 'torn-apart',
    widget: 'w',
    make: (_, nth) => {
      const top = nth % 2 === 0 ? 'top' : 'bottom';
      const down = nth % 2 === 0 ? 40 + nth * 20 : -40 - nth * 20;
      const one = (more: WidgetSource) =>
        view([
          { id: 'name', anchor: `left ${top}`, offset: [120, down], size: [180, 90], look: plate },
          { id: 'w', size: [180, 90], look: plate, ...more },
        ]);
      return {
        clean: one({ anchor: `left ${top}`, offset: [330 + nth, down] }),
        broken: one({ anchor: `right ${top}`, offset: [-1410 + nth, down] }),
      };
    },
  },
  {
    name: 'a lamp in the round corner of the glass',
    check: 'outside-safe-area',
    widget: 'w',
    make: (_, nth) => {
      const side = nth % 2 === 0 ? 'left' : 'right';
      const one = (inside: number) =>
        view(
          [
            {
              id: 'w',
              kind: 'image',
              image: 'art',
              size: 64,
              anchor: `${side} bottom`,
              offset: [side === 'left' ? inside : -inside, -inside],
            },
          ],
          { pictures },
        );
      return { clean: one(60), broken: one(2 + nth / 10) };
    },
  },
  {
    name: 'a picture that is a dot across the room',
    check: 'tiny-part',
    widget: 'w',
    make: swap(
      () => image({ size: 64 }),
      (nth) => image({ size: 3 + nth / 5 }),
      { pictures },
    ),
  },
  {
    name: 'a meter as thin as a hair',
    check: 'tiny-part',
    widget: 'w',
    make: (place, nth) => {
      const one = (height: number) =>
        view([
          place({
            id: 'w',
            kind: 'meter',
            value: 0.7,
            width: 240,
            height,
            look: { color: '#9ef7c9', background: '#04161c' },
          }),
        ]);
      return { clean: one(40), broken: one(2 + nth / 5) };
    },
  },
  {
    name: 'two lamps of which one turns red where the other is green',
    check: 'colors-alike',
    widget: 'w',
    make: (place, nth) => {
      const lamps = (one: string, other: string) =>
        view([
          place({
            arrange: 'row',
            gap: 20,
            children: [
              { id: 'other', size: 48, look: { background: other } },
              { id: 'w', size: 48, look: { background: one } },
            ],
          }),
        ]);
      const shade = (nth % 5).toString(16);
      return {
        clean: lamps('#2f6fd8', '#f2c14e'),
        // A red and a green of one lightness.
        broken: lamps(`#c86${shade}4a`, '#8f8f3a'),
      };
    },
  },
  {
    name: 'words in a text told apart by red and green alone',
    check: 'colors-alike',
    widget: 'w',
    make: (place, nth) => {
      const one = (bad: string, good: string) =>
        view(
          [
            place({
              id: 'w',
              kind: 'text',
              wrap: false,
              text: `[Kelp](${bad}) and [brine](${good})`,
              look: { 'font-size': 40 },
            }),
          ],
          {},
          nth % 2 === 0 ? '#04161c' : '#000000',
        );
      return { clean: one('#7fb8ff', '#ffe08a'), broken: one('#e88a6d', '#a9b05c') };
    },
  },
  {
    name: 'two meters side by side in colours that fall together',
    check: 'colors-alike',
    widget: 'w',
    make: (place, nth) => {
      const meters = (one: string, other: string) =>
        view([
          place({
            arrange: 'column',
            gap: 24,
            children: [one, other].map((color, at) => ({
              id: at === 0 ? 'w' : 'other',
              kind: 'meter' as const,
              value: 0.5 + nth / 100,
              width: 300,
              height: 48,
              look: { color, background: '#04161c' },
            })),
          }),
        ]);
      return { clean: meters('#6fa8ff', '#ffd583'), broken: meters('#d9705a', '#9a9440') };
    },
  },
  {
    name: 'a plate whose neighbours it was copied beside, a sixth of the screen away on wide ones',
    check: 'torn-apart',
    widget: 'w',
    make: (_, nth) => {
      const one = (anchor: string, x: number) =>
        view([
          { id: 'dial', anchor: 'center bottom', offset: [-100, -40], size: [160, 120], look: plate },
          { id: 'w', anchor, offset: [x, -40], ...box(160, 120) },
        ]);
      return { clean: one('center bottom', 100 + nth), broken: one('right bottom', -780 - nth) };
    },
  },
];
