import { turned, type Matrix } from '../inside/index.ts';
import type { Rect } from '../layout/index.ts';
import type { DrawOperation, GlyphRun, Shape } from './draw-list.ts';

/** A rectangle by its edges, in device px. */
export interface Area {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

/** Edges are drawn softened into the pixels they touch, and rounded differently by canvases. */
const softEdge = 1;

/** Where an operation may change pixels, before clips; undefined for one that draws nothing itself. */
export function areaOf(operation: DrawOperation): Area | undefined {
  switch (operation.type) {
    case 'box':
    case 'picture':
    case 'game':
      return around(operation.rect, softEdge);
    case 'path':
      return outset(shapeArea({ type: 'path', steps: operation.steps }), edgeOf(operation.outline));
    case 'glyphs':
      return outset(glyphsArea(operation.runs, 0, 0), edgeOf(operation.outline));
    case 'shadow':
      // Nothing is seen of a blur further out than three times its deviation, which is half the blur.
      return outset(shapeArea(operation.shape), softEdge + 1.5 * operation.blur);
    default:
      return undefined;
  }
}

function edgeOf(outline: { readonly width: number } | undefined): number {
  return softEdge + (outline?.width ?? 0);
}

function shapeArea(shape: Shape): Area | undefined {
  if (shape.type === 'box') return around(shape.rect, 0);
  if (shape.type === 'glyphs') return glyphsArea(shape.runs, shape.right, shape.down);
  const area = nowhere();
  for (const { values } of shape.steps)
    for (let at = 0; at + 1 < values.length; at += 2) include(area, values[at]!, values[at + 1]!);
  return area.left <= area.right ? area : undefined;
}

function glyphsArea(runs: readonly GlyphRun[], right: number, down: number): Area | undefined {
  const area = nowhere();
  for (const { face, size, x, baseline, scale, glyphs } of runs) {
    for (const glyph of glyphs) {
      const box = face.box(glyph.id);
      if (!box) continue;
      const left = x + right + glyph.x * scale;
      const base = baseline + down - glyph.y * scale;
      include(area, left + box.left * size, base - box.top * size);
      include(area, left + box.right * size, base - box.bottom * size);
    }
  }
  return area.left <= area.right ? area : undefined;
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

function around({ x, y, width, height }: Rect, by: number): Area {
  return { left: x - by, top: y - by, right: x + width + by, bottom: y + height + by };
}

function outset(area: Area | undefined, by: number): Area | undefined {
  return (
    area && {
      left: area.left - by,
      top: area.top - by,
      right: area.right + by,
      bottom: area.bottom + by,
    }
  );
}

/** Makes an area hold another one as well. */
export function unite(area: Area, other: Area): void {
  if (isNowhere(other)) return;
  area.left = Math.min(area.left, other.left);
  area.top = Math.min(area.top, other.top);
  area.right = Math.max(area.right, other.right);
  area.bottom = Math.max(area.bottom, other.bottom);
}

/** The smallest upright area around a turned one. */
export function turnedArea({ left, top, right, bottom }: Area, matrix: Matrix): Area {
  const rect = turned({ x: left, y: top, width: right - left, height: bottom - top }, matrix);
  return around(rect, softEdge);
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
      const both = { ...other };
      unite(both, next);
      if (sizeOf(both) > 1.25 * (sizeOf(other) + sizeOf(next)) && areas.length < mostAreas) continue;
      areas.splice(at, 1);
      this.add(both, width, height);
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

/** What two areas have in common. */
export function meeting(one: Area, other: Area): Area {
  const area = {
    left: Math.max(one.left, other.left),
    top: Math.max(one.top, other.top),
    right: Math.min(one.right, other.right),
    bottom: Math.min(one.bottom, other.bottom),
  };
  return isNowhere(area) ? nowhere() : area;
}
