import type { WidgetSource } from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import {
  caretRects,
  checkMark,
  controlBoxes,
  insideOf,
  scrollbarBoxes,
  type ScrollbarBoxes,
} from '../inside/index.ts';
import type { Rect } from '../layout/index.ts';
import { evenCorners, faded, type Corners } from '../theme/index.ts';
import type { ViewLayout } from '../view/index.ts';
import { plainBox, type DrawOperation, type PathStep } from './draw-list.ts';

/** What the inside of a control is drawn with. */
export interface ControlStyle {
  readonly rect: Rect;
  readonly radius: Corners;
}

/** What a checkbox, switch, slider or scrollbar draws over its background. */
export function addControl(
  on: ViewLayout,
  widget: Widget,
  { rect, radius }: ControlStyle,
  operations: DrawOperation[],
): void {
  const { layout } = on;
  const { index, kind, look, states } = widget;
  if (kind === 'checkbox') {
    if (!states.includes('checked')) return;
    const inside = insideOf(widget, layout, rect);
    const at = ([x, y]: readonly [number, number]) => [
      inside.x + inside.width * x,
      inside.y + inside.height * y,
    ];
    const steps: PathStep[] = checkMark.map((corner, nth) => ({
      type: nth === 0 ? 'M' : 'L',
      values: at(corner),
    }));
    operations.push({
      type: 'path',
      widget: index,
      steps: [...steps, closed],
      color: look.color,
      opacity: 1,
    });
    return;
  }
  if (kind === 'scrollbar') {
    const boxes = scrollbarOf(on, widget, rect);
    if (!boxes) return;
    const { handle } = boxes;
    const round = Math.min(handle.width / 2, handle.height / 2, Math.max(radius.topLeft, radius.topRight));
    operations.push(plainBox(index, handle, look.handleColor ?? look.color, evenCorners(round)));
    return;
  }
  if (kind !== 'switch' && kind !== 'slider') return;
  const { track, filled, handle } = controlBoxes(widget, layout, rect);
  if (filled && filled.width > 0 && filled.height > 0) {
    operations.push({ type: 'clip', rect: track, radius });
    operations.push(plainBox(index, filled, look.color));
    operations.push({ type: 'restore' });
  }
  // As round as the widget around it, up to a circle.
  const round = Math.min(
    handle.width / 2,
    Math.max(radius.topLeft, radius.topRight) * (kind === 'slider' ? 4 : 1),
  );
  const color = look.handleColor ?? look.color;
  operations.push(plainBox(index, handle, color, evenCorners(round)));
}

/** The parts of a scrollbar; undefined where there is nothing to scroll. */
export function scrollbarOf(on: ViewLayout, widget: Widget, rect: Rect): ScrollbarBoxes | undefined {
  const { controls } = widget.source as WidgetSource;
  return scrollbarBoxes(widget, on.layout, rect, controls === undefined ? undefined : on.find(controls));
}

const closed: PathStep = { type: 'Z', values: [] };

/** What is selected in a textbox that has the focus: under its letters. */
export function addSelection({ layout }: ViewLayout, widget: Widget, operations: DrawOperation[]): void {
  const { index, kind, look, states, caret } = widget;
  if (kind !== 'textbox' || !states.includes('focused') || !caret || caret.at === caret.from) return;
  const rects = caretRects(widget, layout, caret);
  if (rects?.selection)
    operations.push(plainBox(index, rects.selection, faded(look.color, selectionOpacity)));
}

/** Where the next letter goes in a textbox that has the focus. */
export function addCaret({ layout }: ViewLayout, widget: Widget, operations: DrawOperation[]): void {
  const { index, kind, look, states, caret } = widget;
  if (kind !== 'textbox' || !states.includes('focused')) return;
  const rects = caretRects(widget, layout, caret);
  if (rects) operations.push(plainBox(index, rects.caret, { ...look.color, a: 1 }));
}

/** What is selected lies on the colour of the text, so much fainter. */
const selectionOpacity = 0.3;
