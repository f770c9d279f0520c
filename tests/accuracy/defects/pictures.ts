import { image, pictures, swap, type Defect } from '../sample.ts';

export const ofPictures: readonly Defect[] = [
  {
    name: 'a picture that is not there',
    check: 'missing-picture',
    widget: 'w',
    make: swap(
      () => image({ size: 90 }),
      () => ({ kind: 'image', image: 'gone', size: 90 }),
      { pictures: { ...pictures, gone: 'gone.png' } },
    ),
  },
  {
    name: 'a picture squeezed into a box',
    check: 'stretched-picture',
    widget: 'w',
    make: swap(
      () => image({ size: [128, 128], fit: 'fill' }),
      (nth) => image({ size: [128, 100 - 4 * nth], fit: 'fill' }),
      { pictures },
    ),
  },
  {
    name: 'a small raster blown up',
    check: 'blown-up-picture',
    widget: 'w',
    make: swap(
      () => image({ size: 128 }),
      (nth) => image({ image: 'tiny', size: 160 + nth * 5 }),
      { pictures },
    ),
  },
  {
    name: 'pixel art between two scales',
    check: 'uneven-pixels',
    widget: 'w',
    make: swap(
      () =>
        image({
          'image': 'tiny',
          'size': 64,
          'image-rendering': 'pixelated',
          'reference': { size: '480x270', scaling: 'whole' },
        }),
      (nth) => image({ 'image': 'tiny', 'size': 70 + nth, 'image-rendering': 'pixelated' }),
      { pictures },
    ),
  },
  {
    name: 'nine slices in too small a box',
    check: 'slices-cross',
    widget: 'w',
    make: swap(
      () => ({ image: 'frame', slice: 30, size: [200, 120] }),
      (nth) => ({ image: 'frame', slice: 30, size: [200, 55 - nth] }),
      { pictures },
    ),
  },
];
