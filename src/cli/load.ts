import { formatDiagnostic, messageOf, type CheckedDocument, type Diagnostic } from '../document/index.ts';
import { FileProblem } from '../node/files.ts';
import { openProject } from '../node/project.ts';
import { counted, printable, type UnusedError, type UnusedFile } from '../report/index.ts';
import type { Resources } from '../view/index.ts';
import { UsageError, type Io } from './io.ts';
import { documentsIn, nearestFile } from './meant-files.ts';

/** A document that can be used, with all it names. */
export interface Usable {
  readonly file: string;
  readonly document: CheckedDocument;
  readonly resources: Resources;
  /** Of every byte that was read. */
  readonly fingerprint: string;
  /** The same without the document's own file. */
  readonly named: string;
}

/** A document that can be used, or a file that cannot, and why. */
export type Loaded = Usable | (UnusedFile & { readonly document: undefined });

/**
 * Reads a document and prints its diagnostics.
 * @param beforeTelling Called before anything is printed.
 * @throws UsageError when the file cannot be read.
 */
export async function load(
  file: string,
  io: Io,
  theme?: string,
  beforeTelling: () => void = () => undefined,
): Promise<Loaded> {
  const project = await openProject(file, { theme }).catch((error: unknown) => refuse(file, error));
  if (project.diagnostics.length > 0) beforeTelling();
  printDiagnostics(project.diagnostics, io);
  if (!project.document)
    return { file, document: undefined, errors: project.diagnostics.map((one) => unusedError(one, file)) };
  const { document, resources, fingerprint, named } = project;
  return { file, document, resources, fingerprint, named };
}

/** The same for a report of a file that was not used. */
export function unusedError(diagnostic: Diagnostic, file: string): UnusedError {
  const { code, severity, source, range } = diagnostic;
  const place = source && range && source.placeOf(range.start);
  return { code, severity, message: messageOf(diagnostic), file: source?.name ?? file, ...place };
}

/** Says why a document file cannot be read. @throws UsageError; whatever else it was given. */
export function refuse(file: string, error: unknown): never {
  if (!(error instanceof FileProblem)) throw error;
  throw new UsageError(
    error.problem === 'missing'
      ? `there is no file "${file}"${meant(nearestFile(file))}`
      : `"${file}" cannot be read: ${error.message}${instead(documentsIn(file))}`,
  );
}

function meant(path: string | undefined): string {
  return path === undefined ? '' : `; did you mean "${path}"?`;
}

/** What to name in place of a folder. */
function instead(documents: readonly string[]): string {
  if (documents.length < 2) return meant(documents[0]);
  const more = documents.length > mostNamed ? ` and ${documents.length - mostNamed} more` : '';
  return `; name a document in it: ${documents.slice(0, mostNamed).join(', ')}${more}`;
}

/** Documents of a folder that are named. */
const mostNamed = 4;

/** Diagnostics shown at most; more are counted. */
const mostShown = 50;

export function printDiagnostics(diagnostics: readonly Diagnostic[], io: Io): void {
  for (const diagnostic of diagnostics.slice(0, mostShown))
    io.err(`${printable(formatDiagnostic(diagnostic))}\n\n`);
  if (diagnostics.length > mostShown) io.err(`… and ${diagnostics.length - mostShown} more\n`);
  const errors = diagnostics.filter((one) => one.severity === 'error').length;
  if (errors > 0) io.err(`${io.errTones.bad(counted(errors, 'error'))}: the document was not used\n`);
}

/** The view that was asked for, or the only one. @throws UsageError when there are several. */
export function viewNamed(document: CheckedDocument, file: string, wanted: string | undefined): string {
  if (wanted !== undefined) return wanted;
  const names = Object.keys(document.source.views);
  if (names.length === 1) return names[0]!;
  throw new UsageError(`"${file}" holds several views; say which with --view: ${names.join(', ')}`);
}

/** The view and widget of `VIEW/WIDGET`; the view may be left out where there is one. @throws UsageError */
export function widgetNamed(
  document: CheckedDocument,
  file: string,
  path: string,
): { name: string; id: string } {
  const slash = path.indexOf('/');
  const name = viewNamed(document, file, slash < 0 ? undefined : path.slice(0, slash));
  const id = path.slice(slash + 1);
  if (id === '') throw new UsageError(`say which widget: ${name}/WIDGET`);
  return { name, id };
}
