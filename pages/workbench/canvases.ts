import type { Screen } from 'pimbot';
import type { Wanted } from './messages.ts';

/** The canvases of the page, by the name of what they show. */
export class Canvases {
  readonly #all = new Map<string, { readonly canvas: HTMLCanvasElement; readonly scale: number }>();

  /**
   * Of two with one name the later one is shown: the earlier is on its way out of the page.
   * @param scale CSS px for one px of the screen. @returns what takes it back.
   */
  add(name: string, canvas: HTMLCanvasElement, scale: number): () => void {
    this.#all.set(name, { canvas, scale });
    return () => {
      if (this.#all.get(name)?.canvas === canvas) this.#all.delete(name);
    };
  }

  /** How a screen is drawn that is shown as small as its canvas is. */
  wanted(screen: Screen): Wanted {
    const { scale = 1 } = this.#all.get(screen.name) ?? {};
    return { screen, scale: Math.min(1, scale * (devicePixelRatio || 1)) };
  }

  has(name: string): boolean {
    return this.#all.has(name);
  }

  /** Shows a picture on the canvas of a name; it is used up. Handed over whole: one that is drawn on costs in every frame. */
  show(name: string, bitmap: ImageBitmap): void {
    const { canvas } = this.#all.get(name) ?? {};
    if (!canvas) return bitmap.close();
    if (canvas.width !== bitmap.width) canvas.width = bitmap.width;
    if (canvas.height !== bitmap.height) canvas.height = bitmap.height;
    canvas.getContext('bitmaprenderer')!.transferFromImageBitmap(bitmap);
    canvas.dataset.drawn = String(Number(canvas.dataset.drawn ?? 0) + 1);
  }
}
