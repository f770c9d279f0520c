import type { Rect } from '../layout/index.ts';
import { sharesAxis } from '../scene/index.ts';

/** Which edges of a rectangle somebody moves: all of them to move it. */
export interface Moving {
  readonly left: boolean;
  readonly top: boolean;
  readonly right: boolean;
  readonly bottom: boolean;
}

/** What there is to line up with; all in one unit. */
export interface Ground {
  /** The widgets beside it. */
  readonly siblings: readonly Rect[];
  /** The box it is placed in. */
  readonly room: Rect;
  /** The part of the screen that nothing hides. */
  readonly safe: Rect;
  /** The whole surface, whose thirds count. */
  readonly surface: Rect;
}

/** A line that shows what something lines up with. */
export interface Guide {
  readonly kind: 'edge' | 'middle' | 'gap' | 'size' | 'parent' | 'safe' | 'third';
  /** x: the line stands upright at an x; y: it lies at a y. */
  readonly axis: 'x' | 'y';
  readonly at: number;
  readonly from: number;
  readonly to: number;
}

export interface Snapped {
  /** By how much the moving edges go further. */
  readonly x: number;
  readonly y: number;
  readonly guides: readonly Guide[];
}

interface Candidate {
  readonly by: number;
  readonly guide: Guide;
  /** Of two as near, the one with the lower rank. */
  readonly rank: number;
}

const ranks = { edge: 0, gap: 1, middle: 2, parent: 3, safe: 4, size: 5, third: 6 } as const;

/**
 * By how much moving edges go further so that they line up: with edges and middles of siblings, with equal gaps and sizes, the parent,
 * the safe area and the thirds of the surface. The nearest wins on each axis; nothing further away than `reach` counts.
 */
export function snap(rect: Rect, moving: Moving, ground: Ground, reach: number): Snapped {
  const x = best(candidatesOn('x', rect, moving.left, moving.right, ground), reach);
  const y = best(candidatesOn('y', rect, moving.top, moving.bottom, ground), reach);
  return { x: x.by, y: y.by, guides: [...x.guides, ...y.guides] };
}

function best(all: readonly Candidate[], reach: number): { by: number; guides: readonly Guide[] } {
  const near = all.filter(({ by }) => Math.abs(by) <= reach);
  if (near.length === 0) return { by: 0, guides: [] };
  const [first] = near.sort((a, b) => Math.abs(a.by) - Math.abs(b.by) || a.rank - b.rank);
  const { by } = first!;
  const seen = new Set<string>();
  // Everything that lines up at that place is shown.
  const guides = near.filter((one) => Math.abs(one.by - by) < 0.01).map(({ guide }) => guide);
  return {
    by,
    guides: guides.filter(({ kind, at }) => {
      const key = `${kind === 'edge' || kind === 'middle' ? 'line' : kind} ${Math.round(at * 10)}`;
      return seen.has(key) ? false : seen.add(key);
    }),
  };
}

function candidatesOn(
  axis: 'x' | 'y',
  rect: Rect,
  movesStart: boolean,
  movesEnd: boolean,
  { siblings, room, safe, surface }: Ground,
): Candidate[] {
  if (!movesStart && !movesEnd) return [];
  const whole = movesStart && movesEnd;
  const own = along(rect, axis);
  const across = along(rect, axis === 'x' ? 'y' : 'x');
  const found: Candidate[] = [];
  const add = (kind: Guide['kind'], by: number, at: number, over: Rect) => {
    const other = along(over, axis === 'x' ? 'y' : 'x');
    const from = Math.min(across.start, other.start);
    const to = Math.max(across.end, other.end);
    found.push({ by, rank: ranks[kind], guide: { kind, axis, at, from, to } });
  };
  const edges = [...(movesStart ? [own.start] : []), ...(movesEnd ? [own.end] : [])];
  const middle = (own.start + own.end) / 2;
  for (const sibling of siblings) {
    const { start, end } = along(sibling, axis);
    for (const edge of edges) for (const at of [start, end]) add('edge', at - edge, at, sibling);
    if (whole) add('middle', (start + end) / 2 - middle, (start + end) / 2, sibling);
    else {
      const length = end - start;
      const at = movesEnd ? own.start + length : own.end - length;
      add('size', at - (movesEnd ? own.end : own.start), at, sibling);
    }
  }
  const around = (kind: 'parent' | 'safe', box: Rect) => {
    const { start, end } = along(box, axis);
    for (const edge of edges) for (const at of [start, end]) add(kind, at - edge, at, box);
    if (whole) add(kind, (start + end) / 2 - middle, (start + end) / 2, box);
  };
  around('parent', room);
  around('safe', safe);
  const { start, end } = along(surface, axis);
  for (const edge of whole ? [...edges, middle] : edges)
    for (const part of [1 / 3, 2 / 3]) {
      const at = start + (end - start) * part;
      add('third', at - edge, at, surface);
    }
  if (whole) gaps(axis, rect, siblings, add);
  return found;
}

/** Places where the gap to a sibling is the one between two others, or the same on both sides. */
function gaps(
  axis: 'x' | 'y',
  rect: Rect,
  siblings: readonly Rect[],
  add: (kind: 'gap', by: number, at: number, over: Rect) => void,
): void {
  const own = along(rect, axis);
  const length = own.end - own.start;
  const band = siblings
    .filter((one) => sharesAxis(rect, one, axis === 'x' ? 'y' : 'x'))
    .map((one) => ({ box: one, ...along(one, axis) }))
    .sort((a, b) => a.start - b.start);
  for (let at = 1; at < band.length; at++) {
    const [one, other] = [band[at - 1]!, band[at]!];
    const gap = other.start - one.end;
    if (gap <= 0) continue;
    add('gap', other.end + gap - own.start, other.end + gap, other.box);
    add('gap', one.start - gap - own.end, one.start - gap, one.box);
    if (gap >= length) {
      const start = one.end + (gap - length) / 2;
      add('gap', start - own.start, start, one.box);
    }
  }
}

function along({ x, y, width, height }: Rect, axis: 'x' | 'y'): { start: number; end: number } {
  return axis === 'x' ? { start: x, end: x + width } : { start: y, end: y + height };
}
