import { existsSync, realpathSync } from 'node:fs';
import { basename, dirname, join, relative, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import {
  DiagnosticList,
  pointerTo,
  type CheckedDocument,
  type Diagnostic,
  type FileText,
} from '../document/index.ts';
import { PictureError, loadPictures, mostPictureBytes, type Picture } from '../picture/index.ts';
import { CatalogError, mostCatalogBytes, readCatalog } from './catalogs.ts';
import { FontBook, FontError, mostFontBytes, unpackFont, unpackWoff, type Catalog } from '../text/index.ts';
import { nodeText } from './text.ts';
import { defaultFont, fontsOf } from '../theme/index.ts';
import { checkPictureNames, readDocument, type Resources } from '../view/index.ts';
import { FileProblem, ProjectFolder, readLimited } from './files.ts';

/** The most bytes a document or theme file may have. */
const mostTextBytes = 16 * 1024 * 1024;

/** A document file read with everything it refers to. */
export interface Project {
  /** Undefined when there are errors. */
  readonly document: CheckedDocument | undefined;
  readonly resources: Resources;
  readonly diagnostics: readonly Diagnostic[];
  /** Of every byte that was read: two projects with the same one are the same. */
  readonly fingerprint: string;
  /** The same without the document's own file. */
  readonly named: string;
}

export interface ProjectOptions {
  /** One of the document's themes, or the path of a theme file from its folder, in place of the one it names. */
  readonly theme?: string;
}

/**
 * Reads a document file, its theme, fonts and pictures. Paths in it are relative to the project folder: the
 * nearest folder above that holds a package.json or .git, or the document's own; nothing outside it is read.
 * @throws FileProblem when the document file itself cannot be read.
 */
export async function openProject(path: string, options: ProjectOptions = {}): Promise<Project> {
  const bytes = readLimited(resolve(path), mostTextBytes);
  const folder = new ProjectFolder(projectRoot(dirname(realpathSync(path))));
  folder.note(bytes);
  const base = relative(folder.root, dirname(realpathSync(path)));
  const text = new TextDecoder().decode(bytes);
  const readFile = (wanted: string): FileText => {
    try {
      const theme = new TextDecoder().decode(folder.read(join(base, wanted), mostTextBytes));
      return { text: theme, name: join(dirname(path), wanted) };
    } catch (error) {
      if (!(error instanceof FileProblem)) throw error;
      return { problem: error.problem, detail: error.message };
    }
  };
  const read = readDocument(text, { name: path, readFile, theme: options.theme });
  const fonts = bundledFonts();
  const pictures = new Map<string, Picture>();
  if (!read.document)
    return {
      document: undefined,
      resources: { fonts, pictures },
      diagnostics: read.diagnostics,
      fingerprint: folder.fingerprint,
      named: folder.namedFingerprint,
    };
  const diagnostics = new DiagnosticList();
  await loadFonts(read.document, folder, fonts, diagnostics);
  await addPictures(read.document, folder, base, pictures, diagnostics);
  const catalogs = await loadCatalogs(read.document, folder, base, diagnostics);
  return {
    document: diagnostics.hasErrors ? undefined : read.document,
    resources: { fonts, pictures, catalogs },
    diagnostics: [...read.diagnostics, ...diagnostics.inOrder()],
    fingerprint: folder.fingerprint,
    named: folder.namedFingerprint,
  };
}

function projectRoot(start: string): string {
  for (let at = start; ; at = dirname(at)) {
    if (existsSync(join(at, 'package.json')) || existsSync(join(at, '.git'))) return at;
    if (dirname(at) === at) return start;
  }
}

/** A FontBook with the fonts that come with Pimbot. */
export function bundledFonts(): FontBook {
  const fonts = new FontBook(defaultFont, nodeText());
  for (const weight of [400, 700]) {
    const file = fileURLToPath(new URL(`../../assets/fonts/inter-${weight}.woff`, import.meta.url));
    fonts.add(defaultFont, weight, unpackWoff(readLimited(file, mostFontBytes)));
  }
  return fonts;
}

async function loadFonts(
  document: CheckedDocument,
  folder: ProjectFolder,
  fonts: FontBook,
  diagnostics: DiagnosticList,
): Promise<void> {
  for (const [family, { files, origin }] of Object.entries(fontsOf(document))) {
    // Paths in a theme file start from where that file is, as they do in a document.
    const base = relative(folder.root, dirname(realpathSync(origin.source!.name)));
    for (const [weight, path] of Object.entries(files)) {
      const at = origin.at(pointerTo(pointerTo('/fonts', family), weight));
      try {
        const file = await unpackFont(folder.read(join(base, path), mostFontBytes));
        fonts.add(family, Number.parseInt(weight, 10), file, weight.endsWith('italic'));
      } catch (error) {
        reportFile(error, path, 'a font', at, diagnostics);
      }
    }
  }
}

async function addPictures(
  document: CheckedDocument,
  folder: ProjectFolder,
  base: string,
  pictures: Map<string, Picture>,
  diagnostics: DiagnosticList,
): Promise<void> {
  const named = Object.entries(document.source.pictures ?? {});
  if (named.length === 0) return;
  // Loading the decoder takes longer than most documents do, so that only those with pictures wait for it.
  const { pictureHost } = await import('./pictures.ts');
  const host = pictureHost((path) => folder.read(join(base, path), mostPictureBytes));
  for (const [name, source] of named) {
    // One broken picture leaves a hole where it is shown, and a finding; the rest of the view is drawn.
    const at = { ...document.origin.at(pointerTo('/pictures', name)), severity: 'warning' as const };
    try {
      for (const [one, picture] of await loadPictures(name, source, host)) pictures.set(one, picture);
    } catch (error) {
      const path = typeof source === 'string' ? source : Object.values(source).join(', ');
      reportFile(error, path, 'a picture', at, diagnostics);
    }
  }
  checkPictureNames(document, pictures, diagnostics);
}

async function loadCatalogs(
  document: CheckedDocument,
  folder: ProjectFolder,
  base: string,
  diagnostics: DiagnosticList,
): Promise<Map<string, Catalog>> {
  const catalogs = new Map<string, Catalog>();
  for (const [locale, path] of Object.entries(document.source.catalogs ?? {})) {
    try {
      const bytes = folder.read(join(base, path), mostCatalogBytes);
      catalogs.set(locale, await readCatalog(path, locale, bytes));
    } catch (error) {
      reportFile(error, path, 'a catalog', document.origin.at(pointerTo('/catalogs', locale)), diagnostics);
    }
  }
  return catalogs;
}

const fileErrors = [FileProblem, FontError, PictureError, CatalogError];

function reportFile(
  error: unknown,
  path: string,
  what: string,
  at: { pointer: string; severity?: 'error' | 'warning' },
  diagnostics: DiagnosticList,
): void {
  if (error instanceof FileProblem && error.problem === 'missing')
    diagnostics.add('file-missing', { path }, at);
  else if (error instanceof FileProblem && error.problem === 'outside')
    diagnostics.add('file-outside', { path }, at);
  else if (fileErrors.some((kind) => error instanceof kind)) {
    const { message: detail } = error as Error;
    diagnostics.add('file-unreadable', { path: basename(path), what, detail }, at);
  } else throw error;
}
