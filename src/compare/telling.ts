import type { ChangedLayout, Comparison } from './compare.ts';

/**
 * The layouts of a view that tell most of what changed: each shows as much as can be of what those before it do not, on a screen
 * of its own; of equal ones the plainest, which were made first.
 * @param most How many at the most.
 */
export function tellingLayouts(
  { changed }: Comparison,
  view: string,
  most: number,
): readonly ChangedLayout[] {
  const left = changed.filter(({ at }) => at.view === view);
  const told = new Set<number>();
  const chosen: ChangedLayout[] = [];
  while (chosen.length < most) {
    let best: ChangedLayout | undefined;
    let gain = 0;
    for (const one of left) {
      if (chosen.some(({ at }) => at.screen === one.at.screen)) continue;
      const more = one.changes.reduce((sum, change) => sum + (told.has(change) ? 0 : 1), 0);
      if (more > gain) [best, gain] = [one, more];
    }
    if (!best) break;
    chosen.push(best);
    for (const change of best.changes) told.add(change);
  }
  return chosen;
}
