import { expect } from '@jest/globals';
import { createCanvas, loadImage } from '@napi-rs/canvas';

/** The pixels of a PNG, RGBA. */
export async function pixels(png: Uint8Array): Promise<Uint8ClampedArray> {
  const image = await loadImage(Buffer.from(png));
  const context = createCanvas(image.width, image.height).getContext('2d');
  context.drawImage(image, 0, 0);
  return context.getImageData(0, 0, image.width, image.height).data;
}

/** The share of pixels with one of the first channels off by more than some steps. */
export function stepsApart(
  one: Uint8ClampedArray,
  other: Uint8ClampedArray,
  steps: number,
  channels: 3 | 4 = 3,
): number {
  expect(one.length).toBe(other.length);
  let off = 0;
  for (let at = 0; at < one.length; at += 4) {
    for (let channel = 0; channel < channels; channel++) {
      if (Math.abs(one[at + channel]! - other[at + channel]!) <= steps) continue;
      off++;
      break;
    }
  }
  return off / (one.length / 4);
}

/** sRGB in linear light, by byte. */
const toLinear = Float64Array.from({ length: 256 }, (_, byte) =>
  byte <= 10 ? byte / 255 / 12.92 : ((byte / 255 + 0.055) / 1.055) ** 2.4,
);

const curve = (value: number) => (value > 216 / 24389 ? Math.cbrt(value) : ((24389 / 27) * value + 16) / 116);

/** CIE 1976 lightness and colour of the mean of a pixel and those around it, in sRGB, into `lab`. */
function seen(data: Uint8ClampedArray, width: number, at: number, lab: Float64Array): void {
  let [r, g, b, count] = [0, 0, 0, 0];
  for (let row = -width; row <= width; row += width) {
    for (let column = -1; column <= 1; column++) {
      const pixel = at + 4 * (row + column);
      if (pixel < 0 || pixel >= data.length) continue;
      count++;
      r += toLinear[data[pixel]!]!;
      g += toLinear[data[pixel + 1]!]!;
      b += toLinear[data[pixel + 2]!]!;
    }
  }
  const x = curve((0.4124 * r + 0.3576 * g + 0.1805 * b) / count / 0.9505);
  const y = curve((0.2126 * r + 0.7152 * g + 0.0722 * b) / count);
  const z = curve((0.0193 * r + 0.1192 * g + 0.9505 * b) / count / 1.089);
  lab[0] = 116 * y - 16;
  lab[1] = 500 * (x - y);
  lab[2] = 200 * (y - z);
}

/** A difference of 2.3 in CIELAB is just visible (Mahy et al. 1994) … */
const justVisible = 2.3;

/**
 * … once it is as large as the eye resolves: both pictures are looked at through the blur of the eye, a pixel to each
 * side, as S-CIELAB does (Zhang and Wandell 1996). The share of pixels that differ visibly.
 */
export function visiblyApart(one: Uint8ClampedArray, other: Uint8ClampedArray, width: number): number {
  expect(one.length).toBe(other.length);
  // Two steps of 255 in a channel are no visible difference in any colour: only what is near more is looked at.
  const near = new Uint8Array(one.length / 4);
  const words = [one, other].map((data) => new Uint32Array(data.buffer, data.byteOffset, near.length));
  for (let pixel = 0; pixel < near.length; pixel++) {
    if (words[0]![pixel] === words[1]![pixel]) continue;
    const at = pixel * 4;
    const most = Math.max(
      Math.abs(one[at]! - other[at]!),
      Math.abs(one[at + 1]! - other[at + 1]!),
      Math.abs(one[at + 2]! - other[at + 2]!),
    );
    if (most <= 2) continue;
    for (const row of [-width, 0, width])
      near.fill(1, Math.max(0, pixel + row - 1), Math.max(0, pixel + row + 2));
  }
  const [a, b] = [new Float64Array(3), new Float64Array(3)];
  let off = 0;
  for (let pixel = 0; pixel < near.length; pixel++) {
    if (near[pixel] === 0 || words[0]![pixel] === words[1]![pixel]) continue;
    seen(one, width, pixel * 4, a);
    seen(other, width, pixel * 4, b);
    if (Math.hypot(a[0]! - b[0]!, a[1]! - b[1]!, a[2]! - b[2]!) > justVisible) off++;
  }
  return off / near.length;
}
