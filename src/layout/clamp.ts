import { hasLimits, type AxisPlan } from './plan.ts';

/*
 * A size between what limits it: docs/layout-model.md 2.4.
 */

/** A size held between the widget's minimum and maximum; the minimum wins, and the padding over both, as in CSS. */
export function clamp(axis: AxisPlan, n: number, size: number, parentLength: number): number {
  const floor = axis.floor[n]!;
  if ((axis.traits[n]! & hasLimits) === 0) return size > floor ? size : floor;
  const most = axis.max[n]! + axis.maxShare[n]! * parentLength;
  const least = axis.min[n]! + axis.minShare[n]! * parentLength;
  return Math.max(floor, least, Math.min(most, carried(axis, n, size)));
}

/** The same before the parent's size is known: shares count nothing. */
export function clampNeed(axis: AxisPlan, n: number, size: number): number {
  const floor = axis.floor[n]!;
  if ((axis.traits[n]! & hasLimits) === 0) return size > floor ? size : floor;
  const most = axis.maxShare[n] === 0 ? axis.max[n]! : Infinity;
  return Math.max(floor, axis.min[n]!, Math.min(most, carried(axis, n, size)));
}

/** A size between the limits that the aspect carries over; those of its own axis win, as in CSS Sizing 4 §6.2. */
function carried(axis: AxisPlan, n: number, size: number): number {
  return Math.max(axis.carriedLeast[n]!, Math.min(axis.carriedMost[n]!, size));
}
