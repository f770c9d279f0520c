import createBidi, { type Bidi } from 'bidi-js';
import LineBreaker from 'linebreak';
import { HarfBuzz, type CompiledModule } from './harfbuzz.ts';

/** What sets texts: the shaper, and the tables of Unicode for both directions (UAX 9) and the ends of lines (UAX 14). */
export interface TextEngine {
  readonly shaper: HarfBuzz;
  readonly bidi: Bidi;
  readonly LineBreaker: new (text: string) => {
    nextBreak(): { readonly position: number; readonly required: boolean } | null;
  };
}

/** @param shaper The WebAssembly module of HarfBuzz that comes with the package `harfbuzzjs`, compiled. */
export function textEngine(shaper: CompiledModule): TextEngine {
  // Its types take its default export for a namespace.
  return { shaper: new HarfBuzz(shaper), bidi: (createBidi as unknown as () => Bidi)(), LineBreaker };
}
