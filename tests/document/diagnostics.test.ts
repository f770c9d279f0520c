import { describe, expect, test } from '@jest/globals';
import { openView, readDocument } from 'pimbot';
import { messageOf } from 'pimbot/tools';
import { fonts, told } from '../support/views.ts';

/** Reads YAML under the name hud.yaml. */
function read(text: string) {
  return told(readDocument(text, { name: 'hud.yaml' }));
}

describe('diagnostics of a document', () => {
  test('all of a file at once, in order, each with its line and a caret', () => {
    const found = read(`pimbot: 1
reference: { size: 1920x1080, scaling: contian }
views:
  dive:
    children:
      - { id: sonar, ancor: right bottom, size: 280 }
      - { id: sonar2, kind: buton }
      - { id: wide, width: very }
`);
    expect(found).toEqual([
      `hud.yaml:2:40: error: "scaling" is one of contain, cover, width, height, blend, none, physical, whole, not "contian"; did you mean "contain"?
2 | reference: { size: 1920x1080, scaling: contian }
  |                                        ^^^^^^^`,
      `hud.yaml:6:22: error: a widget has no key "ancor"; did you mean "anchor"?
6 |       - { id: sonar, ancor: right bottom, size: 280 }
  |                      ^^^^^`,
      `hud.yaml:7:29: error: "kind" is one of panel, text, image, button, checkbox, switch, slider, textbox, meter, separator, tabs, dialog, tooltip, canvas, scrollbar, radiogroup, listbox, not "buton"; did you mean "button"?
7 |       - { id: sonar2, kind: buton }
  |                             ^^^^^`,
      `hud.yaml:8:27: error: "width" is a length such as 24 or "50% - 24", or content, or fill, not "very"
8 |       - { id: wide, width: very }
  |                           ^^^^`
        .replace('8:27', '8:28')
        .replace('|                           ^', '|                            ^'),
    ]);
  });

  test('sizes that are held between limits, and what is not chosen, are no mistakes', () => {
    const widgets = [
      '{ size: 9, min-width: 5, max-width: 50% }',
      '{ size: 9, min-width: 90, max-width: 50% }',
      '{ width: 50% - 40, height: 0 }',
      '{ width: 50, aspect: 2 }',
      '{ width: fill, height: content, aspect: 2 }',
      '{ kind: radiogroup, label: A, selection: "", children: [ { id: b, kind: button, text: B } ] }',
      '{ kind: listbox, label: A, selection: x-2, children: [ { id: x, repeat: 3, kind: button, text: B } ] }',
      '{ kind: listbox, label: A, selection: deep, children: [ { controls: deep, kind: button, text: B } ] }',
    ];
    expect(read(`pimbot: 1\nviews: { a: { children: [ ${widgets.join(', ')} ] } }\n`)).toEqual([]);
  });

  test('of a long line what is around the caret is shown, and at which end there is more', () => {
    const [start] = read(`pimbot: 1\nviews: { dive: { ancor: 1, title: "${'deep '.repeat(40)}" } }\n`);
    expect(start!.split('\n')[1]).toMatch(/^2 \| views: \{ dive: \{ ancor: 1.*…$/);
    const [middle] = read(
      `pimbot: 1\nviews: { dive: { title: "${'deep '.repeat(40)}", ancor: 1, ${' '.repeat(90)} arrange: row } }\n`,
    );
    expect(middle!.split('\n')[1]).toMatch(/^2 \| ….*ancor: 1.*…$/);
    const [end] = read(`pimbot: 1\nviews: { dive: { title: "${'deep '.repeat(40)}", ancor: 1 } }\n`);
    expect(end!.split('\n')[1]).toMatch(/^2 \| ….*ancor: 1 \} \}$/);
    for (const one of [start, middle, end]) {
      const [, line, caret] = one!.split('\n');
      expect(line!.slice(caret!.indexOf('^'), caret!.lastIndexOf('^') + 1)).toBe('ancor');
    }
  });

  test('names that do not exist, with the name that may have been meant', () => {
    const found = read(`pimbot: 1
tokens: { color: { hull: "#38c", air: "{color.hul}" } }
styles:
  plate: { background: $color.hull, extends: plaet }
  round: { extends: ring }
  ring: { extends: round, color: "#12" }
cases: { typical: { depth: 4 }, worst: { dept: 5 } }
views:
  dive:
    backdrop: trench
    children:
      - { id: a, style: plat }
      - { id: a, kind: text, text: "{deph}", tint: $color.hall }
      - { id: b, kind: image, image: ring, may-overlap: [c] }
      - { id: c2, kind: meter, value: "{depth}" }
`);
    const sentences = found.map((one) => one.split('\n')[0]);
    expect(sentences).toEqual([
      'hud.yaml:2:39: error: there is no token "color.hul"; did you mean "color.hull"?',
      'hud.yaml:4:46: error: there is no style "plaet"; did you mean "plate"?',
      'hud.yaml:5:21: error: this style leads back to itself: round → ring → round',
      'hud.yaml:6:20: error: this style leads back to itself: ring → round → ring',
      'hud.yaml:6:34: error: "#12" is not a colour of CSS Color 4, such as #0a4d68 or rgb(10 77 104)',
      'hud.yaml:7:33: error: the case "worst" gives no value for "{depth}"',
      'hud.yaml:10:15: error: there is no colour or picture "trench"',
      'hud.yaml:12:25: error: there is no style "plat"; did you mean "plate"?',
      'hud.yaml:13:15: error: the id "a" is taken already, on line 12; ids are unique in a view',
      'hud.yaml:13:36: error: there is no value "deph"; did you mean "depth"?',
      'hud.yaml:13:52: error: there is no token "color.hall"; did you mean "color.hull"?',
      'hud.yaml:14:38: error: there is no picture "ring"',
      'hud.yaml:14:58: error: there is no widget "c"; did you mean "c2"?',
    ]);
  });

  test('names that do not exist in conditions and in changes of instances', () => {
    const found = read(`pimbot: 1
cases: { typical: { depth: 4, logs: [{ line: Up }] } }
components:
  dial:
    params: { unit: text }
    children:
      - { id: words, kind: text, text: "{unit}" }
      - { id: log, kind: text, repeat: "{logs}", text: "{line}" }
views:
  dive:
    when: [{ screen: { aspect: ..1 }, change: { style: plat } }]
    children:
      - { id: a, size: 9, when: [{ screen: { aspect: ..1 }, change: { width: "{deph}", look: { opacity: "{fade}" } } }] }
      - id: b
        use: dial
        unit: m
        set:
          words: { text: "{unit} {depth} {deep}", style: plat, anchor-to: c, theme: dusk }
          log: { text: "{index} {line} {word}" }
`);
    expect(found.map((one) => one.split('\n')[0])).toEqual([
      'hud.yaml:11:56: error: there is no style "plat"',
      'hud.yaml:13:78: error: there is no value "deph"; did you mean "depth"?',
      'hud.yaml:13:105: error: there is no value "fade"',
      'hud.yaml:18:26: error: there is no value "deep"',
      'hud.yaml:18:58: error: there is no style "plat"',
      'hud.yaml:18:75: error: there is no widget "c"',
      'hud.yaml:18:85: error: there is no theme "dusk"',
      'hud.yaml:19:24: error: there is no value "word"',
    ]);
  });

  test('what conditions and instances change is held against what it changes', () => {
    const found = read(`pimbot: 1
pictures: { hull: hull.png }
components:
  dial:
    children:
      - { id: words, kind: text, text: Hull }
      - { id: log, arrange: pages, children: [{ id: one }, { id: two }] }
views:
  dive:
    when: [{ screen: { aspect: 1.. }, change: { title: Wide, columns: 3, children: [], expect: [{ widget: c, visible: true }] } }]
    children:
      - id: a
        arrange: pages
        children: [{ id: near }, { id: far }]
        when:
          - { screen: { aspect: ..1 }, change: { page: far } }
          - { screen: { aspect: 1.. }, change: { page: nowhere, image: hull } }
      - id: b
        use: dial
        set:
          words: { anchor: lefty, columns: 3 }
          log: { page: two, inset: 3 3, value: 1, may-overlap: [one, near], when: [], id: logs }
`);
    expect(found.map((one) => one.split('\n')[0])).toEqual([
      'hud.yaml:10:49: error: "title" cannot change from screen to screen',
      'hud.yaml:10:62: error: "columns" does something only with arrange: grid',
      'hud.yaml:10:74: error: "children" cannot change from screen to screen',
      'hud.yaml:10:107: error: there is no widget "c"',
      'hud.yaml:17:56: error: there is no page "nowhere"',
      'hud.yaml:21:28: error: "anchor" is an anchor such as "right bottom", "left..right top" or "25% center", not "lefty"',
      'hud.yaml:21:35: error: "columns" does something only with arrange: grid',
      'hud.yaml:21:35: error: "columns" is for panel, button, tabs, radiogroup, listbox, dialog; this widget is of kind text',
      'hud.yaml:22:29: error: an inset needs an anchor that is a span, such as left..right',
      'hud.yaml:22:41: error: "value" is for meter, slider, separator; this widget is of kind panel',
      'hud.yaml:22:70: error: there is no widget "near"',
      'hud.yaml:22:77: error: "when" of a widget in a component cannot change in an instance of it',
      'hud.yaml:22:87: error: "id" of a widget in a component cannot change in an instance of it',
    ]);
  });

  test('anchors that a condition ties into a circle, on the screens where it holds', () => {
    const source = `pimbot: 1
cases: { typical: { to: a } }
views:
  dive:
    children:
      - { id: a, size: 9, anchor-to: c }
      - { id: c, size: 9, when: [{ screen: { aspect: 1.. }, change: { anchor-to: a } }] }
      - { id: d, size: 9, anchor-to: a, when: [{ screen: { aspect: ..0.5 }, change: { anchor-to: "{to}" } }] }
`;
    const { document } = readDocument(source, { name: 'hud.yaml' });
    const view = openView(document!, 'dive', { resources: { fonts } });
    expect(() => view.layoutOn({ width: 1920, height: 1080 })).toThrow(
      'this anchor leads back to itself: a → c → a',
    );
    expect(view.layoutOn({ width: 1080, height: 1920 }).find('a')).toBe(1);
    expect(view.layoutOn({ width: 400, height: 1920 }).find('d')).toBe(3);
    const { document: other } = readDocument(source.replace('to: a }', 'to: d }'), { name: 'hud.yaml' });
    const odd = openView(other!, 'dive', { resources: { fonts } });
    expect(() => odd.layoutOn({ width: 400, height: 1920 })).toThrow('itself: d → d, in the case "typical"');
  });

  test.each<[string, string, string]>([
    ['nothing at all', '', 'hud.yaml:1:1: error: a document is a map of keys and values'],
    ['a list', '- 1\n', 'a document is a map of keys and values'],
    ['no views', 'pimbot: 1\n', 'a document needs the key "views"'],
    ['another version', 'pimbot: 2\nviews: { a: {} }\n', '"pimbot" is 1, not 2'],
    ['broken YAML', 'pimbot: 1\nviews: { a: [ }\n', 'this is not YAML or JSON'],
    [
      'a key twice',
      'pimbot: 1\nviews: { a: {} }\nviews: { b: {} }\n',
      'the key "views" stands here a second time',
    ],
    [
      'a condition that never holds',
      'pimbot: 1\nviews: { a: { children: [ { when: [{ screen: { aspect: 2..1.5 }, change: { z: 1 } }] } ] } }\n',
      'hud.yaml:2:56: error: "aspect" asks for at least 2 and at most 1.5',
    ],
    [
      'a view that supports nothing',
      'pimbot: 1\nviews: { a: { supports: { from: 1920x1080, to: 1280x1080 } } }\n',
      '"width" asks for at least 1920 and at most 1280',
    ],
    [
      'a promise for no screen',
      'pimbot: 1\nviews: { a: { expect: [{ widget: b, visible: true, on: { height: 9..1 } }], children: [{ id: b }] } }\n',
      '"height" asks for at least 9 and at most 1',
    ],
    [
      'a promise of nothing',
      'pimbot: 1\nviews: { a: { expect: [{ widget: b, because: x }], children: [{ id: b }] } }\n',
      'this promises nothing: say within, at-least, at-most, visible, never, touching, aligned, same or order',
    ],
    [
      'an upright screen that is wide',
      'pimbot: 1\nviews: { a: { when: [{ screen: { orientation: portrait, aspect: 2.. }, change: { gap: 1, arrange: row } }] } }\n',
      '"aspect: 2.." does something only with orientation: landscape',
    ],
    [
      'a promise of one widget that needs two',
      'pimbot: 1\nviews: { a: { expect: [{ widgets: [b], aligned: left }], children: [{ id: b }] } }\n',
      '"aligned" does something only with two or more widgets',
    ],
    [
      'a place for itself where nothing is arranged',
      'pimbot: 1\nviews: { a: { children: [ { align-self: end } ] } }\n',
      'warning: "align-self" does something only with a parent that arranges its children',
    ],
    [
      'a span over columns in a row',
      'pimbot: 1\nviews: { a: { arrange: row, children: [ { id: b, size: 9, column-span: 2 } ] } }\n',
      'hud.yaml:2:59: warning: "column-span" does something only with a parent with arrange: grid',
    ],
    [
      'justify-self in a row',
      'pimbot: 1\nviews: { a: { arrange: row, children: [ { id: b, size: 9, justify-self: end } ] } }\n',
      'warning: "justify-self" does something only with a parent with arrange: grid, layers or pages',
    ],
    [
      'what is scrolled to where nothing scrolls',
      'pimbot: 1\nviews: { a: { children: [ { id: b, size: 9, scroll-offset: 0 5 } ] } }\n',
      'warning: "scroll-offset" does something only with scroll',
    ],
    [
      'a key of entries that have no id',
      'pimbot: 1\ncases: { a: { list: [{ n: a }] } }\nviews: { a: { children: [ { repeat: "{list}", key: n, size: 9 } ] } }\n',
      'hud.yaml:3:47: warning: "key" does something only with an id that it follows',
    ],
    [
      'the handle of what has none',
      'pimbot: 1\nviews: { a: { children: [ { id: b, kind: text, text: A, look: { handle-color: "#fff" } } ] } }\n',
      'hud.yaml:2:65: warning: "handle-color" does something only with kind: switch, slider or scrollbar',
    ],
    [
      'a veil of what is no dialog',
      'pimbot: 1\nviews: { a: { children: [ { id: b, size: 9, look: { veil: "#000" } } ] } }\n',
      'warning: "veil" does something only with kind: dialog',
    ],
    [
      'a control that is visited twice',
      'pimbot: 1\nviews: { a: { focus-order: [b, b], children: [ { id: b, kind: button, text: A } ] } }\n',
      'hud.yaml:2:32: error: "focus-order" is a list that names each control once, not "b"',
    ],
    [
      'an entry that is chosen and is not there',
      'pimbot: 1\nviews: { a: { children: [ { kind: radiogroup, label: A, selection: mid, children: [ { id: min, kind: button, text: B } ] } ] } }\n',
      'hud.yaml:2:68: error: there is no entry "mid"; did you mean "min"?',
    ],
    [
      'a width below 0',
      'pimbot: 1\nviews: { a: { children: [ { id: b, width: -4 } ] } }\n',
      'hud.yaml:2:43: error: "width" is a length of 0 or more, not -4',
    ],
    [
      'a size of which one is below 0',
      'pimbot: 1\nviews: { a: { children: [ { id: b, size: 40 -4 } ] } }\n',
      'error: "size" is a length of 0 or more, not "40 -4"',
    ],
    [
      'a limit below 0 on some screens',
      'pimbot: 1\nviews: { a: { children: [ { id: b, size: 9, when: [ { screen: { aspect: ..1 }, change: { max-width: -9 } } ] } ] } }\n',
      'error: "max-width" is a length of 0 or more, not -9',
    ],
    [
      'limits that cross',
      'pimbot: 1\nviews: { a: { children: [ { id: b, size: 9, min-height: 90, max-height: 50 } ] } }\n',
      'hud.yaml:2:61: warning: "height" asks for at least 90 and at most 50',
    ],
    [
      'an aspect of two sizes',
      'pimbot: 1\nviews: { a: { children: [ { id: b, size: 9, aspect: 2 } ] } }\n',
      'warning: "aspect" does something only with a width or a height that is left out',
    ],
    [
      'a key of what is not repeated',
      'pimbot: 1\nviews: { a: { children: [ { key: name } ] } }\n',
      'warning: "key" does something only with repeat',
    ],
    [
      'a slot in a view',
      'pimbot: 1\nviews: { a: { children: [ { slot: true } ] } }\n',
      'warning: "slot" does something only with a component around it',
    ],
    [
      'a full area in a panel',
      'pimbot: 1\nviews: { a: { children: [ { children: [ { area: full } ] } ] } }\n',
      '"area" does something only with a child of the view',
    ],
    [
      'a text on a panel',
      'pimbot: 1\nviews: { a: { children: [ { text: Hull } ] } }\n',
      '"text" is for text, button, textbox, tooltip; this widget is of kind panel',
    ],
    ['an unquoted colour', 'pimbot: 1\nstyles: { a: { color: #fff } }\nviews: { a: {} }\n', 'error'],
    [
      'an unquoted border',
      'pimbot: 1\nstyles: { a: { border: 4 #ffffff } }\nviews: { a: {} }\n',
      'hud.yaml:2:26: error: the colour #ffffff needs quotes',
    ],
    [
      'a colour that YAML takes for a comment',
      'pimbot: 1\nviews:\n  a:\n    look:\n      color: #fff\n',
      'put the value in quotes',
    ],
    [
      'a message that is none',
      'pimbot: 1\nviews: { a: { children: [ { kind: text, text: "{depth" } ] } }\n',
      'this text is not a message that can be filled in',
    ],
    [
      'a view whose name a widget takes',
      'pimbot: 1\nviews: { a: { children: [ { id: a } ] } }\n',
      'the id "a" is taken by the view itself',
    ],
    [
      'a theme that nobody can read',
      'pimbot: 1\ntheme: look.yaml\nviews: { a: {} }\n',
      'hud.yaml:2:8: error: there is no file "look.yaml"',
    ],
    [
      'one of four insets where nothing spans that way',
      'pimbot: 1\nviews: { a: { children: [ { id: b, anchor: left..right top, inset: 40 30 0 30, height: 9 } ] } }\n',
      'hud.yaml:2:61: error: "inset: top" does something only with a vertical span, such as top..bottom; beside a point, say offset',
    ],
    [
      'limits that cross',
      'pimbot: 1\nreference: { limits: "3..1" }\nviews: { a: {} }\n',
      '"limits" asks for at least 3 and at most 1',
    ],
    [
      'a view with a value of a case',
      'pimbot: 1\ncases: { a: { n: 5, tint: "#fff" } }\nviews: { a: { padding: "{n}", look: { background: "{tint}" } } }\n',
      'hud.yaml:3:24: error: "padding" of a view uses no value: write it on a widget that fills the view',
    ],
    [
      'a style with a value of a case',
      'pimbot: 1\ncases: { a: { hue: "#fff" } }\nstyles: { plate: { background: "{hue}" } }\nviews: { a: {} }\n',
      'hud.yaml:3:32: error: "background" of a style uses no value: write it in the look of a widget',
    ],
    [
      'a token written as among tokens, in a style',
      'pimbot: 1\ntokens: { color: { $type: color, ink: { $value: "#fff" } } }\nstyles: { plate: { color: "{color.ink}" } }\nviews: { a: {} }\n',
      'hud.yaml:3:27: error: "color" of a style uses no value; did you mean "$color.ink"?',
    ],
    [
      'the same behind a view',
      'pimbot: 1\ntokens: { color: { $type: color, ink: { $value: "#fff" } } }\nviews: { a: { backdrop: "{color.ink}" } }\n',
      'hud.yaml:3:25: error: "backdrop" of a view uses no value; did you mean "$color.ink"?',
    ],
    [
      'and within a value',
      'pimbot: 1\ntokens: { color: { $type: color, ink: { $value: "#fff" } } }\nviews: { a: { look: { border: "4 {color.ink}" } } }\n',
      'not "4 {color.ink}"; did you mean "4 $color.ink"?',
    ],
    [
      'a state of a style with a value of a case',
      'pimbot: 1\ncases: { a: { dim: 1 } }\nstyles: { plate: { states: { hover: { opacity: "{dim}" } } } }\nviews: { a: {} }\n',
      '"opacity" of a style uses no value',
    ],
    [
      'a focus order that a value gives as a text',
      'pimbot: 1\ncases: { a: { order: b } }\nviews: { a: { focus-order: "{order}", children: [ { id: b, kind: button, text: B } ] } }\n',
      '"focus-order" of a view uses no value',
    ],
    [
      'a font nobody added',
      'pimbot: 1\nstyles: { a: { font: Intr } }\nviews: { a: {} }\n',
      'there is no font "Intr"; did you mean "Inter"?',
    ],
  ])('%s', (_, text, sentence) => {
    expect(read(text).join('\n')).toContain(sentence);
  });

  test('of a theme that cannot be read, what would be in it is not told as missing', () => {
    const text =
      'pimbot: 1\ntheme: look.yaml\nviews: { a: { style: plate, look: { color: $color.ink }, children: [ { id: b, style: x } ] } }\n';
    expect(read(text).map((one) => one.split('\n')[0])).toEqual([
      'hud.yaml:2:8: error: there is no file "look.yaml"',
    ]);
    const broken = readDocument(text, {
      name: 'hud.yaml',
      readFile: (path) => ({ text: 'pimbot-theme: 1\nstyles: { plate: { colour: red } }\n', name: path }),
    });
    expect(broken.diagnostics.map(messageOf)).toEqual(['a style has no key "colour"; did you mean "color"?']);
    const there = readDocument(text, {
      name: 'hud.yaml',
      readFile: (path) => ({ text: 'pimbot-theme: 1\nstyles: { plate: { color: red } }\n', name: path }),
    });
    expect(there.diagnostics.map(messageOf)).toEqual([
      'there is no token "color.ink"',
      'there is no style "x"',
    ]);
  });

  test('names of JavaScript are names like any other', () => {
    const found = read(`pimbot: 1
views:
  constructor:
    children: [ { id: __proto__ }, { id: toString, style: hasOwnProperty } ]
`);
    expect(found.map((one) => one.split('\n')[0])).toEqual([
      'hud.yaml:4:59: error: there is no style "hasOwnProperty"',
    ]);
    expect(read('pimbot: 1\n__proto__: { views: 3 }\nviews: { a: {} }\n').join('\n')).toContain(
      'a document has no key "__proto__"',
    );
  });

  test('a text that unfolds without end is refused', () => {
    const bomb = ['a: &a [x,x,x,x,x,x,x,x,x,x]'];
    for (let level = 1; level < 9; level++) {
      const before = String.fromCharCode(96 + level);
      const name = String.fromCharCode(97 + level);
      bomb.push(`${name}: &${name} [${Array(10).fill(`*${before}`).join(',')}]`);
    }
    expect(read(bomb.join('\n')).join('\n')).toContain('the document holds more than 500000 values');
    expect(read('['.repeat(100_000)).join('\n')).toContain('nested deeper than 512 levels');
    expect(read('- '.repeat(20_000)).join('\n')).toContain('nested deeper than 512 levels');
    expect(read(`{"a":`.repeat(5000)).join('\n')).toContain('nested deeper than 512 levels');
    expect(read('x'.repeat(8_000_001)).join('\n')).toContain('8000000 is the most that is read');
  });
});
