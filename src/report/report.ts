import type { Finding, Verdict } from '../verdict/index.ts';
import type { TriedChange } from '../mend/index.ts';
import type { CheckedDocument } from '../document/index.ts';

/** A checked file and what came of it. */
export interface ReportInput {
  /** As the user named it. */
  readonly file: string;
  readonly document: CheckedDocument;
  readonly verdict: Verdict;
  /** For each finding of the verdict, in its order: a change that was tried and mends it. */
  readonly suggestions?: readonly (TriedChange | undefined)[];
  /** What a change does on every size, in words, where that is proved. */
  readonly onEverySize?: ReadonlyMap<TriedChange, string>;
  /** Failed findings for which no change was tried. */
  readonly untried?: number;
}

/** Text in colours where the output is a terminal, as it is elsewhere. */
export interface Tones {
  good(text: string): string;
  bad(text: string): string;
  doubtful(text: string): string;
  faint(text: string): string;
  strong(text: string): string;
}

/** The change that mends a finding, where one was found. */
export function suggestionOf(
  { verdict, suggestions }: ReportInput,
  finding: Finding,
): TriedChange | undefined {
  return suggestions?.[verdict.findings.indexOf(finding)];
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
  return origin.place(pointer, file) ?? file;
}
