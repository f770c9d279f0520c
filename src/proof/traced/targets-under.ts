import { usableControls } from '../../checks/index.ts';
import { less, negative, plus } from '../polygon.ts';
import { enlargedBox, type CellScenes } from '../cell-scenes.ts';
import type { Failing } from './traced.ts';
import { Where } from './where.ts';

/** Where what is left of a control is less than so many px high or wide. */
export function targetsUnder(cell: CellScenes, least: number, fails: (failing: Failing) => void): void {
  for (const widget of usableControls(cell.middle)) {
    const times = cell.form.scale[widget]!;
    const left = [cell.border(widget), ...cell.cutters(widget)].map((box) => enlargedBox(box, times));
    for (const one of left)
      for (const other of left)
        for (const side of [less(one.right, other.left), less(one.bottom, other.top)]) {
          const by = plus(negative(side), least);
          fails({ widget, where: new Where(cell).above(by).common(left).numbers, by: [by] });
        }
  }
}
