import {
  checkOf,
  gapOf,
  outerOf,
  placeOf,
  promiseSlack as slack,
  promisesOn,
  pxOfAmount,
  type PromisedHere,
} from '../../checks/index.ts';
import { readAmount, type PromiseSource } from '../../document/index.ts';
import type { CellScenes } from '../cell-scenes.ts';
import { less, negative, plus, type Affine } from '../polygon.ts';
import { commonNumbers, reachesOver, sharedNumbers } from './boxes.ts';
import type { Traced } from './traced.ts';
import { Where } from './where.ts';

const { id } = checkOf('broken-promise');

/** Sizes on which a promise is broken by a widget, or by two: where every number is above 0. */
interface Part {
  readonly widget: number;
  readonly other?: number;
  readonly where: readonly Affine[];
  /** What is measured; `where` if left out. */
  readonly by?: readonly Affine[];
}

type Broken = Iterable<Part>;

type Kind = (cell: CellScenes, promise: PromiseSource, about: readonly number[]) => Broken;

/** One function for each kind of promise, by the key that says it; {@link promiseKinds} measures the same on one screen. */
const kinds: { readonly [Key in PromisedHere['key']]: Kind } = {
  *'within'(cell, { within }, about) {
    const frame = outerOf(cell.middle, within!);
    if (!frame) return;
    const outer = cell.box((subject) => outerOf(subject, within!)!.rect);
    for (const widget of about)
      for (const { over } of reachesOver(cell, [cell.outlineIn(widget, frame.index)], outer, slack))
        yield { widget, where: over };
  },
  *'never'(cell, _, about) {
    for (const [nth, one] of about.entries())
      for (const other of about.slice(0, nth)) {
        const [mine, theirs] = [[cell.borderBeside(one, other)], [cell.borderBeside(other, one)]];
        const meeting = new Where(cell).shared(mine, theirs, slack);
        if (meeting.isOver) continue;
        const depths = cell.askew(one, other, slack, (subject, index) => subject.rect(index));
        for (const depth of depths) meeting.above(depth);
        const where = meeting.numbers;
        const by = [...sharedNumbers(mine, theirs, slack), ...depths];
        if (where) yield { widget: other, other: one, where, by };
      }
  },
  *'touching'(cell, _, about) {
    for (const [widget, other] of neighbours(about)) {
      const [a, b] = [cell.borderBeside(widget, other), cell.borderBeside(other, widget)];
      const apart = [
        less(b.left, a.right),
        less(a.left, b.right),
        less(b.top, a.bottom),
        less(a.top, b.bottom),
      ];
      for (const gap of apart) yield { widget, other, where: [plus(gap, -slack)] };
      yield { widget, other, where: apart.map((gap) => plus(negative(gap), -slack)) };
    }
  },
  *'aligned'(cell, { aligned }, about) {
    const place = placeOf[aligned!];
    for (const [widget, other] of neighbours(about))
      for (const where of apartBy(
        cell.number(
          (subject) =>
            place(subject.borderBeside(widget, other)) - place(subject.borderBeside(other, widget)),
        ),
        slack,
      ))
        yield { widget, other, where };
  },
  *'same'(cell, { same }, about) {
    const sides = same === 'size' ? (['width', 'height'] as const) : [same!];
    for (const [widget, other] of neighbours(about))
      for (const side of sides)
        for (const where of apartBy(
          cell.number((subject) => subject.drawnBorder(widget)[side] - subject.drawnBorder(other)[side]),
          2 * slack,
        ))
          yield { widget, other, where };
  },
  *'order'(cell, { order }, about) {
    const gap = gapOf(order!, cell.middle);
    for (const [widget, other] of neighbours(about)) {
      const apart = cell.number((subject) =>
        gap(subject.borderBeside(widget, other), subject.borderBeside(other, widget)),
      );
      yield { widget, other, where: [plus(negative(apart), -slack)] };
    }
  },
  *'at-least'(cell, promise, about) {
    for (const [widget, side, least] of bySize(cell, promise['at-least']!, about))
      yield { widget, where: [plus(less(least, side), -slack)] };
  },
  *'at-most'(cell, promise, about) {
    for (const [widget, side, most] of bySize(cell, promise['at-most']!, about))
      yield { widget, where: [plus(less(side, most), -slack)] };
  },
  *'visible'(cell, { visible }, about) {
    const screen = cell.box(({ screenRect }) => screenRect);
    for (const widget of about) {
      const isShown = cell.middle.widgets[widget]!.visible && cell.form.opacity[widget]! > 0;
      const clips = cell.middle.clippers(widget);
      const seen = [widget, ...clips].map((index) => cell.borderIn(index, 0));
      // A line that is turned has no area either, whatever the rectangle around it has.
      const own = cell.form.turner[widget] === 0 ? [] : commonNumbers([cell.border(widget)]);
      const there = [...own, ...commonNumbers([...seen, screen])];
      if (!visible) {
        if (isShown) yield { widget, where: there };
      } else if (!isShown) yield { widget, where: [] };
      else for (const number of there) yield { widget, where: [plus(negative(number), tie)] };
    }
  },
};

/** What has no area at all is not seen: a border on which that is so belongs to it. In px. */
const tie = 1e-9;

export const brokenPromise: Traced = {
  check: id,
  trace(cell, fails) {
    for (const { key, promise, about, pointer } of promisesOn(cell.middle)) {
      const said = { at: pointer, apart: key };
      if (about.length === 0) fails({ widget: 0, where: [], ...said });
      else for (const part of kinds[key](cell, promise, about)) fails({ by: part.where, ...part, ...said });
    }
  },
};

function neighbours(about: readonly number[]): readonly (readonly [number, number])[] {
  return about.slice(1).map((one, nth) => [about[nth]!, one]);
}

/** Where two numbers are further apart than a limit, in px, either way. */
function apartBy(difference: Affine, limit: number): readonly (readonly Affine[])[] {
  return [[plus(difference, -limit)], [plus(negative(difference), -limit)]];
}

/** Each side of a widget that a promise says something of, and what it says, in px. */
function* bySize(
  cell: CellScenes,
  said: NonNullable<PromiseSource['at-least']>,
  about: readonly number[],
): Generator<readonly [widget: number, side: Affine, limit: Affine]> {
  const { screen } = cell.middle;
  for (const widget of about)
    for (const side of ['width', 'height'] as const) {
      const limit = said[side] === undefined ? undefined : readAmount(said[side]);
      if (!limit) continue;
      yield [
        widget,
        cell.number((subject) => subject.drawnBorder(widget)[side]),
        cell.number((subject) => pxOfAmount(limit, subject.drawnScale(widget) || 1, screen)),
      ];
    }
}
