import type { Fit } from '../document/index.ts';
import type { Rect } from '../layout/index.ts';

/**
 * Where a picture is drawn in a box: object-fit of CSS Images 3 §5.5.
 * @param scale Device px that one px of the picture's natural size is drawn with.
 * @param at The point of the picture that is put at the same point of the box, as fractions; the middle if left out.
 */
export function fitPicture(
  box: Rect,
  picture: { readonly width: number; readonly height: number },
  fit: Fit,
  scale: number,
  at: { readonly x: number; readonly y: number } = { x: 0.5, y: 0.5 },
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
  return { x: box.x + (box.width - width) * at.x, y: box.y + (box.height - height) * at.y, width, height };
}
