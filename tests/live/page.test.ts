import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';

const page = readFileSync('docs/live.md', 'utf8');
const blocks = [...page.matchAll(/```js\n([^]*?)```/g)].map(([, block]) => block!);

test.each(blocks.map((block, nth) => [nth + 1, block] as const))(
  'example %i of docs/live.md runs as it stands there',
  (_, block) => {
    const { stderr, status } = spawnSync(process.execPath, ['--input-type=module', '--eval', block], {
      encoding: 'utf8',
      env: { ...process.env, NODE_OPTIONS: '' },
    });
    expect(stderr).toBe('');
    expect(status).toBe(0);
  },
);

test('there are examples', () => {
  expect(blocks.length).toBe(3);
});
