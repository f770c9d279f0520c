import { expect, test } from '@jest/globals';
import { readDocument, screens } from 'pimbot';
import { checkDocument, suggestFor } from 'pimbot/tools';
import { bundledFonts } from 'pimbot/node';

/* The entry of a list that is chosen: what it says of its colours, and a ring of the focus beyond the part of the list that is shown. */

const options = {
  resources: { fonts: bundledFonts() },
  screens: screens.filter(({ name }) => name === 'desktop'),
};

const list = (style: string, chosen: string, color = '"#8fb3ac"') => `pimbot: 1
styles:
  row: { background: "#0b3543", ${style} }
cases:
  typical: { tint: ${color} }
views:
  v:
    backdrop: "#04202a"
    children:
      - id: crew
        kind: listbox
        anchor: center
        size: 600 300
        gap: 20
        scroll: y
        selection: "${chosen}"
        children:
${['ida', 'wren', 'bo', 'lin']
  .map(
    (id) =>
      `          - { id: ${id}, kind: button, style: row, width: fill, height: 120, children: [{ kind: text, text: ${id}, anchor: center, look: { color: "{tint}", font-size: 20 } }] }`,
  )
  .join('\n')}
`;

const found = (text: string) => {
  const { document, diagnostics } = readDocument(text);
  expect(diagnostics).toEqual([]);
  const verdict = checkDocument(document!, options);
  return { document: document!, verdict };
};

test('words that are hard to read on what is chosen get another ground there, and nowhere else', () => {
  const style =
    'states: { focused: { shadow: "0 0 0 6 #ffffff" }, selected: { background: "#1a6f88", border: "4 #7fe0d2" } }';
  const { document, verdict } = found(list(style, 'ida'));
  const finding = verdict.findings.find(({ check }) => check === 'low-contrast');
  expect(finding?.widget).toBe('ida.text-1');
  const { say, text } = suggestFor(document, finding!, verdict, options)!;
  expect(say).toMatch(/^style row: states \{ selected: \{ background: #[\da-f]{6} \} \}$/);
  expect(text).toContain('row: { background: "#0b3543"');
  expect(found(text).verdict.findings.filter(({ check }) => check === 'low-contrast')).toEqual([]);
});

test('a ring round an entry that is not scrolled to is not said to be missing', () => {
  const ringed =
    'border: "4 #7fe0d2", states: { focused: { border: "4 #7fe0d2", shadow: "0 0 0 6 #ffffff" } }';
  const faint = ringed.replace('#ffffff', '#0a2a33');
  const alike = (style: string) =>
    found(list(style, 'ida'))
      .verdict.findings.filter(({ check }) => check === 'states-alike')
      .map(({ widget }) => widget);
  expect(alike(ringed).filter((widget) => widget !== 'ida')).toEqual([]);
  expect(alike(faint)).toContain('wren');
});
