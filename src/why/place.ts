import { anchorTargets } from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import type { WidgetSource } from '../document/index.ts';
import { gapIn } from '../inside/index.ts';
import { firstFrom } from '../scene/index.ts';
import {
  added,
  childrenIn,
  kept,
  extent,
  keyPointer,
  roomFor,
  targetsIn,
  scrolls,
  shown,
  words,
  type Axis,
  type Reason,
  type Solved,
} from './reason.ts';

export type Edge = 'start' | 'end';

/** A reason, and what else the edge follows from: another of the widget's lengths, or where its parent starts. */
export interface EdgeReason extends Reason {
  readonly follows: readonly ('start' | 'size' | 'parent')[];
}

/** Why an edge of a widget is where it is on the surface, in u of its parent. */
export function edgeReason(scene: Solved, index: number, axis: Axis, edge: Edge): EdgeReason {
  const { tree, layout } = scene;
  const widget = tree.widgets[index]!;
  const { start, length } = extent(scene, index, axis);
  const around = index === 0 ? 1 : layout.factor(widget.parent);
  const at = (edge === 'start' ? start : start + length) / around;
  const head = `${words[axis][edge]} edge ${shown(at)} u`;
  if (index === 0) return { text: `${head} is the surface's`, pointer: widget.pointer, follows: [] };
  const parent = tree.widgets[widget.parent]!;
  if (
    edge === 'end' &&
    !(isFree(parent, widget) && (widget.box[axis].span || widget.box[axis].pivot === 1))
  ) {
    const own = words[axis];
    return {
      text: `${head} = ${own.start} edge ${shown(start / around)} + ${own.size} ${shown(length / around)}`,
      pointer: widget.pointer,
      follows: ['start', 'size'],
    };
  }
  if (isFree(parent, widget)) return anchored(scene, widget, axis, edge, head);
  const placed = inFlow(scene, widget, parent, axis);
  const scrolled = scrolls(parent) ? ', scrolled' : '';
  return { text: `${head} ${placed.text}${scrolled}`, pointer: placed.pointer, follows: ['parent'] };
}

function isFree(parent: Widget, widget: Widget): boolean {
  return parent.box.arrange === 'free' || widget.box.target !== undefined;
}

function anchored(scene: Solved, widget: Widget, axis: Axis, edge: Edge, head: string): EdgeReason {
  const { layout } = scene;
  const around = layout.factor(widget.parent);
  const place = roomFor(scene, widget, axis, widget.box[axis].span ? edge : 'start');
  const [from, room] = [place.start / around, place.length / around];
  const box = widget.box[axis];
  const { safe } = layout.frame;
  const safely =
    widget.parent === 0 && place.name !== 'the surface' && (axis === 'x' ? safe.left : safe.top) > 0;
  const base = from === 0 ? '' : `${shown(from)}${safely ? ' (safe inset)' : ''} + `;
  const own = extent(scene, widget.index, axis).length / around;
  const margin = added(edge === 'start' ? box.marginStart : -box.marginEnd, 'margin');
  if (box.span) {
    const inset = edge === 'start' ? box.insetStart : box.insetEnd;
    const anchor = edge === 'start' ? box.anchorStart : box.anchorEnd;
    const distance = (inset.u + inset.share * room) * (edge === 'start' ? 1 : -1);
    // Of one that does not lie all along its span, the pivot says where it lies (equation 3.2).
    const ends = (['start', 'end'] as const).map((one) => endOfSpan(scene, widget, axis, one));
    const spare = ends[1]! - ends[0]! - own;
    const share = edge === 'start' ? box.pivot : box.pivot - 1;
    const aside = added(share * spare, `(${part(Math.abs(share))} of what is left over: its pivot)`);
    return {
      text: `${head} = ${base}${shown(anchor * 100)} % of ${place.name}'s ${shown(room)}${added(distance, 'inset')}${margin}${aside}`,
      pointer: keyPointer(widget, 'anchor', 'inset'),
      follows: aside === '' ? [] : ['size'],
    };
  }
  const offset = box.offset.u + box.offset.share * room;
  const back = edge === 'end' ? 0 : -box.pivot * (own + box.marginStart + box.marginEnd);
  return {
    text: `${head} = ${base}${shown(box.anchorStart * 100)} % of ${place.name}'s ${shown(room)}${added(offset, 'offset')}${margin}${added(back, `(${part(box.pivot)} of its ${words[axis].size}: its pivot)`)}`,
    pointer: keyPointer(widget, 'anchor', 'offset', 'pivot'),
    follows: back === 0 ? [] : ['size'],
  };
}

/** A share in words. */
function part(share: number): string {
  return share === 1 ? 'all' : share === 0.5 ? 'half' : `${shown(share * 100)} %`;
}

/** Where a span starts or ends for a widget, without its margins; in u of its parent. */
function endOfSpan(scene: Solved, widget: Widget, axis: Axis, edge: Edge): number {
  const around = scene.layout.factor(widget.parent);
  const place = roomFor(scene, widget, axis, edge);
  const [from, room] = [place.start / around, place.length / around];
  const box = widget.box[axis];
  return edge === 'start'
    ? from + box.anchorStart * room + box.insetStart.u + box.insetStart.share * room + box.marginStart
    : from + box.anchorEnd * room - box.insetEnd.u - box.insetEnd.share * room - box.marginEnd;
}

/** Where a row, column, wrap, grid or layers put the start of a child. */
function inFlow(scene: Solved, widget: Widget, parent: Widget, axis: Axis): Reason {
  const { layout } = scene;
  const { arrange } = parent.box;
  const factor = layout.factor(parent.index);
  const room = roomFor(scene, widget, axis);
  const start = extent(scene, widget.index, axis).start;
  const beyond = (start - room.start) / factor - widget.box[axis].marginStart;
  const name = `the ${arrange} ${parent.id}`;
  if (arrange === words[axis].along) return alongLine(scene, widget, parent, axis, beyond);
  if (arrange === 'grid') {
    const { column, row } = layout.cell(widget.index);
    const cell = axis === 'x' ? `column ${column + 1}` : `row ${row + 1}`;
    return {
      text: `= ${shown(room.start / factor)} + ${shown(beyond)} to ${cell} of ${name}${added(widget.box[axis].marginStart, 'margin')}`,
      pointer: keyPointer(parent, axis === 'x' ? 'columns' : 'rows', 'arrange'),
    };
  }
  if (arrange === 'wrap') {
    const what = axis === 'x' ? 'along its line' : 'to its line';
    return {
      text: `= ${shown(room.start / factor)} + ${shown(beyond)} ${what} of ${name}${added(widget.box[axis].marginStart, 'margin')}`,
      pointer: keyPointer(parent, 'arrange'),
    };
  }
  const cells = arrange === 'layers' || arrange === 'pages';
  const [self, key, general] =
    cells && axis === 'x'
      ? [widget.box.justifySelf ?? parent.box.justify, 'justify-self', 'justify']
      : [widget.box.alignSelf ?? parent.box.align, 'align-self', 'align'];
  const own = key in widget.source;
  return {
    text: `= ${shown(room.start / factor)} of ${name}${added(beyond, `(${general} ${self})`)}${added(widget.box[axis].marginStart, 'margin')}`,
    pointer: own ? keyPointer(widget, key) : keyPointer(parent, general, 'arrange'),
  };
}

/** Along a row or column: what stands before, the gaps, and what is left over for justify. */
function alongLine(scene: Solved, widget: Widget, parent: Widget, axis: Axis, beyond: number): Reason {
  const { layout } = scene;
  const factor = layout.factor(parent.index);
  const room = roomFor(scene, widget, axis);
  const {
    starts,
    taken: sums,
    ids,
  } = kept(scene, `why-line ${parent.index} ${axis}`, () => standingIn(scene, parent, axis));
  const count = firstFrom(starts, extent(scene, widget.index, axis).start);
  const taken = sums[count]!;
  const gaps = (gapIn(layout, parent, axis) / factor) * count;
  const rest = beyond - taken - gaps;
  const what = count === 1 ? ids[0]! : `of ${count} children before`;
  return {
    text: `= ${shown(room.start / factor)} of the ${parent.box.arrange} ${parent.id}${added(taken, what)}${added(gaps, count > 1 ? 'gaps' : 'gap')}${added(rest, `justify ${parent.box.justify}`)}${added(widget.box[axis].marginStart, 'margin')}`,
    pointer:
      Math.abs(rest) > 0.005 ? keyPointer(parent, 'justify', 'arrange') : keyPointer(parent, 'arrange'),
  };
}

/** The children of a row or column as they stand: where each starts, and what those before it take with their margins. */
function standingIn(scene: Solved, parent: Widget, axis: Axis) {
  const factor = scene.layout.factor(parent.index);
  const line = childrenIn(scene, parent.index)
    .map(({ index, id, box }) => {
      const { start, length } = extent(scene, index, axis);
      return { id, start, takes: length / factor + box[axis].marginStart + box[axis].marginEnd };
    })
    .sort((one, other) => one.start - other.start);
  const taken = [0];
  for (const { takes } of line) taken.push(taken.at(-1)! + takes);
  return { starts: Float64Array.from(line, ({ start }) => start), taken, ids: line.map(({ id }) => id) };
}

/** What else decides where a widget stands on an axis and is seen in none of the numbers. */
export function circumstances(scene: Solved, index: number, axis: Axis): Reason[] {
  const { tree } = scene;
  const widget = tree.widgets[index]!;
  const parent = tree.widgets[widget.parent];
  if (!parent) return [];
  const { source, box } = widget;
  const found: Reason[] = [];
  const target = 'anchor-to' in source ? source['anchor-to'] : undefined;
  if (target !== undefined && targetsIn(scene, widget).target === undefined) {
    const gone = anchorTargets(target).filter((name) => !tree.widgets.some(({ id }) => id === name));
    found.push({
      text: `it is anchored to ${gone.join(' and ')}, which is not there, and so to ${parent.id}`,
      pointer: keyPointer(widget, 'anchor-to'),
    });
  }
  if (box.full && widget.parent === 0)
    found.push({
      text: 'area: full gives it the whole surface, without what is kept safe',
      pointer: keyPointer(widget, 'area'),
    });
  if (axis === 'x' && parent.box.rightToLeft && followsWriting(widget, parent))
    found.push({
      text: `${parent.id} goes from right to left here, so that start is right`,
      pointer: keyPointer(parent, 'direction'),
    });
  return found;
}

/** Whether the direction of writing decides where a widget stands. */
function followsWriting(widget: Widget, parent: Widget): boolean {
  const { anchor, pivot, inset } = widget.source as WidgetSource;
  if (!isFree(parent, widget)) return parent.box.arrange !== 'column';
  return [anchor, pivot, inset].some((said) => /\b(start|end)\b/.test(JSON.stringify(said ?? '')));
}
