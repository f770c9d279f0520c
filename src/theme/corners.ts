/** The radius of each corner of a box, in the unit of the box. */
export interface Corners {
  readonly topLeft: number;
  readonly topRight: number;
  readonly bottomRight: number;
  readonly bottomLeft: number;
}

/** Four corners of one radius. */
export function evenCorners(radius: number): Corners {
  return { topLeft: radius, topRight: radius, bottomRight: radius, bottomLeft: radius };
}

export const square = evenCorners(0);

/** Each radius after a change. */
export function mapCorners(corners: Corners, change: (radius: number) => number): Corners {
  return {
    topLeft: change(corners.topLeft),
    topRight: change(corners.topRight),
    bottomRight: change(corners.bottomRight),
    bottomLeft: change(corners.bottomLeft),
  };
}

export function isSquare({ topLeft, topRight, bottomRight, bottomLeft }: Corners): boolean {
  return topLeft === 0 && topRight === 0 && bottomRight === 0 && bottomLeft === 0;
}

/** Radii that would cross in a box shrink, all by the same factor (CSS Backgrounds 3 §4.5). */
export function fittedCorners(corners: Corners, width: number, height: number): Corners {
  const { topLeft, topRight, bottomRight, bottomLeft } = corners;
  const factor = Math.min(
    1,
    width / Math.max(topLeft + topRight, bottomLeft + bottomRight, 1e-9),
    height / Math.max(topLeft + bottomLeft, topRight + bottomRight, 1e-9),
  );
  return factor >= 1 ? corners : mapCorners(corners, (radius) => radius * Math.max(0, factor));
}

/** One to four radii in the order of CSS's border-radius: from the left top corner clockwise. */
export function parseCorners(value: string | number): Corners | undefined {
  const numbers = String(value)
    .trim()
    .split(/\s+/)
    .map((part) => (part === '' ? NaN : Number(part.replace(/(px|u)$/, ''))));
  if (numbers.length > 4 || numbers.some((radius) => !(radius >= 0 && radius <= 10_000))) return undefined;
  const [topLeft, topRight = topLeft!, bottomRight = topLeft!, bottomLeft = topRight] = numbers;
  return { topLeft: topLeft!, topRight, bottomRight, bottomLeft };
}
