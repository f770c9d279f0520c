import type { DiagnosticList } from './diagnostics.ts';
import {
  Origin,
  asSource,
  type CheckedDocument,
  type CheckedTheme,
  type DocumentSource,
  type ThemeFileSource,
  type ThemeSource,
  type TokenFile,
  type Notations,
} from './model.ts';
import { mostDepth, parseText } from './parse.ts';
import { pointerTo, type Json } from './pointer.ts';
import { checkStructure } from './structure.ts';
import { nearestName } from './suggest.ts';
import { validate, withoutErrors } from './validate.ts';

/** The answer of a {@link FileReader}: the text, or why there is none. */
export type FileText =
  | {
      readonly text: string;
      readonly name: string;
      /** The theme it holds, where it has been read before. */
      readonly theme?: CheckedTheme;
    }
  | { readonly problem: 'missing' | 'outside' | 'unreadable'; readonly detail: string };

/** Gives the text of a file that a document names; the path is as written there. */
export type FileReader = (path: string) => FileText;

/**
 * Text or object → document of the right shape, with its theme file. Looks and messages are not
 * looked into here: theme/ and skeleton/ do that.
 * @param otherTheme Name of one of its themes, or path of a theme file, in place of the one the document is seen in.
 */
export function readShape(
  input: string | DocumentSource,
  name: string,
  diagnostics: DiagnosticList,
  notations: Notations,
  readFile?: FileReader,
  otherTheme?: string,
): CheckedDocument | undefined {
  const read = readChecked<DocumentSource>(input, name, 'document', diagnostics);
  if (!read) return undefined;
  checkStructure(read.value, read.origin, diagnostics);
  const own: CheckedTheme = {
    theme: read.value,
    origin: read.origin,
    tokenFiles: readTokenFiles(read.value, '', read.origin, diagnostics, readFile),
  };
  const paths = Object.entries(read.value.themes ?? {});
  const named = new Map<string, CheckedTheme>();
  for (const [theme, path] of paths) {
    const found = readThemeFile(path, pointerTo('/themes', theme), read.origin, diagnostics, readFile);
    if (found) named.set(theme, found);
  }
  const wanted = otherTheme ?? read.value.theme ?? paths[0]?.[0] ?? '';
  const themeName = paths.find(([theme, path]) => theme === wanted || path === wanted)?.[0];
  let chosen = themeName === undefined ? undefined : named.get(themeName);
  if (themeName === undefined && wanted !== '')
    chosen = readThemeFile(
      wanted,
      '/theme',
      read.origin,
      diagnostics,
      readFile,
      paths.map(([theme]) => theme),
    );
  const themes = chosen ? [own, chosen] : [own];
  return { source: read.value, origin: read.origin, themes, named, themeName, notations };
}

function readThemeFile(
  path: string,
  pointer: string,
  origin: Origin,
  diagnostics: DiagnosticList,
  readFile: FileReader | undefined,
  names: readonly string[] = [],
): CheckedTheme | undefined {
  const file = readFile?.(path) ?? { problem: 'missing', detail: '' };
  if ('problem' in file) {
    const meant = nearestName(path, names);
    if (file.problem === 'missing' && meant !== undefined)
      diagnostics.add('unknown-name', { what: 'theme', name: path, meant }, origin.at(pointer));
    else reportFile(file, path, 'a theme', origin.at(pointer), diagnostics);
    return undefined;
  }
  if (file.theme) return file.theme;
  const read = readChecked<ThemeFileSource>(file.text, file.name, 'theme', diagnostics);
  if (!read) return undefined;
  const tokenFiles = readTokenFiles(read.value, path, read.origin, diagnostics, readFile);
  return { theme: read.value, origin: read.origin, tokenFiles };
}

/** The token files a theme names; their paths start from where the theme file is. */
function readTokenFiles(
  theme: ThemeSource,
  from: string,
  origin: Origin,
  diagnostics: DiagnosticList,
  readFile: FileReader | undefined,
): TokenFile[] {
  const said = theme['token-files'];
  const paths = said === undefined ? [] : typeof said === 'string' ? [said] : said;
  const folder = from.includes('/') ? from.slice(0, from.lastIndexOf('/') + 1) : '';
  return paths.flatMap((path, index): TokenFile[] => {
    const at = origin.at(typeof said === 'string' ? '/token-files' : `/token-files/${index}`);
    const file = readFile?.(folder + path) ?? { problem: 'missing', detail: '' };
    if ('problem' in file) {
      reportFile(file, path, 'a token file', at, diagnostics);
      return [];
    }
    const parsed = parseText(file.text, file.name, diagnostics);
    if (!parsed) return [];
    const place = new Origin(parsed.source, parsed.positions);
    if (typeof parsed.value !== 'object' || parsed.value === null || Array.isArray(parsed.value)) {
      diagnostics.add('not-a-map', { what: 'a token file' }, place.at(''));
      return [];
    }
    return [{ tokens: asSource<TokenFile['tokens']>(parsed.value), origin: place }];
  });
}

function reportFile(
  file: Extract<FileText, { readonly problem: string }>,
  path: string,
  what: string,
  at: { pointer: string },
  diagnostics: DiagnosticList,
): void {
  if (file.problem === 'missing') diagnostics.add('file-missing', { path }, at);
  else if (file.problem === 'outside') diagnostics.add('file-outside', { path }, at);
  else diagnostics.add('file-unreadable', { path, what, detail: file.detail }, at);
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
    return shaped<T>(input as unknown as Json, format, origin, diagnostics);
  }
  const parsed = parseText(input, name, diagnostics);
  if (!parsed) return undefined;
  const origin = new Origin(parsed.source, parsed.positions);
  if (typeof parsed.value !== 'object' || parsed.value === null || Array.isArray(parsed.value)) {
    diagnostics.add('not-a-map', { what: `a ${format}` }, origin.at(''));
    return undefined;
  }
  return shaped<T>(parsed.value, format, origin, diagnostics);
}

/**
 * A value of the shape. What is not of it is reported and left out, so that the rest can be looked at in the same run; where
 * too much would be missing, undefined.
 */
function shaped<T>(
  value: Json,
  format: 'document' | 'theme',
  origin: Origin,
  diagnostics: DiagnosticList,
): { value: T; origin: Origin } | undefined {
  if (validate(value, format, origin, diagnostics)) return { value: asSource<T>(value), origin };
  const left = withoutErrors(value, format);
  return left === undefined ? undefined : { value: asSource<T>(left), origin };
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
