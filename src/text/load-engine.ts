import type { TextEngine } from './engine.ts';
import type { CompiledModule } from './harfbuzz.ts';

/**
 * The same as {@link textEngine}, loaded when it is asked for: its tables are as large as a tenth of a game's other code.
 * @param shaper The WebAssembly module of HarfBuzz, compiled.
 */
export async function loadEngine(shaper: CompiledModule): Promise<TextEngine> {
  const { textEngine } = await import('./engine.ts');
  return textEngine(shaper);
}
