import { shareAt, type Rounded, type Sector } from '../inside/index.ts';
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

/** The way round the middle of a rectangle, out to its edges, from its middle or from a hole. */
export class RoundShape {
  readonly #middle: Point;
  readonly #turn: 1 | -1;
  readonly #edges: readonly Passed[];
  readonly #hole: readonly Passed[] | undefined;

  /** @param turn 1 is clockwise. */
  constructor(rect: Rect, hole: Rounded | undefined, turn: 1 | -1) {
    this.#middle = { x: rect.x + rect.width / 2, y: rect.y + rect.height / 2 };
    this.#turn = turn;
    this.#edges = passed(outlineOf({ x: rect.width / 2, y: rect.height / 2 }, noRadii));
    this.#hole = hole && passed(outlineOf(halfOf(hole.rect), radiiOf(hole, turn)));
  }

  /** A part of it as a path; none of one that is too small to be seen. */
  sector({ from, to }: Sector): readonly PathStep[] {
    const { x: left, y: top } = this.#middle;
    const turn = this.#turn;
    const steps: PathStep[] = [];
    const go: Go = (type, ...points) => {
      // One that grows is given room for more than it gets.
      const values = new Array<number>(2 * points.length);
      points.forEach(({ x, y }, nth) => {
        values[2 * nth] = left + turn * x;
        values[2 * nth + 1] = top + y;
      });
      steps.push({ type, values });
    };
    if (!(to - from > leastShare)) return steps;
    for (const { piece, start, end } of this.#edges) {
      if (Math.min(to, end) - Math.max(from, start) <= leastShare) continue;
      if (steps.length === 0) go('M', hit(piece, from));
      go('L', hit(piece, Math.min(to, end)));
    }
    if (this.#hole) this.#backAround(this.#hole, from, to, go);
    else if (to - from < 1) go('L', { x: 0, y: 0 });
    go('Z');
    return steps;
  }

  #backAround(hole: readonly Passed[], from: number, to: number, go: Go): void {
    let isFirst = true;
    for (let nth = hole.length - 1; nth >= 0; nth--) {
      const { piece, start, end } = hole[nth]!;
      const [first, last] = [Math.max(from, start), Math.min(to, end)];
      if (last - first <= leastShare) continue;
      if (isFirst) go('L', hit(piece, last));
      isFirst = false;
      backOver(piece, first, last, go);
    }
  }
}

/** A piece, and between which shares of the way round it is passed. */
interface Passed {
  readonly piece: Piece;
  readonly start: number;
  readonly end: number;
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

/** The pieces of an outline, those without length left out. */
function passed(outline: readonly Piece[]): readonly Passed[] {
  const found: Passed[] = [];
  let start = 0;
  for (const piece of outline) {
    const share = shareAt(piece.end.x, piece.end.y);
    // The top is where it starts and where it ends.
    const end = share < start ? 1 : share;
    if (end - start > leastShare) found.push({ piece, start, end });
    start = end;
  }
  return found;
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
