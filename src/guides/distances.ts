import type { Rect } from '../layout/index.ts';
import { sharesAxis } from '../scene/index.ts';

/** How far an edge of a rectangle is from something, and the line to measure it along. */
export interface Distance {
  readonly to: 'parent' | 'safe' | 'screen' | 'neighbour';
  readonly side: 'left' | 'top' | 'right' | 'bottom';
  /** Below 0 where the rectangle reaches over it. */
  readonly length: number;
  /** Which neighbour, by its place in the list that was given. */
  readonly neighbour?: number;
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
}

/** The distances of a rectangle to its parent's box, the safe area, the screen and, on each side, its nearest neighbour. */
export function distancesOf(
  rect: Rect,
  around: { readonly parent: Rect; readonly safe: Rect; readonly screen: Rect },
  neighbours: readonly Rect[],
): Distance[] {
  const found: Distance[] = [];
  for (const to of ['parent', 'safe', 'screen'] as const) found.push(...inside(rect, around[to], to));
  for (const side of ['left', 'top', 'right', 'bottom'] as const) {
    const nearest = nearestOn(rect, neighbours, side);
    if (nearest) found.push(nearest);
  }
  return found;
}

function inside(rect: Rect, box: Rect, to: Distance['to']): Distance[] {
  const middle = { x: rect.x + rect.width / 2, y: rect.y + rect.height / 2 };
  const [right, bottom] = [rect.x + rect.width, rect.y + rect.height];
  const [far, low] = [box.x + box.width, box.y + box.height];
  return [
    { to, side: 'left', length: rect.x - box.x, x1: box.x, y1: middle.y, x2: rect.x, y2: middle.y },
    { to, side: 'top', length: rect.y - box.y, x1: middle.x, y1: box.y, x2: middle.x, y2: rect.y },
    { to, side: 'right', length: far - right, x1: right, y1: middle.y, x2: far, y2: middle.y },
    { to, side: 'bottom', length: low - bottom, x1: middle.x, y1: bottom, x2: middle.x, y2: low },
  ];
}

function nearestOn(rect: Rect, neighbours: readonly Rect[], side: Distance['side']): Distance | undefined {
  const upright = side === 'top' || side === 'bottom';
  let best: Distance | undefined;
  neighbours.forEach((other, neighbour) => {
    if (!sharesAxis(rect, other, upright ? 'x' : 'y')) return;
    const length = {
      left: rect.x - other.x - other.width,
      right: other.x - rect.x - rect.width,
      top: rect.y - other.y - other.height,
      bottom: other.y - rect.y - rect.height,
    }[side];
    if (length < 0 || (best && best.length <= length)) return;
    const axis = upright ? 'x' : 'y';
    const size = upright ? 'width' : 'height';
    const from = Math.max(rect[axis], other[axis]);
    const to = Math.min(rect[axis] + rect[size], other[axis] + other[size]);
    const at = (from + to) / 2;
    const start = {
      left: rect.x - length,
      right: rect.x + rect.width,
      top: rect.y - length,
      bottom: rect.y + rect.height,
    }[side];
    const line = upright
      ? { x1: at, x2: at, y1: start, y2: start + length }
      : { y1: at, y2: at, x1: start, x2: start + length };
    best = { to: 'neighbour', side, length, neighbour, ...line };
  });
  return best;
}
