import type { Range } from '../layout/index.ts';

/** What is otherwise in an order: in the place of some that stood there one after the other, others do. */
export interface OrderChange<One> {
  /** The order after it. */
  readonly order: readonly One[];
  readonly at: number;
  readonly gone: readonly One[];
  readonly added: number;
}

/** The steps from an order to another one. @param range What is not at both ends of both. */
export function changesOf<One>(
  was: readonly One[],
  is: readonly One[],
  range: Range,
): readonly OrderChange<One>[] {
  const { at, removed, added } = range;
  const one = { order: is, at, gone: was.slice(at, at + removed), added };
  const moved = removed === added ? turnedBy(was, is, range) : 0;
  if (moved === 0) return [one];
  // The first of them are the last now, or the last the first: the fewer of both have moved.
  const [from, to, count] =
    moved <= removed - moved ? [at, at + removed - moved, moved] : [at + moved, at, removed - moved];
  const between = is.slice();
  between.splice(to, count);
  return [
    { order: between, at: from, gone: was.slice(from, from + count), added: 0 },
    { order: is, at: to, gone: [], added: count },
  ];
}

/** How many of the first in a range are the last in it now, in the same order as all others; 0 where it is not so. */
function turnedBy<One>(was: readonly One[], is: readonly One[], { at, removed }: Range): number {
  const by = was.indexOf(is[at]!, at) - at;
  if (by <= 0) return 0;
  const rest = removed - by;
  for (let n = 0; n < rest; n++) if (was[at + by + n] !== is[at + n]) return 0;
  for (let n = 0; n < by; n++) if (was[at + n] !== is[at + rest + n]) return 0;
  return by;
}
