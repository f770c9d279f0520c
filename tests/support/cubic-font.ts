import { Font, Glyph, Path, parse } from 'opentype.js';

/** A font with cubic outlines (OTF, CFF) made of the letters of one with quadratic ones. */
export function cubicFont(ttf: Buffer): Buffer {
  const from = parse(Uint8Array.from(ttf).buffer);
  const { unitsPerEm, ascender, descender } = from;
  const letters = [...' ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789.,-'];
  const glyphs = [
    new Glyph({ name: '.notdef', advanceWidth: unitsPerEm / 2, path: new Path() }),
    ...letters.map((letter) => {
      const { path, advanceWidth } = from.charToGlyph(letter);
      const unicode = letter.charCodeAt(0);
      return new Glyph({ name: `u${unicode}`, unicode, advanceWidth, path });
    }),
  ];
  const made = new Font({
    familyName: 'Cubic',
    styleName: 'Regular',
    unitsPerEm,
    ascender,
    descender,
    glyphs,
  });
  return Buffer.from(made.toArrayBuffer());
}
