import type { Widget } from '../dress/index.ts';
import { contentOf } from './cell.ts';
import { childrenIn, extent, kept, type Axis, type Solved } from './reason.ts';

/** The children of a row, a column, or a line of a wrap that a child stands in, itself among them. */
export function lineOf(scene: Solved, { index, parent }: Widget): readonly Widget[] {
  const around = scene.tree.widgets[parent]!;
  if (around.box.arrange !== 'wrap') return childrenIn(scene, parent);
  return linesOf(scene, around).find((line) => line.some((one) => one.index === index))!;
}

/** The lines of a wrap. */
export function linesOf(scene: Solved, parent: Widget): readonly (readonly Widget[])[] {
  return kept(scene, `why-lines ${parent.index}`, () => linesIn(scene, parent));
}

/** A child that does not stand after the one before it starts another line. */
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
  return heightOfLine(scene, scene.tree.widgets[widget.parent]!, lineOf(scene, widget));
}

/** The same of a line itself. */
export function heightOfLine(scene: Solved, parent: Widget, line: readonly Widget[]): number {
  return contentOf(scene, parent, line, 'y', false);
}

/** What a child that fills is of what its line leaves: its weight, those of all that are as long for theirs, and how much that is, in u of the view. */
export function shareIn(
  scene: Solved,
  widget: Widget,
  axis: Axis,
): { readonly weights: number; readonly left: number } {
  const line = lineOf(scene, widget).filter(({ box }) => box[axis].mode === 'fill' && box[axis].weight > 0);
  const unitOf = (child: Widget) => extent(scene, child.index, axis).length / child.box[axis].weight;
  // One of no weight has none of what the others share.
  const unit = unitOf(line.includes(widget) ? widget : (line[0] ?? widget));
  // One that a limit holds takes what it has before the others share.
  const sharing = line.filter((child) => Math.abs(unitOf(child) - unit) <= 1e-6 * Math.max(1, unit));
  const weights = sharing.reduce((sum, { box }) => sum + box[axis].weight, 0);
  return { weights, left: weights === 0 ? 0 : weights * unit };
}
