import type { Polygon, ProvedSizes } from '../proof/index.ts';

type Corners = readonly (readonly [x: number, y: number])[];

/** Proofs as a baseline keeps them: plain data. Corners are in px of the screen. */
export interface SavedProofs {
  /** The locales that were proved, where not all of the document were. */
  readonly locales?: readonly string[];
  readonly views: readonly {
    readonly view: string;
    readonly region: Corners;
    /** The sizes that fail, and those that are not proved. */
    readonly open: readonly Corners[];
  }[];
}

export function writtenProofs(
  proofs: readonly ProvedSizes[],
  locales: readonly string[] | undefined,
): SavedProofs {
  return {
    ...(locales && { locales }),
    views: proofs.map(({ view, region, open }) => ({
      view,
      region: cornersOf(region),
      open: open.map(cornersOf),
    })),
  };
}

/** Proofs that were kept; undefined where a file holds something else in their place. */
export function readProofs(saved: unknown): readonly ProvedSizes[] | undefined {
  const { locales, views } = (saved ?? {}) as Partial<SavedProofs>;
  const areNames = locales === undefined || (Array.isArray(locales) && locales.every(isText));
  if (!areNames || !Array.isArray(views)) return undefined;
  const found: ProvedSizes[] = [];
  for (const one of views as readonly unknown[]) {
    const { view, region, open } = (one ?? {}) as Partial<SavedProofs['views'][number]>;
    if (
      !isText(view) ||
      !(isPolygon(region) || isNone(region)) ||
      !Array.isArray(open) ||
      !open.every(isPolygon)
    )
      return undefined;
    found.push({ view, region: polygonOf(region), open: open.map(polygonOf) });
  }
  return found;
}

/** Thousandths of a px are finer than what counts as a difference. */
function cornersOf(polygon: Polygon): Corners {
  return polygon.map(({ x, y }) => [Math.round(x * 1000) / 1000, Math.round(y * 1000) / 1000]);
}

function polygonOf(corners: Corners): Polygon {
  return corners.map(([x, y]) => ({ x, y }));
}

function isText(value: unknown): value is string {
  return typeof value === 'string';
}

/** Of a view that supports none of the sizes. */
function isNone(value: unknown): value is Corners {
  return Array.isArray(value) && value.length === 0;
}

function isPolygon(value: unknown): value is Corners {
  return (
    Array.isArray(value) &&
    value.length > 2 &&
    value.every((corner) => Array.isArray(corner) && corner.length === 2 && corner.every(Number.isFinite))
  );
}
