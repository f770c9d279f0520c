import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { textEngine, type TextEngine } from '../text/index.ts';

/** What sets texts; made anew each time. */
export function nodeText(): TextEngine {
  const file = fileURLToPath(new URL('../../assets/shaper.wasm', import.meta.url));
  return textEngine(new WebAssembly.Module(readFileSync(file)));
}
