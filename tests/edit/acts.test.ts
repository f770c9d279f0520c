import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { openView, readDocument, type ScreenSize } from 'pimbot';
import { EditError, newHistory, perform, undo, withChange, type Act } from 'pimbot/tools';
import { openProject } from 'pimbot/node';
import { rounds, seedOf } from '../support/deep.ts';
import { fonts } from '../support/views.ts';

const reference = { width: 1920, height: 1080 };

function open(source: string) {
  const { document, diagnostics } = readDocument(source, { name: 'hud.yaml' });
  if (!document) throw new Error(JSON.stringify(diagnostics.map(({ code, facts }) => ({ code, facts }))));
  return { document, view: openView(document, 'dive', { resources: { fonts } }) };
}

const head = 'pimbot: 1\nviews:\n  dive:\n    children:\n';
const after = (source: string, act: Act) => perform(open(source).document, open(source).view, act);
const rect = (source: string, id: string, screen: ScreenSize = reference) =>
  open(source).view.layoutOn(screen).rectInU(id);

const anchors = [
  'left top',
  'center',
  'right bottom',
  '25% 80%',
  'left..right top',
  '10%..90% 20%..100%',
  'end top',
];
const sizes = ['size: 200 100', 'width: 30%, height: 80', 'size: 20% 25%', 'width: "40% - 50", height: 60'];
const offsets = ['', 'offset: [12, -8]', 'offset: "5% 10"', 'offset: 40'];
const insets = ['', 'inset: 20 40', 'inset: 10', 'inset: { left: 5%, right: 12 }'];

const placed = fc.record({
  anchor: fc.constantFrom(...anchors),
  size: fc.constantFrom(...sizes),
  offset: fc.constantFrom(...offsets),
  inset: fc.constantFrom(...insets),
  pivot: fc.constantFrom('', 'pivot: center', 'pivot: 0.3 0.9'),
  margin: fc.constantFrom('', 'margin: 6 3'),
  direction: fc.constantFrom('ltr', 'rtl'),
});

function written({
  anchor,
  size,
  offset,
  inset,
  pivot,
  margin,
  direction,
}: typeof placed extends fc.Arbitrary<infer T> ? T : never) {
  const span = anchor.includes('..');
  const keys = [`anchor: ${anchor}`, span ? '' : size, span ? inset : offset, pivot, margin].filter(Boolean);
  // A span on one axis alone still needs the other size.
  const height = anchor === 'left..right top' ? ', height: 90' : '';
  return `# Mine.\n${head.replace('    children', `    direction: ${direction}\n    children`)}      - { id: one, ${keys.join(', ')}${height} } # here\n`;
}

describe('moving and resizing', () => {
  test('puts each edge where it was put, on the reference and wherever it is looked at', () => {
    const by = fc.integer({ min: -60, max: 60 });
    fc.assert(
      fc.property(
        placed,
        by,
        by,
        by,
        by,
        fc.constantFrom(reference, { width: 1080, height: 2400 }),
        (place, left, top, right, bottom, screen) => {
          const source = written(place);
          const { document, view } = open(source);
          const on = view.layoutOn(screen);
          const before = on.rectInU('one');
          fc.pre(before.width + right - left > 1 && before.height + bottom - top > 1);
          const { text } = perform(
            document,
            view,
            { do: 'resize', widget: 'one', edges: { left, top, right, bottom } },
            on,
          );
          const now = rect(text, 'one', screen);
          expect(now.x).toBeCloseTo(before.x + left, 1);
          expect(now.y).toBeCloseTo(before.y + top, 1);
          expect(now.x + now.width).toBeCloseTo(before.x + before.width + right, 1);
          expect(now.y + now.height).toBeCloseTo(before.y + before.height + bottom, 1);
          expect(text.match(/#.*/g)).toEqual(['# Mine.', '# here']);
          expect(text).toContain(`anchor: ${place.anchor}`);
          const moved = perform(document, view, { do: 'move', widgets: ['one'], x: left, y: top }, on).text;
          const there = rect(moved, 'one', screen);
          expect([there.x, there.y].map(Math.round)).toEqual(
            [before.x + left, before.y + top].map(Math.round),
          );
          expect(there.width).toBeCloseTo(before.width, 1);
        },
      ),
      { numRuns: rounds(120, 3_000), seed: seedOf(21) },
    );
  });

  test('keeps an aspect: the side that follows goes along, and what was pulled is where it was put', () => {
    const by = fc.integer({ min: -40, max: 60 });
    const said = fc.constantFrom(
      'width: 200',
      'height: 20%',
      'width: "10% + 40"',
      'height: 120, width: content',
    );
    const places = fc.constantFrom('left top', 'center', 'right bottom', '25% 80%');
    fc.assert(
      fc.property(
        said,
        places,
        by,
        fc.constantFrom('left', 'top', 'right', 'bottom'),
        (size, anchor, far, edge) => {
          const source = `${head}      - { id: one, ${size}, aspect: 3/2, anchor: ${anchor} }\n`;
          const before = rect(source, 'one');
          const text = after(source, { do: 'resize', widget: 'one', edges: { [edge]: far } }).text;
          const now = rect(text, 'one');
          expect(Math.abs(now.width / now.height - 1.5)).toBeLessThan(0.01);
          const edges = ({ x, y, width, height }: typeof now) => ({
            left: x,
            top: y,
            right: x + width,
            bottom: y + height,
          });
          const [was, is] = [edges(before), edges(now)];
          expect(is[edge]).toBeCloseTo(was[edge] + far, 0);
          // The edge across stays, and the one from which the other side grows.
          const [across, start] = {
            left: ['right', 'top'],
            top: ['bottom', 'left'],
            right: ['left', 'top'],
            bottom: ['top', 'left'],
          }[edge] as [typeof edge, typeof edge];
          expect(is[across]).toBeCloseTo(was[across], 0);
          expect(is[start]).toBeCloseTo(was[start], 0);
          const { diagnostics } = readDocument(text);
          expect(diagnostics).toEqual([]);
        },
      ),
      { numRuns: rounds(60, 2000), seed: seedOf(9) },
    );
  });

  test('keeps the way a length was written', () => {
    const moved = (keys: string) =>
      after(`${head}      - { id: one, size: 40, ${keys} }\n`, {
        do: 'move',
        widgets: ['one'],
        x: 5,
        y: -3,
      }).text.split('one, ')[1]!;
    expect(moved('offset: 10 20')).toBe('size: 40, offset: 15 17 }\n');
    expect(moved('offset: [10, 20]')).toBe('size: 40, offset: [15, 17] }\n');
    expect(moved('offset: "50% - 10 20"')).toBe('size: 40, offset: 50% - 5 17 }\n');
    expect(moved('offset: -5 3')).toBe('size: 40 }\n');
    expect(moved('anchor: center')).toBe('size: 40, anchor: center, offset: [5, -3] }\n');
  });

  test('in a row it is refused, with the reason', () => {
    const source = `${head}      - { id: row, arrange: row, children: [ { id: a, size: 10 }, { id: b, size: 20 } ] }\n`;
    expect(() => after(source, { do: 'move', widgets: ['a'], x: 1, y: 1 })).toThrow(
      new EditError('"a" stands in a row, which places it: change its order there'),
    );
    const wider = after(source, { do: 'resize', widget: 'a', edges: { right: 15 } });
    expect(rect(wider.text, 'a').width).toBe(25);
    expect(wider.alsoMoved).toEqual(['row', 'b'].map((widget) => ({ widget, by: 15 })));
    // Those without an id too; where places have changed, nobody knows which of them is which.
    const unnamed = source.replace('{ id: b, ', '{ ');
    const others = after(unnamed, { do: 'resize', widget: 'a', edges: { right: 15 } }).alsoMoved;
    expect(others.map(({ widget }) => widget)).toEqual(['row', 'row.panel-1']);
    expect(after(unnamed, { do: 'order', widget: 'a', to: 2 }).alsoMoved).toEqual([]);
  });

  test.each(['layers', 'pages', 'grid'])('so it is in %s, which places its children too', (arrange) => {
    const source = `${head}      - { id: deck, arrange: ${arrange}, ${arrange === 'pages' ? 'page: a, ' : ''}children: [ { id: a, size: 10 } ] }\n`;
    expect(() => after(source, { do: 'move', widgets: ['a'], x: 1, y: 1 })).toThrow(
      new EditError(`"a" stands in a ${arrange}, which places it: change its order there`),
    );
  });

  test('aligns and spaces out', () => {
    const source = `${head}      - { id: a, size: 10, offset: 5 7 }\n      - { id: b, size: 20, offset: 50 9 }\n      - { id: c, anchor: right top, size: 30, offset: -1700 30 }\n`;
    const aligned = after(source, { do: 'align', widgets: ['a', 'b', 'c'], to: 'bottom' }).text;
    expect(['a', 'b', 'c'].map((id) => rect(aligned, id)).map(({ y, height }) => y + height)).toEqual([
      60, 60, 60,
    ]);
    const spaced = after(source, { do: 'space', widgets: ['c', 'a', 'b'], along: 'x' }).text;
    const [a, b, c] = ['a', 'b', 'c'].map((id) => rect(spaced, id)) as [DOMRect, DOMRect, DOMRect];
    expect(b.x - a.x - a.width).toBeCloseTo(c.x - b.x - b.width, 1);
    expect(c.x).toBe(190);
    expect(() => after(source, { do: 'space', widgets: ['a', 'b'], along: 'x' })).toThrow(/three/);
  });
});

describe('containers', () => {
  const source = `# The HUD.
${head}      # First.
      - id: first # one
        size: 100
        # Inside.
        children:
          - { id: a, size: 10, offset: 5 }
          - { id: b, size: 10, offset: 40 } # b
      - { id: second, offset: 300 200, size: 200, children: [ { id: c, size: 12, offset: 7 } ] }
      - id: third
        arrange: row
        offset: 900 40
        children:
          # d.
          - id: d
            size: 20
          - { id: e, size: 30 }
`;
  const order = (text: string, parent: string) => {
    const on = open(text).view.layoutOn(reference);
    const at = on.indexOf(parent);
    return on.widgets.filter((one) => one.parent === at).map(({ id }) => id);
  };
  const comments = source.match(/#.*/g)!.sort();

  test.each([
    ['third', 'e', 0],
    ['third', 'd', 1],
    ['first', 'b', 0],
  ] as const)('reorders in %s', (parent, widget, to) => {
    const { text, alsoMoved } = after(source, { do: 'order', widget, to });
    expect(order(text, parent)[to]).toBe(widget);
    expect(text.match(/#.*/g)!.sort()).toEqual(comments);
    expect(alsoMoved.length).toBe(parent === 'third' ? 1 : 0);
  });

  test.each(['a', 'b', 'c', 'd', 'e'])(
    'puts %s into each other container, keeping its place in a free one',
    (widget) => {
      for (const parent of ['first', 'second', 'third', 'view']) {
        const id = parent === 'view' ? open(source).view.layoutOn(reference).widgets[0]!.id : parent;
        const at = open(source).view.layoutOn(reference);
        const inside = at.widgets[at.widgets[at.indexOf(widget)]!.parent]!.id === id;
        let text: string;
        try {
          ({ text } = after(source, { do: 'into', widget, parent: id }));
        } catch (error) {
          // A comment has no place between braces: the only reason there is.
          expect((error as Error).message).toMatch(/comments/);
          expect([
            ['b', 'second'],
            ['d', 'second'],
          ]).toContainEqual([widget, parent]);
          continue;
        }
        expect(order(text, id).at(-1)).toBe(widget);
        expect(text.match(/#.*/g)!.sort()).toEqual(comments);
        if (parent !== 'third' && !inside) expect(rect(text, widget)).toEqual(rect(source, widget));
      }
      expect(() => after(source, { do: 'into', widget: 'first', parent: 'first' })).toThrow(/is in "first"/);
    },
  );

  test('what is duplicated names what was duplicated with it, and others as before', () => {
    const text = `pimbot: 1
cases: { only: { shown: false, x: 0, y: 0 } }
views:
  dive:
    children:
      - { id: away, kind: button, size: 40, anchor: right top }
      - id: box
        size: 400
        focus-order: [one, two]
        children:
          - { id: one, kind: button, size: 40, nav-down: two, nav-up: away, tooltip: tip }
          - { id: two, kind: button, size: 40, anchor-to: one, anchor: left bottom, may-overlap: [one, away] }
          - { id: tip, kind: tooltip, anchor: left top, offset: ["{x}", "{y}"], visible: "{shown}" }
`;
    const twice = after(text, { do: 'duplicate', widgets: ['box'] });
    const copy = twice.text.slice(twice.text.indexOf('box-2'));
    expect(copy).toMatch(/focus-order: \[ ?one-2, two-2 ?\]/);
    expect(copy).toMatch(/nav-down: two-2, nav-up: away, tooltip: tip-2/);
    expect(copy).toMatch(/anchor-to: one-2,.*may-overlap: \[ ?one-2, away ?\]/);
  });

  test('what a copy beside it moves is told, also of what was copied', () => {
    const row = `${head}      - { id: row, anchor: right top, arrange: row, children: [{ id: a, size: 10 }, { id: b, size: 30 }] }\n`;
    expect(after(row, { do: 'duplicate', widgets: ['b'] }).alsoMoved).toEqual([
      { widget: 'row', by: 30 },
      { widget: 'a', by: 30 },
      { widget: 'b', by: 30 },
    ]);
  });

  test('duplicates beside, with ids of their own; deletes; adds', () => {
    const twice = after(source, { do: 'duplicate', widgets: ['first'] });
    expect(twice.widgets).toEqual(['first-2']);
    expect(order(twice.text, 'first-2')).toEqual(['a-2', 'b-2']);
    expect(rect(twice.text, 'first-2')).toMatchObject({ x: 16, y: 16 });
    const gone = after(twice.text, { do: 'remove', widgets: ['first-2'] });
    expect(gone.text).toBe(source);
    const none = after(after(source, { do: 'remove', widgets: ['a', 'b'] }).text, {
      do: 'add',
      parent: 'first',
      widget: { kind: 'text', text: 'Hi' },
    });
    expect(order(none.text, 'first')).toEqual(['text']);
    const added = after(none.text, { do: 'add', parent: 'second', widget: {} }).text;
    expect(order(added, 'second')).toEqual(['c', 'panel']);
    expect(() => after(none.text, { do: 'add', parent: 'text', widget: {} })).toThrow(/holds no widgets/);
  });
});

describe('components', () => {
  const source = `pimbot: 1
components:
  gauge: { size: 100, children: [ { id: dial, size: 40, offset: 5 } ] }
views:
  dive:
    children:
      - { id: left, use: gauge }
      - { id: right, use: gauge, anchor: right top }
`;

  test('a widget in one is changed for all, or here alone', () => {
    const all = after(source, { do: 'set', widget: 'left.dial', key: 'offset', value: [9, 9] }).text;
    expect([rect(all, 'left.dial').x, rect(all, 'right.dial').x]).toEqual([9, 1829]);
    const here = after(source, {
      do: 'set',
      widget: 'left.dial',
      key: 'offset',
      value: [9, 9],
      reach: 'here',
    }).text;
    expect([rect(here, 'left.dial').x, rect(here, 'right.dial').x]).toEqual([9, 1825]);
    const more = after(here, { do: 'set', widget: 'left.dial', key: 'width', value: 50, reach: 'here' }).text;
    expect(rect(more, 'left.dial')).toMatchObject({ x: 9, width: 50 });
    expect(after(more, { do: 'set', widget: 'left.dial', key: 'width', reach: 'here' }).text).toBe(here);
  });
});

describe('random acts on the demo', () => {
  test('every one leaves a document with all its comments, and undoing them all brings back its bytes', async () => {
    const file = 'examples/fathom-post/post.yaml';
    const { document, resources } = await openProject(file);
    const source = readFileSync(file, 'utf8');
    const comments = source.match(/(^|\s)#.*/gm)!.length;
    let history = newHistory(source);
    let view = openView(document!, 'dive', { resources });
    let state = seedOf(31);
    const next = (below: number) => (state = (state * 1103515245 + 12345) % 2147483648) % below;
    let [made, refused] = [0, 0];
    const count = rounds(30, 500);
    while (made < count) {
      const on = view.layoutOn(reference);
      const ids = on.widgets.slice(1).map(({ id }) => id);
      const widget = ids[next(ids.length)]!;
      const acts: Act[] = [
        { do: 'move', widgets: [widget], x: next(40) - 20, y: next(40) - 20 },
        { do: 'resize', widget, edges: { right: next(30), bottom: next(30) } },
        { do: 'rotate', widget, degrees: next(90) },
        { do: 'anchor', widget, to: anchors[next(anchors.length)]! },
        { do: 'duplicate', widgets: [widget] },
        { do: 'order', widget, to: next(3) },
        { do: 'wrap', widgets: [widget], id: `wrapped-${made}` },
        { do: 'into', widget, parent: ids[next(ids.length)]! },
        { do: 'set', widget, key: 'z', value: next(5) },
      ];
      const act = acts[next(acts.length)]!;
      try {
        const done = perform(view.document, view, act);
        history = withChange(history, done.text, done.said);
        view = done.view;
        made++;
        // A copy has the comments of what it was made from too.
        expect(done.text.match(/(^|\s)#.*/gm)!.length).toBeGreaterThanOrEqual(comments);
      } catch (error) {
        if (!(error instanceof EditError)) throw new Error(JSON.stringify(act), { cause: error });
        refused++;
      }
    }
    expect(refused).toBeGreaterThan(0);
    for (let turned = undo(history); turned.history; turned = undo(history)) history = turned.history;
    expect(history.text).toBe(source);
  });
});
