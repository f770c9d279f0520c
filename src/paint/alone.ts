import { areaOf, isNowhere } from './areas.ts';
import type { CanvasCache } from './canvas-cache.ts';
import { paintOnCanvas, type CanvasContext } from './canvas.ts';
import type { DrawOperation } from './draw-list.ts';

/** A canvas of whole px: of a page, or of its own. */
interface Drawable<Canvas> {
  readonly canvas: Canvas;
  readonly context: CanvasContext;
}

/**
 * One operation on a canvas of whole px around it, for painters whose host has nothing of its own for it.
 * @param make Makes a canvas of a size in px.
 * @returns the canvas, and where its left top corner is, in device px; undefined where nothing would be drawn.
 */
export function drawnAlone<Canvas>(
  operation: DrawOperation,
  make: (width: number, height: number) => Drawable<Canvas>,
  cache: CanvasCache,
):
  | {
      readonly canvas: Canvas;
      readonly x: number;
      readonly y: number;
      readonly width: number;
      readonly height: number;
    }
  | undefined {
  const area = areaOf(operation);
  if (isNowhere(area)) return undefined;
  const [x, y] = [Math.floor(area.left), Math.floor(area.top)];
  const [width, height] = [Math.ceil(area.right) - x, Math.ceil(area.bottom) - y];
  const { canvas, context } = make(width, height);
  context.translate(-x, -y);
  paintOnCanvas({ width, height, title: '', operations: [operation] }, context, cache);
  return { canvas, x, y, width, height };
}
