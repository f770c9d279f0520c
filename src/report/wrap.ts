/**
 * A line broken between words so that none is longer than a width; a word that is longer stands on a line of its own.
 * Escape sequences of colours take no room.
 */
export function wrapped(line: string, width: number, indent: string): readonly string[] {
  const words = line.trimStart().split(' ');
  const lines: string[] = [];
  let current = line.slice(0, line.length - line.trimStart().length);
  let isFirst = true;
  for (const word of words) {
    const joined = isFirst ? current + word : `${current} ${word}`;
    if (!isFirst && lengthOf(joined) > width) {
      lines.push(current);
      current = indent + word;
    } else current = joined;
    isFirst = false;
  }
  return [...lines, current];
}

/** How many columns a text takes; wide characters of East Asian scripts take two (UAX 11). */
export function lengthOf(text: string): number {
  let length = 0;
  for (const character of text.replace(/\u001b\[[\d;]*m/g, '')) {
    if (/\p{Mn}/u.test(character)) continue;
    length +=
      /[\u1100-\u115f\u2e80-\ua4cf\uac00-\ud7a3\uf900-\ufaff\ufe30-\ufe6f\uff00-\uff60\uffe0-\uffe6]/.test(
        character,
      )
        ? 2
        : 1;
  }
  return length;
}
