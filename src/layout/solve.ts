import { giveAcross, giveAlong, needAcross, needAlong } from './flow.ts';
import type { Frame } from './frame.ts';
import { giveFree, needOfFree } from './free.ts';
import { arrangeColumn, arrangeRow, fixedSize, type AxisPlan, type Plan } from './plan.ts';

/**
 * Lays a plan out on a frame in four linear passes (docs/layout-model.md, section 2): widths needed, from the
 * leaves up; widths given, from the root down; heights needed, with every text knowing its width; heights given.
 * Afterwards `start` and `length` of both axes hold every widget's border box on the surface, in u.
 */
export function solve(plan: Plan, frame: Frame): void {
  const { x, y } = plan;
  needWidths(plan);
  x.start[0] = 0;
  x.length[0] = frame.width;
  give(plan, x, arrangeRow, frame.safe.left, frame.safe.right);
  needHeights(plan);
  y.start[0] = 0;
  y.length[0] = frame.height;
  give(plan, y, arrangeColumn, frame.safe.top, frame.safe.bottom);
}

function needWidths(plan: Plan): void {
  const { x } = plan;
  for (let n = plan.count - 1; n >= 0; n--) {
    const padding = x.paddingStart[n]! + x.paddingEnd[n]!;
    const measure = plan.measures[n];
    let need: number;
    let least: number;
    if (measure) {
      need = measure.widest;
      least = measure.least;
    } else if (plan.end[n] === n + 1) need = least = 0;
    else if (plan.arrange[n] === arrangeRow) {
      need = needAlong(plan, x, n, x.need);
      least = needAlong(plan, x, n, x.least);
    } else if (plan.arrange[n] === arrangeColumn) {
      need = needAcross(plan, x, n, x.need);
      least = needAcross(plan, x, n, x.least);
    } else need = least = needOfFree(plan, x, n);
    settleNeed(x, n, need + padding, least + padding);
  }
}

function needHeights(plan: Plan): void {
  const { x, y } = plan;
  for (let n = plan.count - 1; n >= 0; n--) {
    const measure = plan.measures[n];
    let need: number;
    if (measure) need = measure.heightAt(Math.max(0, x.length[n]! - x.paddingStart[n]! - x.paddingEnd[n]!));
    else if (plan.end[n] === n + 1) need = 0;
    else if (plan.arrange[n] === arrangeRow) need = needAcross(plan, y, n, y.need);
    else if (plan.arrange[n] === arrangeColumn) need = needAlong(plan, y, n, y.need);
    else need = needOfFree(plan, y, n);
    need += y.paddingStart[n]! + y.paddingEnd[n]!;
    settleNeed(y, n, need, need);
  }
}

/** A said size that is no share of the parent is needed as it is; anything else needs what is inside. */
function settleNeed(axis: AxisPlan, n: number, need: number, least: number): void {
  if (axis.mode[n] === fixedSize && axis.sizeShare[n] === 0) {
    need = least = Math.max(0, axis.size[n]!);
  }
  axis.need[n] = axis.clampNeed(n, need);
  axis.least[n] = axis.clampNeed(n, Math.min(least, need));
}

function give(plan: Plan, axis: AxisPlan, along: number, safeStart: number, safeEnd: number): void {
  for (let n = 0; n < plan.count; n++) {
    const end = plan.end[n]!;
    if (end === n + 1) continue;
    const outerStart = axis.start[n]!;
    const outerLength = axis.length[n]!;
    const before = axis.paddingStart[n]! + (n === 0 ? safeStart : 0);
    const after = axis.paddingEnd[n]! + (n === 0 ? safeEnd : 0);
    const from = outerStart + before;
    const room = Math.max(0, outerLength - before - after);
    const arrange = plan.arrange[n]!;
    if (arrange === along) {
      giveAlong(plan, axis, n, from, room);
      continue;
    }
    const flows = arrange === arrangeRow || arrange === arrangeColumn;
    for (let child = n + 1; child < end; child = plan.end[child]!) {
      if (flows) giveAcross(plan, axis, n, child, from, room);
      else if (n === 0 && plan.full[child] === 1) giveFree(axis, child, outerStart, outerLength);
      else giveFree(axis, child, from, room);
    }
  }
}
