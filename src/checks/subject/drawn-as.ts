import type { Widget } from '../../dress/index.ts';
import { keyPointer, shown, type Reason } from '../../why/index.ts';
import type { Subject } from './subject.ts';

/** Why something is drawn larger or smaller than it is laid out: nothing where no look around it scales it. */
export function whyScaled({ widgets }: Subject, index: number): readonly Reason[] {
  const found: Reason[] = [];
  for (let at = index; at > 0; at = widgets[at]!.parent) {
    const widget = widgets[at]!;
    const { scale } = widget.look;
    if (scale === 1) continue;
    const text = `${at === index ? 'its look' : `the look of ${widget.id}`} draws it ${shown(scale)} times as large`;
    const isItsOwn = widget.source.look?.scale !== undefined;
    found.push({ text, pointer: keyPointer(widget, isItsOwn ? 'look' : 'style') });
  }
  return found;
}

/** What is so of a widget as it is rotated, skewed or scaled. */
export function whyTurned(widget: Widget, said: string): Reason {
  const { source } = widget;
  const isTilted = 'rotate' in source || 'skew' in source;
  const pointer = keyPointer(widget, 'rotate', 'skew', 'look', 'style');
  return { text: `${isTilted ? 'turned' : 'scaled'}, ${said}`, pointer };
}
