import {
  checkOf,
  gapOf,
  placeOf,
  promiseSlack as slack,
  promisesOn,
  pxOfArc,
  type PromisedHere,
} from '../../checks/index.ts';
import { readAmount, type PromiseSource } from '../../document/index.ts';
import type { Box, CellScenes } from '../cell-scenes.ts';
import { less, negative, plus, type Affine } from '../polygon.ts';
import { common, reachesOver, sharedBy } from './boxes.ts';
import type { Traced } from './traced.ts';

const { id } = checkOf('broken-promise');

/** The sizes on which a promise is broken, as parts; in each, every number is above 0. */
type Broken = Iterable<Iterable<Affine>>;

type Kind = (cell: CellScenes, promise: PromiseSource, about: readonly number[]) => Broken;

/** One function for each kind of promise, by the key that says it; {@link promiseKinds} measures the same on one screen. */
const kinds: { readonly [Key in PromisedHere['key']]: Kind } = {
  *'within'(cell, { within }, about) {
    const outer = outerOf(cell, within!);
    if (!outer) return;
    for (const widget of about) yield* reachesOver([cell.border(widget)], outer, slack);
  },
  *'never'(cell, _, about) {
    for (const [nth, one] of about.entries())
      for (const other of about.slice(0, nth))
        yield sharedBy([cell.border(one)], [cell.border(other)], slack);
  },
  *'touching'(cell, _, about) {
    for (const [one, other] of neighbours(about)) {
      const [a, b] = [cell.border(one), cell.border(other)];
      const apart = [
        less(b.left, a.right),
        less(a.left, b.right),
        less(b.top, a.bottom),
        less(a.top, b.bottom),
      ];
      for (const gap of apart) yield [plus(gap, -slack)];
      yield apart.map((gap) => plus(negative(gap), -slack));
    }
  },
  *'aligned'(cell, { aligned }, about) {
    const place = placeOf[aligned!];
    for (const [one, other] of neighbours(about))
      yield* apartBy(
        cell.number(one, (subject) => place(subject.rect(one)) - place(subject.rect(other))),
        slack,
      );
  },
  *'same'(cell, { same }, about) {
    const sides = same === 'size' ? (['width', 'height'] as const) : [same!];
    for (const [one, other] of neighbours(about))
      for (const side of sides)
        yield* apartBy(
          cell.number(one, (subject) => subject.rect(one)[side] - subject.rect(other)[side]),
          2 * slack,
        );
  },
  *'order'(cell, { order }, about) {
    const gap = gapOf(order!, cell.middle);
    for (const [one, other] of neighbours(about)) {
      const apart = cell.number(one, (subject) => gap(subject.rect(one), subject.rect(other)));
      yield [plus(negative(apart), -slack)];
    }
  },
  *'at-least'(cell, promise, about) {
    for (const [side, least] of bySize(cell, promise['at-least']!, about))
      yield [plus(less(least, side), -slack)];
  },
  *'at-most'(cell, promise, about) {
    for (const [side, most] of bySize(cell, promise['at-most']!, about))
      yield [plus(less(side, most), -slack)];
  },
  *'visible'(cell, { visible }, about) {
    const screen = cell.box(0, ({ screenRect }) => screenRect);
    for (const widget of about) {
      const isShown = cell.middle.widgets[widget]!.visible && cell.form.opacity[widget]! > 0;
      const there = [...common([cell.border(widget), screen])];
      if (!visible) {
        if (isShown) yield there;
      } else if (!isShown) yield [];
      else for (const number of there) yield [plus(negative(number), tie)];
    }
  },
};

/** What has no area at all is not seen: a border on which that is so belongs to it. In px. */
const tie = 1e-9;

export const brokenPromise: Traced = {
  check: id,
  trace(cell, fails) {
    for (const { key, promise, about, pointer } of promisesOn(cell.middle)) {
      if (about.length === 0) fails({ widget: 0, at: pointer, where: [] });
      else
        for (const where of kinds[key](cell, promise, about))
          fails({ widget: about[0]!, at: pointer, where });
    }
  },
};

function outerOf(cell: CellScenes, within: string): Box | undefined {
  if (within === 'safe') return cell.box(0, ({ safeRect }) => safeRect);
  if (within === 'screen') return cell.box(0, ({ screenRect }) => screenRect);
  const widget = cell.middle.indexOf(within);
  return widget === undefined ? undefined : cell.border(widget);
}

function neighbours(about: readonly number[]): readonly (readonly [number, number])[] {
  return about.slice(1).map((one, nth) => [about[nth]!, one]);
}

/** Where two numbers are further apart than a limit, in px, either way. */
function apartBy(difference: Affine, limit: number): Broken {
  return [[plus(difference, -limit)], [plus(negative(difference), -limit)]];
}

/** Each side that a promise says something of, and what it says, in px. */
function* bySize(
  cell: CellScenes,
  said: NonNullable<PromiseSource['at-least']>,
  about: readonly number[],
): Generator<readonly [Affine, Affine]> {
  const { screen } = cell.middle;
  for (const widget of about)
    for (const side of ['width', 'height'] as const) {
      const limit = said[side] === undefined ? undefined : readAmount(said[side]);
      if (!limit) continue;
      const { amount, unit } = limit;
      const px = (scale: number) => {
        if (unit === 'u') return amount * scale;
        if (unit === 'mm') return (amount / 25.4) * screen.density;
        return unit === 'deg' ? pxOfArc(amount * 60, screen) : amount;
      };
      yield [
        cell.number(widget, (subject) => subject.rect(widget)[side]),
        cell.number(widget, ({ layout }) => px(layout.scale(widget) || 1)),
      ];
    }
}
