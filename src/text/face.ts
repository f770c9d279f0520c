import type { HarfBuzz, HarfBuzzFont } from './harfbuzz.ts';
import { FontError, checkFont } from './sfnt.ts';

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
  readonly #shaper: HarfBuzz;
  readonly #font: HarfBuzzFont;
  readonly #characters: ReadonlySet<number>;
  readonly #outlines = new Map<number, readonly OutlineCommand[]>();
  readonly #boxes = new Map<number, GlyphBox | undefined>();

  /** @throws FontError when the bytes are no font that can be read. */
  constructor(shaper: HarfBuzz, file: Uint8Array, named: FaceName) {
    this.family = named.family;
    this.weight = named.weight;
    this.italic = named.italic;
    checkFont(file);
    this.#shaper = shaper;
    const font = (this.#font = shaper.font(file, this));
    this.unitsPerEm = shaper.unitsPerEm(font);
    const { ascender, descender } = shaper.heights(font);
    this.#characters = shaper.characters(font);
    if (this.#characters.size === 0 || !(this.unitsPerEm > 0)) {
      throw new FontError('the font has no characters; the file may be cut short');
    }
    this.ascent = ascender;
    this.descent = -descender;
    if (!(this.ascent + this.descent > 0)) throw new FontError('the font has no height');
    this.capHeight = shaper.metric(font, 'cpht') ?? Math.round(this.unitsPerEm * 0.7);
  }

  /** Whether there is a glyph for a code point. */
  has(codePoint: number): boolean {
    return this.#characters.has(codePoint);
  }

  /** Shapes a text of one direction. */
  shape(text: string, rightToLeft: boolean, { tabular, language }: Shaping): ShapedText {
    const glyphs: Glyph[] = [];
    const missing = new Set<string>();
    let whole = 0;
    const how = { rightToLeft, language, feature: tabular ? 'tnum' : undefined };
    this.#shaper.shape(this.#font, text, how, (id, cluster, advance, x, y) => {
      if (id === 0) missing.add(String.fromCodePoint(text.codePointAt(cluster) ?? 0xfffd));
      glyphs.push({ id, x: whole + x, y, advance, cluster });
      whole += advance;
    });
    return { glyphs, advance: whole, missing: [...missing] };
  }

  /** Where a glyph's outline lies; undefined for one that draws nothing. */
  box(glyph: number): GlyphBox | undefined {
    if (!this.#boxes.has(glyph)) {
      const [left, top, width, height] = this.#shaper.extents(this.#font, glyph) ?? [0, 0, 0, 0];
      const isEmpty = width === 0 || height === 0;
      this.#boxes.set(
        glyph,
        isEmpty ? undefined : { left: left!, right: left! + width!, top: top!, bottom: top! + height! },
      );
    }
    return this.#boxes.get(glyph);
  }

  /** The outline of a glyph. */
  outline(glyph: number): readonly OutlineCommand[] {
    let outline = this.#outlines.get(glyph);
    if (!outline) {
      const commands: OutlineCommand[] = [];
      this.#shaper.outline(this.#font, glyph, (type, values) => commands.push({ type, values }));
      this.#outlines.set(glyph, (outline = commands));
    }
    return outline;
  }
}
