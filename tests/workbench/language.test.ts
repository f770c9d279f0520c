import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { readDocument } from 'pimbot';
import { completionsAt, contextAt, namesIn } from 'pimbot/tools';
import { isMap, isScalar, isSeq, parseDocument, type Node, type Pair } from 'yaml';

/** A place of a text, marked with |, and the text without the mark. */
function marked(text: string): [string, number] {
  const at = text.indexOf('|');
  return [text.slice(0, at) + text.slice(at + 1), at];
}

const head = 'pimbot: 1\nviews:\n  dive:\n    children:\n';

describe('what stands at a place of a text', () => {
  test.each([
    ['pim|', { path: [], isKey: true, word: 'pim' }],
    ['views:\n  dive:\n    |', { path: ['views', 'dive'], isKey: true, word: '' }],
    ['views:\n  dive:\n    arr|ange: row', { path: ['views', 'dive'], isKey: true, word: 'arr' }],
    [
      `${head}      - id: a\n        anch|`,
      { path: ['views', 'dive', 'children', 0], isKey: true, word: 'anch' },
    ],
    [`${head}      - id: a\n      - |`, { path: ['views', 'dive', 'children', 1], isKey: true, word: '' }],
    [
      `${head}      - id: a\n        anchor: le|`,
      { path: ['views', 'dive', 'children', 0], isKey: false, key: 'anchor', word: 'le' },
    ],
    [
      `${head}      - { id: a, anchor: rig|`,
      { path: ['views', 'dive', 'children', 0], isKey: false, key: 'anchor', word: 'rig' },
    ],
    [`${head}      - { id: a, of|`, { path: ['views', 'dive', 'children', 0], isKey: true, word: 'of' }],
    [
      `${head}      - { id: a, look: { back|`,
      { path: ['views', 'dive', 'children', 0, 'look'], isKey: true, word: 'back' },
    ],
    [
      `${head}      - id: a # a { comment\n        children:\n          - kind: te|`,
      { path: ['views', 'dive', 'children', 0, 'children', 0], isKey: false, key: 'kind', word: 'te' },
    ],
    [
      `${head}      - text: Hull {n, number} of {wh|`,
      { path: ['views', 'dive', 'children', 0], isKey: false, key: 'text', word: 'wh', isInBraces: true },
    ],
    [
      `${head}      - text: >-\n          Hull\n          {n|`,
      { path: ['views', 'dive', 'children', 0], isKey: false, key: 'text', word: 'n', isInBraces: true },
    ],
    [
      `${head}      - offset:\n          - "{wi|`,
      { path: ['views', 'dive', 'children', 0, 'offset', 0], isKey: false, word: 'wi', isInBraces: true },
    ],
    [
      'styles:\n  plate:\n    background: $col|',
      { path: ['styles', 'plate'], isKey: false, key: 'background', word: '$col' },
    ],
    [
      `${head}      - text: "a: { b"\n        ki|`,
      { path: ['views', 'dive', 'children', 0], isKey: true, word: 'ki' },
    ],
  ])('%j', (text, expected) => {
    expect(contextAt(...marked(text))).toMatchObject(expected);
  });

  test('is what a parser says, at every key and value of the demo', () => {
    const text = readFileSync('examples/fathom-post/post.yaml', 'utf8');
    let keys = 0;
    const visit = (node: Node | null, path: (string | number)[]) => {
      if (isSeq(node)) node.items.forEach((item, at) => visit(item as Node, [...path, at]));
      if (!isMap(node)) return;
      for (const { key, value } of node.items as Pair<Node, Node>[]) {
        if (!isScalar(key) || !key.range) continue;
        const name = String(key.value);
        keys++;
        const before = contextAt(text, key.range[0] + 1);
        expect([name, before.path, before.isKey]).toEqual([name, path, true]);
        if (isScalar(value) && value.range && typeof value.value !== 'string') {
          const inside = contextAt(text, value.range[1]);
          expect([name, inside.path, inside.key]).toEqual([name, path, name]);
        }
        visit(value, [...path, name]);
      }
    };
    visit(parseDocument(text).contents, []);
    expect(keys).toBeGreaterThan(800);
  });

  test('of a text that is cut off anywhere it says something, and ends', () => {
    const text = readFileSync('examples/broken/broken.yaml', 'utf8');
    for (let at = 0; at <= text.length; at += 7) {
      const { from, word } = contextAt(text.slice(0, at), at);
      expect(from + word.length).toBe(at);
    }
    const hostile = '{['.repeat(5000) + '"'.repeat(999);
    expect(contextAt(hostile, hostile.length).isKey).toBeDefined();
  });
});

describe('completion', () => {
  const { document } = readDocument(
    `pimbot: 1
styles: { plate: { background: "#123" } }
tokens: { color: { sea: { $type: color, $value: "#1d7f8c" } }, thin: { $type: dimension, $value: 2 } }
components: { gauge: { params: { unit: text }, children: [ { id: bar } ] } }
views: { dive: { children: [ { id: sonar }, { id: hull, use: gauge, unit: m }, { id: far, anchor-to: sonar }, { id: row, arrange: row, children: [ { id: tip, kind: tooltip } ] } ] }, menu: { children: [ { id: list } ] } }
cases: { a: { pick: { price: 1 }, wares: [ { left: 2 } ], on: true } }
`,
  );
  const names = namesIn(document!);
  const labels = (text: string) => completionsAt(...marked(text), names)!.options.map(({ label }) => label);

  test.each([
    [`${head}      - id: a\n        anch|`, ['anchor', 'anchor-to']],
    [`${head}      - kind: im|`, ['image']],
    [`${head}      - style: |`, ['plate']],
    [`${head}      - use: |`, ['gauge']],
    [`${head}      - anchor-to: |`, ['sonar']],
    [`${head}      - look: { background: $|`, ['$color.sea']],
    [`${head}      - look: { radius: $|`, ['$thin']],
    [`${head}      - visible: |`, ['true', 'false', '{on}']],
    [`${head}      - repeat: |`, ['{wares}', '{pick.price}']],
    ['reference: { scaling: wh|', ['whole']],
    [`${head}      - use: gauge\n        un|`, ['unit']],
    [`${head}      - |\n        use: gauge`, ['unit']],
    [`${head}      - id: sonar\n      - id: hull\n        use: gauge\n        set:\n          |`, ['bar']],
    [`${head}      - look: { font: |`, ['Inter']],
    ['views:\n  dive:\n    backdrop: [ |', ['$color.sea']],
    ['cases:\n  b:\n    |', ['pick', 'wares', 'on']],
    [`${head}    expect:\n      - widget: hull.|`, ['hull.bar']],
    [`${head}      - focus-order: [|`, ['sonar', 'hull', 'far', 'row', 'tip']],
    [`${head}      - tooltip: |`, ['tip']],
  ])('%j', (text, expected) => {
    expect(labels(text)).toEqual(expect.arrayContaining(expected));
  });

  test.each([
    ['what is of another view', `${head}      - anchor-to: |`, ['list']],
    [
      'itself, and what is anchored to it',
      `${head}      - id: sonar\n        anchor-to: |`,
      ['sonar', 'far'],
    ],
    ['the view', `${head}      - id: hull\n        anchor-to: |`, ['dive']],
    [
      'what a condition cannot change',
      `${head}      - when:\n          - change: { |`,
      ['id', 'kind', 'use'],
    ],
    ['keys that stand below', `${head}      - |\n        kind: text\n        z: 1`, ['kind', 'z', 'scroll']],
    ['keys that stand behind', `${head}      - { |, kind: text, "z": 1 }`, ['kind', 'z', 'scroll']],
    [
      'places in a row',
      `${head}      - id: a\n      - id: b\n      - id: c\n      - children:\n          - |`,
      ['anchor', 'inset'],
    ],
    ['tokens of another type', `${head}      - look: { background: $|`, ['$thin']],
    ['sizes of widgets', 'reference: { size: |', ['fill']],
  ])('offers not %s', (_, text, never) => {
    const offered = labels(text);
    expect(never.filter((one) => offered.includes(one))).toEqual([]);
  });

  test.each([
    [`${head}      - text: "{pi|`, ['pick', 'pick.price']],
    [`${head}      - text: "{pick.|`, ['pick.price']],
    [`${head}      - { text: "Left: {wares}, {left|`, ['left', 'item.left']],
    [`${head}      - gone: "{not pick.price or inde|`, ['index']],
  ])('between the braces of %j stand values, and nothing else', (text, expected) => {
    const { from, options } = completionsAt(...marked(text), names)!;
    expect(options.map(({ label }) => label)).toEqual(expected);
    // What is typed is put in place of, up to the dot and beyond.
    expect(text.slice(from).replace('|', '')).toMatch(/^(pi|pick\.|left|inde)$/);
  });

  test.each([
    ['- ki|', 'kind', '- kind: '],
    ['- ki|nd: text', 'kind', '- kind: text'],
    ['- | : text', 'kind', '- kind : text'],
    ['- "ki|": text', 'kind', '- "kind": text'],
    ['- kind:|', 'text', '- kind: text'],
    ['- { id: a, kind:|te }', 'text', '- { id: a, kind: text }'],
    ['- kind: te|xtbox', 'text', '- kind: text'],
    ['- "kind": "te|"', 'text', '- "kind": "text"'],
    ['- text: "{pick.|x} m"', 'pick.price', '- text: "{pick.price} m"'],
    ['- look: { background: $co|l.x }', '$color.sea', '- look: { background: $color.sea }'],
    ['- gone: |', '{on}', '- gone: "{on}"'],
    ["- gone: '|'", '{on}', "- gone: '{on}'"],
    ['- may-overlap: |', 'sonar', '- may-overlap: [sonar]'],
    ['- may-overlap: [ |', 'sonar', '- may-overlap: [ sonar'],
  ])('%j becomes YAML with %j', (line, chosen, expected) => {
    const before = `${head}      `;
    const [text, at] = marked(before + line);
    const { from, to, options } = completionsAt(text, at, names)!;
    const { insert } = options.find(({ label }) => label === chosen)!;
    expect(text.slice(0, from) + insert + text.slice(to)).toBe(before + expected);
  });

  test('what is there already, or is not for the kind, is not offered; every key says what it does', () => {
    const [text, at] = marked(`${head}      - kind: text\n        anchor: center\n        |`);
    const { options } = completionsAt(text, at, names)!;
    const all = options.map(({ label }) => label);
    expect(all).toContain('max-lines');
    for (const key of ['kind', 'anchor', 'segments', 'arrange']) expect(all).not.toContain(key);
    expect(options.filter(({ info }) => info === '')).toEqual([]);
  });
});
