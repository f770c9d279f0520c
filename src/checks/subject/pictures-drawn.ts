import type { Widget } from '../../dress/index.ts';
import type { WidgetSource } from '../../document/index.ts';
import { bleedBox, picturePieces, type PicturePiece } from '../../inside/index.ts';
import { partToDraw, type Picture } from '../../picture/index.ts';
import type { Subject } from './subject.ts';

/** A picture that a player sees, and how it is drawn. */
export interface DrawnPicture {
  readonly widget: Widget;
  readonly picture: Picture;
  readonly source: WidgetSource;
  readonly pieces: readonly PicturePiece[];
  /** How many times as large as its pieces it is drawn in the end. */
  readonly times: number;
}

/** Every picture a player can see. */
export function drawnPictures(subject: Subject): readonly DrawnPicture[] {
  return subject.once('pictures', () =>
    subject.form
      .once('pictures', () =>
        subject.widgets.filter(({ index, picture }) => picture && subject.paints(index)),
      )
      .flatMap((widget) => {
        const { index, picture, fit } = widget;
        if (!picture || !subject.isSeen(index)) return [];
        const source = widget.source as WidgetSource;
        const pieces = picturePieces(
          bleedBox(widget, subject.layout, subject.rect(index)),
          picture,
          source,
          fit,
          subject.layout.scale(index),
        );
        return pieces.length > 0
          ? [{ widget, picture, source, pieces, times: subject.form.scale[index]! }]
          : [];
      }),
  );
}

/**
 * Device px that one pixel of the file is drawn with, where that is most. Of nine slices, edges and middle count only along
 * the axes on which they are stretched and their pixels differ: a plain one looks the same at any size.
 */
export function largestPixel(drawn: DrawnPicture): number {
  const largest = drawn.pieces.reduce((most, piece) => {
    const { from, to } = piece;
    const times = Math.max(to.width / from.width, to.height / from.height);
    const part = partToDraw(drawn.picture, from, times);
    const there = part.from ?? part.picture;
    const differs = differing(drawn, piece);
    return Math.max(most, differs.x ? to.width / there.width : 0, differs.y ? to.height / there.height : 0);
  }, 0);
  return largest * drawn.times;
}

/** Device px that a pixel of the picture becomes, once for each piece and axis on which that can be seen. */
export function pixelScales(drawn: DrawnPicture): readonly number[] {
  return drawn.pieces.flatMap((piece) => {
    const { from, to } = piece;
    const differs = differing(drawn, piece);
    const scales = [
      ...(differs.x ? [to.width / from.width] : []),
      ...(differs.y ? [to.height / from.height] : []),
    ];
    return scales.map((scale) => scale * drawn.times);
  });
}

/** Along which axes the size of a piece's pixels can be seen: of nine slices, where it is a corner or its pixels differ. */
function differing(
  { picture, pieces, source }: DrawnPicture,
  { from }: PicturePiece,
): { readonly x: boolean; readonly y: boolean } {
  if (source.slice === undefined || pieces.length <= 1) return { x: true, y: true };
  const whole = cornersOf(pieces);
  return {
    x: isCorner(from.x, from.width, whole.x, picture.width) || variesAlong(picture, from, 'x'),
    y: isCorner(from.y, from.height, whole.y, picture.height) || variesAlong(picture, from, 'y'),
  };
}

/** Where the first column ends and the first row, in px of the picture. */
function cornersOf(pieces: readonly PicturePiece[]): { readonly x: number; readonly y: number } {
  const ends = (axis: 'x' | 'y', size: 'width' | 'height') =>
    Math.min(...pieces.filter(({ from }) => from[axis] === 0).map(({ from }) => from[size]));
  return { x: ends('x', 'width'), y: ends('y', 'height') };
}

/** Whether a slice is at one end of an axis, where it keeps its size. */
function isCorner(from: number, size: number, first: number, whole: number): boolean {
  return (from === 0 && size <= first) || (from > 0 && from + size >= whole);
}

/** A difference of colour that is seen, out of 255. */
const seenDifference = 10;

/** Whether the pixels of a part of a picture differ along an axis; where they are not known, they are taken not to. */
function variesAlong(
  { sample, width, height }: Picture,
  part: PicturePiece['from'],
  axis: 'x' | 'y',
): boolean {
  if (!sample) return false;
  const [across, down] = [sample.width / width, sample.height / height];
  // The outermost pixels of a picture drawn small are mixed with what is beside them.
  const [left, right] = [Math.ceil(part.x * across) + 1, Math.floor((part.x + part.width) * across) - 1];
  const [top, bottom] = [Math.ceil(part.y * down) + 1, Math.floor((part.y + part.height) * down) - 1];
  for (let y = top; y < bottom; y++) {
    for (let x = left; x < right; x++) {
      const at = (y * sample.width + x) * 4;
      const first = axis === 'x' ? (y * sample.width + left) * 4 : (top * sample.width + x) * 4;
      for (let part = 0; part < 4; part++)
        if (Math.abs(sample.data[at + part]! - sample.data[first + part]!) > seenDifference) return true;
    }
  }
  return false;
}

/** Device px that one pixel of a picture is drawn with that is so many px high. */
export function largestPixelOf(picture: Picture, height: number): number {
  const whole = { x: 0, y: 0, width: picture.width, height: picture.height };
  const part = partToDraw(picture, whole, height / picture.height);
  return height / (part.from ?? part.picture).height;
}
