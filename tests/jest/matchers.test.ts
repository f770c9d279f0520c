import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, expect, test } from '@jest/globals';
import { pimbotMatchers } from 'pimbot/jest';
import { openProject } from 'pimbot/node';
import { temporaryFolder } from '../support/cli.ts';
import { documentOf, opened } from '../support/views.ts';

const folder = temporaryFolder();
afterAll(folder.remove);

const hud = `pimbot: 1
reference: { size: 1280x720, scaling: none }
views:
  dive:
    children:
      - { id: sonar, look: { background: "#223344" }, anchor: right bottom, offset: -24 -24, size: 280 }
      - { id: depth, look: { background: "#223344" }, anchor: right top, offset: 30 24, width: 200, height: 40 }
`;

function fileOf(name: string, text: string): string {
  const path = join(folder.path, name);
  writeFileSync(path, text);
  return path;
}

test('a red message has the line of the document, and a change that was tried', async () => {
  const project = await openProject(fileOf('hud.yaml', hud));
  const answer = pimbotMatchers.toPassOnScreens(project.view('dive'), { screens: ['desktop'] });
  expect(answer.pass).toBe(false);
  // Word for word what docs/jest.md shows.
  const [shown] = /^expected the view[^]*?(?=^```)/m.exec(readFileSync('docs/jest.md', 'utf8'))!;
  expect(answer.message().replaceAll(`${folder.path}/`, '')).toBe(shown.trimEnd());
});

test('a view of a document with errors throws all of them, with their lines', async () => {
  const wrong = await openProject(
    fileOf('slip.yaml', hud.replace('size: 280', 'size: large').replace('width: 200', 'wdith: 200')),
  );
  expect(() => wrong.view('dive')).toThrow(/slip\.yaml:6:[^]*slip\.yaml:7:/);
  const project = await openProject(fileOf('hud.yaml', hud));
  expect(() => project.view('dvie')).toThrow('did you mean "dive"');
});

test('a check that does not exist is an error', () => {
  const view = opened(documentOf([]));
  expect(() => pimbotMatchers.toPassOnScreens(view, { checks: ['overlpa' as never] })).toThrow(
    'did you mean "overlap"',
  );
});

test('a view that supports no screen does not pass for want of one', () => {
  const view = opened(documentOf([], {}, { supports: { from: '9000x9000' } }));
  expect(() => pimbotMatchers.toPassOnScreens(view)).toThrow('test supports no screen of the catalogue');
});

test('what always holds is an error: a promise of nothing, no check, no screen', () => {
  const view = opened(documentOf([{ id: 'a', size: 9 }]));
  expect(() => pimbotMatchers.toPassOnScreens(view, { checks: [] })).toThrow('no check is named');
  const mistyped = { screns: ['desktop'] } as object;
  const said = 'there is no option "screns"; did you mean "screens"?';
  expect(() => pimbotMatchers.toPassOnScreens(view, mistyped)).toThrow(said);
  expect(() => pimbotMatchers.toKeepWithin(view, 'depth', 'screen', mistyped)).toThrow(said);
  expect(() => pimbotMatchers.toHoldOnEverySize(view, { form: 1 } as object)).toThrow('did you mean "from"?');
  expect(() => pimbotMatchers.toPassOnScreens(view, { screens: [] })).toThrow('no screen is named');
  expect(() => pimbotMatchers.toKeepPromise(view, { widget: 'a' })).toThrow('this promises nothing');
  expect(() => pimbotMatchers.toNeverOverlap(view, ['a'])).toThrow('only of two or more widgets');
});

test('what is not proved cannot be asked to hold on every size', () => {
  const view = opened(documentOf([]));
  const ask = () => pimbotMatchers.toHoldOnEverySize(view, { checks: ['low-contrast'] });
  expect(ask).toThrow('there is no check "low-contrast"');
});

test('that a view holds on every size is proved, or said where it does not', () => {
  const look = { background: '#223344' };
  const pair = opened(
    documentOf([
      { id: 'left', look, anchor: 'left top', width: 300, height: 40 },
      { id: 'right', look, anchor: 'right top', width: 400, height: 40 },
    ]),
  );
  const wide = { from: { width: 700, height: 400 }, to: { width: 4000, height: 2000 } };
  expect(pimbotMatchers.toHoldOnEverySize(pair, wide).pass).toBe(true);
  const told = pimbotMatchers.toHoldOnEverySize(pair, { ...wide, from: { width: 698, height: 400 } });
  expect(told.pass).toBe(false);
  expect(told.message()).toMatch(
    /to hold on every size from 698 × 400 to 4000 × 2000, but:\n {2}✗ left overlaps right by /,
  );
  // Values of a test are part of the view that is proved.
  const words = opened(
    documentOf([{ id: 'name', kind: 'text', text: '{who}', wrap: false, width: 120 }], {
      cases: { one: { who: 'Ida' } },
    }),
  );
  expect(pimbotMatchers.toHoldOnEverySize(words, wide).pass).toBe(true);
  expect(
    pimbotMatchers.toHoldOnEverySize(
      words.with({ values: new Map([['who', 'Idalinda of the three lamps']]) }),
      wide,
    ).pass,
  ).toBe(false);
});
