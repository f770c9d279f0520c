import { giveAcross, giveAlong } from './line.ts';
import {
  alignBaseline,
  alignParent,
  arrangeColumn,
  arrangeFree,
  arrangeRow,
  fillSize,
  lineFrom,
  lineRoom,
  type LeafMeasure,
  type Plan,
} from './plan.ts';
import { startNeeded } from './shared.ts';

/*
 * Baselines across a row: docs/layout-model.md 4.4. A text has that of its first line, a row whose children share one has that,
 * another row and a column that of the child where they start, anything else its bottom edge.
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

/**
 * From the top of a widget's border box to its baseline, in u: once all in it has its place, or where it is as high as it needs to be.
 * Of what is only needed, shares of a padding are not known.
 */
function baselineOf(plan: Plan, n: number, isGiven: boolean): number {
  const { y } = plan;
  const shared = isGiven ? plan.givenBaseline : plan.neededBaseline;
  let height = isGiven ? y.length[n]! : y.need[n]!;
  let down = 0;
  for (let at = n; ;) {
    const measure = plan.measures[at];
    const before = isGiven ? y.paddingStart[at]! : startNeeded(y, at);
    if (measure) {
      if (measure.baseline === undefined) return down + height;
      measureHeight(plan, at, measure);
      // A text stands in the middle of what it is given.
      const around = isGiven ? before + y.paddingEnd[at]! : y.floor[at]!;
      return down + before + (height - around - plan.exchange[1]!) / 2 + measure.baseline * plan.factor[at]!;
    }
    const arrange = plan.arrange[at]!;
    if (plan.end[at] === at + 1 || arrange === arrangeFree || arrange > arrangeColumn) return down + height;
    if (plan.baselines[at] === 1 && shared[at]! > -Infinity) return down + shared[at]!;
    const child = leading(plan, at);
    if (!isGiven) placeForNow(plan, at, child, before, height - y.floor[at]!);
    down += y.start[child]!;
    height = y.length[child]!;
    at = child;
  }
}

/** The child of a row or column that stands where it starts. */
function leading(plan: Plan, n: number): number {
  let child = n + 1;
  if (plan.reverses[n] === 1) for (let at = child; at < plan.end[n]!; at = plan.end[at]!) child = at;
  return child;
}

/** Places a child of a row or column for a moment, as if that were as high as it needs to be. */
function placeForNow(plan: Plan, n: number, child: number, from: number, room: number): void {
  const { y } = plan;
  y.regive(n);
  if (plan.arrange[n] === arrangeRow) return giveAcross(plan, y, n, child, from, room);
  y.scratch[lineFrom] = from;
  y.scratch[lineRoom] = room;
  giveAlong(plan, y, n, n + 1, plan.end[n]!);
}

/** Whether a widget in a row is to be aligned by its baseline. */
export function isOnBaseline({ arrange, parent, y }: Plan, n: number): boolean {
  const around = parent[n]!;
  const self = y.alignSelf[n]!;
  return arrange[around] === arrangeRow && (self === alignParent ? y.align[around]! : self) === alignBaseline;
}

/** Whether it is: what fills is not. */
function byBaseline(plan: Plan, n: number): boolean {
  return plan.y.mode[n] !== fillSize && isOnBaseline(plan, n);
}

/** The most there is above the baseline that children of a row share, and with `below` the most under it; −∞ where none do. */
function reach(plan: Plan, n: number, isGiven: boolean, below: boolean): number {
  const { need, marginStart, marginEnd } = plan.y;
  const end = plan.end[n]!;
  // What stands out of a child may end below it, or above: either counts as it is.
  let most = -Infinity;
  for (let child = n + 1; child < end; child = plan.end[child]!) {
    if (!byBaseline(plan, child)) continue;
    const above = marginStart[child]! + baselineOf(plan, child, isGiven);
    const whole = marginStart[child]! + need[child]! + marginEnd[child]!;
    most = Math.max(most, below ? whole - above : above);
  }
  return most;
}

/** Finds how high a row has to be for the baseline its children share, and where that is then. */
export function needBaseline(plan: Plan, n: number): void {
  const above = reach(plan, n, false, false);
  plan.neededBaseline[n] = startNeeded(plan.y, n) + above;
  plan.baselineNeed[n] = above + reach(plan, n, false, true);
}

/** Moves the children of a row that are aligned by their baseline onto one line, once those further in are on theirs. */
export function alignBaselines(plan: Plan, n: number): void {
  const { end, givenBaseline, y } = plan;
  const line = (givenBaseline[n] = plan.contentTop[n]! + reach(plan, n, true, false));
  for (let child = n + 1; child < end[n]!; child = end[child]!)
    if (byBaseline(plan, child)) y.start[child] = line - baselineOf(plan, child, true);
}
