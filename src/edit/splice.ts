import { pointerTo, type CheckedDocument } from '../document/index.ts';

/** A piece of text to be put in place of another. */
export interface Splice {
  readonly start: number;
  readonly end: number;
  readonly text: string;
}

/** The text with pieces replaced; they may not overlap. */
export function spliced(text: string, splices: readonly Splice[]): string {
  let result = text;
  for (const { start, end, text: piece } of [...splices].sort((a, b) => b.start - a.start)) {
    result = result.slice(0, start) + piece + result.slice(end);
  }
  return result;
}

/**
 * The change that gives a key of a map a value, in the map's own style; everything else, comments too, stays as it is.
 * @returns undefined for a document that was not read from a text.
 */
export function setKey(
  document: CheckedDocument,
  map: string,
  key: string,
  value: string,
): Splice | undefined {
  const { source } = document.origin;
  const whole = document.origin.at(map).range;
  if (!source || !whole) return undefined;
  const { text } = source;
  const pointer = pointerTo(map, key);
  const old = document.origin.atKey(pointer).range;
  const there =
    old && old.start >= whole.start && text.slice(old.start, old.end).replace(/["']/g, '') === key;
  if (there) {
    const range = document.origin.at(pointer).range!;
    return { start: range.start, end: range.end, text: value };
  }
  if (text[whole.start] === '{')
    return { start: whole.start + 1, end: whole.start + 1, text: ` ${key}: ${value},` };
  // A block map: a line of its own before the first key, at that key's column.
  const lineStart = text.lastIndexOf('\n', whole.start - 1) + 1;
  const indent = ' '.repeat(whole.start - lineStart);
  return { start: whole.start, end: whole.start, text: `${key}: ${value}\n${indent}` };
}

/** The change that takes a key out of a map; undefined for a document that was not read from a text. */
export function removeKey(document: CheckedDocument, map: string, key: string): Splice | undefined {
  const { source } = document.origin;
  const whole = document.origin.at(map).range;
  const pointer = pointerTo(map, key);
  const name = document.origin.atKey(pointer).range;
  const value = document.origin.at(pointer).range;
  if (!source || !whole || !name || !value) return undefined;
  const { text } = source;
  if (text[whole.start] === '{') {
    const before = /,\s*$/.exec(text.slice(whole.start, name.start));
    if (before) return { start: name.start - before[0].length, end: value.end, text: '' };
    const after = /^\s*,\s*/.exec(text.slice(value.end, whole.end));
    return { start: name.start, end: value.end + (after?.[0].length ?? 0), text: '' };
  }
  // A block map: the lines the key stands on, up to where the next key or the end of the map is.
  let end = value.end;
  const rest = /^[ \t]*\r?\n/.exec(text.slice(end));
  if (rest && text[end - 1] !== '\n') end += rest[0].length;
  const lineStart = text.lastIndexOf('\n', name.start - 1) + 1;
  const own = text.slice(lineStart, name.start).trim() === '';
  if (own) return { start: lineStart, end, text: '' };
  // The first key of a list's entry shares its line with the dash: the next key takes its place.
  const next = /^\s*/.exec(text.slice(end))![0].length;
  return { start: name.start, end: end + next, text: '' };
}
