/* Lists with an entry a widget in which some widgets take the place of others: all that stand behind them move. */

/** Entries from an index on that others take the place of. */
export interface Range {
  readonly at: number;
  readonly removed: number;
  readonly added: number;
}

/** A list of numbers that has room for more than it holds. */
export type Entries = Float64Array | Int32Array | Uint32Array | Uint16Array | Uint8Array;

/** Makes room for what is added, filled with 0. @param count Of all entries, before. */
export function replaceEntries(entries: Entries, { at, removed, added }: Range, count: number): void {
  if (added !== removed) entries.copyWithin(at + added, at + removed, count);
  if (added > 0) entries.fill(0, at, at + added);
}

/** Puts entries in the place of others. */
export function replaceItems<Item>(list: Item[], at: number, removed: number, added: readonly Item[]): void {
  // More cannot be handed over one by one.
  const most = 1000;
  if (added.length <= most) {
    list.splice(at, removed, ...added);
    return;
  }
  const behind = list.slice(at + removed);
  list.length = at;
  for (const one of added) list.push(one);
  for (const one of behind) list.push(one);
}

/** Drops what is known of entries that are removed; what is known of those behind them is known of where they stand then. */
export function replaceKeys<Value>(known: Map<number, Value>, range: Range): void {
  if (known.size === 0) return;
  const all = [...known];
  known.clear();
  for (const [n, value] of all) {
    const moved = movedIndex(n, range);
    if (moved >= 0) known.set(moved, value);
  }
}

/** Where the entry of an index stands afterwards; −1 where it is removed. */
export function movedIndex(n: number, { at, removed, added }: Range): number {
  if (n < at) return n;
  return n < at + removed ? -1 : n + added - removed;
}
