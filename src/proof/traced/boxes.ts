import type { EdgeName } from '../../scene/index.ts';
import type { Box, CellScenes } from '../cell-scenes.ts';
import { less, plus, type Affine } from '../polygon.ts';
import { common, shared, type Further } from './together.ts';
import { Where } from './where.ts';

/** Those of some numbers that are not above 0 on every screen of a cell; undefined where one of them is on none. */
export function undecided(cell: CellScenes, numbers: readonly Affine[], closed = false) {
  const where = new Where(cell, closed);
  for (const number of numbers) where.above(number);
  return where.numbers;
}

/** Above 0 where all of these boxes have an area in common. */
export function commonNumbers(boxes: readonly Box[]): readonly Affine[] {
  const list = new NumberList();
  common(list, boxes, 0);
  return list.numbers;
}

/** How far each edge of a box is within another one. */
export function marginsOf(inner: Box, outer: Box): readonly Affine[] {
  return [
    less(inner.left, outer.left),
    less(inner.top, outer.top),
    less(outer.right, inner.right),
    less(outer.bottom, inner.bottom),
  ];
}

/** Above 0 where what both have in common is wider and higher than a limit, in px. */
export function sharedNumbers(one: readonly Box[], other: readonly Box[], limit: number): readonly Affine[] {
  const list = new NumberList();
  shared(list, one, other, limit);
  return list.numbers;
}

class NumberList implements Further {
  readonly numbers: Affine[] = [];
  readonly isOver = false;

  further(one: Affine, other: Affine, limit: number): void {
    this.numbers.push(plus(less(one, other), -limit));
  }
}

/** How far boxes reach over an edge of another one: each of them so far. */
export interface Over {
  readonly edge: EdgeName;
  readonly over: readonly Affine[];
  /** What of it is not so on every screen of the cell. */
  readonly where: Where;
}

/** The edges of another box that what boxes have in common reaches over, on any screen of a cell, further than a limit, in px. */
export function reachesOver(
  cell: CellScenes,
  boxes: readonly Box[],
  outer: Box,
  limit: number,
): readonly Over[] {
  const found: Over[] = [];
  for (const edge of edges) {
    // At the first two edges what is less is further out.
    const isStart = edge === 'left' || edge === 'top';
    const limits = outer[edge];
    const where = new Where(cell);
    for (const { [edge]: own } of boxes)
      if (isStart) where.further(limits, own, limit);
      else where.further(own, limits, limit);
    if (!where.numbers) continue;
    const over = boxes.map(({ [edge]: own }) =>
      plus(isStart ? less(limits, own) : less(own, limits), -limit),
    );
    found.push({ edge, over, where });
  }
  return found;
}

const edges = ['left', 'right', 'top', 'bottom'] as const satisfies readonly EdgeName[];
