import type { Tree } from '../../dress/index.ts';
import { drawnRect, isTilted } from '../../inside/index.ts';
import type { Layout, Rect } from '../../layout/index.ts';
import { dialogOf } from '../../scene/index.ts';
import type { FocusGround } from './field.ts';

/** A view that is laid out, as the focus moves over it. */
export interface LaidGround extends FocusGround {
  /** The index of the open dialog on top; −1 where none is. */
  readonly dialog: number;
}

/** What of a view can take the focus: what is there, can be seen, is not disabled and not behind an open dialog. */
export function focusGround(
  { widgets, order }: Pick<Tree, 'widgets' | 'order'>,
  layout: Layout,
  indexOf: (id: string) => number | undefined,
): LaidGround {
  const { dialog, isBehind } = dialogOf({ widgets, order });
  const isSeen = (index: number) => {
    for (let at = index; at >= 0; at = widgets[at]!.parent)
      if (!(widgets[at]!.look.opacity > 0)) return false;
    return true;
  };
  const isVisible = (index: number) =>
    widgets[index]!.visible && layout.widthInU(index) > 0 && layout.heightInU(index) > 0 && isSeen(index);
  const isShown = (index: number) => isVisible(index) && !isBehind(index);
  return {
    widgets,
    dialog,
    rectInU: widgets.some(isTilted)
      ? (index) => tiltedInU(index, widgets, layout)
      : (index) => layout.rectInU(index),
    indexOf,
    isVisible,
    isShown,
    isUsable: (index) => !widgets[index]!.states.includes('disabled') && isShown(index),
  };
}

/** The smallest upright rectangle around a widget as it is rotated and skewed; how large a state draws it leads the focus nowhere. */
function tiltedInU(index: number, widgets: Tree['widgets'], layout: Layout): Rect {
  const rect = drawnRect(index, widgets, layout, false);
  const { scale, originX, originY } = layout.frame;
  return {
    x: (rect.x - originX) / scale,
    y: (rect.y - originY) / scale,
    width: rect.width / scale,
    height: rect.height / scale,
  };
}
