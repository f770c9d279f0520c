import { describe, expect, test } from '@jest/globals';
import { readDocument, screens } from 'pimbot';
import { checkDocument, suggestFor, type CheckId } from 'pimbot/tools';
import { bundledFonts } from 'pimbot/node';

/* What has too little room: in rows and columns, in dialogs, and in the list of a drop-down. */

const options = { resources: { fonts: bundledFonts() }, screens };

const page = (children: string, cases = '') => `pimbot: 1
reference: { size: 1920x1080, scaling: contain, least-millimetres: 0.11 }
kinds: { button: { background: "#125463", color: "#ffffff", font-size: 40 } }
${cases}views:
  v:
    backdrop: "#04202a"
    look: { color: "#ffffff", font-size: 40 }
    children:
${children}`;

const found = (text: string) => {
  const { document, diagnostics } = readDocument(text);
  expect(diagnostics).toEqual([]);
  return { document: document!, verdict: checkDocument(document!, options) };
};

/** What is offered for a finding, and what is found of the same check with that. */
function offered(text: string, check: CheckId, widget: string) {
  const { document, verdict } = found(text);
  const finding = verdict.findings.find((one) => one.check === check && one.widget === widget);
  expect(finding).toBeDefined();
  const suggestion = suggestFor(document, finding!, verdict, options);
  const after = suggestion ? found(suggestion.text).verdict.findings : [];
  return { say: suggestion?.say, left: after.filter((one) => one.check === check).length };
}

describe('what has too little room is given some', () => {
  const head = `      - id: head
        anchor: left..right top
        inset: 40
        height: content
        arrange: row
        gap: 24
        children:
          - { id: title, kind: text, text: Everything aboard, wrap: false, width: fill }
          - { id: sort, kind: button, text: Newest first, width: 340, height: 90 }
`;

  test('a row stands in lines, or below each other, on the screens it is too wide for alone', () => {
    const { say, left } = offered(page(head), 'overlap', 'title');
    expect(say).toMatch(/^head: where the view is up to \d+ u wide arrange: (wrap|column)$/);
    expect(left).toBe(0);
  });

  test('a row that is too wide on every screen is not', () => {
    const wide = page(head.replace('width: 340', 'width: 1700').replace('inset: 40', 'inset: 0'));
    expect(offered(wide, 'overlap', 'title').say ?? '').not.toContain('arrange');
  });

  test('a dialog wider than a screen is no wider than that', () => {
    const ask = `      - id: ask
        kind: dialog
        width: 900
        arrange: column
        look: { background: "#125463", padding: 30 }
        children:
          - { kind: text, text: "What is erased is gone, and nobody at Fathom Post has a copy of it.", width: fill, wrap: true }
          - { id: keep, kind: button, text: Keep it, height: 160 }
`;
    expect(offered(page(ask), 'off-screen', 'ask')).toEqual({ say: 'ask: max-width: 100%', left: 0 });
  });

  test('a card that is wider than its list is as wide as that, and as high as it then has to be', () => {
    const shelf = `      - id: shelf
        anchor: left..right top..bottom
        arrange: column
        scroll: y
        children:
          - id: card
            width: 900
            height: 120
            look: { background: "#125463", font-size: 36, padding: 20 }
            arrange: column
            children:
              - { kind: text, text: "Burns for eleven hours at four thousand metres", width: fill, wrap: true }
`;
    const { say, left } = offered(page(shelf), 'cut-off', 'card');
    expect(say).toBe('card: max-width: 100%, height: content, min-height: 120');
    expect(left).toBe(0);
  });

  test('entries of a list stay of one size where one of them needs more', () => {
    const cases = `cases:
  typical:
    wares: [{ key: rope, says: Forty metres }, { key: lamp, says: "Burns for eleven hours at four thousand metres" }]
`;
    const wares = `      - id: shelf
        anchor: center
        width: 500
        arrange: column
        gap: 40
        children:
          - id: ware
            repeat: "{wares}"
            key: key
            height: 110
            width: fill
            look: { background: "#125463", font-size: 36 }
            arrange: column
            children:
              - { kind: text, text: "{key}" }
              - { kind: text, text: "{says}", width: fill, wrap: true }
`;
    const { say, left } = offered(page(wares, cases), 'gave-way', 'ware-lamp');
    expect(say).toMatch(/^ware-lamp: height: \d+$/);
    expect(left).toBe(0);
  });
});

describe('the list of a drop-down', () => {
  const cases = `cases:
  typical: { sorting: true }
`;
  const list = (
    more: string,
    inside = '',
  ) => `      - { id: sort, kind: button, text: Sort, anchor: left top, offset: 40 40, size: 400 160 }
      - { id: below, kind: button, text: Below, anchor: left top, offset: 40 260, size: 400 160 }
      - id: sorts
        kind: listbox
        anchor: left top
        offset: 40 210
        width: 400
        gap: 24
        look: { background: "#125463" }
        ${more}
        children:
          - { id: newest, kind: button, text: Newest, width: fill, height: 160 }
          - { id: oldest, kind: button, text: Oldest, width: fill, height: 160${inside} }
`;
  const over = (text: string) =>
    found(text)
      .verdict.findings.filter(({ check }) => check === 'overlap' || check === 'covered')
      .map(({ check, widget, other }) => `${check} ${widget} ${other}`)
      .sort();

  test('lies over what is there while it is shown, as a dialog does', () => {
    expect(over(page(list('visible: "{sorting}"\n        focus-scope: closed'), cases))).toEqual([]);
    // Worked out as well.
    expect(over(page(list('gone: "{not sorting}"\n        focus-scope: closed'), cases))).toEqual([]);
    const lasting = over(page(list('focus-scope: closed'), cases));
    expect(lasting).toEqual(['covered below sorts', 'overlap below sorts']);
    expect(over(page(list('visible: "{sorting}"'), cases))).toEqual(lasting);
  });

  test('what is in it is held against each other', () => {
    const shown = 'visible: "{sorting}"\n        focus-scope: closed';
    expect(over(page(list(shown, ', margin: -100 0 0 0'), cases))).toEqual([
      'covered newest oldest',
      'overlap newest oldest',
    ]);
  });

  test('what covers a widget it may not lie over is not raised over it instead', () => {
    const two = `      - { id: name, kind: text, text: Hull, anchor: left top, offset: 40 40 }
      - { id: plate, kind: button, text: Sort, anchor: left top, offset: 60 50, size: 400 160 }
`;
    expect(offered(page(two), 'covered', 'name').say ?? '').not.toContain('z:');
  });
});
