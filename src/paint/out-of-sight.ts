import type { Widget } from '../dress/index.ts';
import { inkInto } from '../inside/index.ts';
import type { Layout, Rect } from '../layout/index.ts';
import { meets, softEdge, type Area } from './areas.ts';

/*
 * What a scrolled list has not scrolled to is not drawn: it would be cut off whole. In what is turned everything is drawn.
 */

/** Whether all of what a widget draws in its box and casts from there is cut off. @param rect Its box in device px. */
export function isBoxCutOff({ look, kind }: Widget, rect: Rect, scale: number, cut: Area): boolean {
  // A dialog lays a veil over the whole screen, and what a game draws itself is asked for as long as it is there.
  if (kind === 'dialog' || kind === 'canvas') return false;
  return !meets(cut, outset(rect, softEdge + reachOf(look.shadow, scale)));
}

/** Whether all letters of a widget, with their outline and shadows, are cut off. */
export function isTextCutOff(widget: Widget, layout: Layout, cut: Area): boolean {
  const { look, text, index } = widget;
  // Pictures among letters are no outlines.
  if (!text || text.runs.some(({ setting }) => setting.icon)) return false;
  const ink = new Float64Array(4);
  inkInto(widget, layout, ink, 0);
  const { scale, originX, originY } = layout.frame;
  const [x, y, width, height] = ink as unknown as [number, number, number, number];
  const rect = {
    x: originX + x * scale,
    y: originY + y * scale,
    width: width * scale,
    height: height * scale,
  };
  return !meets(cut, outset(rect, softEdge + reachOf(look.textShadow, layout.scale(index))));
}

interface Cast {
  readonly x: number;
  readonly y: number;
  readonly blur: number;
  readonly spread?: number;
}

/** How far the farthest of some shadows reaches, in device px: a blur is seen as far as three times its deviation. */
function reachOf(shadows: readonly Cast[], scale: number): number {
  let reach = 0;
  for (const { x, y, blur, spread = 0 } of shadows)
    reach = Math.max(reach, Math.max(Math.abs(x), Math.abs(y)) + 1.5 * blur + Math.max(0, spread));
  return reach * scale;
}

function outset({ x, y, width, height }: Rect, by: number): Area {
  return { left: x - by, top: y - by, right: x + width + by, bottom: y + height + by };
}
