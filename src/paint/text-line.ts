import { defaultFont, type Rgba } from '../theme/index.ts';
import { lineOf, type FontBook } from '../text/index.ts';
import type { DrawOperation } from './draw-list.ts';

const plainShaping = { tabular: false, language: 'en' } as const;

/** A line of plain text that belongs to no widget: how wide it is, in px, and how it is drawn. */
export function plainLine(
  text: string,
  fonts: FontBook,
  { size, weight }: { readonly size: number; readonly weight: number },
): {
  readonly width: number;
  readonly drawn: (x: number, baseline: number, color: Rgba) => DrawOperation;
} {
  const line = lineOf(text, fonts.chain(defaultFont, weight, false, plainShaping), size);
  return {
    width: line.width,
    drawn: (x, baseline, color) => ({
      type: 'glyphs',
      widget: -1,
      runs: line.runs.map(({ face, unit, glyphs }) => ({ face, size: unit, x, baseline, scale: 1, glyphs })),
      color,
      opacity: 1,
      words: [],
    }),
  };
}
