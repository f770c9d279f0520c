import type { LineRun, TextLine } from '../text/index.ts';
import type { PathStep } from './draw-list.ts';

/**
 * The outlines of a line of text.
 * @param x Where the line starts, in device px. @param baseline In device px.
 * @param scale Device px one u of the text is.
 */
export function outlineLine(
  line: Pick<TextLine, 'runs'>,
  x: number,
  baseline: number,
  scale: number,
  into: PathStep[],
): void {
  for (const run of line.runs) outlineRun(run, x, baseline, scale, into);
}

/** The outlines of the glyphs of one face in a line. */
export function outlineRun(
  { face, unit, glyphs }: Pick<LineRun, 'face' | 'unit' | 'glyphs'>,
  x: number,
  baseline: number,
  scale: number,
  into: PathStep[],
): void {
  const size = unit * scale;
  for (const glyph of glyphs) {
    const left = x + glyph.x * scale;
    const base = baseline - glyph.y * scale;
    for (const { type, values } of face.outline(glyph.id)) {
      into.push({
        type: type as PathStep['type'],
        values: values.map((value, at) => (at % 2 === 0 ? left + value * size : base - value * size)),
      });
    }
  }
}
