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
  return new TextLine([piece], piece.inkAdvance * fontSize, fontSize, 0);
}

/** One set line. Lengths are in u. */
export class TextLine {
  /** Of the ink and the spaces between, without the spaces at the end. */
  readonly width: number;
  readonly #pieces: readonly Piece[];
  readonly #fontSize: number;
  readonly #spacing: number;
  #runs: readonly LineRun[] | undefined;

  constructor(pieces: readonly Piece[], width: number, fontSize: number, spacing: number) {
    this.#pieces = pieces;
    this.width = width;
    this.#fontSize = fontSize;
    this.#spacing = spacing;
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
    this.#runs ??= this.#place();
    return this.#runs;
  }

  #place(): LineRun[] {
    const whole = this.#pieces.map(({ text }) => text).join('');
    const spans: Span[] = this.#pieces.flatMap((piece) => piece.spans);
    const kept = withoutEnd(spans, whole.length - whole.trimEnd().length).spans;
    let x = 0;
    return visualOrder(kept).map(({ face, shaped }) => {
      const unit = this.#fontSize / face.unitsPerEm;
      const start = x;
      const glyphs = shaped.glyphs.map((glyph, index) => ({
        id: glyph.id,
        x: start + glyph.x * unit + this.#spacing * index,
        y: glyph.y * unit,
      }));
      x += shaped.advance * unit + this.#spacing * shaped.glyphs.length;
      return { face, unit, glyphs };
    });
  }

  /** Undefined where nothing is drawn. */
  get ink(): LineInk | undefined {
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
    return left < right ? { left, right, top, bottom } : undefined;
  }
}
