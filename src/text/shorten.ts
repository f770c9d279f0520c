/** What is kept of a text with an ellipsis in it: up to one offset, and from another on. */
export interface Shortened {
  readonly head: number;
  readonly tail: number;
}

/** The same, and what is kept as soon as one letter more fits. */
export interface ShortenedSoFar extends Shortened {
  readonly next: Shortened;
}

/**
 * Where an ellipsis stands for as little of a text as has to go, so that it fits; undefined where all of it does. What goes are whole characters as a reader
 * counts them (grapheme clusters, UAX 29).
 * @param always Whether some of the text is left out already, so that the ellipsis stands in any case.
 */
export function shortened(
  text: string,
  place: 'end' | 'middle',
  fits: (kept: Shortened) => boolean,
  always: boolean,
): ShortenedSoFar | undefined {
  if (!always && fits({ head: text.length, tail: text.length })) return undefined;
  const starts = [...new Intl.Segmenter('en', { granularity: 'grapheme' }).segment(text)].map(
    ({ index }) => index,
  );
  const startOf = (letter: number) => starts[letter] ?? text.length;
  const candidate = (kept: number): Shortened => {
    const before = place === 'end' ? kept : Math.ceil(kept / 2);
    const head = text.slice(0, startOf(before)).trimEnd().length;
    if (place === 'end') return { head, tail: text.length };
    const rest = text.slice(startOf(starts.length - (kept - before)));
    return { head, tail: text.length - rest.trimStart().length };
  };
  let low = 0;
  let high = starts.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (fits(candidate(middle))) low = middle;
    else high = middle - 1;
  }
  const kept = Math.max(0, low);
  const all = { head: text.length, tail: text.length };
  return { ...candidate(kept), next: kept + 1 < starts.length ? candidate(kept + 1) : all };
}
