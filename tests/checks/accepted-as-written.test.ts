import { expect, test } from '@jest/globals';
import { screens } from 'pimbot';
import { checkDocument } from 'pimbot/tools';
import { fonts, rightDocument } from '../support/views.ts';

/* What concerns the document as it is written is accepted where it is written, as any other finding. */

const hud = `pimbot: 1
components:
  lamp:
    params: { n: text }
    size: 120
    look: { background: "#234" }
    children: [ { id: name, kind: text, text: "{n}", anchor: center, look: { font-size: 40, color: "#fff" } } ]
views:
  dive:
    backdrop: "#000"
    children:
      - id: box
        anchor: center
        arrange: column
        gap: 12
        children:
          - id: wide
            size: 120
            look: { background: "#345" }
            when: [ { screen: { aspect: "9.." }, change: { size: 200 } } ]
          - { id: later, size: 120, visible: false, look: { background: "#345" } }
          - id: odd
            use: lamp
            n: Wax
            set:
              name: { anchor: left top, offset: 4 4, rotate: 2, look: { font-size: 36, color: "#eee" } }
`;

/** The checks that find something as it is written, with what they are about. */
function written(text: string) {
  const { findings, accepted } = checkDocument(rightDocument(text), { resources: { fonts }, screens });
  const own = findings.filter(({ view }) => view === undefined);
  return { accepted, found: own.map(({ check, widget }) => `${check} ${widget}`) };
}

const all = ['drifted-instance odd', 'idle-condition wide', 'never-shown later'];

/** The document with a line at a widget. */
const at = (id: string, line: string) =>
  id === 'later'
    ? hud.replace('{ id: later,', `{ id: later, ${line},`)
    : hud.replace(
        new RegExp(`( +- )id: ${id}\\n`),
        `$1${line}\n${' '.repeat(id === 'box' ? 8 : 12)}id: ${id}\n`,
      );

test('each is found', () => {
  expect(written(hud)).toEqual({ accepted: 0, found: all });
});

test.each([
  ['wide', 'idle-condition', 'idle-condition wide'],
  ['later', 'never-shown', 'never-shown later'],
  ['odd', 'drifted-instance', 'drifted-instance odd'],
  ['box', 'never-shown', 'never-shown later'],
  ['box', 'idle-condition', 'idle-condition wide'],
])('accepted at %s, %s is found no more, and the others are', (id, check, gone) => {
  const { accepted, found } = written(at(id, `accept: { ${check}: "as meant" }`));
  expect([accepted, found]).toEqual([1, all.filter((one) => one !== gone)]);
});

test('accepted at the view, all of them', () => {
  const accept = 'accept: { idle-condition: a, never-shown: b, drifted-instance: c }';
  expect(written(hud.replace('    backdrop:', `    ${accept}\n    backdrop:`))).toEqual({
    accepted: 3,
    found: [],
  });
});

test('an acceptance beside, or of what is not found, is one of nothing', () => {
  expect(written(at('wide', 'accept: { never-shown: "not here" }')).found).toEqual([
    ...all,
    'idle-acceptance wide',
  ]);
});
