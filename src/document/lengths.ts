/**
 * The small notations that stand in strings: lengths, pairs, anchors, the four sides of a box.
 * Every function gives undefined for what it cannot read. docs/document.md has the grammar.
 */

/** The largest length that is read, in u, and the largest fraction of a parent: beyond any screen. */
export const largestLength = 1e9;
const largestFraction = 1e3;

/** `u + percent/100 × the parent's content size on that axis`. */
export interface Length {
  readonly u: number;
  /** A fraction: 0.5 for 50 %. */
  readonly share: number;
}

/** An amount with its unit: u if unsaid, device px, millimetres on the glass, degrees at the eye. */
export interface Amount {
  readonly amount: number;
  readonly unit: 'u' | 'px' | 'mm' | 'deg';
}

/** Reads `48`, `"48 u"`, `"9 mm"`. */
export function readAmount(value: unknown): Amount | undefined {
  const match = /^(\d+(?:\.\d+)?|\.\d+) ?(u|px|mm|deg)?$/.exec(String(value).trim());
  if (!match) return undefined;
  return { amount: Number(match[1]), unit: (match[2] ?? 'u') as Amount['unit'] };
}

/** A size a widget asks for on one axis. */
export type Size =
  | { readonly mode: 'fixed'; readonly length: Length }
  | { readonly mode: 'content' }
  | { readonly mode: 'fill'; readonly weight: number };

/** Where a widget is anchored on one axis, as fractions of the parent; `start === end` is a point. */
export interface AxisAnchor {
  readonly start: number;
  readonly end: number;
  readonly span: boolean;
  /** Said with start or end, which follow the writing direction. */
  readonly logical: boolean;
}

/** The columns of a grid: said one by one, or as many of a size as fit. */
export type Columns =
  { readonly tracks: readonly Size[] } | { readonly cell: number; readonly grows: boolean };

export interface Pair<T> {
  readonly x: T;
  readonly y: T;
}

/** Four sides, in the order CSS lists them. */
export interface Sides<T> {
  readonly top: T;
  readonly right: T;
  readonly bottom: T;
  readonly left: T;
}

const number = String.raw`(?:\d+(?:\.\d+)?|\.\d+)`;
const term = String.raw`[+-]?${number}%?`;
// Signs stand between spaces, or right after a percent sign: "50% - 24", "50%-24"; 10-4 could be a pair.
const sum = String.raw`${term}(?:(?: +[+-] +|(?<=%)[+-])${number}%?)*`;

// Whether what stands between the braces is a name or arithmetic is read by expression.ts.
const template = String.raw`\{[^{}]+\}`;

/** The notations as patterns, for the JSON Schema. A component may leave a value to a parameter: `{name}`. */
export const patterns = {
  length: `^(?:${sum}|${template})$`,
  amount: `^${number} ?(?:u|px|mm|deg)?$`,
  size: `^(?:${sum}|content|fill(?: +${number})?|${template})$`,
  lengths: `^(?:${sum}(?: +${sum}){0,3}|${template})$`,
  sizes: `^(?:${sum}|content|fill)(?: +(?:${sum}|content|fill))?$|^${template}$`,
  screenSize: '^ *[1-9]\\d{0,4} *[xX×] *[1-9]\\d{0,4} *$',
  limits: `^(?:${number})?\\.\\.(?:${number})?$`,
} as const;

const sumAtStart = new RegExp(`^${sum}(?= |$)`);
const termsOfSum = new RegExp(String.raw`([+-]?) *(${number})(%?)`, 'g');

/** `24`, `"50%"`, `"50% - 24"`. */
export function readLength(value: unknown): Length | undefined {
  if (typeof value === 'number') return Math.abs(value) <= largestLength ? { u: value, share: 0 } : undefined;
  if (typeof value !== 'string' || sumAtStart.exec(value)?.[0] !== value) return undefined;
  let u = 0;
  let share = 0;
  for (const [, sign, digits, percent] of value.matchAll(termsOfSum)) {
    const amount = (sign === '-' ? -1 : 1) * Number(digits);
    if (percent) share += amount / 100;
    else u += amount;
  }
  return Math.abs(u) <= largestLength && Math.abs(share) <= largestLength ? { u, share } : undefined;
}

/** A length, `content`, `fill` or `fill 2`. */
export function readSize(value: unknown): Size | undefined {
  if (value === 'content') return { mode: 'content' };
  const fill = typeof value === 'string' ? new RegExp(`^fill(?: +(${number}))?$`).exec(value) : null;
  if (fill) {
    const weight = fill[1] === undefined ? 1 : Number(fill[1]);
    return weight <= largestLength ? { mode: 'fill', weight } : undefined;
  }
  const length = readLength(value);
  return length && { mode: 'fixed', length };
}

/** Splits `"50% - 24 10"` into the sums and words it holds: `["50% - 24", "10"]`. `word`: what one word is. */
export function splitValues(value: unknown, most = 4, word = /^\S+(?= |$)/): unknown[] | undefined {
  if (typeof value === 'number') return [value];
  if (Array.isArray(value)) return value as unknown[];
  if (typeof value !== 'string') return undefined;
  const found: string[] = [];
  let rest = value.trim();
  while (rest !== '') {
    const match = sumAtStart.exec(rest) ?? word.exec(rest);
    if (!match || found.length === most) return undefined;
    found.push(match[0]);
    rest = rest.slice(match[0].length).trimStart();
  }
  return found;
}

/** One or two lengths: x, then y (the same if it is left out). */
export function readLengthPair(value: unknown): Pair<Length> | undefined {
  const parts = splitValues(value);
  if (!parts || parts.length < 1 || parts.length > 2) return undefined;
  const x = readLength(parts[0]);
  const y = readLength(parts[1] ?? parts[0]);
  return x && y && { x, y };
}

/**
 * One or two sizes: width, then height (the same if it is left out). `"fill 64"` fills one axis and is 64 u on the other: a weight
 * is said in a list, `["fill 2", 64]`.
 */
export function readSizePair(value: unknown): Pair<Size> | undefined {
  const parts = splitValues(value);
  if (!parts || parts.length < 1 || parts.length > 2) return undefined;
  const x = readSize(parts[0]);
  const y = readSize(parts[1] ?? parts[0]);
  return x && y && { x, y };
}

/** One to four lengths in the order of CSS: all; vertical horizontal; top horizontal bottom; top right bottom left. */
export function readSides(value: unknown): Sides<Length> | undefined {
  const named = readNamedSides(value);
  if (named) return named;
  const lengths = splitValues(value)?.map(readLength);
  if (!lengths || lengths.length < 1 || lengths.length > 4 || lengths.includes(undefined)) return undefined;
  const [top, right = top, bottom = top, left = right] = lengths as Length[];
  return { top: top!, right: right!, bottom: bottom!, left: left! };
}

/**
 * The insets of a span. Where one axis spans, two lengths are its start and end; otherwise the sides of CSS.
 */
export function readInset(value: unknown, spans: Pair<boolean>): Sides<Length> | undefined {
  const parts = readNamedSides(value) ? undefined : splitValues(value);
  if (parts?.length === 2 && spans.x !== spans.y) {
    const start = readLength(parts[0]);
    const end = readLength(parts[1]);
    if (!start || !end) return undefined;
    return spans.x
      ? { top: none, right: end, bottom: none, left: start }
      : { top: start, right: none, bottom: end, left: none };
  }
  return readSides(value);
}

/** The sides that an inset says by themselves: one length is for all there are, two are the ends of a span, or for both axes. */
export function saidSides(value: unknown): readonly (keyof Sides<Length>)[] {
  if (readNamedSides(value)) return Object.keys(value as object) as (keyof Sides<Length>)[];
  return (splitValues(value) ?? []).length > 2 ? ['top', 'right', 'bottom', 'left'] : [];
}

const none: Length = { u: 0, share: 0 };

function readNamedSides(value: unknown): Sides<Length> | undefined {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return undefined;
  const sides = value as Record<string, unknown>;
  const top = readLength(sides.top ?? 0);
  const right = readLength(sides.right ?? 0);
  const bottom = readLength(sides.bottom ?? 0);
  const left = readLength(sides.left ?? 0);
  return top && right && bottom && left && { top, right, bottom, left };
}

interface Fraction {
  readonly axis: 'x' | 'y' | 'either';
  readonly at: number;
  readonly logical?: boolean;
}

const words: Readonly<Record<string, Fraction>> = {
  start: { axis: 'x', at: 0, logical: true },
  end: { axis: 'x', at: 1, logical: true },
  left: { axis: 'x', at: 0 },
  right: { axis: 'x', at: 1 },
  top: { axis: 'y', at: 0 },
  bottom: { axis: 'y', at: 1 },
  center: { axis: 'either', at: 0.5 },
  centre: { axis: 'either', at: 0.5 },
  middle: { axis: 'either', at: 0.5 },
};

function readFraction(word: string): Fraction | undefined {
  if (Object.hasOwn(words, word)) return words[word];
  if (!/^-?(?:\d+(?:\.\d+)?|\.\d+)%?$/.test(word)) return undefined;
  const at = word.endsWith('%') ? Number(word.slice(0, -1)) / 100 : Number(word);
  return Math.abs(at) <= largestFraction ? { axis: 'either', at } : undefined;
}

/**
 * `right bottom`, `left..right top`, `center`, `25% 0.5`. As in CSS, one word leaves the other axis centred,
 * and words that name their axis may stand in either order. @param mayCross Whether a span may end before it starts, as one between
 * two widgets does: `right..left`.
 */
export function readAnchor(value: unknown, mayCross = false): Pair<AxisAnchor> | undefined {
  const parts = typeof value === 'number' ? [String(value)] : splitWords(value);
  if (!parts || parts.length < 1 || parts.length > 2) return undefined;
  const read = parts.map((word) => readAxisAnchor(word, mayCross));
  const [first, second] = read;
  if (!first || (parts.length === 2 && !second)) return undefined;
  const centred: AxisAnchor = { start: 0.5, end: 0.5, span: false, logical: false };
  if (!second) return first.axis === 'y' ? { x: centred, y: first.anchor } : { x: first.anchor, y: centred };
  if (first.axis === 'y' || second.axis === 'x') {
    if (first.axis === 'x' || second.axis === 'y') return undefined;
    return { x: second.anchor, y: first.anchor };
  }
  return { x: first.anchor, y: second.anchor };
}

/** Where a widget takes input: its box, the ellipse in it, or where its picture is more opaque than a threshold from 0 to 1. */
export type HitArea =
  { readonly type: 'box' | 'ellipse' } | { readonly type: 'picture'; readonly threshold: number };

/** How opaque a picture has to be where nobody says. */
const usualThreshold = 0.5;

/** Reads `box`, `ellipse`, `picture` or `picture 0.2`. */
export function readHitArea(value: unknown): HitArea | undefined {
  if (value === 'box' || value === 'ellipse') return { type: value };
  const found = typeof value === 'string' ? /^picture(?: (0(?:\.\d+)?|1|\.\d+))?$/.exec(value) : null;
  return found ? { type: 'picture', threshold: Number(found[1] ?? usualThreshold) } : undefined;
}

/** Like an anchor, but points only. */
export function readPivot(value: unknown): Pair<number> | undefined {
  const anchor = readAnchor(value);
  if (!anchor || anchor.x.span || anchor.y.span) return undefined;
  return { x: anchor.x.start, y: anchor.y.start };
}

function splitWords(value: unknown): string[] | undefined {
  if (Array.isArray(value)) return value.map(String);
  if (typeof value !== 'string') return undefined;
  const parts = value.trim().split(/\s+/);
  // `bottom-right` is understood as well.
  return parts.length === 1 && /^[a-z]+-[a-z]+$/.test(parts[0]!) ? parts[0]!.split('-') : parts;
}

function readAxisAnchor(
  word: string,
  mayCross: boolean,
): { axis: 'x' | 'y' | 'either'; anchor: AxisAnchor } | undefined {
  const [startWord, endWord, extra] = word.split('..');
  if (startWord === undefined || extra !== undefined) return undefined;
  const start = readFraction(startWord);
  if (!start) return undefined;
  const logical = start.logical === true;
  if (endWord === undefined)
    return { axis: start.axis, anchor: { start: start.at, end: start.at, span: false, logical } };
  const end = readFraction(endWord);
  if (!end || (end.at <= start.at && !mayCross)) return undefined;
  if (start.axis !== 'either' && end.axis !== 'either' && start.axis !== end.axis) return undefined;
  const axis = start.axis === 'either' ? end.axis : start.axis;
  return {
    axis,
    anchor: { start: start.at, end: end.at, span: true, logical: logical || end.logical === true },
  };
}

/** `1920x1080`. */
export function readScreenSize(value: unknown): { width: number; height: number } | undefined {
  const match = typeof value === 'string' ? /^ *(\d{1,6}) *[xX×] *(\d{1,6}) *$/.exec(value) : null;
  const [width, height] = match ? [Number(match[1]), Number(match[2])] : [0, 0];
  return width > 0 && height > 0 ? { width, height } : undefined;
}

/** `0.5..2`, `1..`, `..3`: the least and the most, 0 and infinity where left out. */
export function readLimits(value: unknown): { least: number; most: number } | undefined {
  const match = typeof value === 'string' ? new RegExp(`^(${number})?\\.\\.(${number})?$`).exec(value) : null;
  if (!match) return undefined;
  return {
    least: match[1] === undefined ? 0 : Number(match[1]),
    most: match[2] === undefined ? Infinity : Number(match[2]),
  };
}

/** The most columns a grid can be given one by one. */
const mostTracks = 100;
/** One of them, with its weight: `fill 2`. */
const track = /^(?:fill +[\d.]+|\S+)(?= |$)/;

/** `3`; `"120 content fill"`; `"auto 120"`: as many of 120 u as fit; `"auto 120.."`: sharing what is left. */
export function readColumns(value: unknown): Columns | undefined {
  if (typeof value === 'number') {
    if (!Number.isInteger(value) || value < 1 || value > mostTracks) return undefined;
    return { tracks: new Array<Size>(value).fill({ mode: 'fill', weight: 1 }) };
  }
  const auto = typeof value === 'string' ? new RegExp(`^auto +(${number})(\\.\\.)?$`).exec(value) : null;
  if (auto) {
    const cell = Number(auto[1]);
    return cell >= 1 && cell <= largestLength ? { cell, grows: auto[2] !== undefined } : undefined;
  }
  const tracks = splitValues(value, mostTracks, track)?.map(readTrack);
  if (!tracks || tracks.length === 0 || tracks.length > mostTracks || tracks.includes(undefined))
    return undefined;
  return { tracks: tracks as Size[] };
}

/** A column or row of a grid: a number of u, `content`, `fill`, or `fill 2`. */
export function readTrack(value: unknown): Size | undefined {
  const size = readSize(value);
  if (size?.mode === 'fixed' && (size.length.share !== 0 || size.length.u < 0)) return undefined;
  if (size?.mode === 'fill' && size.weight <= 0) return undefined;
  return size;
}

/** `1.5` or `16/9`: width divided by height. */
export function readAspect(value: unknown): number | undefined {
  if (typeof value === 'number') return value >= 1e-4 && value <= 1e4 ? value : undefined;
  const match =
    typeof value === 'string' ? new RegExp(`^(${number}) */ *(${number})$`).exec(value.trim()) : null;
  return match ? readAspect(Number(match[1]) / Number(match[2])) : undefined;
}

/** One or two lengths in the order of CSS: between rows, then between columns. */
export function readGap(value: unknown): Pair<Length> | undefined {
  const lengths = splitValues(value)?.map(readLength);
  if (!lengths || lengths.length < 1 || lengths.length > 2) return undefined;
  if (lengths.includes(undefined)) return undefined;
  const [rows, columns = rows] = lengths as Length[];
  return { x: columns!, y: rows! };
}

/** The widgets that an `anchor-to` names: one, or two, in whose boxes a span starts and ends. */
export function anchorTargets(said: string): readonly string[] {
  const names = said.split('..');
  return names.length === 2 ? names : [said];
}
