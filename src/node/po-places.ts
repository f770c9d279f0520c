import type { Range } from '../document/index.ts';

/** A keyword at the start of a line and its strings, one or more after each other, as gettext writes them. */
const entries =
  /^(msgctxt|msgid)[ \t]+("(?:[^"\\\n]|\\[^\n])*"(?:[ \t]*\r?\n[ \t]*"(?:[^"\\\n]|\\[^\n])*")*)/gm;

/** Where the texts without a context of a PO file stand, in their order. */
export function placesInPo(text: string): ReadonlyMap<string, readonly Range[]> {
  const places = new Map<string, Range[]>();
  let hasContext = false;
  for (const match of text.matchAll(entries)) {
    const [whole, keyword, strings] = match as unknown as [string, string, string];
    if (keyword === 'msgctxt') hasContext = true;
    else if (hasContext) hasContext = false;
    else {
      const start = match.index + whole.length - strings.length;
      const range = { start, end: start + strings.length };
      const said = joined(strings);
      const known = places.get(said);
      if (known) known.push(range);
      else places.set(said, [range]);
    }
  }
  return places;
}

const escapes: { readonly [letter: string]: string } = { n: '\n', t: '\t', r: '\r' };

function joined(strings: string): string {
  return [...strings.matchAll(/"((?:[^"\\\n]|\\[^\n])*)"/g)]
    .map(([, inner]) => inner!.replace(/\\(.)/g, (_, letter: string) => escapes[letter] ?? letter))
    .join('');
}
