import type { Reason } from '../why/index.ts';
import { contains, depthIn, type Point, type Polygon } from './polygon.ts';

/*
 * Why what fails ends where it does: on the other side of a border either what is measured has not reached its limit, or the layout
 * decides something in another way (docs/proof.md).
 */

/** Pieces of the border of where something fails that have one cause. */
export interface Border {
  /** The ends of the longest piece, in px. */
  readonly from: Point;
  readonly to: Point;
  /** A size on each side of it, less than a px away: there it fails, there it does not. */
  readonly inside: Point;
  readonly beyond: Point;
  /** The length of all pieces, in px. */
  readonly length: number;
  /** `limit`: the widgets have the same reasons, but for numbers, on both sides. `change`: others beyond. */
  readonly kind: 'limit' | 'change';
  /** Of a limit, the widget's own reasons there; of a change, those that hold beyond it and not before. */
  readonly reasons: readonly Reason[];
}

/** How far from a border both sides are looked at, in px: nearer, a tie may go either way. */
const aside = 0.75;
/** Pieces that are shorter than this share of all are no border anybody asks for. */
const leastShare = 0.02;
const mostBorders = 5;
/** Places along the side of a part at which the other side is looked at. */
const samples = 8;

interface Piece {
  readonly from: Point;
  readonly to: Point;
  readonly inside: Point;
  readonly beyond: Point;
  readonly length: number;
}

/**
 * The borders of some parts of a region, the longest first.
 * @param whyAt The reasons of the widgets it is about on a size.
 */
export function bordersOf(
  parts: readonly Polygon[],
  region: Polygon,
  whyAt: (point: Point) => readonly Reason[],
): readonly Border[] {
  const pieces = parts.flatMap((part) => piecesOf(part, parts, region));
  const whole = pieces.reduce((sum, { length }) => sum + length, 0);
  const groups = new Map<string, Border>();
  // The longest tell; short ones beside them mostly have the same cause.
  for (const piece of pieces.toSorted((a, b) => b.length - a.length).slice(0, mostAsked)) {
    const [here, there] = [whyAt(piece.inside), whyAt(piece.beyond)];
    const before = new Set(here.map(shapeOf));
    const words = new Set(here.map(wordsOf));
    // What is the same number for a reason written elsewhere tells less than what is another sum.
    const other = there
      .filter((reason) => !before.has(shapeOf(reason)))
      .sort((a, b) => Number(words.has(wordsOf(a))) - Number(words.has(wordsOf(b))));
    const kind = other.length > 0 ? 'change' : 'limit';
    const reasons = kind === 'change' ? other : here;
    const key = [kind, ...reasons.map(shapeOf)].join('\n');
    const known = groups.get(key);
    if (known) groups.set(key, { ...known, length: known.length + piece.length });
    else groups.set(key, { ...piece, kind, reasons });
  }
  return [...groups.values()]
    .filter(({ length }) => length >= whole * leastShare)
    .sort((a, b) => b.length - a.length)
    .slice(0, mostBorders);
}

/** Pieces that are asked about at the most: each costs two layouts. */
const mostAsked = 6;

/** A reason without its numbers: what is decided, not by how much. */
function wordsOf({ text }: Reason): string {
  return text.replace(/[-−]?\d+(?:\.\d+)?/g, '#');
}

/** The same with where it is written. */
function shapeOf(reason: Reason): string {
  return `${reason.pointer} ${wordsOf(reason)}`;
}

/** The sides of a part beyond which nothing fails, in the region. */
function piecesOf(part: Polygon, parts: readonly Polygon[], region: Polygon): readonly Piece[] {
  const found: Piece[] = [];
  part.forEach((from, nth) => {
    const to = part[(nth + 1) % part.length]!;
    const [right, down] = [to.x - from.x, to.y - from.y];
    const length = Math.hypot(right, down);
    if (length < 2 * aside) return;
    const along = (share: number) => ({ x: from.x + right * share, y: from.y + down * share });
    // Which side is outside follows from the part itself, whichever way round it is.
    const normal = { x: down / length, y: -right / length };
    const middle = along(0.5);
    const out = depthIn(part, shifted(middle, normal, 0.01)) < depthIn(part, middle) ? 1 : -1;
    const isOpen = (at: number) => {
      const beyond = shifted(along((at + 0.5) / samples), normal, out * aside);
      return contains(region, beyond) && !parts.some((one) => contains(one, beyond));
    };
    for (let start = 0; start < samples; start++) {
      if (!isOpen(start)) continue;
      let end = start + 1;
      while (end < samples && isOpen(end)) end++;
      const center = along((start + end) / 2 / samples);
      const inside = shifted(center, normal, -out * aside);
      const beyond = shifted(center, normal, out * aside);
      if (contains(part, inside) && contains(region, beyond))
        found.push({
          ...inOrder(along(start / samples), along(end / samples)),
          inside,
          beyond,
          length: (length * (end - start)) / samples,
        });
      start = end;
    }
  });
  return found;
}

/** Two ends, the narrower first; of two alike, the lower. */
function inOrder(one: Point, other: Point): Pick<Border, 'from' | 'to'> {
  const isFirst = Math.abs(one.x - other.x) > aside ? one.x < other.x : one.y < other.y;
  return isFirst ? { from: one, to: other } : { from: other, to: one };
}

function shifted({ x, y }: Point, normal: Point, by: number): Point {
  return { x: x + normal.x * by, y: y + normal.y * by };
}
