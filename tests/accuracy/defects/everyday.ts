import { box, image, plate, swap, text, view, words, type Defect } from '../sample.ts';
import type { WidgetSource } from 'pimbot';

const strip = (children: readonly WidgetSource[], more: WidgetSource = {}): WidgetSource => ({
  size: [320, 200],
  look: plate,
  ...more,
  children,
});

const focused = { focused: { border: '4 #ffffff' }, disabled: { opacity: 0.6 } };
const field = {
  styles: { field: { ...words, background: '#021118', border: '2 #58bfb0', padding: 10, states: focused } },
};

/** Mistakes that are made on any day: something left behind after a change, or never looked at in another state or case. */
export const everyday: readonly Defect[] = [
  {
    name: 'a separator nobody sees',
    check: 'shows-nothing',
    widget: 'w',
    make: (place, nth) => {
      const parted = (look: object) =>
        view([
          place(
            strip(
              [
                { width: 100, look: { background: '#1d7f8c' } },
                { id: 'w', kind: 'separator', width: 6, label: 'width', look },
                { width: 'fill', look: { background: '#1d7f8c' } },
              ],
              { arrange: 'row', size: [320 + nth, 200] },
            ),
          ),
        ]);
      return { clean: parted({ background: '#ffffff' }), broken: parted({ background: '#00000000' }) };
    },
  },
  {
    name: 'a checkbox that does not show that it is disabled',
    check: 'states-alike',
    widget: 'w',
    make: (place) => {
      const one = (disabled: object) =>
        view([place({ id: 'w', kind: 'checkbox', states: 'disabled', size: [60, 60] })], {
          kinds: { checkbox: { color: '#fff', border: '3 #58bfb0', ...disabled } },
        });
      return { clean: one({ states: { disabled: { opacity: 0.6 } } }), broken: one({}) };
    },
  },
  {
    name: 'a picture over the whole view',
    check: 'covered',
    widget: 'w',
    make: (place) => {
      const over = image({ id: 'art', size: '100%', area: 'full', fit: 'fill' });
      const under = place({ id: 'w', ...text('Depth') });
      const named = { pictures: { art: 'art.png' } };
      return {
        clean: view([under], named),
        broken: view([under, over], named),
      };
    },
  },
  {
    name: 'a mark on a corner, in a panel that does not let it out',
    check: 'bursts-parent',
    widget: 'w',
    make: (place, nth) => {
      const card = (more: WidgetSource) =>
        view([
          place(
            strip(
              [
                {
                  id: 'w',
                  anchor: 'right top',
                  pivot: 'center',
                  size: 60 + nth,
                  look: { background: '#8e1712' },
                },
              ],
              more,
            ),
          ),
        ]);
      return { clean: card({ overflow: 'visible' }), broken: card({}) };
    },
  },
  {
    name: 'a slider past its end',
    check: 'value-range',
    widget: 'w',
    make: (place, nth) => {
      const at = (loud: number) =>
        view(
          [
            place({
              id: 'w',
              kind: 'slider',
              value: '{loud}',
              size: [300, 80],
              style: 'field',
            }),
          ],
          { ...field, cases: { typical: { loud } } },
        );
      return { clean: at(0.7), broken: at(1.2 + nth) };
    },
  },
  {
    name: 'a text that its panel fades away',
    check: 'low-contrast',
    widget: 'w',
    make: (place, nth) => {
      const faded = (opacity: number) =>
        view([
          place(
            strip([{ id: 'w', ...text('Depth'), anchor: 'center' }], {
              look: { background: '#0d4452', opacity },
            }),
          ),
        ]);
      return { clean: faded(1), broken: faded(0.2 + nth / 100) };
    },
  },
  {
    name: 'a padding that leaves its text no room',
    check: 'cut-text',
    widget: 'w',
    make: (place, nth) => {
      const padded = (padding: string) =>
        view([
          place(
            strip([{ id: 'w', ...text('Saint Barnacle'), width: 320, padding }], {
              size: [400, 200],
            }),
          ),
        ]);
      return { clean: padded('0 1%'), broken: padded(`0 ${10 + nth}%`) };
    },
  },
  {
    name: 'a gap in shares that pushes the last one out',
    check: 'bursts-parent',
    widget: 'w',
    make: (place, nth) => {
      const row = (gap: string) =>
        view([
          place(
            strip([box(80, 60), box(80, 60), { id: 'w', ...box(80, 60) }], {
              arrange: 'row',
              align: 'start',
              gap,
            }),
          ),
        ]);
      return { clean: row('4%'), broken: row(`${20 + nth}%`) };
    },
  },
  {
    name: 'a textbox whose hint does not fit',
    check: 'cut-text',
    widget: 'w',
    make: swap(
      () => ({
        kind: 'textbox',
        placeholder: 'Name',
        size: [300, 80],
        style: 'field',
      }),
      (nth) => ({
        kind: 'textbox',
        placeholder: 'The name of your submersible',
        size: [240 + nth, 80],
        style: 'field',
      }),
      field,
    ),
  },
  {
    name: 'a long number in the worst case alone',
    check: 'cut-text',
    widget: 'w',
    make: (place, nth) => {
      const shown = (depth: number) =>
        view([place({ id: 'w', ...text('{depth, number} m'), width: 200 })], {
          cases: { typical: { depth: 412 }, worst: { depth } },
        });
      return { clean: shown(413), broken: shown(10_994_000_000 + nth) };
    },
  },
  {
    name: 'a line that shows that there is an entry, over an empty list',
    check: 'empty-control',
    widget: 'w',
    make: (place) => {
      const list = (entries: readonly string[]) =>
        view(
          [
            place({
              id: 'w',
              kind: 'button',
              size: [300, 90],
              arrange: 'row',
              children: [{ kind: 'text', text: '{entry}', repeat: '{entries}', look: words } as never],
            }),
          ],
          {
            cases: {
              typical: { entries: [{ entry: 'Dive' }] },
              other: { entries: entries.map((entry) => ({ entry })) },
            },
          },
        );
      return { clean: list(['Dive']), broken: list([]) };
    },
  },
  {
    name: 'a text that two kinds of colour-blind players cannot tell from its plate',
    check: 'low-contrast',
    widget: 'w',
    make: (place, nth) => {
      const on = (color: string) =>
        view([
          place(
            strip([{ id: 'w', ...text('Hull', { color }), anchor: 'center' }], {
              look: { background: nth % 2 ? '#7a1f1f' : '#1f5f1f' },
            }),
          ),
        ]);
      return { clean: on('#ffffff'), broken: on(nth % 2 ? '#a06a20' : '#6a8a20') };
    },
  },
];
