import type { Box, CellScenes } from '../cell-scenes.ts';
import { at, less, negative, type Affine } from '../polygon.ts';

/*
 * Areas are products of two numbers, and no affine functions. Where one side is a fixed share of what it is compared with, the
 * other side decides, and that is exact; where both change, the border is a curve, and is taken between steps.
 */

/** Sizes, some of which nobody is sure of: between two steps of a curve. */
export interface Part {
  readonly where: readonly Affine[];
  readonly isUnsure: boolean;
}

interface Sides {
  readonly x: Affine;
  readonly y: Affine;
}

/** Steps of a curve. */
const steps = 12;

/** A number less a share of another. */
function lessShare(one: Affine, share: number, of: Affine): Affine {
  return less(one, { x: share * of.x, y: share * of.y, c: share * of.c });
}

/** Where the least of `across` times the least of `down` is less than a share, near 1, of the area of `whole`. */
export function* lessThanShare(
  across: readonly Affine[],
  down: readonly Affine[],
  whole: Sides,
  share: number,
): Generator<Part> {
  // One side alone takes enough away.
  for (const side of across) yield { where: [negative(lessShare(side, share, whole.x))], isUnsure: false };
  for (const side of down) yield { where: [negative(lessShare(side, share, whole.y))], isUnsure: false };
  // Both take something away, neither of them enough, and together they may.
  for (const x of across)
    for (const y of down) {
      const lost = [less(whole.x, x), less(whole.y, y)];
      const steep = Array.from({ length: steps + 1 }, (_, nth) => share ** (nth / steps));
      for (let nth = 0; nth < steps; nth++) {
        const [high, low] = [steep[nth]!, steep[nth + 1]!];
        // Not wider than `high`, and so much lower that the product is too small whatever the width.
        yield {
          where: [
            ...lost,
            negative(lessShare(x, high, whole.x)),
            negative(lessShare(y, share / high, whole.y)),
          ],
          isUnsure: false,
        };
        yield {
          where: [
            ...lost,
            negative(lessShare(x, high, whole.x)),
            lessShare(x, low, whole.x),
            negative(lessShare(y, share / low, whole.y)),
            lessShare(y, share / high, whole.y),
          ],
          isUnsure: true,
        };
      }
    }
}

/**
 * Where a width times a height is more than a share of the area of `whole`; both are at the most as large as it.
 * @param sides The width and the height.
 */
export function* moreThanShare(cell: CellScenes, sides: Sides, whole: Sides, share: number): Generator<Part> {
  for (const [one, other] of [
    ['x', 'y'],
    ['y', 'x'],
  ] as const) {
    const fixed = fixedShare(cell, sides[one], whole[one]);
    if (fixed === undefined) continue;
    if (fixed > share)
      yield { where: [lessShare(sides[other], share / fixed, whole[other])], isUnsure: false };
    return;
  }
  for (let nth = 0; nth < steps; nth++) {
    const [low, high] = [share ** ((nth + 1) / steps), share ** (nth / steps)];
    yield {
      where: [lessShare(sides.x, low, whole.x), lessShare(sides.y, share / low, whole.y)],
      isUnsure: false,
    };
    yield {
      where: [
        lessShare(sides.x, low, whole.x),
        negative(lessShare(sides.x, high, whole.x)),
        lessShare(sides.y, share / high, whole.y),
        negative(lessShare(sides.y, share / low, whole.y)),
      ],
      isUnsure: true,
    };
  }
}

/** The share one number is of another, where that is the same in all of a cell. */
export function fixedShare(cell: CellScenes, one: Affine, whole: Affine): number | undefined {
  let first: number | undefined;
  for (const point of cell.polygon) {
    const share = at(one, point) / at(whole, point);
    first ??= share;
    if (!(Math.abs(share - first) < 1e-9)) return undefined;
  }
  return first;
}

/** Whether some boxes are, on all screens of a cell, the same drawing larger or smaller. */
export function staysPut(cell: CellScenes, boxes: readonly Box[]): boolean {
  const [first] = boxes;
  const { left, top } = first!;
  const [across, down] = [less(first!.right, left), less(first!.bottom, top)];
  const isFixed = (one: Affine, whole: Affine) => fixedShare(cell, one, whole) !== undefined;
  return (
    isFixed(across, down) &&
    boxes.every(
      (box) =>
        isFixed(less(box.left, left), across) &&
        isFixed(less(box.right, left), across) &&
        isFixed(less(box.top, top), down) &&
        isFixed(less(box.bottom, top), down),
    )
  );
}
