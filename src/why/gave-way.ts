import type { Tree, Widget } from '../dress/index.ts';
import { contentRoom, gapIn } from '../inside/index.ts';
import type { Layout } from '../layout/index.ts';
import { added, keyPointer, roomFor, shown, words, type Axis } from './reason.ts';

/** Two demands that cannot both hold on a screen, and which of them gave way. */
export interface GaveWay {
  /** Index of the widget. */
  readonly widget: number;
  readonly axis: Axis;
  readonly demand: 'maximum' | 'inset' | 'aspect' | 'room';
  readonly text: string;
  /** JSON Pointer of what gave way. */
  readonly pointer: string;
}

/** In u: what rounding of sums can add up to. */
const slack = 1e-6;

/** Something that was asked for: by how much it was not got, in u, and what to say of that. */
export interface Demand {
  /** Index of the widget. */
  readonly widget: number;
  readonly axis: Axis;
  readonly demand: GaveWay['demand'];
  /** The widget in whose u the numbers are. */
  readonly unit: number;
  /** Above 0 where it gave way; of an aspect, on either of its sides. */
  readonly over: readonly number[];
  readonly text: () => string;
  readonly pointer: () => string;
}

/** Every size and place in a layout that could not be as it was asked for (docs/layout-model.md 2.8). */
export function gaveWay(tree: Tree, layout: Layout): GaveWay[] {
  const found: GaveWay[] = [];
  eachDemand(tree, layout, ({ widget, axis, demand, over, text, pointer }) => {
    if (over.some((one) => one > 0)) found.push({ widget, axis, demand, text: text(), pointer: pointer() });
  });
  return found;
}

type Hear = (demand: Demand) => void;

/** Calls with everything that was asked for in a layout, got or not; on every screen in the same order. */
export function eachDemand(tree: Tree, layout: Layout, hear: Hear): void {
  const flowing = new Map<number, Widget[]>();
  for (const { index, box, source } of tree.widgets)
    if ((box.arrange === 'row' || box.arrange === 'column') && !('scroll' in source)) flowing.set(index, []);
  for (const widget of tree.widgets) flowing.get(widget.parent)?.push(widget);
  for (const widget of tree.widgets) {
    if (widget.index > 0) {
      for (const axis of ['x', 'y'] as const) limits(tree, layout, widget, axis, hear);
      aspect(layout, widget, hear);
    }
    const inside = flowing.get(widget.index);
    if (inside) room(layout, widget, inside, widget.box.arrange === 'row' ? 'x' : 'y', hear);
  }
}

function limits(tree: Tree, layout: Layout, widget: Widget, axis: Axis, hear: Hear): void {
  const { size } = words[axis];
  const box = widget.box[axis];
  if (!box.max && !box.span) return;
  const factor = layout.factor(widget.index);
  const length = lengthOf(layout, widget.index, axis) / factor;
  const add = (demand: GaveWay['demand'], unit: number, over: number, text: () => string, key: string) =>
    hear({
      widget: widget.index,
      axis,
      demand,
      unit,
      over: [over - slack],
      text,
      pointer: () => keyPointer(widget, key),
    });
  if (box.max && box.max.share === 0) {
    const { u } = box.max;
    add(
      'maximum',
      widget.index,
      length - u,
      () => `max-${size} ${shown(u)} gave way to its minimum or padding of ${shown(length)} u`,
      `max-${size}`,
    );
  }
  const parent = tree.widgets[widget.parent]!;
  if (!box.span || parent.box.arrange !== 'free' || widget.box.target !== undefined) return;
  const around = layout.factor(parent.index);
  const whole = roomFor({ tree, layout }, widget, axis).length / around;
  const kept = box.insetStart.u + box.insetStart.share * whole + box.insetEnd.u + box.insetEnd.share * whole;
  const between = (box.anchorEnd - box.anchorStart) * whole - kept - box.marginStart - box.marginEnd;
  const has = (length * factor) / around;
  add(
    'inset',
    parent.index,
    has - between,
    () => `its insets leave ${shown(between)} u and gave way to a ${size} of ${shown(has)}`,
    'inset',
  );
}

function lengthOf(layout: Layout, index: number, axis: Axis): number {
  return axis === 'x' ? layout.widthInU(index) : layout.heightInU(index);
}

function aspect(layout: Layout, widget: Widget, hear: Hear): void {
  const wanted = widget.box.aspect;
  if (wanted === 0) return;
  const [width, height] = [layout.widthInU(widget.index), layout.heightInU(widget.index)];
  const off = width - height * wanted;
  const most = slack * Math.max(1, width);
  hear({
    widget: widget.index,
    axis: 'y',
    demand: 'aspect',
    unit: 0,
    over: [off - most, -off - most],
    text: () => `aspect ${shown(wanted)} gave way to ${shown(width)} × ${shown(height)} u`,
    pointer: () => keyPointer(widget, 'aspect'),
  });
}

/** Children of a row or column that need more than there is. */
function room(layout: Layout, widget: Widget, inside: readonly Widget[], axis: Axis, hear: Hear): void {
  if (inside.length === 0) return;
  const factor = layout.factor(widget.index);
  const inner = contentRoom(layout, widget);
  const has = (axis === 'x' ? inner.width : inner.height) / factor;
  const needs = inside.reduce(
    (sum, child) => {
      return (
        sum +
        lengthOf(layout, child.index, axis) / factor +
        child.box[axis].marginStart +
        child.box[axis].marginEnd
      );
    },
    (gapIn(layout, widget, axis) / factor) * (inside.length - 1),
  );
  hear({
    widget: widget.index,
    axis,
    demand: 'room',
    unit: widget.index,
    over: [needs - has - slack * inside.length],
    text: () =>
      `its ${shown(has)} u gave way to children that need ${shown(needs)}: ${termsOf(layout, widget, inside, axis)}`,
    pointer: () => widget.pointer,
  });
}

/** Children that are named one by one. */
const mostNamed = 4;

/** The lengths of children, the longest first. */
function termsOf(layout: Layout, widget: Widget, inside: readonly Widget[], axis: Axis): string {
  const factor = layout.factor(widget.index);
  const lengths = inside.map(({ id, index }) => ({ id, u: lengthOf(layout, index, axis) / factor }));
  lengths.sort((a, b) => b.u - a.u);
  const named = lengths.slice(0, mostNamed).map(({ id, u }) => `${shown(u)} ${id}`);
  const rest = lengths.slice(mostNamed);
  const others =
    rest.length > 0 ? [`${shown(rest.reduce((sum, { u }) => sum + u, 0))} of ${rest.length} more`] : [];
  const gaps = (gapIn(layout, widget, axis) / factor) * (inside.length - 1);
  return [...named, ...others].join(' + ') + added(gaps, inside.length > 2 ? 'gaps' : 'gap');
}
