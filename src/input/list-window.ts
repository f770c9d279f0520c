/** A list of entries of one size, of which only some are to be built. */
export interface LongList {
  /** How many entries there are. */
  readonly count: number;
  /** The length of an entry with the gap after it, in u. */
  readonly each: number;
  /** How far it is scrolled, and how much of it is shown, in u. */
  readonly at: number;
  readonly shown: number;
  /** Entries that are built beyond both ends; 2 if left out. */
  readonly more?: number;
  /** How often all entries come one after the other; 1 if left out. A list that starts in the middle of 2,001 turns has no end for players. */
  readonly turns?: number;
}

export interface ListWindow {
  /** The first entry that is built, counted from 0, and the one after the last; over all turns, so that `nth % count` is which it is. */
  readonly from: number;
  readonly to: number;
  /** The room that those before and after it take, in u. */
  readonly before: number;
  readonly after: number;
}

/** Which entries of a long list are to be built, and the room the others take: thousands of entries cost no more than those one sees. */
export function listWindow({ count, each, at, shown, more = 2, turns = 1 }: LongList): ListWindow {
  const all = count * turns;
  const last = Math.max(0, all - 1);
  const first = each > 0 ? Math.floor(at / each) - more : 0;
  const from = Math.max(0, Math.min(first, last));
  const length = each > 0 ? Math.ceil(shown / each) + 1 + 2 * more : all;
  const to = Math.min(all, from + length);
  return { from, to, before: from * each, after: (all - to) * each };
}
