import type { Picture } from '../picture/index.ts';
import type { GlyphRun } from './draw-list.ts';
import { traceGlyphs, type PathSink } from './glyphs.ts';
import { hexOf, type Rgba } from '../theme/index.ts';

/** What is drawn on to tint a picture. */
export interface TintContext {
  drawImage(image: never, x: number, y: number, width: number, height: number): void;
  getImageData(x: number, y: number, width: number, height: number): { readonly data: Uint8ClampedArray };
  putImageData(pixels: never, x: number, y: number): void;
}

/** A canvas with nothing on it, as `new OffscreenCanvas(width, height)` or Node's `createCanvas(width, height)`. */
export type MakeCanvas = (width: number, height: number) => { getContext(kind: '2d'): TintContext | null };

/** A path that is traced once and filled often, as `new Path2D()` makes one. */
export type KeptPath = PathSink;

/**
 * What is kept from one drawing on a canvas to the next: pictures whose colours are multiplied by others, canvases for groups,
 * and the outlines of texts, which are the same objects as long as nothing about them changes.
 */
export class CanvasCache {
  readonly #make: MakeCanvas;
  readonly #kept = new WeakMap<Picture, Map<string, unknown>>();
  readonly #layers: (
    { readonly width: number; readonly height: number; readonly context: TintContext } | undefined
  )[] = [];

  readonly #makePath: (() => KeptPath) | undefined;
  readonly #paths = new WeakMap<readonly GlyphRun[], KeptPath>();

  /** @param makePath As `() => new Path2D()`; without it the outlines of texts are traced anew for every drawing. */
  constructor(make: MakeCanvas, makePath?: () => KeptPath) {
    this.#make = make;
    this.#makePath = makePath;
  }

  /** The outlines of glyphs as one path; undefined where none can be kept. */
  path(runs: readonly GlyphRun[]): KeptPath | undefined {
    let path = this.#paths.get(runs);
    if (!path && this.#makePath) {
      path = this.#makePath();
      traceGlyphs(runs, path);
      this.#paths.set(runs, path);
    }
    return path;
  }

  /** A picture multiplied by a colour, as something a canvas draws; undefined where it cannot be made. */
  tinted(picture: Picture, tint: Rgba): unknown {
    let kept = this.#kept.get(picture);
    if (!kept) this.#kept.set(picture, (kept = new Map<string, unknown>()));
    const name = hexOf(tint);
    if (!kept.has(name)) {
      // A game that fades a tint would keep every shade of it.
      if (kept.size >= mostShades) kept.clear();
      kept.set(name, this.#tint(picture, tint));
    }
    return kept.get(name);
  }

  /** What a group so deep in others is drawn on, as large as what it is laid over; undefined where it cannot be made. */
  layer(depth: number, { width, height }: { readonly width: number; readonly height: number }): unknown {
    const kept = this.#layers[depth];
    if (kept?.width === width && kept.height === height) return kept.context;
    const context = width > 0 && height > 0 ? this.#make(width, height).getContext('2d') : null;
    if (!context) return undefined;
    this.#layers[depth] = { width, height, context };
    return context;
  }

  #tint({ drawable, width, height }: Picture, { r, g, b, a }: Rgba): unknown {
    const [wide, high] = [Math.max(1, Math.ceil(width)), Math.max(1, Math.ceil(height))];
    const canvas = this.#make(wide, high);
    const context = canvas.getContext('2d');
    if (!context || drawable === undefined) return undefined;
    context.drawImage(drawable as never, 0, 0, width, height);
    const pixels = context.getImageData(0, 0, wide, high);
    const { data } = pixels;
    for (let at = 0; at < data.length; at += 4) {
      data[at] = data[at]! * r;
      data[at + 1] = data[at + 1]! * g;
      data[at + 2] = data[at + 2]! * b;
      data[at + 3] = data[at + 3]! * a;
    }
    context.putImageData(pixels as never, 0, 0);
    return canvas;
  }
}

/** Shades of one picture that are kept. */
const mostShades = 64;
