import { describe, expect, test } from '@jest/globals';
import { LiveView, openView, readDocument, type WidgetSource } from 'pimbot';
import { documentOf, fonts, laidOut, opened, told } from '../support/views.ts';

const row = (more: WidgetSource = {}): WidgetSource => ({
  id: 'row',
  repeat: '{rows}',
  key: 'id',
  arrange: 'row',
  children: [
    { 'id': 'take', 'kind': 'button', 'size': 20, 'nav-right': 'drop', 'nav-left': 'close' },
    { id: 'drop', kind: 'button', size: 20, ...more },
  ],
});
const cases = { only: { rows: [{ id: 'wax' }, { id: 'lamp' }] } };
const close: WidgetSource = { id: 'close', kind: 'button', size: 20 };

describe('ids in instances that have none', () => {
  const components = {
    level: {
      arrange: 'row' as const,
      children: [
        { id: 'less', kind: 'button' as const, size: 20 },
        { 'id': 'more', 'kind': 'button' as const, 'size': 20, 'nav-left': 'less' },
        { slot: true },
      ],
    },
    loud: { children: [{ use: 'level', children: [{ id: 'ear', size: 20 }] }, { slot: true }] },
  };
  const use = (name: string, children?: WidgetSource[]): WidgetSource => ({
    use: name,
    ...(children && { children }),
  });

  test('start with the id each is given: no two widgets have the same', () => {
    const on = laidOut(
      [use('level'), use('loud'), use('level', [use('loud', [{ id: 'own', size: 20 }])])],
      undefined,
      { components },
    );
    const ids = on.widgets.map(({ id }) => id);
    expect(ids).toEqual([...new Set(ids)]);
    expect(ids).toEqual(expect.arrayContaining(['test.panel-1.more', 'test.panel-2.ear', 'own']));
    const { source } = on.widgets[on.indexOf('test.panel-1.more')]!;
    expect(source).toMatchObject({ 'nav-left': 'test.panel-1.less' });
  });

  test('live as well: an entry that comes has ids of its own, and a state is that of one', () => {
    const rows = [{ id: 'wax' }, { id: 'lamp' }];
    const children = [{ repeat: '{rows}', use: 'level' } as WidgetSource];
    const live = new LiveView(opened(documentOf(children, { components, cases: { only: { rows } } })), {
      width: 200,
      height: 200,
    });
    live.set({ rows: [...rows, { id: 'hook' }] });
    live.setStates('test.panel-3.less', ['hover']);
    const states = (id: string) => live.widgets[live.indexOf(id)]!.states;
    expect([1, 2, 3].map((nth) => states(`test.panel-${nth}.less`))).toEqual([[], [], ['hover']]);
  });
});

describe('ids in the entries of a repeat', () => {
  test('start with that of the entry, and so do the names of each other; other names stay', () => {
    const on = laidOut([row(), close], undefined, { cases });
    expect(on.widgets.map(({ id }) => id)).toEqual([
      'test',
      'row-wax',
      'row-wax.take',
      'row-wax.drop',
      'row-lamp',
      'row-lamp.take',
      'row-lamp.drop',
      'close',
    ]);
    const { source } = on.widgets[on.indexOf('row-lamp.take')]!;
    expect(source).toMatchObject({ 'nav-right': 'row-lamp.drop', 'nav-left': 'close' });
  });

  test('in components, too', () => {
    const components = { bag: { children: [row(), close] } };
    const on = laidOut([{ id: 'bag', use: 'bag' }], undefined, { cases, components });
    expect(on.find('bag.row-wax.drop')).toBeDefined();
    const { source } = on.widgets[on.indexOf('bag.row-lamp.take')]!;
    expect(source).toMatchObject({ 'nav-right': 'bag.row-lamp.drop', 'nav-left': 'bag.close' });
  });

  test('tell one entry from another: a state of one is not that of the others', () => {
    const live = new LiveView(opened(documentOf([row(), close], { cases })), { width: 200, height: 200 });
    live.setStates('row-wax.take', ['hover']);
    const states = (id: string) => live.widgets[live.indexOf(id)]!.states;
    expect([states('row-wax.take'), states('row-lamp.take')]).toEqual([['hover'], []]);
  });

  test('are what others name them by: another name is refused, with the one that is meant', () => {
    const wrong = told(readDocument(documentOf([row(), { ...close, 'nav-left': 'drop' }], { cases })));
    expect(wrong.join('\n')).toContain('there is no widget "drop"; did you mean "row-1.drop"?');
    const promise = { widget: 'take', visible: true } as const;
    const promised = told(readDocument(documentOf([row(), close], { cases }, { expect: [promise] })));
    expect(promised.join('\n')).toContain('did you mean "row-1.take"?');
    const right = documentOf(
      [row({ 'nav-down': 'row-lamp.drop' }), { ...close, 'nav-left': 'row-wax.take' }],
      { cases },
    );
    expect(told(readDocument(right))).toEqual([]);
    const unknown = told(readDocument(documentOf([row(), { ...close, 'nav-left': 'rows-wax' }], { cases })));
    expect(unknown.join('\n')).toContain('there is no widget "rows-wax"');
  });
});

describe('little that unfolds to very much', () => {
  const unfolded = (source: object) => {
    const { document } = readDocument({ pimbot: 1, ...source } as never);
    return () => openView(document!, 'v', { resources: { fonts } }).layoutOn({ width: 100, height: 100 });
  };

  test('repeats in repeats are refused with a sentence', () => {
    const children = [{ repeat: 440, children: [{ repeat: 440, size: 2 }] }];
    expect(unfolded({ views: { v: { children } } })).toThrow(
      'the view unfolds to more than 20000 widgets, of 3 that are written',
    );
  });

  test('so are components in components', () => {
    const eight = (use: string) => ({ children: Array.from({ length: 8 }, () => ({ use })) });
    const components = {
      a: eight('b'),
      b: eight('c'),
      c: eight('d'),
      d: eight('e'),
      e: eight('f'),
      f: { size: 4 },
    };
    expect(unfolded({ components, views: { v: { children: [{ use: 'a' }] } } })).toThrow(
      'unfolds to more than 20000',
    );
  });

  test('as many that are all written are no such thing', () => {
    const children = Array.from({ length: 20_500 }, () => ({ size: 2 }));
    expect(unfolded({ views: { v: { children } } })().widgets).toHaveLength(20_501);
  });
});

describe('names in a component', () => {
  const components = {
    pair: {
      'params': { beside: 'name' as const, far: { type: 'name' as const, default: 'a' } },
      'arrange': 'row' as const,
      'focus-order': ['b', 'a'],
      'children': [
        { 'id': 'a', 'kind': 'button' as const, 'size': 20, 'nav-left': '{beside}', 'nav-up': '{of-case}' },
        { 'id': 'b', 'kind': 'button' as const, 'size': 20, 'nav-right': '{far}' },
        { id: 'dot', repeat: 2, size: 4 },
      ],
    },
  };
  const one = (more: WidgetSource & { beside: string; far?: string }) =>
    laidOut([close, more], undefined, { components, cases: { only: { 'of-case': 'close' } } });
  const sourceOf = (on: ReturnType<typeof one>, id: string) => on.widgets[on.indexOf(id)]!.source;

  test('are those of its own widgets, else those around its instance', () => {
    const on = one({ id: 'p', use: 'pair', beside: 'close' });
    expect(sourceOf(on, 'p')).toMatchObject({ 'focus-order': ['p.b', 'p.a'] });
    expect(sourceOf(on, 'p.a')).toMatchObject({ 'nav-left': 'close', 'nav-up': 'close' });
    expect(sourceOf(on, 'p.b')).toMatchObject({ 'nav-right': 'p.a' });
    expect(sourceOf(one({ id: 'p', use: 'pair', beside: 'dot-2' }), 'p.a')).toMatchObject({
      'nav-left': 'p.dot-2',
    });
  });

  test('of an instance without an id', () => {
    const on = one({ use: 'pair', beside: 'close', far: 'close' });
    const id = on.widgets.find(({ source }) => 'focus-order' in source)!.id;
    expect(sourceOf(on, id)).toMatchObject({ 'focus-order': [`${id}.b`, `${id}.a`] });
    expect(sourceOf(on, `${id}.b`)).toMatchObject({ 'nav-right': 'close' });
  });

  test('what an instance says of itself is around it, whatever is in it', () => {
    const a: WidgetSource = { id: 'a', kind: 'button', size: 20 };
    const on = laidOut(
      [a, { 'id': 'p', 'use': 'pair', 'beside': 'b', 'focus-order': ['a'] } as WidgetSource],
      undefined,
      {
        components,
        cases: { only: { 'of-case': 'a' } },
      },
    );
    expect(on.widgets[on.indexOf('p')]!.source).toMatchObject({ 'focus-order': ['a'] });
    expect(on.widgets[on.indexOf('p.a')]!.source).toMatchObject({ 'nav-left': 'p.b', 'nav-up': 'p.a' });
  });

  test('in an entry: of an instance in there by the id of that, a dot and its own', () => {
    const entry: WidgetSource = {
      id: 'row',
      repeat: 2,
      arrange: 'row',
      children: [
        { id: 'in', use: 'pair', beside: 'last' } as WidgetSource,
        { 'id': 'last', 'kind': 'button', 'size': 20, 'nav-left': 'in.b' },
      ],
    };
    const on = laidOut([close, entry], undefined, { components, cases: { only: { 'of-case': 'close' } } });
    expect(on.widgets[on.indexOf('row-2.last')]!.source).toMatchObject({ 'nav-left': 'row-2.in.b' });
    expect(on.widgets[on.indexOf('row-2.in.a')]!.source).toMatchObject({ 'nav-left': 'row-2.last' });
  });
});

describe('names in what names a widget', () => {
  const entry: WidgetSource = {
    'id': 'take',
    'repeat': '{rows}',
    'key': 'id',
    'kind': 'button',
    'size': 20,
    'tooltip': 'tip-{id}',
    'nav-right': 'take-{next}',
    'may-overlap': ['tip-{id}', 'tip-{next}'],
  };
  const tip: WidgetSource = { id: 'tip', repeat: '{rows}', key: 'id', size: 9 };
  const rows = [
    { id: 'wax', next: 'lamp' },
    { id: 'lamp', next: 'wax' },
  ];

  test.each([
    ['in a view', '', {}],
    ['in a component', 'shelf.', { shelf: { params: { rows: 'list' }, children: [entry, tip] } }],
  ])('%s they stand for what they are in that entry', (_, prefix, components) => {
    const children: WidgetSource[] = prefix ? [{ id: 'shelf', use: 'shelf', rows: '{rows}' }] : [entry, tip];
    const source = documentOf(children, { components, cases: { only: { rows } } } as never);
    expect(told(readDocument(source))).toEqual([]);
    const on = opened(source).layoutOn({ width: 100, height: 100 });
    expect(on.widgets[on.indexOf(`${prefix}take-wax`)]!.source).toMatchObject({
      'tooltip': `${prefix}tip-wax`,
      'nav-right': `${prefix}take-lamp`,
      'may-overlap': [`${prefix}tip-wax`, `${prefix}tip-lamp`],
    });
  });

  test('live as well: another next one', () => {
    const live = new LiveView(opened(documentOf([entry, tip], { cases: { only: { rows } } })), {
      width: 100,
      height: 100,
    });
    live.set({ rows: [{ id: 'wax', next: 'wax' }, rows[1]!] });
    live.advance(0);
    expect(live.widgets[live.indexOf('take-wax')]!.source).toMatchObject({ 'nav-right': 'take-wax' });
  });
});
