import {
  alignCenter,
  alignEnd,
  alignParent,
  alignStart,
  alignStretch,
  autoSize,
  contentSize,
  fillSize,
  fixedSize,
  spaceAround,
  spaceBetween,
  spaceEvenly,
  type AxisPlan,
  type Plan,
} from './plan.ts';

/*
 * Rows and columns. Along the flow, sizes are found as CSS Flexible Box Layout 1 §9.7 finds them for a
 * single line; docs/layout-model.md, section 4, says where and why we differ.
 */

/** The content length along the flow: all children, their margins and the gaps between. */
export function needAlong(plan: Plan, axis: AxisPlan, n: number, sizes: Float64Array): number {
  let need = 0;
  let count = 0;
  const end = plan.end[n]!;
  for (let child = n + 1; child < end; child = plan.end[child]!) {
    need += sizes[child]! + axis.marginStart[child]! + axis.marginEnd[child]!;
    count++;
  }
  return count > 1 ? need + plan.gap[n]! * (count - 1) : need;
}

/** The content length across the flow: that of the largest child. */
export function needAcross(plan: Plan, axis: AxisPlan, n: number, sizes: Float64Array): number {
  let need = 0;
  const end = plan.end[n]!;
  for (let child = n + 1; child < end; child = plan.end[child]!) {
    need = Math.max(need, sizes[child]! + axis.marginStart[child]! + axis.marginEnd[child]!);
  }
  return need;
}

/** Gives the children their places along the flow, in the content box `from`, `room` long. */
export function giveAlong(plan: Plan, axis: AxisPlan, n: number, from: number, room: number): void {
  const end = plan.end[n]!;
  const gap = plan.gap[n]!;
  let count = 0;
  let outside = 0;
  let asked = 0;
  for (let child = n + 1; child < end; child = plan.end[child]!) {
    outside += axis.marginStart[child]! + axis.marginEnd[child]!;
    asked += axis.clamp(child, baseOf(axis, child, room), room);
    count++;
  }
  if (count === 0) return;
  outside += gap * (count - 1);
  if (asked + outside < room) grow(plan, axis, n, room, outside);
  else shrink(plan, axis, n, room, outside);
  place(plan, axis, n, from, room, outside, count);
}

/** The size an item starts from: what it asks for, nothing for a fill (the hypothetical size before clamping). */
function baseOf(axis: AxisPlan, child: number, room: number): number {
  switch (axis.mode[child]) {
    case fixedSize:
      return Math.max(0, axis.size[child]! + axis.sizeShare[child]! * room);
    case fillSize:
      return 0;
    default:
      return axis.need[child]!;
  }
}

/** Shares what is left among the fills by weight; one that its limits stop is settled, and the rest share anew. */
function grow(plan: Plan, axis: AxisPlan, n: number, room: number, outside: number): void {
  const end = plan.end[n]!;
  let left = room - outside;
  let weights = 0;
  for (let child = n + 1; child < end; child = plan.end[child]!) {
    const fills = axis.mode[child] === fillSize && axis.weight[child]! > 0;
    axis.settled[child] = fills ? 0 : 1;
    if (fills) weights += axis.weight[child]!;
    else left -= axis.length[child] = Math.max(0, axis.clamp(child, baseOf(axis, child, room), room));
  }
  while (weights > 0) {
    let violation = 0;
    for (let child = n + 1; child < end; child = plan.end[child]!) {
      if (axis.settled[child] === 1) continue;
      const share = (left * axis.weight[child]!) / weights;
      const held = Math.max(0, axis.clamp(child, share, room));
      axis.length[child] = held;
      violation += held - share;
    }
    let settledSize = 0;
    let settledWeight = 0;
    for (let child = n + 1; child < end; child = plan.end[child]!) {
      if (axis.settled[child] === 1) continue;
      const share = (left * axis.weight[child]!) / weights;
      const off = axis.length[child]! - share;
      // Too much in total: those held up by a minimum are settled first; too little: those held down.
      if (violation === 0 || (violation > 0 ? off > 0 : off < 0)) {
        axis.settled[child] = 1;
        settledSize += axis.length[child]!;
        settledWeight += axis.weight[child]!;
      }
    }
    if (settledWeight === 0) return;
    left -= settledSize;
    weights -= settledWeight;
    if (violation === 0) return;
  }
}

/** Takes what is too much from the items that can be narrower than they would like, in proportion to their size. */
function shrink(plan: Plan, axis: AxisPlan, n: number, room: number, outside: number): void {
  const end = plan.end[n]!;
  let left = room - outside;
  let total = 0;
  for (let child = n + 1; child < end; child = plan.end[child]!) {
    const base = baseOf(axis, child, room);
    const asked = Math.max(0, axis.clamp(child, base, room));
    axis.length[child] = asked;
    const gives = canShrink(axis, child) && base <= asked;
    axis.settled[child] = gives ? 0 : 1;
    if (gives) total += base;
    else left -= asked;
  }
  while (total > 0) {
    const factor = Math.min(1, left / total);
    let violation = 0;
    for (let child = n + 1; child < end; child = plan.end[child]!) {
      if (axis.settled[child] === 1) continue;
      const share = axis.need[child]! * factor;
      const held = shrunk(axis, child, share, room);
      axis.length[child] = held;
      violation += held - share;
    }
    let settledSize = 0;
    let settledBase = 0;
    for (let child = n + 1; child < end; child = plan.end[child]!) {
      if (axis.settled[child] === 1) continue;
      const off = axis.length[child]! - axis.need[child]! * factor;
      if (violation === 0 || (violation > 0 ? off > 0 : off < 0)) {
        axis.settled[child] = 1;
        settledSize += axis.length[child]!;
        settledBase += axis.need[child]!;
      }
    }
    if (settledBase === 0 || violation === 0) return;
    left -= settledSize;
    total -= settledBase;
  }
}

function canShrink(axis: AxisPlan, child: number): boolean {
  const mode = axis.mode[child];
  return (mode === autoSize || mode === contentSize) && axis.least[child]! < axis.need[child]!;
}

function shrunk(axis: AxisPlan, child: number, share: number, room: number): number {
  return Math.max(0, axis.clamp(child, Math.max(share, axis.least[child]!), room));
}

function place(
  plan: Plan,
  axis: AxisPlan,
  n: number,
  from: number,
  room: number,
  outside: number,
  count: number,
): void {
  const end = plan.end[n]!;
  let used = outside;
  for (let child = n + 1; child < end; child = plan.end[child]!) used += axis.length[child]!;
  const spare = room - used;
  let at = from;
  let between = plan.gap[n]!;
  switch (plan.justify[n]) {
    case alignCenter:
      at += spare / 2;
      break;
    case alignEnd:
      at += spare;
      break;
    case spaceBetween:
      if (spare > 0 && count > 1) between += spare / (count - 1);
      break;
    case spaceAround:
      if (spare > 0) {
        at += spare / count / 2;
        between += spare / count;
      }
      break;
    case spaceEvenly:
      if (spare > 0) {
        at += spare / (count + 1);
        between += spare / (count + 1);
      }
      break;
    default:
      break;
  }
  for (let child = n + 1; child < end; child = plan.end[child]!) {
    at += axis.marginStart[child]!;
    axis.start[child] = at;
    at += axis.length[child]! + axis.marginEnd[child]! + between;
  }
}

/** Gives one child of a row or column its place across the flow. */
export function giveAcross(
  plan: Plan,
  axis: AxisPlan,
  n: number,
  child: number,
  from: number,
  room: number,
): void {
  const before = axis.marginStart[child]!;
  const inside = room - before - axis.marginEnd[child]!;
  const self = plan.alignSelf[child]!;
  const align = self === alignParent ? plan.align[n]! : self;
  const mode = axis.mode[child]!;
  let length: number;
  if (mode === fixedSize) length = axis.size[child]! + axis.sizeShare[child]! * room;
  else if (mode === fillSize) length = inside;
  else if (mode === autoSize && align === alignStretch && plan.natural[child] === 0) length = inside;
  else length = Math.max(axis.least[child]!, Math.min(axis.need[child]!, inside));
  length = Math.max(0, axis.clamp(child, length, room));
  axis.length[child] = length;
  let at = from + before;
  if (align === alignCenter) at += (inside - length) / 2;
  else if (align === alignEnd) at += inside - length;
  else if (align !== alignStart && align !== alignStretch) throw new Error(`unknown alignment ${align}`);
  axis.start[child] = at;
}
