import type { EdgeName } from '../../scene/index.ts';
import type { Box, CellScenes } from '../cell-scenes.ts';
import { less, plus, type Affine } from '../polygon.ts';

/** Numbers that have to be above 0 all together; undefined where one of them never is. */
type All = readonly Affine[] | undefined;

/** What rounding may make of 0, in px. */
const rounding = 1e-7;

/**
 * Those of some numbers that are not above 0 on every screen of a cell; undefined where one of them is on none.
 * @param closed Whether 0 counts too: what divides a cell in two belongs to both parts.
 */
export function undecided(cell: CellScenes, numbers: Iterable<Affine>, closed = false): All {
  const left: Affine[] = [];
  for (const number of numbers) {
    const [least, most] = cell.range(number);
    if (closed ? most < -rounding : most <= 0) return undefined;
    if (least <= 0) left.push(number);
  }
  return left;
}

/** Above 0 where all of these boxes have an area in common: what is seen of a widget has one. */
export function* common(boxes: readonly Box[]): Generator<Affine> {
  for (const one of boxes)
    for (const other of boxes) {
      yield less(one.right, other.left);
      yield less(one.bottom, other.top);
    }
}

/** Some numbers after others. */
export function* both(first: Iterable<Affine>, then: Iterable<Affine>): Generator<Affine> {
  yield* first;
  yield* then;
}

/**
 * For each edge, where what boxes have in common reaches further over that edge of another box than a limit, in px: there each of
 * them does.
 */
export function reachesOver(
  boxes: readonly Box[],
  outer: Box,
  limit: number,
): readonly { readonly edge: EdgeName; readonly over: readonly Affine[] }[] {
  const past = (edge: EdgeName, by: (box: Box) => Affine) => ({
    edge,
    over: boxes.map((box) => plus(by(box), -limit)),
  });
  return [
    past('left', ({ left }) => less(outer.left, left)),
    past('right', ({ right }) => less(right, outer.right)),
    past('top', ({ top }) => less(outer.top, top)),
    past('bottom', ({ bottom }) => less(bottom, outer.bottom)),
  ];
}

/** Above 0 where what both have in common is wider and higher than a limit, in px. The first boxes of both come first. */
export function* sharedBy(one: readonly Box[], other: readonly Box[], limit: number): Generator<Affine> {
  for (const first of one)
    for (const second of other) {
      yield plus(less(first.right, second.left), -limit);
      yield plus(less(second.right, first.left), -limit);
      yield plus(less(first.bottom, second.top), -limit);
      yield plus(less(second.bottom, first.top), -limit);
    }
  for (const boxes of [one, other]) for (const number of common(boxes)) yield plus(number, -limit);
}
