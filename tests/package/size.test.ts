import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
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
  // What the docs say of it is what it is, in whole kB.
  const kilobytes = (name: string) => Math.round(rows.find(({ what }) => what === name)!.bytes / 1000);
  const [game, browser] = [kilobytes('pimbot/game'), kilobytes('pimbot/browser')];
  expect(readFileSync('docs/in-a-game.md', 'utf8')).toContain(`alone: ${game} kB) | ${browser} kB |`);
  expect(readFileSync('README.md', 'utf8')).toContain(`is what a packed game needs (${game} kB gzipped)`);
});
