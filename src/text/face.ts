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

interface GlyphBox {
  readonly xBearing: number;
  readonly yBearing: number;
  readonly width: number;
  readonly height: number;
}

/** Shaped texts kept by one face; more are shaped anew. */
const mostShaped = 20_000;

/** One font file: shapes text and gives outlines. Numbers are in font units. */
export class FontFace {
  readonly unitsPerEm: number;
  /** Above the baseline. */
  readonly ascent: number;
  /** Below the baseline, positive. */
  readonly descent: number;
  readonly capHeight: number;
  readonly #font: Font;
  readonly #shaped = new Map<string, ShapedText>();
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

  /** Shapes one line of text of one direction. */
  shape(text: string): ShapedText {
    const known = this.#shaped.get(text);
    if (known) return known;
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
    const shaped = { glyphs, advance, missing: [...missing], ink };
    if (this.#shaped.size >= mostShaped) this.#shaped.clear();
    this.#shaped.set(text, shaped);
    return shaped;
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
