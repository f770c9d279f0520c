import type { Act, Edges, Outline, OutlineRow, Snapped } from 'pimbot/tools';
import { snapOn } from 'pimbot/tools';

export interface Point {
  readonly x: number;
  readonly y: number;
}

export interface Box extends Point {
  readonly width: number;
  readonly height: number;
}

/** The edges that a handle moves. */
export interface Grip {
  readonly x: -1 | 0 | 1;
  readonly y: -1 | 0 | 1;
}

export const grips: readonly Grip[] = [
  { x: -1, y: -1 },
  { x: 0, y: -1 },
  { x: 1, y: -1 },
  { x: 1, y: 0 },
  { x: 1, y: 1 },
  { x: 0, y: 1 },
  { x: -1, y: 1 },
  { x: -1, y: 0 },
];

/** Something that is under way on the stage. Places are in px of the screen. */
export type Drag =
  | { readonly kind: 'press'; readonly start: Point; readonly ids: readonly string[] }
  | {
      readonly kind: 'move';
      readonly start: Point;
      readonly ids: readonly string[];
      readonly by: Point;
      readonly snapped: Snapped | undefined;
      readonly into: string | undefined;
    }
  | {
      readonly kind: 'resize';
      readonly start: Point;
      readonly id: string;
      readonly grip: Grip;
      readonly edges: Required<Edges>;
      readonly snapped: Snapped | undefined;
    }
  | { readonly kind: 'rotate'; readonly id: string; readonly base: number; readonly degrees: number }
  | {
      readonly kind: 'anchor';
      readonly id: string;
      readonly corner: Grip;
      readonly anchor: NonNullable<OutlineRow['anchor']>;
    }
  | { readonly kind: 'pivot'; readonly id: string; readonly pivot: Point }
  | {
      readonly kind: 'order';
      readonly start: Point;
      readonly id: string;
      readonly to: number;
      readonly line: Box;
    }
  | { readonly kind: 'frame'; readonly start: Point; readonly end: Point }
  | { readonly kind: 'pan'; readonly start: Point; readonly left: number; readonly top: number };

/** What a rectangle takes up that is moved, or of which edges are. */
export function shifted(
  { x, y, width, height }: Box,
  { left = 0, top = 0, right = 0, bottom = 0 }: Edges,
): Box {
  return { x: x + left, y: y + top, width: width + right - left, height: height + bottom - top };
}

/** A way on the screen in the directions of a frame that is turned. */
function untilted(turn: OutlineRow['turn'], by: Point): Point {
  const [a, b, c, d] = turn ?? [1, 0, 0, 1];
  const whole = a * d - b * c;
  return whole === 0 ? by : { x: (d * by.x - c * by.y) / whole, y: (a * by.y - b * by.x) / whole };
}

/** A place on the screen in a frame that is turned. */
export function inFrame(turn: OutlineRow['turn'], at: Point): Point {
  return turn ? untilted(turn, { x: at.x - turn[4], y: at.y - turn[5] }) : at;
}

/** A number of px as whole u, or as it is where it lines up with something. */
function inUnit(px: number, unit: number, exact: boolean): number {
  const u = px / unit;
  return exact ? Math.round(u * 100) / 100 : Math.round(u);
}

/** The widgets move by some px; what they line up with pulls them. */
export function moveTo(
  outline: Outline,
  ids: readonly string[],
  by: Point,
  reach: number,
): { by: Point; snapped: Snapped | undefined } {
  const rows = rowsOf(outline, ids);
  const first = rows[0]!;
  const box = shifted(around(rows), { left: by.x, right: by.x, top: by.y, bottom: by.y });
  const all = { left: true, top: true, right: true, bottom: true };
  const snapped =
    reach > 0 && !first.turn
      ? snapOn(
          outline,
          box,
          all,
          rows.map(({ index }) => index),
          reach,
        )
      : undefined;
  const { unit } = first;
  const whole = (px: number, more: number) => inUnit(px + more, unit, more !== 0 || hits(snapped)) * unit;
  return { by: { x: whole(by.x, snapped?.x ?? 0), y: whole(by.y, snapped?.y ?? 0) }, snapped };
}

function hits(snapped: Snapped | undefined): boolean {
  return (snapped?.guides.length ?? 0) > 0;
}

export function moveAct(outline: Outline, ids: readonly string[], by: Point): Act {
  const [first] = rowsOf(outline, ids);
  const { x, y } = untilted(outline.rows[first!.parent]?.turn, by);
  return { do: 'move', widgets: ids, x: round(x / first!.unit), y: round(y / first!.unit) };
}

/** Edges that a handle has been pulled by. */
export function resizeTo(
  outline: Outline,
  id: string,
  grip: Grip,
  way: Point,
  reach: number,
  keepsShape: boolean,
): { edges: Required<Edges>; snapped: Snapped | undefined } {
  const [row] = rowsOf(outline, [id]);
  const by = untilted(row!.turn, way);
  let edges = {
    left: grip.x < 0 ? by.x : 0,
    right: grip.x > 0 ? by.x : 0,
    top: grip.y < 0 ? by.y : 0,
    bottom: grip.y > 0 ? by.y : 0,
  };
  const moving = { left: grip.x < 0, right: grip.x > 0, top: grip.y < 0, bottom: grip.y > 0 };
  const snapped =
    reach > 0 && !row!.turn
      ? snapOn(outline, shifted(row!.rect, edges), moving, [row!.index], reach)
      : undefined;
  const { unit, rect } = row!;
  const whole = (edge: number, moves: boolean, more: number) =>
    moves ? inUnit(edge + more, unit, more !== 0 || hits(snapped)) * unit : 0;
  // No edge passes the one across from it: there would be nothing left to take hold of.
  const across = Math.max(0, rect.width - unit);
  const down = Math.max(0, rect.height - unit);
  edges = {
    left: Math.min(across, whole(edges.left, moving.left, snapped?.x ?? 0)),
    right: Math.max(-across, whole(edges.right, moving.right, snapped?.x ?? 0)),
    top: Math.min(down, whole(edges.top, moving.top, snapped?.y ?? 0)),
    bottom: Math.max(-down, whole(edges.bottom, moving.bottom, snapped?.y ?? 0)),
  };
  if (!keepsShape || grip.x === 0 || grip.y === 0 || row!.rect.width === 0) return { edges, snapped };
  const width = row!.rect.width + edges.right - edges.left;
  const height = (row!.rect.height / row!.rect.width) * width;
  const more = height - row!.rect.height;
  return {
    edges: { ...edges, top: grip.y < 0 ? -more : 0, bottom: grip.y > 0 ? more : 0 },
    snapped: undefined,
  };
}

export function resizeAct(outline: Outline, id: string, edges: Required<Edges>): Act {
  const row = rowsOf(outline, [id])[0]!;
  const { x, y } = row.isPlaced ? { x: 0, y: 0 } : alongWith(outline.rows, row, edges);
  const u = (px: number) => round(px / row.unit);
  const { left, right, top, bottom } = edges;
  const inU = { left: u(left + x), right: u(right + x), top: u(top + y), bottom: u(bottom + y) };
  return { do: 'resize', widget: id, edges: inU };
}

/**
 * How far a widget has to move so that, turned about where its pivot comes to be, its edges are where they were pulled to, and those
 * across from them where they were.
 */
function alongWith(rows: readonly OutlineRow[], row: OutlineRow, edges: Required<Edges>): Point {
  if (!row.turn) return { x: 0, y: 0 };
  const { left, right, top, bottom } = edges;
  const by = { x: left + row.pivot.x * (right - left), y: top + row.pivot.y * (bottom - top) };
  const [a, b, c, d] = row.turn;
  // On the screen, and from there in the frame of what it is in.
  const on = untilted(rows[row.parent]?.turn, { x: a * by.x + c * by.y, y: b * by.x + d * by.y });
  return { x: on.x - by.x, y: on.y - by.y };
}

/** Where a pointer pulls a corner of an anchor: edges, middles and thirds of the room catch it. */
export function anchorAt(
  row: OutlineRow,
  corner: Grip,
  at: Point,
  reach: number,
): NonNullable<OutlineRow['anchor']> {
  const share = (start: number, length: number, place: number) => {
    if (length <= 0) return 0;
    const exact = (place - start) / length;
    const near = [0, 1 / 3, 0.5, 2 / 3, 1].find((one) => Math.abs(one - exact) * length <= reach);
    return near ?? Math.round(exact * 100) / 100;
  };
  const { x0, x1, y0, y1, ...rest } = row.anchor!;
  const x = share(row.room.x, row.room.width, at.x);
  const y = share(row.room.y, row.room.height, at.y);
  const [left, right] = corner.x === 0 ? [x, x] : corner.x < 0 ? [x, x1] : [x0, x];
  const [top, bottom] = corner.y === 0 ? [y, y] : corner.y < 0 ? [y, y1] : [y0, y];
  return {
    x0: Math.min(left, right),
    x1: Math.max(left, right),
    y0: Math.min(top, bottom),
    y1: Math.max(top, bottom),
    ...rest,
  };
}

/** An anchor as it is written. */
export function anchorWords({ x0, x1, y0, y1, logical, turned }: NonNullable<OutlineRow['anchor']>): string {
  const sides = logical ? (['start', 'end'] as const) : (['left', 'right'] as const);
  const word = (at: number, [start, end]: readonly [string, string]) =>
    at === 0 ? start : at === 1 ? end : at === 0.5 ? 'center' : `${round(at * 100)}%`;
  const span = (from: number, to: number, words: readonly [string, string]) =>
    from === to ? word(from, words) : `${word(from, words)}..${word(to, words)}`;
  const [from, to] = turned ? [1 - x1, 1 - x0] : [x0, x1];
  return `${span(from, to, sides)} ${span(y0, y1, ['top', 'bottom'])}`;
}

/** The place of a pivot in its box: edges, middles and thirds catch it. */
export function pivotAt({ rect }: OutlineRow, at: Point, reach: number): Point {
  const share = (start: number, length: number, place: number) => {
    if (length <= 0) return 0.5;
    const exact = (place - start) / length;
    const near = [0, 1 / 3, 0.5, 2 / 3, 1].find((one) => Math.abs(one - exact) * length <= reach);
    return round(near ?? exact);
  };
  return { x: share(rect.x, rect.width, at.x), y: share(rect.y, rect.height, at.y) };
}

/** Where among its siblings a widget that its parent places would go, and the line that shows it. */
export function orderAt({ rows }: Outline, id: string, on: Point): { to: number; line: Box } | undefined {
  const row = rows.find((one) => one.id === id)!;
  const at = inFrame(rows[row.parent]?.turn, on);
  const siblings = rows.filter(
    (one) => one.parent === row.parent && one.place !== undefined && !one.isHidden,
  );
  if (siblings.length < 2) return undefined;
  const rank = (one: OutlineRow) => {
    const dx = at.x - one.rect.x - one.rect.width / 2;
    const dy = at.y - one.rect.y - one.rect.height / 2;
    return Math.hypot(dx, dy);
  };
  const nearest = siblings.reduce((best, one) => (rank(one) < rank(best) ? one : best));
  const upright = row.arranged === 'column';
  const middle = upright ? nearest.rect.y + nearest.rect.height / 2 : nearest.rect.x + nearest.rect.width / 2;
  const later = (upright ? at.y : at.x) > middle;
  const place = nearest.place! + (later ? 1 : 0);
  const to = place > row.place! ? place - 1 : place;
  const { x, y, width, height } = nearest.rect;
  const line = upright
    ? { x, y: later ? y + height : y, width, height: 0 }
    : { x: later ? x + width : x, y, width: 0, height };
  return { to, line };
}

/** The innermost container under a place that some widgets can be put into. */
export function containerAt({ rows, order }: Outline, ids: readonly string[], at: Point): string | undefined {
  const moved = new Set(ids);
  for (const index of [...order].reverse()) {
    const row = rows[index]!;
    if (row.isHidden || !row.holds || !isIn(row, at)) continue;
    let own = false;
    for (let up = index; up >= 0; up = rows[up]!.parent) own ||= moved.has(rows[up]!.id);
    if (!own) return row.id;
  }
  return undefined;
}

/** The widgets under a place, the topmost first: those that show something before those that only hold others. */
export function widgetsAt({ rows, order }: Outline, at: Point): OutlineRow[] {
  const found = [...order].reverse().flatMap((index) => {
    const row = rows[index]!;
    if (index === 0 || row.isHidden || !isIn(row, at)) return [];
    for (let up = row.parent; up >= 0; up = rows[up]!.parent)
      if (rows[up]!.isHidden || (rows[up]!.clips && !isIn(rows[up]!, at))) return [];
    return [row];
  });
  return [...found.filter(({ shows }) => shows), ...found.filter(({ shows }) => !shows)];
}

function isIn({ rect, turn }: OutlineRow, at: Point): boolean {
  // What is pressed flat lies nowhere.
  if (turn && turn[0] * turn[3] === turn[1] * turn[2]) return false;
  const { x, y } = inFrame(turn, at);
  return x >= rect.x && y >= rect.y && x <= rect.x + rect.width && y <= rect.y + rect.height;
}

export function rowsOf({ rows }: Outline, ids: readonly string[]): OutlineRow[] {
  return ids.flatMap((id) => rows.find((row) => row.id === id) ?? []);
}

export function around(rows: readonly OutlineRow[]): Box {
  const x = Math.min(...rows.map(({ rect }) => rect.x));
  const y = Math.min(...rows.map(({ rect }) => rect.y));
  const right = Math.max(...rows.map(({ rect }) => rect.x + rect.width));
  const bottom = Math.max(...rows.map(({ rect }) => rect.y + rect.height));
  return { x, y, width: right - x, height: bottom - y };
}

/** The box around some widgets while they are dragged. */
export function heldBox(rows: readonly OutlineRow[], drag: Drag | undefined): Box | undefined {
  if (rows.length === 0) return undefined;
  const box = around(rows);
  if (drag?.kind === 'move') return { ...box, x: box.x + drag.by.x, y: box.y + drag.by.y };
  return drag?.kind === 'resize' ? shifted(box, drag.edges) : box;
}

export function round(value: number): number {
  return Math.round(value * 100) / 100 + 0;
}
