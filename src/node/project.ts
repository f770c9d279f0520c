import { existsSync, realpathSync, statSync } from 'node:fs';
import { basename, dirname, join, relative, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import {
  DiagnosticList,
  formatDiagnostic,
  pointerTo,
  type CheckedDocument,
  type Diagnostic,
  type FileText,
  type Notations,
} from '../document/index.ts';
import {
  PictureBudget,
  PictureError,
  loadPictures,
  mostPictureBytes,
  type Picture,
} from '../picture/index.ts';
import { CatalogError, mostCatalogBytes, readCatalog } from './catalogs.ts';
import { FontBook, FontError, mostFontBytes, unpackFont, unpackWoff, type Catalog } from '../text/index.ts';
import { nodeText } from './text.ts';
import type { TypedText } from './typed-text.ts';
import { defaultFont, fontsOf } from '../theme/index.ts';
import {
  DocumentError,
  checkPictureNames,
  openView,
  readDocument,
  type Resources,
  type View,
  type ViewOptions,
} from '../view/index.ts';
import { FileProblem, ProjectFolder, readLimited } from './files.ts';

/** The most bytes a document or theme file may have. */
export const mostTextBytes = 16 * 1024 * 1024;

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
  /** Its fonts and pictures, for whoever reads it again. */
  readonly loaded: LoadedFiles;
  /** Every file it names, found or not, and itself: a change of any of them makes it another. */
  readonly files: readonly string[];
  /**
   * Opens one of its views, as {@link openView} does. @throws DocumentError with every diagnostic where there are errors.
   * @throws NoSuchName
   */
  view(name: string, options?: Omit<ViewOptions, 'resources'>): View;
}

/** A font file, unpacked. */
export interface FontFile {
  readonly family: string;
  readonly weight: number;
  readonly italic: boolean;
  readonly bytes: Uint8Array;
}

export interface ProjectOptions {
  /** One of the document's themes, or the path of a theme file from its folder, in place of the one it names. */
  readonly theme?: string;
  /** The text of the document in place of what its file holds. */
  readonly text?: string;
  /** The texts of files it names in place of what they hold. */
  readonly typed?: TypedText;
  /** How colours of CSS and messages of ICU are read; all of them are if left out. */
  readonly notations?: Notations;
  /**
   * The same document as it was read before: its fonts and pictures are taken from it where their files have not changed. They
   * are not counted into the fingerprint then.
   */
  readonly like?: Project;
}

/**
 * Reads a document file, its theme, fonts and pictures. Paths in it are relative to the project folder: the
 * nearest folder above that holds a package.json or .git, or the document's own; nothing outside it is read.
 * @throws FileProblem when the document file itself cannot be read.
 */
export async function openProject(path: string, options: ProjectOptions = {}): Promise<Project> {
  const bytes =
    options.text === undefined
      ? readLimited(resolve(path), mostTextBytes)
      : new TextEncoder().encode(options.text);
  const folder = new ProjectFolder(projectRoot(dirname(realpathSync(path))), options.typed);
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
  const { theme, notations } = options;
  const read = readDocument(text, { name: path, readFile, theme, notations });
  const { document } = read;
  const diagnostics = new DiagnosticList();
  const { like } = options;
  let loaded: LoadedFiles = emptyFiles;
  if (document) {
    loaded =
      like && isUnchanged(like.loaded, document)
        ? like.loaded
        : await loadFiles(document, folder, base, diagnostics);
    for (const file of loaded.stamps.keys()) folder.asked.add(file);
  }
  const catalogs = document
    ? await loadCatalogs(document, folder, base, dirname(path), diagnostics)
    : new Map<string, Catalog>();
  const fonts = loaded.fonts ?? bundledFonts();
  const usable = diagnostics.hasErrors ? undefined : document;
  const resources = { fonts, pictures: loaded.pictures, catalogs };
  const all = [...read.diagnostics, ...diagnostics.inOrder()];
  return {
    document: usable,
    resources,
    diagnostics: all,
    view(name, how) {
      if (!usable) throw new DocumentError(all.map(formatDiagnostic).join('\n'));
      return openView(usable, name, { ...how, resources });
    },
    fingerprint: folder.fingerprint,
    named: folder.namedFingerprint,
    loaded,
    files: [realpathSync(path), ...folder.asked],
  };
}

/** The fonts and pictures of a document. */
interface LoadedFiles {
  /** Undefined where there is no document. */
  readonly fonts: FontBook | undefined;
  /** The fonts it is set in, as TrueType or OpenType; those that come with Pimbot first. */
  readonly fontFiles: readonly FontFile[];
  readonly pictures: ReadonlyMap<string, Picture>;
  /** What the document says of them; undefined where not all of them could be used. */
  readonly said: string | undefined;
  /** When each of their files was changed. */
  readonly stamps: ReadonlyMap<string, number>;
}

const emptyFiles: LoadedFiles = {
  fonts: undefined,
  fontFiles: [],
  pictures: new Map(),
  said: undefined,
  stamps: new Map(),
};

/** What a document says of fonts and pictures. */
function filesSaid(document: CheckedDocument): string {
  const fonts = Object.entries(fontsOf(document)).map(([family, { files, origin }]) => [
    family,
    files,
    origin.source?.name,
  ]);
  return JSON.stringify([fonts, document.source.pictures]);
}

function changedAt(file: string): number {
  return statSync(file, { throwIfNoEntry: false })?.mtimeMs ?? 0;
}

function isUnchanged({ said, stamps }: LoadedFiles, document: CheckedDocument): boolean {
  return said === filesSaid(document) && [...stamps].every(([file, stamp]) => changedAt(file) === stamp);
}

async function loadFiles(
  document: CheckedDocument,
  folder: ProjectFolder,
  base: string,
  diagnostics: DiagnosticList,
): Promise<LoadedFiles> {
  const before = new Set(folder.asked);
  const fontFiles = bundledFontFiles();
  const fonts = bookOf(fontFiles);
  const pictures = new Map<string, Picture>();
  await loadFonts(document, folder, fonts, fontFiles, diagnostics);
  await addPictures(document, folder, base, pictures, diagnostics);
  const files = [...folder.asked].filter((file) => !before.has(file));
  return {
    fonts,
    fontFiles,
    pictures,
    said: diagnostics.inOrder().length > 0 ? undefined : filesSaid(document),
    stamps: new Map(files.map((file) => [file, changedAt(file)])),
  };
}

/** The nearest folder above that holds a package.json or .git, or the folder itself. */
export function projectRoot(start: string): string {
  for (let at = start; ; at = dirname(at)) {
    if (existsSync(join(at, 'package.json')) || existsSync(join(at, '.git'))) return at;
    if (dirname(at) === at) return start;
  }
}

/** The fonts that come with Pimbot, and nothing else. */
export function bundledFontFiles(): FontFile[] {
  return [400, 700].map((weight) => {
    const file = fileURLToPath(new URL(`../../assets/fonts/inter-${weight}.woff`, import.meta.url));
    const bytes = unpackWoff(readLimited(file, mostFontBytes));
    return { family: defaultFont, weight, italic: false, bytes };
  });
}

/** A FontBook with the fonts that come with Pimbot. */
export function bundledFonts(): FontBook {
  return bookOf(bundledFontFiles());
}

function bookOf(files: readonly FontFile[]): FontBook {
  const fonts = new FontBook(defaultFont, nodeText());
  for (const { family, weight, italic, bytes } of files) fonts.add(family, weight, bytes, italic);
  return fonts;
}

async function loadFonts(
  document: CheckedDocument,
  folder: ProjectFolder,
  fonts: FontBook,
  fontFiles: FontFile[],
  diagnostics: DiagnosticList,
): Promise<void> {
  for (const [family, { files, origin }] of Object.entries(fontsOf(document))) {
    // Paths in a theme file start from where that file is, as they do in a document.
    const base = relative(folder.root, dirname(realpathSync(origin.source!.name)));
    for (const [weight, path] of Object.entries(files)) {
      const at = origin.at(pointerTo(pointerTo('/fonts', family), weight));
      try {
        const bytes = await unpackFont(folder.read(join(base, path), mostFontBytes));
        const file = {
          family,
          weight: Number.parseInt(weight, 10),
          italic: weight.endsWith('italic'),
          bytes,
        };
        fonts.add(family, file.weight, bytes, file.italic);
        fontFiles.push(file);
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
  const budget = new PictureBudget();
  const host = pictureHost((path) => folder.read(join(base, path), mostPictureBytes));
  for (const [name, source] of named) {
    // One broken picture leaves a hole where it is shown, and a finding; the rest of the view is drawn.
    const at = { ...document.origin.at(pointerTo('/pictures', name)), severity: 'warning' as const };
    try {
      for (const [one, picture] of await loadPictures(name, source, host, budget)) pictures.set(one, picture);
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
  beside: string,
  diagnostics: DiagnosticList,
): Promise<Map<string, Catalog>> {
  const catalogs = new Map<string, Catalog>();
  for (const [locale, path] of Object.entries(document.source.catalogs ?? {})) {
    try {
      const bytes = folder.read(join(base, path), mostCatalogBytes);
      catalogs.set(locale, await readCatalog(join(beside, path), locale, bytes));
    } catch (error) {
      const pointer = pointerTo('/catalogs', locale);
      const problems = error instanceof CatalogError ? error.problems : [];
      for (const { detail, source, range } of problems)
        reportFile(new CatalogError(detail), path, 'a catalog', { pointer, source, range }, diagnostics);
      if (problems.length === 0)
        reportFile(error, path, 'a catalog', document.origin.at(pointer), diagnostics);
    }
  }
  return catalogs;
}

const fileErrors = [FileProblem, FontError, PictureError, CatalogError];

function reportFile(
  error: unknown,
  path: string,
  what: string,
  at: Parameters<DiagnosticList['add']>[2],
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
