import type { AxisBox, Box } from '../skeleton/index.ts';

/** Whether two boxes say the same. */
export function isSimilarBox(one: Box, other: Box): boolean {
  if (one === other) return true;
  for (const key of Object.keys(one) as (keyof Box)[]) {
    if (one[key] === other[key]) continue;
    if (key === 'x' || key === 'y') {
      if (!isSimilarAxis(one[key], other[key])) return false;
    } else if (JSON.stringify(one[key]) !== JSON.stringify(other[key])) return false;
  }
  return true;
}

function isSimilarAxis(one: AxisBox, other: AxisBox): boolean {
  for (const key of Object.keys(one) as (keyof AxisBox)[]) {
    const [a, b] = [one[key], other[key]];
    if (a === b) continue;
    if (typeof a !== 'object' || typeof b !== 'object' || a.u !== b.u || a.share !== b.share) return false;
  }
  return true;
}

/** Whether a change from one box to the other changes what is known of the plan as a whole, and not of this widget alone. */
export function needsAnotherPlan(one: Box, other: Box): boolean {
  if (one.aspect > 0 || other.aspect > 0) return true;
  return planKeys.some(
    (key) => one[key] !== other[key] && JSON.stringify(one[key]) !== JSON.stringify(other[key]),
  );
}

const planKeys = [
  'arrange',
  'align',
  'alignSelf',
  'columns',
  'rows',
  'columnSpan',
  'rowSpan',
  'target',
  'targetEnd',
  'targetsTurned',
  'full',
  'reference',
  'rightToLeft',
] as const;
