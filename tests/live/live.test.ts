import { spawnSync } from 'node:child_process';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { LiveView, buildView, makeScreen } from 'pimbot';
import { gaveWay } from 'pimbot/tools';
import type { DocumentSource } from 'pimbot';
import { fonts, opened } from '../support/views.ts';
import { rounds, seedOf } from '../support/deep.ts';

const texts = ['', 'Depth', 'Rise, Fathom, rise!', 'A letter with a red seal for Saint Barnacle', '412'];

const source: DocumentSource = {
  pimbot: 1,
  reference: { size: '800x600' },
  components: {
    cell: {
      params: { name: 'text' },
      padding: 4,
      arrange: 'row',
      children: [{ kind: 'text', text: '{name}' }, { size: 20 }],
    },
  },
  cases: { only: { a: 'Depth', b: 'Hull', c: '412', m: 0.5, count: 3, split: 0.4 } },
  views: {
    test: {
      children: [
        {
          id: 'column',
          anchor: 'left bottom',
          arrange: 'column',
          width: '30%',
          gap: 4,
          children: [
            { kind: 'text', text: '{a}' },
            {
              arrange: 'row',
              align: 'baseline',
              children: [
                { kind: 'text', text: '{b} {c}', look: { 'font-size': 40 } },
                { 'kind': 'text', 'text': '{a}', 'min-width': 10 },
              ],
            },
          ],
        },
        {
          id: 'wrap',
          anchor: 'right top',
          width: '40%',
          arrange: 'wrap',
          gap: 6,
          children: [
            { repeat: '{count}', use: 'cell', name: '{a} {index}' } as never,
            { kind: 'text', text: '{c}' },
          ],
        },
        {
          id: 'grid',
          anchor: 'center',
          arrange: 'grid',
          columns: 'content fill 2',
          width: 300,
          children: [
            { kind: 'text', text: '{b}' },
            { kind: 'text', text: '{a}' },
            { kind: 'meter', value: '{m}' },
          ],
        },
        {
          id: 'box',
          anchor: 'right bottom',
          padding: 5,
          children: [{ kind: 'text', text: '{c} {a}', anchor: 'right bottom' }],
        },
        {
          'id': 'tip',
          'anchor-to': 'box',
          'anchor': 'left top',
          'pivot': 'left bottom',
          'kind': 'text',
          'text': '{b}',
        },
        {
          id: 'list',
          anchor: 'left top',
          size: '120 80',
          scroll: 'y',
          arrange: 'column',
          children: [{ kind: 'text', text: '{a}' }, { height: 60 }, { kind: 'text', text: '{b}' }],
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
};

const step = fc.oneof(
  fc.record({
    type: fc.constant('resize' as const),
    width: fc.integer({ min: 0, max: 2000 }),
    height: fc.integer({ min: 0, max: 2000 }),
    inset: fc.constantFrom(0, 0, 20),
  }),
  fc.record({
    type: fc.constant('set' as const),
    name: fc.constantFrom('a', 'b', 'c'),
    value: fc.constantFrom(...texts),
  }),
  fc.record({
    type: fc.constant('set' as const),
    name: fc.constantFrom('m', 'split'),
    value: fc.double({ min: 0, max: 1, noNaN: true }),
  }),
  fc.record({
    type: fc.constant('set' as const),
    name: fc.constant('count'),
    value: fc.integer({ min: 0, max: 5 }),
  }),
  fc.record({ type: fc.constant('scroll' as const), y: fc.integer({ min: -10, max: 200 }) }),
);

describe('a live layout', () => {
  test('has the bytes of a fresh one after any sequence of changes', () => {
    fc.assert(
      fc.property(fc.array(step, { minLength: 1, maxLength: 12 }), (steps) => {
        const live = new LiveView(opened(source), { width: 800, height: 600 });
        const values: Record<string, string | number> = {};
        let screen = makeScreen({ width: 800, height: 600 });
        let scrolled: number | undefined;
        for (const one of steps) {
          if (one.type === 'resize') {
            const inset = Math.min(one.inset, Math.floor(Math.min(one.width, one.height) / 3));
            screen = makeScreen({ width: one.width, height: one.height, safe: [inset, 0, inset, inset] });
            live.resize(screen);
          } else if (one.type === 'set') {
            values[one.name] = one.value;
            live.set({ [one.name]: one.value });
          } else {
            scrolled = one.y;
            live.scroll('list', 0, one.y);
          }
        }
        // Scrolling is the one state that neither a screen nor a value holds.
        const fresh = new LiveView(
          opened({ ...source, cases: { only: { ...source.cases!.only, ...values } } }),
          screen,
        );
        live.scroll('list', 0, scrolled ?? 0);
        fresh.scroll('list', 0, scrolled ?? 0);
        const bytes = (of: LiveView) =>
          of.widgets.map(({ id, index }) => [id, of.read(index, { x: 0, y: 0, width: 0, height: 0 })]);
        expect(JSON.stringify(bytes(live))).toBe(JSON.stringify(bytes(fresh)));
      }),
      { numRuns: rounds(40, 60), seed: seedOf(20261123) },
    );
  });

  test('keeps how far a list is scrolled when the view is built anew', () => {
    const live = new LiveView(opened(source), { width: 800, height: 600 });
    const top = () => live.read(live.indexOf('list') + 1, { x: 0, y: 0, width: 0, height: 0 }).y;
    const before = top();
    live.scroll('list', 0, 12);
    expect(top() - before).toBe(-12);
    live.set({ count: 4 });
    expect(top() - before).toBe(-12);
    live.setStates('box', ['focused']);
    expect(top() - before).toBe(-12);
    live.resize({ width: 600, height: 800 });
    live.resize({ width: 800, height: 600 });
    expect(top() - before).toBe(-12);
  });

  test('reads without making objects, and iterates in drawing order', () => {
    const view = opened({
      pimbot: 1,
      views: {
        test: {
          children: [
            { id: 'low', z: -1, size: 5 },
            { id: 'high', z: 2, size: 5 },
            { id: 'mid', size: 5, children: [{ id: 'inner', size: 1 }] },
          ],
        },
      },
    });
    const live = new LiveView(view, { width: 1920, height: 1080 });
    expect(live.order.map((index) => live.widgets[index]!.id)).toEqual([
      'test',
      'low',
      'mid',
      'inner',
      'high',
    ]);
    const into = { x: 0, y: 0, width: 0, height: 0 };
    expect(live.read(live.indexOf('mid'), into)).toBe(into);
    expect(live.read('mid', { ...into })).toEqual(into);
    expect(into).toEqual({ x: 0, y: 0, width: 5, height: 5 });
  });

  test('ids are known to the compiler when the view is built in TypeScript', () => {
    const view = buildView(
      {
        pimbot: 1,
        views: { hud: { children: [{ id: 'sonar', size: 280, children: [{ id: 'blip', size: 4 }] }] } },
      },
      'hud',
      { resources: { fonts } },
    );
    const on = view.layoutOn({ width: 1920, height: 1080 });
    expect(on.rect('blip').width).toBe(4);
    // @ts-expect-error -- there is no such widget.
    expect(() => on.rect('blop')).toThrow('there is no widget "blop"; did you mean "blip"?');
    expect(() =>
      buildView({ pimbot: 1, views: { hud: { arrange: 'grid', columns: 0 } } }, 'hud', {
        resources: { fonts },
      }),
    ).toThrow('"columns" is a number of columns');
  });

  test('10,000 levels and 100,000 siblings are laid out', () => {
    let deep: object = { size: 1 };
    for (let level = 0; level < 10_000; level++) deep = { padding: 0, arrange: 'row', children: [deep] };
    expect(() => opened({ pimbot: 1, views: { test: { children: [deep] } } })).toThrow(/nested deeper/);
    const children = Array.from({ length: 100_000 }, (_, index) => ({ width: 'fill', height: index % 7 }));
    const live = new LiveView(opened({ pimbot: 1, views: { test: { arrange: 'row', children } } }), {
      width: 1920,
      height: 1080,
    });
    const last = live.read(100_000, { x: 0, y: 0, width: 0, height: 0 });
    expect(last.x + last.width).toBeCloseTo(1920, 6);
  });
});

describe('what gave way (docs/layout-model.md 2.8)', () => {
  test('is listed with its numbers, and nothing else is', () => {
    const view = opened({
      pimbot: 1,
      reference: { scaling: 'none' },
      views: {
        test: {
          children: [
            { 'id': 'max', 'size': 50, 'min-width': 80, 'max-width': 60 },
            { 'id': 'inset', 'anchor': 'left..right top', 'inset': 480, 'min-width': 100, 'height': 1 },
            { id: 'aspect', size: '50 70', aspect: 1 },
            {
              id: 'row',
              arrange: 'row',
              size: '100 10',
              gap: 5,
              children: [{ size: 60 }, { size: 50, margin: 3 }],
            },
            {
              id: 'fine',
              anchor: 'left..right top',
              inset: 40,
              height: 9,
              arrange: 'row',
              children: [{ 'width': 'fill', 'max-width': 7 }],
            },
          ],
        },
      },
    });
    const on = view.layoutOn({ width: 1000, height: 800 });
    expect(
      gaveWay(on.tree, on.layout).map(
        ({ widget, axis, text }) => `${on.widgets[widget]!.id} ${axis}: ${text}`,
      ),
    ).toEqual([
      'max x: max-width 60 gave way to its minimum or padding of 80 u',
      'inset x: its insets leave 40 u and gave way to a width of 100',
      'aspect y: aspect 1 gave way to 50 × 70 u',
      'row x: its 100 u gave way to children that need 121: 60 row.panel-1 + 50 row.panel-2 + 5 gap + 6 margins',
    ]);
  });
});

test('laying out on another screen, reading, and a pointer over the same make no garbage that grows with the view', () => {
  const program = `
    import { LiveView, ViewInput, makeScreen, openView, readDocument } from 'pimbot';
    import { bundledFonts } from 'pimbot/node';
    const row = { arrange: 'row', gap: 2, children: [{ size: 9 }, { width: 'fill', height: 4 }, { kind: 'text', text: 'Rise', width: 'fill' }] };
    const children = Array.from({ length: 250 }, () => row);
    const views = { hud: { children: [{ anchor: 'left..right top', arrange: 'column', children }] } };
    const { document } = readDocument({ pimbot: 1, views });
    const live = new LiveView(openView(document, 'hud', { resources: { fonts: bundledFonts() } }), { width: 900, height: 500 });
    const screens = [makeScreen({ width: 1280, height: 720 }), makeScreen({ width: 2560, height: 1080 })];
    const input = new ViewInput(live);
    const move = { type: 'move', pointer: 1, device: 'mouse', x: 20, y: 20 };
    const time = { type: 'time', ms: 16 };
    const rect = { x: 0.5, y: 0.5, width: 0.5, height: 0.5 };
    const grown = (calls, call) => {
      for (let warm = 0; warm < 2 * calls; warm++) call(warm);
      const found = [];
      for (let round = 0; round < 5; round++) {
        gc();
        const before = process.memoryUsage().heapUsed;
        for (let turn = 0; turn < calls; turn++) call(turn);
        found.push((process.memoryUsage().heapUsed - before) / calls);
      }
      return found.sort((a, b) => a - b)[2];
    };
    console.log(JSON.stringify([
      grown(4000, (turn) => live.resize(screens[turn % 2])),
      grown(100000, (turn) => live.read(turn % 1000, rect)),
      grown(20000, (turn) => { move.x = 20 + (turn % 9); input.hear(move); }),
      grown(20000, () => input.hear(time)),
    ]));`;
  const { stdout, stderr } = spawnSync(
    process.execPath,
    ['--expose-gc', '--input-type=module', '--eval', program],
    { encoding: 'utf8', env: { ...process.env, NODE_OPTIONS: '' } },
  );
  expect(stderr).toBe('');
  const [resize, read, move, time] = JSON.parse(stdout) as [number, number, number, number];
  // A handful of numbers may be made for the screen; none for any of the 1,000 widgets.
  expect(resize).toBeLessThan(200);
  // A rectangle would be 48 bytes at the least.
  expect(read).toBeLessThan(24);
  // No object: numbers on their way from function to function.
  expect(move).toBeLessThan(400);
  expect(time).toBeLessThan(40);
});
