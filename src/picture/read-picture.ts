import { imageSize } from 'image-size';
import { PictureError, type Picture } from './picture.ts';

/** The most pixels a picture may unpack to, and the most bytes its file may have. */
export const mostPicturePixels = 64_000_000;
export const mostPictureBytes = 32 * 1024 * 1024;

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
  else if (isCutShort(mime, bytes)) throw new PictureError('the file is cut short');
  return { name, mime, width, height, bytes };
}

/** What may follow the end of a picture in its file: notes of programs. */
const mostAfterEnd = 65_536;

/** Whether the end of a raster is missing: decoders draw what there is, and nobody is told. */
function isCutShort(mime: Picture['mime'], bytes: Uint8Array): boolean {
  const last = (letters: readonly number[]): boolean => {
    const first = Math.max(0, bytes.length - mostAfterEnd);
    for (let at = bytes.length - letters.length; at >= first; at--)
      if (letters.every((letter, nth) => bytes[at + nth] === letter)) return true;
    return false;
  };
  // The chunk IEND (PNG 3 §11.2.5), the marker EOI (ITU-T T.81 §B.1.1.3), the length of RIFF (RFC 9649 §2.4).
  if (mime === 'image/png') return !last([0x49, 0x45, 0x4e, 0x44]);
  if (mime === 'image/jpeg') return !last([0xff, 0xd9]);
  const length = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength).getUint32(4, true);
  return bytes.length < 8 + length;
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
