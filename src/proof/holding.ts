import { boundsOf, contains, within, type Point, type Polygon } from './polygon.ts';

/*
 * What people ask of a proof: from which size up a view holds, and for which aspects.
 */

/** All sizes between two, in whole px. */
export interface Between {
  readonly from: { readonly width: number; readonly height: number };
  readonly to: { readonly width: number; readonly height: number };
}

/**
 * A range of sizes around one on all of which a view holds, narrow and wide ones alike: both ends have the aspect of that
 * size, as far as the region goes, and the upper one is as large as the lower one lets it. Undefined where the size itself is in one of the parts, or not in the region.
 * @param parts Where something fails, or is not proved. @param around A size, as the reference.
 */
export function holdsBetween(
  region: Polygon,
  parts: readonly Polygon[],
  around: { readonly width: number; readonly height: number },
): Between | undefined {
  if (!contains(region, { x: around.width, y: around.height })) return undefined;
  const aspect = around.width / around.height;
  // How high the screens of that aspect are that a screen just holds, and that just hold it.
  const inner = ({ x, y }: Point) => Math.min(x / aspect, y);
  const outer = ({ x, y }: Point) => Math.max(x / aspect, y);
  let least = Math.ceil(Math.min(...region.map(inner)));
  let most = Math.floor(Math.max(...region.map(outer)));
  const above: Polygon[] = [];
  for (const part of parts) {
    const low = Math.max(...[...part, ...onAspect(part, aspect)].map(inner));
    // A range that begins after a part keeps it out.
    if (low < around.height) least = Math.max(least, Math.floor(low + 1));
    else above.push(part);
  }
  for (const part of above) {
    const left = within(part, [
      { x: 1, y: 0, c: -least * aspect },
      { x: 0, y: 1, c: -least },
    ]);
    if (left.length < 3) continue;
    // So does one that ends before it.
    const high = Math.min(...[...left, ...onAspect(left, aspect)].map(outer));
    if (high <= around.height) return undefined;
    most = Math.min(most, Math.ceil(high - 1));
  }
  if (least >= most) return undefined;
  const bounds = boundsOf(region);
  const size = (height: number, width: number) => ({
    width: Math.min(bounds.right, Math.max(bounds.left, width)),
    height,
  });
  return { from: size(least, Math.ceil(least * aspect)), to: size(most, Math.floor(most * aspect)) };
}

/** Where the borders of a polygon have an aspect. */
function onAspect(polygon: Polygon, aspect: number): readonly Point[] {
  return polygon.flatMap((point, nth) => {
    const next = polygon[(nth + 1) % polygon.length]!;
    const [here, there] = [point.x - aspect * point.y, next.x - aspect * next.y];
    if (here * there >= 0) return [];
    const share = here / (here - there);
    return [{ x: point.x + (next.x - point.x) * share, y: point.y + (next.y - point.y) * share }];
  });
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
