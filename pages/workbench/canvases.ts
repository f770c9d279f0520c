import type { Screen } from 'pimbot';
import type { Wanted } from './messages.ts';

/** Px of a thumbnail's longer side. */
const thumbSide = 220;

/** A screen drawn as small as it is shown among all. */
export function thumbOf(screen: Screen): Wanted {
  const side = thumbSide * (devicePixelRatio || 1);
  return { screen, scale: Math.min(1, side / Math.max(screen.width, screen.height)) };
}

/** The canvases of the page, by the name of what they show. */
export class Canvases {
  readonly #all = new Map<string, Set<HTMLCanvasElement>>();

  /** @returns what takes it back. */
  add(name: string, canvas: HTMLCanvasElement): () => void {
    const known = this.#all.get(name) ?? new Set();
    this.#all.set(name, known.add(canvas));
    return () => {
      known.delete(canvas);
      if (known.size === 0) this.#all.delete(name);
    };
  }

  has(name: string): boolean {
    return this.#all.has(name);
  }

  /** Shows a picture on every canvas of a name; it is used up. */
  show(name: string, bitmap: ImageBitmap): void {
    for (const canvas of this.#all.get(name) ?? []) {
      if (canvas.width !== bitmap.width) canvas.width = bitmap.width;
      if (canvas.height !== bitmap.height) canvas.height = bitmap.height;
      const context = canvas.getContext('2d')!;
      context.clearRect(0, 0, bitmap.width, bitmap.height);
      context.drawImage(bitmap, 0, 0);
      canvas.dataset.drawn = String(Number(canvas.dataset.drawn ?? 0) + 1);
    }
    bitmap.close();
  }
}
