import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { openView, readDocument } from 'pimbot';
import { changeAnchor, changeLengths as lengthsChanged, suggestAnchor } from 'pimbot/tools';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';
import { fonts } from '../support/views.ts';
import { rounds, seedOf } from '../support/deep.ts';

const text = `# The HUD.
pimbot: 1
views:
  dive:
    padding: 10
    children:
      # Bottom right, for now in pixels.
      - { id: sonar, offset: 1600 760, size: 280 280 } # round
      - id: bearing   # on top
        anchor: left..right top
        inset: 340 340
        height: 56
      - id: inner
        size: 600 400
        padding: 20
        children: [ { id: deep, anchor: 30% 60%, pivot: center, offset: [5, 7], margin: 3, width: 50%, height: 40 } ]
      - { id: row, arrange: row, children: [ { id: cell, size: 4 } ] }
`;

function open(source: string) {
  const { document, diagnostics } = readDocument(source, { name: 'hud.yaml' });
  if (!document) throw new Error(JSON.stringify(diagnostics.map(({ code, facts }) => ({ code, facts }))));
  return { document, view: openView(document, 'dive', { resources: { fonts } }) };
}

const anchors = [
  'left top',
  'right bottom',
  'center',
  '25% 80%',
  'left..right top',
  'right top..bottom',
  '10%..90% 0..1',
  '-20% 130%',
];

const changeLengths = (...how: Parameters<typeof lengthsChanged>) => lengthsChanged(...how).text;

describe('another anchor, the same place', () => {
  test('moves nothing by more than a millionth of a u on the reference, whatever the anchors on the way', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('sonar', 'bearing', 'deep'),
        fc.array(fc.constantFrom(...anchors), { minLength: 1, maxLength: 1 }),
        fc.option(fc.constantFrom('left top', 'center', '0.3 0.9'), { nil: undefined }),
        (id, [anchor], pivot) => {
          const { document, view } = open(text);
          const changed = changeAnchor(document, view, id, anchor!, pivot);
          const before = view.layoutOn({ width: 1920, height: 1080 }).rectInU(id);
          const after = open(changed).view.layoutOn({ width: 1920, height: 1080 }).rectInU(id);
          for (const key of ['x', 'y', 'width', 'height'] as const)
            expect(Math.abs(after[key] - before[key])).toBeLessThan(0.02);
          expect(changed.match(/#.*/g)).toEqual(text.match(/#.*/g));
        },
      ),
      { numRuns: rounds(30, 120), seed: seedOf(5) },
    );
  });

  test.each(['ltr', 'rtl'])('said with start and end, in a view that runs %s', (direction) => {
    const turned = text.replace('    padding: 10\n', `    padding: 10\n    direction: ${direction}\n`);
    const start = turned.replace('offset: 1600 760', 'anchor: start top, offset: 1600 760');
    const rectOf = (source: string) =>
      open(source).view.layoutOn({ width: 1920, height: 1080 }).rectInU('sonar');
    const anchorsOf = ['start top', 'end bottom', 'start..end top', 'left top', '20%..end bottom'];
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...anchorsOf), { minLength: 1, maxLength: 4 }), (way) => {
        let now = start;
        for (const anchor of way) {
          now = changeAnchor(open(now).document, open(now).view, 'sonar', anchor);
          for (const into of ['shares', 'u'] as const)
            now = changeLengths(open(now).document, open(now).view, 'sonar', into);
          for (const key of ['x', 'y', 'width', 'height'] as const)
            // Numbers are written with two decimals: half a hundredth of a u of its own, which may be 10 of the view.
            expect(Math.abs(rectOf(now)[key] - rectOf(start)[key])).toBeLessThan(0.06);
        }
      }),
      { numRuns: rounds(20, 60), seed: seedOf(9) },
    );
    expect(suggestAnchor(open(start).view, 'sonar').anchor).toBe('end bottom');
    // Unsaid, an anchor is at the start too.
    const shares = rectOf(changeLengths(open(turned).document, open(turned).view, 'sonar', 'shares'));
    expect(shares.x).toBeCloseTo(rectOf(turned).x, 3);
  });

  test('pixels become shares and u again, and nothing moves on the reference', () => {
    const rectOf = (source: string, id: string) =>
      open(source).view.layoutOn({ width: 1920, height: 1080 }).rectInU(id);
    for (const id of ['sonar', 'bearing', 'deep']) {
      let now = text;
      for (const into of ['shares', 'u', 'shares'] as const) {
        const { document, view } = open(now);
        now = changeLengths(document, view, id, into);
        const before = rectOf(text, id);
        const after = rectOf(now, id);
        for (const key of ['x', 'y', 'width', 'height'] as const)
          expect(Math.abs(after[key] - before[key])).toBeLessThan(0.02);
        expect(now.match(/#.*/g)).toEqual(text.match(/#.*/g));
      }
      expect(now).toContain('%');
    }
    const { document, view } = open(text);
    expect(changeLengths(document, view, 'bearing', 'shares')).toContain(
      'inset: { left: 17.894737%, right: 17.894737% }',
    );
    expect(() => changeLengths(document, view, 'row', 'shares')).toThrow(
      '"row" says no offset, inset, size, padding or gap of its own',
    );
  });

  test('so do paddings and gaps; where something would move it is refused', () => {
    const boxes = (inside: string) => `pimbot: 1
views:
  dive:
    children:
      - { id: rack, anchor: left top, size: 800 600, arrange: row, padding: 16 24, gap: 12, children: [${inside}] }
      - { id: loose, anchor: right top, arrange: row, gap: 12, children: [{ id: one, size: 20 }, { id: two, size: 20 }] }
`;
    const source = boxes(
      '{ id: left, width: 100, height: fill, padding: 8 16 4 2, children: [{ id: in, size: fill }] }, { id: right, size: fill, arrange: column, gap: "1% + 3", padding: 5%, children: [{ id: top, size: 30 }, { id: low, size: 30 }] }',
    );
    const rects = (now: string) => {
      const { widgets, layout } = open(now).view.layoutOn({ width: 1920, height: 1080 });
      return widgets.flatMap(({ index }) => {
        const { x, y, width, height } = layout.rectInU(index);
        return [x, y, width, height];
      });
    };
    const was = rects(source);
    for (const id of ['rack', 'left', 'right']) {
      let now = source;
      for (const into of ['shares', 'u', 'shares'] as const) {
        now = changeLengths(open(now).document, open(now).view, id, into);
        const own = now.split('\n')[4]!;
        const part =
          id === 'rack' ? own.slice(0, own.indexOf('children')) : own.slice(own.indexOf(`id: ${id}`));
        const said = /padding: (\[[^\]]*\]|[^,}]*)/.exec(part)![1]!;
        expect([id, into, said.includes('%')]).toEqual([id, into, into === 'shares']);
        rects(now).forEach((value, at) => expect(Math.abs(value - was[at]!)).toBeLessThan(0.1));
      }
    }
    const rack = changeLengths(open(source).document, open(source).view, 'rack', 'shares');
    expect(rack).toContain('padding: 1.481481% 1.25%, gap: [2.112676%, 1.595745%]');
    const { document, view } = open(source);
    expect(() => changeLengths(document, view, 'loose', 'shares')).toThrow(
      'with the gap of "loose" in shares, "loose" would not stay as it is on the reference: shares count nothing where a size follows from what is in it',
    );
    // What else it says is changed all the same.
    const put = open(source.replace('anchor: right top', 'anchor: right top, offset: -24 48'));
    const changed = lengthsChanged(put.document, put.view, 'loose', 'shares');
    expect(changed.text).toContain('offset: "-1.25% 4.444444%", arrange: row, gap: 12');
    expect(changed.left).toContain('; left as it is: with the gap of "loose" in shares, "loose" would not');
  });

  test('suggests the edge or middle a widget stands at, and says why', () => {
    const { view } = open(text);
    expect(suggestAnchor(view, 'sonar')).toEqual({
      anchor: 'right bottom',
      why: 'it is 20 u from the right and 1600 from the left; it is 20 u from the bottom and 760 from the top',
    });
    expect(suggestAnchor(view, 'bearing').anchor).toBe('center top');
    expect(() => suggestAnchor(view, 'cell')).toThrow(
      '"cell" has no anchor: its parent arranges its children in a row',
    );
  });
});

describe('pimbot edit --anchor', () => {
  test('shows the change, and writes it only when asked', async () => {
    const folder = temporaryFolder();
    const file = join(folder.path, 'hud.yaml');
    writeFileSync(file, text);
    const shown = await pimbotHere(['edit', 'hud.yaml', 'dive/sonar', '--anchor'], folder.path);
    expect(shown.code).toBe(0);
    expect(shown.out).toContain('right bottom: it is 20 u from the right');
    expect(shown.out).toContain(
      '+      - { id: sonar, offset: -20 -20, size: 280 280, anchor: right bottom } # round',
    );
    expect(readFileSync(file, 'utf8')).toBe(text);
    expect(
      (await pimbotHere(['edit', 'hud.yaml', 'dive/sonar', '--anchor', '--write'], folder.path)).code,
    ).toBe(0);
    expect(readFileSync(file, 'utf8')).toContain('offset: -20 -20');
    const turned = await pimbotHere(['edit', 'hud.yaml', 'dive/deep', '--pivot', 'left top'], folder.path);
    expect(turned.out).toContain('anchor: 30% 60%, pivot: left top, offset: [-138, -16]');
    const wrong = await pimbotHere(['edit', 'hud.yaml', 'dive/cell', '--anchor', 'center'], folder.path);
    expect([wrong.code, wrong.err]).toEqual([
      2,
      'pimbot: "cell" has no anchor: its parent arranges its children in a row\n',
    ]);
    folder.remove();
  });
});

describe('pimbot why', () => {
  test('explains a widget back to what was written, for people and machines', async () => {
    const { code, out } = await pimbotHere(
      ['why', 'examples/fathom-post/post.yaml', 'logbook/page', '--screen', 'phone-portrait'],
      process.cwd(),
    );
    expect(code).toBe(0);
    expect(out).toMatch(/this condition holds on this screen +examples\/fathom-post\/post.yaml:\d+:\d+/);
    expect(out).toContain('width 568.17 u fills the 568.17 of all  examples/fathom-post/post.yaml:');
    expect(out).toContain('top edge 692.44 u = 78.77 of the column all + 613.67 justify end');
    const json = JSON.parse(
      (await pimbotHere(['why', 'examples/fathom-post/post.yaml', 'dive/sonar', '--json'], process.cwd()))
        .out,
    ) as Record<string, unknown>;
    expect(json).toMatchObject({
      view: 'dive',
      widget: 'sonar',
      screen: '1920x1080',
      rect: { x: 1656, y: 816, width: 240, height: 240 },
    });
    expect(
      (await pimbotHere(['why', 'examples/fathom-post/post.yaml', 'dive/sonr'], process.cwd())).err,
    ).toContain('there is no widget "sonr"; did you mean "sonar"?');
  });
});

describe('a size that is said as one key', () => {
  const of = (size: string) =>
    `pimbot: 1\ncases: { one: { w: 192, h: 108 } }\nviews:\n  dive:\n    children: [ { id: a, size: ${size}, offset: 0 0 } ]\n`;
  const after = (size: string, how: (...of: ReturnType<typeof both>) => string) => {
    const changed = how(...both(size));
    expect(changed).not.toMatch(/width|height/);
    return /size: (.*?)(?:, [a-z]+:| \})/.exec(changed)![1];
  };
  const both = (size: string) => {
    const { document } = open(of(size));
    const options = { resources: { fonts }, case: 'one' };
    return [document, openView(document, 'dive', options)] as const;
  };

  test.each([
    ['192 108', '10% 10%', '192 108'],
    ['[192, 108]', '[10%, 10%]', '[192, 108]'],
    ['108', '[5.625%, 10%]', '108'],
    ['10% 108', '10% 10%', '192 108'],
    ['[192, "10%"]', '[10%, 10%]', '[192, 108]'],
  ])('%s stays one key', (size, shares, inU) => {
    expect(after(size, (document, view) => changeLengths(document, view, 'a', 'shares'))).toBe(shares);
    if (inU === size)
      expect(() => changeLengths(...both(size), 'a', 'u')).toThrow(
        'nothing of "a" changes: its lengths are in u as they are, or follow a value',
      );
    else expect(after(size, (document, view) => changeLengths(document, view, 'a', 'u'))).toBe(inU);
    const spanned = after(size, (document, view) => changeAnchor(document, view, 'a', 'left..right top'));
    expect(spanned).toMatch(/^\[?fill[ ,]/);
  });

  test.each(['["{w}", "{h}"]', '["{w}", 108]', '"{w}"'])('%s follows its value as before', (size) => {
    expect(() => changeLengths(...both(size), 'a', 'u')).toThrow('or follow a value');
    for (const change of [
      () => changeLengths(...both(size), 'a', 'shares'),
      () => changeAnchor(...both(size), 'a', 'left..right top'),
    ])
      expect(change).toThrow('the size of "a" follows a value, {w}, and would follow it no more');
  });
});
