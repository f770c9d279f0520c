import {
  checkOf,
  fillsItsWindow,
  isCutOff,
  isLostInLists,
  pastShare,
  scrollsIn,
  sliver,
} from '../../checks/index.ts';
import { across, isUpright } from '../../scene/index.ts';
import type { Box, CellScenes } from '../cell-scenes.ts';
import { at, less, type Affine, type Point } from '../polygon.ts';
import { commonNumbers, reachesOver } from './boxes.ts';
import { both, everywhere, partsOver, type Parts } from './parts.ts';
import { lessThanShare } from './products.ts';
import type { Traced } from './traced.ts';

const { id, limit } = checkOf('cut-off');

export const cutOff: Traced = {
  check: id,
  trace(cell, fails) {
    for (const { index: widget } of cell.middle.widgets) {
      if (!isCutOff(cell.middle, widget)) continue;
      const own = cell.border(widget);
      const all = cell.cutters(widget);
      const cutters = all.filter((cutter) => isEverCut(cell, own, cutter));
      const askew = pastAskew(cell, widget);
      if (cutters.length === 0 && askew.length === 0) continue;
      let isUnsure = false;
      if (isLostInLists(cell.middle, widget)) {
        // Which of them it is that cuts it off may change in the cell.
        const lists = cell.middle.clippers(widget).map((cutter) => scrollsIn(cell.middle, cutter));
        if (!lists.includes(true)) continue;
        isUnsure = lists.includes(false);
      }
      const lost = fillsItsWindow(cell.middle, widget)
        ? partsOver(reachesOver(cell, all, own, sliver))
        : everywhere;
      const left = [own, ...cutters];
      const whole = { x: less(own.right, own.left), y: less(own.bottom, own.top) };
      const across: Affine[] = [];
      const down: Affine[] = [];
      for (const one of left)
        for (const other of left) {
          if (one === own && other === own) continue;
          across.push(less(one.right, other.left));
          down.push(less(one.bottom, other.top));
        }
      const by = (point: Point) => {
        const [wide, high] = [across, down].map((all) =>
          Math.max(0, Math.min(...all.map((one) => at(one, point)))),
        );
        return 100 * (1 - (wide! * high!) / (at(whole.x, point) * at(whole.y, point)));
      };
      for (const where of both(askew, lost)) fails({ widget, where, isUnsure: true });
      // What is left is as wide as the narrowest of these: where any of them is too small, too little is left.
      const there = commonNumbers([own]);
      for (const part of lessThanShare(across, down, whole, 1 - pastShare(limit) / 100))
        for (const where of both([[...part.where, ...there]], lost))
          fails({ widget, where, by, isUnsure: part.isUnsure || isUnsure });
    }
  },
};

/**
 * Where a widget reaches past what cuts it off and is turned otherwise, by no right angle: less is left of it than of the upright
 * rectangle around, and how much less is not known.
 */
function pastAskew(cell: CellScenes, widget: number): Parts {
  const { middle } = cell;
  if (middle.cutters(widget).every(({ index }) => isUpright(across(middle, widget, index)))) return [];
  return cell
    .cutFrom(widget, (subject) => subject.rect(widget))
    .flatMap(({ cutter, own }) => partsOver(reachesOver(cell, [own], cutter, 0)));
}

/** Whether some of a box lies beyond another on any screen of a cell. */
function isEverCut(cell: CellScenes, own: Box, cutter: Box): boolean {
  return reachesOver(cell, [own], cutter, 0).length > 0;
}
