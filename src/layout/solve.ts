import { clampNeed } from './clamp.ts';
import { alignBaselines, measureHeight, needBaseline } from './baseline.ts';
import { carryHeights, carryWidths } from './carried.ts';
import { definiteHeight } from './definite.ts';
import type { Frame } from './frame.ts';
import { giveFree, needOfFree } from './free.ts';
import { giveColumns, giveRows, needOfColumns, needOfRows } from './grid.ts';
import { giveAcross, giveAlong, needAcross, needAlong } from './line.ts';
import { rescaleParts } from './parts.ts';
import {
  alignParent,
  alignStretch,
  arrangeColumn,
  arrangeFree,
  arrangeGrid,
  arrangeRow,
  arrangeWrap,
  autoSize,
  fillSize,
  fixedSize,
  hasSharedPadding,
  lineFrom,
  lineRoom,
  type AxisPlan,
  type Plan,
} from './plan.ts';
import { lendAll, lendGap, lendPadding, padView, takeBack, takeBackAll } from './shared.ts';
import { giveAcrossLines, giveLines, leastOfWrap, needOfLines } from './wrap.ts';

/*
 * Four linear passes (docs/layout-model.md, section 2): widths needed, from the leaves up; widths given, from the
 * root down; heights needed, with every text knowing its width; heights given. Each looks only at what is marked:
 * what a pass computes for a widget follows from numbers that have not changed where it is not. The result is the
 * same, bit for bit, as that of solving everything.
 */

/** Has everything found anew. */
export function markAll(plan: Plan): void {
  for (let n = 0; n < plan.count; n++) {
    plan.x.toNeed.add(n);
    plan.y.toNeed.add(n);
  }
  plan.x.given.fill(NaN);
  plan.y.given.fill(NaN);
  plan.x.regive(0);
  plan.y.regive(0);
}

/** Has a leaf measured anew, and all that follows from it. */
export function markMeasure(plan: Plan, n: number): void {
  plan.x.toNeed.add(n);
  plan.y.toNeed.add(n);
}

/** Has a widget whose box is another one measured and placed anew, and all that follows from it. */
export function markBox(plan: Plan, n: number): void {
  markMeasure(plan, n);
  // Widths that follow from a height may follow from one around them.
  for (const inside of plan.byHeight) if (inside > n && inside < plan.end[n]!) plan.x.toNeed.add(inside);
  const parent = plan.parent[n]!;
  for (const axis of [plan.x, plan.y]) {
    axis.regive(n);
    if (parent < 0) continue;
    // What a parent needs follows from places too where it is free.
    if (parent > 0) axis.toNeed.add(parent);
    if (plan.arrange[parent] === arrangeFree) axis.replace(n);
    else axis.regive(parent);
  }
}

/** Lays a plan out on a frame. Afterwards `start` and `length` of both axes hold every widget's border box. */
export function solve(plan: Plan, frame: Frame): void {
  const { x, y } = plan;
  const { safe } = frame;
  if (plan.parts.length > 0 && rescaleParts(plan, frame)) markAll(plan);
  const moved = y.length[0] !== frame.height || plan.safeTop !== safe.top || plan.safeBottom !== safe.bottom;
  if (plan.safeLeft !== safe.left || plan.safeRight !== safe.right) x.regive(0);
  if (plan.safeTop !== safe.top || plan.safeBottom !== safe.bottom) y.regive(0);
  plan.safeLeft = safe.left;
  plan.safeRight = safe.right;
  plan.safeTop = safe.top;
  plan.safeBottom = safe.bottom;
  x.length[0] = frame.width;
  y.length[0] = frame.height;
  padView(plan, x, frame.width);
  padView(plan, y, frame.height);
  if (moved) for (let at = 0; at < plan.byHeight.length; at++) x.toNeed.add(plan.byHeight[at]!);
  for (const n of plan.carriedWidths) {
    // What held a height is not known before the widths.
    y.carriedMost[n] = Infinity;
    y.carriedLeast[n] = 0;
  }
  carryHeights(plan);
  needWidths(plan);
  if (x.given[0] !== frame.width) x.regive(0);
  give(plan, x);
  carryWidths(plan);
  needHeights(plan);
  if (y.given[0] !== frame.height) y.regive(0);
  give(plan, y);
}

function needWidths(plan: Plan): void {
  const { x } = plan;
  for (let n = x.toNeed.takeHighest(); n >= 0; n = x.toNeed.takeHighest()) {
    const padding = x.floor[n]!;
    const measure = plan.measures[n];
    let need: number;
    let least: number;
    if (measure) {
      need = measure.widest * plan.factor[n]!;
      least = measure.least * plan.factor[n]!;
      if (plan.aspect[n] === 0) {
        const isShared = (x.traits[n]! & hasSharedPadding) !== 0;
        plan.steadyFrom[n] = isShared ? Infinity : measure.steadyFrom * plan.factor[n]! + padding;
      }
    } else if (plan.end[n] === n + 1 && plan.arrange[n] !== arrangeGrid) need = least = 0;
    else {
      switch (plan.arrange[n]) {
        case arrangeRow:
          need = needAlong(plan, x, n, x.need);
          least = needAlong(plan, x, n, x.least);
          break;
        case arrangeWrap:
          need = needAlong(plan, x, n, x.need);
          least = leastOfWrap(plan, x, n);
          break;
        case arrangeGrid:
          need = needOfColumns(plan, n, plan.grids[n]!, x.need);
          least = needOfColumns(plan, n, plan.grids[n]!, x.least);
          break;
        case arrangeFree:
          need = needOfFree(plan, x, n, x.need);
          least = needOfFree(plan, x, n, x.least);
          break;
        default:
          need = needAcross(plan, x, n, x.need);
          least = needAcross(plan, x, n, x.least);
      }
    }
    if (x.scrolls[n] === 1) least = 0;
    need += padding;
    least += padding;
    if (plan.aspect[n]! > 0 && x.mode[n] !== fixedSize) {
      const height = definiteHeight(plan, n);
      if (height === height) need = least = height * plan.aspect[n]!;
    }
    settleNeed(plan, x, n, need, least);
  }
}

function needHeights(plan: Plan): void {
  const { x, y } = plan;
  // A baseline deep inside can move without a need changing on the way up to its row.
  for (let at = 0; at < plan.baselineRows.length; at++) {
    y.toNeed.add(plan.baselineRows[at]!);
    y.regive(plan.baselineRows[at]!);
  }
  for (let n = y.toNeed.takeHighest(); n >= 0; n = y.toNeed.takeHighest()) {
    const measure = plan.measures[n];
    let need: number;
    if (plan.baselines[n] === 1) needBaseline(plan, n);
    if (plan.aspect[n]! > 0) need = x.length[n]! / plan.aspect[n]!;
    else {
      if (measure) {
        measureHeight(plan, n, measure);
        need = plan.exchange[1]!;
      } else if (plan.end[n] === n + 1) need = 0;
      else need = contentHeight(plan, n);
      need += y.floor[n]!;
    }
    settleNeed(plan, y, n, need, y.scrolls[n] === 1 ? 0 : need);
  }
}

function contentHeight(plan: Plan, n: number): number {
  const { y } = plan;
  switch (plan.arrange[n]) {
    case arrangeRow: {
      const need = needAcross(plan, y, n, y.need);
      return plan.baselines[n] === 0 ? need : Math.max(need, plan.baselineNeed[n]!);
    }
    case arrangeColumn:
      return needAlong(plan, y, n, y.need);
    case arrangeWrap:
      return needOfLines(plan, n);
    case arrangeGrid:
      return needOfRows(plan, n, plan.grids[n]!);
    case arrangeFree:
      return needOfFree(plan, y, n, y.need);
    default:
      return needAcross(plan, y, n, y.need);
  }
}

/** A said size that is no share of the parent is needed as it is; anything else needs what is inside. */
function settleNeed(plan: Plan, axis: AxisPlan, n: number, content: number, contentLeast: number): void {
  let need = content;
  let least = contentLeast;
  if (axis.mode[n] === fixedSize && axis.sizeShare[n] === 0) need = least = axis.size[n]!;
  if ((axis.traits[n]! & hasSharedPadding) !== 0) {
    const shared = axis.paddings.get(n)!;
    shared.content = need;
    shared.contentLeast = Math.min(least, need);
    if (n > 0) axis.regive(plan.parent[n]!);
  }
  need = clampNeed(axis, n, need);
  least = clampNeed(axis, n, Math.min(least, need));
  if (axis.scrolls[n] === 1 || plan.arrange[n] === arrangeGrid) axis.regive(n);
  if (need === axis.need[n] && least === axis.least[n]) return;
  axis.need[n] = need;
  axis.least[n] = least;
  if (n === 0) return;
  const parent = plan.parent[n]!;
  if (plan.arrange[parent] === arrangeFree) {
    axis.replace(n);
    if (parent > 0 && plan.target[n]! < 0) axis.toNeed.add(parent);
    return;
  }
  axis.toNeed.add(parent);
  if (!ignoresNeed(plan, axis, parent, n)) axis.regive(parent);
}

/** Whether a child gets its length across its row or column whatever it needs. */
function ignoresNeed(plan: Plan, axis: AxisPlan, parent: number, n: number): boolean {
  if (plan.arrange[parent] !== (axis === plan.x ? arrangeColumn : arrangeRow)) return false;
  const mode = axis.mode[n]!;
  if (mode === fixedSize || mode === fillSize) return true;
  const self = axis.alignSelf[n]!;
  const align = self === alignParent ? axis.align[parent]! : self;
  return mode === autoSize && align === alignStretch && plan.natural[n] === 0;
}

function give(plan: Plan, axis: AxisPlan): void {
  drain(plan, axis);
  if (axis === plan.y) alignRows(plan, 0);
  // Each stands after its own target, so that the target has its place already.
  for (let at = 0; at < plan.deferred.length; at++) {
    const n = plan.deferred[at]!;
    placeAtTarget(plan, axis, n);
    drain(plan, axis);
    if (axis === plan.y) alignRows(plan, n);
  }
}

/** Moves children onto the baselines they share, in all rows in a widget: in the inner ones first, as the outer ones go by them. */
function alignRows(plan: Plan, within: number): void {
  const { baselineRows } = plan;
  for (let at = baselineRows.length - 1; at >= 0; at--) {
    const n = baselineRows[at]!;
    if (n < within || n >= plan.end[within]!) continue;
    alignBaselines(plan, n);
  }
}

function drain(plan: Plan, axis: AxisPlan): void {
  const { toGive, why } = axis;
  for (let n = toGive.takeLowest(); n >= 0; n = toGive.takeLowest()) {
    const reason = why[n]!;
    why[n] = 0;
    if ((reason & 2) !== 0 && plan.target[n]! < 0) placeFree(plan, axis, n);
    if ((reason & 1) !== 0 || axis.length[n] !== axis.given[n]) giveChildren(plan, axis, n);
  }
}

/** Places one child of a free parent whose own place is known. */
function placeFree(plan: Plan, axis: AxisPlan, n: number): void {
  const parent = plan.parent[n]!;
  if (parent < 0) return;
  if (parent === 0 && plan.full[n] === 1) giveIn(plan, axis, n, 0, axis.length[0]!);
  else {
    const room = contentRoom(plan, axis, parent);
    giveIn(plan, axis, n, contentStart(plan, axis, parent, room), roomInside(plan, axis, parent, room));
  }
  plan.toFollow.add(n);
  noteLength(plan, axis, n);
}

/** Where the content of a widget starts in its border box, scrolled as it is. @param room How long its content box is. */
function contentStart(plan: Plan, axis: AxisPlan, n: number, room: number): number {
  return axis.paddingStart[n]! + safeBefore(plan, axis, n) - shift(plan, axis, n, room);
}

function contentRoom(plan: Plan, axis: AxisPlan, n: number): number {
  // In the order in which giveChildren takes them off: in another one, the last digit of the result may be another.
  const from = axis.paddingStart[n]! + safeBefore(plan, axis, n);
  return Math.max(0, axis.length[n]! - from - axis.paddingEnd[n]! - safeAfter(plan, axis, n));
}

/** Places a child of a free parent in a box, with the padding it has there. */
function giveIn(plan: Plan, axis: AxisPlan, n: number, from: number, room: number): void {
  lendPadding(plan, axis, n, room);
  giveFree(axis, n, from, room);
  takeBack(axis, n);
}

/** Places a widget that is anchored to another one, in the target's border box; a span may end in that of a second one. */
function placeAtTarget(plan: Plan, axis: AxisPlan, n: number): void {
  const around = placeOf(plan, axis, plan.parent[n]!);
  const other = plan.targetEnd[n]! < 0 ? plan.target[n]! : plan.targetEnd[n]!;
  const isTurned = axis === plan.x && axis.span[n] === 1 && plan.targetsTurned[n] === 1;
  const first = isTurned ? other : plan.target[n]!;
  const last = isTurned ? plan.target[n]! : other;
  const from = placeOf(plan, axis, first) - around;
  const to = placeOf(plan, axis, last) - around;
  const parent = plan.parent[n]!;
  const room = contentRoom(plan, axis, parent);
  const edge = contentStart(plan, axis, parent, room);
  lendPadding(plan, axis, n, axis.length[first]!);
  giveFree(
    axis,
    n,
    from,
    axis.length[first]!,
    to,
    axis.length[last],
    edge,
    roomInside(plan, axis, parent, room),
  );
  takeBack(axis, n);
  plan.toFollow.add(n);
  noteLength(plan, axis, n);
}

/** Writes the border box of a widget on the surface into `into`, in u. */
export function placeInto(
  plan: Plan,
  n: number,
  into: { x: number; y: number; width: number; height: number },
): void {
  // Both sums in one loop, as a number with a fraction that a function returns is made an object; from the root
  // down, as a Layout adds them.
  const { parent, path } = plan;
  let depth = 0;
  for (let at = n; at > 0; at = parent[at]!) path[depth++] = at;
  const xs = plan.x.start;
  const ys = plan.y.start;
  let x = 0;
  let y = 0;
  while (depth > 0) {
    const at = path[--depth]!;
    x += xs[at]!;
    y += ys[at]!;
  }
  into.x = x;
  into.y = y;
  into.width = plan.x.length[n]!;
  into.height = plan.y.length[n]!;
}

/** Scrolls a widget that scrolls to a place, in u. @param past How far it is pulled past an end, on top of that. */
export function scrollTo(
  plan: Plan,
  n: number,
  x: number,
  y: number,
  past: { readonly x: number; readonly y: number } = atRest,
): void {
  plan.x.scrolled[n] = Number.isFinite(x) ? Math.max(0, x) : 0;
  plan.y.scrolled[n] = Number.isFinite(y) ? Math.max(0, y) : 0;
  plan.x.past[n] = past.x;
  plan.y.past[n] = past.y;
  plan.x.regive(n);
  plan.y.regive(n);
}

const atRest = { x: 0, y: 0 };

/** How far a widget can be scrolled along an axis, in u of its own; 0 where all of it is shown. The plan has to be solved. */
export function scrollRange(plan: Plan, axis: AxisPlan, n: number): number {
  if (axis.scrolls[n] === 0) return 0;
  const around =
    axis.paddingStart[n]! + axis.paddingEnd[n]! + safeBefore(plan, axis, n) + safeAfter(plan, axis, n);
  const room = Math.max(0, axis.length[n]! - around);
  lendGap(axis, n, room);
  const range = Math.max(0, insideNeed(plan, axis, n) - room) / plan.factor[n]!;
  takeBackAll(plan, axis, n);
  return range;
}

/** Where a widget starts on the surface. */
function placeOf(plan: Plan, axis: AxisPlan, n: number): number {
  let place = 0;
  for (let at = n; at > 0; at = plan.parent[at]!) place += axis.start[at]!;
  return place;
}

function safeBefore(plan: Plan, axis: AxisPlan, n: number): number {
  if (n > 0) return 0;
  return axis === plan.x ? plan.safeLeft : plan.safeTop;
}

function safeAfter(plan: Plan, axis: AxisPlan, n: number): number {
  if (n > 0) return 0;
  return axis === plan.x ? plan.safeRight : plan.safeBottom;
}

/** The room children have: more than there is where the widget scrolls and they need it. */
function roomInside(plan: Plan, axis: AxisPlan, n: number, room: number): number {
  return axis.scrolls[n] === 1 ? Math.max(room, insideNeed(plan, axis, n)) : room;
}

/** How far the children are scrolled, within what there is to scroll. */
function shift(plan: Plan, axis: AxisPlan, n: number, room: number): number {
  if (axis.scrolls[n] === 0) return 0;
  const factor = plan.factor[n]!;
  const within = Math.max(0, Math.min(axis.scrolled[n]! * factor, insideNeed(plan, axis, n) - room));
  return within + axis.past[n]! * factor;
}

/** What the children of a scrolling widget need. */
function insideNeed(plan: Plan, axis: AxisPlan, n: number): number {
  if (axis === plan.y) return contentHeight(plan, n);
  switch (plan.arrange[n]) {
    case arrangeRow:
    case arrangeWrap:
      return needAlong(plan, axis, n, axis.need);
    case arrangeGrid:
      return needOfColumns(plan, n, plan.grids[n]!, axis.need);
    case arrangeFree:
      return needOfFree(plan, axis, n, axis.need);
    default:
      return needAcross(plan, axis, n, axis.need);
  }
}

function giveChildren(plan: Plan, axis: AxisPlan, n: number): void {
  const end = plan.end[n]!;
  const outer = axis.length[n]!;
  axis.given[n] = outer;
  if (end === n + 1) return;
  plan.toFollow.add(n);
  const horizontal = axis === plan.x;
  const arrange = plan.arrange[n]!;
  let from = axis.paddingStart[n]! + safeBefore(plan, axis, n);
  let room = Math.max(0, outer - from - axis.paddingEnd[n]! - safeAfter(plan, axis, n));
  const shared = axis.isShared;
  if (shared) lendGap(axis, n, room);
  if (axis.scrolls[n] === 1) {
    from -= shift(plan, axis, n, room);
    room = roomInside(plan, axis, n, room);
  }
  if (shared && arrange !== arrangeGrid) lendAll(plan, axis, n, room);
  if (arrange === arrangeFree) {
    for (let child = n + 1; child < end; child = plan.end[child]!) {
      if (plan.target[child]! >= 0) continue;
      if (n === 0 && plan.full[child] === 1) giveIn(plan, axis, child, 0, outer);
      else giveFree(axis, child, from, room);
    }
  } else if (arrange === (horizontal ? arrangeRow : arrangeColumn)) {
    axis.scratch[lineFrom] = from;
    axis.scratch[lineRoom] = room;
    giveAlong(plan, axis, n, n + 1, end);
  } else if (arrange === arrangeWrap) {
    if (horizontal) giveLines(plan, n, from, room);
    else giveAcrossLines(plan, n, from, room);
  } else if (arrange === arrangeGrid) {
    if (horizontal) giveColumns(plan, n, plan.grids[n]!, from, room);
    else giveRows(plan, n, plan.grids[n]!, from, room);
  } else {
    for (let child = n + 1; child < end; child = plan.end[child]!)
      giveAcross(plan, axis, n, child, from, room);
    if (!horizontal) plan.contentTop[n] = from;
  }
  if (shared) takeBackAll(plan, axis, n);
  if (horizontal && (arrange === arrangeWrap || arrange === arrangeGrid)) {
    plan.y.toNeed.add(n);
    plan.y.regive(n);
  }
  // noteLength for each child, written out: this is the innermost loop of a resize.
  const { length, given, toGive } = axis;
  const { widthMatters, end: ends } = plan;
  for (let child = n + 1; child < end;) {
    const after = ends[child]!;
    const leaf = after === child + 1;
    // Nothing follows from the length of a leaf but the height of one whose width matters.
    if (!leaf || (horizontal && widthMatters[child] === 1)) {
      if (length[child] !== given[child]) {
        if (horizontal && widthMatters[child] === 1 && !staysAsHigh(plan, child)) plan.y.toNeed.add(child);
        if (leaf) given[child] = length[child]!;
        else toGive.add(child);
      }
    }
    child = after;
  }
}

/** Whether both the width a leaf was last given and the one it is given now are beyond where its height changes. */
function staysAsHigh(plan: Plan, n: number): boolean {
  const from = plan.steadyFrom[n]!;
  return plan.x.length[n]! >= from && plan.x.given[n]! >= from;
}

/** Marks what follows from a length that a widget was just given. */
function noteLength(plan: Plan, axis: AxisPlan, n: number): void {
  if (axis.length[n] === axis.given[n]) return;
  if (axis === plan.x && plan.widthMatters[n] === 1 && !staysAsHigh(plan, n)) plan.y.toNeed.add(n);
  if (plan.end[n] === n + 1) axis.given[n] = axis.length[n]!;
  else axis.toGive.add(n);
}
