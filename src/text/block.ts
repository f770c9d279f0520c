import { opportunities, plainPieces } from './breaks.ts';
import { LineFinds } from './line-finds.ts';
import type { FontFace, Glyph, Piece, ShapedText } from './face.ts';

/** How a text is set. Lengths are in u. */
export interface TextSetting {
  readonly face: FontFace;
  readonly fontSize: number;
  /** A multiple of the font size. */
  readonly lineHeight: number;
  readonly letterSpacing: number;
  /** Whether lines break to fit the width. */
  readonly wrap: boolean;
}

/** One set line. Lengths are in u. */
export class TextLine {
  /** Of the ink and the spaces between, without the spaces at the end. */
  readonly width: number;
  readonly #pieces: readonly Piece[];
  readonly #from: number;
  readonly #to: number;
  #shaped: ShapedText | undefined;

  constructor(pieces: readonly Piece[], from: number, to: number, width: number) {
    this.#pieces = pieces;
    this.#from = from;
    this.#to = to;
    this.width = width;
  }

  get text(): string {
    let text = '';
    for (let index = this.#from; index < this.#to; index++) text += this.#pieces[index]!.text;
    return text.trimEnd();
  }

  /** Put together when somebody wants to draw it: a layout asks only for the width. */
  get shaped(): ShapedText {
    this.#shaped ??= joined(this.#pieces.slice(this.#from, this.#to));
    return this.#shaped;
  }
}

/** Sums of rounded advances may exceed the same sum computed in another order by this much, in u. */
const slack = 1e-6;

/**
 * A text that knows how wide and high it is: its lines break by UAX 14, greedily, and are as high as CSS's
 * line-height says. All lengths are in u, and scale with the font size.
 */
export class TextBlock {
  readonly setting: TextSetting;
  readonly text: string;
  /** What stands between two opportunities to break; each is shaped by itself, so that a changed word costs no more than itself. */
  readonly #pieces: readonly Piece[];
  /** Indexes of the pieces after which a line has to end. */
  readonly #ends: readonly number[];
  /** The width of the text when only required breaks are taken. */
  readonly widest: number;
  /** The width below which something would stick out: the widest piece, or all of it without wrapping. */
  readonly least: number;
  /** The width from which on its height stays the same. */
  readonly steadyFrom: number;
  #lines: readonly TextLine[] | undefined;
  #linesFor = NaN;
  #finds: LineFinds | undefined;

  constructor(text: string, setting: TextSetting) {
    this.setting = setting;
    this.text = text;
    const pieces: Piece[] = [];
    let ends = none;
    const { face } = setting;
    if (!setting.wrap) {
      const lines = hasLineEnd.test(text) ? text.split(lineEnd) : [text];
      if (lines.length > 1) ends = lines.slice(1).map((_, index) => index);
      for (const line of lines) if (text !== '') pieces.push(face.piece(line));
    } else if (!plainPieces(text, (piece) => pieces.push(face.piece(piece)))) {
      ends = [];
      let start = 0;
      for (const { position, required } of opportunities(text)) {
        const part = text.slice(start, position);
        if (required) ends.push(pieces.length);
        pieces.push(face.piece(required ? part.replace(lineEnds, '') : part));
        start = position;
      }
      // A line end as the very last thing of a text ends its last line and starts no other.
      if (ends.at(-1) === pieces.length - 1) ends.pop();
    }
    this.#pieces = pieces;
    this.#ends = ends;
    let widest = 0;
    let least = 0;
    let filled = 0;
    let next = 0;
    for (let at = 0; at < pieces.length; at++) {
      const ink = this.#inkWidth(at);
      if (ink > least) least = ink;
      if (filled + ink > widest) widest = filled + ink;
      if (ends[next] === at) {
        filled = 0;
        next++;
      } else filled += this.#width(at);
    }
    this.widest = widest;
    this.least = setting.wrap ? least : widest;
    this.steadyFrom = setting.wrap ? widest : 0;
  }

  /** The width of a piece with the spaces at its end. */
  #width(at: number): number {
    const { shaped } = this.#pieces[at]!;
    const { face, fontSize, letterSpacing } = this.setting;
    return (shaped.advance * fontSize) / face.unitsPerEm + letterSpacing * shaped.glyphs.length;
  }

  /** The width of a piece without them. */
  #inkWidth(at: number): number {
    const { inkAdvance, inkCount } = this.#pieces[at]!;
    const { face, fontSize, letterSpacing } = this.setting;
    return (inkAdvance * fontSize) / face.unitsPerEm + letterSpacing * inkCount;
  }

  get lineHeight(): number {
    return this.setting.lineHeight * this.setting.fontSize;
  }

  /** From the top of a line to its baseline: half the leading above the ascent, as in CSS 2 §10.8.1. */
  get baseline(): number {
    const { face, fontSize } = this.setting;
    const unit = fontSize / face.unitsPerEm;
    const content = (face.ascent + face.descent) * unit;
    return (this.lineHeight - content) / 2 + face.ascent * unit;
  }

  /** Characters no font has a glyph for. */
  get missing(): readonly string[] {
    return [...new Set(this.linesAt(Infinity).flatMap((line) => line.shaped.missing))];
  }

  /** The height at a width. */
  heightAt(width: number): number {
    const exchange = new Float64Array([width, 0]);
    this.heightInto(exchange);
    return exchange[1]!;
  }

  /** The same of the width in `exchange[0]`, into `exchange[1]`. Counts lines; they are made when somebody draws them. */
  heightInto(exchange: Float64Array): void {
    const { wrap, lineHeight, fontSize } = this.setting;
    let count = this.#ends.length + 1;
    if (wrap && exchange[0]! < this.widest - slack) {
      exchange[0] = exchange[0]! + slack;
      count = this.#found().countIn(exchange);
    }
    exchange[1] = count * (lineHeight * fontSize);
  }

  #found(): LineFinds {
    if (!this.#finds) {
      const widths = new Float64Array(2 * this.#pieces.length);
      for (let at = 0; at < this.#pieces.length; at++) {
        widths[2 * at] = this.#width(at);
        widths[2 * at + 1] = this.#inkWidth(at);
      }
      this.#finds = new LineFinds(widths, this.#ends);
    }
    return this.#finds;
  }

  /** The lines at a width, in u. */
  linesAt(width: number): readonly TextLine[] {
    const key = this.#keyOf(width);
    if (!this.#lines || key !== this.#linesFor) {
      this.#lines = this.#linesWithin(key);
      this.#linesFor = key;
    }
    return this.#lines;
  }

  /** Every width at which the text needs no break that is not required is the same to it. */
  #keyOf(width: number): number {
    return this.setting.wrap && width < this.widest - slack ? width : Infinity;
  }

  #linesWithin(width: number): TextLine[] {
    const lines: TextLine[] = [];
    for (let from = 0; from < this.#pieces.length;) {
      const to = this.#found().lineEnd(from, width + slack);
      lines.push(this.#line(from, to));
      from = to;
    }
    if (lines.length === 0) lines.push(this.#line(0, 0));
    return lines;
  }

  #line(from: number, to: number): TextLine {
    let width = 0;
    for (let at = from; at < to; at++) width += at === to - 1 ? this.#inkWidth(at) : this.#width(at);
    return new TextLine(this.#pieces, from, to, width);
  }
}

/** Most texts have no line end. */
const none: number[] = [];
const lineEnd = /\r\n|[\n\r\v\f\u0085\u2028\u2029]/;
const hasLineEnd = /[\n\r\v\f\u0085\u2028\u2029]/;
const lineEnds = /[\r\n\u2028\u2029\u0085\v\f]+$/;

/** Several shaped pieces one after the other. */
function joined(parts: readonly Piece[]): ShapedText {
  if (parts.length === 1) return parts[0]!.shaped;
  const glyphs: Glyph[] = [];
  const missing = new Set<string>();
  let ink: ShapedText['ink'];
  let start = 0;
  let cluster = 0;
  for (const { shaped, text } of parts) {
    for (const glyph of shaped.glyphs) {
      glyphs.push({
        ...glyph,
        x: glyph.x + start,
        advanced: glyph.advanced + start,
        cluster: glyph.cluster + cluster,
      });
    }
    for (const one of shaped.missing) missing.add(one);
    if (shaped.ink) {
      const { left, right, top, bottom } = shaped.ink;
      ink = {
        left: Math.min(ink?.left ?? Infinity, left + start),
        right: Math.max(ink?.right ?? -Infinity, right + start),
        top: Math.max(ink?.top ?? -Infinity, top),
        bottom: Math.min(ink?.bottom ?? Infinity, bottom),
      };
    }
    start += shaped.advance;
    cluster += text.length;
  }
  return { glyphs, advance: start, missing: [...missing], ink };
}
