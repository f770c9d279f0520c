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
  | { readonly type: 'linear'; readonly angle: number; readonly stops: readonly Stop[] }
  | Radial;

/** From a point outwards; `at` and a size that is no word are fractions of the width and the height of the box. */
interface Radial {
  readonly type: 'radial';
  readonly shape: 'circle' | 'ellipse';
  readonly size: Reach | { readonly x: number; readonly y: number };
  readonly at: { readonly x: number; readonly y: number };
  readonly stops: readonly Stop[];
}

type Reach = `${'closest' | 'farthest'}-${'side' | 'corner'}`;

const sides: Readonly<Record<string, number>> = {
  'to top': 0,
  'to right': 90,
  'to bottom': 180,
  'to left': 270,
};

/** A colour, or a `linear-gradient(…)` or `radial-gradient(…)` of CSS Images 3 whose lengths are percentages. */
export function parseFill(text: string, colorOf: Notations['color']): Fill | undefined {
  const gradient = /^(linear|radial)-gradient\((.*)\)$/s.exec(text.trim());
  if (!gradient) {
    const color = colorOf(text);
    return color && { type: 'color', color };
  }
  const parts = splitAtCommas(gradient[2]!);
  if (parts.length > 32) return undefined;
  if (gradient[1] === 'radial') {
    const form = radialForm(parts[0] ?? '');
    const stops = readStops(form ? parts.slice(1) : parts, colorOf);
    return stops && { type: 'radial', ...(form ?? radialForm('ellipse')!), stops };
  }
  let angle = 180;
  const first = parts[0] ?? '';
  const degrees = /^(-?\d+(?:\.\d+)?)deg$/.exec(first);
  if (degrees) angle = Number(degrees[1]);
  else if (Object.hasOwn(sides, first)) angle = sides[first]!;
  if (degrees || Object.hasOwn(sides, first)) parts.shift();
  const stops = readStops(parts, colorOf);
  return stops && { type: 'linear', angle, stops };
}

function readStops(parts: readonly string[], colorOf: Notations['color']): Stop[] | undefined {
  const read = parts.map((part) => parseStop(part, colorOf));
  return read.length < 2 || read.includes(undefined) ? undefined : spread(read as OpenStop[]);
}

const percent = String.raw`-?\d+(?:\.\d+)?%`;
const whole = (pattern: string) => new RegExp(`^(?:${pattern.replaceAll('%', percent)})$`);
/** Shape and size in either order, both radii, or nothing. */
const forms = whole(
  '(?:(circle|ellipse) ?)?(?:((?:closest|farthest)-(?:side|corner))(?: (circle|ellipse))?|(%) (%))?',
);
/** A middle, as background-position has it (CSS Values 4, §9.1): along x and down, or two words the other way round. */
const middles = whole(
  '(left|center|right|%)(?: (top|center|bottom|%))?|(top|center|bottom)(?: (left|center|right))?',
);
const shares: Readonly<Record<string, number>> = { left: 0, top: 0, center: 0.5, right: 1, bottom: 1 };

const shareOf = (word = 'center'): number => shares[word] ?? parseFloat(word) / 100;

/** `circle closest-side at 30% top`: shape, size and middle of a radial gradient; undefined of what is none of it. */
function radialForm(text: string): Omit<Radial, 'type' | 'stops'> | undefined {
  const [form, place = 'center', ...more] = text.replace(/\s+/g, ' ').split(/ ?\bat /);
  const said = forms.exec(form!);
  const middle = middles.exec(place);
  if (text === '' || more.length > 0 || !said || !middle) return undefined;
  const [, first, size = 'farthest-corner', last, rx, ry] = said;
  const at = { x: shareOf(middle[1] ?? middle[4]), y: shareOf(middle[2] ?? middle[3]) };
  const shape = (first ?? last) === 'circle' ? 'circle' : 'ellipse';
  if ((first && last) || (rx && (shape === 'circle' || shareOf(rx) < 0 || shareOf(ry) < 0))) return undefined;
  return { shape, size: rx ? { x: shareOf(rx), y: shareOf(ry) } : (size as Reach), at };
}

/** The middle and the radii of a radial gradient in a box (CSS Images 3, §3.2.1), from its left top corner. A radius is never 0. */
export function radialIn(
  { shape, size, at }: Radial,
  width: number,
  height: number,
): { x: number; y: number; rx: number; ry: number } {
  const [x, y] = [at.x * width, at.y * height];
  const held = (rx: number, ry: number) => ({
    x,
    y,
    rx: Math.max(leastRadius, rx),
    ry: Math.max(leastRadius, ry),
  });
  if (typeof size === 'object') return held(size.x * width, size.y * height);
  const pick = size.startsWith('closest') ? Math.min : Math.max;
  const toSides = [Math.abs(x), Math.abs(width - x), Math.abs(y), Math.abs(height - y)] as const;
  const sideX = pick(toSides[0], toSides[1]);
  const sideY = pick(toSides[2], toSides[3]);
  const isSide = size.endsWith('side');
  if (shape === 'circle') {
    // The closest corner has the closest of the sides, the farthest corner the farthest.
    const radius = isSide ? pick(sideX, sideY) : Math.hypot(sideX, sideY);
    return held(radius, radius);
  }
  // Through the corner, in the proportion of the one that reaches the sides.
  return isSide ? held(sideX, sideY) : held(Math.SQRT2 * sideX, Math.SQRT2 * sideY);
}

/** In px: what has no radius shows its last colour everywhere; an SVG has three decimals. */
const leastRadius = 1e-3;

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
  return colored(stops.map((stop, index) => ({ color: stop.color, at: at[index]! })));
}

/**
 * The colour of a stop that is clear does not show, as in CSS, where colours are mixed premultiplied (CSS Images 3, §3.4.2): it is that of
 * its neighbour, of two neighbours one after the other. Painters mix them as they are.
 */
function colored(stops: readonly Stop[]): Stop[] {
  return stops.flatMap((stop, nth) => {
    if (stop.color.a > 0) return [stop];
    const beside = [stops[nth - 1], stops[nth + 1]].flatMap((one) => (one && one.color.a > 0 ? [one] : []));
    return beside.length === 0
      ? [stop]
      : beside.map(({ color }) => ({ at: stop.at, color: { ...color, a: 0 } }));
  });
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
  const along =
    fill.type === 'radial' ? outwards(fill, x, y, width, height) : alongLine(fill.angle, x, y, width, height);
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

/** How far from the middle of a radial gradient a point of a box is, as a share of its radius. */
function outwards(fill: Radial, x: number, y: number, width: number, height: number): number {
  const { x: middleX, y: middleY, rx, ry } = radialIn(fill, width, height);
  return Math.hypot((x * width - middleX) / rx, (y * height - middleY) / ry);
}

/** How far along the line of a linear gradient a point of a box is, as a share of it. */
function alongLine(angle: number, x: number, y: number, width: number, height: number): number {
  const line = gradientLine(angle, width, height);
  return (
    ((x * width - line.x0) * (line.x1 - line.x0) + (y * height - line.y0) * (line.y1 - line.y0)) /
    ((line.x1 - line.x0) ** 2 + (line.y1 - line.y0) ** 2 || 1)
  );
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
