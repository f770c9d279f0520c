import {
  alignBaseline,
  alignParent,
  arrangeColumn,
  arrangeFree,
  arrangeRow,
  fillSize,
  type LeafMeasure,
  type Plan,
} from './plan.ts';
import { startNeeded } from './shared.ts';

/*
 * Baselines across a row: docs/layout-model.md 4.4. A text has that of its first line, a row or column that of
 * its first child, anything else its bottom edge.
 */

/** Finds the height of a leaf's inside at the width it was given, and puts it into `exchange[1]`; a leaf measures in its own u. */
export function measureHeight(plan: Plan, n: number, measure: LeafMeasure): void {
  const { exchange, x } = plan;
  const inner = x.length[n]! - x.paddingStart[n]! - x.paddingEnd[n]!;
  const factor = plan.factor[n]!;
  exchange[0] = inner > 0 ? inner / factor : 0;
  measure.heightInto(exchange);
  exchange[1] = exchange[1]! * factor;
}

/** From the top of a widget's border box to its baseline, in u, once its height is needed or given. */
export function baselineOf(plan: Plan, n: number, heights: Float64Array): number {
  let down = 0;
  for (let at = n; ;) {
    const measure = plan.measures[at];
    // Of what lies deeper the room is not known yet: no shares.
    const isNeed = heights === plan.y.need || at !== n;
    const before = isNeed ? startNeeded(plan.y, at) : plan.y.paddingStart[at]!;
    if (measure) {
      if (measure.baseline === undefined) return down + heights[at]!;
      const padding = isNeed ? plan.y.floor[at]! : before + plan.y.paddingEnd[at]!;
      // A text stands in the middle of what it is given.
      measureHeight(plan, at, measure);
      const spare = heights[at]! - padding - plan.exchange[1]!;
      return down + before + spare / 2 + measure.baseline * plan.factor[at]!;
    }
    const arrange = plan.arrange[at]!;
    if (plan.end[at] === at + 1 || arrange === arrangeFree || arrange > arrangeColumn)
      return down + heights[at]!;
    down += before + plan.y.marginStart[at + 1]!;
    at++;
  }
}

/** Whether a child of a row is aligned by its baseline. */
export function byBaseline(plan: Plan, n: number, child: number): boolean {
  if (plan.arrange[n] !== arrangeRow || plan.y.mode[child] === fillSize) return false;
  const self = plan.y.alignSelf[child]!;
  return (self === alignParent ? plan.y.align[n]! : self) === alignBaseline;
}

/** The most there is above the common baseline of a row's children, and with `below` the most under it. */
export function baselineReach(plan: Plan, n: number, heights: Float64Array, below: boolean): number {
  let reach = 0;
  const end = plan.end[n]!;
  for (let child = n + 1; child < end; child = plan.end[child]!) {
    if (!byBaseline(plan, n, child)) continue;
    const above = plan.y.marginStart[child]! + baselineOf(plan, child, heights);
    const whole = plan.y.marginStart[child]! + heights[child]! + plan.y.marginEnd[child]!;
    reach = Math.max(reach, below ? whole - above : above);
  }
  return reach;
}

/** Moves the children of a row that are aligned by their baseline onto one line. */
export function alignBaselines(plan: Plan, n: number, from: number): void {
  const { y } = plan;
  const above = baselineReach(plan, n, y.length, false);
  const end = plan.end[n]!;
  for (let child = n + 1; child < end; child = plan.end[child]!) {
    if (byBaseline(plan, n, child)) y.start[child] = from + above - baselineOf(plan, child, y.length);
  }
}
