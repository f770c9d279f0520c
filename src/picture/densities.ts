import { PictureError, type Picture } from './picture.ts';

/** By how many px of the coarse file the sides of two files may differ: each is rounded to whole px. */
const mostApart = 1;

/**
 * One picture of several files: its natural size is that of the coarsest, at a density of 1.
 * @param files With how many px of each stand for one px of the natural size.
 * @throws PictureError when they are not of one shape.
 */
export function withDensities(
  name: string,
  files: readonly { readonly density: number; readonly picture: Picture }[],
): Picture {
  const sorted = [...files].sort((a, b) => a.density - b.density);
  const { density, picture: coarse } = sorted[0]!;
  const [width, height] = [coarse.width / density, coarse.height / density];
  for (const { density: times, picture } of sorted) {
    const apart = Math.max(
      Math.abs(picture.width - width * times),
      Math.abs(picture.height - height * times),
    );
    if (apart > mostApart * times)
      throw new PictureError(
        `its file of density ${times} has ${picture.width} × ${picture.height} px; ${Math.round(width * times)} × ${Math.round(height * times)} would be the same picture`,
      );
  }
  return { ...coarse, name, width, height, files: sorted };
}
