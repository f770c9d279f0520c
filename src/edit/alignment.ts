import type { Rect } from '../layout/index.ts';
import { unionOf } from '../scene/index.ts';
import type { ViewLayout } from '../view/index.ts';
import { EditError } from './edit-error.ts';
import type { Edges } from './shift.ts';
import { roomIn } from './standing.ts';

/** What of widgets comes to one line. */
export const alignWords = ['left', 'center', 'right', 'top', 'middle', 'bottom'] as const;
export type AlignTo = (typeof alignWords)[number];

type Shift = readonly [id: string, edges: Edges];

/** How widgets move so that their edges or middles come to one line: that of the box around them; one alone, of its parent. */
export function alignEdges(on: ViewLayout, ids: readonly string[], to: AlignTo): Shift[] {
  const rects = siblings(on, ids);
  const around = rects.length > 1 ? unionOf(rects.map(({ rect }) => rect)) : roomOf(on, ids[0]!);
  return rects.map(({ id, rect }) => {
    const x = {
      left: around.x - rect.x,
      center: around.x + around.width / 2 - rect.x - rect.width / 2,
      right: around.x + around.width - rect.x - rect.width,
    };
    const y = {
      top: around.y - rect.y,
      middle: around.y + around.height / 2 - rect.y - rect.height / 2,
      bottom: around.y + around.height - rect.y - rect.height,
    };
    return to in x ? along(id, 'x', x[to as keyof typeof x]) : along(id, 'y', y[to as keyof typeof y]);
  });
}

/** How widgets move so that the gaps between them are equal; the outermost two stay. @throws EditError for fewer than three. */
export function spaceEdges(on: ViewLayout, ids: readonly string[], axis: 'x' | 'y'): Shift[] {
  if (ids.length < 3) throw new EditError('spacing out needs three widgets or more');
  const side = axis === 'x' ? 'width' : 'height';
  const sorted = siblings(on, ids).sort((a, b) => a.rect[axis] - b.rect[axis]);
  const [first, last] = [sorted[0]!.rect, sorted.at(-1)!.rect];
  const inside = sorted.reduce((sum, { rect }) => sum + rect[side], 0);
  const gap = (last[axis] + last[side] - first[axis] - inside) / (sorted.length - 1);
  let at = first[axis];
  return sorted.map(({ id, rect }) => {
    const shift = along(id, axis, at - rect[axis]);
    at += rect[side] + gap;
    return shift;
  });
}

function along(id: string, axis: 'x' | 'y', by: number): Shift {
  return [
    id,
    axis === 'x' ? { left: by, right: by, top: 0, bottom: 0 } : { left: 0, right: 0, top: by, bottom: by },
  ];
}

/** Widgets of one parent, in its u. @throws EditError */
function siblings(on: ViewLayout, ids: readonly string[]): { readonly id: string; readonly rect: Rect }[] {
  let parent: number | undefined;
  return ids.map((id) => {
    const widget = on.widgets[on.indexOf(id)]!;
    if (parent !== undefined && parent !== widget.parent)
      throw new EditError(`"${id}" is not in the same widget as "${ids[0]!}"`);
    parent = widget.parent;
    const by = 1 / on.layout.factor(Math.max(0, widget.parent));
    const { x, y, width, height } = on.layout.rectInU(widget.index);
    return { id, rect: { x: x * by, y: y * by, width: width * by, height: height * by } };
  });
}

function roomOf(on: ViewLayout, id: string): Rect {
  const widget = on.widgets[on.indexOf(id)]!;
  if (widget.parent < 0) throw new EditError('the view itself stands in nothing');
  return roomIn(on, on.widgets[widget.parent]!, widget.box.full);
}
