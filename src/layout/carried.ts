import { definiteRoom } from './definite.ts';
import { autoSize, contentSize, fixedSize, hasLimits, type AxisPlan, type Plan } from './plan.ts';

/*
 * Limits that an aspect carries over to the other axis: docs/layout-model.md 2.6. A height that follows from the width is
 * held by its maximum, and so is the width then, at r times it; and the other way round.
 */

/** Whether the aspect makes the size on this axis from the other one, and its limits hold that one. */
function follows(plan: Plan, axis: AxisPlan, other: AxisPlan, n: number): boolean {
  if (!(plan.aspect[n]! > 0) || (axis.mode[n] !== autoSize && axis.mode[n] !== contentSize)) return false;
  if (axis.span[n] === 1 && axis.mode[n] === autoSize) return false;
  // What is said in u alone stays as it is said.
  return other.mode[n] !== fixedSize || other.sizeShare[n] !== 0;
}

/** The widgets whose heights have limits that hold their widths. */
export function carriesHeights({ plan, limits }: Carries): number[] {
  return limits.filter((n) => isLimited(plan.y, n) && follows(plan, plan.y, plan.x, n));
}

/** The widgets whose widths have limits that hold heights that are known before them. */
export function carriesWidths({ plan, limits }: Carries): number[] {
  return limits.filter(
    (n) => isLimited(plan.x, n) && follows(plan, plan.x, plan.y, n) && !follows(plan, plan.y, plan.x, n),
  );
}

interface Carries {
  readonly plan: Plan;
  /** Widgets with an aspect. */
  readonly limits: readonly number[];
}

function isLimited(axis: AxisPlan, n: number): boolean {
  return axis.max[n]! < Infinity || axis.maxShare[n] !== 0 || axis.min[n] !== 0 || axis.minShare[n] !== 0;
}

/** Before the widths: what the limits of heights leave of them. */
export function carryHeights(plan: Plan): void {
  const { x, y } = plan;
  for (const n of plan.carriedHeights) {
    const ratio = plan.aspect[n]!;
    const isShare = y.maxShare[n] !== 0 || y.minShare[n] !== 0;
    const parent = plan.parent[n]!;
    const room = isShare ? definiteRoom(plan, parent) : 0;
    // A share of a height that is not known yet holds nothing.
    const known = room === room;
    const most = known ? (y.max[n]! + y.maxShare[n]! * room) * ratio : Infinity;
    const least = known ? (y.min[n]! + y.minShare[n]! * room) * ratio : 0;
    carry(plan, x, n, most, least);
  }
}

/** After the widths: what the limits of widths leave of the heights they follow from. */
export function carryWidths(plan: Plan): void {
  const { x, y } = plan;
  for (const n of plan.carriedWidths) {
    const ratio = plan.aspect[n]!;
    const parent = plan.parent[n]!;
    const room = Math.max(0, x.length[parent]! - around(plan, parent));
    carry(
      plan,
      y,
      n,
      (x.max[n]! + x.maxShare[n]! * room) / ratio,
      (x.min[n]! + x.minShare[n]! * room) / ratio,
    );
  }
}

/** What of a widget's width its children do not get. */
function around({ x, safeLeft, safeRight }: Plan, n: number): number {
  const padding = x.paddingStart[n]! + x.paddingEnd[n]!;
  return n > 0 ? padding : padding + safeLeft + safeRight;
}

function carry(plan: Plan, axis: AxisPlan, n: number, most: number, least: number): void {
  axis.traits[n] = axis.traits[n]! | hasLimits;
  if (axis.carriedMost[n] === most && axis.carriedLeast[n] === least) return;
  axis.carriedMost[n] = most;
  axis.carriedLeast[n] = least;
  axis.toNeed.add(n);
  // What its parent does with it may change although its need does not.
  axis.regive(plan.parent[n]!);
}
