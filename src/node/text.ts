import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { textEngine, type TextEngine } from '../text/engine.ts';

/** The file of the shaper. */
export function shaperFile(): string {
  return fileURLToPath(new URL('../../assets/shaper.wasm', import.meta.url));
}

/** What sets texts; made anew each time. */
export function nodeText(): TextEngine {
  return textEngine(new WebAssembly.Module(readFileSync(shaperFile())));
}
