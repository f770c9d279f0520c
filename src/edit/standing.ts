import type { Widget } from '../dress/index.ts';
import type { WidgetSource } from '../document/index.ts';
import { contentRoom } from '../inside/index.ts';
import type { Rect } from '../layout/index.ts';
import { makeScreen, type Screen } from '../screen/index.ts';
import type { View, ViewLayout } from '../view/index.ts';
import { EditError } from './edit-error.ts';

/** Where a widget stands in its parent. */
export interface Standing {
  readonly widget: Widget;
  readonly parent: Widget;
  /** Its border box, and the box it is placed in, in u of its parent: what its place is written in. */
  readonly own: Rect;
  readonly room: Rect;
  /** How many u of its parent one of its own is; its size is written in its own. */
  readonly ownUnit: number;
  readonly source: WidgetSource;
  readonly pointer: string;
}

/** The screen a view is designed on. */
export function referenceScreen(view: View): Screen {
  return makeScreen({ width: view.reference.width, height: view.reference.height });
}

/** Where a widget that is written in the view itself stands. @throws EditError where it is not. */
export function standingOf(on: ViewLayout, id: string): Standing {
  const widget = on.widgets[on.indexOf(id)]!;
  if (widget.index === 0) throw new EditError('the view itself stands in nothing');
  if (!widget.pointer.startsWith('/views/'))
    throw new EditError(`"${id}" is written in a component, for all its instances`);
  const parent = on.widgets[widget.parent]!;
  const unit = on.layout.factor(parent.index);
  return {
    widget,
    parent,
    own: scaled(on.layout.rectInU(widget.index), 1 / unit),
    room: roomIn(on, parent, widget.box.full),
    ownUnit: on.layout.factor(widget.index) / unit,
    source: widget.source,
    pointer: widget.pointer,
  };
}

/** The box the children of a widget are placed in, in its u; a child of the view may ask for the full surface. */
export function roomIn({ layout }: ViewLayout, parent: Widget, full: boolean): Rect {
  return scaled(contentRoom(layout, parent, full), 1 / layout.factor(parent.index));
}

/** A widget that is placed by its anchor. @throws EditError where something else places it. */
export function anchoredStanding(on: ViewLayout, id: string): Standing {
  const standing = standingOf(on, id);
  const { arrange } = standing.parent.box;
  if (arrange !== 'free')
    throw new EditError(`"${id}" has no anchor: its parent arranges its children in a ${arrange}`);
  const { target } = standing.widget.box;
  if (target !== undefined) throw new EditError(`"${id}" is anchored to ${target}, not to its parent`);
  return standing;
}

function scaled({ x, y, width, height }: Rect, by: number): Rect {
  return { x: x * by, y: y * by, width: width * by, height: height * by };
}
