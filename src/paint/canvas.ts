import type { Rect } from '../layout/index.ts';
import {
  gradientLine,
  hexOf,
  isSquare,
  radialIn,
  type Corners,
  type Fill,
  type Stop,
} from '../theme/index.ts';
import {
  paint,
  paintOne,
  type DrawList,
  type GlyphRun,
  type OperationOf,
  type Painter,
  type PathStep,
  borderLine,
} from './draw-list.ts';
import type { CanvasCache, KeptPath } from './canvas-cache.ts';
import { traceGlyphs } from './glyphs.ts';
import type { KeptDrawing } from './live-drawing.ts';

interface CanvasGradient {
  addColorStop(offset: number, color: string): void;
}

/** The part of CanvasRenderingContext2D that is drawn with; a browser's and Node's canvas both have it. */
export interface CanvasContext {
  fillStyle: unknown;
  strokeStyle: unknown;
  lineWidth: number;
  lineJoin: 'bevel' | 'miter' | 'round';
  globalAlpha: number;
  shadowColor: string;
  shadowBlur: number;
  shadowOffsetX: number;
  shadowOffsetY: number;
  save(): void;
  restore(): void;
  beginPath(): void;
  closePath(): void;
  moveTo(x: number, y: number): void;
  lineTo(x: number, y: number): void;
  quadraticCurveTo(x1: number, y1: number, x: number, y: number): void;
  bezierCurveTo(x1: number, y1: number, x2: number, y2: number, x: number, y: number): void;
  rect(x: number, y: number, width: number, height: number): void;
  roundRect(x: number, y: number, width: number, height: number, radii: number[]): void;
  fill(): void;
  fill(path: never): void;
  stroke(): void;
  stroke(path: never): void;
  clip(rule?: 'nonzero' | 'evenodd'): void;
  getTransform(): { a: number; b: number; c: number; d: number; e: number; f: number };
  setTransform(a: number, b: number, c: number, d: number, e: number, f: number): void;
  clearRect(x: number, y: number, width: number, height: number): void;
  /** What it draws on; its size in px. */
  readonly canvas?: { readonly width: number; readonly height: number };
  translate(x: number, y: number): void;
  transform(a: number, b: number, c: number, d: number, e: number, f: number): void;
  setLineDash(segments: number[]): void;
  fillRect(x: number, y: number, width: number, height: number): void;
  strokeRect(x: number, y: number, width: number, height: number): void;
  createLinearGradient(x0: number, y0: number, x1: number, y1: number): CanvasGradient;
  createRadialGradient(
    x0: number,
    y0: number,
    r0: number,
    x1: number,
    y1: number,
    r1: number,
  ): CanvasGradient;
  imageSmoothingEnabled: boolean;
  imageSmoothingQuality: 'low' | 'medium' | 'high';
  drawImage(image: never, x: number, y: number, width: number, height: number): void;
  drawImage(
    image: never,
    fromX: number,
    fromY: number,
    fromWidth: number,
    fromHeight: number,
    x: number,
    y: number,
    width: number,
    height: number,
  ): void;
}

/** Draws the inside of a widget of the kind canvas, by its id: within its rectangle, in device px, where its clip leaves it. */
export type PaintGame = (id: string, context: CanvasContext, rect: Rect) => void;

/**
 * Draws on a canvas whose pixels are device px. A picture without a `drawable` is left out.
 * @param cache Makes tinted pictures and what groups are drawn on, and keeps them from one drawing to the next; without it
 * pictures are as they are, and in a group each thing is faded by itself.
 * @param game Draws what is in widgets of the kind canvas; nothing is drawn in them without it.
 */
export function paintOnCanvas(
  list: DrawList,
  context: CanvasContext,
  cache?: CanvasCache,
  game?: PaintGame,
): void {
  context.save();
  context.imageSmoothingQuality = 'high';
  paint(list, new CanvasPainter(context, cache, game));
  context.restore();
}

/**
 * Paints again what has changed of a drawing, on a canvas that shows what it was before: the pixels are those of painting
 * all of it, but at the edges of a clip that is turned or round and only painted in part, which canvases soften as they please. One px
 * of the canvas is one device px.
 */
export function repaintOnCanvas(
  drawing: KeptDrawing,
  context: CanvasContext,
  cache?: CanvasCache,
  game?: PaintGame,
): void {
  for (const { x, y, width, height } of drawing.changed) {
    context.save();
    context.imageSmoothingQuality = 'high';
    context.beginPath();
    context.rect(x, y, width, height);
    context.clip();
    context.clearRect(x, y, width, height);
    paintWithin(drawing, new CanvasPainter(context, cache, game), { x, y, width, height });
    context.restore();
  }
}

/** Draws what may change pixels in a rectangle. */
function paintWithin(drawing: KeptDrawing, painter: Painter, { x, y, width, height }: Rect): void {
  const { operations, areas } = drawing;
  const { bounds, ends } = areas;
  for (let at = 0; at < operations.length; at++) {
    const isRestore = operations[at]!.type === 'restore';
    const isOut =
      bounds[4 * at]! >= x + width ||
      bounds[4 * at + 1]! >= y + height ||
      bounds[4 * at + 2]! <= x ||
      bounds[4 * at + 3]! <= y;
    if (isOut && !isRestore) at = ends[at]! - 1;
    else paintOne(operations[at]!, painter);
  }
}

/** One small function for each operation. */
class CanvasPainter implements Painter {
  #context: CanvasContext;
  readonly #cache: CanvasCache | undefined;
  /** What restores end, innermost last: of a group, what was drawn on before it. */
  readonly #open: ({ readonly under: CanvasContext; readonly opacity: number } | undefined)[] = [];
  /** What is drawn with where a group could not be drawn by itself. */
  #fade = 1;
  #depth = 0;

  readonly #game: PaintGame | undefined;

  constructor(context: CanvasContext, cache: CanvasCache | undefined, game: PaintGame | undefined) {
    this.#context = context;
    this.#game = game;
    this.#cache = cache;
  }

  box({ rect, radius, fill, border, opacity }: OperationOf<'box'>): void {
    const context = this.#context;
    context.globalAlpha = opacity * this.#fade;
    if (fill) {
      outline(context, rect, radius);
      if (fill.type === 'radial') fillRadially(context, fill, rect);
      else {
        context.fillStyle = styleOf(fill, rect, context);
        context.fill();
      }
    }
    if (border) {
      const line = borderLine(rect, radius, border.width);
      if (line) {
        context.strokeStyle = hexOf(border.color);
        context.lineWidth = border.width;
        context.setLineDash(border.dash === undefined ? [] : [border.dash]);
        // Along pixels, whatever part of it is painted: a path may be softened otherwise where it is cut.
        if (isSquare(line.radius)) {
          const { x, y, width, height } = line.rect;
          context.strokeRect(x, y, width, height);
        } else {
          outline(context, line.rect, line.radius);
          context.stroke();
        }
      }
    }
    context.globalAlpha = 1;
  }

  picture({ rect, from, picture, opacity, pixelated, tint }: OperationOf<'picture'>): void {
    const context = this.#context;
    if (picture.drawable === undefined) return;
    const { x, y, width, height } = rect;
    context.globalAlpha = opacity * this.#fade;
    context.imageSmoothingEnabled = pixelated !== true;
    const tinted = tint ? this.#cache?.tinted(picture, tint) : undefined;
    const drawable = (tinted ?? picture.drawable) as never;
    if (from) context.drawImage(drawable, from.x, from.y, from.width, from.height, x, y, width, height);
    else context.drawImage(drawable, x, y, width, height);
    context.imageSmoothingEnabled = true;
    context.globalAlpha = 1;
  }

  path({ steps, ...ink }: OperationOf<'path'>): void {
    follow(this.#context, steps);
    this.#ink(ink, undefined);
  }

  glyphs({ runs, ...ink }: OperationOf<'glyphs'>): void {
    const path = this.#cache?.path(runs);
    if (!path) trace(this.#context, runs);
    this.#ink(ink, path);
  }

  /** Fills a path, or the one that was just followed, with its outline under it. */
  #ink(
    { color, opacity, outline: edge }: Pick<OperationOf<'path'>, 'color' | 'opacity' | 'outline'>,
    path: KeptPath | undefined,
  ): void {
    const context = this.#context;
    context.globalAlpha = opacity * this.#fade;
    if (edge) {
      context.strokeStyle = hexOf(edge.color);
      context.lineWidth = 2 * edge.width;
      context.lineJoin = 'round';
      context.setLineDash([]);
      if (path) context.stroke(path as never);
      else context.stroke();
      context.lineJoin = 'miter';
    }
    context.fillStyle = hexOf(color);
    if (path) context.fill(path as never);
    else context.fill();
    context.globalAlpha = 1;
  }

  shadow({ shape, blur, color, opacity, without }: OperationOf<'shadow'>): void {
    const context = this.#context;
    context.save();
    if (without) {
      // Everything but the box: its outline in a rectangle, filled by the even-odd rule.
      outline(context, without.rect, without.radius);
      context.rect(-far, -far, 2 * far, 2 * far);
      context.clip('evenodd');
    }
    context.globalAlpha = opacity * this.#fade;
    const { a, b, c, d } = context.getTransform();
    const determinant = a * d - b * c || 1;
    // The shape itself is moved off the canvas: what falls back on it is the shadow alone. Shadows do not follow the
    // transform of the canvas, so that the way back is the same whatever it is.
    context.translate((-far * d) / determinant, (far * b) / determinant);
    context.shadowOffsetX = far;
    context.shadowBlur = blur * Math.sqrt(Math.abs(determinant));
    context.shadowColor = hexOf(color);
    context.fillStyle = '#000000';
    if (shape.type === 'box') outline(context, shape.rect, shape.radius);
    else if (shape.type === 'path') follow(context, shape.steps);
    else trace(context, shape.runs, shape.right, shape.down);
    context.fill();
    context.restore();
  }

  game({ id, rect, opacity }: OperationOf<'game'>): void {
    if (!this.#game) return;
    const context = this.#context;
    // Whatever a game sets there is set for itself alone.
    context.save();
    context.globalAlpha = opacity * this.#fade;
    this.#game(id, context, rect);
    context.restore();
  }

  clip({ rect, radius }: OperationOf<'clip'>): void {
    const context = this.#context;
    this.#open.push(undefined);
    context.save();
    outline(context, rect, radius);
    context.clip();
  }

  turn({ matrix: [a, b, c, d, e, f] }: OperationOf<'turn'>): void {
    const context = this.#context;
    this.#open.push(undefined);
    context.save();
    context.transform(a, b, c, d, e, f);
  }

  group({ opacity }: OperationOf<'group'>): void {
    const under = this.#context;
    this.#open.push({ under, opacity });
    const size = under.canvas;
    const layer = size && (this.#cache?.layer(this.#depth, size) as CanvasContext | undefined);
    if (!layer) {
      this.#fade *= opacity;
      return;
    }
    this.#depth++;
    layer.setTransform(1, 0, 0, 1, 0, 0);
    layer.clearRect(0, 0, size.width, size.height);
    const { a, b, c, d, e, f } = under.getTransform();
    layer.setTransform(a, b, c, d, e, f);
    layer.imageSmoothingQuality = 'high';
    this.#context = layer;
  }

  restore(): void {
    const group = this.#open.pop();
    if (!group) {
      this.#context.restore();
      return;
    }
    const { under, opacity } = group;
    if (this.#context === under) {
      this.#fade /= opacity;
      return;
    }
    const layer = this.#context;
    this.#depth--;
    this.#context = under;
    under.save();
    under.setTransform(1, 0, 0, 1, 0, 0);
    under.globalAlpha = opacity * this.#fade;
    const { width, height } = layer.canvas!;
    under.drawImage(layer.canvas as never, 0, 0, width, height);
    under.restore();
  }
}

/** Further than any canvas is wide or high, in device px. */
const far = 32_768;

function follow(context: CanvasContext, steps: readonly PathStep[]): void {
  context.beginPath();
  for (const { type, values } of steps) {
    const [a, b, c, d, e, f] = values as [number, number, number, number, number, number];
    if (type === 'M') context.moveTo(a, b);
    else if (type === 'L') context.lineTo(a, b);
    else if (type === 'Q') context.quadraticCurveTo(a, b, c, d);
    else if (type === 'C') context.bezierCurveTo(a, b, c, d, e, f);
    else context.closePath();
  }
}

function trace(context: CanvasContext, runs: readonly GlyphRun[], right = 0, down = 0): void {
  context.beginPath();
  traceGlyphs(runs, context, right, down);
}

function outline(context: CanvasContext, rect: Rect, radius: Corners): void {
  context.beginPath();
  const { topLeft, topRight, bottomRight, bottomLeft } = radius;
  if (!isSquare(radius))
    context.roundRect(rect.x, rect.y, rect.width, rect.height, [topLeft, topRight, bottomRight, bottomLeft]);
  else context.rect(rect.x, rect.y, rect.width, rect.height);
}

/** Fills the outline there is. A canvas has circles alone: an ellipse is one that is pressed. */
function fillRadially(context: CanvasContext, fill: Fill & { type: 'radial' }, rect: Rect): void {
  const { x, y, rx, ry } = radialIn(fill, rect.width, rect.height);
  context.save();
  context.clip();
  context.transform(rx, 0, 0, ry, rect.x + x, rect.y + y);
  const gradient = context.createRadialGradient(0, 0, 0, 0, 0, 1);
  addStops(gradient, fill.stops);
  context.fillStyle = gradient;
  context.fillRect(-x / rx, -y / ry, rect.width / rx, rect.height / ry);
  context.restore();
}

function addStops(gradient: CanvasGradient, stops: readonly Stop[]): void {
  for (const { at, color } of stops) gradient.addColorStop(Math.min(1, Math.max(0, at)), hexOf(color));
}

function styleOf(fill: Exclude<Fill, { type: 'radial' }>, rect: Rect, context: CanvasContext): unknown {
  if (fill.type === 'color') return hexOf(fill.color);
  const line = gradientLine(fill.angle, rect.width, rect.height);
  const gradient = context.createLinearGradient(
    rect.x + line.x0,
    rect.y + line.y0,
    rect.x + line.x1,
    rect.y + line.y1,
  );
  addStops(gradient, fill.stops);
  return gradient;
}
