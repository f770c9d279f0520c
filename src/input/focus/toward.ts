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

/** A rectangle as seen along a direction: the way there is along, what is beside it across. */
interface Seen {
  readonly near: number;
  readonly far: number;
  readonly from: number;
  readonly to: number;
}

/** The axis a direction goes along. */
export function axisAlong(direction: Direction): 'x' | 'y' {
  return direction === 'nav-left' || direction === 'nav-right' ? 'x' : 'y';
}

export const oppositeOf: { readonly [Name in Direction]: Direction } = {
  'nav-left': 'nav-right',
  'nav-right': 'nav-left',
  'nav-up': 'nav-down',
  'nav-down': 'nav-up',
};

function seenAlong({ x, y, width, height }: Rect, direction: Direction): Seen {
  switch (direction) {
    case 'nav-right':
      return { near: x, far: x + width, from: y, to: y + height };
    case 'nav-left':
      return { near: -(x + width), far: -x, from: y, to: y + height };
    case 'nav-down':
      return { near: y, far: y + height, from: x, to: x + width };
    case 'nav-up':
      return { near: -(y + height), far: -y, from: x, to: x + width };
  }
}

/**
 * How far one rectangle is from another in a direction; undefined where it does not lie there: it has to be beyond it, or to
 * overlap it and begin and end further on.
 */
export function distanceToward(from: Rect, to: Rect, direction: Direction): number | undefined {
  const one = seenAlong(from, direction);
  const other = seenAlong(to, direction);
  const isBeyond = other.near >= one.far - sameEdge;
  const across = Math.min(one.to, other.to) - Math.max(one.from, other.from);
  const along = Math.min(one.far, other.far) - Math.max(one.near, other.near);
  const overlaps = across > sameEdge && along > sameEdge;
  const isFurther = other.near > one.near + sameEdge && other.far > one.far + sameEdge;
  if (!isBeyond && !(overlaps && isFurther)) return undefined;
  const way = Math.max(0, other.near - one.far);
  const beside = Math.max(0, -across);
  const isInLine = across > sameEdge;
  const size = one.to - one.from;
  const cost = (beside + (isInLine ? 0 : size / 2)) * sidewaysCost[axisAlong(direction)];
  const gain = isInLine && size > 0 ? alignedGain * Math.min(1, across / size) : 0;
  const shared = overlaps ? Math.sqrt(across * along) : 0;
  return Math.hypot(way, beside) + cost - gain - shared;
}

/** Whether two rectangles have some of the axis across a direction in common. */
export function isInLine(one: Rect, other: Rect, direction: Direction): boolean {
  const [a, b] = [seenAlong(one, direction), seenAlong(other, direction)];
  return Math.min(a.to, b.to) - Math.max(a.from, b.from) > sameEdge;
}

/** The nearest of some in a direction; undefined where none lies there. @param rectOf Undefined of one that is not seen. */
export function nearestToward(
  from: Rect,
  candidates: Iterable<number>,
  direction: Direction,
  rectOf: (index: number) => Rect | undefined,
): number | undefined {
  let found: number | undefined;
  let least = Infinity;
  for (const index of candidates) {
    const rect = rectOf(index);
    const distance = rect && distanceToward(from, rect, direction);
    if (distance === undefined || !(distance < least)) continue;
    least = distance;
    found = index;
  }
  return found;
}
