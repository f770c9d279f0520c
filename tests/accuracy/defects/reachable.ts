import { focus, swap, view, words, type Defect } from '../sample.ts';

export const reachable: readonly Defect[] = [
  {
    name: 'a focus that looks like none',
    check: 'states-alike',
    widget: 'w',
    make: (place) => {
      const one = (states: object) =>
        view(
          [
            place({
              id: 'w',
              kind: 'button',
              size: [240, 90],
              text: 'Cast off',
              look: { 'font-size': 40, 'text-align': 'center' },
            }),
          ],
          { kinds: { button: { background: '#0d4452', states } } },
        );
      return { clean: one({ focused: { border: '4 #ffffff' } }), broken: one({}) };
    },
  },
  {
    name: 'a focus that is too faint',
    check: 'states-alike',
    widget: 'w',
    make: (place, nth) => {
      const one = (color: string) =>
        view([place({ id: 'w', kind: 'button', size: [240, 90] })], {
          kinds: { button: { background: '#0d4452', states: { focused: { background: color } } } },
        });
      return { clean: one('#ffd583'), broken: one(`#0d4${(5 + (nth % 4)).toString(16)}52`) };
    },
  },
  {
    name: 'a button too small to hit',
    check: 'small-target',
    widget: 'w',
    make: swap(
      () => ({ kind: 'button', size: [200, 90] }),
      (nth) => ({ kind: 'button', size: [200, 10 + nth] }),
    ),
  },
  {
    name: 'a checkbox too small to hit',
    check: 'small-target',
    widget: 'w',
    make: swap(
      () => ({ kind: 'checkbox', states: 'disabled' }),
      (nth) => ({ kind: 'checkbox', size: 8 + nth }),
      {
        kinds: {
          checkbox: {
            background: '#123',
            states: { ...focus.checkbox.states, focused: { border: '4 #ffffff' } },
          },
        },
      },
    ),
  },
  {
    name: 'a tooltip that hides what it explains',
    check: 'cramped-tooltip',
    widget: 'w',
    make: (place, nth) => {
      const one = (width: number) =>
        view(
          [
            place({ id: 'w', kind: 'button', text: 'Dive', size: [300, 110], look: words, tooltip: 'tip' }),
            {
              id: 'tip',
              kind: 'tooltip',
              anchor: 'left top',
              offset: ['{tip-x}', '{tip-y}'],
              visible: '{tells}',
              size: [width, 120],
              look: { background: '#ffffff' },
            },
          ],
          { cases: { only: { 'tells': false, 'tip-x': 0, 'tip-y': 0 } } },
        );
      return { clean: one(500), broken: one(4000 + 100 * nth) };
    },
  },
  {
    name: 'a button too small for a thumb',
    check: 'thumb-target',
    widget: 'w',
    make: swap(
      () => ({ kind: 'button', size: [200, 90] }),
      (nth) => ({ kind: 'button', size: [200, 36 + 2 * nth] }),
    ),
  },
  {
    name: 'an unseen panel over a button',
    check: 'swallowed-input',
    widget: 'w',
    make: (place, nth) => ({
      clean: view([place({ id: 'w', kind: 'button', size: [240, 90] })]),
      broken: view([
        place({ id: 'w', kind: 'button', size: [240, 90] }),
        { id: 'veil', anchor: 'left..right top..bottom', inset: nth },
      ]),
    }),
  },
];
