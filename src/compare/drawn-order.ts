import type { SeenView, SeenWidget } from './snapshot.ts';

/**
 * Widgets that are drawn over or under others they lie on, other than before: as few as account for all that is so. One that lies on
 * nothing can be drawn at any time.
 */
export function drawnOtherwise(was: SeenView, is: SeenView): readonly SeenWidget[] {
  const old = new Map(was.widgets.map((widget) => [widget[0], widget]));
  const both = is.widgets
    .filter(([id]) => old.has(id))
    .map((now) => ({ now, before: old.get(now[0])! }))
    .sort((a, b) => a.now[drawnAt] - b.now[drawnAt]);
  // The cheap test first: most views are drawn in the order of before.
  if (both.every(({ before }, nth) => nth === 0 || both[nth - 1]!.before[drawnAt] < before[drawnAt]))
    return [];
  const crossed = new Map<SeenWidget, Set<SeenWidget>>();
  const note = (one: SeenWidget, other: SeenWidget) =>
    (crossed.get(one) ?? crossed.set(one, new Set()).get(one)!).add(other);
  both.forEach((above, nth) => {
    for (const below of both.slice(0, nth)) {
      if (below.before[drawnAt] < above.before[drawnAt]) continue;
      if (!meet(above.now, below.now) && !meet(above.before, below.before)) continue;
      note(above.now, below.now);
      note(below.now, above.now);
    }
  });
  const told: SeenWidget[] = [];
  while (crossed.size > 0) {
    const [most, others] = [...crossed].reduce((a, b) => (b[1].size > a[1].size ? b : a));
    crossed.delete(most);
    for (const other of others) {
      const left = crossed.get(other);
      left?.delete(most);
      if (left?.size === 0) crossed.delete(other);
    }
    told.push(most);
  }
  return told;
}

/** Where a widget says how late it is drawn. */
const drawnAt = 9;

/** Whether two boxes have an area in common. */
function meet([, , ax, ay, aw, ah]: SeenWidget, [, , bx, by, bw, bh]: SeenWidget): boolean {
  return ax < bx + bw && bx < ax + aw && ay < by + bh && by < ay + ah;
}
