import { PictureError, type Picture, type PictureRect } from './picture.ts';

/** A picture file cut into named regions; docs/pictures.md has the format. */
export interface Atlas {
  /** Path of the picture file, from where the atlas stands. */
  readonly picture: string;
  /** How many px of the file stand for one px of a region's natural size. */
  readonly density: number;
  /** Names → where, in px of the file. */
  readonly regions: ReadonlyMap<string, PictureRect>;
}

/** The most bytes an atlas may have, and the most regions. */
export const mostAtlasBytes = 4 * 1024 * 1024;
const mostRegions = 4_000;

/** Reads an atlas from JSON. @throws PictureError when it is none. */
export function readAtlas(text: string): Atlas {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    throw new PictureError('it is no JSON');
  }
  if (!isMap(value) || value['pimbot-atlas'] !== 1)
    throw new PictureError('it is no atlas: "pimbot-atlas" is not 1');
  const { picture, density = 1, regions } = value;
  if (typeof picture !== 'string') throw new PictureError('"picture" is not the path of a picture');
  if (typeof density !== 'number' || !(density >= 0.1 && density <= 16))
    throw new PictureError('"density" is not a number from 0.1 to 16');
  if (!isMap(regions)) throw new PictureError('"regions" is not a map of names and places');
  const entries = Object.entries(regions);
  if (entries.length > mostRegions) throw new PictureError(`it has more than ${mostRegions} regions`);
  return {
    picture,
    density,
    regions: new Map(entries.map(([name, place]) => [name, regionOf(name, place)])),
  };
}

function isMap(value: unknown): value is { readonly [name: string]: unknown } {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

function regionOf(name: string, place: unknown): PictureRect {
  const numbers = Array.isArray(place) ? (place as unknown[]) : [];
  const sound = numbers.length === 4 && numbers.every((one) => Number.isFinite(one) && (one as number) >= 0);
  const [x, y, width, height] = numbers as number[];
  if (!sound || !(width! > 0 && height! > 0))
    throw new PictureError(`the region "${name}" is not four numbers of px: left, top, width, height`);
  return { x: x!, y: y!, width: width!, height: height! };
}

/** A region of a picture as a picture of its own. @throws PictureError when it reaches out of it. */
export function cutOut(sheet: Picture, name: string, place: PictureRect, density: number): Picture {
  const { x, y, width, height } = place;
  if (x + width > sheet.width || y + height > sheet.height)
    throw new PictureError(
      `the region "${name}" reaches out of the ${sheet.width} × ${sheet.height} px of its picture`,
    );
  const { mime, bytes } = sheet;
  const region: Picture = { name, mime, width, height, bytes, sheet: { picture: sheet, x, y } };
  if (density === 1) return region;
  return {
    ...region,
    width: width / density,
    height: height / density,
    files: [{ density, picture: region }],
  };
}
