import type { Tree, Widget } from '../build/index.ts';
import { innerWidth } from '../ink/index.ts';
import type { Layout, Rect } from '../layout/index.ts';

/** One link of the chain that leads from a number to what the author wrote. */
export interface Reason {
  readonly text: string;
  /** JSON Pointer of what was written. */
  readonly pointer: string;
}

export type Axis = 'x' | 'y';

/** A number as a reason shows it: at most two decimals. */
export function shown(value: number): string {
  return String(Math.round(value * 100) / 100 + 0);
}

const names = {
  x: { size: 'width', start: 'left', end: 'right', along: 'row' },
  y: { size: 'height', start: 'top', end: 'bottom', along: 'column' },
} as const;

/** Why a widget is as long as it is on one axis. All numbers are in u. */
export function whySize(tree: Tree, layout: Layout, index: number, axis: Axis): Reason[] {
  const widget = tree.widgets[index]!;
  const { size } = names[axis];
  const length = lengthOf(layout.rectInU(index), axis);
  const box = widget.box[axis];
  const own = (text: string, key?: string): Reason => ({
    text: `${size} ${shown(length)} u ${text}`,
    pointer: key === undefined ? widget.pointer : keyPointer(widget, key),
  });
  if (index === 0) return [own('is the surface')];
  const parent = tree.widgets[widget.parent]!;
  const room = roomOf(tree, layout, widget, axis);
  if (box.min && length <= box.min.u + box.min.share * room + 1e-9 && box.mode !== 'fixed') {
    return [own(`is held up by min-${size}`, `min-${size}`)];
  }
  if (box.max && length >= box.max.u + box.max.share * room - 1e-9)
    return [own(`is held down by max-${size}`, `max-${size}`)];
  if (box.mode === 'fixed') {
    const key = size in widget.source ? size : 'size';
    const { u, share } = box.size;
    if (share === 0) return [own('is what is said', key)];
    const rest = u === 0 ? '' : ` ${u < 0 ? '−' : '+'} ${shown(Math.abs(u))}`;
    return [own(`= ${shown(share * 100)} % of ${parent.id}'s ${shown(room)}${rest}`, key)];
  }
  const flow = parent.box.arrange;
  if (flow === 'free' && box.span && box.mode !== 'content') {
    return [
      own(
        `lies between its anchors ${shown(box.anchorStart * 100)} % and ${shown(box.anchorEnd * 100)} % of ${parent.id}, less its insets`,
        'anchor',
      ),
    ];
  }
  if (box.mode === 'fill' && flow !== names[axis].along) return [own(`fills ${parent.id}`, size)];
  if (box.mode === 'fill')
    return [own(`is its share (weight ${shown(box.weight)}) of what is left in ${parent.id}`, size)];
  if (
    flow !== 'free' &&
    flow !== names[axis].along &&
    box.mode === 'auto' &&
    (widget.box.alignSelf ?? parent.box.align) === 'stretch' &&
    widget.kind !== 'image'
  ) {
    return [own(`is stretched across ${parent.id}`)];
  }
  return [own(`is what its content needs${contentNote(tree, layout, widget, axis)}`)];
}

/** Why an edge of a widget is where it is. All numbers are in u, on the surface. */
export function whyEdge(
  tree: Tree,
  layout: Layout,
  index: number,
  axis: Axis,
  edge: 'start' | 'end',
): Reason[] {
  const widget = tree.widgets[index]!;
  const rect = layout.rectInU(index);
  const word = names[axis][edge];
  const at = edge === 'start' ? startOf(rect, axis) : startOf(rect, axis) + lengthOf(rect, axis);
  if (index === 0) return [{ text: `${word} edge ${shown(at)} u is the surface's`, pointer: widget.pointer }];
  const parent = tree.widgets[widget.parent]!;
  const box = widget.box[axis];
  if (parent.box.arrange !== 'free') {
    const place = `${word} edge ${shown(at)} u: placed by the ${parent.box.arrange} ${parent.id}`;
    return [{ text: place, pointer: parent.pointer }, ...whySize(tree, layout, index, axis)];
  }
  const room = roomOf(tree, layout, widget, axis);
  const reasons: Reason[] = [];
  if (box.span) {
    const inset = edge === 'start' ? box.insetStart : box.insetEnd;
    const anchor = edge === 'start' ? box.anchorStart : box.anchorEnd;
    const distance = inset.u + inset.share * room;
    const sign = edge === 'start' ? '+' : '−';
    reasons.push({
      text: `${word} edge ${shown(at)} u = ${shown(anchor * 100)} % of ${parent.id}'s ${shown(room)} ${sign} inset ${shown(distance)}`,
      pointer: keyPointer(widget, 'anchor'),
    });
  } else {
    const offset = box.offset.u + box.offset.share * room;
    const pivotSide = pivotWord(box.pivot, axis);
    reasons.push({
      text: `${word} edge ${shown(at)} u: its ${pivotSide} is put at ${shown(box.anchorStart * 100)} % of ${parent.id}'s ${shown(room)} ${offset < 0 ? '−' : '+'} offset ${shown(Math.abs(offset))}`,
      pointer: keyPointer(widget, widget.source && 'anchor' in widget.source ? 'anchor' : 'offset'),
    });
    reasons.push(...whySize(tree, layout, index, axis));
  }
  return reasons;
}

function pivotWord(pivot: number, axis: Axis): string {
  if (pivot === 0) return `${names[axis].start} edge`;
  if (pivot === 1) return `${names[axis].end} edge`;
  if (pivot === 0.5) return 'middle';
  return `point at ${shown(pivot * 100)} %`;
}

function contentNote(tree: Tree, layout: Layout, widget: Widget, axis: Axis): string {
  if (widget.text) {
    if (axis === 'x') return ' (its text)';
    const lines = widget.text.linesAt(innerWidth(layout, widget)).length;
    return lines === 1 ? ' (one line of text)' : ` (${lines} lines of text)`;
  }
  if (widget.picture) return ' (its picture)';
  let longest: Widget | undefined;
  let most = 0;
  for (const child of tree.widgets) {
    if (child.parent !== widget.index) continue;
    const length = lengthOf(layout.rectInU(child.index), axis);
    if (length > most) {
      most = length;
      longest = child;
    }
  }
  return longest ? ` (its longest child, ${longest.id}, has ${shown(most)})` : '';
}

/** The content length of the parent a widget is placed in, in u. */
function roomOf(tree: Tree, layout: Layout, widget: Widget, axis: Axis): number {
  const parent = tree.widgets[widget.parent]!;
  const outer = lengthOf(layout.rectInU(parent.index), axis);
  if (parent.index === 0 && widget.box.full) return outer;
  const { safe } = layout.frame;
  const taken = parent.index === 0 ? (axis === 'x' ? safe.left + safe.right : safe.top + safe.bottom) : 0;
  return outer - taken - parent.box[axis].paddingStart - parent.box[axis].paddingEnd;
}

function keyPointer(widget: Widget, key: string): string {
  return key in widget.source ? `${widget.pointer}/${key}` : widget.pointer;
}

function startOf(rect: Rect, axis: Axis): number {
  return axis === 'x' ? rect.x : rect.y;
}

function lengthOf(rect: Rect, axis: Axis): number {
  return axis === 'x' ? rect.width : rect.height;
}

/** Everything there is to say of a widget's place on one screen: scale, conditions, then each edge and size. */
export function whyWidget(
  tree: Tree,
  layout: Layout,
  index: number,
): { readonly what: string; readonly reasons: readonly Reason[] }[] {
  const { frame } = layout;
  const widget = tree.widgets[index]!;
  const scale: Reason = {
    text: `1 u is ${shown(frame.scale)} px on ${frame.screen.name}, so the surface is ${shown(frame.width)} × ${shown(frame.height)} u`,
    pointer: '/reference',
  };
  const around = new Set<string>();
  for (let at: Widget | undefined = widget; at; at = tree.widgets[at.parent]) around.add(at.pointer);
  const applied = tree.applied
    .filter((pointer) => around.has(pointer.slice(0, pointer.lastIndexOf('/when/'))))
    .map((pointer) => ({ text: 'this condition holds on this screen', pointer }));
  return [
    { what: 'scale', reasons: [scale, ...applied] },
    { what: 'left', reasons: whyEdge(tree, layout, index, 'x', 'start').slice(0, 1) },
    { what: 'right', reasons: whyEdge(tree, layout, index, 'x', 'end').slice(0, 1) },
    { what: 'width', reasons: whyDown(tree, layout, index, 'x') },
    { what: 'top', reasons: whyEdge(tree, layout, index, 'y', 'start').slice(0, 1) },
    { what: 'bottom', reasons: whyEdge(tree, layout, index, 'y', 'end').slice(0, 1) },
    { what: 'height', reasons: whyDown(tree, layout, index, 'y') },
  ];
}

/** A size and, where it is the parent's doing, the parent's size, up to what somebody wrote. */
function whyDown(tree: Tree, layout: Layout, index: number, axis: Axis): Reason[] {
  const reasons: Reason[] = [];
  for (let at = tree.widgets[index]; at; at = tree.widgets[at.parent]) {
    const name = at.index === index ? '' : `${at.id}: `;
    const found = whySize(tree, layout, at.index, axis);
    reasons.push(...found.map((reason) => ({ ...reason, text: name + reason.text })));
    if (!/share|stretched|fills|%|between its anchors/.test(found[0]!.text)) break;
  }
  return reasons;
}
