import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';

const blocks = ['live', 'input'].flatMap((page) =>
  [...readFileSync(`docs/${page}.md`, 'utf8').matchAll(/```js\n([^]*?)```/g)].map(
    ([, block], nth) => [page, nth + 1, block!] as const,
  ),
);

test.each(blocks)('of docs/%s.md example %i runs as it stands there', (_page, _nth, block) => {
  const { stderr, status } = spawnSync(process.execPath, ['--input-type=module', '--eval', block], {
    encoding: 'utf8',
    env: { ...process.env, NODE_OPTIONS: '' },
  });
  expect(stderr).toBe('');
  expect(status).toBe(0);
});

test('there are examples', () => {
  expect(blocks.length).toBe(4);
});
