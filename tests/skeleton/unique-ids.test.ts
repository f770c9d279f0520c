import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { LiveView, openView, readDocument, type DocumentSource, type WidgetSource } from 'pimbot';
import { rounds, seedOf } from '../support/deep.ts';
import { documentOf, fonts, laidOut, opened, told } from '../support/views.ts';

const pool = ['a', 'b', 'c', 'd', 'e', 'f', 'a-1', 'b-x', 'c-x', 'd-1', 'panel-1', 'panel-2'];
const screen = { width: 400, height: 300 };

/** Widgets by chance: repeats and instances in each other, with an id or without, that name each other. */
const widget = (depth: number): fc.Arbitrary<WidgetSource> =>
  fc.record(
    {
      'id': fc.constantFrom(...pool),
      'repeat': fc.constantFrom(2, '{list}', '{others}'),
      'use': fc.constantFrom('box', 'pair'),
      'may-overlap': fc.constantFrom(...pool.map((name) => [name])),
      'children': fc.array(depth === 0 ? fc.constant({ size: 1 }) : widget(depth - 1), {
        maxLength: 3,
      }),
    },
    { requiredKeys: ['children'] },
  );

/**
 * Leaves ids out that are taken where they are said, and most names that nothing has there: that those are refused when they are
 * read is what other tests see.
 */
function distinct(
  children: readonly WidgetSource[],
  taken = new Set<string>(),
  around: readonly string[] = [],
): WidgetSource[] {
  return children.map((one) => {
    const { id, repeat, 'may-overlap': may, ...rest } = one;
    const isFree = id !== undefined && !taken.has(id);
    if (isFree) taken.add(id);
    const seen = [...around, ...taken];
    const [name] = [may ?? []].flat() as string[];
    return {
      ...rest,
      ...(isFree && { id }),
      ...(isFree && typeof repeat === 'string' && { key: 'item' }),
      ...(repeat !== undefined && { repeat }),
      ...(name !== undefined && (name === 'f' || seen.includes(name)) && { 'may-overlap': [name] }),
      children: distinct(one.children ?? [], repeat === undefined ? taken : new Set(), seen),
    };
  });
}

const documents = fc.array(widget(2), { minLength: 1, maxLength: 4 }).map((children): DocumentSource =>
  documentOf(distinct(children), {
    cases: { only: { list: ['x', 'y'], others: ['x'] } },
    components: {
      box: { children: [{ 'id': 'b', 'may-overlap': ['b'] }, { slot: true }] },
      pair: { children: [{ use: 'box' }, { use: 'box', id: 'a' }, { slot: true }] },
    },
  }),
);

/** The ids a view has; undefined where two widgets would get the same. */
function idsOf(document: DocumentSource, values: object): string[] | undefined {
  const read = readDocument(document).document!;
  try {
    const cases = { only: { ...document.cases!.only, ...values } };
    const view = openView({ ...read, source: { ...read.source, cases } }, 'test', { resources: { fonts } });
    const { widgets } = view.layoutOn(screen);
    const ids = widgets.map(({ id }) => id);
    expect(ids).toEqual([...new Set(ids)]);
    for (const { source } of widgets)
      for (const name of [(source as WidgetSource)['may-overlap'] ?? []].flat() as string[]) {
        // An entry may be one that is not there now; and a shorter list may have none.
        if (/-[1x]$/.test(name) || 'list' in values) continue;
        const isThere = ids.some((id) => id === name || id.startsWith(`${name}-`));
        expect([name, isThere]).toEqual([name, true]);
      }
    return ids;
  } catch (error) {
    if (!/two widgets get the id/.test(String(error))) throw error;
    return undefined;
  }
}

test('no two widgets have one id, and every name is that of one; where two would, it is refused', () => {
  const met = { right: 0, refused: 0, wrong: 0 };
  fc.assert(
    fc.property(documents, fc.subarray(['x', 'y', '1']), (document, list) => {
      if (!readDocument(document).document) return void met.wrong++;
      const before = idsOf(document, {});
      const after = idsOf(document, { list });
      met[before && after ? 'right' : 'refused']++;
      if (!before) return;
      // In a game, the same: what is refused changes nothing.
      const live = new LiveView(opened(document), screen);
      if (after) live.set({ list });
      else expect(() => live.set({ list })).toThrow('two widgets get the id');
      expect(live.widgets.map(({ id }) => id)).toEqual(after ?? before);
    }),
    { numRuns: rounds(150, 6_000), seed: seedOf(30) },
  );
  for (const count of Object.values(met)) expect(count).toBeGreaterThan(5);
});

describe('in the entries of a repeat', () => {
  const list = (id: string | undefined, more: WidgetSource = {}): WidgetSource => ({
    ...(id !== undefined && { id }),
    repeat: 2,
    children: [
      { id: 'name', kind: 'text', text: 'Wax' },
      { id: 'count', size: 9, ...more },
    ],
  });

  test('ids start with those of the entries: other lists have widgets of the same names', () => {
    const ids = laidOut([list('wares'), list('crew'), { id: 'name', size: 9 }]).widgets.map(({ id }) => id);
    expect(ids).toEqual(expect.arrayContaining(['wares-2.name', 'crew-1.name', 'name']));
    expect(told(readDocument(documentOf([list('wares'), { id: 'wares', size: 9 }])))).toEqual([
      expect.stringContaining('the id "wares" is taken already'),
    ]);
  });

  test('that says no id, they start with the one it is given', () => {
    const ids = laidOut([list(undefined)]).widgets.map(({ id }) => id);
    expect(ids).toEqual([
      'test',
      ...['1', '2'].flatMap((nth) => ['', '.name', '.count'].map((name) => `test.panel-${nth}${name}`)),
    ]);
  });

  test('what is in one that is not there now is none, and what is in none is refused', () => {
    const document = documentOf([{ ...list(undefined), repeat: '{count}' }], {
      cases: { only: { count: 1 } },
    });
    const live = new LiveView(opened(document), screen);
    expect(live.named('test.panel-1.name')?.bone.name).toBe('name');
    expect(live.named('test.panel-2.name')).toBeUndefined();
    expect(() => live.named('tset.panel-2.name')).toThrow('there is no widget "tset.panel-2.name"');
  });

  test('a name is that of a widget in there, else of one around it, and never of one in another list', () => {
    const overlaps = (more: WidgetSource, others: WidgetSource[]) => {
      const on = laidOut([list('wares', more), ...others]);
      return (on.widgets[on.indexOf('wares-2.count')]!.source as WidgetSource)['may-overlap'];
    };
    const may = { 'may-overlap': ['name', 'lamp'] };
    const lamp = { id: 'lamp', size: 9 };
    expect(overlaps(may, [lamp, { id: 'name', size: 9 }])).toEqual(['wares-2.name', 'lamp']);
    const elsewhere = { id: 'crew', repeat: 2, children: [lamp] };
    expect(overlaps(may, [elsewhere, lamp])).toEqual(['wares-2.name', 'lamp']);
    expect(told(readDocument(documentOf([list('wares', may), elsewhere])))).toEqual([
      expect.stringContaining('there is no widget "lamp"; did you mean "crew-1.lamp"?'),
    ]);
  });

  test('of a component, ids are its own: an instance changes its widgets by them', () => {
    const components = { store: { children: [list('wares'), list('crew')] } };
    expect(told(readDocument(documentOf([{ use: 'store' }], { components })))).toEqual([
      expect.stringMatching(/the id "name" is taken already.*unique in a component/),
      expect.stringMatching(/the id "count" is taken already.*unique in a component/),
    ]);
  });

  test('what an entry lacks is told once, with the name it has there, and where', () => {
    const steps = [{ far: 3 }, {}];
    const children = [
      {
        id: 'errand',
        repeat: '{errands}',
        children: [{ repeat: '{steps}', use: 'step', far: '{far}' } as never],
      },
    ];
    const document = documentOf(children, {
      cases: { only: { errands: [{ steps }, { steps }] } } as never,
      components: {
        step: { params: { far: 'number' }, children: [{ size: 9, gone: '{far < 0}' }] },
      } as never,
    });
    expect(() => opened(document).layoutOn(screen)).toThrow(
      'there is no value for {far} of "{far < 0}", in entry 2 of {steps}, in entry 1 of {errands}, in the case "only"',
    );
  });
});
