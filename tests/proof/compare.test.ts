import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, expect, test } from '@jest/globals';
import { readDocument } from 'pimbot';
import { compareProofs, proveDocument } from 'pimbot/tools';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';
import { documentOf, fonts } from '../support/views.ts';

const folder = temporaryFolder();
afterAll(folder.remove);
const region = { from: { width: 500, height: 400 }, to: { width: 1500, height: 1400 } };
const device = { density: 96, distance: 600, inputs: ['mouse'] } as const;

function proofsOf(width: number, supports = {}) {
  const look = { background: '#223344' };
  const { document } = readDocument(
    documentOf(
      [
        { id: 'left', look, anchor: 'left top', width, height: 40 },
        { id: 'right', look, anchor: 'right top', width: 400, height: 40 },
      ],
      {},
      { supports },
    ),
  );
  return proveDocument(document!, { resources: { fonts }, device, region });
}

test('says on which share of the sizes a view no longer holds, and on which it does now', () => {
  // The two meet below 400 + width px: one part in a thousand of the range for each px.
  const [narrow, wide] = [proofsOf(300), proofsOf(500)];
  const [shrunk] = compareProofs(narrow, wide);
  expect(shrunk).toEqual({
    view: 'test',
    before: expect.closeTo(0.1995),
    now: expect.closeTo(0.3995),
    lost: expect.closeTo(0.2),
    gained: 0,
  });
  const [grown] = compareProofs(wide, narrow);
  expect(grown).toMatchObject({ lost: 0, gained: expect.closeTo(0.2) });
  expect(compareProofs(narrow, narrow)[0]).toMatchObject({ lost: 0, gained: 0 });
});

test('sizes that only one of the two supports are not compared', () => {
  const [change] = compareProofs(proofsOf(300), proofsOf(500, { from: '1000x400' }));
  expect(change).toMatchObject({ before: 0, now: 0, lost: 0, gained: 0 });
});

test('pimbot compare --prove fails where a view holds on fewer sizes', async () => {
  const hud = (width: number) => `pimbot: 1
reference: { size: 1280x720, scaling: none }
views:
  dive:
    children:
      - { id: left, look: { background: "#223344" }, anchor: left top, width: ${width}, height: 40 }
      - { id: right, look: { background: "#223344" }, anchor: right top, width: 400, height: 40 }
`;
  writeFileSync(join(folder.path, 'old.yaml'), hud(250));
  writeFileSync(join(folder.path, 'new.yaml'), hud(290));
  const args = ['--prove', '--screen', 'desktop'];
  const worse = await pimbotHere(['compare', 'old.yaml', 'new.yaml', ...args], folder.path);
  expect(worse.out).toMatch(
    /✗ dive holds on 99\.\d+ % of the sizes, before on 99\.\d+ %: no longer on 0\.\d+ %/,
  );
  expect(worse.code).toBe(1);
  const better = await pimbotHere(['compare', 'new.yaml', 'old.yaml', ...args, '--json'], folder.path);
  expect(better.code).toBe(0);
  const { proved } = JSON.parse(better.out) as { proved: { view: string; lost: number; gained: number }[] };
  expect(proved[0]).toMatchObject({ view: 'dive', lost: 0 });
  expect(proved[0]!.gained).toBeGreaterThan(0);
  await pimbotHere(['baseline', 'old.yaml', '--out', 'old.json'], folder.path);
  const refused = await pimbotHere(['compare', 'old.json', 'new.yaml', ...args], folder.path);
  expect(refused).toMatchObject({ code: 2, err: expect.stringContaining('--prove needs two documents') });
});
