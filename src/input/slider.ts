import type { WidgetSource } from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import { controlBoxes, slidesAlong } from '../inside/index.ts';
import type { Layout } from '../layout/index.ts';

/** What a key changes a slider by where it says no step, and how many steps a page key goes. */
const usualStep = 0.05;
const pageSteps = 4;

export type SliderStep = 'less' | 'more' | 'page-less' | 'page-more' | 'least' | 'most';

/** What goes the other way. */
export const oppositeStep: { readonly [By in SliderStep]: SliderStep } = {
  'less': 'more',
  'more': 'less',
  'page-less': 'page-more',
  'page-more': 'page-less',
  'least': 'most',
  'most': 'least',
};

/** The value of a slider after a key (ARIA Authoring Practices, slider). */
export function slid(value: number, step: number | undefined, by: SliderStep): number {
  const one = step ?? usualStep;
  switch (by) {
    case 'least':
      return 0;
    case 'most':
      return 1;
    case 'less':
    case 'more':
      return onStep(value + (by === 'more' ? one : -one), step);
    case 'page-less':
    case 'page-more':
      return onStep(value + (by === 'page-more' ? one : -one) * pageSteps, step);
  }
}

/** The value of a slider where its handle stands in the middle under a point: the inverse of how it is drawn. @param x In device px. */
export function valueAt(widget: Widget, layout: Layout, x: number, y: number): number {
  const rect = layout.pixelRect(widget.index);
  const { handle } = controlBoxes(widget, layout, rect);
  const { axis, isFromEnd } = slidesAlong(widget);
  const along = axis === 'x' ? 'width' : 'height';
  const room = rect[along] - handle[along];
  const share = room > 0 ? ((axis === 'x' ? x : y) - rect[axis] - handle[along] / 2) / room : 0;
  const held = Math.min(1, Math.max(0, share));
  return onStep(isFromEnd ? 1 - held : held, (widget.source as WidgetSource).step);
}

/** A value between 0 and 1, on a step where there are some. */
function onStep(value: number, step: number | undefined): number {
  const within = Math.min(1, Math.max(0, value));
  const near = step === undefined ? within : Math.min(1, Math.round(within / step) * step);
  // 0.1 + 0.2 is shown to players.
  return Number(near.toFixed(6));
}
