import type { CheckedDocument, SourceText } from '../../document/index.ts';
import { definitionAt, wordAt, type WrittenAt } from './definitions.ts';

/** Every place of a document that names what the word at a place names, and where that is written, which comes first. */
export function referencesAt(document: CheckedDocument, text: string, offset: number): readonly WrittenAt[] {
  const written = definitionAt(document, text, offset);
  if (!written) return [];
  const { source } = document.origin;
  const name = nameOf(written);
  const found = new Map([[placeOf(written), written]]);
  for (let at = text.indexOf(name); at >= 0; at = text.indexOf(name, at + name.length)) {
    const end = at + name.length;
    const { start } = wordAt(text, at);
    const { end: wordEnd } = wordAt(text, end);
    const isWhole = (at === start || '.$'.includes(text[at - 1]!)) && (end === wordEnd || text[end] === '.');
    if (!isWhole || isInComment(text, at)) continue;
    const names = definitionAt(document, text, end);
    if (!names || placeOf(names) !== placeOf(written)) continue;
    const one = { source: source ?? written.source, range: { start: at, end } };
    if (!isAtOnce(one, written)) found.set(placeOf(one), one);
  }
  return [...found.values()];
}

/** What is written there, without quotes. */
function nameOf({ source, range }: WrittenAt): string {
  return source.text.slice(range.start, range.end).replace(/^(["'])(.*)\1$/s, '$2');
}

function placeOf({ source, range }: WrittenAt): string {
  return `${source.name}:${range.start}`;
}

/** Whether a place is the one where it is written, with or without quotes. */
function isAtOnce(
  one: { readonly source: SourceText; readonly range: WrittenAt['range'] },
  written: WrittenAt,
): boolean {
  return (
    one.source.name === written.source.name &&
    one.range.start >= written.range.start &&
    one.range.end <= written.range.end
  );
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
