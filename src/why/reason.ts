import type { Tree, Widget } from '../dress/index.ts';
import type { WidgetSource } from '../document/index.ts';
import { clips, contentRoom } from '../inside/index.ts';
import type { Layout } from '../layout/index.ts';
import { targetsOf } from '../view/index.ts';

/** One link of the chain that leads from a number to what the author wrote. */
export interface Reason {
  readonly text: string;
  /** JSON Pointer of what was written. */
  readonly pointer: string;
}

export type Axis = 'x' | 'y';

/** What a reason looks at. All its numbers are in the u that what it tells of is written in. */
export interface Solved {
  readonly tree: Tree;
  readonly layout: Layout;
  /** Keeps what is the same for many reasons, where many are asked for. */
  once?<Kept>(what: string, make: () => Kept): Kept;
}

/** What is the same for many reasons: worked out once where that is kept. */
export function kept<Kept>(scene: Solved, what: string, make: () => Kept): Kept {
  return scene.once ? scene.once(what, make) : make();
}

/** A number as a reason shows it: at most two decimals. */
export function shown(value: number): string {
  return String(Math.round(value * 100) / 100 + 0);
}

/** A number to be added to a sum: `+ 12`, `− 3`; nothing for 0. */
export function added(value: number, what = ''): string {
  if (Math.abs(value) < 0.005) return '';
  return ` ${value < 0 ? '−' : '+'} ${shown(Math.abs(value))}${what === '' ? '' : ` ${what}`}`;
}

/** What a sum still shows one by one. */
export const mostTerms = 4;

/** The words of an axis. */
export const words = {
  x: { size: 'width', start: 'left', end: 'right', along: 'row' },
  y: { size: 'height', start: 'top', end: 'bottom', along: 'column' },
} as const;

/** Where a value that a widget was given is written: in the widget, a condition, a component or a change of it. */
export function keyPointer(widget: Widget, ...keys: readonly string[]): string {
  for (const key of keys) {
    if (!(key in (widget.source as WidgetSource))) continue;
    return widget.origins.get(key) ?? `${widget.pointer}/${key}`;
  }
  return widget.pointer;
}

/** Where a widget starts and how long it is on an axis, in u of the view. */
export function extent({ layout }: Solved, index: number, axis: Axis): { start: number; length: number } {
  const rect = layout.rectInU(index);
  return axis === 'x' ? { start: rect.x, length: rect.width } : { start: rect.y, length: rect.height };
}

/** The widgets that one is anchored to here: none where one of them is not there. */
export function targetsIn({ tree }: Solved, { box }: Widget): ReturnType<typeof targetsOf> {
  return targetsOf(box, (wanted) => tree.widgets.find(({ id }) => id === wanted)?.index);
}

/** The box a child is placed in: the content box of its parent, or the box of the widget it is anchored to. In u of the view. */
export function roomFor(
  scene: Solved,
  widget: Widget,
  axis: Axis,
  edge: 'start' | 'end' = 'start',
): { start: number; length: number; name: string } {
  const { tree } = scene;
  const { target: one, targetEnd: other = one } = targetsIn(scene, widget);
  const isTurned = axis === 'x' && widget.box.x.span && widget.box.targetsTurned;
  const target = (edge === 'end') !== isTurned ? other : one;
  if (target !== undefined) return { ...extent(scene, target, axis), name: tree.widgets[target]!.id };
  const parent = tree.widgets[widget.parent]!;
  const { full } = widget.box;
  const name = parent.index === 0 && full ? 'the surface' : parent.id;
  return { ...roomIn(scene, parent, axis, full), name };
}

/** The room the children of a widget have: of what scrolls what they need, so far as that is more than it shows. In u of the view. */
export function roomIn(
  { layout }: Solved,
  parent: Widget,
  axis: Axis,
  full = false,
): { start: number; length: number } {
  const room = contentRoom(layout, parent, full);
  const { at, range } = layout.scroll(parent.index)?.[axis] ?? { at: 0, range: 0 };
  const factor = layout.factor(parent.index);
  const [start, length] = axis === 'x' ? [room.x, room.width] : [room.y, room.height];
  return { start: start - at * factor, length: length + range * factor };
}

/** The children of a widget in document order, without those that are anchored elsewhere. */
export function childrenIn(scene: Solved, index: number): readonly Widget[] {
  const all = kept(scene, 'why-children', () => {
    const found = new Map<number, Widget[]>();
    for (const widget of scene.tree.widgets) {
      if (widget.box.target !== undefined) continue;
      const known = found.get(widget.parent);
      if (known) known.push(widget);
      else found.set(widget.parent, [widget]);
    }
    return found;
  });
  return all.get(index) ?? [];
}

/** Whether a widget shows only part of what is in it and can be scrolled. */
export function scrolls(widget: Widget): boolean {
  return clips(widget) && 'scroll' in widget.source && widget.source.scroll !== undefined;
}
