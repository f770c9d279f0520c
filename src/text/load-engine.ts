import type { TextEngine } from './engine.ts';
import type { CompiledModule } from './harfbuzz.ts';

/**
 * The same as {@link textEngine}, loaded when it is asked for: its tables are as large as a tenth of a game's other code.
 * @param shaper The WebAssembly module of HarfBuzz, compiled; a promise of it where it is still to come, so that both come at
 * the same time.
 */
export async function loadEngine(shaper: CompiledModule | Promise<CompiledModule>): Promise<TextEngine> {
  const [{ textEngine }, compiled] = await Promise.all([import('./engine.ts'), shaper]);
  return textEngine(compiled);
}
