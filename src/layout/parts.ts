import { fillAxis } from './fill.ts';
import { scaleOfPart, type Frame } from './frame.ts';
import type { Plan } from './plan.ts';

/*
 * Parts of a view that keep another scaling: docs/layout-model.md 1.5. Everything is solved in u of the view; the lengths
 * of a part are written into the plan times its factor, anew when a screen gives it another one.
 */

/** Brings the parts to the scale they have on a frame. Returns whether one changed: then all is found anew. */
export function rescaleParts(plan: Plan, frame: Frame): boolean {
  let changed = false;
  for (const part of plan.parts) {
    // A screen without area has no scale to compare with.
    const factor = frame.scale > 0 ? scaleOfPart(part.reference, frame) / frame.scale : 1;
    if (factor === part.factor) continue;
    part.factor = factor;
    changed = true;
  }
  if (!changed) return false;
  // Parts inside others stand after them, and have the last word.
  for (const { root, boxes, factor } of plan.parts) plan.factor.fill(factor, root, root + boxes.length);
  for (const { root, boxes } of plan.parts) {
    boxes.forEach((box, at) => {
      const n = root + at;
      const [x, y] = [plan.x.scrolled[n]!, plan.y.scrolled[n]!];
      fillAxis(plan, plan.x, n, box.x);
      fillAxis(plan, plan.y, n, box.y);
      // How far something is scrolled is not the document's any more.
      plan.x.scrolled[n] = x;
      plan.y.scrolled[n] = y;
    });
  }
  return true;
}
