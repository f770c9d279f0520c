import { checkOf, isPlacedLater, mayBleed } from '../../checks/index.ts';
import { reachesOver } from './boxes.ts';
import type { Traced } from './traced.ts';

const { id, limit } = checkOf('outside-safe-area');

export const outsideSafeArea: Traced = {
  check: id,
  trace(cell, fails) {
    const { safe } = cell.middle.screen;
    if (safe.left + safe.right + safe.top + safe.bottom === 0) return;
    const screen = cell.box(({ screenRect }) => screenRect);
    const inner = cell.box(({ safeRect }) => safeRect);
    for (const widget of cell.form.painted) {
      if (mayBleed(cell.middle, cell.middle.widgets[widget]!) || isPlacedLater(cell.middle, widget)) continue;
      // What lies outside of the screen is the business of another check.
      const seen = [...cell.seen(widget), screen];
      for (const { edge, over, where } of reachesOver(cell, seen, inner, limit))
        fails({ widget, apart: edge, where: where.common(seen).numbers, by: over });
    }
  },
};
