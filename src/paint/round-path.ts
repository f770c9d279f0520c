import type { Rounded, Sector } from '../inside/index.ts';
import type { Rect } from '../layout/index.ts';
import type { PathStep } from './draw-list.ts';

/* Parts of the way round the middle of a rectangle, as paths. */

interface Point {
  readonly x: number;
  readonly y: number;
}

/** A straight or round piece of an outline, clockwise; places go from the middle. */
interface Piece {
  readonly start: Point;
  readonly end: Point;
  readonly arc?: { readonly middle: Point; readonly radius: number };
}

/** Of a full turn, shorter than any that is seen. */
const leastShare = 1e-9;

/**
 * A part of the way round the middle of a rectangle, out to its edges, from its middle or from a hole.
 * @param turn 1 is clockwise.
 */
export function sectorPath(
  rect: Rect,
  hole: Rounded | undefined,
  turn: 1 | -1,
  { from, to }: Sector,
): readonly PathStep[] {
  const middle = { x: rect.x + rect.width / 2, y: rect.y + rect.height / 2 };
  const steps: PathStep[] = [];
  const go = (type: PathStep['type'], ...points: readonly Point[]) => {
    steps.push({ type, values: points.flatMap(({ x, y }) => [middle.x + turn * x, middle.y + y]) });
  };
  const edges = outlineOf({ x: rect.width / 2, y: rect.height / 2 }, noRadii);
  const outside = within(edges, from, to);
  if (outside.length === 0) return [];
  go('M', hit(outside[0]!.piece, from));
  for (const { piece, end } of outside) go('L', hit(piece, end));
  if (hole) {
    const inside = within(outlineOf(halfOf(hole.rect), radiiOf(hole, turn)), from, to).reverse();
    go('L', hit(inside[0]!.piece, to));
    for (const { piece, start, end } of inside) backOver(piece, start, end, go);
  } else if (to - from < 1) go('L', { x: 0, y: 0 });
  go('Z');
  return steps;
}

type Go = (type: PathStep['type'], ...points: readonly Point[]) => void;

/** Goes from the end of a part of a piece to its start. */
function backOver(piece: Piece, start: number, end: number, go: Go): void {
  const to = hit(piece, start);
  if (!piece.arc) {
    go('L', to);
    return;
  }
  const { middle, radius } = piece.arc;
  const from = hit(piece, end);
  const angle = ({ x, y }: Point) => Math.atan2(y - middle.y, x - middle.x);
  const [a, b] = [angle(from), angle(to)];
  // No arc is longer than a quarter, and it goes back.
  const by = b > a ? b - a - 2 * Math.PI : b - a;
  const reach = (4 / 3) * Math.tan(by / 4) * radius;
  go(
    'C',
    { x: from.x - reach * Math.sin(a), y: from.y + reach * Math.cos(a) },
    { x: to.x + reach * Math.sin(b), y: to.y - reach * Math.cos(b) },
    to,
  );
}

const halfOf = ({ width, height }: Rect): Point => ({ x: width / 2, y: height / 2 });

/** The radii of the corners, clockwise from the right top one. */
type Radii = readonly [number, number, number, number];
const noRadii: Radii = [0, 0, 0, 0];

/** The same as somebody sees them who goes round the other way. */
function radiiOf({ radius }: Rounded, turn: 1 | -1): Radii {
  const { topLeft, topRight, bottomRight, bottomLeft } = radius;
  return turn === 1
    ? [topRight, bottomRight, bottomLeft, topLeft]
    : [topLeft, bottomLeft, bottomRight, topRight];
}

/** The outline of a rectangle around the middle, clockwise from its top. */
function outlineOf({ x, y }: Point, [rightTop, rightBottom, leftBottom, leftTop]: Radii): readonly Piece[] {
  const points: readonly (readonly [Point, Point?])[] = [
    [{ x: 0, y: -y }],
    [{ x: x - rightTop, y: -y }],
    [
      { x, y: rightTop - y },
      { x: x - rightTop, y: rightTop - y },
    ],
    [{ x, y: y - rightBottom }],
    [
      { x: x - rightBottom, y },
      { x: x - rightBottom, y: y - rightBottom },
    ],
    [{ x: leftBottom - x, y }],
    [
      { x: -x, y: y - leftBottom },
      { x: leftBottom - x, y: y - leftBottom },
    ],
    [{ x: -x, y: leftTop - y }],
    [
      { x: leftTop - x, y: -y },
      { x: leftTop - x, y: leftTop - y },
    ],
    [{ x: 0, y: -y }],
  ];
  return points.slice(1).map(([end, middle], nth): Piece => {
    const start = points[nth]![0];
    if (!middle) return { start, end };
    return { start, end, arc: { middle, radius: Math.hypot(end.x - middle.x, end.y - middle.y) } };
  });
}

/** What of an outline lies between two shares of the way round, piece by piece. */
function within(outline: readonly Piece[], from: number, to: number) {
  const found: { readonly piece: Piece; readonly start: number; readonly end: number }[] = [];
  let passed = 0;
  for (const piece of outline) {
    const share = shareOf(piece.end);
    // The top is where it starts and where it ends.
    const end = Math.min(to, share < passed ? 1 : share);
    const start = Math.max(from, passed);
    passed = share < passed ? 1 : share;
    if (end - start > leastShare) found.push({ piece, start, end });
  }
  return found;
}

function shareOf({ x, y }: Point): number {
  const share = Math.atan2(x, -y) / (2 * Math.PI);
  return share < 0 ? share + 1 : share;
}

/** Where a ray from the middle meets a piece. */
function hit({ start, end, arc }: Piece, share: number): Point {
  const [x, y] = [Math.sin(2 * Math.PI * share), -Math.cos(2 * Math.PI * share)];
  let far: number;
  if (arc) {
    const along = x * arc.middle.x + y * arc.middle.y;
    const beside = arc.middle.x ** 2 + arc.middle.y ** 2 - along ** 2;
    far = along + Math.sqrt(Math.max(0, arc.radius ** 2 - beside));
  } else {
    const [byX, byY] = [end.x - start.x, end.y - start.y];
    far = (start.x * byY - start.y * byX) / (x * byY - y * byX);
  }
  return { x: x * far, y: y * far };
}
