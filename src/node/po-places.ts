import type { Range } from '../document/index.ts';
import { stringEnd } from './flat-json.ts';

const keyword = /^(msgctxt|msgid)[ \t]+(?=")/gm;
/** What stands between two strings of one entry, as gettext writes long ones. */
const between = /[ \t]*\r?\n[ \t]*(?=")/y;

/** Where the texts without a context of a PO file stand, in their order. */
export function placesInPo(text: string): ReadonlyMap<string, readonly Range[]> {
  const places = new Map<string, Range[]>();
  let hasContext = false;
  for (const { 0: whole, 1: word, index } of text.matchAll(keyword)) {
    if (word === 'msgctxt') hasContext = true;
    else if (hasContext) hasContext = false;
    else {
      const start = index + whole.length;
      const { said, end } = joined(text, start);
      const known = places.get(said);
      if (known) known.push({ start, end });
      else places.set(said, [{ start, end }]);
    }
  }
  return places;
}

const escapes: { readonly [letter: string]: string } = { n: '\n', t: '\t', r: '\r' };

/** The strings that stand after each other from a place on, as one. */
function joined(text: string, start: number): { readonly said: string; readonly end: number } {
  const parts: string[] = [];
  const blank = new RegExp(between);
  let [from, end] = [start, start];
  for (;;) {
    const after = stringEnd(text, from);
    if (after === undefined) break;
    end = after;
    parts.push(
      text.slice(from + 1, end - 1).replace(/\\(.)/g, (_, letter: string) => escapes[letter] ?? letter),
    );
    blank.lastIndex = end;
    if (!blank.test(text)) break;
    from = blank.lastIndex;
  }
  return { said: parts.join(''), end };
}
