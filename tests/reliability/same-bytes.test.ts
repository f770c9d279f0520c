import { spawnSync } from 'node:child_process';
import { resolve } from 'node:path';
import { expect, test } from '@jest/globals';

/** What the command prints of a document in another place of the world, on so many threads. */
function printed(env: Record<string, string>, threads: string): string {
  const { stdout, status } = spawnSync(
    process.execPath,
    [
      resolve('bin/pimbot.js'),
      'check',
      resolve('examples/broken/broken.yaml'),
      '--view',
      'plates',
      '--json',
      '--no-cache',
      '--no-suggest',
      '--threads',
      threads,
    ],
    { encoding: 'utf8', env: { ...process.env, NODE_OPTIONS: '', ...env } },
  );
  expect(status).toBe(1);
  return stdout;
}

test('the same bytes in other languages, time zones and on two threads', () => {
  const first = printed({ LC_ALL: 'C', TZ: 'UTC' }, '1');
  expect(JSON.parse(first)).toHaveProperty('files.0.findings.0.check');
  // Turkish has an i without a dot, Arabic other digits, and east of the date line it is tomorrow.
  expect(printed({ LC_ALL: 'tr_TR.UTF-8', TZ: 'Pacific/Kiritimati' }, '2')).toBe(first);
  expect(printed({ LC_ALL: 'ar_EG.UTF-8', TZ: 'America/St_Johns' }, '1')).toBe(first);
});
