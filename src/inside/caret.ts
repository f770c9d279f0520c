import type { Caret, Widget } from '../dress/index.ts';
import type { Layout, Rect } from '../layout/index.ts';
import type { TextBlock } from '../text/index.ts';
import { placeText } from './text.ts';
import { caretShare, lengthTo } from './typed-text.ts';

/** The line of a textbox as carets see it, in device px. */
interface CaretLine {
  /** Where the text starts: its left end, of a text from right to left its right one. */
  readonly start: number;
  readonly baseline: number;
  readonly rightToLeft: boolean;
  /** Device px one u of the text is. */
  readonly times: number;
  readonly text: TextBlock;
  readonly isPlaceholder: boolean;
}

function lineOf(widget: Widget, layout: Layout): CaretLine | undefined {
  const { text, isPlaceholder } = widget;
  if (!text) return undefined;
  const { lines, unit } = placeText(widget, layout);
  const last = lines.at(-1);
  if (!last) return undefined;
  const { scale, originX, originY } = layout.frame;
  const times = unit * scale;
  const { rightToLeft } = widget.box;
  const left = originX + last.x * scale;
  return {
    start: rightToLeft ? left + last.line.width * times : left,
    baseline: originY + last.baseline * scale,
    rightToLeft,
    times,
    text,
    isPlaceholder,
  };
}

function placeOf(line: CaretLine, at: number): number {
  const along = line.isPlaceholder ? 0 : lengthTo(line.text, at) * line.times;
  return line.rightToLeft ? line.start - along : line.start + along;
}

/** The caret of a textbox and what is selected, in device px; undefined where it has no text to stand in. */
export function caretRects(
  widget: Widget,
  layout: Layout,
  caret: Caret | undefined,
): { readonly caret: Rect; readonly selection: Rect | undefined } | undefined {
  const line = lineOf(widget, layout);
  if (!line) return undefined;
  const { fontSize, chain } = line.text.setting;
  const { ascent, descent, unitsPerEm } = chain.primary;
  const size = fontSize * line.times;
  const em = size / unitsPerEm;
  const [y, height] = [line.baseline - ascent * em, (ascent + descent) * em];
  const width = Math.max(1, Math.round(size * caretShare));
  const at = placeOf(line, caret?.at ?? line.text.text.length);
  const from = caret === undefined || caret.from === caret.at ? undefined : placeOf(line, caret.from);
  return {
    caret: { x: line.rightToLeft ? at - width : at, y, width, height },
    selection:
      from === undefined ? undefined : { x: Math.min(at, from), y, width: Math.abs(at - from), height },
  };
}

/** The place between the letters of a textbox that is nearest to a point, of those given, in UTF-16 units. @param x In device px. */
export function nearestPlace(widget: Widget, layout: Layout, x: number, places: readonly number[]): number {
  const line = lineOf(widget, layout);
  if (!line || line.isPlaceholder) return 0;
  let found = 0;
  let least = Infinity;
  for (const at of places) {
    const distance = Math.abs(placeOf(line, at) - x);
    if (distance >= least) continue;
    least = distance;
    found = at;
  }
  return found;
}
