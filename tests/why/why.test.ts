import { describe, expect, test } from '@jest/globals';
import { openView, screens, type DocumentSource, type ViewLayout, type WidgetSource } from 'pimbot';
import { whyWidget } from 'pimbot/tools';
import { openProject } from 'pimbot/node';
import { documentOf, laidOut, opened } from '../support/views.ts';

/** What is said of a widget, by what it is of. */
function said(on: ViewLayout, id: string): Record<string, { text: string; pointer: string }[]> {
  const parts = whyWidget(on, on.indexOf(id));
  return Object.fromEntries(parts.map(({ what, reasons }) => [what, [...reasons]]));
}

/** The sum a reason writes out, worked out again from its text: `40 + 50 % of hud's 300 − 12 offset`. */
function workedOut(text: string): { stands: number; sum: number; terms: number } | undefined {
  const head = /^\w+ edge (−?-?[\d.]+) u = (.*)$/.exec(text);
  if (!head) return undefined;
  let sum = 0;
  let terms = 0;
  for (const [, sign, number, , whole] of ` + ${head[2]}`.matchAll(
    / ([+−]) (?:[a-z]+ edge |[a-z]+ )?(-?[\d.]+)( % of \S+'s ([\d.]+))?/g,
  )) {
    const value = whole === undefined ? Number(number) : (Number(number) / 100) * Number(whole);
    sum += sign === '+' ? value : -value;
    terms++;
  }
  return { stands: Number(head[1]), sum, terms };
}

describe('the sum that an edge is said to be', () => {
  test('comes out at the edge, for every widget of the demo on every class of screens', async () => {
    const { document, resources } = await openProject('examples/fathom-post/post.yaml');
    const some = screens.filter((_, at) => at % 4 === 0);
    let sums = 0;
    for (const name of Object.keys(document!.source.views)) {
      const view = openView(document!, name, { resources: resources });
      for (const screen of some) {
        const on = view.layoutOn(screen);
        for (const { id } of on.widgets.slice(1)) {
          const parts = said(on, id);
          for (const edge of ['left', 'right', 'top', 'bottom'] as const) {
            const { text } = parts[edge]![0]!;
            const found = workedOut(text);
            expect({ text, found: found !== undefined }).toEqual({ text, found: true });
            // Each term is shown with two decimals; shares with two of a hundred.
            const off = Math.abs(found!.stands - found!.sum);
            expect({
              text,
              near: off <= 0.006 * (found!.terms + 1) + 0.3 * Number(text.includes('%')),
            }).toEqual({
              text,
              near: true,
            });
            sums++;
          }
        }
      }
    }
    expect(sums).toBeGreaterThan(1000);
  });
});

describe('the place a reason points to', () => {
  const source: DocumentSource = {
    pimbot: 1,
    reference: { scaling: 'none' },
    components: {
      slot: {
        width: 50,
        height: 40,
        when: [{ screen: { width: '..400' }, change: { height: 30 } }],
        children: [{ id: 'mark', width: 10, height: 10, offset: 3 }],
      },
      pair: { children: [{ id: 'first', use: 'slot', width: 90, set: { mark: { height: 12 } } }] },
    },
    views: {
      test: {
        children: [
          {
            id: 'log',
            width: 300,
            height: 20,
            when: [
              { screen: { width: '..600' }, change: { width: 200 } },
              { screen: { width: '..400' }, change: { width: 100 } },
            ],
          },
          { id: 'plain', use: 'slot', offset: '0 100' },
          { id: 'own', use: 'slot', width: 70, set: { mark: { width: 20 } } },
          { id: 'two', use: 'pair' },
        ],
      },
    },
  };
  const on = (width: number) => opened(source).layoutOn({ width, height: 600 });

  test.each([
    [800, '/views/test/children/0/width'],
    [500, '/views/test/children/0/when/0/change/width'],
    [300, '/views/test/children/0/when/1/change/width'],
  ])('on a screen of %i the width of log is said at %s', (width, pointer) => {
    expect(said(on(width), 'log').width![0]!.pointer).toBe(pointer);
  });

  test('in a component, in a condition of it, in an instance, in what an instance changes', () => {
    expect(said(on(800), 'plain').width![0]!.pointer).toBe('/components/slot/width');
    expect(said(on(300), 'plain').height![0]!.pointer).toBe('/components/slot/when/0/change/height');
    expect(said(on(800), 'own').width![0]!.pointer).toBe('/views/test/children/2/width');
    expect(said(on(800), 'plain.mark').width![0]!.pointer).toBe('/components/slot/children/0/width');
    expect(said(on(800), 'own.mark').width![0]!.pointer).toBe('/views/test/children/2/set/mark/width');
    expect(said(on(800), 'own.mark').left![0]!.pointer).toBe('/components/slot/children/0/offset');
  });

  test('in an instance that is in another component', () => {
    const at = '/components/pair/children/0';
    expect(said(on(800), 'two.first').width![0]!.pointer).toBe(`${at}/width`);
    expect(said(on(800), 'two.first').height![0]!.pointer).toBe('/components/slot/height');
    expect(said(on(800), 'two.first.mark').height![0]!.pointer).toBe(`${at}/set/mark/height`);
  });
});

describe('the reasons of a size', () => {
  const screen = { width: 1000, height: 800 };
  const first = (on: ViewLayout, id: string, what: 'width' | 'height') =>
    said(on, id)[what]!.map(({ text }) => text);

  test('shares, fills, limits, content, aspect, padding and what is stretched, each up to what was written', () => {
    const on = laidOut(
      [
        {
          id: 'bar',
          arrange: 'row',
          anchor: 'left..right top',
          inset: 100,
          gap: 10,
          padding: 5,
          children: [
            { id: 'icon', size: 40 },
            { id: 'name', width: 'fill 2' },
            { 'id': 'rest', 'width': 'fill', 'max-width': 90 },
          ],
        },
        { id: 'half', width: '50% - 24', height: 10 },
        { id: 'box', padding: 8, children: [{ id: 'in', size: [30, 20], offset: 2 }] },
        { id: 'wide', width: 160, aspect: '16/9' },
      ],
      screen,
    );
    expect(first(on, 'half', 'width')).toEqual([
      "width 476 u = 50 % of test's 1000 − 24",
      'test: width 1000 u is the surface',
    ]);
    expect(first(on, 'name', 'width')).toEqual([
      "width 640 u is all of the 640 u left of bar's 790",
      "bar: width 800 u lies between 0 % and 100 % of test's 1000 − 100 inset − 100 inset",
      'test: width 1000 u is the surface',
    ]);
    expect(first(on, 'rest', 'width')).toEqual(['width 90 u is held down by max-width 90']);
    expect(first(on, 'name', 'height')).toEqual([
      'height 40 u is stretched across bar',
      'bar: height 50 u is what its content needs (its highest child icon has 40 + 10 padding)',
    ]);
    expect(first(on, 'box', 'width')).toEqual([
      'width 48 u is what its content needs (its child in needs 32 where it is anchored + 16 padding)',
    ]);
    expect(first(on, 'wide', 'height')).toEqual(['height 90 u follows from its width by its aspect 1.78']);
  });

  test('an anchor to another widget is told with that widget', () => {
    const on = laidOut(
      [
        { 'id': 'close', 'anchor-to': 'dialog', 'anchor': 'right top', 'pivot': 'center', 'size': 20 },
        { id: 'dialog', anchor: 'center', size: [300, 200] },
      ],
      screen,
    );
    expect(said(on, 'close').left![0]!.text).toBe(
      "left edge 640 u = 350 + 100 % of dialog's 300 − 10 (half of its width: its pivot)",
    );
  });

  test('one that is anchored to what is not there is told to stand in its parent', () => {
    const gone: WidgetSource = { id: 'radio', anchor: 'right top', size: [100, 80], gone: true };
    for (const to of ['radio', 'map..radio']) {
      const on = laidOut(
        [
          { id: 'map', offset: [40, 30], size: [200, 100] },
          gone,
          { 'id': 'bar', 'anchor-to': to, 'anchor': 'left..right top', 'inset': 24, 'height': 20 },
        ],
        screen,
      );
      const left = said(on, 'bar').left!.map(({ text }) => text);
      expect(left[0]).toBe("left edge 24 u = 0 % of test's 1000 + 24 inset");
      expect(left).toContain('it is anchored to radio, which is not there, and so to test');
    }
  });

  test('a span between two widgets is told with both', () => {
    const on = laidOut(
      [
        { id: 'map', size: [200, 100] },
        { id: 'radio', anchor: 'right top', size: [100, 80] },
        { 'id': 'bar', 'anchor-to': 'map..radio', 'anchor': 'right..left top', 'inset': 10, 'height': 20 },
      ],
      screen,
    );
    expect(said(on, 'bar').left![0]!.text).toBe("left edge 210 u = 100 % of map's 200 + 10 inset");
    expect(said(on, 'bar').right![0]!.text).toBe("right edge 890 u = 900 + 0 % of radio's 100 − 10 inset");
    expect(first(on, 'bar', 'width')).toEqual([
      'width 680 u lies between 100 % of map and 0 % of radio − 10 inset − 10 inset',
    ]);
  });

  test('cells, gaps and justify', () => {
    const on = laidOut(
      [
        {
          id: 'holes',
          arrange: 'grid',
          columns: 3,
          gap: 4,
          width: 308,
          padding: 2,
          children: Array.from({ length: 5 }, (_, at) => ({ id: `hole-${at}`, height: 20 })),
        },
        {
          id: 'keys',
          anchor: 'left bottom',
          arrange: 'row',
          justify: 'center',
          gap: 6,
          width: 200,
          children: [
            { id: 'a', size: 20 },
            { id: 'b', size: 20 },
            { id: 'c', size: 20 },
          ],
        },
      ],
      screen,
    );
    expect(said(on, 'hole-4').left![0]!.text).toBe(
      'left edge 104.67 u = 2 + 102.67 to column 2 of the grid holes',
    );
    expect(said(on, 'hole-4').top![0]!.text).toBe('top edge 26 u = 2 + 24 to row 2 of the grid holes');
    expect(said(on, 'c').left![0]!.text).toBe(
      'left edge 116 u = 0 of the row keys + 40 of 2 children before + 12 gaps + 64 justify center',
    );
  });

  test('a part with a scaling of its own is told in its own u', () => {
    const on = opened(
      documentOf([
        {
          id: 'portrait',
          anchor: 'right top',
          size: 16,
          reference: { scaling: 'none', limits: '3..' },
          children: [{ id: 'eye', offset: 2, size: '50% 4' }],
        },
      ]),
    ).layoutOn(screen);
    expect(said(on, 'portrait').scale![1]).toEqual({
      text: 'it keeps a scaling of its own: 1 u in it is 3 px',
      pointer: '/views/test/children/0/reference',
    });
    expect(said(on, 'portrait').width![0]!.text).toBe('width is set to 16 u');
    expect(said(on, 'eye').width![0]!.text).toBe("width 8 u = 50 % of portrait's 16");
    expect(said(on, 'eye').scale![1]!.text).toBe('portrait keeps a scaling of its own: 1 u in it is 3 px');
  });
});
