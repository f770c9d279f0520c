import type { Image } from '@napi-rs/canvas';
import { PictureError, type PictureHost } from '../picture/index.ts';
import { canvasPackage } from './canvas-package.ts';

/** Decodes pictures with the canvas that draws them. @throws MissingPackage */
export function pictureHost(read: (path: string) => Uint8Array): PictureHost {
  const { createCanvas, loadImage } = canvasPackage();
  return {
    // A file that cannot be read is an answer like any other: whoever asks gets it as a rejection.
    read: (path) => Promise.resolve().then(() => read(path)),
    decode: ({ bytes }) =>
      loadImage(Buffer.from(bytes)).catch(() => {
        throw new PictureError('it cannot be decoded');
      }),
    sample(drawable, from, width, height) {
      const context = createCanvas(width, height).getContext('2d');
      context.drawImage(drawable as Image, from.x, from.y, from.width, from.height, 0, 0, width, height);
      return { width, height, data: context.getImageData(0, 0, width, height).data };
    },
  };
}
