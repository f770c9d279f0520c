import type { CheckedDocument, Diagnostic } from '../document/index.ts';
import {
  RecordedNotations,
  charactersOf,
  namesOf,
  openings,
  pack,
  writtenLooks,
  type Names,
  type Pack,
  type PackedFile,
  type PackedFont,
} from '../pack/index.ts';
import type { Picture } from '../picture/index.ts';
import type { FontChain } from '../text/index.ts';
import { defaultFont, plainLook } from '../theme/index.ts';
import { everyNotation, wrongValues, type Resources } from '../view/index.ts';
import type { Widget } from '../dress/index.ts';
import { openProject, type FontFile, type Project } from './project.ts';
import { Subsetter } from './subset.ts';

export interface PackOptions {
  /** Characters that fonts keep beside those of texts, catalogs, cases and ASCII. */
  readonly characters?: string;
  /** Keeps fonts whole. */
  readonly wholeFonts?: boolean;
  /** How a file is packed; in base64 if left out. @param name What it is called, with its ending. */
  readonly fileOf?: (name: string, bytes: Uint8Array) => PackedFile;
}

/** One font as it was packed. */
export interface FontCut {
  readonly family: string;
  readonly weight: number;
  readonly italic: boolean;
  readonly bytes: number;
  readonly wholeBytes: number;
}

/** A packed document, or the diagnostics that say why there is none. */
export interface PackedProject {
  readonly pack: Pack | undefined;
  readonly names: Names | undefined;
  readonly fonts: readonly FontCut[];
  /** Characters of texts that no font has. */
  readonly missing: readonly string[];
  readonly diagnostics: readonly Diagnostic[];
  /** Every file it was made of. */
  readonly files: readonly string[];
}

/**
 * Reads a document file with all it names, checks what is written and packs it for games.
 * @throws FileProblem when the file itself cannot be read.
 */
export async function packProject(path: string, options: PackOptions = {}): Promise<PackedProject> {
  const recorded = new RecordedNotations(everyNotation);
  const project = await openProject(path, { notations: recorded });
  const { document, resources, diagnostics, files } = project;
  if (!document) return { pack: undefined, names: undefined, fonts: [], missing: [], diagnostics, files };
  const wrong = wrongValues(document, resources);
  if (wrong.length > 0)
    return {
      pack: undefined,
      names: undefined,
      fonts: [],
      missing: [],
      diagnostics: [...diagnostics, ...wrong],
      files,
    };
  const { fileOf = inBase64 } = options;
  const opened = [...openings(document, resources)];
  const characters = charactersOf(document, resources, opened, options.characters ?? '');
  const used = usedFaces(document, opened, resources, characters);
  const subsetter = options.wholeFonts ? undefined : new Subsetter();
  const cuts: FontCut[] = [];
  const fonts: PackedFont[] = [];
  for (const font of project.loaded.fontFiles) {
    const { family, weight, italic, bytes } = font;
    if (!used.has(faceKey(font))) continue;
    const cut = subsetter?.subset(bytes, characters) ?? bytes;
    cuts.push({ family, weight, italic, bytes: cut.length, wholeBytes: bytes.length });
    fonts.push(packedFont(font, cut, fileOf));
  }
  const packed = pack(document, resources, {
    recorded,
    fallback: fonts.some(({ family }) => family === defaultFont) ? defaultFont : fonts[0]!.family,
    fonts,
    fileOf: (picture) => fileOf(fileName(picture), picture.bytes),
  });
  return {
    pack: packed,
    names: namesOf(document, resources),
    fonts: cuts,
    missing: missingIn(opened),
    diagnostics,
    files,
  };
}

/** The same without anything left out or read beforehand, for a game that is being developed: nothing in it takes time. */
export function packWhole(project: Project, fileOf: (name: string, bytes: Uint8Array) => PackedFile): Pack {
  return pack(project.document!, project.resources, {
    recorded: undefined,
    fallback: defaultFont,
    fonts: project.loaded.fontFiles.map((font) => packedFont(font, font.bytes, fileOf)),
    fileOf: (picture) => fileOf(fileName(picture), picture.bytes),
  });
}

function packedFont(
  { family, weight, italic }: FontFile,
  bytes: Uint8Array,
  fileOf: (name: string, bytes: Uint8Array) => PackedFile,
): PackedFont {
  const name = family.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase();
  const file = fileOf(`${name}-${weight}${italic ? '-italic' : ''}.ttf`, bytes);
  return { family, weight, italic, file };
}

function inBase64(_: string, bytes: Uint8Array): PackedFile {
  return { base64: Buffer.from(bytes).toString('base64') };
}

const endings = { 'image/png': 'png', 'image/svg+xml': 'svg', 'image/jpeg': 'jpg', 'image/webp': 'webp' };

function fileName({ name, mime }: Picture): string {
  return `${name.replace(/[^\p{L}\p{N}]+/gu, '-')}.${endings[mime]}`;
}

function faceKey({ family, weight, italic }: Omit<FontFile, 'bytes'>): string {
  return `${family} ${weight}${italic ? ' italic' : ''}`;
}

/**
 * The faces that draw any of the characters, in every family, weight and slant that looks name, together or apart: a state may make
 * bold what is slanted already. A document that brings its own fonts needs none of ours.
 */
function usedFaces(
  document: CheckedDocument,
  opened: readonly (readonly Widget[])[],
  resources: Resources,
  characters: ReadonlySet<number>,
): Set<string> {
  const { fonts } = resources;
  const families = new Set<string>();
  const weights = new Set<number>();
  const slants = new Set<boolean>();
  const shown = opened.flatMap((widgets) => widgets.flatMap(({ text, look }) => (text ? [look] : [])));
  for (const { font, fontWeight, italic } of [plainLook, ...shown, ...writtenLooks(document, resources)]) {
    // The plain look's family is asked for where a text has it.
    if (font !== undefined && font !== plainLook.font) families.add(font);
    if (fontWeight !== undefined) weights.add(fontWeight);
    if (italic !== undefined) slants.add(italic);
  }
  if (families.size === 0 || shown.some(({ font }) => font === plainLook.font)) families.add(plainLook.font);
  const used = new Set<string>();
  const chains = new Set<FontChain>();
  for (const family of families)
    for (const weight of weights)
      for (const italic of slants)
        chains.add(fonts.chain(family, weight, italic, { tabular: false, language: 'en' }));
  // A value may say how words of a text are set.
  for (const widgets of opened)
    for (const { text } of widgets) for (const { setting } of text?.runs ?? []) chains.add(setting.chain);
  for (const chain of chains) for (const character of characters) used.add(faceKey(chain.faceFor(character)));
  return used;
}

function missingIn(opened: readonly (readonly Widget[])[]): string[] {
  return [...new Set(opened.flatMap((widgets) => widgets.flatMap(({ text }) => text?.missing ?? [])))];
}
