import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  LiveView,
  drawLayout,
  formatDiagnostic,
  openView,
  readDocument,
  toSvg,
  type ViewLayout,
} from 'pimbot';
import { rounds, seedOf } from '../support/deep.ts';
import { fonts } from '../support/views.ts';

/*
 * A bound offset is the one thing that is written over in place: everything else of a view is made anew. Nobody who has kept
 * something of the view before may see it change.
 */

const slide = (id: string, more: object) => ({
  id,
  kind: 'button',
  style: 'key',
  size: [30, 20],
  offset: ['{x}', '{y}'],
  ...more,
});

const { document, diagnostics } = readDocument({
  pimbot: 1,
  reference: { size: '800x600' },
  styles: {
    key: {
      background: '#125463',
      states: { hover: { padding: '5% 3' }, pressed: { transition: 'offset 100ms' } },
    },
  },
  catalogs: { ar: 'ar.json' },
  cases: { only: { x: 0, y: 0, away: false } },
  views: {
    test: {
      children: [
        slide('plain', {}),
        slide('start', { anchor: 'start bottom', padding: 4 }),
        { id: 'span', style: 'key', anchor: 'left..right center', offset: ['{x}', '{y}'], height: 12 },
        slide('one', { offset: [7, '{y}'], anchor: 'right top' }),
        slide('far', { offset: ['{x * 2}', '{y}'], anchor: 'center' }),
        {
          id: 'part',
          anchor: 'right bottom',
          size: 200,
          reference: { scaling: 'none' },
          children: [
            slide('own', {}),
            { 'anchor-to': 'own', 'anchor': 'right top', 'size': 5, 'style': 'key' },
          ],
        },
        { id: 'box', anchor: 'left center', gone: '{away}', children: [slide('inside', {})] },
      ],
    },
  },
} as never);
const catalogs = new Map([['ar', new Map<string, string>()]]);
const resources = { fonts, catalogs };
const open = (given: object) =>
  new LiveView(openView(document!, 'test', { resources, ...given }), { width: 900, height: 500 });

const place = fc.integer({ min: -300, max: 300 });
const ids = ['plain', 'start', 'one', 'own'];
type Step =
  | { type: 'set'; values: { x?: number; y?: number; away?: boolean } }
  | { type: 'states'; id: string; states: ('hover' | 'pressed')[] }
  | { type: 'locale'; locale: 'en' | 'ar' }
  | { type: 'keep' }
  | { type: 'refused' };
const step: fc.Arbitrary<Step> = fc.oneof(
  {
    weight: 8,
    arbitrary: fc.record({
      type: fc.constant('set' as const),
      values: fc.record({ x: place, y: place }, { requiredKeys: [] }),
    }),
  },
  fc.record({
    type: fc.constant('set' as const),
    values: fc.record({ away: fc.boolean(), x: place }),
  }),
  fc.record({
    type: fc.constant('states' as const),
    id: fc.constantFrom(...ids),
    states: fc.subarray(['hover', 'pressed'] as ('hover' | 'pressed')[]),
  }),
  fc.record({ type: fc.constant('locale' as const), locale: fc.constantFrom('en' as const, 'ar' as const) }),
  { weight: 3, arbitrary: fc.record({ type: fc.constant('keep' as const) }) },
  fc.record({ type: fc.constant('refused' as const) }),
);

/** What a layout says of places, and of what its widgets say of them. */
const told = (on: ViewLayout) =>
  JSON.stringify([
    on.widgets.map(({ id, box, source }) => [id, box, source, on.layout.rect(on.indexOf(id))]),
    toSvg(drawLayout(on)),
  ]);

test('the view is one', () => expect(diagnostics.map(formatDiagnostic)).toEqual([]));

test('what slides is where a view opened anew has it, and what was kept of it before stays as it was', () => {
  fc.assert(
    fc.property(fc.array(step, { minLength: 2, maxLength: 16 }), (steps) => {
      const live = open({});
      const kept: { readonly on: ViewLayout; readonly was: string }[] = [];
      const values: Record<string, number | boolean> = {};
      const widgetStates: Record<string, readonly string[]> = {};
      let locale = 'en';
      for (const one of steps) {
        if (one.type === 'set') {
          live.set(one.values);
          Object.assign(values, one.values);
        } else if (one.type === 'states') {
          if (values.away === true && one.id === 'inside') continue;
          live.setStates(one.id, one.states);
          widgetStates[one.id] = one.states;
        } else if (one.type === 'locale') {
          live.show({ locale: one.locale });
          locale = one.locale;
        } else if (one.type === 'keep') {
          const on = live.snapshot();
          kept.push({ on, was: told(on) });
        } else {
          // Beyond what a length may be: nothing has moved.
          expect(() => live.set({ x: 2e9 })).toThrow('offset');
          expect(() => live.set({ x: 'here' })).toThrow('offset');
        }
      }
      live.advance(1000);
      const fresh = open({ values, widgetStates, locale });
      expect(told(live.snapshot())).toBe(told(fresh.snapshot()));
      for (const { on, was } of kept) expect(told(on)).toBe(was);
    }),
    { numRuns: rounds(60, 2000), seed: seedOf(20261128) },
  );
});

test('a slide makes no objects', () => {
  const live = open({});
  const at = { x: 0, y: 0, width: 0, height: 0 };
  const { box } = live.widgets[live.find('plain')!]!;
  live.set({ x: 5 });
  const own = live.widgets[live.find('plain')!]!;
  const [copied, source] = [own.box, own.source];
  expect(copied).not.toBe(box);
  live.set({ x: 6 });
  expect(own.box).toBe(copied);
  expect(own.source).toBe(source);
  // A snapshot keeps what is there: the next slide has objects of its own again.
  live.snapshot();
  live.set({ x: 6.5 });
  expect(live.widgets[own.index]!.box).not.toBe(copied);
  live.set({ x: 6 });
  expect(live.read('plain', at).x).toBeCloseTo(6 * live.scaleOf('plain'));
});

test('what takes time to move does so after a slide too', () => {
  const live = open({});
  const x = () => live.read('plain', { x: 0, y: 0, width: 0, height: 0 }).x / live.scaleOf('plain');
  live.set({ x: 5 });
  live.set({ x: 10 });
  live.setStates('plain', ['pressed']);
  live.set({ x: 110 });
  expect(x()).toBeCloseTo(10);
  live.advance(50);
  expect(x()).toBeGreaterThan(20);
  expect(x()).toBeLessThan(110);
  live.advance(60);
  expect(x()).toBeCloseTo(110);
});
