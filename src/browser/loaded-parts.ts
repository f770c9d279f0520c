import type { CheckedDocument } from '../document/index.ts';
import { unpack, type Pack } from '../pack/index.ts';
import type { Picture } from '../picture/index.ts';
import { FontBook, type TextEngine } from '../text/index.ts';
import type { Resources } from '../view/index.ts';
import { LoadError, bytesOf } from './fetched.ts';
import { loadText } from './load-text.ts';
import { decodeImage, pictureOf, type LoadedImage } from './loaded-pictures.ts';

export interface LoadOptions {
  /** What sets texts, where a game has loaded it already. */
  readonly text?: TextEngine;
  /** Where the shaper is, as {@link loadText} takes it. */
  readonly shaper?: URL | string;
  /** Called as files arrive. @param done Of `all` files. */
  readonly progress?: (done: number, all: number) => void;
  /** Gives loading up. */
  readonly signal?: AbortSignal;
}

/** What of a pack has been loaded. */
export interface Parts {
  readonly document: CheckedDocument;
  readonly resources: Resources;
  readonly text: TextEngine;
  readonly pack: Pack;
}

/** @param options.known What was loaded before: fonts and pictures that are the same are not loaded again. */
export async function loadParts(
  pack: Pack,
  base: URL,
  options: LoadOptions & { readonly known?: Parts },
): Promise<Parts> {
  const { signal, progress, shaper, known } = options;
  // Refused before anything is fetched.
  const checked = unpack(pack);
  const all = pack.fonts.length + pack.images.length + 1;
  let done = 0;
  const counted = async <T>(one: Promise<T>): Promise<T> => {
    const value = await one;
    progress?.(++done, all);
    return value;
  };
  const isSame = (key: 'fonts' | 'images' | 'pictures') =>
    known !== undefined && JSON.stringify(known.pack[key]) === JSON.stringify(pack[key]);
  const [text, files, images] = await Promise.all([
    counted(options.text ? Promise.resolve(options.text) : loadText(shaper ?? pack.shaper)),
    isSame('fonts')
      ? undefined
      : Promise.all(
          pack.fonts.map(({ file, family }) => counted(bytesOf(file, base, `the font ${family}`, signal))),
        ),
    isSame('images') && isSame('pictures')
      ? undefined
      : Promise.all(pack.images.map((image) => counted(imageOf(image, base, signal)))),
  ]);
  const fonts = files ? new FontBook(pack.fallback, text) : known!.resources.fonts;
  files?.forEach((bytes, at) => {
    const { family, weight, italic } = pack.fonts[at]!;
    fonts.add(family, weight, bytes, italic);
  });
  const pictures = images
    ? new Map<string, Picture>(
        Object.entries(pack.pictures).map(([name, one]) => [name, pictureOf(name, one, images)]),
      )
    : known!.resources.pictures!;
  const catalogs = new Map(
    Object.entries(pack.catalogs).map(([locale, texts]) => [locale, new Map(Object.entries(texts))]),
  );
  signal?.throwIfAborted();
  return { document: checked, resources: { fonts, pictures, catalogs }, text, pack };
}

async function imageOf(
  image: Pack['images'][number],
  base: URL,
  signal: AbortSignal | undefined,
): Promise<LoadedImage> {
  const bytes = await bytesOf(image.file, base, 'a picture', signal);
  try {
    return await decodeImage(bytes, image);
  } catch {
    const what =
      'url' in image.file ? new URL(image.file.url, base).href : `a picture of ${bytes.length} bytes`;
    throw new LoadError(`${what} cannot be decoded`);
  }
}
