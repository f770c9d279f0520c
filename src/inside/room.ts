import type { Widget } from '../dress/index.ts';
import type { Layout, Rect } from '../layout/index.ts';

/** The padding of a widget at its left or top edge, in u of the view: what of it is a share is known where it is laid out. */
export function paddingStart(
  layout: Layout,
  { index, box }: Pick<Widget, 'index' | 'box'>,
  axis: 'x' | 'y',
): number {
  const shared = layout.padding(index);
  if (shared) return axis === 'x' ? shared.left : shared.top;
  return box[axis].paddingStart.u * layout.factor(index);
}

/** The same at its right or bottom edge. */
export function paddingEnd(
  layout: Layout,
  { index, box }: Pick<Widget, 'index' | 'box'>,
  axis: 'x' | 'y',
): number {
  const shared = layout.padding(index);
  if (shared) return axis === 'x' ? shared.right : shared.bottom;
  return box[axis].paddingEnd.u * layout.factor(index);
}

/** What stands between the children of a widget, in u of the view; a share is one of the room they stand in. */
export function gapIn(layout: Layout, widget: Widget, axis: 'x' | 'y'): number {
  const { u, share } = widget.box[axis].gap;
  const plain = u * layout.factor(widget.index);
  if (share === 0) return plain;
  const room = contentRoom(layout, widget);
  return plain + share * (axis === 'x' ? room.width : room.height);
}

/**
 * The box the children of a widget are placed in, in u of the view: its inside without padding, of a view without the
 * safe insets too; for a child that asks for the full surface, all of it (docs/layout-model.md 1.4).
 */
export function contentRoom(layout: Layout, parent: Widget, full = false): Rect {
  const outer = layout.rectInU(parent.index);
  const root = parent.index === 0;
  if (root && full) return outer;
  const { safe } = layout.frame;
  const left = paddingStart(layout, parent, 'x') + (root ? safe.left : 0);
  const right = paddingEnd(layout, parent, 'x') + (root ? safe.right : 0);
  const top = paddingStart(layout, parent, 'y') + (root ? safe.top : 0);
  const bottom = paddingEnd(layout, parent, 'y') + (root ? safe.bottom : 0);
  return {
    x: outer.x + left,
    y: outer.y + top,
    width: Math.max(0, outer.width - left - right),
    height: Math.max(0, outer.height - top - bottom),
  };
}
