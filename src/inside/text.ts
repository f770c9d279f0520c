import type { Widget } from '../dress/index.ts';
import type { Layout, Rect } from '../layout/index.ts';
import { paddingEnd, paddingStart } from './room.ts';
import type { SetText, TextLine } from '../text/index.ts';

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
  const along = shares[widget.look.textAlign];
  const share = widget.box.rightToLeft ? 1 - along : along;
  return { lines, shrink, unit, lineHeight, top, inner, room, share, baseline: text.baseline * unit };
}

const shares = { start: 0, center: 0.5, end: 1 } as const;

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

function inkOf(
  { lines, unit, lineHeight, top, inner, room, share, baseline }: Setting,
  edge: number,
  into: Float64Array,
  at: number,
): void {
  let [left, right, high, low] = [Infinity, -Infinity, Infinity, -Infinity];
  for (let nth = 0; nth < lines.length; nth++) {
    const { ink, width } = lines[nth]!;
    if (!ink) continue;
    const start = inner + (room - width * unit) * share;
    const base = top + nth * lineHeight + baseline;
    left = Math.min(left, start + ink.left * unit);
    right = Math.max(right, start + ink.right * unit);
    high = Math.min(high, base - ink.top * unit);
    low = Math.max(low, base - ink.bottom * unit);
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
  const { lines, unit, shrink, lineHeight, top, inner, room, share, baseline } = setting;
  const placed = lines.map((line, index) => ({
    line,
    x: inner + (room - line.width * unit) * share,
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
