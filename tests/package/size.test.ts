import { spawnSync } from 'node:child_process';
import { expect, test } from '@jest/globals';

test('what a game loads keeps to its budget', () => {
  const env = { ...process.env, NODE_OPTIONS: '' };
  const { stdout, status } = spawnSync(process.execPath, ['scripts/size.mjs', '--json'], {
    encoding: 'utf8',
    env,
  });
  const rows = JSON.parse(stdout) as { what: string; bytes: number; most: number }[];
  for (const { what, bytes, most } of rows) expect([what, bytes <= most]).toEqual([what, true]);
  expect(rows.map(({ what }) => what)).toContain('pimbot/game');
  expect(status).toBe(0);
});
