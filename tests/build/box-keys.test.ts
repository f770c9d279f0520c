import { expect, test } from '@jest/globals';
import { boxKeys, boxOf } from '../../src/skeleton/index.ts';

test('a box follows from the keys that are said to be all of its, and from no other', () => {
  const read = new Set<string>();
  const seen = (said: object) =>
    new Proxy(said, {
      get: (target, key) => {
        read.add(String(key));
        return Reflect.get(target, key) as unknown;
      },
    });
  boxOf(seen({ arrange: 'grid' }), false);
  boxOf(seen({ kind: 'listbox', anchor: 'end top', offset: 3 }), true);
  // Which way a widget goes is handed in.
  expect([...read, 'direction'].sort()).toEqual([...boxKeys].sort());
});
