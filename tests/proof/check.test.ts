import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { reportSchema } from 'pimbot/tools';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';

const folder = temporaryFolder();
const hud = `pimbot: 1
reference: { size: 1280x720, scaling: none }
views:
  dive:
    children:
      - { id: sonar, look: { background: "#223344" }, anchor: right bottom, offset: -24 -24, size: 280 }
      - { id: depth, look: { background: "#223344" }, anchor: right top, offset: 30 24, width: 200, height: 40 }
      - { id: log, look: { background: "#223344" }, anchor: left top, offset: 24 24, width: 460, height: 40 }
`;
beforeAll(() => writeFileSync(join(folder.path, 'hud.yaml'), hud));
afterAll(folder.remove);

test('check --prove says of every change whether it holds on every size, and proves the views', async () => {
  const args = ['check', 'hud.yaml', '--screen', 'desktop', '--prove'];
  const { out, code } = await pimbotHere(args, folder.path);
  const flat = out.replace(/\s+/g, ' ');
  expect(flat).toContain('try depth: offset: 0 24');
  // Off the screen no more, however wide that is.
  expect(flat).toContain('proved on every size from 640 × 360 to 7680 × 4320');
  expect(flat).toMatch(/✗ dive fails on 100 % of the sizes/);
  expect(flat).toContain('Proved: off-screen, ');
  expect(code).toBe(1);
});

test('its JSON is a report, with the proof beside the files', async () => {
  const args = ['check', 'hud.yaml', '--screen', 'desktop', '--prove', '--json', '--report', 'out.json'];
  const { out } = await pimbotHere(args, folder.path);
  const report = JSON.parse(out) as {
    proof: { 'pimbot-proof': number; 'files': { views: { view: string }[] }[] };
  };
  const validate = new Ajv2020({ strict: false }).compile(reportSchema);
  expect(validate(report) ? [] : validate.errors).toEqual([]);
  expect(report.proof['pimbot-proof']).toBe(1);
  expect(report.proof.files[0]!.views[0]!.view).toBe('dive');
  expect(readFileSync(join(folder.path, 'out.json'), 'utf8')).toBe(out);
});

test('a shard proves nothing', async () => {
  const args = ['check', 'hud.yaml', '--prove', '--shard', '1/2', '--out', 'part.json'];
  const { code, err } = await pimbotHere(args, folder.path);
  expect({ code, err }).toMatchObject({ code: 2, err: expect.stringContaining('a --shard proves nothing') });
});
