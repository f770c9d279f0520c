import type { CheckedDocument, SourceText } from '../../document/index.ts';
import { definitionAt, wordAt, type WrittenAt } from './definitions.ts';

/**
 * Every place of a document and its theme files that names what the word at a place names, and where that is written, which comes
 * first; without quotes. @param text The document's, or that of one of its theme files.
 */
export function referencesAt(document: CheckedDocument, text: string, offset: number): readonly WrittenAt[] {
  const found = definitionAt(document, text, offset);
  if (!found) return [];
  const written = unquoted(found);
  const name = written.source.text.slice(written.range.start, written.range.end);
  const places = new Map([[placeOf(written), written]]);
  for (const source of filesOf(document))
    for (const place of namingIn(source, name)) {
      const named = definitionAt(document, source.text, place.range.end);
      if (named && placeOf(unquoted(named)) === placeOf(written)) places.set(placeOf(place), place);
    }
  return [...places.values()];
}

/** The texts of a document and of its themes; those of tokens in a file of their own name nothing else. */
export function filesOf({ origin, themes, named }: CheckedDocument): readonly SourceText[] {
  const all = [origin, ...[...themes, ...named.values()].map((theme) => theme.origin)];
  return [...new Map(all.flatMap(({ source }) => (source ? [[source.name, source]] : []))).values()];
}

/** Where a word is written by itself, and not in a comment. */
function* namingIn(source: SourceText, name: string): Generator<WrittenAt> {
  const { text } = source;
  for (let start = text.indexOf(name); start >= 0; start = text.indexOf(name, start + name.length)) {
    const end = start + name.length;
    const startsWord = wordAt(text, start).start === start || '.$'.includes(text[start - 1]!);
    const endsWord = wordAt(text, end).end === end || text[end] === '.';
    if (startsWord && endsWord && !isInComment(text, start)) yield { source, range: { start, end } };
  }
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
