import type { Widget } from '../dress/index.ts';
import type { Layout, Rect } from '../layout/index.ts';
import type { TextLine } from '../text/index.ts';

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
export function innerWidth(layout: Layout, { index, box }: Widget): number {
  const factor = layout.factor(index);
  const { paddingStart, paddingEnd } = box.x;
  return Math.max(0, layout.rectInU(index).width - paddingStart * factor - paddingEnd * factor) / factor;
}

/** Puts the lines of a widget's text into its box, aligned as its look says. */
export function placeText(widget: Widget, layout: Layout): PlacedText {
  const text = widget.text!;
  const rect = layout.rectInU(widget.index);
  const { x, y } = widget.box;
  const factor = layout.factor(widget.index);
  const roomX = rect.width - (x.paddingStart + x.paddingEnd) * factor;
  const roomY = rect.height - (y.paddingStart + y.paddingEnd) * factor;
  const { lines, shrink } = text.setIn(innerWidth(layout, widget), Math.max(0, roomY) / factor);
  const unit = factor * shrink;
  const lineHeight = text.lineHeight * unit;
  const spare = roomY - lines.length * lineHeight;
  const top = rect.y + y.paddingStart * factor + spare * shares[widget.look.alignContent];
  const inner = rect.x + x.paddingStart * factor;
  const along = shares[widget.look.textAlign];
  const share = widget.box.rightToLeft ? 1 - along : along;
  const placed = lines.map((line, index) => ({
    line,
    x: inner + (roomX - line.width * unit) * share,
    baseline: top + index * lineHeight + text.baseline * unit,
  }));
  let left = Infinity;
  let right = -Infinity;
  let high = Infinity;
  let low = -Infinity;
  for (const { line, x: start, baseline } of placed) {
    const { ink } = line;
    if (!ink) continue;
    left = Math.min(left, start + ink.left * unit);
    right = Math.max(right, start + ink.right * unit);
    high = Math.min(high, baseline - ink.top * unit);
    low = Math.max(low, baseline - ink.bottom * unit);
  }
  const drawn = left < right;
  const edge = (widget.look.textOutline?.width ?? 0) * factor;
  const ink = drawn
    ? { x: left - edge, y: high - edge, width: right - left + 2 * edge, height: low - high + 2 * edge }
    : { x: inner, y: top, width: 0, height: 0 };
  return { lines: placed, unit, shrink, ink };
}

const shares = { start: 0, center: 0.5, end: 1 } as const;
