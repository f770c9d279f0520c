import type { Widget } from '../dress/index.ts';
import { inkInto } from '../inside/index.ts';
import type { Layout, Rect } from '../layout/index.ts';
import { around, blurReach, meets, nowhere, softEdge, type Area } from './areas.ts';

/*
 * What a scrolled list has not scrolled to is not drawn: it would be cut off whole. In what is turned everything is drawn.
 */

/** Whether all of what a widget draws in its box and casts from there is cut off. @param rect Its box in device px. */
export function isBoxCutOff({ look, kind }: Widget, rect: Rect, scale: number, cut: Area): boolean {
  // A dialog lays a veil over the whole screen, and what a game draws itself is asked for as long as it is there.
  if (kind === 'dialog' || kind === 'canvas') return false;
  return isBeyond(cut, rect, reachOf(look.shadow, scale));
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
  return isBeyond(cut, rect, reachOf(look.textShadow, layout.scale(index)));
}

function isBeyond(cut: Area, rect: Rect, reach: number): boolean {
  const area = nowhere();
  around(rect, softEdge + reach, area);
  return !meets(cut, area);
}

interface Cast {
  readonly x: number;
  readonly y: number;
  readonly blur: number;
  readonly spread?: number;
}

/** How far the farthest of some shadows reaches, in device px. */
function reachOf(shadows: readonly Cast[], scale: number): number {
  let reach = 0;
  for (const { x, y, blur, spread = 0 } of shadows)
    reach = Math.max(reach, Math.max(Math.abs(x), Math.abs(y)) + blurReach * blur + Math.max(0, spread));
  return reach * scale;
}
