import { CanvasCache, paintOnCanvas, type DrawList } from '../paint/index.ts';
import { canvasPackage } from './canvas-package.ts';

/** The most pixels that are drawn into one PNG. */
const mostPngPixels = 100_000_000;

/**
 * A drawing as a PNG file.
 * @throws MissingPackage @throws RangeError when the drawing has no area or more pixels than fit in memory.
 */
export function toPng(list: DrawList): Uint8Array {
  const { width, height } = list;
  if (!(width >= 1 && height >= 1 && width * height <= mostPngPixels)) {
    throw new RangeError(`a PNG of ${width} × ${height} px cannot be drawn`);
  }
  const { Path2D, createCanvas } = canvasPackage();
  const canvas = createCanvas(Math.round(width), Math.round(height));
  paintOnCanvas(list, canvas.getContext('2d'), new CanvasCache(createCanvas, () => new Path2D()));
  return canvas.toBuffer('image/png');
}
