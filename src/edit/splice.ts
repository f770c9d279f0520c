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
