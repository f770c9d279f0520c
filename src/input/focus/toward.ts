import type { Direction } from '../../document/index.ts';
import type { Rect } from '../../layout/index.ts';
import { firstFrom } from '../../scene/index.ts';

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

/** Where a rectangle begins along a direction; past it by its length along it lies where it ends. */
function nearEdge({ x, y, width, height }: Rect, direction: Direction): number {
  const { isX, sign } = ways[direction];
  const [start, length] = isX ? [x, width] : [y, height];
  return sign > 0 ? start : -(start + length);
}

/**
 * How far one rectangle is from another in a direction; undefined where it does not lie there: it has to be beyond it, or to
 * overlap it and begin and end further on.
 */
export function distanceToward(from: Rect, to: Rect, direction: Direction): number | undefined {
  const { isX } = ways[direction];
  const near = nearEdge(from, direction);
  const otherNear = nearEdge(to, direction);
  const far = near + (isX ? from.width : from.height);
  const isBeyond = otherNear >= far - sameEdge;
  if (!isBeyond && !(otherNear > near + sameEdge)) return undefined;
  const across = isX
    ? Math.min(from.y + from.height, to.y + to.height) - Math.max(from.y, to.y)
    : Math.min(from.x + from.width, to.x + to.width) - Math.max(from.x, to.x);
  const otherFar = otherNear + (isX ? to.width : to.height);
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

/** What a search asks of the rectangles it goes through. */
export interface Asked {
  /** Where one is to be seen; undefined where it is not. */
  rectOf(index: number): Rect | undefined;
  /** Whether one counts; asked of those that are nearer than all before. */
  isCandidate(index: number): boolean;
}

/** The nearest so far; of two as near the one that comes first in the view. */
class Nearest {
  found: number | undefined;
  least = Infinity;
  readonly #from: Rect;
  readonly #direction: Direction;
  readonly #asked: Asked;

  constructor(from: Rect, direction: Direction, asked: Asked) {
    this.#from = from;
    this.#direction = direction;
    this.#asked = asked;
  }

  look(index: number): void {
    const rect = this.#asked.rectOf(index);
    const distance = rect && distanceToward(this.#from, rect, this.#direction);
    if (distance === undefined || !(distance <= this.least)) return;
    if (distance === this.least && this.found !== undefined && index > this.found) return;
    if (!this.#asked.isCandidate(index)) return;
    this.least = distance;
    this.found = index;
  }
}

/** The nearest of some in a direction; undefined where none lies there. */
export function nearestToward(
  from: Rect,
  candidates: Iterable<number>,
  direction: Direction,
  asked: Asked,
): number | undefined {
  const nearest = new Nearest(from, direction, asked);
  for (const index of candidates) nearest.look(index);
  return nearest.found;
}

/** Some in the order in which they begin along a direction. */
interface Line {
  readonly indexes: readonly number[];
  readonly nears: Float64Array;
}

/** Rectangles that stand still, sorted along each direction, so that the nearest is found without looking at all. */
export class Lines {
  readonly #indexes: readonly number[];
  readonly #rectOf: (index: number) => Rect;
  readonly #lines: { [Name in Direction]?: Line } = {};

  constructor(indexes: readonly number[], rectOf: (index: number) => Rect) {
    this.#indexes = indexes;
    this.#rectOf = rectOf;
  }

  /**
   * The nearest of them, and of a few more that may lie anywhere, in a direction.
   * @param asked Its rectangles of these are those they are sorted by.
   */
  nearest(from: Rect, direction: Direction, asked: Asked, more: readonly number[]): number | undefined {
    const nearest = new Nearest(from, direction, asked);
    for (const index of more) nearest.look(index);
    const { indexes, nears } = (this.#lines[direction] ??= this.#sorted(direction));
    const { isX } = ways[direction];
    const [length, side] = isX ? [from.width, from.height] : [from.height, from.width];
    const near = nearEdge(from, direction);
    const far = near + length;
    for (let at = firstFrom(nears, Math.min(near + sameEdge, far - sameEdge)); at < indexes.length; at++) {
      // The least that the distance of this one and of all after it can be.
      const way = nears[at]! - far;
      if ((way >= 0 ? way : -Math.sqrt(side * -way)) - alignedGain > nearest.least) break;
      nearest.look(indexes[at]!);
    }
    return nearest.found;
  }

  #sorted(direction: Direction): Line {
    const found = this.#indexes.map((index) => ({ index, near: nearEdge(this.#rectOf(index), direction) }));
    found.sort((a, b) => a.near - b.near || a.index - b.index);
    return { indexes: found.map(({ index }) => index), nears: Float64Array.from(found, ({ near }) => near) };
  }
}
