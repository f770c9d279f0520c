/**
 * Hands over the pieces of a text of Latin letters, digits and spaces, with a point or comma right after one of the
 * former: such a text may break after spaces and nowhere else (LB 7, 13, 18, 23, 25, 28, 29), and what changes all the
 * time in a game needs no tables. Returns false, before anything was handed over, for any other text.
 */
export function plainPieces(text: string, add: (piece: string) => void): boolean {
  const { length } = text;
  let before = 0;
  for (let at = 0; at < length; at++) {
    const kind = kindOf(text.charCodeAt(at));
    if (kind === 0 || (kind === 3 && before !== 1)) return false;
    before = kind;
  }
  let from = 0;
  for (let at = 1; at < length; at++) {
    if (text.charCodeAt(at - 1) !== space || text.charCodeAt(at) === space) continue;
    add(text.slice(from, at));
    from = at;
  }
  if (length > 0) add(from === 0 ? text : text.slice(from));
  return true;
}

const space = 32;

/** 1 a letter or digit, 2 a space, 3 a point or comma, 0 anything else. */
function kindOf(letter: number): 0 | 1 | 2 | 3 {
  if ((letter >= 97 && letter <= 122) || (letter >= 48 && letter <= 57) || (letter >= 65 && letter <= 90))
    return 1;
  if (letter === space) return 2;
  return letter === 46 || letter === 44 ? 3 : 0;
}
