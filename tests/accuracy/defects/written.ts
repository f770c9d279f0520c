import type { ThemeFileSource, WidgetSource } from 'pimbot';
import {
  box,
  component,
  image,
  pictures,
  plate,
  text,
  view,
  type Defect,
  type Place,
  type Sample,
} from '../sample.ts';

/** A component of a plate with a name on it, and an instance that changes things. */
const sign = (place: Place, change: WidgetSource): Sample =>
  view([place({ id: 'w', use: 'sign', set: { name: change } })], {
    components: {
      sign: {
        size: [400, 120],
        look: plate,
        children: [
          {
            id: 'name',
            kind: 'text',
            text: 'Depth',
            anchor: 'center',
            look: { 'color': '#ffffff', 'font-size': 40 },
          },
        ],
      },
    },
  });

export const written: readonly Defect[] = [
  {
    name: 'an instance that is nothing like its component',
    check: 'drifted-instance',
    widget: 'w',
    make: (place, nth) => ({
      clean: sign(place, { text: 'Keel' }),
      broken: sign(place, {
        'anchor': 'left center',
        'offset': [24 + nth, 0],
        'wrap': false,
        'max-lines': 1,
        'look': { 'color': '#ffd583', 'font-size': 44 },
      }),
    }),
  },
  {
    name: 'an instance that says again what its component says',
    check: 'idle-change',
    widget: 'w',
    make: (place, nth) => ({
      clean: sign(place, { text: 'Keel' }),
      broken: sign(place, nth % 2 === 0 ? { anchor: 'center' } : { text: 'Depth' }),
    }),
  },
  {
    name: 'a condition that no screen meets',
    check: 'idle-condition',
    widget: 'w',
    make: (place, nth) => {
      const one = (aspect: string) => ({
        ...view([
          place({ id: 'w', ...box(), size: 90, when: [{ screen: { aspect }, change: { size: 120 + nth } }] }),
        ]),
        isWhole: true,
      });
      return { clean: one(`..${1 + nth / 20}`), broken: one(`${9 + nth}..`) };
    },
  },
  {
    name: 'a condition that says what is so without it',
    check: 'idle-change',
    widget: 'w',
    make: (place, nth) => {
      const one = (size: number) =>
        view([
          place({
            id: 'w',
            ...box(),
            size: 90 + nth,
            when: [{ screen: { input: 'touch' }, change: { size } }],
          }),
        ]);
      return { clean: one(120 + nth), broken: one(90 + nth) };
    },
  },
  {
    name: 'a style nothing uses',
    check: 'unused-style',
    widget: 'left',
    make: (place, nth) => {
      const one = (style: string) =>
        view([place({ id: 'w', ...box(), style })], {
          styles: { left: { opacity: 0.9 + nth / 100 }, other: { opacity: 1 } },
        });
      return {
        clean: view([place({ id: 'w', ...box(), style: ['left', 'other'] })], {
          styles: { left: { opacity: 1 }, other: { opacity: 1 } },
        }),
        broken: one('other'),
      };
    },
  },
  {
    name: 'a component nothing uses',
    check: 'unused-component',
    widget: 'box',
    make: (place) => ({
      clean: view([place({ id: 'w', use: 'box' })], { components: component }),
      broken: view([place({ id: 'w', ...box() })], { components: component }),
    }),
  },
  {
    name: 'a parameter nothing uses',
    check: 'unused-parameter',
    widget: 'sign.ink',
    make: (place, nth) => {
      const one = (words: string) =>
        view([place({ id: 'w', use: 'sign', label: `Depth ${nth}`, ink: 'Keel' } as never)], {
          components: {
            sign: {
              params: { label: 'text', ink: { type: 'text', default: 'Hull' } },
              size: [400, 120],
              look: plate,
              children: [{ id: 'name', ...text(words), anchor: 'center' }],
            },
          },
        });
      return { clean: one('{label} {ink}'), broken: one('{label}') };
    },
  },
  {
    name: 'a picture nothing shows',
    check: 'unused-picture',
    widget: 'frame',
    make: (place, nth) => {
      const shown = (look: object) => view([place(image({ id: 'w', size: 200 + nth, look }))], { pictures });
      const broken = shown({});
      return {
        clean: shown({ image: 'frame' }),
        broken: {
          ...broken,
          document: { ...broken.document, pictures: { art: pictures.art, frame: pictures.frame } },
        },
      };
    },
  },
  {
    name: 'a value of a case that nothing shows',
    check: 'unused-value',
    widget: 'hul',
    make: (place, nth) => {
      const one = (words: string) =>
        view([place({ id: 'w', ...text(words) })], {
          cases: { typical: { hull: 80 + nth, hul: 60 }, worst: { hull: 4, hul: 0 } },
        });
      return { clean: one('{hull, number} of {hul}'), broken: one('{hull, number}') };
    },
  },
  {
    name: 'a token nothing uses',
    check: 'unused-token',
    widget: 'color.old',
    make: (place, nth) => {
      const tokens = { color: { old: '#ff0000', ink: '#ffffff' } };
      const one = (color: string) =>
        view([place({ id: 'w', ...text('Depth', { color }) })], {
          tokens: color === '$color.ink' ? tokens : { color: { old: '#ffffff' } },
        });
      return { clean: one('$color.old'), broken: { ...one('$color.ink'), ...(nth < 0 && {}) } };
    },
  },
  {
    name: 'a style one theme lacks',
    check: 'theme-gap',
    widget: 'night',
    make: (place) => {
      const one = (night: ThemeFileSource): Sample => ({
        ...view([place({ id: 'w', size: [200, 90], style: 'plate' })], {
          themes: { day: 'day.yaml', night: 'night.yaml' },
        }),
        files: { 'day.yaml': { 'pimbot-theme': 1, 'styles': { plate } }, 'night.yaml': night },
      });
      return {
        clean: one({ 'pimbot-theme': 1, 'styles': { plate: { background: '#000' } } }),
        broken: one({ 'pimbot-theme': 1 }),
      };
    },
  },
  {
    name: 'an acceptance of what is mended',
    check: 'idle-acceptance',
    widget: 'w',
    make: (place, nth) => {
      const accept = { 'nearly-aligned': 'they are meant to be apart' };
      const one = (more: object) => ({
        ...view([place({ id: 'w', ...box(200 + nth), ...more })]),
        isWhole: true,
      });
      return { clean: one({}), broken: one({ accept }) };
    },
  },
];
