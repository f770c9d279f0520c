import type { Range } from '../layout/index.ts';

/** What stands in two lists between a beginning and an end that they have in common. */
export function middle<One>(before: readonly One[], after: readonly One[]): Range {
  const shorter = Math.min(before.length, after.length);
  let at = 0;
  while (at < shorter && before[at] === after[at]) at++;
  let [from, to] = [before.length, after.length];
  while (from > at && to > at && before[from - 1] === after[to - 1]) {
    from--;
    to--;
  }
  return { at, removed: from - at, added: to - at };
}
