import type { Notations } from '../document/index.ts';
import type { Rgba } from './color.ts';

/** A stop of a gradient; `at` is a fraction of the gradient line. */
export interface Stop {
  readonly at: number;
  readonly color: Rgba;
}

/** What an area is filled with. */
export type Fill =
  | { readonly type: 'color'; readonly color: Rgba }
  /** `angle` in degrees as in CSS: 0 is to the top, 90 to the right. */
  | { readonly type: 'linear'; readonly angle: number; readonly stops: readonly Stop[] };

const sides: Readonly<Record<string, number>> = {
  'to top': 0,
  'to right': 90,
  'to bottom': 180,
  'to left': 270,
};

/** A colour or a `linear-gradient(…)` of CSS Images 3 with an angle or a side, colours and percentages. */
export function parseFill(text: string, colorOf: Notations['color']): Fill | undefined {
  const gradient = /^linear-gradient\((.*)\)$/s.exec(text.trim());
  if (!gradient) {
    const color = colorOf(text);
    return color && { type: 'color', color };
  }
  const parts = splitAtCommas(gradient[1]!);
  if (parts.length > 32) return undefined;
  let angle = 180;
  const first = parts[0] ?? '';
  const degrees = /^(-?\d+(?:\.\d+)?)deg$/.exec(first);
  if (degrees) angle = Number(degrees[1]);
  else if (Object.hasOwn(sides, first)) angle = sides[first]!;
  if (degrees || Object.hasOwn(sides, first)) parts.shift();
  const read = parts.map((part) => parseStop(part, colorOf));
  if (read.length < 2 || read.includes(undefined)) return undefined;
  return { type: 'linear', angle, stops: spread(read as OpenStop[]) };
}

interface OpenStop {
  readonly at: number | undefined;
  readonly color: Rgba;
}

function parseStop(text: string, colorOf: Notations['color']): OpenStop | undefined {
  const match = /^(.*?)(?:\s+(-?\d+(?:\.\d+)?)%)?$/s.exec(text);
  const color = colorOf(match?.[1] ?? '');
  return color && { color, at: match?.[2] === undefined ? undefined : Number(match[2]) / 100 };
}

/** Places left out are spread evenly between their neighbours, and no stop lies before an earlier one. */
function spread(stops: readonly OpenStop[]): Stop[] {
  const at = stops.map((stop) => stop.at);
  at[0] ??= 0;
  at[at.length - 1] ??= 1;
  for (let index = 1; index < at.length; index++) {
    if (at[index] === undefined) {
      let next = index;
      while (at[next] === undefined) next++;
      const before = at[index - 1]!;
      at[index] = before + (at[next]! - before) / (next - index + 1);
    }
    at[index] = Math.max(at[index]!, at[index - 1]!);
  }
  return stops.map((stop, index) => ({ color: stop.color, at: at[index]! }));
}

/** The parts of a value with commas between that are in no brackets. */
export function splitAtCommas(text: string): string[] {
  const parts: string[] = [];
  let depth = 0;
  let start = 0;
  for (let at = 0; at <= text.length; at++) {
    const letter = text[at];
    if (letter === '(') depth++;
    else if (letter === ')') depth--;
    else if (at === text.length || (letter === ',' && depth === 0)) {
      parts.push(text.slice(start, at).trim());
      start = at + 1;
    }
  }
  return parts;
}

/** The colour of a fill at a point of a box; `x` and `y` are fractions of its size, `width` and `height` its size. */
export function colorAt(fill: Fill, x: number, y: number, width: number, height: number): Rgba {
  if (fill.type === 'color') return fill.color;
  const line = gradientLine(fill.angle, width, height);
  const along =
    ((x * width - line.x0) * (line.x1 - line.x0) + (y * height - line.y0) * (line.y1 - line.y0)) /
    ((line.x1 - line.x0) ** 2 + (line.y1 - line.y0) ** 2 || 1);
  const { stops } = fill;
  const next = stops.findIndex((stop) => stop.at > along);
  if (next === 0) return stops[0]!.color;
  if (next < 0) return stops[stops.length - 1]!.color;
  const before = stops[next - 1]!;
  const after = stops[next]!;
  const t = (along - before.at) / (after.at - before.at);
  const mix = (a: number, b: number) => a + (b - a) * t;
  return {
    r: mix(before.color.r, after.color.r),
    g: mix(before.color.g, after.color.g),
    b: mix(before.color.b, after.color.b),
    a: mix(before.color.a, after.color.a),
  };
}

/** The ends of the gradient line in a box (CSS Images 3, §3.1.1), from its left top corner. */
export function gradientLine(
  angle: number,
  width: number,
  height: number,
): { x0: number; y0: number; x1: number; y1: number } {
  const turn = (angle * Math.PI) / 180;
  const length = Math.abs(width * Math.sin(turn)) + Math.abs(height * Math.cos(turn));
  const dx = (Math.sin(turn) * length) / 2;
  const dy = (-Math.cos(turn) * length) / 2;
  return { x0: width / 2 - dx, y0: height / 2 - dy, x1: width / 2 + dx, y1: height / 2 + dy };
}
