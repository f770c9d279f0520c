import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { LiveView, type WidgetSource } from 'pimbot';
import { FocusField, focusAfter, focusGround, noFocus, type FocusCommand } from 'pimbot/tools';
import { rounds, seedOf } from '../support/deep.ts';
import { documentOf, opened } from '../support/views.ts';

const [wide, high] = [600, 400];
const ways = ['nav-up', 'nav-right', 'nav-down', 'nav-left'] as const;
type Way = (typeof ways)[number];

function groundOf(live: LiveView) {
  const { on } = live.now;
  return focusGround(on.tree, on.layout, (id) => on.find(id));
}

function fieldOf(children: readonly WidgetSource[]) {
  const live = new LiveView(opened(documentOf(children)), { width: wide, height: high });
  return { live, field: new FocusField(groundOf(live)) };
}

/** Buttons in panels, some of them scopes or scrolled, at random places. */
function buttons(depth: number): fc.Arbitrary<WidgetSource> {
  const place = {
    x: fc.integer({ min: 0, max: 400 }),
    y: fc.integer({ min: 0, max: 300 }),
    width: fc.integer({ min: 5, max: 160 }),
    height: fc.integer({ min: 5, max: 120 }),
  };
  const button = fc
    .record({
      ...place,
      states: fc.constantFrom(undefined, undefined, undefined, 'disabled' as const),
      autofocus: fc.constantFrom(undefined, undefined, true as const),
    })
    .map(({ x, y, width, height, states, autofocus }): WidgetSource => ({
      kind: 'button',
      offset: [x, y],
      size: [width, height],
      ...(states && { states }),
      ...(autofocus && { autofocus }),
    }));
  if (depth === 0) return button;
  const panel = fc
    .record({
      ...place,
      scope: fc.constantFrom(undefined, 'open' as const, 'closed' as const),
      wrap: fc.boolean(),
      scroll: fc.constantFrom(undefined, undefined, 'y' as const),
      visible: fc.constantFrom(true, true, true, false),
      children: fc.array(buttons(depth - 1), { minLength: 1, maxLength: 4 }),
    })
    .map(({ x, y, width, height, scope, wrap, scroll, visible, children }): WidgetSource => ({
      offset: [x / 2, y / 2],
      size: [width + 150, height + 100],
      ...(scope && { 'focus-scope': scope }),
      ...(wrap && { 'focus-wrap': true }),
      ...(scroll && { scroll }),
      ...(!visible && { visible }),
      children,
    }));
  return fc.oneof({ weight: 2, arbitrary: button }, { weight: 1, arbitrary: panel });
}

const trees = fc.array(buttons(2), { minLength: 2, maxLength: 7 });

/*
 * The same rules once more, written another way: from the points of CSS Spatial Navigation's distance, over lists of ancestors.
 */
function leadsTo(live: LiveView, field: FocusField, from: number, way: Way): number | undefined {
  const { widgets } = live;
  const box = (index: number) => live.now.on.layout.rectInU(index);
  const around = (index: number): number[] => (index < 0 ? [] : [index, ...around(widgets[index]!.parent)]);
  const is = (index: number, key: string, value: unknown) =>
    (widgets[index]!.source as Record<string, unknown>)[key] === value;
  const scopeOf = (index: number) => around(index).find((at) => at === 0 || is(at, 'focus-scope', 'closed'))!;
  const isScrolled = (index: number) => (widgets[index]!.source as WidgetSource).scroll !== undefined;
  const scope = scopeOf(from);
  const seen = (index: number) => {
    let { x, y, width, height } = box(index);
    for (const outer of around(index).slice(1)) {
      if (around(from).includes(outer)) break;
      if (!isScrolled(outer)) continue;
      const o = box(outer);
      const [right, bottom] = [Math.min(x + width, o.x + o.width), Math.min(y + height, o.y + o.height)];
      [x, y] = [Math.max(x, o.x), Math.max(y, o.y)];
      [width, height] = [right - x, bottom - y];
      if (width <= 0 || height <= 0) return undefined;
    }
    return { left: x, top: y, right: x + width, bottom: y + height };
  };
  type Sides = { left: number; top: number; right: number; bottom: number };
  const best = (o: Sides, among: readonly number[]) => {
    const scored = among.flatMap((index) => {
      const c = seen(index);
      if (!c) return [];
      const sideways = way === 'nav-left' || way === 'nav-right';
      const sign = way === 'nav-right' || way === 'nav-down' ? 1 : -1;
      const [lead, trail, head, tail] = sideways
        ? (['right', 'left', 'bottom', 'top'] as const)
        : (['bottom', 'top', 'right', 'left'] as const);
      const [front, rear] = sign > 0 ? [lead, trail] : [trail, lead];
      const shareWay = Math.min(o[lead], c[lead]) - Math.max(o[trail], c[trail]);
      const shareAcross = Math.min(o[head], c[head]) - Math.max(o[tail], c[tail]);
      const beyond = sign * (c[rear] - o[front]) >= -0.01;
      const overlapping =
        shareWay > 0.01 &&
        shareAcross > 0.01 &&
        sign * (c[rear] - o[rear]) > 0.01 &&
        sign * (c[front] - o[front]) > 0.01;
      if (!beyond && !overlapping) return [];
      // Entry and exit point.
      const exit = { along: o[front], across: 0 };
      const entry = { along: beyond ? c[rear] : o[front], across: 0 };
      if (c[tail] >= o[head]) [exit.across, entry.across] = [o[head], c[tail]];
      else if (c[head] <= o[tail]) [exit.across, entry.across] = [o[tail], c[head]];
      const off = Math.abs(entry.across - exit.across);
      const inLine = shareAcross > 0.01;
      const size = o[head] - o[tail];
      const a = Math.sqrt(Math.max(0, sign * (entry.along - exit.along)) ** 2 + off ** 2);
      const b = (off + (inLine ? 0 : size / 2)) * (sideways ? 30 : 2);
      const gain = inLine ? 5 * Math.min(shareAcross / size, 1) : 0;
      const d = shareWay > 0.01 && inLine ? Math.sqrt(shareWay * shareAcross) : 0;
      return [{ index, distance: a + b - gain - d }];
    });
    const least = Math.min(...scored.map(({ distance }) => distance));
    return scored.find(({ distance }) => distance === least)?.index;
  };
  const { x, y, width, height } = box(from);
  const origin = { left: x, top: y, right: x + width, bottom: y + height };
  let all = field.usable.filter((index) => index !== from && scopeOf(index) === scope);
  let found: number | undefined;
  for (const at of around(from).slice(1)) {
    const counts =
      at === scope || is(at, 'focus-scope', 'open') || isScrolled(at) || is(at, 'focus-wrap', true);
    if (!counts) continue;
    const within = all.filter((index) => around(index).includes(at));
    found = best(origin, within);
    const acrossKeys =
      way === 'nav-left' || way === 'nav-right' ? (['y', 'height'] as const) : (['x', 'width'] as const);
    const [start, size] = acrossKeys;
    const own = { x: origin.left, y: origin.top, width, height };
    const inLine = within.filter((index) => {
      const other = box(index);
      return other[start] + other[size] > own[start] + 0.01 && other[start] < own[start] + own[size] - 0.01;
    });
    if (found === undefined && is(at, 'focus-wrap', true) && inLine.length > 0) {
      const boxes = inLine.map((index) => box(index));
      const shifted = { ...origin };
      const to = {
        'nav-right': () => Math.min(...boxes.map((one) => one.x)) - origin.right,
        'nav-left': () => Math.max(...boxes.map((one) => one.x + one.width)) - origin.left,
        'nav-down': () => Math.min(...boxes.map((one) => one.y)) - origin.bottom,
        'nav-up': () => Math.max(...boxes.map((one) => one.y + one.height)) - origin.top,
      }[way]();
      const keys =
        way === 'nav-left' || way === 'nav-right'
          ? (['left', 'right'] as const)
          : (['top', 'bottom'] as const);
      for (const key of keys) shifted[key] += to;
      found = best(shifted, inLine);
    }
    if (found !== undefined || at === scope) break;
    if (!isScrolled(at)) continue;
    // From further out, as if it had been scrolled into view; what is in it has been looked through.
    all = all.filter((index) => !around(index).includes(at));
    const port = box(at);
    const across = Math.min(0, port.x + port.width - origin.right);
    const right = Math.max(0, port.x - origin.left - across);
    const up = Math.min(0, port.y + port.height - origin.bottom);
    const down = Math.max(0, port.y - origin.top - up);
    origin.left += across + right;
    origin.right += across + right;
    origin.top += up + down;
    origin.bottom += up + down;
  }
  if (found === undefined) return undefined;
  const entered = around(found)
    .slice(1)
    .filter((at) => at > 0 && is(at, 'focus-scope', 'open') && !around(from).includes(at));
  const closed = around(found).indexOf(scopeOf(found));
  const outer = entered.filter((at) => around(found).indexOf(at) < closed || closed < 0).at(-1);
  if (outer === undefined) return found;
  return (
    field.usable.find(
      (index) => around(index).includes(outer) && scopeOf(index) === scope && is(index, 'autofocus', true),
    ) ?? found
  );
}

describe('where a direction leads', () => {
  test('is where a second implementation of the same rules leads', () => {
    let moves = 0;
    fc.assert(
      fc.property(trees, (children) => {
        const { live, field } = fieldOf(children);
        for (const from of field.usable)
          for (const way of ways) {
            const to = field.toward(from, way);
            expect([from, way, to]).toEqual([from, way, leadsTo(live, field, from, way)]);
            if (to !== undefined) moves++;
          }
      }),
      { numRuns: rounds(150, 5000), seed: seedOf(15) },
    );
    expect(moves).toBeGreaterThan(500);
  });

  test('is found without looking at all there are: four times the controls, at most seven times the looks', () => {
    const at = (nth: number) => `${(nth % 40) * 30} ${Math.floor(nth / 40) * 20}`;
    const shapes: Record<string, (nth: number) => WidgetSource> = {
      'a grid': (nth) => ({ id: `b${nth}`, kind: 'button', size: [26, 16], offset: at(nth) }),
      'one spot': (nth) => ({ id: `b${nth}`, kind: 'button', size: 40 }),
      'what scrolls': (nth) => ({ id: `b${nth}`, kind: 'button', size: [200, 30] }),
    };
    for (const [name, make] of Object.entries(shapes)) {
      const looks = [400, 1600].map((count) => {
        const children = Array.from({ length: count }, (_, nth) => make(nth));
        const held: WidgetSource[] =
          name === 'what scrolls'
            ? [
                { arrange: 'column', scroll: 'y', size: [200, 300], children },
                { kind: 'button', size: 9 },
              ]
            : children;
        const ground = groundOf(fieldOf(held).live);
        let asked = 0;
        const counted = {
          ...ground,
          rectInU(index: number) {
            asked++;
            return ground.rectInU(index);
          },
        };
        const field = new FocusField(counted);
        for (const from of field.usable) for (const way of ways) field.toward(from, way);
        return asked;
      });
      expect([name, looks[1]! / looks[0]! < 7]).toEqual([name, true]);
    }
  });

  test('leads out of what scrolls from where it would be seen, however far down it is', () => {
    const { field } = fieldOf([
      {
        arrange: 'column',
        width: 200,
        children: [
          {
            scroll: 'y',
            width: 200,
            height: 100,
            arrange: 'column',
            children: ['a', 'b', 'c', 'd', 'e', 'f'].map((id) => ({ id, kind: 'button', size: [200, 60] })),
          },
          { id: 'done', kind: 'button', size: [200, 60] },
        ],
      },
    ]);
    const last = field.toward(field.indexOf('f')!, 'nav-down');
    expect(last === undefined ? undefined : field.idOf(last)).toBe('done');
  });

  test('is the next one in a row, column and grid, from the middle of each', () => {
    const key = (id: string): WidgetSource => ({ id, kind: 'button', size: 40 });
    const { field } = fieldOf([
      {
        arrange: 'grid',
        columns: 3,
        gap: 8,
        children: ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h', 'i'].map(key),
      },
    ]);
    const to = (id: string, way: Way) => {
      const index = field.toward(field.indexOf(id)!, way);
      return index === undefined ? undefined : field.idOf(index);
    };
    expect(ways.map((way) => to('e', way))).toEqual(['b', 'f', 'h', 'd']);
    expect(ways.map((way) => to('a', way))).toEqual([undefined, 'b', 'd', undefined]);
    expect(ways.map((way) => to('i', way))).toEqual(['f', undefined, undefined, 'h']);
  });

  test('a declared neighbour goes first, but for one that cannot take the focus', () => {
    const { field } = fieldOf([
      { 'id': 'a', 'kind': 'button', 'size': 40, 'nav-right': 'c', 'nav-down': 'off' },
      { id: 'b', kind: 'button', size: 40, offset: '60 0' },
      { id: 'c', kind: 'button', size: 40, offset: '120 0' },
      { id: 'off', kind: 'button', size: 40, offset: '0 60', states: 'disabled' },
      { id: 'low', kind: 'button', size: 40, offset: '0 120' },
    ]);
    expect(field.idOf(field.toward(field.indexOf('a')!, 'nav-right')!)).toBe('c');
    expect(field.idOf(field.toward(field.indexOf('a')!, 'nav-down')!)).toBe('low');
  });
});

describe('the order of the focus', () => {
  test('is as it is written, and as focus-order says; it starts again past its end', () => {
    const key = (id: string): WidgetSource => ({ id, kind: 'button', size: 40 });
    const { field } = fieldOf([
      {
        'id': 'left',
        'arrange': 'row',
        'focus-order': ['c', 'a'],
        'children': [key('a'), key('b'), key('c')],
      },
      {
        'id': 'menu',
        'offset': '0 60',
        'arrange': 'row',
        'focus-scope': 'closed',
        'children': [key('x'), key('y')],
      },
      { ...key('d'), offset: '0 120' },
    ]);
    const names = (scope: number) => field.sequence(scope).map((index) => field.idOf(index));
    expect(names(0)).toEqual(['c', 'a', 'b', 'd']);
    expect(names(field.indexOf('menu')!)).toEqual(['x', 'y']);
    const after = (id: string, step: 1 | -1) => field.idOf(field.beside(field.indexOf(id)!, step)!);
    expect([after('d', 1), after('c', -1), after('y', 1), after('x', -1)]).toEqual(['c', 'd', 'x', 'y']);
  });
});

describe('the focus', () => {
  const command: fc.Arbitrary<FocusCommand> = fc.oneof(
    {
      weight: 8,
      arbitrary: fc.constantFrom(...ways).map((direction) => ({ type: 'toward', direction }) as const),
    },
    { weight: 3, arbitrary: fc.constantFrom({ type: 'next' } as const, { type: 'previous' } as const) },
  );

  test('never leaves a closed scope by moving, and is always on a control that can take it', () => {
    let steps = 0;
    fc.assert(
      fc.property(trees, fc.array(command, { minLength: 100, maxLength: 200 }), (children, commands) => {
        const { field } = fieldOf(children);
        for (const start of field.usable) {
          const scope = field.scopeOf(start);
          let { state } = focusAfter(noFocus, { type: 'to', control: field.idOf(start) }, field, -1);
          expect(state.focused).toBe(field.idOf(start));
          for (const one of commands) {
            const before = state;
            const after = focusAfter(before, one, field, -1);
            state = after.state;
            steps++;
            const at = field.indexOf(state.focused!)!;
            expect(field.isUsable(at)).toBe(true);
            expect(field.scopeOf(at)).toBe(scope);
            // Whoever listens knows where it is.
            const moved = after.effects.find(({ type }) => type === 'focus');
            expect(moved !== undefined).toBe(before.focused !== state.focused);
            expect(focusAfter(before, one, field, -1)).toEqual(after);
          }
        }
      }),
      { numRuns: rounds(15, 2000), seed: seedOf(16) },
    );
    expect(steps).toBeGreaterThan(5000);
  });

  const menu: readonly WidgetSource[] = [
    { id: 'fight', kind: 'button', size: 40 },
    { id: 'flee', kind: 'button', size: 40, offset: '0 60' },
    {
      'id': 'side',
      'offset': '100 0',
      'arrange': 'column',
      'focus-scope': 'closed',
      'children': [
        { id: 'lamp', kind: 'button', size: 40 },
        { id: 'wax', kind: 'button', size: 40, autofocus: true },
      ],
    },
    {
      'id': 'log',
      'offset': '200 0',
      'arrange': 'column',
      'focus-scope': 'open',
      'children': [
        { id: 'one', kind: 'button', size: 40 },
        { id: 'two', kind: 'button', size: 40 },
      ],
    },
    { id: 'sure', kind: 'dialog', visible: '{asks}', children: [{ id: 'yes', kind: 'button', size: 30 }] },
  ];

  function played(...commands: readonly FocusCommand[]): (string | undefined)[] {
    const { field } = fieldOf(menu.filter(({ id }) => id !== 'sure'));
    let state = noFocus;
    return commands.map((one) => {
      state = focusAfter(state, one, field, -1).state;
      return state.focused;
    });
  }

  test('goes into a side menu when the game says so, stays in it, and comes back to where it was', () => {
    expect(
      played(
        { type: 'next' },
        { type: 'toward', direction: 'nav-down' },
        { type: 'toward', direction: 'nav-right' },
        { type: 'toward', direction: 'nav-left' },
        { type: 'enter', scope: 'side' },
        { type: 'toward', direction: 'nav-right' },
        { type: 'toward', direction: 'nav-up' },
        { type: 'next' },
        { type: 'back' },
      ),
    ).toEqual(['fight', 'flee', 'two', 'flee', 'wax', 'wax', 'lamp', 'wax', 'flee']);
  });

  test('comes back to where it was last in an open scope', () => {
    const right = { type: 'toward', direction: 'nav-right' } as const;
    const left = { type: 'toward', direction: 'nav-left' } as const;
    const down = { type: 'toward', direction: 'nav-down' } as const;
    expect(played({ type: 'next' }, right, down, left, { type: 'to', control: 'fight' }, right)).toEqual([
      'fight',
      'one',
      'two',
      'flee',
      'fight',
      'two',
    ]);
  });

  test('goes into a dialog that opens and back when it closes; a dialog is closed by the game', () => {
    const live = new LiveView(opened(documentOf(menu, { cases: { only: { asks: false } } })), {
      width: wide,
      height: high,
    });
    const step = (state: typeof noFocus, one: FocusCommand) => {
      const ground = groundOf(live);
      return focusAfter(state, one, new FocusField(ground), ground.dialog);
    };
    let { state } = step(noFocus, { type: 'to', control: 'flee' });
    live.set({ asks: true });
    ({ state } = step(state, { type: 'settle' }));
    expect(state.focused).toBe('yes');
    const back = step(state, { type: 'back' });
    expect(back.effects).toEqual([{ type: 'back', scope: 'sure' }]);
    expect(back.state.focused).toBe('yes');
    live.set({ asks: false });
    const closed = step(state, { type: 'settle' });
    expect(closed.state.focused).toBe('flee');
    expect(closed.effects).toEqual([{ type: 'focus', control: 'flee', from: 'yes' }]);
    expect(closed.state.entered).toEqual([]);
  });

  test('goes to the nearest control where its own is gone', () => {
    const live = new LiveView(
      opened(
        documentOf(
          [
            {
              id: 'row',
              arrange: 'row',
              children: [{ id: 'slot', repeat: '{list}', key: 'item', kind: 'button', size: 40 }],
            },
          ],
          { cases: { only: { list: ['a', 'b', 'c', 'd'] } } },
        ),
      ),
      { width: wide, height: high },
    );
    const step = (state: typeof noFocus, one: FocusCommand) =>
      focusAfter(state, one, new FocusField(groundOf(live)), -1).state;
    const state = step(noFocus, { type: 'to', control: 'slot-c' });
    live.set({ list: ['a', 'b', 'd'] });
    expect(step(state, { type: 'settle' }).focused).toBe('slot-d');
    live.set({ list: [] });
    expect(step(state, { type: 'settle' }).focused).toBeUndefined();
  });
});
