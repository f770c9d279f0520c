import type {
  CheckedDocument,
  CheckedTheme,
  DocumentSource,
  ThemeSource,
  ViewSource,
} from '../document/index.ts';
import type { Picture } from '../picture/index.ts';
import { Theme } from '../theme/index.ts';
import type { Resources } from '../view/index.ts';
import {
  packVersion,
  type Pack,
  type PackedFile,
  type PackedFont,
  type PackedImage,
  type PackedPicture,
} from './format.ts';
import type { RecordedNotations } from './recorded.ts';
import { readWritten } from './written.ts';

/** What is packed beside a document. */
export interface PackParts {
  /** What read the document, and remembers how; undefined where the game reads all notations itself. */
  readonly recorded: RecordedNotations | undefined;
  readonly fallback: string;
  readonly fonts: readonly PackedFont[];
  /** How the file of a picture is packed. */
  readonly fileOf: (picture: Picture) => PackedFile;
}

/** Packs a document that has been read and checked, and whose `openings` have been gone through. */
export function pack(document: CheckedDocument, resources: Resources, parts: PackParts): Pack {
  const { recorded } = parts;
  if (recorded) readWritten(document, resources, recorded);
  const images: PackedImage[] = [];
  const places = new Map<Picture, number>();
  const imageOf = (picture: Picture): number => {
    let at = places.get(picture);
    if (at === undefined) {
      const { mime, width, height } = picture;
      at = images.push({ mime, width, height, file: parts.fileOf(picture) }) - 1;
      places.set(picture, at);
    }
    return at;
  };
  const packed = (picture: Picture): PackedPicture => {
    const { width, height, sheet, files } = picture;
    if (files)
      return {
        width,
        height,
        files: files.map((file) => ({ density: file.density, picture: packed(file.picture) })),
      };
    if (sheet) return { width, height, image: imageOf(sheet.picture), at: { x: sheet.x, y: sheet.y } };
    return { width, height, image: imageOf(picture) };
  };
  const pictures = [...(resources.pictures ?? [])].map(([name, picture]) => [name, packed(picture)] as const);
  return {
    'pimbot-pack': packVersion,
    'document': shipped(document.source),
    'themes': document.themes.map(packedTheme),
    'named': Object.fromEntries([...document.named].map(([name, theme]) => [name, packedTheme(theme)])),
    'tokens': Object.fromEntries(
      ['', ...document.named.keys()].map((name) => [name, valuesOf(new Theme(document, name))]),
    ),
    'seenIn': document.themeName,
    'colors': Object.fromEntries(
      [...(recorded?.colors ?? [])].map(([text, { r, g, b, a }]) => [text, [r, g, b, a] as const]),
    ),
    'messages': Object.fromEntries(
      [...(recorded?.messages ?? [])].map(([locale, texts]) => [locale, Object.fromEntries(texts)]),
    ),
    'catalogs': Object.fromEntries(
      [...(resources.catalogs ?? [])].map(([locale, catalog]) => [locale, Object.fromEntries(catalog)]),
    ),
    'fallback': parts.fallback,
    'fonts': parts.fonts,
    images,
    'pictures': Object.fromEntries(pictures),
  };
}

/** Parts of a theme are in `themes`; what only checks ask for is in no game. */
const left: readonly string[] = ['vary', 'tokens', 'token-files', 'styles', 'kinds', 'fonts', '$schema'];

function shipped(source: DocumentSource): DocumentSource {
  const views: { [name: string]: ViewSource } = {};
  for (const [name, { expect: _, accept: __, ...view }] of Object.entries(source.views)) views[name] = view;
  const kept = Object.fromEntries(Object.entries(source).filter(([key]) => !left.includes(key)));
  return { ...(kept as unknown as DocumentSource), views };
}

function packedTheme({ theme: { styles, kinds } }: CheckedTheme): ThemeSource {
  return { styles, kinds };
}

/** The values of a theme's tokens; none of the document's is without one. */
function valuesOf({ tokens }: Theme): { readonly [token: string]: string | number } {
  return Object.fromEntries(
    [...tokens.names()].flatMap((name) => {
      const answer = tokens.resolve(name);
      return 'value' in answer ? [[name, answer.value]] : [];
    }),
  );
}
