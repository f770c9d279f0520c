import type { Finding, Verdict } from '../verdict/index.ts';
import type { CheckedDocument } from '../document/index.ts';

/** A checked file and what came of it. */
export interface ReportInput {
  /** As the user named it. */
  readonly file: string;
  readonly document: CheckedDocument;
  readonly verdict: Verdict;
}

/** Text in colours where the output is a terminal, as it is elsewhere. */
export interface Ink {
  good(text: string): string;
  bad(text: string): string;
  doubtful(text: string): string;
  faint(text: string): string;
  strong(text: string): string;
}

/** Where a finding is told to be, `file:line:column`. */
export function findingPlace({ document, file }: ReportInput, { place, pointer }: Finding): string {
  return place ?? wherePointer(document, file, pointer);
}

/** Line and column of a pointer, `file:line:column`; the file alone for a document given as an object. */
export function wherePointer(
  { origin }: Pick<CheckedDocument, 'origin'>,
  file: string,
  pointer: string,
): string {
  const { source, range } = origin.at(pointer);
  if (!source || !range) return file;
  const { line, column } = source.placeOf(range.start);
  return `${file}:${line}:${column}`;
}
