import { createCanvas, type Image } from '@napi-rs/canvas';
import { paintOnCanvas, type DrawList } from '../paint/index.ts';
import type { Picture, Pixels } from '../picture/index.ts';

/** The most pixels that are drawn into one PNG. */
const mostPngPixels = 100_000_000;

/** The longer side of the small drawing that checks look at, in px. */
const sampleSide = 256;

/**
 * A drawing as a PNG file.
 * @throws RangeError when the drawing has no area or more pixels than fit in memory.
 */
export function toPng(list: DrawList): Uint8Array {
  const { width, height } = list;
  if (!(width >= 1 && height >= 1 && width * height <= mostPngPixels)) {
    throw new RangeError(`a PNG of ${width} × ${height} px cannot be drawn`);
  }
  const canvas = createCanvas(Math.round(width), Math.round(height));
  paintOnCanvas(list, canvas.getContext('2d'));
  return canvas.toBuffer('image/png');
}

/** The picture drawn small, so that checks can ask for the colour at a place. */
export function samplePicture(picture: Picture, drawable: Image): Pixels {
  const scale = Math.min(1, sampleSide / Math.max(picture.width, picture.height));
  const width = Math.max(1, Math.round(picture.width * scale));
  const height = Math.max(1, Math.round(picture.height * scale));
  const context = createCanvas(width, height).getContext('2d');
  context.drawImage(drawable, 0, 0, width, height);
  return { width, height, data: context.getImageData(0, 0, width, height).data };
}
