import { expect, test } from '@jest/globals';
import { LiveDrawing, LiveView, drawLayout, openView, readDocument, type CheckedDocument } from 'pimbot';
import { Chance, otherVersion, rightDocuments } from '../support/any-document.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { plain } from '../support/drawn.ts';
import { documentOf, fonts, opened, rightDocument } from '../support/views.ts';
import {
  atFirst,
  doSomething,
  openedAnew,
  orRefused,
  screens,
  setSomething,
  type Shown,
} from './any-game.ts';
import { told } from './told.ts';

test('of any document, a live view is to the last digit what one opened anew is, and so is its drawing', () => {
  const met = { same: 0, refused: 0 };
  for (const { seed, document } of rightDocuments(seedOf(1), rounds(14, 3000), readDocument)) {
    const by = new Chance(seed);
    const shown = atFirst();
    let values = { ...document.source.cases!.one };
    const live = openedAnew(document, shown, { values });
    if (typeof live === 'string') continue;
    const drawing = new LiveDrawing(live);
    drawing.update();
    for (let step = 0; step < 6; step++) {
      doSomething(live, by, shown);
      const { set, refused } = setSomething(live, by, shown);
      const other = openedAnew(document, shown, { values: { ...values, ...set } });
      expect([seed, step, typeof other === 'string']).toEqual([seed, step, refused]);
      met[refused ? 'refused' : 'same']++;
      if (!refused) values = { ...values, ...set };
      const now = openedAnew(document, shown, { values });
      if (typeof now === 'string') break;
      expect({ seed, step, ...(told(live) as object) }).toEqual({ seed, step, ...(told(now) as object) });
      const kept = plain(drawing.update().operations);
      expect([seed, step, kept]).toEqual([seed, step, plain(drawLayout(now.snapshot()).operations)]);
    }
  }
  expect(met.same).toBeGreaterThan(rounds(50, 10_000));
});

test('a live view that goes on as another version of its document is what one of that is, with what the game has done', () => {
  let versions = 0;
  for (const { seed, document } of rightDocuments(seedOf(1), rounds(14, 3000), readDocument)) {
    const by = new Chance(seed);
    const { document: other } = readDocument(otherVersion(document.source, by, seed));
    let shown = atFirst();
    const live = other && openedAnew(document, shown, {});
    if (!live || typeof live === 'string') continue;
    const given = {};
    const drawing = new LiveDrawing(live);
    drawing.update();
    let now = document;
    for (let step = 0; step < 4; step++) {
      doSomething(live, by, shown);
      const { set, refused } = setSomething(live, by, shown);
      if (!refused) Object.assign(given, set);
      const next = now === document ? other : document;
      const then = goesOn(live, next, shown, given);
      if (then) [now, shown, versions] = [next, then, versions + 1];
      const fresh = openedAnew(now, shown, { set: given }) as LiveView;
      expect({ seed, step, ...(told(live) as object) }).toEqual({ seed, step, ...(told(fresh) as object) });
      const kept = plain(drawing.update().operations);
      expect([seed, step, kept]).toEqual([seed, step, plain(drawLayout(fresh.snapshot()).operations)]);
    }
  }
  expect(versions).toBeGreaterThan(rounds(25, 5000));
});

/** Whether the view of a document may have a widget of an id, on some screen and with some values. */
function mayHave(document: CheckedDocument, id: string): boolean {
  try {
    openView(document, 'test', { resources: { fonts }, widgetStates: { [id]: [] } });
    return true;
  } catch (error) {
    expect((error as Error).name).toBe('NoSuchName');
    return false;
  }
}

/** Has a view go on as another document; gives what is shown then, undefined where the values do not fit. What is no more in it is forgotten. */
function goesOn(live: LiveView, document: CheckedDocument, shown: Shown, given: object): Shown | undefined {
  const kept = Object.entries(shown.widgetStates).filter(([id]) => mayHave(document, id));
  const then: Shown = { ...shown, widgetStates: Object.fromEntries(kept) };
  const fits = typeof openedAnew(document, then, { set: given }) !== 'string';
  const view = openView(document, 'test', { resources: { fonts }, ...shown.occasion });
  expect(typeof orRefused(() => live.replace(view)) !== 'string').toBe(fits);
  if (!fits) return undefined;
  live.advance(1000);
  live.advance(1000);
  for (const id of then.scrolled.keys()) if (!live.nodeOf(id)) then.scrolled.delete(id);
  return then;
}

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

test('who keeps a shape beside one whose target has gone is found where it stands now', () => {
  const behind = {
    'anchor-to': 'target',
    'children': [{ look: { padding: '5%' } }, {}, {}, { id: 'shape', aspect: 0.5 }],
  };
  const children = [
    { children: [{ id: 'target', gone: '{b}', children: [{ children: [{}] }, {}] }] },
    { children: [{ repeat: 3, children: [{ gone: '{b}' }] }] },
    { children: [{ children: [behind] }] },
  ];
  const document = rightDocument(documentOf(children, { cases: { only: { b: true } } }));
  const live = new LiveView(openView(document, 'test', { resources: { fonts } }), screens[0]);
  for (const b of [false, true, false]) {
    live.set({ b });
    live.update();
    const fresh = openView(document, 'test', { resources: { fonts }, values: { b } });
    expect(told(live)).toEqual(told(new LiveView(fresh, screens[0])));
  }
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
