import { Blob, Buffer, Direction, Face as HarfBuzzFace, Feature, Font, MetricsTag, shape } from 'harfbuzzjs';
import { FontError, sfntOf } from './sfnt.ts';

/** A glyph in a shaped text: its place along it and its shift, in font units, y upwards. */
export interface Glyph {
  readonly id: number;
  readonly x: number;
  readonly y: number;
  readonly advance: number;
  /** Offset in the text of the first UTF-16 unit it stands for. */
  readonly cluster: number;
}

/** A text shaped with one face and in one direction, its glyphs from left to right. In font units. */
export interface ShapedText {
  readonly glyphs: readonly Glyph[];
  readonly advance: number;
  /** Characters the font has no glyph for. */
  readonly missing: readonly string[];
}

/** The rectangle around a glyph's outline in font units, y upwards. */
export interface GlyphBox {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** One command of a glyph's outline: M, L, Q, C or Z with its numbers in font units, y upwards. */
export interface OutlineCommand {
  readonly type: 'M' | 'L' | 'Q' | 'C' | 'Z';
  readonly values: readonly number[];
}

/** How a text is shaped, beside its direction. */
export interface Shaping {
  /** Digits of one width, for numbers that change. */
  readonly tabular: boolean;
  /** A BCP 47 tag: some scripts have other forms in other languages. */
  readonly language: string;
}

/** What a font file is called by. */
export interface FaceName {
  readonly family: string;
  readonly weight: number;
  readonly italic: boolean;
}

/** One font file: shapes text and gives outlines. Numbers are in font units. */
export class FontFace {
  readonly unitsPerEm: number;
  /** Above the baseline. */
  readonly ascent: number;
  /** Below the baseline, positive. */
  readonly descent: number;
  readonly capHeight: number;
  readonly family: string;
  readonly weight: number;
  readonly italic: boolean;
  readonly #font: Font;
  readonly #characters: ReadonlySet<number>;
  readonly #outlines = new Map<number, readonly OutlineCommand[]>();
  readonly #boxes = new Map<number, GlyphBox | undefined>();

  /** @throws FontError when the bytes are no font that can be read. */
  constructor(file: Uint8Array, named: FaceName = { family: '', weight: 400, italic: false }) {
    this.family = named.family;
    this.weight = named.weight;
    this.italic = named.italic;
    const face = new HarfBuzzFace(new Blob(sfntOf(file)), 0);
    this.#font = new Font(face);
    this.unitsPerEm = face.upem;
    const extents = this.#font.hExtents();
    this.#characters = new Set(face.collectUnicodes());
    if (this.#characters.size === 0 || !(this.unitsPerEm > 0)) {
      throw new FontError('the font has no characters; the file may be cut short');
    }
    this.ascent = extents.ascender;
    this.descent = -extents.descender;
    if (!(this.ascent + this.descent > 0)) throw new FontError('the font has no height');
    this.capHeight = this.#font.getMetricPosition(MetricsTag.CAP_HEIGHT) ?? Math.round(this.unitsPerEm * 0.7);
  }

  /** Whether there is a glyph for a code point. */
  has(codePoint: number): boolean {
    return this.#characters.has(codePoint);
  }

  /** Shapes a text of one direction. */
  shape(text: string, rightToLeft: boolean, { tabular, language }: Shaping): ShapedText {
    const buffer = new Buffer();
    buffer.addText(text);
    buffer.guessSegmentProperties();
    buffer.setDirection(rightToLeft ? Direction.RTL : Direction.LTR);
    buffer.setLanguage(language);
    shape(this.#font, buffer, tabular ? [new Feature('tnum', 1)] : []);
    const glyphs: Glyph[] = [];
    const missing = new Set<string>();
    let advance = 0;
    for (const glyph of buffer.getGlyphInfosAndPositions()) {
      if (glyph.codepoint === 0) missing.add(String.fromCodePoint(text.codePointAt(glyph.cluster) ?? 0xfffd));
      glyphs.push({
        id: glyph.codepoint,
        x: advance + (glyph.xOffset ?? 0),
        y: glyph.yOffset ?? 0,
        advance: glyph.xAdvance ?? 0,
        cluster: glyph.cluster,
      });
      advance += glyph.xAdvance ?? 0;
    }
    return { glyphs, advance, missing: [...missing] };
  }

  /** Where a glyph's outline lies; undefined for one that draws nothing. */
  box(glyph: number): GlyphBox | undefined {
    if (!this.#boxes.has(glyph)) {
      const found = this.#font.glyphExtents(glyph);
      const empty = !found || found.width === 0 || found.height === 0;
      this.#boxes.set(
        glyph,
        empty
          ? undefined
          : {
              left: found.xBearing,
              right: found.xBearing + found.width,
              top: found.yBearing,
              bottom: found.yBearing + found.height,
            },
      );
    }
    return this.#boxes.get(glyph);
  }

  /** The outline of a glyph. */
  outline(glyph: number): readonly OutlineCommand[] {
    let outline = this.#outlines.get(glyph);
    if (!outline) {
      outline = this.#font.glyphToJson(glyph) as OutlineCommand[];
      this.#outlines.set(glyph, outline);
    }
    return outline;
  }
}
