import type { CheckedDocument } from '../../document/index.ts';
import { definitionAt, wordAt, type WrittenAt } from './definitions.ts';

/** Every place of a document that names what the word at a place names, and where that is written, which comes first; without quotes. */
export function referencesAt(document: CheckedDocument, text: string, offset: number): readonly WrittenAt[] {
  const found = definitionAt(document, text, offset);
  if (!found) return [];
  const written = unquoted(found);
  const name = written.source.text.slice(written.range.start, written.range.end);
  const source = document.origin.source ?? written.source;
  const places = new Map([[placeOf(written), written]]);
  for (let start = text.indexOf(name); start >= 0; start = text.indexOf(name, start + name.length)) {
    const end = start + name.length;
    const startsWord = wordAt(text, start).start === start || '.$'.includes(text[start - 1]!);
    const endsWord = wordAt(text, end).end === end || text[end] === '.';
    if (!startsWord || !endsWord || isInComment(text, start)) continue;
    const named = definitionAt(document, text, end);
    if (!named || placeOf(unquoted(named)) !== placeOf(written)) continue;
    const place = { source, range: { start, end } };
    places.set(placeOf(place), place);
  }
  return [...places.values()];
}

/** Without the quotes that it may be written in. */
function unquoted({ source, range: { start, end } }: WrittenAt): WrittenAt {
  const isQuoted = /["']/.test(source.text[start]!);
  return { source, range: isQuoted ? { start: start + 1, end: end - 1 } : { start, end } };
}

function placeOf({ source, range }: WrittenAt): string {
  return `${source.name}:${range.start}`;
}

/** Whether a place is behind a # that starts a comment, as far as its line tells. */
function isInComment(text: string, at: number): boolean {
  const line = text.slice(text.lastIndexOf('\n', at - 1) + 1, at);
  let quote = '';
  for (let nth = 0; nth < line.length; nth++) {
    const letter = line[nth]!;
    const before = nth === 0 ? ' ' : line[nth - 1]!;
    if (quote !== '') quote = letter === quote ? '' : quote;
    // An apostrophe within words quotes nothing.
    else if ((letter === '"' || letter === "'") && /[\s[{,:]/.test(before)) quote = letter;
    else if (letter === '#' && /\s/.test(before)) return true;
  }
  return false;
}
