import type { Widget } from '../dress/index.ts';
import type { Layout, Rect } from '../layout/index.ts';
import { paddingEnd, paddingStart } from './room.ts';
import type { SetText, TextLine } from '../text/index.ts';
import { movedAlong, typedLength } from './typed-text.ts';

/** A line of text and where its baseline starts, in u of the view on the surface. */
export interface PlacedLine {
  readonly line: TextLine;
  readonly x: number;
  readonly baseline: number;
}

/** A text in its widget, in u on the surface. */
export interface PlacedText {
  readonly lines: readonly PlacedLine[];
  /** How many u of the view one u of a line is. */
  readonly unit: number;
  /** What the font size was multiplied by so that the text fits. */
  readonly shrink: number;
  /** The rectangle around the outlines of all lines; without area where nothing is drawn. */
  readonly ink: Rect;
}

/** The width of the inside of a widget, in its own u: what its text breaks in. */
export function innerWidth(layout: Layout, widget: Widget): number {
  const room =
    layout.widthInU(widget.index) - paddingStart(layout, widget, 'x') - paddingEnd(layout, widget, 'x');
  return Math.max(0, room) / layout.factor(widget.index);
}

/** The height of the inside of a widget, in its own u. */
export function innerHeight(layout: Layout, widget: Widget): number {
  const room =
    layout.heightInU(widget.index) - paddingStart(layout, widget, 'y') - paddingEnd(layout, widget, 'y');
  return Math.max(0, room) / layout.factor(widget.index);
}

/** The text of a widget as it is set in the room it has: broken, shrunk and shortened. */
export function setText(widget: Widget, layout: Layout): SetText {
  return widget.text!.setIn(innerWidth(layout, widget), innerHeight(layout, widget));
}

/** Where the lines of a text start in its widget, aligned as its look says; lengths in u of the view. */
interface Setting {
  readonly lines: readonly TextLine[];
  readonly shrink: number;
  /** How many u of the view one u of a line is. */
  readonly unit: number;
  readonly lineHeight: number;
  readonly top: number;
  readonly inner: number;
  readonly room: number;
  /** The share of what a line leaves of the room that stands before it. */
  readonly share: number;
  /** How far the lines are moved to the right of that, and seen in the room alone; undefined where they are seen as they are. */
  readonly moved: number | undefined;
  /** How long what is typed is, with the spaces at its end; undefined of any other text. */
  readonly typed: number | undefined;
  readonly rightToLeft: boolean;
  /** From the top of a line. */
  readonly baseline: number;
}

function settingOf(widget: Widget, layout: Layout): Setting {
  const text = widget.text!;
  const rect = layout.rectInU(widget.index);
  const factor = layout.factor(widget.index);
  const [left, above] = [paddingStart(layout, widget, 'x'), paddingStart(layout, widget, 'y')];
  const room = rect.width - (left + paddingEnd(layout, widget, 'x'));
  const roomY = rect.height - (above + paddingEnd(layout, widget, 'y'));
  const { lines, shrink } = setText(widget, layout);
  const unit = factor * shrink;
  const lineHeight = text.lineHeight * unit;
  const spare = roomY - lines.length * lineHeight;
  const top = rect.y + above + spare * shares[widget.look.alignContent];
  const inner = rect.x + left;
  const { rightToLeft } = widget.box;
  const by = movedAlong(widget, room / unit);
  const share = by !== undefined ? (rightToLeft ? 1 : 0) : heldShare(widget);
  const moved = by === undefined ? undefined : (rightToLeft ? by : -by) * unit;
  const long = typedLength(widget);
  const typed = long === undefined ? undefined : long * unit;
  const baseline = text.baseline * unit;
  return { lines, shrink, unit, lineHeight, top, inner, room, share, moved, typed, rightToLeft, baseline };
}

/** Where a line of a text starts. */
function startOf(
  { inner, room, share, moved = 0, typed, rightToLeft, unit }: Setting,
  line: TextLine,
): number {
  const width = line.width * unit;
  if (typed === undefined) return inner + (room - width) * share + moved;
  // Spaces at its end are typed too, and stand before the letters where those run from right to left.
  return inner + (room - typed) * share + moved + (rightToLeft ? typed - width : 0);
}

/** What is seen of a text that is too long for its textbox, in u on the surface; undefined of any other one. */
export function textWindow(widget: Widget, layout: Layout): Rect | undefined {
  if (widget.kind !== 'textbox' || !widget.text) return undefined;
  const { moved, inner, room } = settingOf(widget, layout);
  if (moved === undefined) return undefined;
  const { y, height } = layout.rectInU(widget.index);
  return { x: inner, y, width: Math.max(0, room), height };
}

const shares = { start: 0, center: 0.5, end: 1 } as const;

/** Where along its room the lines of a text are held, from the left: 0, 0.5 or 1. */
export function heldShare({ look, box }: Widget): number {
  const along = shares[look.textAlign];
  return box.rightToLeft ? 1 - along : along;
}

/**
 * Writes the rectangle around the outlines of a widget's text, in u on the surface, into an array: x, y, width, height;
 * without area where nothing is drawn.
 */
export function inkInto(widget: Widget, layout: Layout, into: Float64Array, at: number): void {
  inkOf(
    settingOf(widget, layout),
    (widget.look.textOutline?.width ?? 0) * layout.factor(widget.index),
    into,
    at,
  );
}

function inkOf(setting: Setting, edge: number, into: Float64Array, at: number): void {
  const { lines, unit, lineHeight, top, inner, room, moved, baseline } = setting;
  let [left, right, high, low] = [Infinity, -Infinity, Infinity, -Infinity];
  for (let nth = 0; nth < lines.length; nth++) {
    const { ink } = lines[nth]!;
    if (!ink) continue;
    const start = startOf(setting, lines[nth]!);
    const base = top + nth * lineHeight + baseline;
    left = Math.min(left, start + ink.left * unit);
    right = Math.max(right, start + ink.right * unit);
    high = Math.min(high, base - ink.top * unit);
    low = Math.max(low, base - ink.bottom * unit);
  }
  if (moved !== undefined) {
    left = Math.max(left, inner);
    right = Math.min(right, inner + room);
  }
  const drawn = left < right;
  into[at] = drawn ? left - edge : inner;
  into[at + 1] = drawn ? high - edge : top;
  into[at + 2] = drawn ? right - left + 2 * edge : 0;
  into[at + 3] = drawn ? low - high + 2 * edge : 0;
}

/** Puts the lines of a widget's text into its box. */
export function placeText(widget: Widget, layout: Layout): PlacedText {
  const setting = settingOf(widget, layout);
  const { lines, unit, shrink, lineHeight, top, baseline } = setting;
  const placed = lines.map((line, index) => ({
    line,
    x: startOf(setting, line),
    baseline: top + index * lineHeight + baseline,
  }));
  const ink = new Float64Array(4);
  inkOf(setting, (widget.look.textOutline?.width ?? 0) * layout.factor(widget.index), ink, 0);
  return {
    lines: placed,
    unit,
    shrink,
    ink: { x: ink[0]!, y: ink[1]!, width: ink[2]!, height: ink[3]! },
  };
}
