import type { Fit } from '../document/index.ts';
import type { Rect } from '../layout/index.ts';

/**
 * Where a picture is drawn in a box: object-fit of CSS Images 3 §5.5, centred.
 * @param scale Device px that one px of the picture's natural size is drawn with.
 */
export function fitPicture(
  box: Rect,
  picture: { readonly width: number; readonly height: number },
  fit: Fit,
  scale: number,
): Rect {
  if (fit === 'fill') return box;
  const contain = Math.min(box.width / picture.width, box.height / picture.height);
  const factor = {
    'contain': contain,
    'cover': Math.max(box.width / picture.width, box.height / picture.height),
    'none': scale,
    'scale-down': Math.min(scale, contain),
  }[fit];
  const width = picture.width * factor;
  const height = picture.height * factor;
  return { x: box.x + (box.width - width) / 2, y: box.y + (box.height - height) / 2, width, height };
}
