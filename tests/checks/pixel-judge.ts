import { createCanvas } from '@napi-rs/canvas';
import { CanvasCache, makeScreen, paintOnCanvas, type DrawList, type DrawOperation } from 'pimbot';

export const screen = makeScreen({ width: 480, height: 300, density: 96, distance: 600 });
/** Room around the screen in which what lies beyond its edges is painted. */
export const margin = 120;
export const pixelsWide = screen.width + 2 * margin;
const pixelsHigh = screen.height + 2 * margin;

export interface Extent {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** What a drawing leaves on a canvas with room around the screen, on a backdrop where one is given; RGBA. */
export function painted(
  { operations, ...list }: DrawList,
  keep: (one: DrawOperation) => boolean,
  backdrop?: string,
): Uint8ClampedArray {
  const context = createCanvas(pixelsWide, pixelsHigh).getContext('2d');
  if (backdrop !== undefined) {
    context.fillStyle = backdrop;
    context.fillRect(0, 0, pixelsWide, pixelsHigh);
  }
  context.translate(margin, margin);
  paintOnCanvas({ ...list, operations: operations.filter(keep) }, context, new CanvasCache(createCanvas));
  return context.getImageData(0, 0, pixelsWide, pixelsHigh).data;
}

/** The rectangle around every pixel that is more opaque than that in both of two pictures, in device px of the screen. */
export function extentOf(one: Uint8ClampedArray, above = 0, other = one): Extent | undefined {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  let at = 3;
  for (let y = 0; y < pixelsHigh; y++) {
    for (let x = 0; x < pixelsWide; x++, at += 4) {
      if (one[at]! <= above || other[at]! <= above) continue;
      if (x < left) left = x;
      if (x + 1 > right) right = x + 1;
      if (y < top) top = y;
      bottom = y + 1;
    }
  }
  if (left === Infinity) return undefined;
  return { left: left - margin, top: top - margin, right: right - margin, bottom: bottom - margin };
}

/** CSS px that one px of the screen is, by the angle it is seen under. */
export const cssPixel = (28 * 25.4) / 600;

/** By how much pixels may differ from lengths: edges are rounded, letters are softened. */
export const tolerance = 1.5;

/** Judges what a check says of what was reported and what was not. */
export class Judge {
  reported = 0;
  passed = 0;
  readonly wrong: string[] = [];

  /** @param apart Whether what is measured is far enough from the limit for a pixel to tell. */
  take(said: boolean, seen: boolean, apart: boolean, what: string): void {
    if (!apart) return;
    if (said) this.reported++;
    else this.passed++;
    if (said !== seen) this.wrong.push(`${what}: said ${said}, seen ${seen}`);
  }
}

export function luminance(data: Uint8ClampedArray, at: number): number {
  const linear = (value: number) => (value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4);
  return (
    0.2126 * linear(data[at]! / 255) +
    0.7152 * linear(data[at + 1]! / 255) +
    0.0722 * linear(data[at + 2]! / 255)
  );
}
