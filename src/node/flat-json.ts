import type { Range } from '../document/index.ts';

/** A key and its text, and where both stand. */
export interface FlatEntry {
  readonly key: string;
  readonly keyAt: Range;
  readonly value: string;
  readonly valueAt: Range;
}

/** What is wrong, and where. */
export interface FlatProblem {
  readonly detail: string;
  readonly range: Range;
}

type Token = { readonly text: string; readonly range: Range };

/** Blanks, then a mark, a number or word, or nothing more (RFC 8259). */
const tokens = /[ \t\r\n]*(?:([{}[\]:,])|([^ \t\r\n"{}[\]:,]+)|(")|$)/y;

/** Where a string that begins with the quote at a place ends, after its last quote; undefined where its line ends first. */
export function stringEnd(text: string, start: number): number | undefined {
  for (let at = start + 1; at < text.length; at++) {
    const letter = text[at];
    if (letter === '"') return at + 1;
    if (letter === '\n') return undefined;
    if (letter === '\\') at++;
  }
  return undefined;
}

/**
 * Reads a JSON map of texts, and where each of them stands. Ends at the first thing that is out of place; a value that is no text is
 * told and left out.
 */
export function readFlatJson(text: string): {
  readonly entries: readonly FlatEntry[];
  readonly problems: readonly FlatProblem[];
} {
  const entries: FlatEntry[] = [];
  const problems: FlatProblem[] = [];
  const pattern = new RegExp(tokens);
  const next = (): Token => {
    const word = pattern.exec(text)?.find((group, nth) => nth > 0 && group !== undefined) ?? '';
    const start = (pattern.lastIndex || text.length) - word.length;
    if (word !== '"') return { text: word, range: { start, end: start + Math.max(1, word.length) } };
    const line = text.indexOf('\n', start);
    const end = stringEnd(text, start) ?? (line < 0 ? text.length : line);
    pattern.lastIndex = end;
    return { text: text.slice(start, end), range: { start, end } };
  };
  const told = ({ text: found, range }: Token, expected: string) => {
    problems.push({ detail: `it is no JSON: ${wordFor(found)} stands where ${expected} is expected`, range });
    return { entries, problems };
  };
  const first = next();
  if (first.text !== '{') {
    const isOther = first.text !== '';
    problems.push({
      detail: isOther ? 'it is no map of texts and translations' : 'it is empty',
      range: first.range,
    });
    return { entries, problems };
  }
  for (let token = next(); entries.length > 0 || problems.length > 0 || token.text !== '}'; token = next()) {
    const key = stringOf(token);
    if (key === undefined) return told(token, entries.length === 0 ? 'a text' : 'a text after the comma');
    const colon = next();
    if (colon.text !== ':') return told(colon, `: after ${shortened(key)}`);
    const valueToken = next();
    const value = stringOf(valueToken);
    if (value !== undefined) entries.push({ key, keyAt: token.range, value, valueAt: valueToken.range });
    else if (/^["}\],:]|^$/.test(valueToken.text))
      return told(valueToken, `the translation of ${shortened(key)}`);
    else {
      problems.push({ detail: `the translation of ${shortened(key)} is no text`, range: valueToken.range });
      // What is nested is not read: where it ends is not known.
      if (/^[[{]/.test(valueToken.text)) return { entries, problems };
    }
    const after = next();
    if (after.text === '}') break;
    if (after.text !== ',') return told(after, ', or }');
  }
  const rest = next();
  return rest.text === '' ? { entries, problems } : told(rest, 'the end');
}

function stringOf({ text }: Token): string | undefined {
  if (!text.startsWith('"')) return undefined;
  try {
    return JSON.parse(text) as string;
  } catch {
    // An escape there is not, or a quote that never ends.
    return undefined;
  }
}

function wordFor(found: string): string {
  if (found === '') return 'the end';
  if (found.startsWith('"') && stringEnd(found, 0) !== found.length) return 'a text whose quote does not end';
  return found.startsWith('"') ? shortened(found.slice(1, -1)) : found.slice(0, 40);
}

export function shortened(text: string): string {
  return `"${text.slice(0, 60)}"`;
}
