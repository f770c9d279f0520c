import { turned, type Matrix } from '../inside/index.ts';
import type { Rect } from '../layout/index.ts';
import type { DrawOperation, GlyphRun, PathStep, Shape } from './draw-list.ts';

/** A rectangle by its edges, in device px. */
export interface Area {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

/** Edges are drawn softened into the pixels they touch, and rounded differently by canvases. */
export const softEdge = 1;

/** Nothing is seen of a blur further out than three times its deviation, which is half the blur. */
export const blurReach = 1.5;

/** Where an operation may change pixels, before clips; nowhere for one that draws nothing itself. */
export function areaOf(operation: DrawOperation): Area {
  const area = nowhere();
  areaInto(operation, area);
  return area;
}

/** Writes where an operation may change pixels, before clips, into `into`. */
export function areaInto(operation: DrawOperation, into: Area): void {
  empty(into);
  switch (operation.type) {
    case 'box':
    case 'picture':
    case 'game':
      around(operation.rect, softEdge, into);
      return;
    case 'path':
      stepsInto(operation.steps, into);
      outset(into, edgeOf(operation.outline));
      return;
    case 'glyphs':
      glyphsInto(operation.runs, 0, 0, into);
      outset(into, edgeOf(operation.outline));
      return;
    case 'shadow':
      shapeInto(operation.shape, into);
      outset(into, softEdge + blurReach * operation.blur);
      return;
    default:
  }
}

function edgeOf(outline: { readonly width: number } | undefined): number {
  return softEdge + (outline?.width ?? 0);
}

function shapeInto(shape: Shape, into: Area): void {
  if (shape.type === 'box') around(shape.rect, 0, into);
  else if (shape.type === 'glyphs') glyphsInto(shape.runs, shape.right, shape.down, into);
  else stepsInto(shape.steps, into);
}

function stepsInto(steps: readonly PathStep[], into: Area): void {
  for (const { values } of steps)
    for (let at = 0; at + 1 < values.length; at += 2) include(into, values[at]!, values[at + 1]!);
}

function glyphsInto(runs: readonly GlyphRun[], right: number, down: number, into: Area): void {
  for (const { face, size, x, baseline, scale, glyphs } of runs) {
    for (const glyph of glyphs) {
      const box = face.box(glyph.id);
      if (!box) continue;
      const left = x + right + glyph.x * scale;
      const base = baseline + down - glyph.y * scale;
      include(into, left + box.left * size, base - box.top * size);
      include(into, left + box.right * size, base - box.bottom * size);
    }
  }
}

export function nowhere(): Area {
  return { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity };
}

export function isNowhere({ left, top, right, bottom }: Area): boolean {
  return !(left < right && top < bottom);
}

function include(area: Area, x: number, y: number): void {
  area.left = Math.min(area.left, x);
  area.right = Math.max(area.right, x);
  area.top = Math.min(area.top, y);
  area.bottom = Math.max(area.bottom, y);
}

/** Writes a rectangle with so much around it. */
export function around({ x, y, width, height }: Rect, by: number, into: Area): void {
  into.left = x - by;
  into.top = y - by;
  into.right = x + width + by;
  into.bottom = y + height + by;
}

function outset(area: Area, by: number): void {
  area.left -= by;
  area.top -= by;
  area.right += by;
  area.bottom += by;
}

/** Has an area be nowhere. */
export function empty(area: Area): void {
  area.left = area.top = Infinity;
  area.right = area.bottom = -Infinity;
}

/** Makes an area hold another one as well. */
export function unite(area: Area, other: Area): void {
  if (isNowhere(other)) return;
  area.left = Math.min(area.left, other.left);
  area.top = Math.min(area.top, other.top);
  area.right = Math.max(area.right, other.right);
  area.bottom = Math.max(area.bottom, other.bottom);
}

/** Has an area be the smallest upright one around it turned. */
export function turnArea(area: Area, matrix: Matrix): void {
  const { left, top, right, bottom } = area;
  if (!isNowhere(area))
    around(turned({ x: left, y: top, width: right - left, height: bottom - top }, matrix), softEdge, area);
}

/** One matrix after another: what is turned by the inner one, and then by the outer. */
export function multiplied(outer: Matrix, inner: Matrix): Matrix {
  const [a, b, c, d, e, f] = outer;
  const [g, h, i, j, k, l] = inner;
  return [a * g + c * h, b * g + d * h, a * i + c * j, b * i + d * j, a * k + c * l + e, b * k + d * l + f];
}

/** More areas than this are put together. */
const mostAreas = 12;

/** Areas in whole px on a screen; those that would be painted twice are put together. */
export class AreaList {
  readonly areas: Area[] = [];

  add(area: Area, width: number, height: number): void {
    const next = onScreen(area, width, height);
    if (isNowhere(next)) return;
    const { areas } = this;
    // Two that are hardly smaller than the one around both are one.
    for (let at = 0; at < areas.length; at++) {
      const other = areas[at]!;
      if (contains(other, next)) return;
      if (sizeOfBoth(other, next) > 1.25 * (sizeOf(other) + sizeOf(next)) && areas.length < mostAreas)
        continue;
      unite(next, other);
      areas.splice(at, 1);
      this.add(next, width, height);
      return;
    }
    areas.push(next);
  }

  /** Leaves out those that others hold. */
  join(): void {
    const { areas } = this;
    for (let at = areas.length - 1; at >= 0; at--)
      if (areas.some((other, nth) => nth !== at && contains(other, areas[at]!))) areas.splice(at, 1);
  }
}

/** The whole px of a screen that an area touches. */
export function onScreen({ left, top, right, bottom }: Area, width: number, height: number): Area {
  return {
    left: Math.max(0, Math.floor(left)),
    top: Math.max(0, Math.floor(top)),
    right: Math.min(width, Math.ceil(right)),
    bottom: Math.min(height, Math.ceil(bottom)),
  };
}

function contains(outer: Area, inner: Area): boolean {
  return (
    outer.left <= inner.left &&
    outer.top <= inner.top &&
    outer.right >= inner.right &&
    outer.bottom >= inner.bottom
  );
}

function sizeOf({ left, top, right, bottom }: Area): number {
  return (right - left) * (bottom - top);
}

/** How large the area around two is. */
function sizeOfBoth(one: Area, other: Area): number {
  const width = Math.max(one.right, other.right) - Math.min(one.left, other.left);
  return width * (Math.max(one.bottom, other.bottom) - Math.min(one.top, other.top));
}

/** Whether two areas have some px in common. */
export function meets(one: Area, other: Area): boolean {
  return one.left < other.right && other.left < one.right && one.top < other.bottom && other.top < one.bottom;
}

/** Whether an area holds what of another one is on the screen. */
export function holds(
  area: Area,
  { left, top, right, bottom }: Area,
  width: number,
  height: number,
): boolean {
  return (
    area.left <= Math.max(0, left) &&
    area.top <= Math.max(0, top) &&
    area.right >= Math.min(width, right) &&
    area.bottom >= Math.min(height, bottom)
  );
}

/** Leaves of an area what it has in common with another one. */
export function cutTo(area: Area, other: Area): void {
  area.left = Math.max(area.left, other.left);
  area.top = Math.max(area.top, other.top);
  area.right = Math.min(area.right, other.right);
  area.bottom = Math.min(area.bottom, other.bottom);
  if (isNowhere(area)) empty(area);
}

/** A rectangle with its edges between pixels: what stands beside another thing has a sharp edge. */
export function onPixels({ x, y, width, height }: Rect): Rect {
  const [left, top] = [Math.round(x), Math.round(y)];
  return { x: left, y: top, width: Math.round(x + width) - left, height: Math.round(y + height) - top };
}

/** The same without so much of it on each side. */
export function shrunk(rect: Rect, by: number): Rect {
  return {
    x: rect.x + by,
    y: rect.y + by,
    width: Math.max(0, rect.width - 2 * by),
    height: Math.max(0, rect.height - 2 * by),
  };
}
