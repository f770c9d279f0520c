import type { ImageEdges, WidgetSource } from '../document/index.ts';
import { readPivot, readSides } from '../document/index.ts';
import type { Rect } from '../layout/index.ts';
import { fitPicture } from './fit.ts';

/** A part of a picture and where it is drawn. */
export interface PicturePiece {
  /** In px of the picture's natural size. */
  readonly from: Rect;
  /** In device px. */
  readonly to: Rect;
}

interface Natural {
  readonly width: number;
  readonly height: number;
}

type PictureKeys = Pick<
  WidgetSource,
  'fit' | 'image-position' | 'tile' | 'slice' | 'slice-edges' | 'slice-center'
>;

/** The most pieces a picture is drawn in; of more, each is a pixel or less. */
const mostPieces = 10_000;

/**
 * What is drawn of a picture in a box: once and fitted (object-fit and object-position of CSS Images 3 §5.5), tiled
 * (background-repeat of CSS Backgrounds 3 §3.4), or in nine slices (border-image of CSS Backgrounds 3 §6).
 * @param scale Device px that one px of the picture's natural size is drawn with.
 */
export function picturePieces(
  box: Rect,
  picture: Natural,
  source: PictureKeys,
  fit: NonNullable<PictureKeys['fit']>,
  scale: number,
): PicturePiece[] {
  if (source.slice !== undefined) return slices(box, picture, source, scale);
  const whole = { x: 0, y: 0, width: picture.width, height: picture.height };
  if (source.tile !== undefined) {
    const size = { width: picture.width * scale, height: picture.height * scale };
    return tiled(whole, box, size, { x: source.tile, y: source.tile }, 'start');
  }
  const at = source['image-position'] === undefined ? undefined : readPivot(source['image-position']);
  return [{ from: whole, to: fitPicture(box, picture, fit, scale, at) }];
}

/** Nine parts: corners keep their size, edges stretch or repeat along, the middle both ways. */
function slices(box: Rect, picture: Natural, source: PictureKeys, scale: number): PicturePiece[] {
  const said = readSides(source.slice)!;
  const cut = {
    left: Math.min(said.left.u, picture.width),
    right: Math.min(said.right.u, picture.width),
    top: Math.min(said.top.u, picture.height),
    bottom: Math.min(said.bottom.u, picture.height),
  };
  // Borders that would cross shrink in proportion, all four by the same factor (CSS Backgrounds 3 §6.2).
  const across = (cut.left + cut.right) * scale;
  const down = (cut.top + cut.bottom) * scale;
  const shrink = Math.min(1, across > 0 ? box.width / across : 1, down > 0 ? box.height / down : 1);
  const drawn = scale * shrink;
  const columns = thirds(box.x, box.width, cut.left, cut.right, picture.width, drawn);
  const rows = thirds(box.y, box.height, cut.top, cut.bottom, picture.height, drawn);
  const edges = source['slice-edges'] ?? 'stretch';
  return rows.flatMap((row, y) =>
    columns.flatMap((column, x) => {
      if (x === 1 && y === 1 && source['slice-center'] === 'hollow') return [];
      if (!(column.size > 0 && row.size > 0 && column.length > 0 && row.length > 0)) return [];
      const from = { x: column.from, y: row.from, width: column.size, height: row.size };
      const to = { x: column.to, y: row.to, width: column.length, height: row.length };
      const size = {
        width: x === 1 && edges !== 'stretch' ? column.size * drawn : to.width,
        height: y === 1 && edges !== 'stretch' ? row.size * drawn : to.height,
      };
      const mode = { x: x === 1 ? edges : 'stretch', y: y === 1 ? edges : 'stretch' } as const;
      return tiled(from, to, size, mode, 'middle');
    }),
  );
}

/** The three parts of one side of a box: the first and last keep their size, in whole px, the middle has the rest. */
function thirds(
  start: number,
  room: number,
  before: number,
  after: number,
  natural: number,
  drawn: number,
): readonly { from: number; size: number; to: number; length: number }[] {
  const first = Math.min(Math.round(before * drawn), room);
  const last = Math.min(Math.round(after * drawn), room - first);
  return [
    { from: 0, size: before, to: start, length: first },
    { from: before, size: natural - before - after, to: start + first, length: room - first - last },
    { from: natural - after, size: after, to: start + room - last, length: last },
  ];
}

/** Where tiles that do not fill a length stand: from its start, as a background's, or about its middle, as a border's. */
type Spread = 'start' | 'middle';

/** A part of a picture, repeated to fill a box; what reaches out of the box is not drawn. */
function tiled(
  from: Rect,
  box: Rect,
  size: Natural,
  edges: { readonly x: ImageEdges; readonly y: ImageEdges },
  spread: Spread,
): PicturePiece[] {
  const xs = places(box.x, box.width, size.width, edges.x, spread);
  const ys = places(box.y, box.height, size.height, edges.y, spread);
  if (xs.length * ys.length > mostPieces) return [{ from, to: box }];
  return ys.flatMap((y) =>
    xs.map((x) => ({
      from: {
        x: from.x + from.width * x.skip,
        y: from.y + from.height * y.skip,
        width: from.width * x.share,
        height: from.height * y.share,
      },
      to: { x: x.at, y: y.at, width: x.length, height: y.length },
    })),
  );
}

interface Place {
  readonly at: number;
  readonly length: number;
  /** How much of the tile is left out before, and how much of it is drawn. */
  readonly skip: number;
  readonly share: number;
}

/** Where tiles stand along one side of a box. */
function places(start: number, room: number, tile: number, mode: ImageEdges, spread: Spread): Place[] {
  const whole = (at: number, length: number): Place => ({ at, length, skip: 0, share: 1 });
  if (mode === 'stretch' || !(tile > 0) || room / tile > mostPieces) return [whole(start, room)];
  if (mode === 'round') {
    const count = Math.max(1, Math.round(room / tile));
    return Array.from({ length: count }, (_, nth) => whole(start + (room * nth) / count, room / count));
  }
  if (mode === 'space') {
    const count = Math.floor(room / tile + 1e-9);
    const spare = room - count * tile;
    // A background's tiles reach both ends; a border's have as much room outside as between.
    const gap = spread === 'middle' ? spare / (count + 1) : count > 1 ? spare / (count - 1) : 0;
    const first = start + (spread === 'middle' ? gap : 0);
    return Array.from({ length: count }, (_, nth) => whole(first + nth * (tile + gap), tile));
  }
  const inside = spread === 'middle' ? (room - tile) / 2 : 0;
  const found: Place[] = [];
  // The first and the last tile are cut off where they reach out.
  for (let from = inside - Math.ceil(inside / tile - 1e-9) * tile; from < room - 1e-9; from += tile) {
    const low = Math.max(0, from);
    const length = Math.min(room, from + tile) - low;
    if (length > 1e-9)
      found.push({ at: start + low, length, skip: (low - from) / tile, share: length / tile });
  }
  return found;
}
