import { checkOf, isPlacedLater } from '../../checks/index.ts';
import { reachesOver } from './boxes.ts';
import type { Traced } from './traced.ts';

const { id, limit } = checkOf('off-screen');

export const offScreen: Traced = {
  check: id,
  trace(cell, fails) {
    const screen = cell.box(({ screenRect }) => screenRect);
    for (const widget of cell.form.painted) {
      if (cell.reach(widget).over <= limit || isPlacedLater(cell.middle, widget)) continue;
      const seen = cell.seen(widget);
      for (const { edge, over, where } of reachesOver(cell, seen, screen, limit))
        fails({ widget, apart: edge, where: where.common(seen).numbers, by: over });
    }
  },
};
