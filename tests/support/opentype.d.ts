/* What the tests use of opentype.js, which has no types of its own. */
declare module 'opentype.js' {
  class Path {}
  class Glyph {
    constructor(options: {
      readonly name: string;
      readonly unicode?: number;
      readonly advanceWidth: number;
      readonly path: Path;
    });
    readonly path: Path;
    readonly advanceWidth: number;
  }
  class Font {
    constructor(options: {
      readonly familyName: string;
      readonly styleName: string;
      readonly unitsPerEm: number;
      readonly ascender: number;
      readonly descender: number;
      readonly glyphs: readonly Glyph[];
    });
    readonly unitsPerEm: number;
    readonly ascender: number;
    readonly descender: number;
    charToGlyph(letter: string): Glyph;
    toArrayBuffer(): ArrayBuffer;
  }
  function parse(bytes: ArrayBuffer): Font;
}
