import type { Widget } from '../dress/index.ts';
import type { Rect } from '../layout/index.ts';
import { fittedCorners, isSquare, mapCorners, type Corners } from '../theme/index.ts';

/** The radii of a widget's corners in device px, none larger than fits. */
export function cornersIn({ look }: Widget, rect: Rect, scale: number): Corners {
  const { radius } = look;
  if (isSquare(radius)) return radius;
  return fittedCorners(
    mapCorners(radius, (one) => one * scale),
    rect.width,
    rect.height,
  );
}
