import type { Rgba } from '../theme/index.ts';
import { visualOrder } from './bidi.ts';
import { withoutEnd, type FontChain, type Piece, type Span } from './chain.ts';
import type { FontFace, Glyph } from './face.ts';

/** Glyphs of one face in a line. */
export interface LineRun {
  readonly face: FontFace;
  /** How many u one font unit is. */
  readonly unit: number;
  /** Glyphs with their places from the start of the line, in u, y upwards from the baseline. */
  readonly glyphs: readonly Pick<Glyph, 'id' | 'x' | 'y'>[];
  /** The text's own where it is undefined. */
  readonly color: Rgba | undefined;
  /** The words it shows, as they are read. */
  readonly text: string;
  /** Where it starts in the line, how long it is and its font size, in u. */
  readonly x: number;
  readonly width: number;
  readonly fontSize: number;
  readonly rightToLeft: boolean;
}

/** A picture in a line: its box in u from the start of the line and its baseline, y upwards to its bottom. */
export interface LineIcon {
  readonly name: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly color: Rgba | undefined;
}

/** The rectangle around the outlines of a line, in u from its start and baseline, y upwards. */
export interface LineInk {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** A text on one line, left to right, in u of the font size. */
export function lineOf(text: string, chain: FontChain, fontSize: number): TextLine {
  const piece = chain.piece(text);
  return new TextLine([piece], 0, piece.trimmedAdvance * fontSize, fontSize, 0);
}

/** One set line. Lengths are in u. */
export class TextLine {
  /** Offset in the text of its first UTF-16 unit. */
  readonly start: number;
  /** Of the ink and the spaces between, without the spaces at the end. */
  readonly width: number;
  readonly #pieces: readonly Piece[];
  readonly #fontSize: number;
  readonly #spacing: number;
  /** Null where nothing is drawn; undefined until somebody asks. */
  #ink: LineInk | null | undefined;
  #placed: { readonly runs: readonly LineRun[]; readonly icons: readonly LineIcon[] } | undefined;

  constructor(pieces: readonly Piece[], start: number, width: number, fontSize: number, spacing: number) {
    this.#pieces = pieces;
    this.start = start;
    this.width = width;
    this.#fontSize = fontSize;
    this.#spacing = spacing;
  }

  /** Offset in the text after its last UTF-16 unit. */
  get end(): number {
    return this.#pieces.reduce((sum, { text }) => sum + text.length, this.start);
  }

  get text(): string {
    return this.#pieces
      .map(({ text }) => text)
      .join('')
      .trimEnd();
  }

  /** Characters no font has a glyph for. */
  get missing(): readonly string[] {
    return this.#pieces.flatMap(({ spans }) => spans.flatMap(({ shaped }) => shaped.missing));
  }

  /** From left to right. Put together when somebody wants to draw it: a layout asks only for the width. */
  get runs(): readonly LineRun[] {
    this.#placed ??= this.#place();
    return this.#placed.runs;
  }

  /** From left to right. */
  get icons(): readonly LineIcon[] {
    this.#placed ??= this.#place();
    return this.#placed.icons;
  }

  #place(): { runs: LineRun[]; icons: LineIcon[] } {
    const whole = this.#pieces.map(({ text }) => text).join('');
    const spans: Span[] = this.#pieces.flatMap((piece) => piece.spans);
    const kept = withoutEnd(spans, whole.length - whole.trimEnd().length).spans;
    let x = 0;
    const runs: LineRun[] = [];
    const icons: LineIcon[] = [];
    for (const { face, shaped, scale = 1, color, icon, text, level } of visualOrder(kept)) {
      const unit = (this.#fontSize * scale) / face.unitsPerEm;
      const start = x;
      const glyphs = shaped.glyphs.map((glyph, index) => ({
        id: glyph.id,
        x: start + glyph.x * unit + this.#spacing * index,
        y: glyph.y * unit,
      }));
      x += shaped.advance * unit + this.#spacing * shaped.glyphs.length;
      const width = x - start;
      if (icon === undefined) {
        const fontSize = this.#fontSize * scale;
        runs.push({
          face,
          unit,
          glyphs,
          color,
          text,
          x: start,
          width,
          fontSize,
          rightToLeft: level % 2 === 1,
        });
      } else {
        const height = face.unitsPerEm * unit;
        // In the middle between what letters reach up and down to.
        const y = ((face.ascent - face.descent) * unit - height) / 2;
        icons.push({ name: icon, x: start, y, width, height, color });
      }
    }
    return { runs, icons };
  }

  /** Undefined where nothing is drawn. */
  get ink(): LineInk | undefined {
    this.#ink ??= this.#inked() ?? null;
    return this.#ink ?? undefined;
  }

  #inked(): LineInk | undefined {
    let [left, right, top, bottom] = [Infinity, -Infinity, -Infinity, Infinity];
    for (const { face, unit, glyphs } of this.runs) {
      for (const glyph of glyphs) {
        const box = face.box(glyph.id);
        if (!box) continue;
        left = Math.min(left, glyph.x + box.left * unit);
        right = Math.max(right, glyph.x + box.right * unit);
        top = Math.max(top, glyph.y + box.top * unit);
        bottom = Math.min(bottom, glyph.y + box.bottom * unit);
      }
    }
    for (const { x, y, width, height } of this.icons) {
      left = Math.min(left, x);
      right = Math.max(right, x + width);
      top = Math.max(top, y + height);
      bottom = Math.min(bottom, y);
    }
    return left < right ? { left, right, top, bottom } : undefined;
  }
}
