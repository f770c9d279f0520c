import createBidi, { type Bidi } from 'bidi-js';
import { HarfBuzz, type CompiledModule } from './harfbuzz.ts';
import { LineClasses } from './line-classes.ts';
import { lineBreaks, type Opportunity } from './line-rules.ts';

/** What sets texts: the shaper, and the tables of Unicode for both directions (UAX 9) and the ends of lines (UAX 14). */
export interface TextEngine {
  readonly shaper: HarfBuzz;
  readonly bidi: Bidi;
  /** Every place in a text where a line may or must end, the end of the text among them. */
  readonly lineBreaks: (text: string) => readonly Opportunity[];
}

/** @param shaper The WebAssembly module of HarfBuzz that comes with the package `harfbuzzjs`, compiled. */
export function textEngine(shaper: CompiledModule): TextEngine {
  // Its types take its default export for a namespace.
  const bidi = (createBidi as unknown as () => Bidi)();
  const classes = new LineClasses();
  return { shaper: new HarfBuzz(shaper), bidi, lineBreaks: (text) => lineBreaks(text, classes) };
}
