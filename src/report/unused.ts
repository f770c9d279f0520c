import { escapeXml } from '../paint/index.ts';

/** A file that was to be looked at and could not be used, and why. */
export interface UnusedFile {
  /** As the user named it. */
  readonly file: string;
  readonly errors: readonly UnusedError[];
}

export interface UnusedError {
  readonly code: string;
  readonly severity: 'error' | 'warning';
  readonly message: string;
  /** The file it is in, which may be a theme or another one that is named. */
  readonly file: string;
  /** From 1; undefined where it is about the file as a whole. */
  readonly line?: number;
  readonly column?: number;
}

/** `file:line:column: error: …` */
export function unusedText({ file, line, column, severity, message }: UnusedError): string {
  const place = line === undefined ? '' : `:${line}:${column ?? 1}`;
  return `${file}${place}: ${severity}: ${message}`;
}

/** What JSON says of them, among the files of a report. */
export function unusedJson(unused: readonly UnusedFile[]): readonly object[] {
  return unused.map(({ file, errors }) => ({ file, passed: false, errors }));
}

/** A list for a page; nothing where every file was used. */
export function unusedHtml(unused: readonly UnusedFile[]): string {
  if (unused.length === 0) return '';
  const files = unused.map(({ file, errors }) => {
    const all = errors.map((one) => `<li>${escapeXml(unusedText(one))}</li>`).join('');
    return `<h2>${escapeXml(file)} was not used</h2><ol>${all}</ol>`;
  });
  return `<section aria-label="Files that were not used">${files.join('')}</section>`;
}
