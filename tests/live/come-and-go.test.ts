import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { LiveDrawing, LiveView, ViewInput, drawLayout, openView, readDocument } from 'pimbot';
import { formatDiagnostic, type DocumentSource } from 'pimbot';
import { rounds, seedOf } from '../support/deep.ts';
import { expectAlike, plain } from '../support/drawn.ts';
import { fonts } from '../support/views.ts';

/* Lists whose entries come, go and change places, inside each other, cut off, faded, turned, raised, in rows, grids and free. */

const look = { background: '#336699' };
const fades = { ...look, transition: 'visible 100ms' };
const source: DocumentSource = {
  pimbot: 1,
  reference: { size: '800x600' },
  cases: {
    only: {
      rooms: [
        { name: 'a', parts: 2, faded: 1, high: 0 },
        { name: 'b', parts: 1, faded: 1, high: 0 },
      ],
      free: [{ name: 'k', x: 10 }],
      bits: [{ name: 'u' }],
      ended: false,
      anchored: true,
    },
  },
  views: {
    test: {
      children: [
        { id: 'first', size: 20, look, gone: '{ended}' as never },
        {
          id: 'rooms',
          size: ['300', '400'],
          offset: [10, 40],
          arrange: 'column',
          scroll: 'y',
          children: [
            {
              id: 'room',
              repeat: '{rooms}',
              key: 'name',
              width: 'fill',
              height: 60,
              z: '{high}',
              look: { ...fades, opacity: '{faded}' },
              scroll: 'y',
              children: [
                { id: 'tall', width: 30, height: 200, look, offset: [4, 4] },
                { id: 'cells', arrange: 'grid', columns: 2, children: [{ id: 'cell', size: 7, look }] },
                { id: 'part', repeat: '{parts}', size: 9, offset: [60, 5], look: fades },
              ],
            },
            { id: 'foot', height: 10, look },
          ],
        },
        {
          id: 'sea',
          anchor: 'right top',
          size: ['200', '200'],
          rotate: 10,
          children: [
            { id: 'buoy', repeat: '{free}', key: 'name', offset: ['{x}', '{x}'], size: 12, look, z: '{x}' },
          ],
        },
        {
          id: 'bits',
          anchor: 'right bottom',
          arrange: 'grid',
          columns: 'auto 30',
          width: 120,
          children: [{ id: 'bit', repeat: '{bits}', key: 'name', height: 10, look: fades }],
        },
        {
          'id': 'tied',
          'anchor-to': 'first',
          'anchor': 'right bottom',
          'size': 5,
          look,
          'gone': '{anchored}',
        },
        { id: 'last', anchor: 'left bottom', size: 20, look: fades, gone: '{ended}' },
      ] as never,
    },
  },
};

const { document, diagnostics } = readDocument(source);
const name = fc.constantFrom('a', 'b', 'c', 'd', 'e');
const distinct = <Value>(entry: fc.Arbitrary<Value & { name: string }>) =>
  fc.uniqueArray(entry, { maxLength: 5, selector: (one) => one.name });
const values = fc.record(
  {
    rooms: distinct(
      fc.record({
        name,
        parts: fc.integer({ min: 0, max: 3 }),
        faded: fc.constantFrom(1, 1, 0.5),
        high: fc.constantFrom(0, 0, 1),
      }),
    ),
    free: distinct(fc.record({ name, x: fc.integer({ min: 0, max: 40 }) })),
    bits: distinct(fc.record({ name })),
    ended: fc.boolean(),
    anchored: fc.boolean(),
  },
  { requiredKeys: [] },
);
const step = fc.record({
  set: values,
  scroll: fc.option(name, { nil: undefined }),
  draws: fc.boolean(),
  ms: fc.constantFrom(0, 30, 70, 200),
});

/** Where everything is on the screen, by id. */
function told(live: LiveView): unknown {
  const at = { x: 0, y: 0, width: 0, height: 0 };
  return live.widgets.map(({ id, index, parent }) => [id, index, parent, { ...live.read(index, at) }]);
}

test('who comes, goes or changes places leaves a view that is the same as a new one', () => {
  expect(diagnostics.map(formatDiagnostic)).toEqual([]);
  const screen = { width: 800, height: 600 };
  fc.assert(
    fc.property(fc.array(step, { minLength: 1, maxLength: 10 }), (steps) => {
      const live = new LiveView(openView(document!, 'test', { resources: { fonts } }), screen);
      const drawing = new LiveDrawing(live);
      drawing.update();
      const scrolled = new Map<string, number>();
      let given = {};
      steps.forEach(({ set, scroll, draws, ms }, turn) => {
        given = { ...given, ...set };
        live.set(set);
        const id = `room-${scroll}`;
        if (scroll !== undefined && live.find(id) !== undefined) {
          live.scroll(id, 0, turn + 1);
          scrolled.set(id, turn + 1);
        }
        live.advance(ms);
        if (draws) drawing.update();
      });
      live.advance(200);
      expect(live.advance(1)).toBe(false);
      const fresh = new LiveView(
        openView(document!, 'test', { resources: { fonts }, values: given }),
        screen,
      );
      // One that has gone and come again starts where it was scrolled to or at its start; one that stayed is where it was.
      for (const { id } of fresh.widgets)
        if (id.startsWith('room-') && !id.includes('.')) fresh.scroll(id, 0, live.scrolled(id).y);
      expect(told(live)).toEqual(told(fresh));
      const kept = drawing.update();
      const whole = new LiveDrawing(fresh).update();
      expect(plain(kept.operations)).toEqual(plain(drawLayout(live.snapshot()).operations));
      expectAlike(kept, whole);
    }),
    { numRuns: rounds(60, 3000), seed: seedOf(41) },
  );
});

test('who changes places stays scrolled, and who stays while others do as well', () => {
  const live = new LiveView(openView(document!, 'test', { resources: { fonts } }), {
    width: 800,
    height: 600,
  });
  const room = (named: string) => ({ name: named, parts: 1, faded: 1, high: 0 });
  live.set({ rooms: ['a', 'b', 'c'].map(room) });
  for (const [nth, id] of ['a', 'b', 'c'].entries()) live.scroll(`room-${id}`, 0, 10 * (nth + 1));
  live.set({ rooms: ['c', 'd', 'a', 'b'].map(room) });
  expect(['a', 'b', 'c', 'd'].map((id) => live.scrolled(`room-${id}`).y)).toEqual([10, 20, 30, 0]);
});

test('who stays in a list is the same widget, wherever it stands in it, and changes its own entry', () => {
  const lists = {
    pimbot: 1,
    reference: { size: '800x600' },
    components: {
      knob: {
        params: { at: 'number' },
        children: [{ id: 'set', kind: 'slider', value: '{at}', width: 100, height: 20 }],
      },
    },
    cases: { only: { tanks: [{ name: 'bow', level: 0.5 }], used: [{ name: 'bow' }] } },
    views: {
      test: {
        arrange: 'row',
        children: [
          { id: 'tank', repeat: '{tanks}', key: 'name', use: 'knob', at: '{level}' },
          { id: 'told', repeat: '{used}', key: 'name', kind: 'text', text: '{index} {name}' },
        ] as never,
      },
    },
  } as DocumentSource;
  const read = readDocument(lists);
  expect(read.diagnostics.map(formatDiagnostic)).toEqual([]);
  const screen = { width: 800, height: 600 };
  const live = new LiveView(openView(read.document!, 'test', { resources: { fonts } }), screen);
  const [tank, told] = [live.nodeOf('tank-bow'), live.nodeOf('told-bow')];
  const bow = { name: 'bow', level: 0.5 };
  const stern = { name: 'stern', level: 0.25 };
  live.set({ tanks: [stern, bow], used: [{ name: 'stern' }, { name: 'bow' }] });
  expect(live.nodeOf('tank-bow')).toBe(tank);
  // What says its place says another one.
  expect(live.nodeOf('told-bow')).not.toBe(told);
  expect(live.nodeOf('told-bow')!.widget.text!.text).toBe('2 bow');
  const input = new ViewInput(live);
  input.focus('tank-bow.set');
  input.hear({ type: 'key-down', key: 'ArrowRight' });
  const effects = input.hear({ type: 'key-down', key: 'ArrowRight' });
  const change = effects.find(({ type }) => type === 'change');
  expect(change).toMatchObject({ key: 'value', to: { name: 'tanks', index: 1, field: 'level' } });
  const tanks = live.values.get('tanks') as unknown as { level: number }[];
  expect(tanks[0]).toEqual(stern);
  expect(tanks[1]!.level).toBeGreaterThan(0.5);
});

test('who keeps its box while its padding changes with who comes is drawn again', () => {
  const { document: shared, diagnostics: told } = readDocument({
    pimbot: 1,
    reference: { size: '800x600' },
    cases: { only: { bits: [{ name: 'u', wide: 50 }] } },
    views: {
      test: {
        children: [
          {
            id: 'around',
            arrange: 'column',
            children: [
              {
                id: 'plate',
                kind: 'button',
                text: 'Hold',
                size: [160, 60],
                padding: '0 0 0 10%',
                look,
              },
              { id: 'bit', repeat: '{bits}', key: 'name', size: ['{wide}', 10], look },
            ],
          },
        ] as never,
      },
    },
  });
  expect(told.map(formatDiagnostic)).toEqual([]);
  const screen = { width: 800, height: 600 };
  const live = new LiveView(openView(shared!, 'test', { resources: { fonts } }), screen);
  const drawing = new LiveDrawing(live);
  const before = JSON.stringify(plain(drawing.update().operations).filter(({ type }) => type === 'path'));
  live.set({
    bits: [
      { name: 'u', wide: 50 },
      { name: 'v', wide: 600 },
    ],
  });
  const kept = plain(drawing.update().operations);
  expect(kept).toEqual(plain(drawLayout(live.snapshot()).operations));
  expect(JSON.stringify(kept.filter(({ type }) => type === 'path'))).not.toBe(before);
});

test('who fades out takes no input any more, and who comes back does', () => {
  const list = {
    pimbot: 1,
    reference: { scaling: 'none' },
    cases: { only: { all: [{ name: 'a' }, { name: 'b' }] } },
    views: {
      test: {
        children: [
          { id: 'floor', size: ['200', '200'], look },
          { id: 'one', repeat: '{all}', key: 'name', size: 50, look: fades, kind: 'button' },
        ] as never,
      },
    },
  } as DocumentSource;
  const live = new LiveView(openView(readDocument(list).document!, 'test', { resources: { fonts } }), {
    width: 800,
    height: 600,
  });
  const input = new ViewInput(live);
  const found = () => input.at(20, 20)?.widget;
  expect(found()).toBe('one-b');
  live.set({ all: [] });
  live.advance(30);
  expect(live.find('one-b')).toBeDefined();
  expect(found()).toBe('floor');
  live.set({ all: [{ name: 'a' }] });
  expect(found()).toBe('one-a');
});
