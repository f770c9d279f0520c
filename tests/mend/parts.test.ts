import { describe, expect, test } from '@jest/globals';
import { readDocument, screens } from 'pimbot';
import { checkDocument, suggestFor, type CheckId } from 'pimbot/tools';
import { bundledFonts } from 'pimbot/node';

/* Colours of parts, colours that a condition chooses, words that run into what stands beside them, lists at the edge of a screen. */

const some = (names: readonly string[]) => screens.filter(({ name }) => names.includes(name));
const options = (...names: string[]) => ({ resources: { fonts: bundledFonts() }, screens: some(names) });

const found = (text: string, names: readonly string[]) => {
  const { document, diagnostics } = readDocument(text);
  expect(diagnostics).toEqual([]);
  return { document: document!, verdict: checkDocument(document!, options(...names)) };
};

function offered(text: string, check: CheckId, widget: string, ...names: string[]) {
  const { document, verdict } = found(text, names);
  const finding = verdict.findings.find((one) => one.check === check && one.widget === widget);
  expect(finding).toBeDefined();
  const suggestion = suggestFor(document, finding!, verdict, options(...names));
  const left = suggestion && found(suggestion.text, names).verdict.findings;
  return { say: suggestion?.say, left: left?.map((one) => `${one.check} ${one.widget}`) };
}

describe('a part that is faint gets another colour where its own is said', () => {
  const page = (style: string, look: string) => `pimbot: 1
cases: { on: { loud: true } }
styles: { turn: { ${style} } }
views:
  v:
    backdrop: "#04202a"
    children:
      - { id: loud, kind: switch, label: Loud, style: turn, checked: "{loud}", anchor: center, size: 240 120${look} }
`;
  const focus = 'focused: { shadow: "0 0 0 6 #ffffff" }';

  test('the handle or the track in the state it is in', () => {
    const text = page(
      `background: "#000000", handle-color: "#e8f4f1", states: { checked: { background: "#58bfb0" }, ${focus} }`,
      '',
    );
    const { say, left } = offered(text, 'faint-part', 'loud', 'desktop');
    expect(say).toMatch(/^style turn: states \{ checked: \{ (handle-color|background): #[\da-f]{6} \} \}$/);
    expect(left).toEqual([]);
  });

  test('the handle itself, not the colour of what else it is made of', () => {
    const text = page(`background: "#0d4452", states: { ${focus} }`, ', look: { handle-color: "#2b6672" }');
    const { say, left } = offered(text, 'faint-part', 'loud', 'desktop');
    expect(say).toMatch(/^loud: look \{ handle-color: #[\da-f]{6} \}$/);
    expect(left).toEqual([]);
  });
});

describe('a colour that a condition chooses is another one in its place, and the other stays', () => {
  const page = (bad: string, more = '') => `pimbot: 1
tokens: { color: { bad: "#8a3a2c" } }
cases: { poor: { coins: 3 }, rich: { coins: 300 } }
views:
  v:
    backdrop: "#1b1208"
    children:
      - { id: price, kind: text, text: "{coins} coins", anchor: center, look: { font-size: 40, color: "{if(coins < 20, '${bad}', '#fff4dc')}" } }
${more}`;

  test('where it is chosen', () => {
    const line = '      - { id: line, anchor: left bottom, size: 90, look: { background: $color.bad } }\n';
    for (const text of [page('#8a3a2c', line), page('$color.bad', line)]) {
      const { say, left } = offered(text, 'low-contrast', 'price', 'desktop');
      expect(say).toMatch(/^price: look \{ color: \{if\(coins < 20, '#[\da-f]{6}', '#fff4dc'\)\} \}$/);
      expect(left).toEqual([]);
    }
  });

  test('by its token where nothing else is of that colour', () => {
    const { say, left } = offered(page('$color.bad'), 'low-contrast', 'price', 'desktop');
    expect(say).toMatch(/^token color\.bad: #[\da-f]{6}$/);
    expect(left).toEqual([]);
  });
});

describe('words that run into what stands beside them', () => {
  const page = (children: string) => `pimbot: 1
reference: { size: 1920x1080, scaling: width }
views:
  v:
    backdrop: "#04202a"
    look: { color: "#ffffff", font-size: 60 }
    children:
${children}`;

  test('end before it', () => {
    const text =
      page(`      - { id: name, kind: text, text: The lamp that burns under water for an hour and longer than anybody at Tern Rock has ever had the patience to wait, wrap: true, anchor: left..right top }
      - { id: new, anchor: right top, size: 220 90, look: { background: "#8fd694" } }
`);
    expect(offered(text, 'overlap', 'name', 'desktop')).toEqual({ say: 'name: inset: 0 228', left: [] });
  });

  test('move off it where the screen is narrow, and stand in a line with it elsewhere', () => {
    const text = `pimbot: 1
reference: { size: 1920x1080, scaling: none }
views:
  v:
    backdrop: "#04202a"
    look: { color: "#ffffff", font-size: 60 }
    children:
      - { id: own, kind: text, text: You have ninety-nine of these, anchor: left bottom, offset: 40 -40 }
      - { id: price, kind: text, text: 1 000 000 coins, anchor: right bottom, offset: -40 -40 }
`;
    const { say, left } = offered(
      text,
      'overlap',
      'own',
      'desktop',
      'laptop',
      'desktop-4k',
      'monitor-portrait',
    );
    expect(say).toMatch(/^(own|price): on upright screens offset: -?40 -\d+$/);
    expect(left).toEqual([]);
  });
});

describe('a list that drops from a key near the bottom of a screen', () => {
  const page = (key: string) => `pimbot: 1
reference: { size: 1920x1080, scaling: width }
kinds: { button: { background: "#125463", color: "#ffffff", font-size: 40, states: { focused: { shadow: "0 0 0 6 #ffffff" } } } }
cases: { shut: { open: false }, dropped: { open: true } }
views:
  v:
    backdrop: "#04202a"
    children:
      - { id: key, kind: button, text: Where from, anchor: left 75%, offset: 40 ${key}, size: 400 120 }
      - { id: beside, kind: button, text: Beside, anchor: left 75%, offset: 40 ${Number(key) - 180}, size: 400 120 }
      - id: drop
        anchor-to: key
        anchor: left bottom
        pivot: left top
        focus-scope: closed
        gone: "{not open}"
        width: 400
        look: { background: "#0d3440" }
        children:
          - { id: list, kind: listbox, label: Where from, selection: box, anchor: left..right top, gap: 24, children: [ { id: phones, kind: button, text: Headphones, width: fill, height: 120 }, { id: box, kind: button, text: Speakers, width: fill, height: 120 } ] }
`;

  test('opens upward', () => {
    const say = 'drop: anchor: left top, pivot: left bottom';
    expect(offered(page('20'), 'off-screen', 'drop', 'desktop').say).toBe(say);
  });

  test('is not held against what lies behind it', () => {
    const text = page('-400').replaceAll('120', '60').replace('gap: 24', 'gap: 0');
    const { verdict } = found(text, ['phone-landscape']);
    const pairs = verdict.findings.filter(({ check }) => check === 'crowded-targets');
    expect(pairs.map(({ widget, other }) => [widget, other])).toEqual([['phones', 'box']]);
  });
});

describe('what can be moved nowhere is smaller', () => {
  const wheel = (choose: string) => `pimbot: 1
views:
  v:
    children:
      - id: ring
        anchor: center
        size: 640 64
        look: { background: "#05161c" }
        children:
          - { id: horn, look: { background: "#14414b" }, anchor: left, offset: 24 0, size: 230 60 }
          - { id: light, look: { background: "#14414b" }, anchor: right, offset: -24 0, size: 230 60 }
          - ${choose}
`;

  test('words between two wrap sooner', () => {
    const text = wheel(
      '{ id: choose, kind: text, text: Choose a signal, anchor: center, look: { font-size: 24 } }',
    );
    expect(offered(text, 'overlap', 'horn', 'desktop')).toEqual({ say: 'choose: max-width: 116', left: [] });
  });

  test('a picture keeps its shape', () => {
    const frame = 'anchor: center, size: 200 50, look: { background: "#f2c14e" }';
    const picture = wheel(`{ id: choose, kind: image, image: lamp, ${frame} }`);
    const text = picture.replace('views:', 'pictures: { lamp: lamp.svg }\nviews:');
    expect(offered(text, 'overlap', 'horn', 'desktop')).toEqual({
      say: 'choose: size: 132 33',
      left: ['missing-picture choose'],
    });
  });

  test('by no more than half', () => {
    const text = wheel('{ id: choose, kind: text, text: Choose, anchor: center, look: { font-size: 90 } }');
    expect(offered(text, 'overlap', 'horn', 'desktop').say).not.toMatch(/max-width/);
  });
});

test('a card beside something goes above it where the view is too narrow for both', () => {
  const text = `pimbot: 1
reference: { size: 1920x1080, scaling: height }
views:
  v:
    backdrop: "#04202a"
    children:
      - { id: sonar, anchor: right bottom, offset: -40 -40, size: 320, look: { background: "#0d3440" } }
      - { id: card, anchor-to: sonar, anchor: left center, pivot: right center, offset: -60 0, size: 640 200, look: { background: "#125463" } }
`;
  const { say, left } = offered(text, 'off-screen', 'card', 'desktop', 'laptop', 'tablet', 'phone-portrait');
  expect(say).toBe(
    'card: on upright touch screens anchor: right top, pivot: right bottom, offset: 0 -60, max-width: 100% - 80',
  );
  expect(left).toEqual([]);
});

test('a list whose ends cut off the ring of the focus gets room for it', () => {
  const text = `pimbot: 1
kinds: { button: { background: "#0d4452", color: "#ffffff", font-size: 40, states: { focused: { shadow: "0 0 0 6 #ffffff" } } } }
views:
  v:
    backdrop: "#04202a"
    children:
      - id: list
        anchor: left top..bottom
        inset: 60
        width: 600
        scroll: y
        arrange: column
        gap: 20
        children: [ { id: a, kind: button, text: Lamp, width: fill, height: 160 }, { id: b, kind: button, text: Rope, width: fill, height: 160 } ]
`;
  expect(offered(text, 'cut-ring', 'a', 'desktop')).toEqual({ say: 'list: padding: 6', left: [] });
  // Room that there is counts.
  const some = text.replace('scroll: y', 'scroll: y\n        padding: 0 0 20 0');
  expect(offered(some, 'cut-ring', 'a', 'desktop')).toEqual({ say: 'list: padding: 6 6 20 6', left: [] });
});
