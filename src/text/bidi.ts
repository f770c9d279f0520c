import type { TextEngine } from './engine.ts';

/** Characters that are written from right to left, or that say so: without one, a text needs no levels. */
const rightToLeftLetters =
  /[\u0590-\u08ff\u200f\u202b\u202e\u2067\ufb1d-\ufdff\ufe70-\ufefc]|\ud802|\ud803|\ud83a|\ud83b/;

/** The embedding level of each UTF-16 unit by UAX 9; undefined where all are 0. */
export function levelsOf(text: string, rightToLeft: boolean, { bidi }: TextEngine): Uint8Array | undefined {
  if (!rightToLeft && !rightToLeftLetters.test(text)) return undefined;
  if (text === '') return undefined;
  return bidi.getEmbeddingLevels(text, rightToLeft ? 'rtl' : 'ltr').levels;
}

/** Stretches of a line in the order in which they are seen, from left to right (UAX 9, rule L2). */
export function visualOrder<T extends { readonly level: number }>(stretches: readonly T[]): T[] {
  const order = [...stretches];
  let highest = 0;
  let lowestOdd = Infinity;
  for (const { level } of order) {
    highest = Math.max(highest, level);
    if (level % 2 === 1) lowestOdd = Math.min(lowestOdd, level);
  }
  for (let level = highest; level >= lowestOdd; level--) {
    for (let from = 0; from < order.length; from++) {
      if (order[from]!.level < level) continue;
      let to = from;
      while (to < order.length && order[to]!.level >= level) to++;
      order.splice(from, to - from, ...order.slice(from, to).reverse());
      from = to;
    }
  }
  return order;
}
