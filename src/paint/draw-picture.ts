import type { Rect } from '../layout/index.ts';
import { partToDraw, type Picture } from '../picture/index.ts';
import type { Rgba } from '../theme/index.ts';
import type { DrawOperation } from './draw-list.ts';

/** One drawing of a part of a picture, from the file that has the px for it. */
export function pictureOperation(
  widget: number,
  picture: Picture,
  from: Rect,
  to: Rect,
  how: { readonly pixelated: boolean; readonly tint: Rgba | undefined },
): DrawOperation {
  const times = Math.max(to.width / from.width, to.height / from.height);
  const part = partToDraw(picture, from, times);
  return {
    type: 'picture',
    widget,
    rect: to,
    picture: part.picture,
    opacity: 1,
    ...(part.from && { from: part.from }),
    ...(how.pixelated && { pixelated: true }),
    ...(how.tint && { tint: how.tint }),
  };
}
