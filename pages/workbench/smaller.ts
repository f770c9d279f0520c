import type { DrawList, Picture } from 'pimbot';

/** The same picture in half the px, a quarter, and so on: drawing a large one small takes long. */
export class SmallerPictures {
  readonly #levels = new WeakMap<Picture, Picture[]>();

  /** A list as it is drawn at a scale: pictures that are drawn much smaller than they are come from smaller ones. */
  for<List extends DrawList>(list: List, scale: number): List {
    if (scale >= 0.75) return list;
    const operations = list.operations.map((one) => {
      if (one.type !== 'picture' || one.picture.drawable === undefined || one.rect.width <= 0) return one;
      const source = one.from?.width ?? one.picture.width;
      const level = Math.floor(Math.log2(source / (one.rect.width * scale)));
      if (level < 1 || one.pixelated) return one;
      const picture = this.#level(one.picture, Math.min(level, 6));
      const times = picture.width / one.picture.width;
      const from = one.from && {
        x: one.from.x * times,
        y: one.from.y * times,
        width: one.from.width * times,
        height: one.from.height * times,
      };
      return { ...one, picture, from };
    });
    return { ...list, operations };
  }

  #level(picture: Picture, level: number): Picture {
    let levels = this.#levels.get(picture);
    if (!levels) this.#levels.set(picture, (levels = [picture]));
    while (levels.length <= level) {
      const before = levels.at(-1)!;
      const bitmap = before.drawable as ImageBitmap;
      const canvas = new OffscreenCanvas(
        Math.max(1, Math.round(bitmap.width / 2)),
        Math.max(1, Math.round(bitmap.height / 2)),
      );
      const context = canvas.getContext('2d')!;
      context.imageSmoothingQuality = 'high';
      context.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
      levels.push({
        ...before,
        width: before.width / 2,
        height: before.height / 2,
        drawable: canvas.transferToImageBitmap(),
      });
    }
    return levels[level]!;
  }
}
