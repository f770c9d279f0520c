import { branchesApart, checkOf, excusesOf } from '../../checks/index.ts';
import { sharedNumbers } from './boxes.ts';
import { both, lackingOf, type Parts } from './parts.ts';
import type { Traced } from './traced.ts';
import { Where } from './where.ts';

const { id, limit } = checkOf('overlap');

export const overlap: Traced = {
  check: id,
  trace(cell, fails) {
    const { painted } = cell.form;
    const reaches = painted.map((widget) => cell.reach(widget));
    // What ends, anywhere in the cell, before the next one starts meets nothing after it.
    const order = painted.map((_, nth) => nth).sort((a, b) => reaches[a]!.left - reaches[b]!.left);
    for (let from = 0; from < order.length; from++) {
      const one = reaches[order[from]!]!;
      for (let next = from + 1; next < order.length; next++) {
        const other = reaches[order[next]!]!;
        if (other.left >= one.right) break;
        if (other.top >= one.bottom || one.top >= other.bottom) continue;
        const [first, second] = [painted[order[from]!]!, painted[order[next]!]!];
        const pair = { widget: Math.min(first, second), other: Math.max(first, second) };
        if (cell.form.isWithin(pair.other, pair.widget)) continue;
        const [mine, theirs] = [
          cell.seenBeside(pair.widget, pair.other),
          cell.seenBeside(pair.other, pair.widget),
        ];
        const meeting = new Where(cell).shared(mine, theirs, limit);
        const depths = meeting.isOver ? [] : cell.askew(pair.widget, pair.other, limit);
        for (const depth of depths) meeting.above(depth);
        const where = meeting.numbers;
        const branches = where && branchesApart(cell.middle, pair.widget, pair.other);
        if (!branches) continue;
        const by = [...sharedNumbers(mine, theirs, limit), ...depths];
        let [certain, unsure]: [Parts, Parts] = [[where], []];
        for (const excuse of excusesOf(cell.middle, pair.widget, pair.other, branches)) {
          const lacking = lackingOf(cell, excuse);
          unsure = [
            ...both(unsure, [...lacking.certain, ...lacking.unsure]),
            ...both(certain, lacking.unsure),
          ];
          certain = both(certain, lacking.certain);
        }
        for (const each of certain) fails({ ...pair, branches, where: each, by });
        for (const each of unsure) fails({ ...pair, branches, where: each, by, isUnsure: true });
      }
    }
  },
};
