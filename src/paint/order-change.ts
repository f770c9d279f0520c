import { middle } from './middle.ts';

/** What is otherwise in an order: in the place of some that stood there one after the other, others do. */
export interface OrderChange<One> {
  /** The order after it; what stands before it there may still be to change. */
  readonly order: readonly One[];
  readonly at: number;
  readonly gone: readonly One[];
  readonly added: number;
}

/** The steps from an order to another one, and who of those in both lies elsewhere among the others. */
export function changesOf<One>(
  was: readonly One[],
  is: readonly One[],
  gone: ReadonlySet<One>,
  come: ReadonlySet<One>,
): { readonly changes: readonly OrderChange<One>[]; readonly moved: readonly One[] } {
  const range = middle(was, is);
  const { at, removed, added } = range;
  const [toWas, toIs] = [at + removed, at + added];
  const changes: OrderChange<One>[] = [];
  for (let [from, to] = [at, at]; from < toWas || to < toIs; from++, to++) {
    const [first, start] = [from, to];
    while (from < toWas && gone.has(was[from]!)) from++;
    while (to < toIs && come.has(is[to]!)) to++;
    if (from > first || to > start)
      changes.push({ order: is, at: start, gone: was.slice(first, from), added: to - start });
    if (from < toWas && was[from] !== is[to]) return movedChanges(was, is, at, toWas, toIs, gone, come);
  }
  // From the back: where the others stand does not change.
  return { changes: changes.reverse(), moved: [] };
}

/** The same where some of those that stay lie elsewhere, in a range of both orders. */
function movedChanges<One>(
  was: readonly One[],
  is: readonly One[],
  at: number,
  toWas: number,
  toIs: number,
  gone: ReadonlySet<One>,
  come: ReadonlySet<One>,
): ReturnType<typeof changesOf<One>> {
  const count = toWas - at;
  const by = toIs === toWas ? turnedBy(was, is, at, count) : 0;
  if (by > 0) {
    // The first of them are the last now, or the last the first: the fewer of both have moved.
    const isFirst = by <= count - by;
    const [from, to, size] = isFirst ? [at, toWas - by, by] : [at + by, at, count - by];
    const between = is.slice();
    between.splice(to, size);
    const moved = was.slice(from, from + size);
    const changes = [
      { order: between, at: from, gone: moved, added: 0 },
      { order: is, at: to, gone: [], added: size },
    ];
    return { changes, moved };
  }
  const moved: One[] = [];
  let next = at;
  for (let n = at; n < toWas; n++) {
    if (gone.has(was[n]!)) continue;
    while (next < toIs && come.has(is[next]!)) next++;
    if (was[n] !== is[next]) moved.push(was[n]!);
    next++;
  }
  return { changes: [{ order: is, at, gone: was.slice(at, toWas), added: toIs - at }], moved };
}

/** How many of the first in a range are the last in it now, in the same order as all others; 0 where it is not so. */
function turnedBy<One>(was: readonly One[], is: readonly One[], at: number, count: number): number {
  const by = was.indexOf(is[at]!, at) - at;
  if (by <= 0) return 0;
  const rest = count - by;
  for (let n = 0; n < rest; n++) if (was[at + by + n] !== is[at + n]) return 0;
  for (let n = 0; n < by; n++) if (was[at + n] !== is[at + rest + n]) return 0;
  return by;
}
