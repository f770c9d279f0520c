import { checkOf, pxOfCss } from '../../checks/index.ts';
import { targetsUnder } from './targets-under.ts';
import type { Traced } from './traced.ts';

const { id, limit } = checkOf('small-target');

export const smallTarget: Traced = {
  check: id,
  trace(cell, fails) {
    const { screen } = cell.middle;
    if (!screen.inputs.includes('touch') && !screen.inputs.includes('mouse')) return;
    targetsUnder(cell, pxOfCss(limit, screen), fails);
  },
};
