import { capitalPx, checkOf, pxOfArc } from '../../checks/index.ts';
import { negative, plus } from '../polygon.ts';
import type { Traced } from './traced.ts';
import { Where } from './where.ts';

const { id, limit } = checkOf('small-text');

export const smallText: Traced = {
  check: id,
  trace(cell, fails) {
    const screen = cell.box(({ screenRect }) => screenRect);
    const least = pxOfArc(limit, cell.middle.screen);
    for (const { index: widget } of cell.form.texts) {
      if (cell.middle.isBehindDialog(widget)) continue;
      const high = cell.number((subject) => capitalPx(subject, widget));
      const by = [plus(negative(high), least)];
      const small = new Where(cell).above(by[0]!);
      if (small.numbers) fails({ widget, where: small.common([...cell.seen(widget), screen]).numbers, by });
    }
  },
};
