import type { Widget } from '../build/index.ts';
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
  /** The rectangle around the outlines of all lines; without area where nothing is drawn. */
  readonly ink: Rect;
}

/** The width of the inside of a widget, in its own u: what its text breaks in. */
export function innerWidth(layout: Layout, { index, box }: Widget): number {
  const factor = layout.factor(index);
  const { paddingStart, paddingEnd } = box.x;
  return Math.max(0, layout.rectInU(index).width - paddingStart * factor - paddingEnd * factor) / factor;
}

/** Puts the lines of a widget's text into its box: aligned as its look says, in the middle from top to bottom. */
export function placeText(widget: Widget, layout: Layout): PlacedText {
  const text = widget.text!;
  const rect = layout.rectInU(widget.index);
  const { x, y } = widget.box;
  const lines = text.linesAt(innerWidth(layout, widget));
  const { face, fontSize } = text.setting;
  const factor = layout.factor(widget.index);
  const unit = (fontSize * factor) / face.unitsPerEm;
  const lineHeight = text.lineHeight * factor;
  const roomX = rect.width - (x.paddingStart + x.paddingEnd) * factor;
  const roomY = rect.height - (y.paddingStart + y.paddingEnd) * factor;
  const top = rect.y + y.paddingStart * factor + (roomY - lines.length * lineHeight) / 2;
  const inner = rect.x + x.paddingStart * factor;
  const along = { start: 0, center: 0.5, end: 1 }[widget.look.textAlign];
  const share = widget.box.rightToLeft ? 1 - along : along;
  const placed = lines.map((line, index) => ({
    line,
    x: inner + (roomX - line.width * factor) * share,
    baseline: top + index * lineHeight + text.baseline * factor,
  }));
  let left = Infinity;
  let right = -Infinity;
  let high = Infinity;
  let low = -Infinity;
  for (const { line, x: start, baseline } of placed) {
    const { ink, glyphs } = line.shaped;
    if (!ink) continue;
    left = Math.min(left, start + ink.left * unit);
    right = Math.max(
      right,
      start + ink.right * unit + text.setting.letterSpacing * factor * (glyphs.length - 1),
    );
    high = Math.min(high, baseline - ink.top * unit);
    low = Math.max(low, baseline - ink.bottom * unit);
  }
  if (!(left < right)) return { lines: placed, ink: { x: inner, y: top, width: 0, height: 0 } };
  return { lines: placed, ink: { x: left, y: high, width: right - left, height: low - high } };
}
