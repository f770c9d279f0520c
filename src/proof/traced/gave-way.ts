import { checkOf, demandsIn } from '../../checks/index.ts';
import type { Traced } from './traced.ts';

const { id } = checkOf('gave-way');

export const gaveWay: Traced = {
  check: id,
  trace(cell, fails) {
    for (const { widget, over, unit } of demandsIn(cell.form))
      for (const one of over)
        fails({ widget, where: [cell.number(({ layout }) => one(layout) * layout.scale(unit))] });
  },
};
