import { cornersIn } from '../inside/index.ts';
import type { Rect } from '../layout/index.ts';
import { hasBox } from './form-scene.ts';
import { across, isUpright, rectIn } from './frames.ts';
import { enlarged } from './geometry.ts';
import type { Scene } from './scene.ts';

/**
 * The upright rectangle around a widget in the frame of another one, as large as that is drawn: of one that is turned, as far as its
 * corners reach, which may be round. A picture may be clear in its corners, and a widget that draws nothing has none: of those, as far as the ellipse in it reaches.
 */
export function outlineIn(scene: Scene, index: number, other: number): Rect {
  return enlarged(outlineOf(scene, index, other), scene.form.scale[other]!);
}

function outlineOf(scene: Scene, index: number, other: number): Rect {
  const to = across(scene, index, other);
  const rect = scene.rect(index);
  if (!to || isUpright(to)) return rectIn(rect, to);
  const [from, right, down] = [to(0, 0), to(1, 0), to(0, 1)];
  const reach = reachOf(scene, index, rect);
  const span = (axis: 0 | 1) => {
    const [x, y] = [right[axis] - from[axis], down[axis] - from[axis]];
    const [start, end] = [from[axis] - reach(-x, -y), from[axis] + reach(x, y)];
    return { start, length: end - start };
  };
  const [wide, high] = [span(0), span(1)];
  return { x: wide.start, y: high.start, width: wide.length, height: high.length };
}

/** How far an outline reaches along a direction of its own frame, from where that is 0: to the corner that lies that way, or its arc. */
function reachOf(scene: Scene, index: number, rect: Rect): (x: number, y: number) => number {
  const widget = scene.widgets[index]!;
  const { width, height } = rect;
  const isClear = !scene.paints(index) || (widget.picture !== undefined && !hasBox(widget.look));
  if (isClear)
    return (x, y) =>
      x * (rect.x + width / 2) + y * (rect.y + height / 2) + Math.hypot((x * width) / 2, (y * height) / 2);
  const { topLeft, topRight, bottomRight, bottomLeft } = cornersIn(widget, rect, scene.layout.scale(index));
  return (x, y) => {
    const [isRight, isLow] = [x > 0, y > 0];
    const radius = isRight ? (isLow ? bottomRight : topRight) : isLow ? bottomLeft : topLeft;
    const across = isRight ? rect.x + width - radius : rect.x + radius;
    const along = isLow ? rect.y + height - radius : rect.y + radius;
    return x * across + y * along + radius * Math.hypot(x, y);
  };
}
