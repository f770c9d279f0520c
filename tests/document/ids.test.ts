import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { LiveView, openView, readDocument, type DocumentSource, type WidgetSource } from 'pimbot';
import { fonts, opened, told } from '../support/views.ts';

const source = (id: string, more: object = {}): DocumentSource =>
  ({
    pimbot: 1,
    reference: { scaling: 'none' },
    catalogs: { de: 'de.json' },
    cases: {
      typical: {
        slots: [
          { name: 'wax', left: 3 },
          { name: 'red tar', left: 1 },
          { name: 'wax', left: 2 },
        ],
      },
      other: { slots: [{ name: 'red tar', left: 9 }] },
    },
    components: {
      slot: {
        params: { name: 'text' },
        size: 40,
        children: [{ id: 'label-{name}', kind: 'text', text: '{name}' }],
      },
    },
    views: {
      test: {
        arrange: 'row',
        children: [{ id, repeat: '{slots}', key: 'name', use: 'slot', name: '{name}' }],
        ...more,
      },
    },
  }) as never;

const idsOf = (document: DocumentSource, more: object = {}) =>
  opened(document, more)
    .layoutOn({ width: 800, height: 600 })
    .widgets.slice(1)
    .map(({ id }) => id);

describe('an id with names in it', () => {
  test('is made of what they stand for in each entry; two alike do not get one id', () => {
    expect(idsOf(source('slot-{name}-{left}'))).toEqual([
      'slot-wax-3',
      'slot-wax-3.label-wax',
      'slot-red-tar-1',
      'slot-red-tar-1.label-red-tar',
      'slot-wax-2',
      'slot-wax-2.label-wax',
    ]);
    expect(idsOf(source('{name}')).filter((id) => !id.includes('.'))).toEqual(['wax', 'red-tar', 'wax-3']);
  });

  test('is the same in every language', () => {
    const { document } = readDocument(source('slot-{name}'));
    const catalogs = new Map([['de', new Map([['wax', 'Wachs']])]]);
    const ids = ['en', 'de'].map((locale) =>
      openView(document!, 'test', { resources: { fonts, catalogs }, locale })
        .layoutOn({ width: 800, height: 600 })
        .widgets.map(({ id }) => id),
    );
    expect(ids[1]).toEqual(ids[0]);
  });

  test('may be named elsewhere, and a name that it cannot come to is refused', () => {
    const said = (widgets: string[]) =>
      told(readDocument(source('slot-{name}', { expect: [{ widgets, never: 'overlap' }] }))).join();
    expect(said(['slot-wax', 'slot-red-tar'])).toBe('');
    expect(said(['slot-wax', 'slit-red-tar'])).toContain('there is no widget "slit-red-tar"');
  });

  test('keeps its entry when entries come and go in a running game', () => {
    const live = new LiveView(opened(source('slot-{name}')), { width: 800, height: 600 });
    live.setStates('slot-red-tar', ['hover']);
    live.set({ slots: [{ name: 'red tar', left: 1 }] });
    expect(live.widgets.map(({ id, states }) => [id, states])).toContainEqual(['slot-red-tar', ['hover']]);
    expect(() => live.setStates('slat-wax', ['hover'])).toThrow('slat-wax');
  });

  test('what names something there is not, or comes out twice, is said with its place', () => {
    expect(told(readDocument(source('slot-{nmae}')))[0]).toContain('there is no value "nmae"');
    const twice = source('slot-{name}', {
      children: [
        { id: 'a-{one}', size: 9 },
        { id: 'a-{two}', size: 9 },
      ],
    });
    const { document } = readDocument({ ...twice, cases: { only: { one: 1, two: 1, slots: [] } } });
    expect(() =>
      openView(document!, 'test', { resources: { fonts } }).layoutOn({ width: 9, height: 9 }),
    ).toThrow('two widgets get the id "a-1"');
  });

  test('whatever is put in, the id is one that promises may name', () => {
    fc.assert(
      fc.property(
        fc.array(fc.string({ minLength: 1, maxLength: 6 }), { minLength: 1, maxLength: 4 }),
        (words) => {
          const document = source('slot-{name}');
          const slots = words.map((name) => ({ name, left: 0 }));
          const ids = idsOf({ ...document, cases: { only: { slots } } });
          for (const id of ids) expect(id).toMatch(/^slot-[\p{L}\p{N}_.-]+$/u);
          expect(new Set(ids).size).toBe(ids.length);
        },
      ),
      { numRuns: 40 },
    );
  });
});

test('a focus order may be a value of the case: a list of ids', () => {
  const button = (id: string): WidgetSource => ({ id, kind: 'button', text: id });
  const read = (order: unknown) =>
    readDocument({
      pimbot: 1,
      cases: { only: { order, first: 'b' } },
      views: {
        test: {
          children: [
            { 'id': 'rack', 'focus-order': '{order}', 'children': [button('a'), button('b')] },
            { 'id': 'shelf', 'focus-order': ['{first}', 'c'], 'children': [button('c')] },
          ],
        },
      },
    } as never);
  const { document } = read(['b', 'a']);
  const on = openView(document!, 'test', { resources: { fonts } }).layoutOn({ width: 90, height: 90 });
  const orderOf = (id: string) => on.widgets[on.indexOf(id)]!.source;
  expect(orderOf('rack')).toMatchObject({ 'focus-order': ['b', 'a'] });
  expect(orderOf('shelf')).toMatchObject({ 'focus-order': ['b', 'c'] });
  const wrong = read('b').document!;
  expect(() => openView(wrong, 'test', { resources: { fonts } }).layoutOn({ width: 90, height: 90 })).toThrow(
    '"focus-order" is a list of ids, and "{order}" gives "b"',
  );
});
