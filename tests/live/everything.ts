import fc from 'fast-check';
import type { DocumentSource, LiveView, State } from 'pimbot';

/** A view in which everything that can change is bound to a value, has states, or follows from another widget. */
export const source: DocumentSource = {
  pimbot: 1,
  reference: { size: '800x600' },
  catalogs: { ar: 'ar.json' },
  tokens: { ink: { $type: 'color', $value: '#ffffff' } },
  themes: { day: 'day.yaml', night: 'night.yaml' },
  styles: {
    // What draws nothing can stand anywhere, and no drawing tells.
    seen: { background: '#88aa22' },
    key: {
      background: '#125463',
      transition: 'all 120ms ease-out, color 300ms 50ms, visible 90ms',
      states: {
        hover: { background: '#227788', scale: 1.1 },
        focused: { 'border': '3 #ffffff', 'font-size': 31, 'color': '#ffee00' },
        pressed: { padding: '10% 14' },
        disabled: { color: '#777777' },
      },
    },
  },
  components: {
    slot: {
      'params': { name: 'text', high: { type: 'number', default: 12 } },
      'style': 'key',
      'arrange': 'row',
      'gap': 3,
      'padding': 4,
      'min-height': '{high}',
      'children': [
        { id: 'name', kind: 'text', text: '{name}' },
        { id: 'mark', size: 8, gone: '{plain}', look: { background: '#ff0000' } },
        { id: 'bar', kind: 'meter', value: '{m}', width: 40, height: '{high}' },
        {
          'id': 'dial',
          'kind': 'meter',
          'value': '{m}',
          'size': 30,
          'fill-from': 'clockwise',
          'ring': 6,
          'segments': 5,
          'look': { radius: 15, background: '#204050' },
        },
      ],
    },
  },
  cases: {
    only: {
      a: 'Depth',
      m: 0.5,
      x: 10,
      y: 20,
      w: 90,
      z: 0,
      turn: 0,
      fade: 1,
      grown: 1,
      tint: '#ff8800',
      shown: true,
      gone: false,
      plain: false,
      how: 'row',
      count: 2,
      high: 12,
      page: 'first',
      list: [
        { name: 'wax', left: 3 },
        { name: 'tar', left: 1 },
      ],
      split: 0.4,
      typed: '',
      many: 3,
    },
  },
  views: {
    test: {
      children: [
        {
          id: 'free',
          offset: ['{x}', '{y}'],
          size: ['{w}', 40],
          z: '{z}',
          rotate: '{turn}',
          visible: '{shown}',
          look: {
            opacity: '{fade}',
            scale: '{grown}',
            background: '#334455',
            transition: 'all 200ms linear',
          },
          children: [
            { id: 'word', kind: 'text', text: '{a}', tint: '{tint}' },
            {
              'id': 'tail',
              'anchor-to': 'word',
              'anchor': 'right top',
              'pivot': 'left top',
              'size': 6,
              'style': 'seen',
            },
          ],
        },
        {
          'id': 'between',
          'anchor-to': 'word..free',
          'anchor': 'left..right top',
          'height': 4,
          'style': 'seen',
        },
        {
          'id': 'beside',
          'anchor-to': 'free',
          'anchor': 'right bottom',
          'pivot': 'left top',
          'size': 9,
          'style': 'seen',
        },
        { id: 'dot', offset: ['{y}', '{x}'], size: 7, style: 'seen' },
        {
          id: 'row',
          style: 'plate',
          anchor: 'left bottom',
          arrange: '{how}',
          gap: '2% + 1',
          children: [
            { id: 'go', kind: 'button', style: 'key', text: '{a}', gone: '{gone}' },
            { id: 'off', kind: 'button', style: 'key', text: 'Off', states: 'disabled' },
            { id: 'in', kind: 'textbox', style: 'key', text: '{typed}', placeholder: 'Say {a}', width: 80 },
            { kind: 'text', text: '{a} {m, number}' },
          ],
        },
        {
          id: 'slots',
          anchor: 'right top',
          width: 200,
          arrange: 'column',
          gap: 2,
          children: [
            { id: 'head', kind: 'text', text: 'Slots' },
            {
              id: 'slot',
              repeat: '{list}',
              key: 'name',
              use: 'slot',
              name: '{name} {left}',
              high: '{high}',
            } as never,
            { repeat: '{count}', kind: 'text', text: '{index} {a}' },
            { id: 'foot', kind: 'text', text: '{a}', gone: '{gone}' },
          ],
        },
        {
          id: 'grid',
          anchor: 'center',
          arrange: 'grid',
          columns: '{many}',
          width: 240,
          gap: 2,
          children: [
            { id: 'cell', repeat: '{count}', height: '{high}', look: { background: '#00ff00' } },
            { 'id': 'shape', 'width': 'fill', 'aspect': 2, 'max-height': '{w}' },
          ],
        },
        {
          id: 'shelf',
          visible: '{shown}',
          arrange: 'row',
          look: { transition: 'visible 120ms ease-in' },
          offset: '300 300',
          children: [
            {
              id: 'jar',
              repeat: '{count}',
              size: ['{w}', 9],
              look: { opacity: '{fade}', background: '#aa00aa', transition: 'opacity 90ms' },
            },
          ],
        },
        {
          id: 'pages',
          anchor: 'right bottom',
          arrange: 'pages',
          page: '{page}',
          style: 'plate',
          children: [
            { id: 'first', size: '60 30', children: [{ id: 'deep', kind: 'text', text: '{a}' }] },
            { id: 'second', size: '40 50', look: { background: '#00ffff' } },
          ],
        },
        {
          id: 'list',
          anchor: 'left top',
          size: '120 80',
          scroll: 'y',
          arrange: 'column',
          padding: '2%',
          gap: '5%',
          children: [
            { kind: 'text', text: '{a}' },
            { id: 'line', repeat: '{count}', height: 40 },
          ],
        },
        {
          id: 'radios',
          kind: 'radiogroup',
          anchor: 'center top',
          selection: '{page}',
          children: [
            { kind: 'button', style: 'key', controls: 'first', text: '1' },
            { kind: 'button', style: 'key', controls: 'second', text: '{a}' },
          ],
        },
        {
          'kind': 'scrollbar',
          'controls': 'list',
          'anchor-to': 'list',
          'anchor': 'right top..bottom',
          'width': 8,
          'look': { background: '#222222' },
        },
        {
          anchor: 'left center',
          arrange: 'row',
          width: '50%',
          height: 20,
          children: [{}, { kind: 'separator', width: 4, value: '{split}' }, {}],
          when: [{ screen: { aspect: '..1' }, change: { arrange: 'column', height: 100 } }],
        },
      ],
    },
  },
} as never;

/** The files of its themes. */
const themes: Record<string, string> = {
  'day.yaml': 'pimbot-theme: 1\nstyles: { plate: { background: "#224466", padding: 2% 6 } }\n',
  'night.yaml':
    'pimbot-theme: 1\nstyles: { plate: { background: "#111111", color: "#ffcc00", font-size: 30, padding: 10 } }\n',
};
export const readFile = (path: string) => ({ name: path, text: themes[path]! });

export const catalogs = new Map([
  [
    'ar',
    new Map([
      ['Slots', 'خانات'],
      ['Off', 'إيقاف'],
    ]),
  ],
]);

const values = {
  a: fc.constantFrom('', 'Depth', 'Rise, Fathom, rise!', 'A letter with a red seal', '412'),
  m: fc.double({ min: 0, max: 1, noNaN: true }),
  x: fc.integer({ min: -50, max: 300 }),
  y: fc.integer({ min: -50, max: 300 }),
  w: fc.integer({ min: 0, max: 200 }),
  z: fc.integer({ min: -2, max: 2 }),
  turn: fc.constantFrom(0, 30, 90),
  fade: fc.constantFrom(0, 0.5, 1),
  grown: fc.constantFrom(0.5, 1, 1.4),
  tint: fc.constantFrom('#ff8800', '#00ff88'),
  shown: fc.boolean(),
  gone: fc.boolean(),
  plain: fc.boolean(),
  how: fc.constantFrom('row', 'column', 'wrap'),
  count: fc.integer({ min: 0, max: 4 }),
  high: fc.integer({ min: 0, max: 60 }),
  page: fc.constantFrom('first', 'second'),
  split: fc.double({ min: 0, max: 1, noNaN: true }),
  typed: fc.constantFrom('', 'abc'),
  many: fc.integer({ min: 1, max: 4 }),
  list: fc.uniqueArray(
    fc.record({ name: fc.constantFrom('wax', 'tar', 'ink', 'rope'), left: fc.integer({ min: 0, max: 3 }) }),
    { selector: ({ name }) => name, maxLength: 4 },
  ),
};
export const names = Object.keys(values) as (keyof typeof values)[];

const states: fc.Arbitrary<State[]> = fc.subarray(['hover', 'focused', 'pressed', 'disabled']);

/** One thing a game does. */
export type Step = typeof step extends fc.Arbitrary<infer One> ? One : never;
export const step = fc.oneof(
  {
    weight: 6,
    arbitrary: fc
      .subarray(names, { minLength: 2, maxLength: 5 })
      .chain((some) =>
        fc
          .record(Object.fromEntries(some.map((name) => [name, values[name] as fc.Arbitrary<unknown>])))
          .map((all) => ({ type: 'set' as const, values: all as Record<string, never> })),
      ),
  },
  {
    weight: 4,
    arbitrary: fc.constantFrom(...names).chain((name) =>
      (values[name] as fc.Arbitrary<unknown>).map((value) => ({
        type: 'set' as const,
        values: { [name]: value } as Record<string, never>,
      })),
    ),
  },
  {
    weight: 4,
    arbitrary: fc.record({
      type: fc.constant('states' as const),
      id: fc.constantFrom('go', 'off', 'in', 'slot-wax', 'slot-tar', 'row', 'first'),
      states,
    }),
  },
  fc.record({
    type: fc.constant('show' as const),
    changes: fc.record(
      {
        theme: fc.constantFrom('day', 'night'),
        locale: fc.constantFrom('en', 'ar'),
        hudSize: fc.constantFrom(1, 1.5),
        textSize: fc.constantFrom(1, 1.3),
      },
      { requiredKeys: [] },
    ),
  }),
  fc.record({
    type: fc.constant('resize' as const),
    width: fc.integer({ min: 1, max: 1600 }),
    height: fc.integer({ min: 1, max: 1600 }),
  }),
  fc.record({ type: fc.constant('scroll' as const), y: fc.integer({ min: -10, max: 200 }) }),
  fc.record({ type: fc.constant('read' as const) }),
  {
    weight: 2,
    arbitrary: fc.record({ type: fc.constant('advance' as const), ms: fc.integer({ min: 0, max: 300 }) }),
  },
);

/** One value that changes numbers and words alone: no widget comes or goes, and none is drawn in another order. */
export const quietStep: fc.Arbitrary<Step> = fc
  .constantFrom('x', 'y', 'w', 'a', 'm', 'typed', 'high', 'fade', 'split')
  .chain((name) =>
    (values[name] as fc.Arbitrary<unknown>).map((value) => ({
      type: 'set' as const,
      values: { [name]: value } as Record<string, never>,
    })),
  );

/** Does one thing to a view. */
export function apply(live: LiveView, one: Step): void {
  if (one.type === 'set') live.set(one.values);
  else if (one.type === 'states') live.setStates(one.id, one.states);
  else if (one.type === 'show') live.show(one.changes);
  else if (one.type === 'resize') live.resize({ width: one.width, height: one.height });
  else if (one.type === 'scroll') live.scroll('list', 0, one.y);
  else if (one.type === 'advance') live.advance(one.ms);
  else live.read(0, { x: 0, y: 0, width: 0, height: 0 });
}
