import { ellipsis, slack, type TextBlock } from './block.ts';

/** Widths in u, from the first up to but not including the second, and whether the height of a text is the same between them. */
type Steady = readonly [from: number, to: number, isSteady: boolean];

/**
 * The widths around one between which the lines of a text end in the same places and an ellipsis stands for the same letters; and
 * whether its height stays the same too, which that of a text that shrinks does not: it is a share of the width. The first is NaN where
 * nobody knows. As long as nothing limits the height.
 */
export function steadyBetween(block: TextBlock, width: number): Steady {
  const whole = block.widest - slack;
  if (width >= whole) return [whole, Infinity, true];
  return block.shrinks ? shrunkBetween(block, width, whole) : keptBetween(block, width, whole);
}

/** Of a text that may shrink: at its own size, in proportion to the width, or at its floor. */
function shrunkBetween(block: TextBlock, width: number, whole: number): Steady {
  const { wrap, ellipsis: shortens, mostLines, fontSize, leastFontSize } = block.setting;
  const floor = leastFontSize / fontSize;
  const fits = block.leastFor(mostLines) ?? Infinity;
  if (width >= fits - slack) {
    const [from, to] = block.brokenBetween(width);
    return [Math.max(from, fits - slack), Math.min(to, whole), true];
  }
  const shrinking = floor * fits;
  if (width >= shrinking) return [shrinking, fits - slack, false];
  if (shortens !== 'none') return [NaN, shrinking, false];
  if (!wrap) return [-Infinity, shrinking, true];
  const [from, to] = block.brokenBetween(width / floor);
  return [from * floor, Math.min(to * floor, shrinking), true];
}

/** Of any other text, some of whose lines may be shortened. */
function keptBetween(block: TextBlock, width: number, whole: number): Steady {
  const { wrap, ellipsis: shortens, mostLines } = block.setting;
  let [least, most] = [-Infinity, whole];
  const narrow = ([from, to]: readonly [number, number]) => {
    least = Math.max(least, from);
    most = Math.min(most, to);
  };
  const lines = shortens === 'none' ? [] : block.linesWithin(wrap ? width : Infinity);
  if (wrap) narrow(block.brokenBetween(width));
  const tooMany = lines.length > mostLines;
  for (const [nth, line] of lines.slice(0, mostLines).entries())
    if (tooMany && nth === mostLines - 1)
      narrow(lettersBetween(block, line.start, block.text.length, width, true));
    else if (line.width <= width + slack) narrow([line.width - slack, Infinity]);
    else {
      narrow(lettersBetween(block, line.start, line.end, width, false));
      // All of it may need less room than all but a letter and an ellipsis.
      narrow([-Infinity, line.width - slack]);
    }
  return [least, most, true];
}

/** Between which as many letters of a line are kept. */
function lettersBetween(
  block: TextBlock,
  from: number,
  to: number,
  width: number,
  always: boolean,
): readonly [number, number] {
  const { shown, next } = block.shortenedTo(from, to, width, always);
  const more = next()?.widest ?? Infinity;
  // Nothing is left to leave out of an ellipsis alone.
  const least = shown.text === ellipsis ? -Infinity : shown.widest;
  return [least - slack, Math.max(more, shown.widest) - slack];
}
