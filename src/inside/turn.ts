import type { Widget } from '../dress/index.ts';
import { readLengthPair, type WidgetSource } from '../document/index.ts';
import type { Layout, Rect } from '../layout/index.ts';

/** a b c d e f of CSS Transforms 1: x' = a·x + c·y + e, y' = b·x + d·y + f. */
export type Matrix = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

/** How a widget is skewed, scaled and rotated about its pivot, in device px; undefined where it is not. */
export function turnOf(widget: Widget, layout: Layout, scale = scaledBy(widget)): Matrix | undefined {
  const { rotate = 0, skew } = widget.source as WidgetSource;
  const pair = skew === undefined ? undefined : readLengthPair(skew);
  // As in CSS, one angle leans a box along x alone.
  const single =
    typeof skew === 'number' || (typeof skew === 'string' ? !/\s/.test(skew.trim()) : skew?.length === 1);
  const skewed = pair && { x: pair.x.u, y: single ? 0 : pair.y.u };
  if (rotate === 0 && !skewed && scale === 1) return undefined;
  const rect = layout.rect(widget.index);
  const x = rect.x + rect.width * widget.box.x.pivot;
  const y = rect.y + rect.height * widget.box.y.pivot;
  const turn = (rotate * Math.PI) / 180;
  const along = Math.tan(((skewed?.x ?? 0) * Math.PI) / 180);
  const down = Math.tan(((skewed?.y ?? 0) * Math.PI) / 180);
  const [cos, sin] = [scale * Math.cos(turn), scale * Math.sin(turn)];
  // First skewed, then scaled, then rotated, all about the pivot.
  const a = cos - sin * down;
  const b = sin + cos * down;
  const c = cos * along - sin;
  const d = sin * along + cos;
  return [a, b, c, d, x - a * x - c * y, y - b * x - d * y];
}

/** How many times as large a widget is drawn by its own look; a view is as large as its screen. */
export function scaledBy({ index, look }: Pick<Widget, 'index' | 'look'>): number {
  return index > 0 ? look.scale : 1;
}

/** Whether a widget says that it is rotated or skewed. */
export function isTilted({ source }: Pick<Widget, 'source'>): boolean {
  return (
    ('rotate' in source && source.rotate !== undefined) || ('skew' in source && source.skew !== undefined)
  );
}

/** Whether a widget is drawn otherwise than it is laid out: rotated, skewed or scaled. */
export function isTurned(widget: Widget): boolean {
  return isTilted(widget) || scaledBy(widget) !== 1;
}

/** Where a point is once it is turned. */
export function turnedOn([a, b, c, d, e, f]: Matrix, x: number, y: number): [number, number] {
  return [a * x + c * y + e, b * x + d * y + f];
}

/** Where a point was before it was turned; one that was pressed flat has come from nowhere. */
export function turnedBack([a, b, c, d, e, f]: Matrix, x: number, y: number): [number, number] {
  const determinant = a * d - b * c;
  if (determinant === 0) return [NaN, NaN];
  const across = x - e;
  const down = y - f;
  return [(d * across - c * down) / determinant, (a * down - b * across) / determinant];
}

/** How a widget is turned. */
export interface Turn {
  readonly index: number;
  readonly turn: Matrix;
}

/** What turns a widget, itself and what it is in, from the inside out. @param scales Whether what their looks scale counts. */
export function turnsOf(
  index: number,
  widgets: readonly Widget[],
  layout: Layout,
  scales = true,
): readonly Turn[] {
  const turns: Turn[] = [];
  for (let at = index; at >= 0; at = widgets[at]!.parent) {
    const turn = turnOf(widgets[at]!, layout, scales ? undefined : 1);
    if (turn) turns.push({ index: at, turn });
  }
  return turns;
}

/** The smallest upright rectangle around one whose corners are placed elsewhere. */
export function rectAround(
  { x, y, width, height }: Rect,
  placed: (x: number, y: number) => readonly [number, number],
): Rect {
  const corners = [placed(x, y), placed(x + width, y), placed(x, y + height), placed(x + width, y + height)];
  const xs = corners.map(([at]) => at);
  const ys = corners.map(([, at]) => at);
  const left = Math.min(...xs);
  const top = Math.min(...ys);
  return { x: left, y: top, width: Math.max(...xs) - left, height: Math.max(...ys) - top };
}

/** The smallest upright rectangle around a turned one. */
export function turned(rect: Rect, turn: Matrix): Rect {
  return rectAround(rect, (x, y) => turnedOn(turn, x, y));
}

/** The smallest upright rectangle around a widget as it is drawn, in device px. @param scales As of {@link turnsOf}. */
export function drawnRect(index: number, widgets: readonly Widget[], layout: Layout, scales = true): Rect {
  const turns = turnsOf(index, widgets, layout, scales);
  return rectAround(layout.rect(index), (x, y) =>
    turns.reduce((at, { turn }) => turnedOn(turn, ...at), [x, y] as [number, number]),
  );
}

/** Whether a widget cuts off what of its children reaches out of it. */
export function clips({ source }: Widget): boolean {
  return (
    ('overflow' in source && source.overflow === 'clip') ||
    ('scroll' in source && source.scroll !== undefined)
  );
}
