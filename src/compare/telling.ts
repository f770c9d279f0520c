import type { ChangedLayout, Comparison } from './compare.ts';

/** A plain layout that shows this share of what another one does is rather drawn. */
const enough = 0.8;

/**
 * The layouts of a view that tell most of what changed: each shows much of what those before it do not, on a screen of its own;
 * of those that show nearly as much, the plainest, which was made first.
 * @param count How many at the most.
 */
export function tellingLayouts(
  { changed }: Comparison,
  view: string,
  count: number,
): readonly ChangedLayout[] {
  const left = changed.filter(({ at }) => at.view === view);
  const told = new Set<number>();
  const chosen: ChangedLayout[] = [];
  while (chosen.length < count) {
    const seen = new Set(chosen.map(({ at }) => at.screen));
    const gains = left.map((one) =>
      seen.has(one.at.screen) ? 0 : one.changes.reduce((sum, change) => sum + (told.has(change) ? 0 : 1), 0),
    );
    const most = gains.reduce((largest, gain) => Math.max(largest, gain), 0);
    if (most === 0) break;
    const best = left[gains.findIndex((gain) => gain >= enough * most)]!;
    chosen.push(best);
    for (const change of best.changes) told.add(change);
  }
  return chosen;
}
