import type { PictureSource } from '../document/index.ts';
import { PictureBudget } from './budget.ts';
import { cutOut, mostAtlasBytes, readAtlas } from './atlas.ts';
import { withDensities } from './densities.ts';
import { PictureError, type Picture, type PictureRect, type Pixels } from './picture.ts';
import { readPicture } from './read-picture.ts';

/** What reads and decodes files for pictures: Node, a browser, a game. Paths are from the document's folder. */
export interface PictureHost {
  read(path: string): Promise<Uint8Array>;
  /** What a canvas can draw. @throws PictureError when it cannot be decoded. */
  decode(picture: Picture): Promise<unknown>;
  /** A part of what was decoded, drawn in a size. */
  sample(drawable: unknown, from: PictureRect, width: number, height: number): Pixels;
}

/** The longer side of the small drawing that checks look at, in px; of a region of an atlas, of which there are many. */
const sampleSide = 256;
const regionSampleSide = 64;

/**
 * Loads what a name of `pictures` stands for: one picture, one of several densities, or an atlas, whose regions are
 * called `name/region`.
 * @param budget What the pictures of the document unpack to together.
 * @throws PictureError when a file is broken, too large or of another kind; whatever the host throws.
 */
export async function loadPictures(
  name: string,
  source: PictureSource,
  host: PictureHost,
  budget = new PictureBudget(),
): Promise<ReadonlyMap<string, Picture>> {
  if (typeof source !== 'string') {
    const files: { density: number; picture: Picture }[] = [];
    for (const [density, path] of Object.entries(source))
      files.push({ density: Number(density), picture: await loadOne(name, path, host, budget) });
    if (files.some(({ density }) => !(density > 0))) throw new PictureError('a density is above 0');
    return new Map([[name, withDensities(name, files)]]);
  }
  if (!/\.json$/i.test(source)) return new Map([[name, await loadOne(name, source, host, budget)]]);
  const bytes = await host.read(source);
  if (bytes.length > mostAtlasBytes)
    throw new PictureError(`its ${bytes.length} bytes are more than is read`);
  const atlas = readAtlas(new TextDecoder().decode(bytes));
  const folder = source.includes('/') ? source.slice(0, source.lastIndexOf('/') + 1) : '';
  const sheet = await loadOne(name, folder + atlas.picture, host, budget);
  const found = new Map<string, Picture>();
  for (const [region, place] of atlas.regions) {
    const picture = cutOut(sheet, `${name}/${region}`, place, atlas.density);
    const sample = sampleOf(sheet.drawable, place, regionSampleSide, host);
    found.set(picture.name, { ...picture, sample });
  }
  return found;
}

async function loadOne(
  name: string,
  path: string,
  host: PictureHost,
  budget: PictureBudget,
): Promise<Picture> {
  const picture = readPicture(name, await host.read(path));
  budget.take(picture);
  const drawable = await host.decode(picture);
  const { width, height } = picture;
  return {
    ...picture,
    drawable,
    sample: sampleOf(drawable, { x: 0, y: 0, width, height }, sampleSide, host),
  };
}

function sampleOf(drawable: unknown, from: PictureRect, side: number, host: PictureHost): Pixels {
  const scale = Math.min(1, side / Math.max(from.width, from.height));
  const width = Math.max(1, Math.round(from.width * scale));
  const height = Math.max(1, Math.round(from.height * scale));
  return host.sample(drawable, from, width, height);
}
