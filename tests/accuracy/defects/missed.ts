import { image, inner, plate, swap, text, view, words, type Defect } from '../sample.ts';
import type { WidgetSource } from 'pimbot';

const button = (id: string, y: number): WidgetSource => ({
  id,
  kind: 'button',
  anchor: 'left top',
  offset: [20, y],
  size: [180, 66],
});
const shownByGame: WidgetSource = { visible: '{tells}', offset: ['{x}', '{y}'] };
const four = [button('a', 10), button('b', 80), button('c', 150), button('d', 220)];
const inPanel = (children: readonly WidgetSource[], more: WidgetSource = {}): WidgetSource => ({
  size: [320, 300],
  look: plate,
  ...more,
  children,
});
const slot = (id: string, x: number, more: WidgetSource = {}): WidgetSource => ({
  id,
  anchor: 'left top',
  offset: [x, 20],
  size: [40, 40],
  look: plate,
  ...more,
});
const line = (gaps: readonly number[]): readonly WidgetSource[] => {
  let x = 10;
  return [0, ...gaps].map((gap, nth) => {
    x += nth === 0 ? 0 : 40 + gap;
    return slot(nth === 1 ? 'w' : `s${nth}`, x);
  });
};
const rows = (change: WidgetSource): WidgetSource => ({
  arrange: 'row',
  gap: 12,
  children: [
    { id: 'w', size: 60, look: plate },
    { size: 60, look: plate, when: [{ screen: { aspect: '..1.2' }, change }] },
    { size: 60, look: plate },
  ],
});
const scroller = (height: number, width = 200): WidgetSource => ({
  id: 'w',
  size: [260, height],
  scroll: 'y',
  arrange: 'column',
  look: plate,
  children: [
    { size: [width, 150], look: { background: '#1d7f8c' } },
    { id: 'entry', kind: 'button', size: [width, 90] },
  ],
});
const entries = (second: object): WidgetSource => ({
  arrange: 'column',
  gap: 12,
  children: [
    { ...text('One'), style: 'entry', look: {} },
    { ...text('Two'), id: 'w', style: 'entry', look: second },
    { ...text('Three'), style: 'entry', look: {} },
  ],
});
const entryStyle = { styles: { entry: words } };

/** Mistakes that leave something out, send it nowhere, or make it show nothing. */
export const missed: readonly Defect[] = [
  {
    name: 'content past the axis that does not scroll',
    check: 'cut-off',
    widget: 'entry',
    make: (place, nth) => ({
      clean: view([place(scroller(180))]),
      broken: view([place(scroller(180, 300 + nth))]),
    }),
  },
  {
    name: 'a plate wider than the list it is in',
    check: 'cut-off',
    widget: 'w',
    make: (place, nth) => {
      const entry = (id: string, width: number): WidgetSource => ({
        id,
        size: [width, 70],
        look: { background: '#1d7f8c' },
      });
      const one = (width: number) =>
        view([
          place(
            inPanel([entry('a', 280), entry('w', width), entry('b', 280)], {
              id: 'list',
              arrange: 'column',
              gap: 12,
              scroll: 'y',
            }),
          ),
        ]);
      return { clean: one(280), broken: one(340 + nth * 5) };
    },
  },
  {
    name: 'a scroll area squeezed to nothing',
    check: 'small-viewport',
    widget: 'w',
    make: (place, nth) => ({
      clean: view([place(scroller(180))]),
      broken: view([place(scroller(6 + nth / 2))]),
    }),
  },
  {
    name: 'words dropped without an ellipsis',
    check: 'cut-text',
    widget: 'w',
    make: swap(
      () => ({ ...text('Depth'), 'wrap': true, 'width': 200, 'max-lines': 1 }),
      (nth) => ({
        ...text('many words that break into lines'),
        'wrap': true,
        'width': 200 + nth,
        'max-lines': 1,
      }),
    ),
  },
  {
    name: 'a placeholder that a list does not fill',
    check: 'unfilled-placeholder',
    widget: 'w',
    make: (place) => {
      const made = (note: string) =>
        view([place({ id: 'w', ...text('{note}') })], { cases: { typical: { note } } });
      return { clean: made('for all'), broken: made('for {station}') };
    },
  },
  {
    name: 'a picture that hides a text',
    check: 'covered',
    widget: 't',
    make: (place) => {
      const panel = (size: number) =>
        inPanel([
          { 'id': 't', ...text('Depth'), 'anchor': 'center', 'may-overlap': true },
          image({ id: 'w', anchor: 'center bottom', size }),
        ]);
      const named = { pictures: { art: 'art.png' } };
      return { clean: view([place(panel(100))], named), broken: view([place(panel(240))], named) };
    },
  },
  {
    name: 'a clear panel over a button',
    check: 'swallowed-input',
    widget: 'w',
    make: (place, nth) => {
      const panel = (look: object) =>
        inPanel([
          { ...button('w', 100) },
          { id: 'ghost', anchor: 'left top', offset: [10, 90], size: [200, 60 + nth], look },
        ]);
      const away = inPanel([button('w', 100)]);
      return {
        clean: view([place(away)]),
        broken: view([
          place(panel(nth % 2 ? { background: '#00000000' } : { background: '#000', opacity: 0 })),
        ]),
      };
    },
  },
  {
    name: 'a switch that does not show that it is disabled',
    check: 'states-alike',
    widget: 'w',
    make: (place) => {
      const one = (disabled: object) =>
        view(
          [
            place({
              id: 'w',
              kind: 'switch',
              states: 'disabled',
              size: [90, 44],
              look: { background: '#0d4452' },
            }),
          ],
          { kinds: { switch: { color: '#fff', ...disabled } } },
        );
      return { clean: one({ states: { disabled: { opacity: 0.6 } } }), broken: one({}) };
    },
  },
  {
    name: 'a picture among words blown up',
    check: 'blown-up-picture',
    widget: 'w',
    make: (place, nth) => {
      const said = (name: string) =>
        view([place({ id: 'w', ...text(`Take ![${name}]`, { 'font-size': 70 + nth }) })], {
          pictures: { art: 'art.png', tiny: 'tiny.png' },
        });
      return { clean: said('art'), broken: said('tiny') };
    },
  },
  {
    name: 'a picture of the colour of its ground',
    check: 'faint-part',
    widget: 'w',
    make: (place) => {
      const on = (background: string) =>
        view([place(inPanel([image({ id: 'w', anchor: 'center', size: 120 })], { look: { background } }))], {
          pictures: { art: 'art.png' },
        });
      return { clean: on('#04202a'), broken: on('#c08040') };
    },
  },
  {
    name: 'gaps of 20 and 16',
    check: 'uneven-gaps',
    widget: 'w',
    make: (place) => ({
      clean: view([place(inPanel(line([20, 20])))]),
      broken: view([place(inPanel(line([20, 16])))]),
    }),
  },
  {
    name: 'gaps of 32, 20, 26 and 26',
    check: 'uneven-gaps',
    widget: 'w',
    make: (place) => ({
      clean: view([place(inPanel(line([26, 26, 26, 26])))]),
      broken: view([place(inPanel(line([32, 20, 26, 26])))]),
    }),
  },
  {
    name: 'a hole in a row',
    check: 'left-hole',
    widget: 'w',
    make: (place) => ({
      clean: view([place(rows({ gone: true }))]),
      broken: view([place(rows({ visible: false }))]),
    }),
  },
  {
    name: 'a focus that jumps past what comes later',
    check: 'focus-jumps',
    widget: 'p',
    make: (place) => {
      const order = (ids: readonly string[]) =>
        view([place(inPanel(four, { 'id': 'p', 'focus-order': ids }))]);
      return { clean: order(['a', 'b', 'c', 'd']), broken: order(['a', 'd', 'b', 'c']) };
    },
  },
  {
    name: 'a focus that runs against the way one reads',
    check: 'focus-jumps',
    widget: 'p',
    make: (place) => {
      const order = (ids: readonly string[]) =>
        view([place(inPanel(four, { 'id': 'p', 'focus-order': ids }))]);
      return { clean: order(['a', 'b', 'c', 'd']), broken: order(['d', 'c', 'b', 'a']) };
    },
  },
  {
    name: 'an entry in another size',
    check: 'odd-text-size',
    widget: 'w',
    make: (place, nth) => ({
      clean: view([place(entries({}))], entryStyle),
      broken: view([place(entries({ 'font-size': 33 + nth / 2 }))], entryStyle),
    }),
  },
  {
    name: 'a plate without a size',
    check: 'shows-nothing',
    widget: 'w',
    make: swap(
      () => ({ size: 90, look: plate }),
      (nth) => (nth % 2 ? { size: 0, look: plate } : { look: plate }),
    ),
  },
  {
    name: 'a fill with no room left',
    check: 'shows-nothing',
    widget: 'w',
    make: (place) => {
      const row = (width: number): WidgetSource => ({
        arrange: 'row',
        width: 300,
        children: [
          { size: [width, 90], look: plate },
          { id: 'w', width: 'fill', height: 90, look: { background: '#1d7f8c' } },
        ],
      });
      return { clean: view([place(row(200))]), broken: view([place(row(300))]) };
    },
  },
  {
    name: 'a button with nothing on it',
    check: 'empty-control',
    widget: 'w',
    make: swap(
      () => ({ kind: 'button', size: [200, 90] }),
      (nth) => ({ kind: 'button', size: [200, 90 + nth], text: ' ' }),
    ),
  },
  {
    name: 'a button in a button',
    check: 'nested-controls',
    widget: 'w',
    make: (place) => {
      const made = (kind: 'panel' | 'button') =>
        view([
          place({
            id: 'o',
            kind,
            size: [300, 200],
            children: [{ id: 'w', kind: 'button', anchor: 'center', size: [120, 80] }],
          }),
        ]);
      return { clean: made('panel'), broken: made('button') };
    },
  },
  {
    name: 'a button in what takes no input',
    check: 'unpressable',
    widget: 'w',
    make: (place) => {
      const one = (more: WidgetSource) =>
        view([place(inPanel([{ ...button('w', 20), text: 'Sink' }], more))]);
      return { clean: one({}), broken: one({ 'pointer-events': 'none' }) };
    },
  },
  {
    name: 'a tooltip that a value does not name',
    check: 'leads-nowhere',
    widget: 'w',
    make: (place) => {
      const told = (tip: string) =>
        view(
          [
            place({ id: 'w', kind: 'button', size: [180, 66], text: 'Sink', tooltip: '{tip}' }),
            { id: 'hint', kind: 'tooltip', text: 'Water comes in', anchor: 'left top', ...shownByGame },
          ],
          { cases: { typical: { tip, tells: false, x: 0, y: 0 } } },
        );
      return { clean: told('hint'), broken: told('hit') };
    },
  },
  {
    name: 'a widget that is never shown',
    check: 'never-shown',
    widget: 'w',
    make: (place) => {
      const one = (more: WidgetSource) => ({
        ...view([place(inner({ id: 'w', anchor: 'center', size: 90, look: plate, ...more }))]),
        isWhole: true,
      });
      return { clean: one({}), broken: one({ visible: false }) };
    },
  },
  {
    name: 'a value in percent',
    check: 'value-range',
    widget: 'w',
    make: (place, nth) => {
      const meter = (hull: number) =>
        view(
          [
            place({
              id: 'w',
              kind: 'meter',
              value: '{hull}',
              size: [200, 40],
              look: { color: '#fff', background: '#000' },
            }),
          ],
          { cases: { typical: { hull } } },
        );
      return { clean: meter(0.86), broken: meter(nth % 2 ? 86 : -0.2) };
    },
  },
  {
    name: 'nothing that can be used',
    check: 'all-disabled',
    widget: 'v',
    make: (place) => {
      const made = (states: WidgetSource['states']) =>
        view([place(inPanel(four.map((one) => ({ ...one, states }))))]);
      return { clean: made([]), broken: made('disabled') };
    },
  },
  {
    name: 'a weight the font does not have',
    check: 'missing-face',
    widget: 'w',
    make: swap(
      () => text('Depth', { 'font-weight': 700 }),
      (nth) => text('Depth', nth % 2 ? { 'font-style': 'italic' } : { 'font-weight': 900 }),
    ),
  },
];
