import type { AxisBox } from '../skeleton/index.ts';
import type { Length } from '../document/index.ts';
import {
  autoSize,
  contentSize,
  fillSize,
  fixedSize,
  hasLimits,
  hasMargins,
  hasMinimum,
  hasSharedGap,
  hasSharedPadding,
  hasShares,
  type AxisPlan,
  type Plan,
} from './plan.ts';

/** The largest length a document may hold, in u: sums of products of it stay finite. */
const largestLength = 1e15;

export const modes = { auto: autoSize, content: contentSize, fixed: fixedSize, fill: fillSize } as const;

/**
 * Writes what a box says on one axis into the plan, in u of the view. Sizes and what is inside are in the widget's own
 * u, its place in those of its parent (docs/layout-model.md 1.5).
 */
export function fillAxis(plan: Plan, axis: AxisPlan, n: number, box: AxisBox): void {
  const own = plan.factor[n]!;
  const around = aroundOf(plan, n);
  axis.mode[n] = modes[box.mode];
  axis.traits[n] =
    (box.min !== undefined || box.max !== undefined ? hasLimits : 0) |
    (box.min !== undefined ? hasMinimum : 0) |
    (box.marginStart !== 0 || box.marginEnd !== 0 ? hasMargins : 0);
  if ([box.min, box.max, box.size].some((length) => length !== undefined && length.share !== 0)) {
    axis.traits[n] = axis.traits[n] | hasShares;
  }
  fillLength(axis.size, axis.sizeShare, n, box.size, own);
  axis.weight[n] = sound(box.weight);
  fillLength(axis.min, axis.minShare, n, box.min ?? nothing, own);
  if (box.max === undefined) axis.max[n] = Infinity;
  else fillLength(axis.max, axis.maxShare, n, box.max, own);
  axis.span[n] = box.span ? 1 : 0;
  axis.anchorStart[n] = sound(box.anchorStart);
  axis.anchorEnd[n] = sound(box.anchorEnd);
  axis.pivot[n] = sound(box.pivot);
  fillOffset(plan, axis, n, box);
  fillLength(axis.insetStart, axis.insetStartShare, n, box.insetStart, around);
  fillLength(axis.insetEnd, axis.insetEndShare, n, box.insetEnd, around);
  axis.paddingStart[n] = sound(box.paddingStart.u * own);
  axis.paddingEnd[n] = sound(box.paddingEnd.u * own);
  fillPadding(axis, n, box);
  axis.floor[n] = axis.paddingStart[n] + axis.paddingEnd[n];
  axis.marginStart[n] = sound(box.marginStart * around);
  axis.marginEnd[n] = sound(box.marginEnd * around);
  axis.gap[n] = sound(box.gap.u * own);
  if (box.gap.share === 0) axis.gaps.delete(n);
  else {
    axis.traits[n] = axis.traits[n] | hasSharedGap;
    axis.isShared = true;
    axis.gaps.set(n, { u: axis.gap[n], share: sound(box.gap.share) });
  }
  axis.scrolls[n] = box.scrolls ? 1 : 0;
  axis.scrolled[n] = sound(box.scrolled);
}

/** The offset alone. */
export function fillOffset(plan: Plan, axis: AxisPlan, n: number, { offset }: AxisBox): void {
  fillLength(axis.offset, axis.offsetShare, n, offset, aroundOf(plan, n));
}

/** How many u of the view one u of what a widget stands in is. */
function aroundOf(plan: Plan, n: number): number {
  return plan.factor[n === 0 ? 0 : plan.parent[n]!]!;
}

/** Takes down a padding of which some is a share. */
function fillPadding(axis: AxisPlan, n: number, { paddingStart, paddingEnd, mode }: AxisBox): void {
  if (paddingStart.share === 0 && paddingEnd.share === 0) {
    axis.paddings.delete(n);
    return;
  }
  // Whether limits hold it is only known where it is placed.
  axis.traits[n] = axis.traits[n]! | hasSharedPadding | hasShares;
  axis.isShared = true;
  axis.paddings.set(n, {
    startU: axis.paddingStart[n]!,
    startShare: sound(paddingStart.share),
    endU: axis.paddingEnd[n]!,
    endShare: sound(paddingEnd.share),
    grows: mode === 'auto' || mode === 'content',
    content: 0,
    contentLeast: 0,
    isLent: false,
    floor: 0,
    need: 0,
    least: 0,
  });
}

const nothing: Length = { u: 0, share: 0 };

function fillLength(
  plain: Float64Array,
  share: Float64Array,
  n: number,
  length: Length,
  factor: number,
): void {
  plain[n] = sound(length.u * factor);
  share[n] = sound(length.share);
}

/** The door of the engine: nothing but finite numbers of a sane size gets past it, and no −0. */
export function sound(value: number): number {
  if (!(Math.abs(value) <= largestLength)) {
    throw new RangeError(`a length is a number from ${-largestLength} to ${largestLength} u, not ${value}`);
  }
  return value + 0;
}
