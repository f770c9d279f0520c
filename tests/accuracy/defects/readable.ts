import { inner, plate, swap, text, view, words, type Defect, type Sample } from '../sample.ts';
import type { WidgetSource } from 'pimbot';

/** Plurals as they are written in English, and others that lack a form of Polish. */
const lesserPlurals = [
  '{crates, plural, one {# skrzynia} other {# skrzyń}}',
  '{crates, plural, other {# skrzyń}}',
  '{crates, plural, one {# skrzynia} few {# skrzynie} other {# skrzyń}}',
  '{crates, plural, one {# skrzynia} many {# skrzyń} other {# skrzyni}}',
  '{crates, plural, =1 {# skrzynia} few {# skrzynie} other {# skrzyń}}',
];

export const readable: readonly Defect[] = [
  {
    name: 'a text too wide for its box',
    check: 'cut-text',
    widget: 'w',
    make: swap(
      () => ({ ...text('Depth'), width: 300 }),
      (nth) => ({ ...text('Saint Barnacle'), width: 90 + nth }),
    ),
  },
  {
    name: 'too many lines for a box',
    check: 'cut-text',
    widget: 'w',
    make: swap(
      () => ({ ...text('One line'), size: [300, 80] }),
      (nth) => ({
        ...text('many words that break into lines of which some do not fit'),
        wrap: true,
        size: [260, 90 + nth],
      }),
    ),
  },
  {
    name: 'a text at its floor',
    check: 'shrunk-text',
    widget: 'w',
    make: swap(
      () => ({ ...text('Depth'), 'width': 300, 'least-font-size': 30 }),
      (nth) => ({ ...text('Strong current'), 'width': 150 + nth * 2, 'least-font-size': 30 }),
    ),
  },
  {
    name: 'small print',
    check: 'small-text',
    widget: 'w',
    make: swap(
      () => text('Depth'),
      (nth) => text('Depth', { 'font-size': 9 + nth * 0.2 }),
    ),
  },
  {
    name: 'letters of too few pixels',
    check: 'coarse-text',
    widget: 'w',
    make: swap(
      () => text('Depth'),
      (nth) => text('Depth', { 'font-size': 7 + nth * 0.2 }),
    ),
  },
  {
    name: 'lines across the whole screen',
    check: 'long-lines',
    widget: 'w',
    make: (place, nth) => {
      const long = 'We lay on the ridge with the pumps off and listened to something large go by. '.repeat(4);
      const page = (width: number) =>
        view(
          [
            {
              ...place({}),
              ...(place({}).arrange === 'column' && { padding: 0, children: [] }),
              id: 'holder',
              anchor: 'center',
              offset: 0,
              arrange: 'column',
              width: '100% - 20',
              align: 'start',
              children: [
                {
                  'id': 'w',
                  'kind': 'text',
                  'text': long,
                  'look': { 'font-size': 24, 'color': '#fff' },
                  'max-width': width,
                },
              ],
            },
          ],
          {},
          '#000000',
        );
      return { clean: page(640), broken: page(3000 + 200 * nth) };
    },
  },
  {
    name: 'grey on grey',
    check: 'low-contrast',
    widget: 'w',
    make: swap(
      () => text('Depth'),
      (nth) =>
        text('Depth', {
          color: [
            '#123a44',
            '#22424a',
            '#2a4a50',
            '#103038',
            '#304a50',
            '#18343c',
            '#203c44',
            '#2c484e',
            '#0c2c36',
            '#143840',
          ][nth],
        }),
    ),
  },
  {
    name: 'words under a shade',
    check: 'dimmed-text',
    widget: 'shade',
    make: (place, nth) => {
      const page = (alpha: number): Sample => {
        const background = `#04202a${alpha.toString(16)}`;
        const shade: WidgetSource = {
          'id': 'shade',
          'anchor': 'left..right top..bottom',
          'area': 'full',
          'may-overlap': true,
          'pointer-events': 'none',
          'look': { background },
        };
        const sample = view([place({ id: 'w', ...text('Depth') })]);
        const { views } = sample.document;
        const [name, one] = Object.entries(views)[0]!;
        return {
          ...sample,
          document: {
            ...sample.document,
            views: { [name]: { ...one, children: [...one.children!, shade] } },
          },
        };
      };
      return { clean: page(0x20), broken: page(0xc0 + 2 * nth) };
    },
  },
  {
    name: 'a label the colour of its plate',
    check: 'low-contrast',
    widget: 'in',
    make: swap(
      () => inner({ id: 'in', anchor: 'center', ...text('Dock') }),
      () => inner({ id: 'in', anchor: 'center', ...text('Dock', { color: '#2a6a78' }) }),
    ),
  },
  {
    name: 'a button that is hard to read while it is hovered',
    check: 'low-contrast',
    widget: 'w',
    make: (place, nth) => {
      const state = (['hover', 'focused', 'pressed'] as const)[nth % 3]!;
      const one = (background: string) =>
        view([place({ id: 'w', kind: 'button', text: 'Dive', size: [240, 90], look: words, style: 'key' })], {
          styles: {
            key: {
              background: '#0d4452',
              states: { focused: { border: '4 #ffffff' }, [state]: { border: '4 #ffffff', background } },
            },
          },
        });
      return { clean: one('#062631'), broken: one('#e8f0e0') };
    },
  },
  {
    name: 'a green bar on a green field',
    check: 'faint-part',
    widget: 'w',
    make: swap(
      () => ({
        kind: 'meter',
        value: 0.6,
        size: [240, 30],
        look: { background: '#021118', color: '#b6ee7a' },
      }),
      (nth) => ({
        kind: 'meter',
        value: 0.3 + nth * 0.05,
        size: [240, 30],
        look: { background: '#2f6b3a', color: '#4a8f4f' },
      }),
    ),
  },
  {
    name: 'a line of the colour of its plate',
    check: 'faint-part',
    widget: 'w',
    make: (place, nth) => {
      const one = (background: string) => {
        const line: WidgetSource = { id: 'w', kind: 'separator', width: 'fill', look: { background } };
        return view([place(inner(line, { arrange: 'column', padding: 20 + nth }))]);
      };
      return { clean: one('#58bfb0'), broken: one('#0f4754') };
    },
  },
  {
    name: 'a handle nobody sees',
    check: 'faint-part',
    widget: 'w',
    make: swap(
      () => ({
        kind: 'switch',
        look: { 'background': '#021118', 'color': '#ffffff', 'font-size': 60, 'padding': 6 },
        states: 'disabled',
      }),
      () => ({
        kind: 'switch',
        look: { 'background': '#203840', 'color': '#2c4a54', 'font-size': 60, 'padding': 6 },
      }),
    ),
  },
  {
    name: 'a scrollbar nobody sees',
    check: 'faint-part',
    widget: 'w',
    make: (place, nth) => {
      const parts = [1, 2, 3].map((one) => ({ id: `part-${one}`, width: 'fill', height: 200, look: plate }));
      const page = (handle: string): Sample =>
        view([
          place({
            id: 'holder',
            size: [340, 340],
            children: [
              { id: 'list', size: [300, 340], scroll: 'y', arrange: 'column', gap: 20, children: parts },
              {
                id: 'w',
                kind: 'scrollbar',
                controls: 'list',
                anchor: 'right center',
                size: [24, 340],
                look: { 'background': '#021118', 'handle-color': handle },
              },
            ],
          }),
        ]);
      return { clean: page('#9fd8e6'), broken: page(`#0b2a${(0x30 + nth).toString(16)}`) };
    },
  },
  {
    name: 'a list that ends as if that were all',
    check: 'hidden-more',
    widget: 'w',
    make: (place, nth) => {
      const parts = [1, 2, 3, 4].map((one) => ({
        id: `part-${one}`,
        width: 'fill',
        height: 90,
        look: plate,
      }));
      const page = (height: number): Sample =>
        view([
          place({
            id: 'w',
            size: [300, height],
            scroll: 'y',
            arrange: 'column',
            gap: 20 + nth,
            children: parts,
          }),
        ]);
      return { clean: page(280 + nth), broken: page(200 + nth) };
    },
  },
  {
    name: 'a ring that is cut off',
    check: 'cut-ring',
    widget: 'w',
    make: (place, nth) => {
      const ring = { focused: { shadow: `0 0 0 ${6 + (nth % 3)} #ffffff` } };
      const rows = ['w', 'next', 'last'].map((id): WidgetSource => {
        return { id, kind: 'button', text: id, width: 'fill', height: 170, look: words };
      });
      const page = (padding: number): Sample =>
        view(
          [
            place({
              id: 'list',
              size: [400 + 2 * padding, 480 + 2 * padding],
              scroll: 'y',
              arrange: 'column',
              gap: 20,
              padding,
              children: rows,
            }),
          ],
          { kinds: { button: { background: '#0d4452', states: ring } } },
        );
      return { clean: page(8), broken: page(0) };
    },
  },
  {
    name: 'letters no font has',
    check: 'missing-glyph',
    widget: 'w',
    make: swap(
      () => text('Depth'),
      (nth) => text(`Kelp ${String.fromCodePoint(0x915 + nth)}`),
    ),
  },
  {
    name: 'a text nobody translated',
    check: 'missing-message',
    widget: 'w',
    make: swap(
      () => text('Depth'),
      (nth) => text(`Depth ${'abcdefghij'[nth]!}`),
      { catalogs: { de: 'de.json' } },
    ),
  },
  {
    name: 'a text where a message counts',
    check: 'not-a-number',
    widget: 'w',
    make: (place, nth) => {
      const depth = (value: string | number) =>
        view([place({ id: 'w', ...text('{depth, number} m') })], { cases: { typical: { depth: value } } });
      return { clean: depth(1240), broken: depth(['12 fathoms', 'unknown', '—'][nth % 3]!) };
    },
  },
  {
    name: 'a plural without the forms of its language',
    check: 'missing-plural',
    widget: 'w',
    make: swap(
      () => text('{crates, plural, one {# skrzynia} few {# skrzynie} many {# skrzyń} other {# skrzyni}}'),
      (nth) => text(lesserPlurals[nth % lesserPlurals.length]!),
      { language: 'pl', cases: { typical: { crates: 7 } } },
    ),
  },
];
