import type { PackedPicture } from '../pack/index.ts';
import type { Picture, PictureRect, Pixels } from '../picture/index.ts';

/** A picture file, decoded. */
export interface LoadedImage {
  readonly mime: Picture['mime'];
  readonly width: number;
  readonly height: number;
  readonly bytes: Uint8Array;
  readonly drawable: CanvasImageSource;
}

/** Decodes a picture as the page draws it. @throws where it cannot be decoded. */
export async function decodeImage(
  bytes: Uint8Array,
  { mime, width, height }: { readonly mime: string; readonly width: number; readonly height: number },
): Promise<LoadedImage> {
  const url = URL.createObjectURL(new Blob([bytes.slice()], { type: mime }));
  try {
    const drawable = new Image();
    drawable.src = url;
    await drawable.decode();
    return { mime: mime as Picture['mime'], width, height, bytes, drawable };
  } finally {
    URL.revokeObjectURL(url);
  }
}

/** The longer side of the small drawing that hits look at, in px. */
const sampleSide = 256;

/** What a name of a picture stands for. @param images The decoded files, in the order of the pack. */
export function pictureOf(name: string, packed: PackedPicture, images: readonly LoadedImage[]): Picture {
  const { width, height, files } = packed;
  if (!files) return fromOne(name, packed, images[packed.image!]!);
  const all = files.map(({ density, picture }) => ({
    density,
    packed: picture,
    image: images[picture.image!]!,
  }));
  const { mime, bytes, drawable, ...coarse } = all[0]!.image;
  return withSample(
    {
      name,
      mime,
      width,
      height,
      bytes,
      drawable,
      files: all.map((one) => ({ density: one.density, picture: fromOne(name, one.packed, one.image) })),
    },
    drawable,
    { x: 0, y: 0, width: coarse.width, height: coarse.height },
  );
}

function fromOne(name: string, { width, height, at }: PackedPicture, image: LoadedImage): Picture {
  const { mime, bytes, drawable } = image;
  if (!at)
    return withSample({ name, mime, width, height, bytes, drawable }, drawable, {
      x: 0,
      y: 0,
      width,
      height,
    });
  const picture: Picture = { name, mime, width: image.width, height: image.height, bytes, drawable };
  return withSample({ name, mime, width, height, bytes, sheet: { picture, ...at } }, drawable, {
    ...at,
    width,
    height,
  });
}

/** Only a widget that answers where its picture is opaque asks for the sample: it is drawn when that happens. */
function withSample(picture: Picture, drawable: CanvasImageSource, from: PictureRect): Picture {
  let sample: Pixels | undefined;
  return {
    ...picture,
    get sample() {
      if (sample) return sample;
      const scale = Math.min(1, sampleSide / Math.max(from.width, from.height));
      const width = Math.max(1, Math.round(from.width * scale));
      const height = Math.max(1, Math.round(from.height * scale));
      const context = new OffscreenCanvas(width, height).getContext('2d')!;
      context.drawImage(drawable, from.x, from.y, from.width, from.height, 0, 0, width, height);
      return (sample = { width, height, data: context.getImageData(0, 0, width, height).data });
    },
  };
}
