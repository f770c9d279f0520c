import type { DocumentSource, WidgetSource } from 'pimbot';
import { view, type Defect, type Place } from '../sample.ts';

const key = (id: string, more: WidgetSource = {}): WidgetSource => ({
  id,
  kind: 'button',
  width: 260,
  height: 90,
  ...more,
});

/** Thumbs can miss it, and it says that it knows: what is asked here is what lies beside it. */
const small = (id: string) =>
  key(id, { width: 180, height: 56, accept: { 'thumb-target': 'there is no room for more' } });

/** A column of three buttons, somewhere in a view. */
function column(
  place: Place,
  keys: readonly WidgetSource[],
  more: WidgetSource = {},
  whole: Partial<DocumentSource> = {},
) {
  return view([place({ id: 'keys', arrange: 'column', gap: 24, children: keys, ...more })], whole);
}

/** Where the focus goes, and what fingers find. */
export const ofFocus: readonly Defect[] = [
  {
    name: 'a neighbour that is hidden',
    check: 'focus-astray',
    widget: 'w',
    make: (place, nth) => {
      const direction = nth % 2 === 0 ? 'nav-down' : 'nav-right';
      const one = (visible: boolean) =>
        column(place, [key('w', { [direction]: 'b' }), key('a'), key('b', { visible })]);
      return { clean: one(true), broken: one(false) };
    },
  },
  {
    name: 'a neighbour that is no control',
    check: 'focus-astray',
    widget: 'w',
    make: (place) => {
      const one = (to: string) =>
        column(place, [
          key('w', { 'nav-down': to }),
          { id: 'line', kind: 'text', text: 'Moorings', look: { 'font-size': 40, 'color': '#ffffff' } },
          key('a'),
        ]);
      return { clean: one('a'), broken: one('line') };
    },
  },
  {
    name: 'a dialog whose last button leads out of it',
    check: 'focus-astray',
    widget: 'w',
    make: (place, nth) => {
      const one = (to: string): ReturnType<typeof view> =>
        view([
          place(key('outside')),
          {
            id: 'ask',
            kind: 'dialog',
            anchor: 'center',
            arrange: 'column',
            gap: 24,
            padding: 40,
            look: { background: '#06222c' },
            children: [
              key('stay', { 'nav-right': 'w' }),
              key('w', { [nth % 2 === 0 ? 'nav-right' : 'nav-down']: to }),
            ],
          },
        ]);
      return { clean: one('stay'), broken: one('outside') };
    },
  },
  {
    name: 'a button the neighbours go past',
    check: 'focus-unreached',
    widget: 'w',
    make: (place, nth) => {
      const one = (next: string) =>
        column(place, [
          key('a', { 'nav-down': next, 'nav-up': nth % 2 === 0 ? 'c' : 'a' }),
          key('w', { 'nav-up': 'a', 'nav-down': 'c' }),
          key('c', { 'nav-up': next === 'c' ? 'a' : 'w', 'nav-down': 'a' }),
        ]);
      return { clean: one('w'), broken: one('c') };
    },
  },
  {
    name: 'a button the focus order forgets',
    check: 'focus-unreached',
    widget: 'w',
    make: (place) => {
      const shut = { 'nav-up': 'a', 'nav-down': 'c', 'nav-left': 'a', 'nav-right': 'c' };
      const one = (order: readonly string[]) =>
        column(place, [key('a', shut), key('w', shut), key('c', shut)], { 'focus-order': order });
      return { clean: one(['a', 'w', 'c']), broken: one(['a', 'c']) };
    },
  },
  {
    name: 'a button the focus does not come back from',
    check: 'focus-trap',
    widget: 'w',
    make: (place, nth) => {
      const stay = { 'nav-up': 'w', 'nav-down': 'w', 'nav-left': 'w', 'nav-right': 'w' };
      const one = (more: WidgetSource) =>
        column(place, [key('a'), key('b'), key('w', { ...stay, ...more })], {
          gap: 16 + 8 * (nth % 3),
        });
      return { clean: one({ 'nav-up': 'b' }), broken: one({}) };
    },
  },
  {
    name: 'a button whose neighbour leads back to another',
    check: 'focus-one-way',
    widget: 'w',
    make: (place, nth) => {
      const one = (back: string) =>
        column(place, [
          key('w', { 'nav-right': 'b' }),
          key('a', nth % 2 === 0 ? {} : { 'nav-up': 'w' }),
          key('b', { 'nav-left': back }),
        ]);
      return { clean: one('w'), broken: one('a') };
    },
  },
  {
    name: 'a control without a name',
    check: 'nameless-control',
    widget: 'w',
    make: (place, nth) => {
      const one = (label: string) =>
        view(
          [
            place(
              nth % 2 === 0
                ? { ...key('w'), label }
                : {
                    id: 'w',
                    kind: 'slider',
                    value: 0.5,
                    size: [300, 66],
                    padding: [24, 0],
                    look: { 'background': '#0d4452', 'color': '#9ef7c9', 'handle-color': '#ffffff' },
                    label,
                  },
            ),
          ],
          {
            kinds: {
              button: { background: '#0d4452', states: { focused: { border: '4 #ffffff' } } },
              slider: { states: { focused: { border: '4 #ffffff' } } },
            },
          },
        );
      return { clean: one('Anchor'), broken: one('') };
    },
  },
  {
    name: 'two buttons a hair apart',
    check: 'crowded-targets',
    widget: 'w',
    make: (place, nth) => {
      const one = (gap: number) =>
        view([
          place({
            arrange: nth % 2 === 0 ? 'row' : 'column',
            gap,
            children: [small('a'), small('w')],
          }),
        ]);
      return { clean: one(24), broken: one(1 + nth / 4) };
    },
  },
  {
    name: 'a disabled button that looks like any other',
    check: 'states-alike',
    widget: 'w',
    make: (place, nth) => {
      const one = (disabled: object) =>
        view([place(key('w', { states: 'disabled' }))], {
          kinds: {
            button: {
              background: `#0d4${(3 + (nth % 4)).toString(16)}52`,
              states: { focused: { border: '4 #ffffff' }, hover: { background: '#14606f' }, disabled },
            },
          },
        });
      return { clean: one({ background: '#22333a' }), broken: one({}) };
    },
  },
  {
    name: 'a chosen tab that looks like the others',
    check: 'states-alike',
    widget: 'w',
    make: (place) => {
      const one = (selected: object) =>
        view(
          [
            place({
              kind: 'tabs',
              arrange: 'row',
              gap: 24,
              page: 'w',
              children: [key('a', { width: 180 }), key('w', { width: 180 })],
            }),
          ],
          {
            kinds: {
              button: { background: '#0d4452', states: { focused: { border: '4 #ffffff' }, selected } },
            },
          },
        );
      return { clean: one({ background: '#2b8a7e' }), broken: one({}) };
    },
  },
];
