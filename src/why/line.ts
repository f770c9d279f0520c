import type { Widget } from '../dress/index.ts';
import { cellBy, outer } from './cell.ts';
import { childrenIn, extent, kept, type Axis, type Solved } from './reason.ts';

/** The children of a row, a column, or a line of a wrap that a child stands in, itself among them. */
export function lineOf(scene: Solved, { index, parent }: Widget): readonly Widget[] {
  const around = scene.tree.widgets[parent]!;
  if (around.box.arrange !== 'wrap') return childrenIn(scene, parent);
  const lines = kept(scene, `why-lines ${parent}`, () => linesIn(scene, around));
  return lines.find((line) => line.some((one) => one.index === index))!;
}

/** The lines of a wrap: a child that does not stand after the one before it starts another. */
function linesIn(scene: Solved, parent: Widget): readonly (readonly Widget[])[] {
  const lines: Widget[][] = [];
  const fromRight = parent.box.rightToLeft !== parent.box.reverse;
  let reached = 0;
  for (const child of childrenIn(scene, parent.index)) {
    const { start, length } = extent(scene, child.index, 'x');
    const [from, to] = fromRight ? [-start - length, -start] : [start, start + length];
    const line = lines.at(-1);
    if (line && from >= reached - 1e-9) line.push(child);
    else lines.push([child]);
    reached = to;
  }
  return lines;
}

/** How high the line of a wrap is that a child stands in, in u of the view; NaN where what is laid out does not say it. */
export function lineHeight(scene: Solved, widget: Widget): number {
  const parent = scene.tree.widgets[widget.parent]!;
  const line = lineOf(scene, widget);
  const told = line.map((child) => cellBy(scene, parent, child, 'y', false)).find((one) => one !== undefined);
  if (told !== undefined) return told;
  const isOpen = line.some(({ box: { y } }) => [y.size, y.min, y.max].some((one) => one && one.share !== 0));
  return isOpen ? NaN : Math.max(0, ...line.map((child) => outer(scene, parent, child, 'y')));
}

/** What a child that fills is of what its line leaves: its weight, those of all that are as long for theirs, and how much that is, in u of the view. */
export function shareIn(
  scene: Solved,
  widget: Widget,
  axis: Axis,
): { readonly weights: number; readonly left: number } {
  const unitOf = (child: Widget) => extent(scene, child.index, axis).length / child.box[axis].weight;
  const unit = unitOf(widget);
  let weights = 0;
  for (const child of lineOf(scene, widget)) {
    const { mode, weight } = child.box[axis];
    // One that a limit holds takes what it has before the others share.
    if (mode === 'fill' && Math.abs(unitOf(child) - unit) <= 1e-6 * Math.max(1, unit)) weights += weight;
  }
  return { weights, left: weights * unit };
}
