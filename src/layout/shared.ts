import { clamp } from './clamp.ts';
import type { AxisPlan, Plan, SharedGap, SharedPadding } from './plan.ts';
import { hasSharedGap, hasSharedPadding } from './plan.ts';

/*
 * Paddings and gaps of which some is a share: docs/layout-model.md 2.9. What is needed on the way up counts no shares; on the way
 * down a widget lends itself the rest for as long as it is placed, so that whatever reads its need, floor and gap need not know.
 */

/** Both sides of it. */
export function paddingIn({ startU, startShare, endU, endShare }: SharedPadding, room: number): number {
  return startU + startShare * room + (endU + endShare * room);
}

/** Gives a widget the padding it has in a room, and until {@link takeBack} the need and floor that come with it. */
export function lendPadding(plan: Plan, axis: AxisPlan, n: number, room: number): void {
  if ((axis.traits[n]! & hasSharedPadding) === 0) return;
  const shared = axis.paddings.get(n)!;
  if (shared.isLent) return;
  const start = shared.startU + shared.startShare * room;
  const end = shared.endU + shared.endShare * room;
  if (start !== axis.paddingStart[n]! || end !== axis.paddingEnd[n]!) {
    axis.paddingStart[n] = start;
    axis.paddingEnd[n] = end;
    axis.regive(n);
    if (axis === plan.x && plan.widthMatters[n] === 1) plan.y.toNeed.add(n);
  }
  shared.isLent = true;
  shared.floor = axis.floor[n]!;
  shared.need = axis.need[n]!;
  shared.least = axis.least[n]!;
  axis.floor[n] = start + end;
  if (!shared.grows || plan.aspect[n]! > 0) return;
  const more = start + end - shared.floor;
  axis.need[n] = clamp(axis, n, shared.content + more, room);
  axis.least[n] = clamp(axis, n, shared.contentLeast + more, room);
}

/** The same of all children of a widget but those that stand in something else. */
export function lendAll(plan: Plan, axis: AxisPlan, n: number, room: number): void {
  for (let child = n + 1; child < plan.end[n]!; child = plan.end[child]!)
    if (plan.target[child]! < 0 && !(n === 0 && plan.full[child] === 1)) lendPadding(plan, axis, child, room);
}

/** Gives the view itself the padding it has on a surface. */
export function padView(plan: Plan, axis: AxisPlan, length: number): void {
  lendPadding(plan, axis, 0, length);
  takeBack(axis, 0);
}

/** Ends what {@link lendPadding} began: what is needed counts no shares again. */
export function takeBack(axis: AxisPlan, n: number): void {
  if ((axis.traits[n]! & hasSharedPadding) === 0) return;
  const shared = axis.paddings.get(n)!;
  if (!shared.isLent) return;
  shared.isLent = false;
  axis.floor[n] = shared.floor;
  axis.need[n] = shared.need;
  axis.least[n] = shared.least;
}

/** The same of all children of a widget, and its own gap. */
export function takeBackAll(plan: Plan, axis: AxisPlan, n: number): void {
  if (axis.paddings.size > 0)
    for (let child = n + 1; child < plan.end[n]!; child = plan.end[child]!) takeBack(axis, child);
  if ((axis.traits[n]! & hasSharedGap) !== 0) axis.gap[n] = axis.gaps.get(n)!.u;
}

/** Gives a widget the gap it has where there is a room inside it. */
export function lendGap(axis: AxisPlan, n: number, room: number): void {
  if ((axis.traits[n]! & hasSharedGap) === 0) return;
  const { u, share }: SharedGap = axis.gaps.get(n)!;
  axis.gap[n] = u + share * room;
}

/** The padding at the start of a widget where only what is needed is known. */
export function startNeeded(axis: AxisPlan, n: number): number {
  return (axis.traits[n]! & hasSharedPadding) === 0 ? axis.paddingStart[n]! : axis.paddings.get(n)!.startU;
}
