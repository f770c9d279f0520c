import { Blob, Buffer, Face as HarfBuzzFace, Font, MetricsTag, shape } from 'harfbuzzjs';
import { FontError, sfntOf } from './sfnt.ts';

/** A glyph in a shaped line: its place along the line and its shift, in font units, y upwards. */
export interface Glyph {
  readonly id: number;
  readonly x: number;
  readonly y: number;
  /** The advances of all glyphs before it. */
  readonly advanced: number;
  /** Offset in the text of the first UTF-16 unit it stands for. */
  readonly cluster: number;
}

/** A shaped text, in font units; the letter spacing is not in it. */
export interface ShapedText {
  readonly glyphs: readonly Glyph[];
  readonly advance: number;
  /** Characters the font has no glyph for. */
  readonly missing: readonly string[];
  /** The rectangle around the outlines, y upwards; undefined where nothing is drawn. */
  readonly ink: Ink | undefined;
}

/** Bounds of outlines in font units, y upwards. */
export interface Ink {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** One command of a glyph's outline: M, L, Q, C or Z with its numbers in font units, y upwards. */
export interface OutlineCommand {
  readonly type: string;
  readonly values: readonly number[];
}

/** A piece of a text between two places where a line may end. */
export interface Piece {
  readonly text: string;
  readonly shaped: ShapedText;
  /** In font units, and how many glyphs: without the spaces at its end. */
  readonly inkAdvance: number;
  readonly inkCount: number;
}

interface GlyphBox {
  readonly xBearing: number;
  readonly yBearing: number;
  readonly width: number;
  readonly height: number;
}

/** Pieces kept by one face; when there are more, all are shaped anew. */
const mostPieces = 20_000;

/** One font file: shapes text and gives outlines. Numbers are in font units. */
export class FontFace {
  readonly unitsPerEm: number;
  /** Above the baseline. */
  readonly ascent: number;
  /** Below the baseline, positive. */
  readonly descent: number;
  readonly capHeight: number;
  readonly #font: Font;
  readonly #pieces = new Map<string, Piece>();
  readonly #outlines = new Map<number, readonly OutlineCommand[]>();
  readonly #extents = new Map<number, GlyphBox | undefined>();

  /** @throws FontError when the bytes are no font that can be read. */
  constructor(file: Uint8Array) {
    const face = new HarfBuzzFace(new Blob(sfntOf(file)), 0);
    this.#font = new Font(face);
    this.unitsPerEm = face.upem;
    const extents = this.#font.hExtents();
    if (face.collectUnicodes().length === 0 || !(this.unitsPerEm > 0)) {
      throw new FontError('the font has no characters; the file may be cut short');
    }
    this.ascent = extents.ascender;
    this.descent = -extents.descender;
    if (!(this.ascent + this.descent > 0)) throw new FontError('the font has no height');
    this.capHeight = this.#font.getMetricPosition(MetricsTag.CAP_HEIGHT) ?? Math.round(this.unitsPerEm * 0.7);
  }

  /** A piece of text of one direction, shaped; kept, as most of what a game shows is shown again. */
  piece(text: string): Piece {
    const known = this.#pieces.get(text);
    if (known) return known;
    const shaped = this.shape(text);
    const { glyphs, advance } = shaped;
    const inked = text.trimEnd().length;
    const first = inked < text.length ? glyphs.findIndex(({ cluster }) => cluster >= inked) : -1;
    const piece = {
      text,
      shaped,
      inkAdvance: first < 0 ? advance : glyphs[first]!.advanced,
      inkCount: first < 0 ? glyphs.length : first,
    };
    if (this.#pieces.size >= mostPieces) this.#pieces.clear();
    this.#pieces.set(text, piece);
    return piece;
  }

  /** Shapes a text of one direction. */
  shape(text: string): ShapedText {
    const buffer = new Buffer();
    buffer.addText(text);
    buffer.guessSegmentProperties();
    shape(this.#font, buffer);
    const glyphs: Glyph[] = [];
    const missing = new Set<string>();
    let advance = 0;
    let left = Infinity;
    let right = -Infinity;
    let top = -Infinity;
    let bottom = Infinity;
    for (const glyph of buffer.getGlyphInfosAndPositions()) {
      if (glyph.codepoint === 0) missing.add(String.fromCodePoint(text.codePointAt(glyph.cluster) ?? 0xfffd));
      glyphs.push({
        id: glyph.codepoint,
        x: advance + (glyph.xOffset ?? 0),
        y: glyph.yOffset ?? 0,
        advanced: advance,
        cluster: glyph.cluster,
      });
      const extents = this.#boxOf(glyph.codepoint);
      if (extents && extents.width !== 0 && extents.height !== 0) {
        const x = glyphs.at(-1)!.x + extents.xBearing;
        const y = glyphs.at(-1)!.y + extents.yBearing;
        left = Math.min(left, x);
        right = Math.max(right, x + extents.width);
        top = Math.max(top, y);
        bottom = Math.min(bottom, y + extents.height);
      }
      advance += glyph.xAdvance ?? 0;
    }
    const ink = left < right ? { left, right, top, bottom } : undefined;
    return { glyphs, advance, missing: [...missing], ink };
  }

  #boxOf(glyph: number): GlyphBox | undefined {
    if (!this.#extents.has(glyph)) this.#extents.set(glyph, this.#font.glyphExtents(glyph));
    return this.#extents.get(glyph);
  }

  /** The outline of a glyph. */
  outline(glyph: number): readonly OutlineCommand[] {
    let outline = this.#outlines.get(glyph);
    if (!outline) {
      outline = this.#font.glyphToJson(glyph);
      this.#outlines.set(glyph, outline);
    }
    return outline;
  }
}
