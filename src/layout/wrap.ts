import { clamp } from './clamp.ts';
import { giveAcross, giveAlong } from './line.ts';
import { fillSize, fixedSize, lineFrom, lineRoom, type AxisPlan, type Plan } from './plan.ts';

/*
 * Rows that break: docs/layout-model.md 4.5. Children are collected into lines as CSS Flexible Box Layout 1 §9.3
 * does, each line is laid out as a row, and the lines are stacked from the top.
 */

/** The same sum in another order may differ in its last digits; that breaks no line. In u. */
const slack = 1e-6;

/** The least width: that of the widest child. */
export function leastOfWrap(plan: Plan, axis: AxisPlan, n: number): number {
  let least = 0;
  const end = plan.end[n]!;
  for (let child = n + 1; child < end; child = plan.end[child]!) {
    least = Math.max(least, axis.least[child]! + axis.marginStart[child]! + axis.marginEnd[child]!);
  }
  return least;
}

/** Collects the children into lines and gives them their places along each. */
export function giveLines(plan: Plan, n: number, from: number, room: number): void {
  const { x } = plan;
  const end = plan.end[n]!;
  x.scratch[lineFrom] = from;
  x.scratch[lineRoom] = room;
  const gap = x.gap[n]!;
  let line = 0;
  let first = n + 1;
  let used = 0;
  for (let child = n + 1; child < end; child = plan.end[child]!) {
    let base = x.need[child]!;
    if (x.mode[child] === fillSize) base = 0;
    else if (x.mode[child] === fixedSize) base = x.size[child]! + x.sizeShare[child]! * room;
    const outer = clamp(x, child, base, room) + x.marginStart[child]! + x.marginEnd[child]!;
    if (child > first && used + gap + outer > room + slack) {
      giveAlong(plan, x, n, first, child);
      line++;
      first = child;
      used = outer;
    } else used += child > first ? gap + outer : outer;
    plan.line[child] = line;
  }
  if (first < end) giveAlong(plan, x, n, first, end);
}

/** The height of all lines and the gaps between. */
export function needOfLines(plan: Plan, n: number): number {
  let need = 0;
  let lines = 0;
  const end = plan.end[n]!;
  for (let first = n + 1; first < end; lines++) {
    const line = plan.line[first]!;
    let high = 0;
    let child = first;
    for (; child < end && plan.line[child] === line; child = plan.end[child]!) {
      high = Math.max(high, plan.y.need[child]! + plan.y.marginStart[child]! + plan.y.marginEnd[child]!);
    }
    need += high;
    first = child;
  }
  return lines > 1 ? need + plan.y.gap[n]! * (lines - 1) : need;
}

/** Places the children of each line across it. */
export function giveAcrossLines(plan: Plan, n: number, from: number, room: number): void {
  const { y } = plan;
  const end = plan.end[n]!;
  let at = from;
  for (let first = n + 1; first < end;) {
    const line = plan.line[first]!;
    let high = 0;
    let stop = first;
    for (; stop < end && plan.line[stop] === line; stop = plan.end[stop]!) {
      let need = y.need[stop]!;
      if (y.mode[stop] === fixedSize) need = clamp(y, stop, y.size[stop]! + y.sizeShare[stop]! * room, room);
      high = Math.max(high, need + y.marginStart[stop]! + y.marginEnd[stop]!);
    }
    for (let child = first; child < stop; child = plan.end[child]!) giveAcross(plan, y, n, child, at, high);
    at += high + y.gap[n]!;
    first = stop;
  }
}
