import type { Rect } from '../layout/index.ts';
import type { Screen } from '../screen/index.ts';

/** The part two rectangles share; one without area may come back. */
export function intersection(one: Rect, other: Rect): Rect {
  const x = Math.max(one.x, other.x);
  const y = Math.max(one.y, other.y);
  return {
    x,
    y,
    width: Math.max(0, Math.min(one.x + one.width, other.x + other.width) - x),
    height: Math.max(0, Math.min(one.y + one.height, other.y + other.height) - y),
  };
}

/** A rectangle of a frame that is drawn so many times as large. */
export function enlarged(rect: Rect, times: number): Rect {
  if (times === 1) return rect;
  return { x: rect.x * times, y: rect.y * times, width: rect.width * times, height: rect.height * times };
}

/** What of a screen is neither under a notch nor in its overscan, in device px. */
export function safeRectOf({ width, height, safe }: Pick<Screen, 'width' | 'height' | 'safe'>): Rect {
  return {
    x: safe.left,
    y: safe.top,
    width: width - safe.left - safe.right,
    height: height - safe.top - safe.bottom,
  };
}

/** Whether two rectangles share an area. */
export function meet(one: Rect, other: Rect): boolean {
  return (
    one.x < other.x + other.width &&
    other.x < one.x + one.width &&
    one.y < other.y + other.height &&
    other.y < one.y + one.height
  );
}

/** Whether two rectangles have some of an axis in common. */
export function sharesAxis(one: Rect, other: Rect, axis: 'x' | 'y'): boolean {
  const side = axis === 'x' ? 'width' : 'height';
  return one[axis] < other[axis] + other[side] && other[axis] < one[axis] + one[side];
}

export function hasArea(rect: Rect): boolean {
  return rect.width > 0 && rect.height > 0;
}

/** Whether a rectangle reaches over no edge of another by more than a limit. */
export function isInside(inner: Rect, outer: Rect, limit: number): boolean {
  return (
    outer.x - inner.x <= limit &&
    outer.y - inner.y <= limit &&
    inner.x + inner.width - (outer.x + outer.width) <= limit &&
    inner.y + inner.height - (outer.y + outer.height) <= limit
  );
}

/** Whether a point lies in a rectangle; of its edges the first ones are in it. */
export function holdsPoint({ x, y, width, height }: Rect, px: number, py: number): boolean {
  return px >= x && py >= y && px < x + width && py < y + height;
}

export const edgeNames = ['left', 'right', 'top', 'bottom'] as const;
export type EdgeName = (typeof edgeNames)[number];

/** How far a rectangle reaches over each edge of another; not above 0 where it does not. */
export function overshoot(inner: Rect, outer: Rect): Record<EdgeName, number> {
  return {
    left: outer.x - inner.x,
    right: inner.x + inner.width - (outer.x + outer.width),
    top: outer.y - inner.y,
    bottom: inner.y + inner.height - (outer.y + outer.height),
  };
}

/** The edge with the largest number. */
export function worstEdge(distances: Record<EdgeName, number>): { edge: EdgeName; distance: number } {
  let edge: EdgeName = 'left';
  for (const name of ['right', 'top', 'bottom'] as const) if (distances[name] > distances[edge]) edge = name;
  return { edge, distance: distances[edge] };
}

/** The edges that are reached over by more than a limit, the worst first. */
export function edgesOver(
  distances: Readonly<Record<EdgeName, number>>,
  limit: number,
): { edge: EdgeName; distance: number }[] {
  return edgeNames
    .filter((edge) => distances[edge] > limit)
    .map((edge) => ({ edge, distance: distances[edge] }))
    .sort((a, b) => b.distance - a.distance);
}

/** The axis and end an edge stands for. */
export function axisOf(edge: EdgeName): { axis: 'x' | 'y'; end: 'start' | 'end' } {
  return {
    axis: edge === 'left' || edge === 'right' ? 'x' : 'y',
    end: edge === 'left' || edge === 'top' ? 'start' : 'end',
  };
}

/** The smallest rectangle around some. */
export function unionOf(rects: readonly Rect[]): Rect {
  const x = Math.min(...rects.map((one) => one.x));
  const y = Math.min(...rects.map((one) => one.y));
  return {
    x,
    y,
    width: Math.max(...rects.map((one) => one.x + one.width)) - x,
    height: Math.max(...rects.map((one) => one.y + one.height)) - y,
  };
}

/** A rectangle that reaches further on every side. */
export function grown({ x, y, width, height }: Rect, by: number): Rect {
  return { x: x - by, y: y - by, width: width + 2 * by, height: height + 2 * by };
}
