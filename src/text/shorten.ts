const ellipsis = '…';

/**
 * A text with an ellipsis for as little of it as has to go, so that it fits. What goes are whole characters as a reader
 * counts them (grapheme clusters, UAX 29).
 * @param always Whether some of the text is left out already, so that the ellipsis stands in any case.
 */
export function shortened(
  text: string,
  place: 'end' | 'middle',
  fits: (candidate: string) => boolean,
  always: boolean,
): string {
  if (!always && fits(text)) return text;
  const letters = [...new Intl.Segmenter('en', { granularity: 'grapheme' }).segment(text)].map(
    ({ segment }) => segment,
  );
  const candidate = (kept: number): string => {
    if (place === 'end') return letters.slice(0, kept).join('').trimEnd() + ellipsis;
    const before = Math.ceil(kept / 2);
    const after = kept - before;
    const head = letters.slice(0, before).join('').trimEnd();
    return (
      head +
      ellipsis +
      letters
        .slice(letters.length - after)
        .join('')
        .trimStart()
    );
  };
  let low = 0;
  let high = letters.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (fits(candidate(middle))) low = middle;
    else high = middle - 1;
  }
  return candidate(low);
}
