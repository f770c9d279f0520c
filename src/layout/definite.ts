import { clamp } from './clamp.ts';
import { arrangeFree, arrangeLayers, contentSize, fillSize, fixedSize, type Plan } from './plan.ts';

/**
 * The height of a widget where it is known before any width is: said in u, or following from the height of a parent
 * that is known (docs/layout-model.md 2.7). NaN where it has to wait for the widths.
 */
export function definiteHeight(plan: Plan, n: number): number {
  const { y } = plan;
  // Up to the first height that stands for itself, then down again.
  let top = n;
  while (top > 0 && !(y.mode[top] === fixedSize && y.sizeShare[top] === 0)) {
    if (!followsParent(plan, top)) return NaN;
    top = plan.parent[top]!;
  }
  let height = top === 0 ? y.length[0]! : clamp(y, top, y.size[top]!, 0);
  for (let at = top; at !== n;) {
    let child = n;
    while (plan.parent[child] !== at) child = plan.parent[child]!;
    const safe = at === 0 && plan.full[child] === 0 ? plan.safeTop + plan.safeBottom : 0;
    const padding = at === 0 && plan.full[child] === 1 ? 0 : y.paddingStart[at]! + y.paddingEnd[at]!;
    const room = Math.max(0, height - padding - safe);
    height = clamp(y, child, lengthIn(plan, child, room), room);
    at = child;
  }
  return height;
}

function followsParent(plan: Plan, n: number): boolean {
  const { y } = plan;
  if (plan.target[n]! >= 0) return false;
  if (y.mode[n] === fixedSize) return true;
  const arrange = plan.arrange[plan.parent[n]!]!;
  if (arrange === arrangeFree) return y.span[n] === 1 ? y.mode[n] !== contentSize : y.mode[n] === fillSize;
  return arrange === arrangeLayers && y.mode[n] === fillSize;
}

function lengthIn(plan: Plan, n: number, room: number): number {
  const { y } = plan;
  if (y.mode[n] === fixedSize) return y.size[n]! + y.sizeShare[n]! * room;
  const margins = y.marginStart[n]! + y.marginEnd[n]!;
  if (y.span[n] === 0) return room - margins;
  return (
    (y.anchorEnd[n]! - y.anchorStart[n]!) * room -
    y.insetStart[n]! -
    y.insetStartShare[n]! * room -
    y.insetEnd[n]! -
    y.insetEndShare[n]! * room -
    margins
  );
}
