import { dirname, relative } from 'node:path';
import { DiagnosticSeverity, type Diagnostic as Shown, type Location } from 'vscode-languageserver/node';
import {
  SourceText,
  messageOf,
  type CheckedDocument,
  type Diagnostic,
  type Origin,
  type Range,
} from '../document/index.ts';
import type { Project } from '../node/project.ts';
import { counted, sentenceOf } from '../report/index.ts';
import { keyOf, type Finding, type Verdict } from '../verdict/index.ts';

/** What is known of a document file. */
export interface Known {
  readonly project: Project;
  /** The text it was read from. */
  readonly text: string;
  /** The last version that could be used. */
  readonly usable: Project | undefined;
  verdict?: Verdict;
  /** What cases give that keys cannot be: nothing else is found then. */
  refused?: readonly Diagnostic[];
}

/** Where something stands in a file, by the file's path. */
export type Locate = (source: SourceText, range: Range) => Location;

/** What is wrong with a document and with the files it names: as an editor shows it, by the name of the file it stands in. */
export function shownByFile(
  { project, refused = [], verdict, text }: Known,
  file: string,
  locate: Locate,
): ReadonlyMap<string, readonly Shown[]> {
  const all = new Map<string, Shown[]>([[file, []]]);
  const add = (name: string, shown: Shown) => {
    const known = all.get(name);
    if (known) known.push(shown);
    else all.set(name, [shown]);
  };
  const elsewhere = new Map<string, Diagnostic[]>();
  for (const one of [...project.diagnostics, ...refused]) {
    const { source = new SourceText(text, file), range = { start: 0, end: 1 } } = one;
    add(source.name, diagnosticShown(one, source, range));
    if (source.name !== file) elsewhere.set(source.name, [...(elsewhere.get(source.name) ?? []), one]);
  }
  for (const [name, diagnostics] of elsewhere) add(file, elsewhereShown(name, diagnostics, text, file));
  for (const finding of verdict?.findings ?? []) {
    const origin = originOf(project.document!, finding);
    add(origin.source?.name ?? file, findingShown(finding, origin, locate));
  }
  return all;
}

function diagnosticShown(diagnostic: Diagnostic, source: SourceText, range: Range): Shown {
  const { code, facts } = diagnostic;
  const { meant } = facts as { meant?: string };
  return {
    range: shownRange(source, range),
    severity: severityOf(diagnostic),
    source: 'pimbot',
    code,
    message: messageOf(diagnostic),
    ...(meant !== undefined && { data: { meant, word: source.text.slice(range.start, range.end) } }),
  };
}

/** What is wrong in another file, where the document names it: the first of it, and how many more there are. */
function elsewhereShown(name: string, diagnostics: readonly Diagnostic[], text: string, file: string): Shown {
  const worst = diagnostics.find(({ severity }) => severity === 'error') ?? diagnostics[0]!;
  const { source, range } = worst;
  const path = relative(dirname(file), name).replaceAll('\\', '/');
  const start = Math.max(0, text.indexOf(path));
  const { line, column } = source!.placeOf(range?.start ?? 0);
  const others = diagnostics.length - 1;
  const more = others === 0 ? '' : ` (and ${counted(others, 'more mistake')} there)`;
  return {
    range: shownRange(new SourceText(text, file), { start, end: start + path.length }),
    severity: severityOf(worst),
    source: 'pimbot',
    code: worst.code,
    message: `${path}:${line}:${column}: ${messageOf(worst)}${more}`,
  };
}

function findingShown(finding: Finding, origin: Origin, locate: Locate): Shown {
  const { range = { start: 0, end: 0 }, source = new SourceText('', '') } = origin.atKey(finding.pointer);
  // The line it starts on: a widget's range goes over all that is in it.
  const line = source.text.indexOf('\n', range.start);
  const end = Math.min(range.end, line < 0 ? Infinity : line);
  const name = finding.view === undefined ? finding.widget : `${finding.view}/${finding.widget}`;
  return {
    range: shownRange(source, { start: range.start, end }),
    severity: finding.severity === 'error' ? DiagnosticSeverity.Warning : DiagnosticSeverity.Information,
    source: 'pimbot',
    code: finding.check,
    message: `${name} ${sentenceOf(finding)}${whereOf(finding.occurrences)}`,
    data: { key: keyOf(finding) },
    relatedInformation: finding.reasons.flatMap(({ text, pointer }) => {
      const at = origin.at(pointer);
      return at.source && at.range ? [{ location: locate(at.source, at.range), message: text }] : [];
    }),
  };
}

/** The file a finding stands in: the document's own, or that of one of its themes. */
function originOf({ origin, themes, named }: CheckedDocument, { place, pointer }: Finding): Origin {
  if (place === undefined) return origin;
  const others = [...themes, ...named.values()].flatMap((theme) => [
    theme.origin,
    ...theme.tokenFiles.map((one) => one.origin),
  ]);
  return others.find((one) => one.place(pointer) === place) ?? origin;
}

/** A range as the protocol counts it: lines and UTF-16 units from 0. */
export function shownRange(source: SourceText, { start, end }: Range): Shown['range'] {
  const place = (offset: number) => {
    const { line, column } = source.placeOf(offset);
    return { line: line - 1, character: column - 1 };
  };
  return { start: place(start), end: place(end) };
}

function severityOf({ severity }: Diagnostic): DiagnosticSeverity {
  return severity === 'error' ? DiagnosticSeverity.Error : DiagnosticSeverity.Warning;
}

function whereOf(occurrences: Finding['occurrences']): string {
  const names = [...new Set(occurrences.map(({ screen }) => screen))];
  if (names.length === 0) return '';
  if (names.length <= 3) return ` (${names.join(', ')})`;
  return ` (${names.slice(0, 2).join(', ')} and ${names.length - 2} more screens)`;
}
