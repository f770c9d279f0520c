import type { Direction } from '../../document/index.ts';
import type { Rect } from '../../layout/index.ts';

/*
 * Which rectangle lies nearest in a direction: the distance of CSS Spatial Navigation 1, §8.3 (A + B − C − D), in u. Ties go to
 * the one that comes first.
 */

/** What being off the line costs, as many times as the way itself (§8.3, orthogonal weight). */
const sidewaysCost = { x: 30, y: 2 } as const;
/** What being wholly in line is worth, in u (§8.3, align weight). */
const alignedGain = 5;
/** Edges that lie less apart than this, in u, are the same. */
const sameEdge = 0.01;

export const oppositeOf: { readonly [Name in Direction]: Direction } = {
  'nav-left': 'nav-right',
  'nav-right': 'nav-left',
  'nav-up': 'nav-down',
  'nav-down': 'nav-up',
};

/** Whether a direction goes along x, and whether it goes up along its axis. */
const ways: { readonly [Name in Direction]: { readonly isX: boolean; readonly sign: 1 | -1 } } = {
  'nav-left': { isX: true, sign: -1 },
  'nav-right': { isX: true, sign: 1 },
  'nav-up': { isX: false, sign: -1 },
  'nav-down': { isX: false, sign: 1 },
};

/** The axis a direction goes along. */
export function axisAlong(direction: Direction): 'x' | 'y' {
  return ways[direction].isX ? 'x' : 'y';
}

/** Whether a direction goes up along its axis: to the right or down. */
export function isForward(direction: Direction): boolean {
  return ways[direction].sign > 0;
}

/**
 * How far one rectangle is from another in a direction; undefined where it does not lie there: it has to be beyond it, or to
 * overlap it and begin and end further on.
 */
export function distanceToward(from: Rect, to: Rect, direction: Direction): number | undefined {
  const { isX, sign } = ways[direction];
  const [start, length] = isX ? [from.x, from.width] : [from.y, from.height];
  const [otherStart, otherLength] = isX ? [to.x, to.width] : [to.y, to.height];
  // Along the direction: where each begins and ends.
  const near = sign > 0 ? start : -(start + length);
  const otherNear = sign > 0 ? otherStart : -(otherStart + otherLength);
  const far = near + length;
  const isBeyond = otherNear >= far - sameEdge;
  if (!isBeyond && !(otherNear > near + sameEdge)) return undefined;
  const across = isX
    ? Math.min(from.y + from.height, to.y + to.height) - Math.max(from.y, to.y)
    : Math.min(from.x + from.width, to.x + to.width) - Math.max(from.x, to.x);
  const otherFar = otherNear + otherLength;
  const along = Math.min(far, otherFar) - Math.max(near, otherNear);
  const overlaps = across > sameEdge && along > sameEdge;
  if (!isBeyond && !(overlaps && otherFar > far + sameEdge)) return undefined;
  const way = Math.max(0, otherNear - far);
  const beside = Math.max(0, -across);
  const isLined = across > sameEdge;
  const size = isX ? from.height : from.width;
  const cost = (beside + (isLined ? 0 : size / 2)) * (isX ? sidewaysCost.x : sidewaysCost.y);
  const gain = isLined && size > 0 ? alignedGain * Math.min(1, across / size) : 0;
  const shared = overlaps ? Math.sqrt(across * along) : 0;
  return Math.sqrt(way * way + beside * beside) + cost - gain - shared;
}

/** Whether two rectangles have some of the axis across a direction in common. */
export function isInLine(one: Rect, other: Rect, direction: Direction): boolean {
  const shared = ways[direction].isX
    ? Math.min(one.y + one.height, other.y + other.height) - Math.max(one.y, other.y)
    : Math.min(one.x + one.width, other.x + other.width) - Math.max(one.x, other.x);
  return shared > sameEdge;
}

/**
 * The nearest of some in a direction; undefined where none lies there.
 * @param rectOf Undefined of one that is not seen. @param isCandidate Whether one counts; asked of those that are nearer than all before.
 */
export function nearestToward(
  from: Rect,
  candidates: Iterable<number>,
  direction: Direction,
  rectOf: (index: number) => Rect | undefined,
  isCandidate: (index: number) => boolean,
): number | undefined {
  let found: number | undefined;
  let least = Infinity;
  for (const index of candidates) {
    const rect = rectOf(index);
    const distance = rect && distanceToward(from, rect, direction);
    if (distance === undefined || !(distance < least) || !isCandidate(index)) continue;
    least = distance;
    found = index;
  }
  return found;
}
