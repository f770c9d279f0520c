import type { DiagnosticList } from './diagnostics.ts';
import {
  Origin,
  asSource,
  type CheckedDocument,
  type CheckedTheme,
  type DocumentSource,
  type ThemeFileSource,
} from './model.ts';
import { mostDepth, parseText, type Json } from './parse.ts';
import { checkStructure } from './structure.ts';
import { validate } from './validate.ts';

/** The answer of a {@link FileReader}: the text, or why there is none. */
export type FileText =
  | { readonly text: string; readonly name: string }
  | { readonly problem: 'missing' | 'outside' | 'unreadable'; readonly detail: string };

/** Gives the text of a file that a document names; the path is as written there. */
export type FileReader = (path: string) => FileText;

/**
 * Text or object → document of the right shape, with its theme file. Looks and messages are not
 * looked into here: theme/ and build/ do that.
 * @param otherTheme Path of a theme file that is read in place of the one the document names.
 */
export function readShape(
  input: string | DocumentSource,
  name: string,
  diagnostics: DiagnosticList,
  readFile?: FileReader,
  otherTheme?: string,
): CheckedDocument | undefined {
  const read = readChecked<DocumentSource>(input, name, 'document', diagnostics);
  if (!read) return undefined;
  checkStructure(read.value, read.origin, diagnostics);
  const themes: CheckedTheme[] = [{ theme: read.value, origin: read.origin }];
  const path = otherTheme ?? read.value.theme ?? '';
  if (path !== '') {
    const theme = readThemeFile(path, read.origin, diagnostics, readFile);
    if (theme) themes.push(theme);
  }
  return { source: read.value, origin: read.origin, themes };
}

function readThemeFile(
  path: string,
  origin: Origin,
  diagnostics: DiagnosticList,
  readFile: FileReader | undefined,
): CheckedTheme | undefined {
  const file = readFile?.(path) ?? { problem: 'missing', detail: '' };
  if ('problem' in file) {
    const at = origin.at('/theme');
    if (file.problem === 'missing') diagnostics.add('file-missing', { path }, at);
    else if (file.problem === 'outside') diagnostics.add('file-outside', { path }, at);
    else diagnostics.add('file-unreadable', { path, what: 'a theme', detail: file.detail }, at);
    return undefined;
  }
  const read = readChecked<ThemeFileSource>(file.text, file.name, 'theme', diagnostics);
  return read && { theme: read.value, origin: read.origin };
}

function readChecked<T>(
  input: string | T,
  name: string,
  format: 'document' | 'theme',
  diagnostics: DiagnosticList,
): { value: T; origin: Origin } | undefined {
  if (typeof input !== 'string') {
    const origin = new Origin();
    if (isTooDeep(input)) {
      diagnostics.add('too-deep', { most: mostDepth }, { pointer: '' });
      return undefined;
    }
    return validate(input as unknown as Json, format, origin, diagnostics)
      ? { value: input, origin }
      : undefined;
  }
  const parsed = parseText(input, name, diagnostics);
  if (!parsed) return undefined;
  const origin = new Origin(parsed.source, parsed.positions);
  if (typeof parsed.value !== 'object' || parsed.value === null || Array.isArray(parsed.value)) {
    diagnostics.add('not-a-map', { what: `a ${format}` }, origin.at(''));
    return undefined;
  }
  if (!validate(parsed.value, format, origin, diagnostics)) return undefined;
  return { value: asSource<T>(parsed.value), origin };
}

/** Whether a value is nested deeper than is read; one that leads back to itself is. */
function isTooDeep(value: unknown): boolean {
  const stack = [{ value, depth: 0 }];
  for (let next = stack.pop(); next; next = stack.pop()) {
    if (next.depth > mostDepth) return true;
    if (typeof next.value !== 'object' || next.value === null) continue;
    for (const inner of Object.values(next.value)) stack.push({ value: inner, depth: next.depth + 1 });
  }
  return false;
}
