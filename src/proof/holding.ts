import type { Point, Polygon } from './polygon.ts';

/*
 * What people ask of a proof: from which size up a view holds, and for which aspects.
 */

/**
 * The smallest screen of an aspect from which on every screen that is not narrower and not lower holds; undefined where none of a
 * region is. In whole px.
 * @param parts Where something fails, or is not proved. @param aspect Width divided by height.
 */
export function holdsFrom(
  region: Polygon,
  parts: readonly Polygon[],
  aspect: number,
): { readonly width: number; readonly height: number } | undefined {
  // A screen stands in the way of every smaller one: by how much is the height at which the corner of all larger ones passes it.
  const reach = ({ x, y }: Point) => Math.min(x / aspect, y);
  let height = Math.min(...region.map(reach));
  for (const part of parts) height = Math.max(height, farthest(part, aspect));
  const most = Math.max(...region.map(reach));
  const whole = Math.max(1, Math.floor(height + 1));
  const first = parts.length === 0 ? Math.ceil(height) : whole;
  return first < most ? { width: Math.ceil(first * aspect), height: first } : undefined;
}

/** The most that the smaller of a point's height and its width by an aspect is in a polygon: at a corner, or where the two are the same. */
function farthest(part: Polygon, aspect: number): number {
  let most = -Infinity;
  part.forEach((point, nth) => {
    const next = part[(nth + 1) % part.length]!;
    most = Math.max(most, Math.min(point.x / aspect, point.y));
    const [here, there] = [point.x - aspect * point.y, next.x - aspect * next.y];
    if (here * there >= 0) return;
    most = Math.max(most, point.y + ((next.y - point.y) * here) / (here - there));
  });
  return most;
}

/** Aspects, width divided by height, from the least to the most. */
export interface Aspects {
  readonly least: number;
  readonly most: number;
}

export function aspectsOf(polygon: Polygon): Aspects {
  const all = polygon.map(({ x, y }) => x / y);
  return { least: Math.min(...all), most: Math.max(...all) };
}

/** The aspects of a region of which no size is in any of some parts, in order. */
export function heldAspects(region: Polygon, parts: readonly Polygon[]): readonly Aspects[] {
  const { least, most } = aspectsOf(region);
  const failing = parts.map(aspectsOf).sort((a, b) => a.least - b.least);
  const held: Aspects[] = [];
  let from = least;
  for (const one of failing) {
    if (one.least - from > narrowest) held.push({ least: from, most: one.least });
    from = Math.max(from, one.most);
  }
  if (most - from > narrowest) held.push({ least: from, most });
  return held;
}

/** Narrower ranges of aspects say nothing to anybody. */
const narrowest = 0.005;
