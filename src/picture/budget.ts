import { PictureError, type Picture } from './picture.ts';

/** Pixels that pictures of one document may unpack to whatever their files are, and for each byte of their files. */
const freePixels = 80_000_000;
const pixelsPerByte = 10;

/**
 * What the pictures of one document unpack to together: files that are made to unpack to far more than anybody draws into so
 * few bytes are refused, before they are unpacked.
 */
export class PictureBudget {
  #pixels = 0;
  #bytes = 0;

  /** Counts a picture in. @throws PictureError where it is too much with those before. */
  take({ width, height, bytes }: Pick<Picture, 'width' | 'height' | 'bytes'>): void {
    const pixels = this.#pixels + width * height;
    const size = this.#bytes + bytes.length;
    if (pixels > freePixels + pixelsPerByte * size)
      throw new PictureError(
        `with those before it, it unpacks to ${Math.round(pixels / 1e6)} million pixels, more than is read from so few bytes`,
      );
    this.#pixels = pixels;
    this.#bytes = size;
  }
}
