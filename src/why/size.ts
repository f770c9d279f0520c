import type { Widget } from '../dress/index.ts';
import { paddingEnd, paddingStart } from '../inside/index.ts';
import { cellOf, isSetTrack, isStretched, trackNote } from './cell.ts';
import { contentNote } from './content.ts';
import { lineHeight, shareIn } from './line.ts';
import {
  added,
  extent,
  keyPointer,
  roomFor,
  shown,
  words,
  type Axis,
  type Reason,
  type Solved,
} from './reason.ts';

/** A reason, and whether it ends at what the author wrote or goes on with the size of the parent. */
export interface SizeReason extends Reason {
  readonly follows: 'parent' | 'written';
}

/** Why a widget is as long as it is on one axis, in its own u. */
export function sizeReason(scene: Solved, index: number, axis: Axis): SizeReason {
  const { tree, layout } = scene;
  const widget = tree.widgets[index]!;
  const { size } = words[axis];
  const factor = layout.factor(index);
  const length = extent(scene, index, axis).length / factor;
  const box = widget.box[axis];
  const reason = (text: string, follows: SizeReason['follows'], ...keys: readonly string[]): SizeReason => ({
    text: `${size} ${shown(length)} u ${text}`,
    pointer: keyPointer(widget, ...keys),
    follows,
  });
  if (index === 0) return reason('is the surface', 'written');
  const parent = tree.widgets[widget.parent]!;
  const whole = roomFor(scene, widget, axis);
  // In a grid, shares are those of a cell, and in a wrap those of the height of a line.
  const cell = cellOf(scene, widget, axis);
  const isLine = axis === 'y' && parent.box.arrange === 'wrap' && widget.box.target === undefined;
  const line = isLine ? { name: `its line of ${parent.id}`, length: lineHeight(scene, widget) } : undefined;
  const within = cell ?? line;
  const around = within ? { ...whole, ...within } : whole;
  const room = around.length / factor;
  const inCell = (verb: string): SizeReason => {
    const text = `${verb} ${around.name}${trackNote(scene, widget, axis, room, whole.length / factor)}`;
    const said = reason(text, 'parent', size, 'size');
    // A column that is set is as long whatever the grid is.
    const pointer = keyPointer(parent, axis === 'x' ? 'columns' : 'rows', 'arrange');
    return isSetTrack(scene, widget, axis) ? { ...said, pointer, follows: 'written' } : said;
  };
  const limit = (key: 'min' | 'max', verb: string): SizeReason | undefined => {
    const said = box[key];
    if (!said) return undefined;
    const value = said.u + said.share * room;
    const reached = Math.abs(length - value) <= 1e-6;
    if (!reached || (box.mode === 'fixed' && Math.abs(box.size.u + box.size.share * room - length) < 1e-9))
      return undefined;
    return reason(
      `is held ${verb} by ${key}-${size} ${shown(value)}`,
      said.share === 0 ? 'written' : 'parent',
      `${key}-${size}`,
    );
  };
  const held = limit('min', 'up') ?? limit('max', 'down') ?? carriedReason(scene, widget, axis, length);
  if (held) return held;
  const [before, after] = [paddingStart(layout, widget, axis), paddingEnd(layout, widget, axis)];
  if (length > 0 && Math.abs(length - (before + after) / factor) < 1e-9 && box.mode !== 'content')
    return reason(
      `is its padding, ${shown(before / factor)} + ${shown(after / factor)}`,
      'written',
      'padding',
      'look',
      'style',
    );
  if (box.mode === 'fixed') {
    const { u, share } = box.size;
    if (share === 0)
      return {
        ...reason('', 'written', size, 'size'),
        text: `${size} is set to ${shown(length)} u`,
      };
    const known = within ? `the ${shown(room)} u of ${around.name}` : `${around.name}'s ${shown(room)}`;
    const of = Number.isNaN(room) ? around.name : known;
    return reason(`= ${shown(share * 100)} % of ${of}${added(u)}`, 'parent', size, 'size');
  }
  if (widget.box.aspect > 0 && followsAspect(widget, axis))
    return reason(
      `follows from its ${words[axis === 'x' ? 'y' : 'x'].size} by its aspect ${shown(widget.box.aspect)}`,
      'written',
      'aspect',
    );
  const flow = widget.box.target === undefined ? parent.box.arrange : 'free';
  if (flow === 'free' && box.span && box.mode !== 'content') {
    const end = roomFor(scene, widget, axis, 'end');
    if (end.name !== around.name) {
      const insets = [
        box.insetStart.u + box.insetStart.share * room,
        box.insetEnd.u + (box.insetEnd.share * end.length) / factor,
      ];
      return reason(
        `lies between ${shown(box.anchorStart * 100)} % of ${around.name} and ${shown(box.anchorEnd * 100)} % of ${end.name}${added(-insets[0]!, 'inset')}${added(-insets[1]!, 'inset')}`,
        'written',
        'anchor-to',
        'anchor',
      );
    }
    return reason(
      `lies between ${shown(box.anchorStart * 100)} % and ${shown(box.anchorEnd * 100)} % of ${around.name}'s ${shown(room)}${added(-(box.insetStart.u + box.insetStart.share * room), 'inset')}${added(-(box.insetEnd.u + box.insetEnd.share * room), 'inset')}`,
      'parent',
      'anchor',
    );
  }
  const along = flow === words[axis].along || (flow === 'wrap' && axis === 'x');
  if (box.mode === 'fill') {
    if (along) return reason(shareOf(scene, widget, parent, axis, room), 'parent', size, 'size');
    if (cell) return inCell('fills');
    const all = Number.isNaN(room) ? '' : `the ${shown(room)} of `;
    return reason(`fills ${all}${around.name}`, 'parent', size, 'size');
  }
  const cells = flow === 'grid' || flow === 'layers' || flow === 'pages';
  if (flow !== 'free' && !along && box.mode === 'auto' && isStretched(widget, parent, axis, cells)) {
    const where = flow === 'wrap' ? `its line of ${parent.id}` : parent.id;
    return cell ? inCell('is stretched across') : reason(`is stretched across ${where}`, 'parent');
  }
  return reason(`is what its content needs${contentNote(scene, widget, axis)}`, 'written', size, 'size');
}

/** A limit of the other axis that holds this one through the aspect (docs/layout-model.md 2.6). */
function carriedReason(scene: Solved, widget: Widget, axis: Axis, length: number): SizeReason | undefined {
  const { aspect } = widget.box;
  const other = axis === 'x' ? 'y' : 'x';
  const box = widget.box[other];
  const isSaid = widget.box[axis].mode === 'fixed' && widget.box[axis].size.share === 0;
  if (!(aspect > 0) || isSaid || box.mode === 'fixed' || box.mode === 'fill') return undefined;
  const room = roomFor(scene, widget, other).length / scene.layout.factor(widget.index);
  const ratio = axis === 'x' ? aspect : 1 / aspect;
  for (const key of ['min', 'max'] as const) {
    const said = box[key];
    const value = said && said.u + said.share * room;
    if (value === undefined || Math.abs(value * ratio - length) > 1e-9) continue;
    const name = `${key}-${words[other].size}`;
    return {
      text: `${words[axis].size} ${shown(length)} u is held by ${name} ${shown(value)} and its aspect ${shown(aspect)}`,
      pointer: keyPointer(widget, name),
      follows: said!.share === 0 ? 'written' : 'parent',
    };
  }
  return undefined;
}

/** Whether the aspect decides this axis: the other one is said, and this one is not. */
function followsAspect({ box }: Widget, axis: Axis): boolean {
  const other = box[axis === 'x' ? 'y' : 'x'];
  return (
    box[axis].mode === 'auto' && (other.mode !== 'auto' || (other.span && !box[axis].span) || axis === 'y')
  );
}

function shareOf(scene: Solved, widget: Widget, parent: Widget, axis: Axis, room: number): string {
  const { weights, left } = shareIn(scene, widget, axis);
  const { weight } = widget.box[axis];
  const share = weights === weight ? 'all' : `${shown(weight)} of ${shown(weights)} shares`;
  return `is ${share} of the ${shown(left / scene.layout.factor(widget.index))} u left of ${parent.id}'s ${shown(room)}`;
}
