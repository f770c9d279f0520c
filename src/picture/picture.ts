/** What a picture file is refused with: a sentence for people. */
export class PictureError extends Error {
  override readonly name = 'PictureError';
}

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
  /** The picture it is cut out of, and from where, in px of that picture's natural size. */
  readonly sheet?: { readonly picture: Picture; readonly x: number; readonly y: number };
  /** The files it is drawn from, from coarse to fine, in place of its own: how many px of each stand for one of its px. */
  readonly files?: readonly { readonly density: number; readonly picture: Picture }[];
}

/** A part of a picture's file. */
export interface PicturePart {
  /** The picture whose file is drawn. */
  readonly picture: Picture;
  /** In px of its natural size; undefined for all of it. */
  readonly from: PictureRect | undefined;
}

/** In px, from the left top corner. */
export interface PictureRect {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/**
 * The file and the part of it that a part of a picture is drawn from: the coarsest that has as many px as are drawn,
 * the finest where none has (as image-set() of CSS Images 4 §2.4 chooses).
 * @param from In px of the picture's natural size.
 * @param scale Device px that one px of the picture's natural size is drawn with.
 */
export function partToDraw(picture: Picture, from: PictureRect, scale: number): PicturePart {
  const files = picture.files ?? [];
  const chosen = files.find(({ density }) => density >= scale - 0.001) ?? files.at(-1);
  if (chosen) {
    const { density } = chosen;
    const { x, y, width, height } = from;
    const there = { x: x * density, y: y * density, width: width * density, height: height * density };
    return partToDraw(chosen.picture, there, 1);
  }
  if (picture.sheet) {
    const { picture: sheet, x, y } = picture.sheet;
    return { picture: sheet, from: { ...from, x: from.x + x, y: from.y + y } };
  }
  const whole = from.width >= picture.width && from.height >= picture.height;
  return { picture, from: whole ? undefined : from };
}
