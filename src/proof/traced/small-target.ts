import { checkOf, pxOfCss, usableControls } from '../../checks/index.ts';
import { less, negative, plus } from '../polygon.ts';
import { both, common } from './boxes.ts';
import type { Traced } from './traced.ts';

const { id, limit } = checkOf('small-target');

export const smallTarget: Traced = {
  check: id,
  trace(cell, fails) {
    const { screen } = cell.middle;
    if (!screen.inputs.includes('touch') && !screen.inputs.includes('mouse')) return;
    const least = pxOfCss(limit, screen);
    for (const widget of usableControls(cell.middle)) {
      const left = [cell.border(widget), ...cell.cutters(widget)];
      const there = [...common(left)];
      for (const one of left)
        for (const other of left)
          for (const side of [less(one.right, other.left), less(one.bottom, other.top)])
            fails({ widget, where: both([plus(negative(side), least)], there) });
    }
  },
};
