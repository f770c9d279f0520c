import type { Widget } from '../dress/index.ts';
import type { Layout, Rect } from '../layout/index.ts';

/**
 * The box the children of a widget are placed in, in u of the view: its inside without padding, of a view without the
 * safe insets too; for a child that asks for the full surface, all of it (docs/layout-model.md 1.4).
 */
export function contentRoom(layout: Layout, parent: Widget, full = false): Rect {
  const outer = layout.rectInU(parent.index);
  const root = parent.index === 0;
  if (root && full) return outer;
  const factor = layout.factor(parent.index);
  const { safe } = layout.frame;
  const { x, y } = parent.box;
  const left = x.paddingStart * factor + (root ? safe.left : 0);
  const right = x.paddingEnd * factor + (root ? safe.right : 0);
  const top = y.paddingStart * factor + (root ? safe.top : 0);
  const bottom = y.paddingEnd * factor + (root ? safe.bottom : 0);
  return {
    x: outer.x + left,
    y: outer.y + top,
    width: Math.max(0, outer.width - left - right),
    height: Math.max(0, outer.height - top - bottom),
  };
}
