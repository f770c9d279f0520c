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

/** Something that was asked for, got or not; the same on every screen. */
export interface Demand {
  /** Index of the widget. */
  readonly widget: number;
  readonly axis: Axis;
  readonly demand: GaveWay['demand'];
  /** The widget in whose u the numbers are. */
  readonly unit: number;
  /** By how much it was not got in a layout, in u: above 0 where it gave way; of an aspect, on either of its sides. */
  readonly over: readonly ((layout: Layout) => number)[];
  readonly text: (layout: Layout) => string;
  readonly pointer: string;
}

/**
 * Every size and place in a layout that could not be as it was asked for (docs/layout-model.md 2.8).
 * @param demands Those of the tree.
 */
export function gaveWay(tree: Tree, layout: Layout, demands = demandsOf(tree)): GaveWay[] {
  return demands.flatMap(({ widget, axis, demand, over, text, pointer }) =>
    over.some((one) => one(layout) > 0) ? [{ widget, axis, demand, text: text(layout), pointer }] : [],
  );
}

/** Everything that is asked for in a tree. */
export function demandsOf(tree: Tree): readonly Demand[] {
  const flowing = new Map<number, Widget[]>();
  for (const { index, box, source } of tree.widgets)
    if ((box.arrange === 'row' || box.arrange === 'column') && !('scroll' in source)) flowing.set(index, []);
  for (const widget of tree.widgets) flowing.get(widget.parent)?.push(widget);
  return tree.widgets.flatMap((widget): readonly Demand[] => {
    const inside = flowing.get(widget.index) ?? [];
    return [
      ...(widget.index > 0
        ? [...limits(tree, widget, 'x'), ...limits(tree, widget, 'y'), ...aspect(widget)]
        : []),
      ...(inside.length > 0 ? [room(widget, inside, widget.box.arrange === 'row' ? 'x' : 'y')] : []),
    ];
  });
}

function limits(tree: Tree, widget: Widget, axis: Axis): readonly Demand[] {
  const { size } = words[axis];
  const box = widget.box[axis];
  const { index } = widget;
  const found: Demand[] = [];
  const lengthOn = (layout: Layout) => lengthOf(layout, index, axis) / layout.factor(index);
  if (box.max && box.max.share === 0) {
    const { u } = box.max;
    found.push({
      widget: index,
      axis,
      demand: 'maximum',
      unit: index,
      over: [(layout) => lengthOn(layout) - u - slack],
      text: (layout) =>
        `max-${size} ${shown(u)} gave way to its minimum or padding of ${shown(lengthOn(layout))} u`,
      pointer: keyPointer(widget, `max-${size}`),
    });
  }
  const parent = tree.widgets[widget.parent]!;
  if (!box.span || parent.box.arrange !== 'free' || widget.box.target !== undefined) return found;
  const betweenOn = (layout: Layout) => {
    const whole = roomFor({ tree, layout }, widget, axis).length / layout.factor(parent.index);
    const kept =
      box.insetStart.u + box.insetStart.share * whole + box.insetEnd.u + box.insetEnd.share * whole;
    return (box.anchorEnd - box.anchorStart) * whole - kept - box.marginStart - box.marginEnd;
  };
  const hasOn = (layout: Layout) => (lengthOn(layout) * layout.factor(index)) / layout.factor(parent.index);
  found.push({
    widget: index,
    axis,
    demand: 'inset',
    unit: parent.index,
    over: [(layout) => hasOn(layout) - betweenOn(layout) - slack],
    text: (layout) =>
      `its insets leave ${shown(betweenOn(layout))} u and gave way to a ${size} of ${shown(hasOn(layout))}`,
    pointer: keyPointer(widget, 'inset'),
  });
  return found;
}

function lengthOf(layout: Layout, index: number, axis: Axis): number {
  return axis === 'x' ? layout.widthInU(index) : layout.heightInU(index);
}

function aspect(widget: Widget): readonly Demand[] {
  const wanted = widget.box.aspect;
  if (wanted === 0) return [];
  const { index } = widget;
  const overOn = (layout: Layout, side: number) => {
    const width = layout.widthInU(index);
    return side * (width - layout.heightInU(index) * wanted) - slack * Math.max(1, width);
  };
  return [
    {
      widget: index,
      axis: 'y',
      demand: 'aspect',
      unit: 0,
      over: [(layout) => overOn(layout, 1), (layout) => overOn(layout, -1)],
      text: (layout) =>
        `aspect ${shown(wanted)} gave way to ${shown(layout.widthInU(index))} × ${shown(layout.heightInU(index))} u`,
      pointer: keyPointer(widget, 'aspect'),
    },
  ];
}

/** Children of a row or column that need more than there is. */
function room(widget: Widget, inside: readonly Widget[], axis: Axis): Demand {
  const { index } = widget;
  const hasOn = (layout: Layout) => {
    const inner = contentRoom(layout, widget);
    return (axis === 'x' ? inner.width : inner.height) / layout.factor(index);
  };
  const needsOn = (layout: Layout) => {
    const factor = layout.factor(index);
    let needs = (gapIn(layout, widget, axis) / factor) * (inside.length - 1);
    for (const child of inside) {
      const { marginStart, marginEnd } = child.box[axis];
      needs += lengthOf(layout, child.index, axis) / factor + marginStart + marginEnd;
    }
    return needs;
  };
  return {
    widget: index,
    axis,
    demand: 'room',
    unit: index,
    over: [(layout) => needsOn(layout) - hasOn(layout) - slack * inside.length],
    text: (layout) =>
      `its ${shown(hasOn(layout))} u gave way to children that need ${shown(needsOn(layout))}: ${termsOf(layout, widget, inside, axis)}`,
    pointer: widget.pointer,
  };
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
  const margins = inside.reduce((sum, { box }) => sum + box[axis].marginStart + box[axis].marginEnd, 0);
  return `${[...named, ...others].join(' + ')}${added(gaps, inside.length > 2 ? 'gaps' : 'gap')}${added(margins, 'margins')}`;
}
