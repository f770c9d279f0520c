import { checkOf, coveringOf, groundsUpTo, hiddenBy, isAskewTo, pastShare } from '../../checks/index.ts';
import { across, isUpright, rectIn } from '../../scene/index.ts';
import type { Box, CellScenes } from '../cell-scenes.ts';
import { at, less, type Affine, type Point } from '../polygon.ts';
import { marginsOf, undecided } from './boxes.ts';
import { both, everywhere, unfilled } from './parts.ts';
import { moreThanShare, staysPut } from './products.ts';
import type { Failing, Traced } from './traced.ts';
import { Where } from './where.ts';

const { id, limit } = checkOf('covered');
const least = pastShare(limit);

export const covered: Traced = {
  check: id,
  trace(cell, fails) {
    const { middle } = cell;
    const screen = cell.box(({ screenRect }) => screenRect);
    for (const { index: widget } of middle.widgets) {
      const covering = coveringOf(middle, widget);
      if (covering.length === 0) continue;
      // Of a ground nothing is lost.
      const grounds = groundsUpTo(middle, widget);
      const lost = grounds ? unfilled(cell, grounds) : everywhere;
      if (lost.length === 0) continue;
      const tell = ({ where, ...failing }: Failing & { readonly where: readonly Affine[] }) => {
        for (const each of both([where], lost)) fails({ ...failing, where: each });
      };
      for (const { above: other, isOpaque } of covering) {
        const [own, over] = [cell.reach(widget), cell.reach(other)];
        if (
          own.left >= over.right ||
          over.left >= own.right ||
          own.top >= over.bottom ||
          over.top >= own.bottom
        )
          continue;
        const [mine, theirs] = [cell.seenBeside(widget, other), cell.seenBeside(other, widget)];
        // Most of what lies about each other never meets.
        if (new Where(cell).shared(mine, theirs, 0).isOver) continue;
        const meeting = new Where(cell).common([...cell.seen(widget), screen]).shared(mine, theirs, 0);
        if (!meeting.isOver) for (const depth of cell.askew(widget, other, 0)) meeting.above(depth);
        const shared = meeting.numbers;
        if (!shared) continue;
        // Where both stay as they are to each other, so does what is hidden, whatever the picture is like.
        if (staysPut(cell, [...mine, ...theirs])) {
          const hidden = hiddenBy(middle, widget, other);
          if (hidden > least) tell({ widget, other, where: shared, by: () => hidden });
          continue;
        }
        // Of what is cut, only that they meet is known as a polygon.
        if (mine.length + theirs.length > 2) {
          tell({ widget, other, where: shared, isUnsure: true });
          continue;
        }
        const isAskew = isAskewTo(middle, widget, other);
        const lower = isAskew ? drawnIn(cell, widget, widget) : mine[0]!;
        const upper = isAskew ? drawnIn(cell, other, widget) : theirs[0]!;
        // Less is hidden than the upright rectangle around another one would hide, but where that has all of it within.
        const isRound = isAskew && !isUpright(across(middle, other, widget));
        if (isRound) {
          const where = [...shared, ...marginsOf(drawnIn(cell, widget, other), drawnIn(cell, other, other))];
          tell({ widget, other, where, by: () => 100, isUnsure: !isOpaque });
        }
        const whole = { x: less(lower.right, lower.left), y: less(lower.bottom, lower.top) };
        // Which of the two edges bounds what they share may change in the cell; each way is a part of it.
        for (const left of larger(lower.left, upper.left))
          for (const right of smaller(lower.right, upper.right))
            for (const top of larger(lower.top, upper.top))
              for (const bottom of smaller(lower.bottom, upper.bottom)) {
                const sides = [...left.where, ...right.where, ...top.where, ...bottom.where];
                const given = undecided(cell, sides, true);
                if (!given) continue;
                const size = { x: less(right.is, left.is), y: less(bottom.is, top.is) };
                const by = (point: Point) =>
                  (100 * at(size.x, point) * at(size.y, point)) / (at(whole.x, point) * at(whole.y, point));
                for (const part of moreThanShare(cell, size, whole, least / 100))
                  tell({
                    widget,
                    other,
                    where: [...given, ...shared, ...part.where],
                    by,
                    // A picture may be clear where it lies over something.
                    isUnsure: part.isUnsure || isRound || !isOpaque,
                  });
              }
      }
    }
  },
};

/** What is drawn of a widget in the frame of another one: the upright rectangle around it there. */
function drawnIn(cell: CellScenes, widget: number, other: number): Box {
  return cell.box((subject) => rectIn(subject.uprightRect(widget), across(subject, widget, other)));
}

/** One of two numbers, and where it is that one. */
interface Choice {
  readonly is: Affine;
  readonly where: readonly Affine[];
}

function larger(one: Affine, other: Affine): readonly Choice[] {
  return [
    { is: one, where: [less(one, other)] },
    { is: other, where: [less(other, one)] },
  ];
}

function smaller(one: Affine, other: Affine): readonly Choice[] {
  return [
    { is: one, where: [less(other, one)] },
    { is: other, where: [less(one, other)] },
  ];
}
