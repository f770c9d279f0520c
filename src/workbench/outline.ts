import {
  directions,
  readAnchor,
  type CheckedDocument,
  type Kind,
  type Range,
  type WidgetSource,
} from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import { holdsWidgets, placeInList } from '../edit/index.ts';
import { clips, contentRoom, turnOf, type Matrix } from '../inside/index.ts';
import { FocusField, focusGround } from '../input/index.ts';
import type { Rect } from '../layout/index.ts';
import type { ViewLayout } from '../view/index.ts';

/** A widget on a screen, as plain data: what a tree, a pointer and handles ask for. Rectangles are in device px. */
export interface OutlineRow {
  readonly index: number;
  readonly id: string;
  /** False for one that was given no id: its name follows from its place. */
  readonly isNamed: boolean;
  readonly kind: Kind;
  readonly component: string | undefined;
  readonly parent: number;
  readonly depth: number;
  /** Its border box, before it is turned. */
  readonly rect: Rect;
  /** How it and what it is in are turned. */
  readonly turn: Matrix | undefined;
  /** The box it is placed in. */
  readonly room: Rect;
  /** Device px that one u of its parent, and one of its own, is. */
  readonly unit: number;
  readonly ownUnit: number;
  /** Where it is tied in its room, as shares: undefined where its parent places it. */
  readonly anchor:
    | {
        readonly x0: number;
        readonly x1: number;
        readonly y0: number;
        readonly y1: number;
        readonly logical: boolean;
        readonly turned: boolean;
      }
    | undefined;
  readonly pivot: { readonly x: number; readonly y: number };
  /** How its parent places it. */
  readonly arranged: string;
  /** Whether a row, a grid or another arrangement places it, and not its anchor. */
  readonly isPlaced: boolean;
  /** Whether widgets can be put into it. */
  readonly holds: boolean;
  /** How it arranges its children. */
  readonly arrange: string;
  /** Written in a component, for all its instances. */
  readonly isShared: boolean;
  /** How many of it there are where a list makes it. */
  readonly isRepeated: boolean;
  readonly isHidden: boolean;
  /** Whether it shows something itself. */
  readonly shows: boolean;
  /** Whether what reaches out of it is cut off. */
  readonly clips: boolean;
  readonly text: string | undefined;
  /** Findings of it that are meant, by check, with the reason. */
  readonly accept: { readonly [check: string]: string } | undefined;
  readonly rotate: number;
  readonly pointer: string;
  /** Its place among the children it is written with. */
  readonly place: number | undefined;
  readonly line: number | undefined;
  /** Where it stands in the text, in UTF-16 units. */
  readonly range: Range | undefined;
}

/** A view on a screen as plain data. */
export interface Outline {
  readonly screen: string;
  readonly width: number;
  readonly height: number;
  /** Device px of one u. */
  readonly scale: number;
  /** The surface in u. */
  readonly surface: { readonly width: number; readonly height: number };
  /** In device px. */
  readonly safe: Rect;
  readonly frame: Rect;
  readonly rows: readonly OutlineRow[];
  /** Indexes in drawing order. */
  readonly order: readonly number[];
  /** Controls in the order that Tab visits them. */
  readonly focus: readonly number[];
  /** Where a pad or arrow keys go from a control: up, right, down, left. */
  readonly ways: readonly { readonly from: number; readonly to: number; readonly direction: string }[];
}

/** Describes every widget of a laid out view. */
export function outlineOf(document: CheckedDocument, on: ViewLayout): Outline {
  const { layout, screen, widgets, tree } = on;
  const { frame } = layout;
  const scale = frame.scale;
  const rows: OutlineRow[] = [];
  for (const widget of widgets) rows.push(rowOf(document, on, widget, rows));
  const surface = layout.rect(0);
  return {
    screen: screen.name,
    width: screen.width,
    height: screen.height,
    scale,
    surface: { width: frame.width, height: frame.height },
    safe: {
      x: screen.safe.left,
      y: screen.safe.top,
      width: Math.max(0, screen.width - screen.safe.left - screen.safe.right),
      height: Math.max(0, screen.height - screen.safe.top - screen.safe.bottom),
    },
    frame: surface,
    rows,
    order: tree.order,
    ...focusOf(on),
  };
}

/** Where the focus goes, by the rules of a running game. */
function focusOf(on: ViewLayout): Pick<Outline, 'focus' | 'ways'> {
  const field = new FocusField(focusGround(on.tree, on.layout, (id) => on.find(id)));
  const focus: number[] = [];
  const [first] = field.usable;
  let at = first === undefined ? undefined : (field.firstIn(field.scopeOf(first)) ?? first);
  while (at !== undefined && !focus.includes(at)) {
    focus.push(at);
    at = field.beside(at, 1);
  }
  const ways = focus.flatMap((from) =>
    directions.flatMap((direction) => {
      const to = field.declared(from, direction) ?? field.toward(from, direction);
      return to === undefined ? [] : [{ from, to, direction: direction.slice('nav-'.length) }];
    }),
  );
  return { focus, ways };
}

function rowOf(
  document: CheckedDocument,
  on: ViewLayout,
  widget: Widget,
  before: readonly OutlineRow[],
): OutlineRow {
  const { layout, widgets } = on;
  const { index, box, look, kind } = widget;
  const source = widget.source as WidgetSource;
  const outer = before[widget.parent];
  const parent = widgets[Math.max(0, widget.parent)]!;
  const own = turnOf(widget, layout);
  const arranged = outer === undefined ? 'screen' : parent.box.arrange;
  const isFree = arranged === 'free' && box.target === undefined;
  const room = outer === undefined ? layout.rect(0) : inPx(on, contentRoom(layout, parent, box.full));
  const { range, source: text } = document.origin.at(widget.pointer);
  const logical =
    source.anchor === undefined ? kind !== 'dialog' : readAnchor(source.anchor)?.x.logical === true;
  return {
    index,
    id: widget.id,
    isNamed: widget.name !== undefined,
    kind,
    component: source.use,
    parent: widget.parent,
    depth: outer === undefined ? 0 : outer.depth + 1,
    rect: layout.rect(index),
    turn: outer?.turn ? (own ? product(outer.turn, own) : outer.turn) : own,
    room,
    unit: layout.scale(parent.index),
    ownUnit: layout.scale(index),
    anchor: isFree
      ? {
          x0: box.x.anchorStart,
          x1: box.x.anchorEnd,
          y0: box.y.anchorStart,
          y1: box.y.anchorEnd,
          logical,
          turned: logical && box.rightToLeft,
        }
      : undefined,
    pivot: { x: box.x.pivot, y: box.y.pivot },
    arranged:
      isFree || arranged !== 'free'
        ? arranged
        : `anchored to ${[box.target, box.targetEnd].filter((one) => one !== undefined).join(' and ')}`,
    isPlaced: outer !== undefined && arranged !== 'free',
    holds: holdsWidgets(kind) && source.use === undefined && !widget.pointer.startsWith('/components/'),
    arrange: box.arrange,
    isShared: widget.pointer.startsWith('/components/'),
    isRepeated: source.repeat !== undefined,
    isHidden: widget.hidden || !widget.visible,
    shows:
      kind !== 'panel' ||
      widget.picture !== undefined ||
      look.background !== undefined ||
      look.borderWidth > 0,
    clips: clips(widget),
    text: widget.text?.text,
    accept: source.accept,
    rotate: source.rotate ?? 0,
    pointer: widget.pointer,
    place: placeInList(widget.pointer)?.at,
    line: text && range ? text.placeOf(range.start).line : undefined,
    range,
  };
}

/** A rectangle of the surface in device px. */
function inPx({ layout }: ViewLayout, { x, y, width, height }: Rect): Rect {
  const surface = layout.rect(0);
  const { scale } = layout.frame;
  return { x: surface.x + x * scale, y: surface.y + y * scale, width: width * scale, height: height * scale };
}

function product([a, b, c, d, e, f]: Matrix, [g, h, i, j, k, l]: Matrix): Matrix {
  return [a * g + c * h, b * g + d * h, a * i + c * j, b * i + d * j, a * k + c * l + e, b * k + d * l + f];
}
