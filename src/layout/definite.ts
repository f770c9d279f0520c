import { clamp } from './clamp.ts';
import {
  arrangeFree,
  arrangeLayers,
  contentSize,
  fillSize,
  fixedSize,
  hasSharedPadding,
  type Plan,
} from './plan.ts';
import { paddingIn } from './shared.ts';

/**
 * The height of a widget where it is known before any width is: said in u, or following from the height of a parent
 * that is known (docs/layout-model.md 2.7). NaN where it has to wait for the widths.
 */
export function definiteHeight(plan: Plan, n: number): number {
  findHeight(plan, n);
  return plan.exchange[0]!;
}

/** The height its children are placed in, where that is known before any width is; NaN otherwise. */
export function definiteRoom(plan: Plan, n: number): number {
  findHeight(plan, n);
  const safe = n === 0 ? plan.safeTop + plan.safeBottom : 0;
  return plan.exchange[0]! - plan.exchange[1]! - safe;
}

/** Writes the height into `exchange[0]`, and into `exchange[1]` what of it is padding; NaN where they have to wait. */
function findHeight(plan: Plan, n: number): void {
  const { exchange, y } = plan;
  exchange[0] = exchange[1] = NaN;
  // Up to the first height that stands for itself, then down again.
  let top = n;
  while (top > 0 && !(y.mode[top] === fixedSize && y.sizeShare[top] === 0)) {
    if (!followsParent(plan, top)) return;
    top = plan.parent[top]!;
  }
  // What a share of what is around would be is not known there.
  const isShared = top > 0 && (y.traits[top]! & hasSharedPadding) !== 0;
  if (isShared && top !== n) return;
  let height = top === 0 ? y.length[0]! : clamp(y, top, y.size[top]!, 0);
  let padding = isShared ? NaN : top === 0 ? y.paddingStart[0]! + y.paddingEnd[0]! : y.floor[top]!;
  for (let at = top; at !== n;) {
    let child = n;
    while (plan.parent[child] !== at) child = plan.parent[child]!;
    const isFull = at === 0 && plan.full[child] === 1;
    const safe = at === 0 && !isFull ? plan.safeTop + plan.safeBottom : 0;
    const room = Math.max(0, height - (isFull ? 0 : padding) - safe);
    const shared = (y.traits[child]! & hasSharedPadding) === 0 ? undefined : y.paddings.get(child)!;
    padding = shared ? paddingIn(shared, room) : y.floor[child]!;
    height = Math.max(padding, clamp(y, child, lengthIn(plan, child, room), room));
    at = child;
  }
  exchange[0] = height;
  exchange[1] = padding;
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
