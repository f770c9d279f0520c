import { spawnSync } from 'node:child_process';
import { expect, test } from '@jest/globals';

test('npm run bench -- --json prints one object a line', () => {
  const env = { ...process.env, NODE_OPTIONS: '' };
  const { stdout, status } = spawnSync(
    process.execPath,
    ['scripts/bench.mjs', '--quick', '--only', 'layout', '--json'],
    {
      encoding: 'utf8',
      env,
    },
  );
  expect(status).toBe(0);
  const rows = stdout
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Record<string, unknown>);
  expect(rows.length).toBeGreaterThan(0);
  for (const row of rows) {
    expect(Object.keys(row)).toEqual(['name', 'ours', 'theirs', 'ratio', 'unit']);
    expect(row.ours as number).toBeGreaterThan(0);
    expect(row.theirs as number).toBeGreaterThan(0);
  }
});
