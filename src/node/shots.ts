import { CanvasCache, paintOnCanvas } from '../paint/index.ts';
import type { DrawnShot, Shot } from '../report/index.ts';
import { canvasPackage } from './canvas-package.ts';

/** The longer side of a shot in a report, in px: enough to read in when it is shown large. */
const shotSide = 720;
/** Quality of its WebP: a page of three hundred shots stays under 10 MB. */
const shotQuality = 50;

/** Draws shots small, one after the other. */
export function drawShots(shots: Iterable<Shot>): DrawnShot[] {
  const { Path2D, createCanvas } = canvasPackage();
  const cache = new CanvasCache(createCanvas, () => new Path2D());
  const drawn: DrawnShot[] = [];
  for (const { list, ...shot } of shots) {
    const scale = Math.min(1, shotSide / Math.max(shot.width, shot.height));
    const canvas = createCanvas(
      Math.max(1, Math.round(shot.width * scale)),
      Math.max(1, Math.round(shot.height * scale)),
    );
    const context = canvas.getContext('2d');
    context.scale(scale, scale);
    paintOnCanvas(list, context, cache);
    const bytes = canvas.toBuffer('image/webp', shotQuality);
    drawn.push({ ...shot, picture: `data:image/webp;base64,${bytes.toString('base64')}` });
  }
  return drawn;
}
