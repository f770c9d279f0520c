import { loadEngine, type TextEngine } from '../text/index.ts';

/**
 * Loads what sets texts: the shaper HarfBuzz (WebAssembly) and the tables of Unicode. Once for a page, before its first view.
 * @param shaper Where the shaper is; beside this module if left out. Bundlers that do not follow `new URL(…, import.meta.url)`
 * are given the address of `pimbot/shaper.wasm`.
 * @throws Error where it cannot be loaded, with its address.
 */
export function loadText(
  shaper: URL | string = new URL('../../assets/shaper.wasm', import.meta.url),
): Promise<TextEngine> {
  return loadEngine(compiled(shaper));
}

async function compiled(shaper: URL | string): Promise<WebAssembly.Module> {
  let cause: unknown;
  try {
    const answer = await fetch(shaper);
    // Compiled while it comes, where the server says what it is. One that answers everything with its first page gives text.
    if (answer.ok && answer.headers.get('content-type') === 'application/wasm')
      return await WebAssembly.compileStreaming(answer);
    if (answer.ok) return await WebAssembly.compile(await answer.arrayBuffer());
  } catch (error) {
    cause = error;
  }
  throw new Error(
    `the shaper is not at ${String(shaper)}: give loadText the address of the file pimbot/shaper.wasm`,
    { cause },
  );
}
