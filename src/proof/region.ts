import { makeScreen, type Screen, type ScreenSize } from '../screen/index.ts';
import { plus, thickness, thinnest, within, type Affine, type Point, type Polygon } from './polygon.ts';

/** Screens of one kind, of any size: everything else about them, in px or as shares of their sides. */
export interface Device extends Omit<ScreenSize, 'name' | 'title' | 'width' | 'height' | 'safe' | 'corners'> {
  /** What its safe insets take: px, and shares of the width (left, right) or the height (top, bottom). */
  readonly safe?: { readonly px: Insets; readonly shares: Insets };
}

type Insets = readonly [top: number, right: number, bottom: number, left: number];

/** Sizes of screens: all between two, and between two aspects. */
export interface Region {
  readonly from: { readonly width: number; readonly height: number };
  readonly to: { readonly width: number; readonly height: number };
  /** Width divided by height; any if left out. */
  readonly aspect?: { readonly least: number; readonly most: number };
}

/** A region of which further lines take something away: what is left is where none of the numbers is below 0. */
export interface BoundedRegion extends Region {
  readonly lines?: readonly Affine[];
}

/** The corners of a region. @throws RangeError where it has no area. */
export function regionOf({ from, to, aspect, lines = [] }: BoundedRegion): Polygon {
  const box = [
    { x: from.width, y: from.height },
    { x: to.width, y: from.height },
    { x: to.width, y: to.height },
    { x: from.width, y: to.height },
  ];
  const limits = [...lines];
  if (aspect && aspect.least > 0) limits.push({ x: 1, y: -aspect.least, c: 0 });
  if (aspect && aspect.most < Infinity) limits.push({ x: -1, y: aspect.most, c: 0 });
  const region = to.width > from.width && to.height > from.height ? within(box, limits) : [];
  if (region.length < 3 || thickness(region) < thinnest)
    throw new RangeError('no screen, or only a line of them, is that large and has that aspect');
  return region;
}

/** Sizes beyond the edges of a region that are looked at with it, in px: what is so on an edge alone has no area in it. */
const edge = 0.01;

/** A region with a hair around it. */
export function withEdges({ from, to, aspect, lines }: BoundedRegion): BoundedRegion {
  const few = edge / to.width;
  return {
    from: { width: from.width - edge, height: from.height - edge },
    to: { width: to.width + edge, height: to.height + edge },
    ...(aspect && { aspect: { least: aspect.least * (1 - few), most: aspect.most * (1 + few) } }),
    ...(lines && { lines: lines.map((line) => plus(line, edge * Math.hypot(line.x, line.y))) }),
  };
}

/** Whether any size is that large and has that aspect, and not a line of them alone. */
export function hasArea(region: BoundedRegion): boolean {
  try {
    regionOf(region);
    return true;
  } catch (error) {
    if (error instanceof RangeError) return false;
    throw error;
  }
}

/** One screen of a device. */
export function screenOf(device: Device, size: Point): Screen {
  return screensOf(device)(size);
}

/** Makes the screens of a device, each from its size. */
export function screensOf({ safe, ...rest }: Device): (size: Point) => Screen {
  const { group, density, corners, distance, inputs } = makeScreen({ ...rest, width: 0, height: 0 });
  const { px, shares } = safe ?? { px: none, shares: none };
  return ({ x: width, y: height }) =>
    makeScreen({
      name: `${width}x${height}`,
      title: `${width} × ${height}`,
      group,
      width,
      height,
      density,
      safe: {
        top: px[0] + shares[0] * height,
        right: px[1] + shares[1] * width,
        bottom: px[2] + shares[2] * height,
        left: px[3] + shares[3] * width,
      },
      corners,
      distance,
      inputs,
    });
}

const none: Insets = [0, 0, 0, 0];

/** Every size from a small window to the largest monitors, and an ordinary desktop monitor: what is proved where nobody says more. */
export const everySize: Region = { from: { width: 640, height: 360 }, to: { width: 7680, height: 4320 } };
export const desktop: Device = { density: 92, distance: 600, inputs: ['mouse', 'keys'] };
