import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import { makeScreen, openView, readDocument, type DocumentSource } from 'pimbot';
import { bundledFonts } from 'pimbot/node';
import { checkView, desktop, everySize, proveDocument } from 'pimbot/tools';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';

const theme = (ink: string) => ({
  'pimbot-theme': 1,
  'styles': { note: { 'font-size': 30, 'color': ink } },
});
const files: Record<string, object> = { 'day.json': theme('#ffffff'), 'dusk.json': theme('#6d7a80') };
const source: DocumentSource = {
  pimbot: 1,
  reference: { size: '1920x1080', scaling: 'contain' },
  themes: { day: 'day.json', dusk: 'dusk.json' },
  views: {
    notes: {
      backdrop: '#04202a',
      children: [
        {
          id: 'tide',
          kind: 'text',
          text: 'Low water at six',
          style: 'note',
          anchor: 'left top',
          offset: '40 40',
        },
        {
          id: 'far',
          anchor: 'right bottom',
          offset: '-40 -40',
          size: '300 40',
          look: { background: '#58bfb0' },
        },
      ],
    },
  },
};
const { document } = readDocument(source, {
  readFile: (path) => ({ text: JSON.stringify(files[path]), name: path }),
});
const resources = { fonts: bundledFonts() };

function seenIn(themes: readonly string[]) {
  const [proof] = proveDocument(document!, { resources, themes, device: desktop, region: everySize });
  return proof!.seen;
}

test('what follows from colours is told of each theme, though sizes are proved once for both', () => {
  const both = seenIn(['day', 'dusk']);
  const apart = ['day', 'dusk'].flatMap((name) => seenIn([name]));
  const said = (some: typeof both) =>
    some
      .flatMap((one) => one.occurrences.map((at) => [one.check, one.widget, at.theme, at.screen].join(' ')))
      .sort();
  expect(said(both)).toEqual(said(apart));
  expect(both.map(({ check, occurrences }) => [check, occurrences.map((at) => at.theme)])).toContainEqual([
    'low-contrast',
    ['dusk'],
  ]);
});

test('it is told on a screen of whole px on which the check says the same, where it is worst of those it was asked on', () => {
  const coarse = seenIn(['day']).find(({ check }) => check === 'coarse-text')!;
  const { screen, measured, theme: name } = coarse.worst;
  const [width, height] = screen.split('x').map(Number) as [number, number];
  expect([width, height].every(Number.isInteger)).toBe(true);
  const view = openView(document!, 'notes', { resources, theme: name });
  const there = checkView(view, [
    makeScreen({ name: screen, width, height, density: 92, distance: 600, inputs: ['mouse', 'keys'] }),
  ]);
  expect(there.find(({ check }) => check === 'coarse-text')!.worst.measured).toBe(measured);
  // It is asked at the corners of the range too: on the smallest size it is worst.
  expect(screen).toBe('640x360');
});

test('the command tells it with its theme and its line', async () => {
  const folder = temporaryFolder();
  try {
    for (const [name, file] of Object.entries({ ...files, 'hud.json': source }))
      writeFileSync(join(folder.path, name), JSON.stringify(file, null, 1));
    const { out } = await pimbotHere(['prove', 'hud.json', '--verbose'], folder.path);
    expect(out.replace(/\s+/g, ' ')).toMatch(
      /seen on \d+x\d+ in the theme dusk: tide has text with contrast [\d.]+:1, minimum [\d.]+:1 \[low-contrast\] hud\.json:\d+:\d+/,
    );
  } finally {
    folder.remove();
  }
});
