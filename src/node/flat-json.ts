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

/** A string, a mark, a number or word, or a quote that never ends, with what is blank before it (RFC 8259). */
const tokens = /[ \t\r\n]*(?:("(?:[^"\\\n]|\\[^\n])*")|([{}[\]:,])|([^ \t\r\n"{}[\]:,]+)|("[^\n]*)|$)/y;

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
    const word =
      pattern
        .exec(text)
        ?.slice(1)
        .find((group) => group !== undefined) ?? '';
    const end = pattern.lastIndex || text.length;
    return { text: word, range: { start: end - word.length, end: Math.max(end, end - word.length + 1) } };
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
  let token = next();
  if (token.text === '}') token = { ...token, text: 'end' };
  while (token.text !== 'end') {
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
    token = next();
    if (token.text === '}') break;
    if (token.text !== ',') return told(token, ', or }');
    token = next();
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
  if (/^"[^"]*$/.test(found)) return 'a text whose quote does not end';
  return found.length > 1 && found.startsWith('"') ? shortened(found.slice(1, -1)) : found.slice(0, 40);
}

export function shortened(text: string): string {
  return `"${text.slice(0, 60)}"`;
}
