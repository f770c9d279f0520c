import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import { openView, readDocument, type DocumentSource } from 'pimbot';
import { proveDocument, type Device, type Region } from 'pimbot/tools';
import { makeCase } from '../conformance/generator.ts';
import { pimbotHere, temporaryFolder, unwrapped } from '../support/cli.ts';
import { isDeep, rounds, seedOf } from '../support/deep.ts';
import { fonts } from '../support/views.ts';
import { apartOf, failsOn } from './judge.ts';

const small: Region = { from: { width: 320, height: 240 }, to: { width: 800, height: 600 } };
const mouse: Device = { density: 96, distance: 600, inputs: ['mouse'] };

const look = { background: '#223344' };
const source: DocumentSource = {
  pimbot: 1,
  reference: { scaling: 'none' },
  views: {
    v: {
      children: [
        { 'id': 'left', look, 'anchor': 'left top', 'width': '40%', 'min-width': 300, 'height': 40 },
        {
          id: 'right',
          look,
          anchor: 'right top',
          width: 400,
          height: 40,
          when: [{ screen: { height: '..400' }, change: { anchor: 'right bottom' } }],
        },
      ],
    },
  },
};

test('a border is drawn by a limit that is reached, or by what is decided in another way beyond it', () => {
  const { document } = readDocument(source);
  const region = { from: { width: 320, height: 200 }, to: { width: 1280, height: 800 } };
  const [proof] = proveDocument(document!, { resources: { fonts }, device: mouse, region });
  const overlap = proof!.failures.find(({ finding }) => finding.check === 'overlap')!;
  const told = overlap.borders.map(({ from, to, kind, reasons }) => ({
    kind,
    x: [from.x, to.x].map(Math.round).sort((a, b) => a - b),
    y: [from.y, to.y].map(Math.round).sort((a, b) => a - b),
    pointers: [...new Set(reasons.map(({ pointer }) => pointer))],
  }));
  // 300 and 400 meet at 700; up to a height of 400 the right one stands elsewhere.
  expect(told[0]).toMatchObject({ kind: 'limit', x: [700, 700], y: [400, 800] });
  expect(told[1]).toMatchObject({
    kind: 'change',
    y: [400, 400],
    pointers: ['/views/v/children/1/when/0/change/anchor'],
  });
  expect(overlap.borders[1]!.reasons.some(({ text }) => text.startsWith('right: top edge'))).toBe(true);
});

test('on single sizes beside a border the checks say the same: it fails on this side and not on that', () => {
  const first = seedOf(61);
  let asked = 0;
  const count = rounds(12, 200);
  for (let seed = first; seed < first + count; seed++) {
    const children = makeCase(seed).children.map((one) => ({ ...one, look }));
    const { document } = readDocument({
      pimbot: 1,
      reference: { scaling: 'none' },
      views: { v: { children } },
    });
    const open = () => openView(document!, 'v', { resources: { fonts } });
    const [proof] = proveDocument(document!, { resources: { fonts }, device: mouse, region: small });
    for (const { finding, borders } of proof!.failures) {
      const { check, widget } = finding;
      const apart = apartOf(finding);
      for (const { from, to, inside, beyond } of borders) {
        // Where it fails, the check may tell of an edge over which more of it reaches.
        const says = [
          failsOn(open(), mouse, inside, finding),
          failsOn(open(), mouse, beyond, finding, apart),
        ];
        expect([seed, check, widget, from, to, says]).toEqual([seed, check, widget, from, to, [true, false]]);
        asked++;
      }
    }
  }
  // Most views by chance hold everywhere, or nowhere.
  expect(asked).toBeGreaterThan(isDeep ? count / 6 : 10);
});

test('the command tells them, and machines too', async () => {
  const folder = temporaryFolder();
  writeFileSync(join(folder.path, 'hud.json'), JSON.stringify(source, null, 1));
  const args = ['prove', 'hud.json', '--from', '320x200', '--to', '1280x800'];
  const { out } = await pimbotHere([...args, '--verbose'], folder.path);
  expect(unwrapped(out)).toMatch(
    /ends from 700 × 400 to 700 × 800: beyond, the same sums stay within the limit hud\.json:\d+:\d+/,
  );
  expect(unwrapped(out)).toMatch(
    /ends from \d+ × 400 to \d+ × 400: beyond, right: top edge .* hud\.json:\d+:\d+/,
  );
  const json = JSON.parse((await pimbotHere([...args, '--json'], folder.path)).out) as {
    files: { views: { failures: { borders: { kind: string; reasons: { place: string }[] }[] }[] }[] }[];
  };
  const borders = json.files[0]!.views[0]!.failures.flatMap((one) => one.borders);
  expect(new Set(borders.map(({ kind }) => kind))).toEqual(new Set(['limit', 'change']));
  expect(borders.every(({ reasons }) => reasons.every(({ place }) => /^hud\.json:\d+/.test(place)))).toBe(
    true,
  );
  folder.remove();
});
