import type { AxisBox, Box, Measure } from '../build/index.ts';
import type { Alignment, Arrangement, Justification, Length } from '../document/index.ts';
import type { AxisPlan } from './plan.ts';
import {
  Plan,
  alignCenter,
  alignEnd,
  alignParent,
  alignStart,
  alignStretch,
  arrangeColumn,
  arrangeFree,
  arrangeRow,
  autoSize,
  contentSize,
  fillSize,
  fixedSize,
  spaceAround,
  spaceBetween,
  spaceEvenly,
} from './plan.ts';

/** What the layout needs of a widget; a built tree's widgets have it. */
export interface LayoutItem {
  /** Index of the parent, smaller than its own; -1 for the first. */
  readonly parent: number;
  readonly box: Box;
  readonly measure: Measure | undefined;
  /** True where the leaf has a shape of its own, as a picture has. */
  readonly natural: boolean;
}

/** The largest length a document may hold, in u: sums of products of it stay finite. */
export const largestLength = 1e15;

const modes = { auto: autoSize, content: contentSize, fixed: fixedSize, fill: fillSize } as const;
const arrangements: { readonly [Name in Arrangement]: number } = {
  free: arrangeFree,
  row: arrangeRow,
  column: arrangeColumn,
};
const alignments: { readonly [Name in Alignment]: number } = {
  start: alignStart,
  center: alignCenter,
  end: alignEnd,
  stretch: alignStretch,
};
const justifications: { readonly [Name in Justification]: number } = {
  'start': alignStart,
  'center': alignCenter,
  'end': alignEnd,
  'space-between': spaceBetween,
  'space-around': spaceAround,
  'space-evenly': spaceEvenly,
};

/**
 * Compiles widgets, parents before children, into a plan.
 * @throws RangeError when a length is not finite or larger than {@link largestLength}.
 */
export function compile(items: readonly LayoutItem[]): Plan {
  const plan = new Plan(items.length);
  for (let n = 0; n < items.length; n++) {
    const { box, parent, measure, natural } = items[n]!;
    plan.parent[n] = parent;
    plan.end[n] = n + 1;
    plan.arrange[n] = arrangements[box.arrange];
    plan.gap[n] = sound(box.gap);
    plan.align[n] = alignments[box.align];
    plan.justify[n] = justifications[box.justify];
    plan.alignSelf[n] = box.alignSelf === undefined ? alignParent : alignments[box.alignSelf];
    plan.full[n] = box.full ? 1 : 0;
    plan.natural[n] = natural ? 1 : 0;
    plan.measures[n] = measure;
    fillAxis(plan.x, n, box.x);
    fillAxis(plan.y, n, box.y);
  }
  for (let n = items.length - 1; n > 0; n--) {
    const parent = plan.parent[n]!;
    if (plan.end[parent]! < plan.end[n]!) plan.end[parent] = plan.end[n]!;
  }
  return plan;
}

function fillAxis(axis: AxisPlan, n: number, box: AxisBox): void {
  axis.mode[n] = modes[box.mode];
  fillLength(axis.size, axis.sizeShare, n, box.size);
  axis.weight[n] = sound(box.weight);
  fillLength(axis.min, axis.minShare, n, box.min ?? nothing);
  if (box.max === undefined) axis.max[n] = Infinity;
  else fillLength(axis.max, axis.maxShare, n, box.max);
  axis.span[n] = box.span ? 1 : 0;
  axis.anchorStart[n] = sound(box.anchorStart);
  axis.anchorEnd[n] = sound(box.anchorEnd);
  axis.pivot[n] = sound(box.pivot);
  fillLength(axis.offset, axis.offsetShare, n, box.offset);
  fillLength(axis.insetStart, axis.insetStartShare, n, box.insetStart);
  fillLength(axis.insetEnd, axis.insetEndShare, n, box.insetEnd);
  axis.paddingStart[n] = sound(box.paddingStart);
  axis.paddingEnd[n] = sound(box.paddingEnd);
  axis.marginStart[n] = sound(box.marginStart);
  axis.marginEnd[n] = sound(box.marginEnd);
}

const nothing: Length = { u: 0, share: 0 };

function fillLength(plain: Float64Array, share: Float64Array, n: number, length: Length): void {
  plain[n] = sound(length.u);
  share[n] = sound(length.share);
}

/** The door of the engine: nothing but finite numbers of a sane size gets past it, and no −0. */
function sound(value: number): number {
  if (!(Math.abs(value) <= largestLength)) {
    throw new RangeError(`a length is a number from ${-largestLength} to ${largestLength} u, not ${value}`);
  }
  return value + 0;
}
