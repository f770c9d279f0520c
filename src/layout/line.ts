import { clamp } from './clamp.ts';
import {
  alignBaseline,
  alignCenter,
  alignEnd,
  alignParent,
  alignStretch,
  autoSize,
  contentSize,
  fillSize,
  fixedSize,
  hasLimits,
  hasMargins,
  hasMinimum,
  hasShares,
  lineFrom,
  lineRoom,
  lineSpace,
  lineUsed,
  spaceAround,
  spaceBetween,
  spaceEvenly,
  type AxisPlan,
  type Plan,
} from './plan.ts';

/*
 * One line of children. Along it, sizes are found as CSS Flexible Box Layout 1 §9.7 finds them;
 * docs/layout-model.md, section 4, says where and why we differ. A line is the siblings from `first` up to `stop`.
 */

/** The length of a line: all children, their margins and the gaps between. */
export function needAlong(plan: Plan, axis: AxisPlan, n: number, sizes: Float64Array): number {
  const ends = plan.end;
  const end = ends[n]!;
  let need = 0;
  let count = 0;
  for (let child = n + 1; child < end; child = ends[child]!) {
    need += sizes[child]!;
    if ((axis.traits[child]! & hasMargins) !== 0) need += axis.marginStart[child]! + axis.marginEnd[child]!;
    count++;
  }
  return count > 1 ? need + axis.gap[n]! * (count - 1) : need;
}

/** The length across a line: that of the largest child. */
export function needAcross(plan: Plan, axis: AxisPlan, n: number, sizes: Float64Array): number {
  const ends = plan.end;
  const end = ends[n]!;
  let need = 0;
  for (let child = n + 1; child < end; child = ends[child]!) {
    let size = sizes[child]!;
    if ((axis.traits[child]! & hasMargins) !== 0) size += axis.marginStart[child]! + axis.marginEnd[child]!;
    if (size > need) need = size;
  }
  return need;
}

/** Gives the children of a line their places along it, in the box `lineFrom`, `lineRoom` long of the axis's scratch. */
export function giveAlong(plan: Plan, axis: AxisPlan, n: number, first: number, stop: number): void {
  const ends = plan.end;
  const { scratch } = axis;
  const room = scratch[lineRoom]!;
  const { mode, traits, length, weight, need } = axis;
  let count = 0;
  let outside = 0;
  let asked = 0;
  let weights = 0;
  // Whether no fill has a limit or padding, and no child a margin: then one more loop does all the rest.
  let plain = true;
  for (let child = first; child < stop; child = ends[child]!) {
    const trait = traits[child]!;
    if ((trait & hasMargins) !== 0) {
      outside += axis.marginStart[child]! + axis.marginEnd[child]!;
      plain = false;
    }
    let held: number;
    if (mode[child] === fillSize) {
      weights += weight[child]!;
      held = clamp(axis, child, 0, room);
      if (held !== 0 || (trait & hasLimits) !== 0) plain = false;
      // What a size without shares needs has been held between its limits already.
    } else
      held = (trait & hasShares) === 0 ? need[child]! : clamp(axis, child, baseOf(axis, child, room), room);
    length[child] = held;
    asked += held;
    count++;
  }
  if (count === 0) return;
  outside += axis.gap[n]! * (count - 1);
  if (plain && weights > 0 && asked + outside < room && axis.reversed[n] === 0) {
    scratch[lineSpace] = room - outside - asked;
    scratch[lineUsed] = weights;
    sharePlainly(plan, axis, n, first, stop);
    return;
  }
  scratch[lineUsed] = asked;
  scratch[lineSpace] = room - outside;
  if (asked + outside < room) {
    if (weights > 0) grow(plan, axis, first, stop);
  } else if (asked + outside > room) shrink(plan, axis, first, stop);
  scratch[lineUsed] = scratch[lineUsed] + outside;
  place(plan, axis, n, first, stop, count);
}

/** Gives fills without limits their shares and puts all children one after the other: nothing is left for justify. */
function sharePlainly(plan: Plan, axis: AxisPlan, n: number, first: number, stop: number): void {
  const ends = plan.end;
  const { mode, length, weight, start } = axis;
  const gap = axis.gap[n]!;
  const left = axis.scratch[lineSpace]!;
  const weights = axis.scratch[lineUsed]!;
  let at = axis.scratch[lineFrom]!;
  for (let child = first; child < stop; child = ends[child]!) {
    if (mode[child] === fillSize) length[child] = (left * weight[child]!) / weights;
    start[child] = at;
    at += length[child]! + gap;
  }
}

/** The size an item starts from: what it asks for (the flex base size). */
function baseOf(axis: AxisPlan, child: number, room: number): number {
  if (axis.mode[child] === fixedSize) {
    const size = axis.size[child]! + axis.sizeShare[child]! * room;
    return size > 0 ? size : 0;
  }
  return axis.need[child]!;
}

/** Shares what is left among the fills by weight; one that its limits stop is settled, and the rest share anew. */
function grow(plan: Plan, axis: AxisPlan, first: number, stop: number): void {
  const ends = plan.end;
  const { mode, weight, length, settled } = axis;
  const { scratch } = axis;
  const space = scratch[lineSpace]!;
  const room = scratch[lineRoom]!;
  let left = space;
  let weights = 0;
  for (let child = first; child < stop; child = ends[child]!) {
    if (mode[child] === fillSize && weight[child]! > 0) {
      settled[child] = 0;
      weights += weight[child]!;
    } else {
      settled[child] = 1;
      left -= length[child]!;
    }
  }
  let used = space - left;
  while (weights > 0) {
    let violation = 0;
    for (let child = first; child < stop; child = ends[child]!) {
      if (settled[child] === 1) continue;
      const share = (left * weight[child]!) / weights;
      const held = clamp(axis, child, share, room);
      length[child] = held;
      violation += held - share;
    }
    if (violation === 0) {
      scratch[lineUsed] = used + left;
      return;
    }
    let settledSize = 0;
    let settledWeight = 0;
    for (let child = first; child < stop; child = ends[child]!) {
      if (settled[child] === 1) continue;
      const off = length[child]! - (left * weight[child]!) / weights;
      // Too much in total: those held up by a minimum are settled first; too little: those held down.
      if (violation > 0 ? off > 0 : off < 0) {
        settled[child] = 1;
        settledSize += length[child]!;
        settledWeight += weight[child]!;
      }
    }
    used += settledSize;
    if (settledWeight === 0) break;
    left -= settledSize;
    weights -= settledWeight;
  }
  scratch[lineUsed] = used;
}

/**
 * Takes what is too much from the items that can be narrower than they would like, in proportion to what is inside
 * their padding (the scaled flex shrink factor).
 */
function shrink(plan: Plan, axis: AxisPlan, first: number, stop: number): void {
  const ends = plan.end;
  const { length, settled, need, floor } = axis;
  const { scratch } = axis;
  const space = scratch[lineSpace]!;
  const room = scratch[lineRoom]!;
  let left = space;
  let total = 0;
  let inside = 0;
  for (let child = first; child < stop; child = ends[child]!) {
    const gives = canShrink(axis, child) && need[child]! <= length[child]!;
    settled[child] = gives ? 0 : 1;
    if (gives) {
      total += need[child]!;
      inside += need[child]! - floor[child]!;
    } else left -= length[child]!;
  }
  let used = space - left;
  if (inside === 0) return;
  while (inside > 0) {
    const taken = Math.max(0, total - left) / inside;
    let violation = 0;
    for (let child = first; child < stop; child = ends[child]!) {
      if (settled[child] === 1) continue;
      const share = need[child]! - (need[child]! - floor[child]!) * taken;
      const held = clamp(axis, child, Math.max(share, leastOf(axis, child)), room);
      length[child] = held;
      violation += held - share;
    }
    let settledSize = 0;
    let settledNeed = 0;
    let settledInside = 0;
    for (let child = first; child < stop; child = ends[child]!) {
      if (settled[child] === 1) continue;
      const off = length[child]! - (need[child]! - (need[child]! - floor[child]!) * taken);
      if (violation === 0 || (violation > 0 ? off > 0 : off < 0)) {
        settled[child] = 1;
        settledSize += length[child]!;
        settledNeed += need[child]!;
        settledInside += need[child]! - floor[child]!;
      }
    }
    used += settledSize;
    if (settledNeed === 0 || violation === 0) break;
    left -= settledSize;
    total -= settledNeed;
    inside -= settledInside;
  }
  scratch[lineUsed] = used;
}

function canShrink(axis: AxisPlan, child: number): boolean {
  const mode = axis.mode[child];
  return (mode === autoSize || mode === contentSize) && leastOf(axis, child) < axis.need[child]!;
}

/** What an item may be squeezed to: the minimum that is said (held by the caller), else its least size. */
function leastOf(axis: AxisPlan, child: number): number {
  return (axis.traits[child]! & hasMinimum) !== 0 ? 0 : axis.least[child]!;
}

function place(plan: Plan, axis: AxisPlan, n: number, first: number, stop: number, count: number): void {
  const from = axis.scratch[lineFrom]!;
  const room = axis.scratch[lineRoom]!;
  const used = axis.scratch[lineUsed]!;
  const ends = plan.end;
  const { start, length, traits } = axis;
  const spare = room - used;
  let at = justifiedStart(axis.justify[n]!, spare, count);
  const between = axis.gap[n]! + justifiedGap(axis.justify[n]!, spare, count);
  if (axis.reversed[n] === 1) {
    for (let child = first; child < stop; child = ends[child]!) {
      if ((traits[child]! & hasMargins) !== 0) {
        at += axis.marginEnd[child]!;
        start[child] = from + room - at - length[child]!;
        at += length[child]! + axis.marginStart[child]! + between;
      } else {
        start[child] = from + room - at - length[child]!;
        at += length[child]! + between;
      }
    }
    return;
  }
  at += from;
  for (let child = first; child < stop; child = ends[child]!) {
    if ((traits[child]! & hasMargins) !== 0) {
      at += axis.marginStart[child]!;
      start[child] = at;
      at += length[child]! + axis.marginEnd[child]! + between;
    } else {
      start[child] = at;
      at += length[child]! + between;
    }
  }
}

/** Where the first of `count` boxes starts, with `spare` room to hand out (CSS Box Alignment 3). */
export function justifiedStart(justify: number, spare: number, count: number): number {
  if (justify === alignCenter) return spare / 2;
  if (justify === alignEnd) return spare;
  if (spare <= 0) return 0;
  if (justify === spaceAround) return spare / count / 2;
  if (justify === spaceEvenly) return spare / (count + 1);
  return 0;
}

/** What each gap between them gets more. */
export function justifiedGap(justify: number, spare: number, count: number): number {
  if (spare <= 0) return 0;
  if (justify === spaceBetween) return count > 1 ? spare / (count - 1) : 0;
  if (justify === spaceAround) return spare / count;
  if (justify === spaceEvenly) return spare / (count + 1);
  return 0;
}

/** Gives one child its place across a line (or in a cell): the box `from`, `room` long. */
export function giveAcross(
  plan: Plan,
  axis: AxisPlan,
  n: number,
  child: number,
  from: number,
  room: number,
): void {
  let before = 0;
  let inside = room;
  if ((axis.traits[child]! & hasMargins) !== 0) {
    before = axis.marginStart[child]!;
    inside = room - before - axis.marginEnd[child]!;
  }
  const self = axis.alignSelf[child]!;
  const align = self === alignParent ? axis.align[n]! : self;
  const mode = axis.mode[child]!;
  let length: number;
  if (mode === fixedSize) length = axis.size[child]! + axis.sizeShare[child]! * room;
  else if (mode === fillSize) length = inside;
  else if (mode === autoSize && align === alignStretch && plan.natural[child] === 0) length = inside;
  else length = Math.max(axis.least[child]!, Math.min(axis.need[child]!, inside));
  length = clamp(axis, child, length, room);
  axis.length[child] = length;
  const far = axis.reversed[n] === 1;
  let at = from + before;
  // A fill that does not fit starts where it would have, whatever the alignment.
  const burst = mode === fillSize && length > inside;
  if (align === alignCenter && !burst) at += (inside - length) / 2;
  else if (burst) at += far ? inside - length : 0;
  else if (align !== alignBaseline && (align === alignEnd) !== far) at += inside - length;
  axis.start[child] = at;
}
