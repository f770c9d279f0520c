import { levelsOf } from './bidi.ts';
import { plainPieces } from './plain-pieces.ts';
import type { FontChain, Piece } from './chain.ts';
import { LineFinds } from './line-finds.ts';
import { TextLine } from './line.ts';
import { pieceWithRuns, runsWithin, type TextRun } from './runs.ts';
import { shortened, type Shortened } from './shorten.ts';

/** How a text is set. Lengths are in u. */
export interface TextSetting {
  readonly chain: FontChain;
  readonly fontSize: number;
  /** A multiple of the font size. */
  readonly lineHeight: number;
  readonly letterSpacing: number;
  /** Whether lines break to fit the width. */
  readonly wrap: boolean;
  /** The direction of the paragraph. */
  readonly rightToLeft: boolean;
  /** The most lines there may be; infinite where nobody minds. */
  readonly mostLines: number;
  /** Where a text that does not fit is shortened with an ellipsis. */
  readonly ellipsis: 'none' | 'end' | 'middle';
  /** The font size a text may be shrunk to so that it fits; the font size itself where it may not. */
  readonly leastFontSize: number;
}

/** A text as it is drawn in a room. */
export interface SetText {
  readonly lines: readonly TextLine[];
  /** What the font size was multiplied by so that it fits, 1 at the most. */
  readonly shrink: number;
  /** Whether an ellipsis stands for some of it. */
  readonly shortened: boolean;
}

/** Sums of rounded advances may exceed the same sum computed in another order by this much, in u. */
export const slack = 1e-6;

/**
 * A text that knows how wide and high it is: its lines break by UAX 14, greedily, its directions follow UAX 9, and its
 * lines are as high as CSS's line-height says. All lengths are in u, and scale with the font size.
 */
export class TextBlock {
  readonly setting: TextSetting;
  readonly text: string;
  /** Stretches that are set in another way, in order. */
  readonly runs: readonly TextRun[];
  /** The largest font size in it, as a multiple of its own. */
  readonly tallest: number;
  /** The smallest, pictures left aside. */
  readonly smallest: number;
  /** What stands between two opportunities to break; each is shaped by itself, so that a changed word costs no more than itself. */
  readonly #pieces: readonly Piece[];
  /** Where they start in the text; undefined where each starts where the one before it ends. */
  readonly #starts: readonly number[] | undefined;
  /** Indexes of the pieces after which a line has to end. */
  readonly #ends: readonly number[];
  /** The width of the text when only required breaks are taken. */
  readonly widest: number;
  /** The width below which something would stick out: the widest piece, or all of it without wrapping. */
  readonly least: number;
  /** The width from which on its height stays the same. */
  readonly steadyFrom: number;
  #set: SetText | undefined;
  /** The widths, up to but not including the second, in which it would be set as it was last, and that width itself. */
  #setFrom = NaN;
  #setTo = NaN;
  #setWidth = NaN;
  #setHeight = NaN;
  #finds: LineFinds | undefined;
  readonly #leastWidths = new Map<number, number>();

  constructor(text: string, setting: TextSetting, runs: readonly TextRun[] = noRuns) {
    this.setting = setting;
    this.text = text;
    this.runs = runs;
    // Most texts have no runs, and most of what a game shows anew is such a text.
    let tallest = 1;
    let smallest = 1;
    for (const { setting: run } of runs) {
      if (run.scale > tallest) tallest = run.scale;
      if (!run.icon && run.scale < smallest) smallest = run.scale;
    }
    this.tallest = tallest;
    this.smallest = smallest;
    const pieces: Piece[] = [];
    let ends = none;
    const { chain } = setting;
    const levels = levelsOf(text, setting.rightToLeft, chain.engine);
    let starts: number[] | undefined;
    const add = (from: number, to: number) => {
      (starts ??= []).push(from);
      pieces.push(
        runs.length === 0
          ? chain.piece(text.slice(from, to), levels?.subarray(from, to))
          : pieceWithRuns(text, from, to, chain, runs, levels),
      );
    };
    if (!setting.wrap) {
      if (text !== '') ends = addLines(text, add);
    } else if (levels || runs.length > 0 || !plainPieces(text, (piece) => pieces.push(chain.piece(piece)))) {
      ends = [];
      let start = 0;
      for (const { position, required } of chain.engine.lineBreaks(text)) {
        if (required) ends.push(pieces.length);
        add(start, required ? withoutLineEnd(text, start, position) : position);
        start = position;
      }
      // A line end as the very last thing of a text ends its last line and starts no other.
      if (ends.at(-1) === pieces.length - 1) ends.pop();
    }
    this.#pieces = pieces;
    this.#starts = starts;
    this.#ends = ends;
    let widest = 0;
    let least = 0;
    let filled = 0;
    let next = 0;
    for (let at = 0; at < pieces.length; at++) {
      const ink = this.#trimmedWidth(at);
      if (ink > least) least = ink;
      if (filled + ink > widest) widest = filled + ink;
      if (ends[next] === at) {
        filled = 0;
        next++;
      } else filled += this.#width(at);
    }
    this.widest = widest;
    this.least = this.#leastOf(setting.wrap ? least : widest);
    this.steadyFrom = setting.wrap || this.shrinks ? widest : 0;
  }

  get shrinks(): boolean {
    return this.setting.leastFontSize < this.setting.fontSize;
  }

  #leastOf(plain: number): number {
    const { wrap, ellipsis, fontSize, leastFontSize } = this.setting;
    if (!wrap && ellipsis !== 'none') return Math.min(plain, this.#widthOf('…'));
    return this.shrinks ? (plain * leastFontSize) / fontSize : plain;
  }

  #widthOf(text: string): number {
    const { advance, glyphs } = this.setting.chain.piece(text);
    return advance * this.setting.fontSize + this.setting.letterSpacing * glyphs;
  }

  /** The width of a piece with the spaces at its end. */
  #width(at: number): number {
    const { advance, glyphs } = this.#pieces[at]!;
    return advance * this.setting.fontSize + this.setting.letterSpacing * glyphs;
  }

  /** The width of a piece without them. */
  #trimmedWidth(at: number): number {
    const { trimmedAdvance, trimmedGlyphs } = this.#pieces[at]!;
    return trimmedAdvance * this.setting.fontSize + this.setting.letterSpacing * trimmedGlyphs;
  }

  /** Of every line: what its largest letters ask for. */
  get lineHeight(): number {
    return this.setting.lineHeight * this.setting.fontSize * this.tallest;
  }

  /** From the top of a line to its baseline: half the leading above the ascent, as in CSS 2 §10.8.1. */
  get baseline(): number {
    const { chain, fontSize } = this.setting;
    const { ascent, descent, unitsPerEm } = chain.primary;
    const unit = (fontSize * this.tallest) / unitsPerEm;
    return (this.lineHeight - (ascent + descent) * unit) / 2 + ascent * unit;
  }

  /** Characters no font has a glyph for. */
  get missing(): readonly string[] {
    return [...new Set(this.#pieces.flatMap(({ spans }) => spans.flatMap(({ shaped }) => shaped.missing)))];
  }

  /** The height at a width. */
  heightAt(width: number): number {
    const exchange = new Float64Array([width, 0]);
    this.heightInto(exchange);
    return exchange[1]!;
  }

  /** The same of the width in `exchange[0]`, into `exchange[1]`. Counts lines; they are made when somebody draws them. */
  heightInto(exchange: Float64Array): void {
    const { wrap, mostLines } = this.setting;
    const line = this.lineHeight;
    let count = this.#ends.length + 1;
    if (exchange[0]! >= this.widest - slack) {
      exchange[1] = (count < mostLines ? count : mostLines) * line;
      return;
    }
    if (this.shrinks) {
      const width = exchange[0]!;
      const shrink = this.#shrinkFor(width, Infinity);
      exchange[1] = Math.min(mostLines, this.#linesIn(width / shrink)) * line * shrink;
      return;
    }
    if (wrap) {
      exchange[0] = exchange[0]! + slack;
      count = this.#found().countIn(exchange);
    }
    exchange[1] = (count < mostLines ? count : mostLines) * line;
  }

  /** The widths around one between which lines break in the same places. */
  brokenBetween(width: number): readonly [from: number, to: number] {
    const [from, to] = this.#found().between(width + slack);
    return [from - slack, to - slack];
  }

  #linesIn(width: number): number {
    return this.setting.wrap ? this.#found().linesIn(width + slack) : this.#ends.length + 1;
  }

  #found(): LineFinds {
    if (!this.#finds) {
      const widths = new Float64Array(2 * this.#pieces.length);
      for (let at = 0; at < this.#pieces.length; at++) {
        widths[2 * at] = this.#width(at);
        widths[2 * at + 1] = this.#trimmedWidth(at);
      }
      this.#finds = new LineFinds(widths, this.#ends);
    }
    return this.#finds;
  }

  /**
   * What the font size has to be multiplied by so that the text fits into a room, but no less than is allowed. A text
   * shrunk by a factor breaks in a width as it would break in the width divided by the factor: in so many lines it fits from a
   * share of the width on, and of the height.
   */
  #shrinkFor(width: number, height: number): number {
    if (!this.shrinks) return 1;
    const { fontSize, leastFontSize, mostLines } = this.setting;
    let largest = leastFontSize / fontSize;
    // More lines need no less width, and more height: the best is where the one becomes the lesser.
    let few = 0;
    let many = Math.min(mostLines, this.#pieces.length + this.#ends.length + 1) + 1;
    while (few + 1 < many) {
      const lines = (few + many) >> 1;
      const needs = this.leastFor(lines) ?? Infinity;
      const across = width >= needs - slack ? 1 : width / needs;
      const down = (height + slack) / (lines * this.lineHeight);
      largest = Math.max(largest, Math.min(across, down));
      if (across >= down) many = lines;
      else few = lines;
    }
    return largest;
  }

  /** The width below which something sticks out at its own size. */
  get #widestPiece(): number {
    const { wrap, fontSize, leastFontSize } = this.setting;
    return wrap ? (this.least * fontSize) / leastFontSize : this.widest;
  }

  /** The least width in which a text that may shrink has at most so many lines, at its own size; undefined where it never has. */
  leastFor(lines: number): number | undefined {
    const known = this.#leastWidths.get(lines);
    if (known !== undefined) return known === Infinity ? undefined : known;
    const found = this.#linesIn(Infinity) <= lines ? this.#narrowest(lines) : Infinity;
    this.#leastWidths.set(lines, found);
    return found === Infinity ? undefined : found;
  }

  #narrowest(lines: number): number {
    const least = this.#widestPiece;
    if (this.#linesIn(least) <= lines) return least;
    let [small, large] = [least, this.widest];
    for (let round = 0; round < 50; round++) {
      const middle = (small + large) / 2;
      if (this.#linesIn(middle) <= lines) large = middle;
      else small = middle;
    }
    // Where lines end as they do there, to the last digit.
    return Math.max(least, this.#found().between(large + slack)[0]);
  }

  /** The lines at a width as long as nothing limits the height, in u. */
  linesAt(width: number): readonly TextLine[] {
    return this.setIn(width, Infinity).lines;
  }

  /** The text in a room, in u: shrunk and shortened as far as its setting allows. */
  setIn(width: number, height: number): SetText {
    const { wrap, mostLines, ellipsis } = this.setting;
    const limited = this.shrinks || (!wrap && ellipsis !== 'none');
    // Every width at which the text needs no break that is not required is the same to it.
    const key = (wrap || limited) && width < this.widest - slack ? width : Infinity;
    const high = this.shrinks ? height : Infinity;
    const isSame = key === this.#setWidth || (key >= this.#setFrom && key < this.#setTo);
    if (this.#set && isSame && high === this.#setHeight) return this.#set;
    const shrink = this.#shrinkFor(width, high);
    const room = key / shrink;
    const broken = this.linesWithin(wrap ? room : Infinity);
    const tooMany = broken.length > mostLines;
    let isShortened = tooMany;
    let lines = broken.slice(0, mostLines);
    if (ellipsis !== 'none')
      lines = lines.map((line, nth) => {
        if (tooMany && nth === mostLines - 1) return this.#shorter(line.start, this.text.length, room, true);
        if (line.width <= room + slack) return line;
        isShortened = true;
        return this.#shorter(line.start, line.end, room, false);
      });
    this.#set = { lines, shrink, shortened: isShortened };
    this.#setWidth = key;
    const isAlone = isShortened || key === Infinity || limited;
    [this.#setFrom, this.#setTo] = isAlone ? nowhere : this.brokenBetween(width);
    // A word too long for its line breaks nowhere.
    if (ellipsis !== 'none')
      for (const line of lines) this.#setFrom = Math.max(this.#setFrom, line.width - slack);
    this.#setHeight = high;
    return this.#set;
  }

  /** One line of a part of the text with an ellipsis for what does not fit. */
  #shorter(from: number, to: number, width: number, always: boolean): TextLine {
    return this.shortenedTo(from, to, width, always).shown.linesWithin(Infinity)[0]!;
  }

  /** A part of the text with an ellipsis for what does not fit, and what it is as soon as a letter more does. */
  shortenedTo(from: number, to: number, width: number, always: boolean) {
    const text = this.text.slice(from, to).replace(lineEnd, (ends) => ' '.repeat(ends.length));
    const place = this.setting.ellipsis === 'middle' ? 'middle' : 'end';
    const one = ({ head, tail }: Shortened) => {
      const words = text.slice(0, head) + ellipsis + text.slice(tail);
      const runs = [
        ...runsWithin(this.runs, from, from + head),
        ...runsWithin(this.runs, from + tail, to, head + ellipsis.length),
      ];
      return new TextBlock(
        words,
        { ...this.setting, wrap: false, ellipsis: 'none', mostLines: Infinity },
        runs,
      );
    };
    const kept = shortened(text, place, (candidate) => one(candidate).widest <= width + slack, always);
    const shown = one(kept ?? { head: text.length, tail: text.length });
    return { shown, next: () => (kept ? one(kept.next) : undefined) };
  }

  /** The lines at a width, at its own size, and none of them shortened. */
  linesWithin(width: number): TextLine[] {
    const lines: TextLine[] = [];
    let start = 0;
    for (let from = 0; from < this.#pieces.length;) {
      const to = this.#found().lineEnd(from, this.setting.wrap ? width + slack : Infinity);
      const line = this.#line(from, to, this.#starts?.[from] ?? start);
      lines.push(line);
      start = line.end;
      from = to;
    }
    if (lines.length === 0) lines.push(this.#line(0, 0, 0));
    return lines;
  }

  #line(from: number, to: number, start: number): TextLine {
    let width = 0;
    for (let at = from; at < to; at++) width += at === to - 1 ? this.#trimmedWidth(at) : this.#width(at);
    const { fontSize, letterSpacing } = this.setting;
    return new TextLine(this.#pieces.slice(from, to), start, width, fontSize, letterSpacing);
  }
}

export const ellipsis = '…';
const nowhere = [NaN, NaN] as const;
const noRuns: readonly TextRun[] = [];
/** Most texts have no line end. */
const none: number[] = [];
const lineEnd = /\r\n|[\n\r\v\f\u0085\u2028\u2029]/g;
const lineEnds = /[\r\n\u2028\u2029\u0085\v\f]+$/;

/** The lines of a text that does not wrap; gives the indexes of all but the last. */
function addLines(text: string, add: (from: number, to: number) => void): number[] {
  const ends: number[] = [];
  let from = 0;
  for (const match of text.matchAll(lineEnd)) {
    add(from, match.index);
    ends.push(ends.length);
    from = match.index + match[0].length;
  }
  add(from, text.length);
  return ends;
}

function withoutLineEnd(text: string, from: number, to: number): number {
  return to - (lineEnds.exec(text.slice(from, to))?.[0].length ?? 0);
}
