import { imageSize } from 'image-size';

/** What a picture file is refused with: a sentence for people. */
export class PictureError extends Error {
  override readonly name = 'PictureError';
}

/** The most pixels a picture may unpack to, and the most bytes its file may have. */
export const mostPicturePixels = 64_000_000;
export const mostPictureBytes = 32 * 1024 * 1024;

/** Pixels of a picture, four bytes each (red, green, blue, opacity; not premultiplied), row by row. */
export interface Pixels {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray;
}

/** A picture file that a document names. */
export interface Picture {
  readonly name: string;
  readonly mime: 'image/png' | 'image/svg+xml' | 'image/jpeg' | 'image/webp';
  /** Natural size: px of a raster, user units of an SVG. */
  readonly width: number;
  readonly height: number;
  readonly bytes: Uint8Array;
  /** The picture drawn small, for the checks; undefined where nothing can decode it. */
  readonly sample?: Pixels;
  /** What a canvas can draw: decoded by the host. */
  readonly drawable?: unknown;
}

const mimes = { png: 'image/png', svg: 'image/svg+xml', jpg: 'image/jpeg', webp: 'image/webp' } as const;

/**
 * Reads the kind and size of a picture from its bytes, without decoding it.
 * @throws PictureError when it is of another kind, broken, or larger than is read.
 */
export function readPicture(name: string, bytes: Uint8Array): Picture {
  if (bytes.length > mostPictureBytes) throw new PictureError(`${bytes.length} bytes are more than is read`);
  let size: { width: number; height: number; type?: string };
  try {
    size = imageSize(bytes);
  } catch {
    throw new PictureError('it is not a PNG, SVG, JPEG or WebP file, or it is cut short');
  }
  if (size.type === undefined || !Object.hasOwn(mimes, size.type)) {
    throw new PictureError(
      `pictures of type ${size.type ?? 'unknown'} are not read; use PNG, SVG, JPEG or WebP`,
    );
  }
  const { width, height } = size;
  if (!(width > 0 && height > 0 && Number.isFinite(width * height))) throw new PictureError('it has no size');
  if (width * height > mostPicturePixels) {
    throw new PictureError(`${width} × ${height} pixels are more than is read`);
  }
  const mime = mimes[size.type as keyof typeof mimes];
  if (mime === 'image/svg+xml') refuseActiveSvg(bytes);
  return { name, mime, width, height, bytes };
}

/** An SVG is drawn as a still picture: nothing in it may run or reach for another file. */
function refuseActiveSvg(bytes: Uint8Array): void {
  const text = new TextDecoder().decode(bytes);
  if (/<!ENTITY|<script|<foreignObject|\son[a-z]+\s*=/i.test(text)) {
    throw new PictureError('the SVG holds scripts, entities or foreign content');
  }
  for (const [, link] of text.matchAll(/(?:href|src)\s*=\s*["']([^"']*)["']/gi)) {
    if (!link!.startsWith('#')) throw new PictureError('the SVG refers to another file');
  }
  if (/url\(\s*["']?(?!#)/i.test(text) || /@import/i.test(text)) {
    throw new PictureError('the SVG refers to another file');
  }
}
