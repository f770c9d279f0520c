import { checkOf, isLostWhenCut } from '../../checks/index.ts';
import { less, type Affine } from '../polygon.ts';
import { both, common } from './boxes.ts';
import { lessThanShare } from './products.ts';
import type { Traced } from './traced.ts';

const { id, limit } = checkOf('cut-off');

export const cutOff: Traced = {
  check: id,
  trace(cell, fails) {
    for (const { index: widget } of cell.middle.widgets) {
      if (!isLostWhenCut(cell.middle, widget)) continue;
      const own = cell.border(widget);
      const left = [own, ...cell.cutters(widget)];
      const whole = { x: less(own.right, own.left), y: less(own.bottom, own.top) };
      const across: Affine[] = [];
      const down: Affine[] = [];
      for (const one of left)
        for (const other of left) {
          if (one === own && other === own) continue;
          across.push(less(one.right, other.left));
          down.push(less(one.bottom, other.top));
        }
      // What is left is as wide as the narrowest of these: where any of them is too small, too little is left.
      const there = [...common([own])];
      for (const part of lessThanShare(across, down, whole, 1 - limit / 100))
        fails({ widget, where: both(part.where, there), isUnsure: part.isUnsure });
    }
  },
};
