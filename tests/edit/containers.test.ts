import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { openView, readDocument, screens } from 'pimbot';
import { dissolveWidget, movesBetween, rearranged, wrapWidgets } from 'pimbot/tools';
import { fonts } from '../support/views.ts';
import { rounds, seedOf } from '../support/deep.ts';

function open(source: string) {
  const { document, diagnostics } = readDocument(source, { name: 'hud.yaml' });
  if (!document) throw new Error(JSON.stringify(diagnostics.map(({ code, facts }) => ({ code, facts }))));
  return { document, view: openView(document, 'dive', { resources: { fonts } }) };
}

function wrap(source: string, ids: string[], options: Parameters<typeof wrapWidgets>[3]): string {
  const { document, view } = open(source);
  return wrapWidgets(document, view, ids, options);
}

function dissolve(source: string, id: string): string {
  const { document, view } = open(source);
  return dissolveWidget(document, view, id);
}

const head = `pimbot: 1
views:
  dive:
    padding: 10
    children:
`;

const hud = `${head}      # The depth, top left.
      - id: depth # in metres
        kind: text
        offset: [20, 12]
        text: "412 m"

      # What it is sinking by.
      - { id: sink, kind: text, offset: 20 52, text: "3 m/s" } # small
      - { id: sonar, anchor: right bottom, offset: -24 -24, size: 240 }
      - { id: contacts, anchor: right bottom, offset: -84 -64, size: 100, may-overlap: [sonar] }
# end
`;

describe('widgets in a container of their own', () => {
  test('are indented with their comments; the container is as large as they are', () => {
    expect(wrap(hud, ['sink', 'depth'], { id: 'readings' })).toBe(`${head}      - id: readings
        anchor: left top
        offset: [20, 12]
        children:
          # The depth, top left.
          - id: depth # in metres
            anchor: left top
            kind: text
            text: "412 m"

          # What it is sinking by.
          - { id: sink, kind: text, offset: [0, 40], text: "3 m/s", anchor: left top } # small
      - { id: sonar, anchor: right bottom, offset: -24 -24, size: 240 }
      - { id: contacts, anchor: right bottom, offset: -84 -64, size: 100, may-overlap: [sonar] }
# end
`);
  });

  test('that stand at the far corner get a container that is tied to it', () => {
    const changed = wrap(hud, ['sonar', 'contacts'], { id: 'scope' });
    expect(changed).toContain('- id: scope\n        anchor: right bottom\n        offset: [-24, -24]\n');
    const { document, view } = open(hud);
    const moves = movesBetween(view, rearranged(document, view, changed), screens, 'scope');
    expect(moves.length).toBeGreaterThan(4 * 40);
    expect(Math.max(...moves.map(({ by }) => by))).toBeLessThan(0.1);
  });

  test('in a row or column get its gap and alignment', () => {
    const keys = `${head}      - { id: a, offset: 100 100, size: 40 30 }
      - { id: b, offset: 150 105, size: 40 20 }
      - { id: c, offset: 204 100, size: 40 30 }
`;
    expect(wrap(keys, ['a', 'b', 'c'], { id: 'keys', arrange: 'row' })).toBe(`${head}      - id: keys
        anchor: left top
        offset: [100, 100]
        arrange: row
        gap: 10
        align: center
        children:
          - { id: a, size: 40 30 }
          - { id: b, size: 40 20 }
          - { id: c, size: 40 30, margin: [0, 0, 0, 4] }
`);
    expect(() => wrap(keys, ['a', 'b'], { id: 'keys', arrange: 'column' })).toThrow(
      '"b" does not stand after "a" along a column',
    );
  });

  test('of a row become a row in it', () => {
    const row = `${head}      - id: bar
        arrange: row
        gap: 8
        align: center
        width: 600
        children: [ { id: a, size: 40 }, { id: b, size: 20 }, { id: c, width: fill, height: 10 } ]
`;
    const changed = wrap(row, ['a', 'b'], { id: 'left' });
    expect(changed).toContain(
      'children: [ { id: left, arrange: row, gap: 8, align: center, children: [ { id: a, size: 40 }, { id: b, size: 20 } ] }, { id: c, width: fill, height: 10 } ]',
    );
    expect(dissolve(changed, 'left')).toContain(
      'children: [ { id: a, size: 40 }, { id: b, size: 20 }, { id: c, width: fill, height: 10 } ]',
    );
    expect(() => wrap(row, ['a'], { id: 'left', arrange: 'column' })).toThrow(
      '"a" stands in a row: only a row or column can have a part of it wrapped, as another of it',
    );
  });

  test.each([
    [['depth', 'sonar'], 'another widget stands between those to be wrapped, before "sonar"'],
    [['dive'], 'the view itself stands in nothing'],
    [['nobody'], 'there is no widget "nobody"'],
  ])('%j: %s', (ids, message) => {
    expect(() => wrap(hud, ids, { id: 'box' })).toThrow(message);
  });

  test('that say start and end go on doing so, and stand as they did where the writing runs the other way', () => {
    const mirrored = (source: string) =>
      source.replace('    padding: 10\n', '    padding: 10\n    direction: rtl\n');
    const source = `${head}      - { id: a, anchor: end bottom, offset: -24 -24, size: 240 }
      - { id: b, anchor: end bottom, offset: -84 -64, size: 100 }
      - { id: c, anchor: start..end top, inset: { left: 40, right: 10 }, height: 50 }
`;
    const rects = (text: string) => {
      const on = open(text).view.layoutOn({ width: 1920, height: 1080 });
      return ['a', 'b', 'c'].map((one) => on.rect(one));
    };
    const wrapped = wrap(source, ['a', 'b'], { id: 'scope' });
    expect(wrapped).toContain('anchor: end bottom');
    for (const text of [wrapped, wrap(source, ['c'], { id: 'bar' }), dissolve(wrapped, 'scope')]) {
      expect(text).not.toMatch(/anchor: (left|right)/);
      expect(rects(text)).toEqual(rects(source));
      expect(rects(mirrored(text))).toEqual(rects(mirrored(source)));
    }
    const there = wrap(mirrored(source), ['a', 'b'], { id: 'scope' });
    expect(rects(there.replace('    direction: rtl\n', ''))).toEqual(rects(source));
  });

  test('in another language, with other values and a larger text, places are kept as they are seen', () => {
    const text = `pimbot: 1
catalogs: { de: de.json }
cases: { only: { call: Hm } }
views:
  dive:
    children:
      - { id: a, kind: text, text: Depth, anchor: right top }
      - { id: b, kind: text, text: "{call}", anchor: right bottom }
`;
    const { document } = readDocument(text);
    const catalogs = new Map([['de', new Map([['Depth', 'Wie tief wir sind']])]]);
    const more = { values: { call: 'Rise at once' }, locale: 'de', textSize: 1.5 };
    const view = openView(document!, 'dive', { resources: { fonts, catalogs }, ...more });
    const changed = wrapWidgets(document!, view, ['a', 'b'], { id: 'box' });
    const [move] = movesBetween(view, rearranged(document!, view, changed), [screens[0]!], 'box');
    expect(move!.widget).toBe('dive');
    const after = rearranged(document!, view, changed).layoutOn(screens[0]!);
    expect(after.widgets.flatMap(({ text: one }) => one?.text ?? [])).toEqual([
      'Wie tief wir sind',
      'Rise at once',
    ]);
  });

  test('an id that is taken is refused', () => {
    expect(() => wrap(hud, ['depth'], { id: 'sonar' })).toThrow('the id "sonar" is taken already');
  });

  test('a document in JSON stays one', () => {
    const json = JSON.stringify(
      {
        pimbot: 1,
        views: {
          dive: {
            children: [
              { id: 'a', anchor: 'right top', size: 40, offset: [-50, 3] },
              { id: 'b', anchor: 'right top', width: '10%', height: 9, offset: [-5, 3] },
            ],
          },
        },
      },
      undefined,
      2,
    );
    const changed = wrap(json, ['a', 'b'], { id: 'box' });
    const read = JSON.parse(changed) as { views: { dive: { children: { id: string }[] } } };
    expect(read.views.dive.children.map(({ id }) => id)).toEqual(['box']);
    const back = JSON.parse(dissolve(changed, 'box')) as typeof read;
    expect(back.views.dive.children.map(({ id }) => id)).toEqual(['a', 'b']);
  });
});

describe('a container dissolved', () => {
  test('leaves its children in its place, with its anchor and its comments', () => {
    const source = `${head}      # The gauges.
      - id: gauges # three
        anchor: right bottom
        offset: -10 -20
        # as wide as the rack
        width: 300
        arrange: column
        gap: 6
        children:
          # first
          - { id: hull, height: 20 }
          - { id: air, height: 20, width: 100, align-self: end } # last
      - { id: rest, size: 5 }
`;
    expect(dissolve(source, 'gauges')).toBe(`${head}      # The gauges.
      # three
      # as wide as the rack
      # first
      - { id: hull, height: 20, anchor: right bottom, offset: [-10, -46], width: 300 }
      - { id: air, height: 20, width: 100, anchor: right bottom, offset: [-10, -20] } # last
      - { id: rest, size: 5 }
`);
  });

  test('that spans hands its span on', () => {
    const source = `${head}      - id: bar
        anchor: left..right top
        inset: 100
        height: 50
        children:
          - { id: low, anchor: left bottom, size: 10 }
          - { id: far, anchor: right center, size: 10, offset: -5 0 }
          - { id: whole, anchor: left..right top, inset: 30, height: 4 }
`;
    const changed = dissolve(source, 'bar');
    const { document, view } = open(source);
    const moves = movesBetween(view, rearranged(document, view, changed), screens, 'bar');
    expect(moves.length).toBeGreaterThan(3 * 40);
    expect(Math.max(...moves.map(({ by }) => by))).toBeLessThan(0.1);
    expect(changed).toContain('anchor: left..right top');
  });

  test('that would lose something is refused, and so is one that others name', () => {
    const scrolls = `${head}      - { id: list, scroll: y, size: 100, arrange: column, children: [ { id: a, size: 9 } ] }\n`;
    expect(() => dissolve(scrolls, 'list')).toThrow('"list" has scroll, which would be lost');
    const named = `${head}      - { id: box, size: 100 }\n      - { id: tip, anchor-to: box, size: 9 }\n`;
    expect(() => dissolve(named, 'box')).toThrow('the change would make the document unusable');
    const apart = `${head}      - { id: row, arrange: row, children: [ { id: deck, arrange: column, children: [ { id: a, size: 9 } ] } ] }\n`;
    expect(() => dissolve(apart, 'deck')).toThrow('"deck" stands in a row and is a column itself');
  });
});

describe('wrapped and dissolved again', () => {
  const anchors = ['left top', 'right bottom', 'center', '25% 80%', 'right top'];
  const spans = ['left..right top', 'right top..bottom', '10%..90% 0..1'];
  const sizes = ['40', '"10% 60"', '"content 20"', '[33, "25%"]', '"fill 12"'];
  const widget = fc
    .record({
      place: fc.oneof(
        fc
          .tuple(fc.constantFrom(...anchors), fc.constantFrom(...sizes), fc.integer({ min: -300, max: 300 }))
          .map(([anchor, size, by]) => `anchor: ${anchor}, size: ${size}, offset: [${by}, ${by / 3}]`),
        fc
          .tuple(fc.constantFrom(...spans), fc.integer({ min: 0, max: 90 }))
          .map(([anchor, inset]) => `anchor: ${anchor}, inset: ${inset}`),
      ),
      pivot: fc.constantFrom('', ', pivot: 0.3 0.9', ', pivot: center'),
      margin: fc.constantFrom('', ', margin: [1, 2, 3, 4]'),
      block: fc.boolean(),
    })
    .map(({ place, pivot, margin, block }) => ({ keys: place + pivot + margin, block }));

  test('nothing moves on the reference, no comment is lost, whatever the widgets', () => {
    fc.assert(
      fc.property(
        fc.array(widget, { minLength: 1, maxLength: 4 }),
        fc.nat(3),
        fc.nat(3),
        (all, one, other) => {
          const source =
            head +
            all
              .map(({ keys, block }, at) =>
                block
                  ? `      - id: w${at} # of block ${at}\n${keys
                      .split(/, (?=[a-z]+:)/)
                      .map((line) => `        ${line}\n`)
                      .join('')}`
                  : `      - { id: w${at}, ${keys} } # of flow ${at}\n`,
              )
              .join('');
          const first = Math.min(one, all.length - 1);
          const last = Math.max(first, Math.min(other, all.length - 1));
          const ids = all.slice(first, last + 1).map((_, at) => `w${first + at}`);
          const wrapped = wrap(source, ids, { id: 'box' });
          const back = dissolve(wrapped, 'box');
          const { view } = open(source);
          const reference = { width: 1920, height: 1080 };
          const rects = (text: string) => {
            const on = open(text).view.layoutOn(reference);
            return all.map((_, at) => on.rect(`w${at}`));
          };
          const before = all.map((_, at) => view.layoutOn(reference).rect(`w${at}`));
          for (const text of [wrapped, back]) {
            rects(text).forEach((rect, at) => {
              for (const key of ['x', 'y', 'width', 'height'] as const)
                expect(Math.abs(rect[key] - before[at]![key])).toBeLessThan(0.1);
            });
            expect(text.match(/#.*/g)).toEqual(source.match(/#.*/g));
          }
        },
      ),
      { numRuns: rounds(40, 150), seed: seedOf(11) },
    );
  });
});
