import { expect, test } from '@jest/globals';
import { readDocument } from 'pimbot';
import { checkDocument, suggestFor } from 'pimbot/tools';
import { makeScreen } from 'pimbot';
import { fonts } from '../support/views.ts';
import { nameOf } from './second-judge.ts';

/*
 * A style that is changed for one view is tried on every other view that may show something in it, however that names the style.
 */

const options = {
  resources: { fonts },
  screens: [
    makeScreen({ name: 'desktop', width: 1280, height: 720, density: 92, distance: 600, inputs: ['mouse'] }),
  ],
};

const head = `pimbot: 1
styles:
  faint: { color: "#4a5a60" }
`;
/** Lighter letters are read on the dark ground here … */
const dark = `views:
  dark:
    look: { background: "#101820" }
    children:
      - { id: depth, kind: text, text: Depth, anchor: center, style: faint }
`;
/** … and not on the light one there. */
const light = (child: string) => `  light:
    look: { background: "#9fb0b4" }
    children:
      - { id: words, kind: text, text: Words, anchor: center${child} }
`;

const ways: readonly (readonly [how: string, text: string])[] = [
  ['by its name', `${head}${dark}${light(', style: faint')}`],
  ['among others', `${head}  wide: { font-size: 30 }\n${dark}${light(', style: [wide, faint]')}`],
  [
    'by a style that starts from it',
    `${head}  loud: { extends: faint, font-size: 30 }\n${dark}${light(', style: loud')}`,
  ],
  ['by a value', `${head}cases: { one: { s: faint } }\n${dark}${light(', style: "{s}"')}`],
  [
    'in a condition',
    `${head}  deep: { color: "#000000" }\n${dark}${light(', style: deep, when: [{ screen: { input: mouse }, change: { style: faint } }]')}`,
  ],
  [
    'by a parameter of a component',
    `${head}components: { c: { params: { s: text }, children: [{ id: t, kind: text, text: Deep, style: "{s}" }] } }\n${dark}${light('')}      - { use: c, s: faint, anchor: left top }\n`,
  ],
  [
    'in a component',
    `${head}components: { c: { children: [{ id: t, kind: text, text: Deep, style: faint }] } }\n${dark}${light('')}      - { use: c, anchor: left top }\n`,
  ],
  [
    'in what an instance sets',
    `${head}components: { c: { children: [{ id: t, kind: text, text: Deep }] } }\n${dark}${light('')}      - { use: c, anchor: left top, set: { t: { style: faint } } }\n`,
  ],
];

/** What is offered for the contrast of the dark view; with it, everything that is found anew is what was said. */
function offered(text: string) {
  const { document, diagnostics } = readDocument(text, { name: 'hud.yaml' });
  expect(
    diagnostics.filter(({ severity }) => severity === 'error').map(({ code, facts }) => [code, facts]),
  ).toEqual([]);
  const before = checkDocument(document!, options);
  const finding = before.findings.find(({ check, view }) => check === 'low-contrast' && view === 'dark')!;
  const suggestion = suggestFor(document!, finding, before, options);
  if (!suggestion) return undefined;
  const after = checkDocument(readDocument(suggestion.text).document!, options);
  expect(suggestion.findings.map(nameOf).sort()).toEqual(after.findings.map(nameOf).sort());
  return suggestion.say;
}

test('where nothing else is in it, the style is changed', () => {
  expect(offered(`${head}${dark}${light('')}`)).toMatch(/^style faint: color: #/);
});

test.each(ways)('where a text of another view is in it %s, that is not harmed', (_, text) => {
  expect(offered(text) ?? 'nothing').not.toMatch(/^style faint/);
});
