import { clamp } from './clamp.ts';
import { contentSize, fillSize, fixedSize, type AxisPlan, type Plan } from './plan.ts';

/*
 * The free arrangement: every child stands where its own anchor says. docs/layout-model.md, section 3.
 */

/** The least content length at which each child lies inside (equations 3.5 to 3.7). */
export function needOfFree(plan: Plan, axis: AxisPlan, n: number, sizes: Float64Array): number {
  let need = 0;
  const end = plan.end[n]!;
  for (let child = n + 1; child < end; child = plan.end[child]!) {
    if (plan.target[child]! >= 0) continue;
    const size = sizes[child]! + axis.marginStart[child]! + axis.marginEnd[child]!;
    const start = axis.anchorStart[child]!;
    if (axis.span[child] === 1) {
      const between = axis.anchorEnd[child]! - start;
      need = Math.max(need, (size + axis.insetStart[child]! + axis.insetEnd[child]!) / between);
      continue;
    }
    const pivot = axis.pivot[child]!;
    const offset = axis.offset[child]!;
    if (start > 0) need = Math.max(need, (pivot * size - offset) / start);
    if (start < 1) need = Math.max(need, (offset + (1 - pivot) * size) / (1 - start));
  }
  return need;
}

/**
 * Places one child in the box `from`, `room` long (equations 3.1 to 3.4).
 * Margins keep their distance outside the widget on both sides. A span may end in another box, `to`, `roomTo` long; what wraps does so
 * within the box `edge`, `edgeRoom` long (equation 3.6).
 */
export function giveFree(
  axis: AxisPlan,
  child: number,
  from: number,
  room: number,
  to: number = from,
  roomTo: number = room,
  edge: number = from,
  edgeRoom: number = room,
): void {
  const before = axis.marginStart[child]!;
  const margins = before + axis.marginEnd[child]!;
  const pivot = axis.pivot[child]!;
  const start = from + axis.anchorStart[child]! * room;
  const mode = axis.mode[child]!;
  if (axis.span[child] === 1) {
    const spanStart = start + axis.insetStart[child]! + axis.insetStartShare[child]! * room + before;
    const spanEnd =
      to +
      axis.anchorEnd[child]! * roomTo -
      axis.insetEnd[child]! -
      axis.insetEndShare[child]! * roomTo -
      axis.marginEnd[child]!;
    const between = spanEnd - spanStart;
    let length = Math.max(0, between);
    if (mode === fixedSize) length = axis.size[child]! + axis.sizeShare[child]! * room;
    else if (mode === contentSize) length = axis.need[child]!;
    length = clamp(axis, child, length, room);
    axis.start[child] = spanStart + pivot * (between - length);
    axis.length[child] = length;
    return;
  }
  const at = start + axis.offset[child]! + axis.offsetShare[child]! * room;
  let length: number;
  if (mode === fixedSize) length = axis.size[child]! + axis.sizeShare[child]! * room;
  else if (mode === fillSize) length = room - margins;
  else {
    length = axis.need[child]!;
    const least = axis.least[child]!;
    if (least < length) {
      const roomBefore = pivot > 0 ? (at - edge) / pivot : Infinity;
      const roomAfter = pivot < 1 ? (edge + edgeRoom - at) / (1 - pivot) : Infinity;
      length = Math.max(least, Math.min(length, Math.min(roomBefore, roomAfter) - margins));
    }
  }
  length = clamp(axis, child, length, room);
  axis.start[child] = at - pivot * (length + margins) + before;
  axis.length[child] = length;
}
