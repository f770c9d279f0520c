import { loadEngine, type TextEngine } from '../text/index.ts';

/**
 * Loads what sets texts: the shaper HarfBuzz (WebAssembly) and the tables of Unicode. Once for a page, before its first view.
 * @param shaper Where the shaper is; beside this module if left out. Bundlers that do not follow `new URL(…, import.meta.url)`
 * are given the address of `pimbot/shaper.wasm`.
 * @throws Error where it cannot be loaded, with its address.
 */
export async function loadText(
  shaper: URL | string = new URL('../../assets/shaper.wasm', import.meta.url),
): Promise<TextEngine> {
  const answer = await fetch(shaper);
  const bytes = answer.ok ? await answer.arrayBuffer() : undefined;
  // A server that answers everything with its first page gives text.
  if (!bytes || new DataView(bytes).getUint32(0) !== magic)
    throw new Error(
      `the shaper is not at ${String(shaper)}: give loadText the address of the file pimbot/shaper.wasm`,
    );
  return loadEngine(await WebAssembly.compile(bytes));
}

/** What a file of WebAssembly begins with: `\0asm`. */
const magic = 0x0061736d;
