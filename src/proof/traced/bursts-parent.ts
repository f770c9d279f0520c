import { checkOf, isHeld } from '../../checks/index.ts';
import { enlargedBox } from '../cell-scenes.ts';
import { reachesOver } from './boxes.ts';
import type { Traced } from './traced.ts';

const { id, limit } = checkOf('bursts-parent');

export const burstsParent: Traced = {
  check: id,
  trace(cell, fails) {
    for (const widget of cell.middle.widgets) {
      const { index, parent } = widget;
      if (!isHeld(cell.middle, widget)) continue;
      const own = [cell.outlineIn(index, parent)];
      const outer = enlargedBox(cell.border(parent), cell.form.scale[parent]!);
      for (const { edge, over, where } of reachesOver(cell, own, outer, limit))
        fails({
          widget: index,
          other: parent,
          apart: edge,
          where: where.common([cell.border(index)]).numbers,
          by: over,
        });
    }
  },
};
