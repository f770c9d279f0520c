import type { FontFace, TextLine } from '../text/index.ts';
import type { PathStep } from './draw-list.ts';

/**
 * The outlines of a line of text.
 * @param x Where the line starts, in device px. @param baseline In device px.
 * @param size The font size in device px. @param spacing The letter spacing in device px.
 */
export function outlineLine(
  line: Pick<TextLine, 'shaped'>,
  face: FontFace,
  x: number,
  baseline: number,
  size: number,
  spacing: number,
  into: PathStep[],
): void {
  const unit = size / face.unitsPerEm;
  line.shaped.glyphs.forEach((glyph, index) => {
    const left = x + glyph.x * unit + spacing * index;
    const base = baseline - glyph.y * unit;
    for (const { type, values } of face.outline(glyph.id)) {
      into.push({
        type: type as PathStep['type'],
        values: values.map((value, at) => (at % 2 === 0 ? left + value * unit : base - value * unit)),
      });
    }
  });
}
