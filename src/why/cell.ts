import type { Columns, Size } from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import type { AxisBox } from '../skeleton/index.ts';
import { gapIn, paddingEnd, paddingStart } from '../inside/index.ts';
import { childrenIn, extent, kept, roomIn, shown, type Axis, type Solved } from './reason.ts';

/** The cell of a grid that a child stands in, on an axis. */
export interface Cell {
  /** `column 2 of kit`. */
  readonly name: string;
  /** In u of the view; NaN where what is laid out does not say it. */
  readonly length: number;
}

/** The cell a widget stands in; undefined of one that is in no grid, or anchored out of it. */
export function cellOf(scene: Solved, widget: Widget, axis: Axis): Cell | undefined {
  const parent = scene.tree.widgets[widget.parent];
  if (!parent || parent.box.arrange !== 'grid' || widget.box.target !== undefined) return undefined;
  const { first, span } = tracksOf(scene, widget, axis);
  const track = axis === 'x' ? 'column' : 'row';
  const name =
    span === 1
      ? `${track} ${first + 1} of ${parent.id}`
      : `${track}s ${first + 1} to ${first + span} of ${parent.id}`;
  const lengths = kept(scene, `why-cells ${parent.index} ${axis}`, () => lengthsIn(scene, parent, axis));
  return { name, length: lengths.get(`${first} ${span}`)! };
}

/** The first column or row a child stands in, and over how many it reaches. */
function tracksOf(
  { layout }: Solved,
  { index, box }: Widget,
  axis: Axis,
): { readonly first: number; readonly span: number } {
  const { column, row } = layout.cell(index);
  return axis === 'x' ? { first: column, span: box.columnSpan } : { first: row, span: box.rowSpan };
}

/** How long each column or row of a grid is, in u of the view (docs/layout-model.md 4.6); NaN where what is laid out does not say it. */
export function tracksIn(scene: Solved, parent: Widget, axis: Axis): readonly number[] {
  const { layout } = scene;
  const { columns, rows } = parent.box;
  const factor = layout.factor(parent.index);
  const gap = gapIn(layout, parent, axis);
  const room = roomIn(scene, parent, axis).length;
  const children = childrenIn(scene, parent.index).map((child) => ({
    child,
    ...tracksOf(scene, child, axis),
  }));
  const count = children.reduce((most, { first, span }) => Math.max(most, first + span), 0);
  if (axis === 'x' && columns && 'cell' in columns) {
    const least = columns.cell * factor;
    const widest = children.reduce((most, { span }) => Math.max(most, span), 1);
    const fit = Math.max(
      1,
      Math.min(children.length * widest, Math.floor((room + gap + 1e-9) / (least + gap))),
    );
    const each = columns.grows ? Math.max(least, (room - gap * (fit - 1)) / fit) : least;
    return new Array<number>(fit).fill(each);
  }
  const said =
    axis === 'x' && columns && 'tracks' in columns ? columns.tracks : new Array<Size>(count).fill(rows);
  const alone = said.map((): Widget[] => []);
  for (const { child, first, span } of children) if (span === 1) alone[first]?.push(child);
  const lengths = said.map((track, nth) => {
    if (track.mode === 'fixed') return track.length.u * factor;
    return track.mode === 'fill' ? 0 : contentOf(scene, parent, alone[nth]!, axis);
  });
  const weightOf = (track: Size) => (track.mode === 'fill' ? track.weight : 0);
  const weights = said.reduce((sum, track) => sum + weightOf(track), 0);
  const left = Math.max(0, room - gap * (said.length - 1) - lengths.reduce((sum, one) => sum + one, 0));
  return said.map((track, nth) => (track.mode === 'fill' ? (left * track.weight) / weights : lengths[nth]!));
}

/** How long a track or a line is that is as long as the longest child in it; NaN where what is laid out does not say it. */
export function contentOf(
  scene: Solved,
  parent: Widget,
  children: readonly Widget[],
  axis: Axis,
  inCells = true,
): number {
  for (const child of children) {
    const told = cellBy(scene, parent, child, axis, inCells);
    if (told !== undefined) return told;
  }
  // A share of what it makes as long as it is: what it needs for itself is not known here.
  const isOpen = ({ size, min, max }: AxisBox) => [size, min, max].some((one) => one && one.share !== 0);
  if (children.some(({ box }) => isOpen(box[axis]))) return NaN;
  return Math.max(0, ...children.map((child) => outer(scene, parent, child, axis)));
}

/** A child with its margins. */
export function outer(scene: Solved, parent: Widget, child: Widget, axis: Axis): number {
  const { marginStart, marginEnd } = child.box[axis];
  return (
    extent(scene, child.index, axis).length + (marginStart + marginEnd) * scene.layout.factor(parent.index)
  );
}

/** How long its cell, or its line, is, of a child that is as long as it or a share of it, held by nothing; undefined of another. */
function cellBy(
  scene: Solved,
  parent: Widget,
  child: Widget,
  axis: Axis,
  inCells = true,
): number | undefined {
  const { mode, size, min, max } = child.box[axis];
  if (child.box.aspect > 0) return undefined;
  const factor = scene.layout.factor(child.index);
  const { length } = extent(scene, child.index, axis);
  const isWhole = mode === 'fill' || (mode === 'auto' && isStretched(child, parent, axis, inCells));
  if (!isWhole && (mode !== 'fixed' || !(size.share > 0))) return undefined;
  const cell = isWhole ? outer(scene, parent, child, axis) : (length - size.u * factor) / size.share;
  const isHeld = [min, max].some(
    (limit, nth) => limit && (length - limit.u * factor - limit.share * cell) * (nth === 0 ? 1 : -1) < 1e-6,
  );
  // Nothing is shorter than its padding.
  const padding = paddingStart(scene.layout, child, axis) + paddingEnd(scene.layout, child, axis);
  return isHeld || length <= padding + 1e-6 ? undefined : cell;
}

/** How long the cells of a grid are, by the first of their tracks and how many there are. */
function lengthsIn(scene: Solved, parent: Widget, axis: Axis): ReadonlyMap<string, number> {
  const found = new Map<string, number>();
  const tracks = tracksIn(scene, parent, axis);
  const gap = gapIn(scene.layout, parent, axis);
  for (const child of childrenIn(scene, parent.index)) {
    const { first, span } = tracksOf(scene, child, axis);
    const own = tracks.slice(first, first + span);
    const cell = own.reduce((sum, one) => sum + one, gap * (own.length - 1));
    const key = `${first} ${span}`;
    const told = cellBy(scene, parent, child, axis);
    if (told !== undefined) found.set(key, told);
    else if (!found.has(key)) found.set(key, cell);
  }
  return found;
}

/** Whether a child that says no length is as long as the room it has across. A picture, and what has an aspect, keeps its shape. @param inCells Whether that is a cell. */
export function isStretched(widget: Widget, parent: Widget, axis: Axis, inCells: boolean): boolean {
  const said =
    inCells && axis === 'x'
      ? (widget.box.justifySelf ?? parent.box.justify)
      : (widget.box.alignSelf ?? parent.box.align);
  return said === 'stretch' && widget.kind !== 'image' && !(widget.box.aspect > 0);
}

/** The one column or row of a cell, as it is said; undefined of a cell of several, and where columns are as many as fit. */
function trackOf(scene: Solved, widget: Widget, axis: Axis): Size | undefined {
  const { first, span } = tracksOf(scene, widget, axis);
  const { columns, rows } = scene.tree.widgets[widget.parent]!.box;
  if (span > 1) return undefined;
  if (axis === 'y') return rows;
  return columns && 'tracks' in columns ? columns.tracks[first] : undefined;
}

/** Whether the one column or row of a cell is as long as it is said to be. */
export function isSetTrack(scene: Solved, widget: Widget, axis: Axis): boolean {
  return trackOf(scene, widget, axis)?.mode === 'fixed';
}

/** What the column or row of a cell is as long as it is from; nothing of a cell of several. @param cell @param room In u. */
export function trackNote(scene: Solved, widget: Widget, axis: Axis, cell: number, room: number): string {
  if (tracksOf(scene, widget, axis).span > 1 || Number.isNaN(cell)) return '';
  const { columns } = scene.tree.widgets[widget.parent]!.box;
  const track = trackOf(scene, widget, axis);
  if (!track) {
    const { cell: least, grows } = columns as Extract<Columns, { readonly cell: number }>;
    return `, one of as many of ${grows ? 'at least ' : ''}${shown(least)} u as fit into ${shown(room)}`;
  }
  if (track.mode === 'content') return ', which is what its content needs';
  if (track.mode === 'fixed') return `, which is set to ${shown(track.length.u)} u`;
  if (axis === 'y') return `, one of the rows that share ${shown(room)} u`;
  const { tracks } = columns as Extract<Columns, { readonly tracks: unknown }>;
  const weights = tracks.reduce((sum, one) => sum + (one.mode === 'fill' ? one.weight : 0), 0);
  const share = weights === track.weight ? 'all' : `${shown(track.weight)} of ${shown(weights)} shares`;
  return `, ${share} of the ${shown((cell * weights) / track.weight)} u left of ${shown(room)}`;
}
