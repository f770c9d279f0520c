import type { Box } from '../cell-scenes.ts';
import { less, plus, type Affine } from '../polygon.ts';

/** Above 0 where all of these boxes have an area in common: what is seen of a widget has one. */
export function common(boxes: readonly Box[]): readonly Affine[] {
  return boxes.flatMap((one) =>
    boxes.flatMap((other) => [less(one.right, other.left), less(one.bottom, other.top)]),
  );
}

/**
 * For each edge, where what boxes have in common reaches further over that edge of another box than a limit, in px: there each of
 * them does.
 */
export function reachesOver(
  boxes: readonly Box[],
  outer: Box,
  limit: number,
): readonly (readonly Affine[])[] {
  const over = (by: (box: Box) => Affine) => boxes.map((box) => plus(by(box), -limit));
  return [
    over(({ left }) => less(outer.left, left)),
    over(({ right }) => less(right, outer.right)),
    over(({ top }) => less(outer.top, top)),
    over(({ bottom }) => less(bottom, outer.bottom)),
  ];
}

/** Above 0 where what both have in common is wider and higher than a limit, in px. */
export function sharedBy(one: readonly Box[], other: readonly Box[], limit: number): readonly Affine[] {
  const all = [...one, ...other];
  return all.flatMap((first) =>
    all.flatMap((second) => [
      plus(less(first.right, second.left), -limit),
      plus(less(first.bottom, second.top), -limit),
    ]),
  );
}
