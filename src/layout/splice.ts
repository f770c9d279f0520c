import { fill, fillGrid, fillTargets, partsOf, relate, type LayoutItem } from './compile.ts';
import { arrangeFree, type Part, type Plan } from './plan.ts';
import type { Range } from './range.ts';
import { markBox, markMeasure } from './solve.ts';

/**
 * Puts widgets in the place of others that are children of the same one, in a plan that has room for them all. All that was found of who
 * stays is kept.
 * @param ranges In the order they stand in, each where it is once those before it are done.
 * @param itemAt The item of the widget that stands at an index afterwards; asked of few.
 * @throws RangeError as {@link compile} does; the plan is of no use then.
 */
export function splice(
  plan: Plan,
  parent: number,
  ranges: readonly Range[],
  itemAt: (n: number) => LayoutItem,
): void {
  const { parts } = plan;
  const isFree = plan.arrange[parent] === arrangeFree;
  let hasParts = parts.length > 0;
  for (const range of ranges) {
    plan.replaceRange(range);
    for (let n = range.at; n < range.at + range.added; n++) {
      const item = itemAt(n);
      fill(plan, n, item);
      markNew(plan, n, isFree && item.parent === parent);
      hasParts ||= item.reference !== undefined;
    }
  }
  const retargeted: number[] = [];
  if (plan.hasTargets)
    for (let n = 0; n < plan.count; n++) if (retarget(plan, n, itemAt(n))) retargeted.push(n);
  relate(plan);
  // What follows from them is only known once it is known where everybody stands.
  for (const n of retargeted) markBox(plan, n);
  if (hasParts) plan.parts = keptFactors(partsOf(plan, itemAt), parts);
  fillGrid(plan, parent, itemAt);
  for (const { at, added } of ranges) for (let n = at; n < at + added; n++) fillGrid(plan, n, itemAt);
  markChildren(plan, parent);
}

/** Says anew which widget one is anchored to. @returns Whether that has come or gone. */
function retarget(plan: Plan, n: number, item: LayoutItem): boolean {
  const [target, end] = [plan.target[n], plan.targetEnd[n]];
  fillTargets(plan, n, item);
  return plan.target[n] !== target || plan.targetEnd[n] !== end;
}

/** Has a widget that was not there before found. */
function markNew(plan: Plan, n: number, isPlacedAlone: boolean): void {
  markMeasure(plan, n);
  plan.x.regive(n);
  plan.y.regive(n);
  if (!isPlacedAlone) return;
  plan.x.replace(n);
  plan.y.replace(n);
}

/** Has all found that follows from which children a widget has. */
function markChildren(plan: Plan, parent: number): void {
  if (plan.arrange[parent] !== arrangeFree) markBox(plan, parent);
  // Where they are free, nobody stands elsewhere because another one came or went; and nobody asks what the view needs.
  else if (parent > 0) markMeasure(plan, parent);
}

/** A part of which something is new is scaled anew, whatever its widgets were scaled by. */
function keptFactors(parts: readonly Part[], before: readonly Part[]): readonly Part[] {
  for (const part of parts) {
    const known = before.find(({ boxes }) => boxes[0] === part.boxes[0]);
    const isSame =
      known?.boxes.length === part.boxes.length && known.boxes.every((box, nth) => box === part.boxes[nth]);
    part.factor = isSame ? known.factor : NaN;
  }
  return parts;
}
