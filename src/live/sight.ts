import type { Widget } from '../dress/index.ts';
import type { LiveNode, Mutable } from './node.ts';
import { isVisible } from './widget-change.ts';

/* What comes into sight and goes out of it, with all that is in it. */

/** What there is to do with the widgets of a tree. */
export interface Sight {
  /** All in a widget, parents before their children. */
  within(node: LiveNode): readonly LiveNode[];
  changeable(node: LiveNode): Mutable<Widget>;
  touch(node: LiveNode): void;
  /** Has a widget be at once what it is on its way to be. */
  settle(node: LiveNode): void;
}

/**
 * Works out who in a widget is visible.
 * @param leaves Whether those who are not any more are drawn until it is out of sight.
 */
export function showWithin(node: LiveNode, sight: Sight, leaves = false): void {
  showThese(sight.within(node), sight, leaves, node.bone.visible);
}

/** Works out who of some widgets is visible, parents before their children. @param isAround Whether what they are in is. */
export function showThese(nodes: readonly LiveNode[], sight: Sight, leaves = false, isAround = true): void {
  for (const inner of nodes) {
    const visible = isVisible(inner.bone, inner);
    // Nothing is left of what goes by itself where all around it is gone.
    if (!leaves && !isAround && inner.widget.leaves) {
      inner.leaves = false;
      sight.settle(inner);
    }
    if (visible === inner.bone.visible) continue;
    inner.bone = { ...inner.bone, visible };
    inner.leaves = leaves && !visible;
    const widget = sight.changeable(inner);
    widget.visible = visible;
    widget.leaves = inner.leaves || undefined;
    if (inner.motion) inner.motion.target = { ...inner.motion.target, visible };
    sight.touch(inner);
  }
}

/** A widget has gone out of sight, and all in it with it. */
export function endLeaving(node: LiveNode, sight: Sight): void {
  for (const inner of sight.within(node)) {
    if (!inner.leaves) continue;
    inner.leaves = false;
    sight.changeable(inner).leaves = undefined;
    sight.touch(inner);
  }
}
