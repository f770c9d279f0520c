import { expect, test } from '@jest/globals';
import { LiveDrawing, LiveView, drawLayout, openView, readDocument, type State } from 'pimbot';
import { Chance, rightDocuments, valuesOfAny } from '../support/any-document.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { plain } from '../support/drawn.ts';
import { documentOf, fonts, opened } from '../support/views.ts';
import { told } from './told.ts';

const resources = { fonts };
const screens = [
  { width: 800, height: 600 },
  { width: 1920, height: 1080 },
  { width: 400, height: 850, inputs: ['touch'] },
  { width: 2560, height: 1080, safe: [0, 80, 0, 80] },
] as const;

/** What somebody makes; the message of what is refused. */
function orRefused<Made>(make: () => Made): Made | string {
  try {
    return make();
  } catch (error) {
    if (/BuildError|RangeError/.test((error as Error).name)) return (error as Error).name;
    throw error;
  }
}

/** What is done to a view but for its values. */
interface Shown {
  screen: (typeof screens)[number];
  occasion: { hudSize?: number; textSize?: number; locale?: string };
  readonly widgetStates: Record<string, readonly State[]>;
  readonly scrolled: Map<string, readonly [x: number, y: number]>;
}

/** Does something by chance that changes no value. Only widgets that are there once keep what is theirs, whatever comes and goes. */
function doSomething(live: LiveView, by: Chance, shown: Shown): void {
  if (by.is(0.25)) live.resize((shown.screen = by.pick(screens)));
  if (by.is(0.2)) {
    const change = by.pick([{ hudSize: 1.25 }, { hudSize: 0.8 }, { textSize: 1.5 }, { locale: 'ar-XB' }]);
    shown.occasion = { ...shown.occasion, ...change };
    live.show(change);
  }
  const named = live.widgets.filter(({ id }) => /^w\d+$/.test(id));
  if (named.length > 0 && by.is(0.4)) {
    const { id } = by.pick(named);
    const states = by.pick<readonly State[]>([['hover'], ['focused', 'hover'], ['selected'], []]);
    shown.widgetStates[id] = states;
    live.setStates(id, states);
  }
  const scrolling = named.filter(({ box }) => box.x.scrolls || box.y.scrolls);
  if (scrolling.length > 0 && by.is(0.4)) {
    const { id } = by.pick(scrolling);
    const place = [by.whole(0, 60), by.whole(0, 60)] as const;
    shown.scrolled.set(id, place);
    live.scroll(id, ...place);
  }
}

test('of any document, a live view is to the last digit what one opened anew is, and so is its drawing', () => {
  const met = { same: 0, refused: 0 };
  for (const { seed, document } of rightDocuments(seedOf(1), rounds(14, 3000), readDocument)) {
    const by = new Chance(seed);
    const shown: Shown = { screen: screens[0], occasion: {}, widgetStates: {}, scrolled: new Map() };
    let values = { ...document.source.cases!.one };
    const fresh = (given: object = values) =>
      orRefused(() => {
        const { screen, occasion, widgetStates, scrolled } = shown;
        const options = { resources, ...occasion, values: given as never, widgetStates };
        const view = new LiveView(openView(document, 'test', options), screen);
        for (const [id, place] of scrolled) if (view.nodeOf(id)) view.scroll(id, ...place);
        return view;
      });
    const live = fresh();
    if (typeof live === 'string') continue;
    const drawing = new LiveDrawing(live);
    drawing.update();
    for (let step = 0; step < 6; step++) {
      doSomething(live, by, shown);
      const names = Array.from({ length: by.whole(1, 3) }, () => by.pick(Object.keys(valuesOfAny)));
      const changes = Object.fromEntries(names.map((name) => [name, by.pick(valuesOfAny[name]!)]));
      const refused = typeof orRefused(() => live.set(changes as never)) === 'string';
      // Whatever is on its way arrives; what follows from that sets out then.
      live.advance(1000);
      live.advance(1000);
      // As in a page, what is gone for a while has forgotten how far it was scrolled.
      for (const id of shown.scrolled.keys()) if (!live.nodeOf(id)) shown.scrolled.delete(id);
      const other = fresh({ ...values, ...changes });
      expect([seed, step, typeof other === 'string']).toEqual([seed, step, refused]);
      met[refused ? 'refused' : 'same']++;
      if (!refused) values = { ...values, ...changes } as typeof values;
      const now = fresh();
      if (typeof now === 'string') break;
      expect({ seed, step, ...(told(live) as object) }).toEqual({ seed, step, ...(told(now) as object) });
      const kept = plain(drawing.update().operations);
      expect([seed, step, kept]).toEqual([seed, step, plain(drawLayout(now.snapshot()).operations)]);
    }
  }
  expect(met.same).toBeGreaterThan(rounds(50, 10_000));
});

test('what is raised in a list that is cut off is drawn where others before it change their order', () => {
  const children = [
    { id: 'ware', repeat: '{wares}', key: 'item', size: 10 },
    {
      id: 'list',
      scroll: 'x',
      size: 60,
      children: [
        { id: 'tick', kind: 'checkbox', z: 2, checked: true, size: 20 },
        { id: 'row', children: [{ repeat: '{wares}', size: 4 }] },
      ],
    },
  ];
  const document = documentOf(children as never, { cases: { only: { wares: ['wax', 'tar'] } } });
  const live = new LiveView(opened(document), { width: 200, height: 100 });
  const drawing = new LiveDrawing(live);
  const before = plain(drawing.update().operations);
  live.set({ wares: ['tar', 'wax'] });
  const after = plain(drawing.update().operations);
  expect(after.map(({ type }) => type)).toEqual(before.map(({ type }) => type));
  expect(after).toEqual(plain(drawLayout(live.snapshot()).operations));
});

test('a width that follows from a height further out follows a change of that', () => {
  const children = [
    {
      id: 'shelf',
      height: '{high}',
      children: [{ height: '50%', children: [{ id: 'crate', height: 'fill 2', aspect: '16/9' }] }],
    },
  ];
  const live = new LiveView(opened(documentOf(children, { cases: { only: { high: 20 } } })), screens[0]);
  const width = () => live.read('crate', { x: 0, y: 0, width: 0, height: 0 }).width;
  expect(width()).toBeCloseTo((10 * 16) / 9);
  live.set({ high: 90 });
  expect(width()).toBeCloseTo((45 * 16) / 9);
});

test('a part with a scaling of its own is scaled by the screen it is on, whatever else changes with it', () => {
  const look = { background: '{c}', padding: '5%' };
  const part = {
    id: 'part',
    reference: { size: '640x360' },
    look,
    children: [{ kind: 'switch', label: 'Lamp' }],
  };
  const shelf = { children: [{ children: [{ size: 9, gone: '{b}' }] }] };
  const document = documentOf([{ children: [part, shelf] }] as never, {
    reference: { size: '800x600', scaling: 'cover', limits: '0.5..3' },
    cases: { only: { b: false, c: '#ffffff' } },
  });
  const live = new LiveView(opened(document), screens[0]);
  const width = (view: LiveView) => view.read('part', { x: 0, y: 0, width: 0, height: 0 }).width;
  width(live);
  live.set({ c: '#ff8800' });
  width(live);
  live.resize(screens[3]);
  live.set({ b: true, c: '#04202a' });
  expect(width(live)).toBe(width(new LiveView(opened(document), screens[3])));
});

test('what was gone for a while has forgotten how far it was scrolled, by a value or on a screen', () => {
  const list = {
    id: 'list',
    size: 40,
    scroll: 'y',
    gone: '{b}',
    when: [{ screen: { aspect: '..1.2' }, change: { gone: true } }],
    children: [{ size: 200 }],
  };
  const other = { size: 9, when: [{ screen: { width: '1000..' }, change: { gone: true } }] };
  const document = documentOf([list, other] as never, { cases: { only: { b: false } } });
  const live = new LiveView(opened(document), screens[0]);
  const at = () => live.scrolled('list').y;
  live.scroll('list', 0, 50);
  live.resize({ width: 1100, height: 600 });
  expect(at()).toBe(50);
  live.set({ b: true });
  live.set({ b: false });
  expect(at()).toBe(0);
  // It stays so where all is made anew, and can be scrolled to the same place again.
  live.resize(screens[0]);
  expect(at()).toBe(0);
  expect(live.scroll('list', 0, 50)).toBe(true);
  live.resize({ width: 400, height: 850 });
  live.resize(screens[0]);
  expect(at()).toBe(0);
});
