import type { Rect } from '../layout/index.ts';
import { gradientLine, hexOf, type Fill } from '../theme/index.ts';
import { paint, type DrawList, type Painter } from './draw-list.ts';

interface CanvasGradient {
  addColorStop(offset: number, color: string): void;
}

/** The part of CanvasRenderingContext2D that is drawn with; a browser's and Node's canvas both have it. */
export interface CanvasContext {
  fillStyle: unknown;
  strokeStyle: unknown;
  lineWidth: number;
  globalAlpha: number;
  save(): void;
  restore(): void;
  beginPath(): void;
  closePath(): void;
  moveTo(x: number, y: number): void;
  lineTo(x: number, y: number): void;
  quadraticCurveTo(x1: number, y1: number, x: number, y: number): void;
  bezierCurveTo(x1: number, y1: number, x2: number, y2: number, x: number, y: number): void;
  rect(x: number, y: number, width: number, height: number): void;
  roundRect(x: number, y: number, width: number, height: number, radius: number): void;
  fill(): void;
  stroke(): void;
  clip(): void;
  transform(a: number, b: number, c: number, d: number, e: number, f: number): void;
  setLineDash(segments: number[]): void;
  createLinearGradient(x0: number, y0: number, x1: number, y1: number): CanvasGradient;
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

/** Draws on a canvas whose pixels are device px. Pictures need their `drawable`; one without is left out. */
export function paintOnCanvas(list: DrawList, context: CanvasContext): void {
  const painter: Painter = {
    box({ rect, radius, fill, border, opacity }) {
      context.globalAlpha = opacity;
      if (fill) {
        context.fillStyle = styleOf(fill, rect, context);
        outline(context, rect, radius);
        context.fill();
      }
      if (border) {
        const half = border.width / 2;
        const inner = {
          x: rect.x + half,
          y: rect.y + half,
          width: rect.width - border.width,
          height: rect.height - border.width,
        };
        if (inner.width > 0 && inner.height > 0) {
          context.strokeStyle = hexOf(border.color);
          context.lineWidth = border.width;
          context.setLineDash(border.dash === undefined ? [] : [border.dash]);
          outline(context, inner, Math.max(0, radius - half));
          context.stroke();
        }
      }
      context.globalAlpha = 1;
    },
    picture({ rect, from, picture, opacity, pixelated }) {
      if (picture.drawable === undefined) return;
      const { x, y, width, height } = rect;
      context.globalAlpha = opacity;
      context.imageSmoothingEnabled = pixelated !== true;
      const drawable = picture.drawable as never;
      if (from) context.drawImage(drawable, from.x, from.y, from.width, from.height, x, y, width, height);
      else context.drawImage(drawable, x, y, width, height);
      context.imageSmoothingEnabled = true;
      context.globalAlpha = 1;
    },
    path({ steps, color, opacity }) {
      context.globalAlpha = opacity;
      context.fillStyle = hexOf(color);
      context.beginPath();
      for (const { type, values } of steps) {
        const [a, b, c, d, e, f] = values as [number, number, number, number, number, number];
        if (type === 'M') context.moveTo(a, b);
        else if (type === 'L') context.lineTo(a, b);
        else if (type === 'Q') context.quadraticCurveTo(a, b, c, d);
        else if (type === 'C') context.bezierCurveTo(a, b, c, d, e, f);
        else context.closePath();
      }
      context.fill();
      context.globalAlpha = 1;
    },
    clip({ rect, radius }) {
      context.save();
      outline(context, rect, radius);
      context.clip();
    },
    turn({ matrix: [a, b, c, d, e, f] }) {
      context.save();
      context.transform(a, b, c, d, e, f);
    },
    restore() {
      context.restore();
    },
  };
  context.save();
  context.imageSmoothingQuality = 'high';
  paint(list, painter);
  context.restore();
}

function outline(context: CanvasContext, rect: Rect, radius: number): void {
  context.beginPath();
  if (radius > 0) context.roundRect(rect.x, rect.y, rect.width, rect.height, radius);
  else context.rect(rect.x, rect.y, rect.width, rect.height);
}

function styleOf(fill: Fill, rect: Rect, context: CanvasContext): unknown {
  if (fill.type === 'color') return hexOf(fill.color);
  const line = gradientLine(fill.angle, rect.width, rect.height);
  const gradient = context.createLinearGradient(
    rect.x + line.x0,
    rect.y + line.y0,
    rect.x + line.x1,
    rect.y + line.y1,
  );
  for (const { at, color } of fill.stops) gradient.addColorStop(Math.min(1, Math.max(0, at)), hexOf(color));
  return gradient;
}
