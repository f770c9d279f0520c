import { checkOf, pxOfMillimetres } from '../../checks/index.ts';
import { targetsUnder } from './targets-under.ts';
import type { Traced } from './traced.ts';

const { id, limit } = checkOf('thumb-target');

export const thumbTarget: Traced = {
  check: id,
  trace(cell, fails) {
    const { screen } = cell.middle;
    if (screen.inputs.includes('touch')) targetsUnder(cell, pxOfMillimetres(limit, screen), fails);
  },
};
