import { readFileSync, writeFileSync } from 'node:fs';
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

/** A document whose two widgets meet on small screens. */
const rows = (width: number) => `pimbot: 1
reference: { size: 1280x720, scaling: none }
views:
  dive:
    children:
      - { id: left, look: { background: "#223344" }, anchor: left top, width: ${width}, height: 40 }
      - { id: right, look: { background: "#223344" }, anchor: right top, width: 400, height: 40 }
`;

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
    dropped: 0,
    added: 0,
  });
  const [grown] = compareProofs(wide, narrow);
  expect(grown).toMatchObject({ lost: 0, gained: expect.closeTo(0.2) });
  expect(compareProofs(narrow, narrow)[0]).toMatchObject({ lost: 0, gained: 0 });
});

test('sizes that only one of the two supports are told as such, and not compared', async () => {
  const [all, wide] = [proofsOf(300), proofsOf(500, { from: '1000x400' })];
  const same = { before: 0, now: 0, lost: 0, gained: 0 };
  // 1,000 of 500 to 1,500 px wide: a half.
  expect(compareProofs(all, wide)).toEqual([
    { view: 'test', ...same, dropped: expect.closeTo(0.5), added: 0 },
  ]);
  expect(compareProofs(wide, all)).toEqual([
    { view: 'test', ...same, dropped: 0, added: expect.closeTo(0.5) },
  ]);
  const low = proofsOf(300, { to: '900x1400' });
  expect(compareProofs(low, wide)).toEqual([{ view: 'test', ...same, dropped: 1, added: 1 }]);
  writeFileSync(join(folder.path, 'all.yaml'), rows(250));
  const half = 'dive:\n    supports: { from: 4160x360 }';
  writeFileSync(join(folder.path, 'half.yaml'), rows(250).replace('dive:', half));
  const args = ['all.yaml', 'half.yaml', '--prove', '--screen', '7680x4320'];
  const { code, out } = await pimbotHere(['compare', ...args], folder.path);
  expect(out).toContain(
    '~ dive holds on 100 % of the sizes that both support, before on 100 %: as before; it supports 50 % of its sizes no more'.replace(
      ', before on 100 %: as before',
      ', as before',
    ),
  );
  expect(code).toBe(0);
  expect((await pimbotHere(['compare', ...args, '--exact'], folder.path)).code).toBe(1);
});

test('pimbot compare --prove fails where a view holds on fewer sizes', async () => {
  writeFileSync(join(folder.path, 'old.yaml'), rows(250));
  writeFileSync(join(folder.path, 'new.yaml'), rows(290));
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
});

test('a baseline keeps on which sizes views hold, and is compared as the document itself would be', async () => {
  const here = (...args: string[]) => pimbotHere([...args, '--screen', 'desktop'], folder.path);
  const compared = (old: string, ...args: string[]) => here('compare', old, 'now.yaml', '--prove', ...args);
  writeFileSync(join(folder.path, 'was.yaml'), rows(250));
  writeFileSync(join(folder.path, 'now.yaml'), rows(290));
  const saved = await here('baseline', 'was.yaml', '--prove', '--out', 'proved.json');
  expect(saved).toMatchObject({ code: 0, out: 'proved.json: 1 layout, 0 findings, 1 proof\n' });
  const [kept, itself] = [await compared('proved.json'), await compared('was.yaml')];
  expect(kept.code).toBe(1);
  expect(kept.out).toMatch(/✗ dive holds on 99\.\d+ % of the sizes.*no longer on 0\.\d+ %/);
  const about = (out: string) => out.slice(out.indexOf('On every size'));
  expect(about(kept.out)).toBe(about(itself.out));
  // It is found to be the same as itself, though its corners are kept to a thousandth of a px.
  const same = await here('compare', 'proved.json', 'was.yaml', '--prove');
  expect(same).toMatchObject({ code: 0, out: expect.stringContaining('= dive holds on') });

  await here('baseline', 'was.yaml', '--out', 'plain.json');
  const refused = (err: string) => ({ code: 2, out: '', err: expect.stringContaining(err) });
  expect(await compared('plain.json')).toMatchObject(refused('the baseline keeps no proof'));
  expect(await compared('proved.json', '--locale', 'en-XA')).toMatchObject(
    refused('the baseline was proved in all locales, and this asks for en-XA'),
  );
  const whole = readFileSync(join(folder.path, 'proved.json'), 'utf8');
  writeFileSync(join(folder.path, 'cut.json'), whole.replace(/"region":\[\[\d+/, '"region":[["640"'));
  expect(await compared('cut.json')).toMatchObject(refused('a baseline that was changed or cut short'));
});
