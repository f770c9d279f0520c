import { repaintOnCanvas, type CanvasCache, type Screen, type ViewLayout } from 'pimbot';
import { LayoutDrawing } from 'pimbot/tools';
import type { SmallerPictures } from './smaller.ts';

/** A sheet that is drawn again and again, many times a second while something is dragged: it is painted only where it differs. */
export class KeptSheet {
  readonly #drawing = new LayoutDrawing();
  readonly #canvas: OffscreenCanvas;
  readonly #context: OffscreenCanvasRenderingContext2D;
  readonly #scale: number;

  constructor({ width, height }: Screen, scale: number) {
    this.#scale = scale;
    this.#canvas = new OffscreenCanvas(
      Math.max(1, Math.round(width * scale)),
      Math.max(1, Math.round(height * scale)),
    );
    this.#context = this.#canvas.getContext('2d')!;
    this.#context.scale(this.#canvas.width / width, this.#canvas.height / height);
  }

  /** The sheet with this on it. */
  picture(on: ViewLayout, smaller: SmallerPictures, cache: CanvasCache): ImageBitmap {
    const list = smaller.for(this.#drawing.update(on), this.#scale);
    const across = this.#canvas.width / list.width;
    const down = this.#canvas.height / list.height;
    // In whole px of the sheet: what is painted beside must not shine through at an edge.
    const changed = list.changed.map(({ x, y, width, height }) => {
      const [left, right] = [Math.floor(x * across) - 1, Math.ceil((x + width) * across) + 1];
      const [top, bottom] = [Math.floor(y * down) - 1, Math.ceil((y + height) * down) + 1];
      return {
        x: left / across,
        y: top / down,
        width: (right - left) / across,
        height: (bottom - top) / down,
      };
    });
    repaintOnCanvas({ ...list, changed }, this.#context, cache);
    const copy = new OffscreenCanvas(this.#canvas.width, this.#canvas.height);
    copy.getContext('2d')!.drawImage(this.#canvas, 0, 0);
    return copy.transferToImageBitmap();
  }
}
