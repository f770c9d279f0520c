import { expect, test } from '@jest/globals';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { isDeep } from '../support/deep.ts';

// so many pairs are more than a check compares, `npm run deep` alone does it.
(isDeep ? test : test.skip)('more in one place than a check compares is not proved, and said', async () => {
  const folder = temporaryFolder();
  const plate = { 'size': [100, 60], 'look': { background: '#345' }, 'may-overlap': true };
  const children = Array.from({ length: 2900 }, (_, nth) => ({ id: `plate-${nth}`, ...plate }));
  const source = { pimbot: 1, views: { hold: { backdrop: '#000', children } } };
  writeFileSync(join(folder.path, 'hold.json'), JSON.stringify(source));
  const { out, err } = await pimbotHere(['prove', 'hold.json'], folder.path);
  folder.remove();
  expect(err).toBe('');
  expect(out).toMatch(
    /not proved: overlap, on 100 % of the sizes: so much lies in one place that not all\s+of it was compared/,
  );
});
