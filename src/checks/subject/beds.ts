import type { Rect } from '../../layout/index.ts';
import type { Subject } from './subject.ts';

/** Indexes of widgets that may lie behind others with something painted, in drawing order. */
export function bedsOf({ form, tree }: Subject): readonly number[] {
  return form.once('beds', () =>
    tree.order.filter((index) => {
      const { visible, kind, look, picture } = tree.widgets[index]!;
      if (!visible || form.opacity[index] === 0) return false;
      return look.background !== undefined || picture !== undefined || kind === 'meter' || kind === 'dialog';
    }),
  );
}

/** Parts narrower than a px are not seen: edges are painted on whole px, half a px from here at the most. */
export const sliver = 1;

/** Whether a rectangle lies under all of another that is seen. */
export function covers(outer: Rect, inner: Rect): boolean {
  return (
    outer.x <= inner.x + sliver &&
    outer.y <= inner.y + sliver &&
    outer.x + outer.width >= inner.x + inner.width - sliver &&
    outer.y + outer.height >= inner.y + inner.height - sliver
  );
}
