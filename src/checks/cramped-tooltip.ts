import type { WidgetSource } from '../document/index.ts';
import { tipPlace } from '../input/index.ts';
import type { Rect } from '../layout/index.ts';
import { shown } from '../why/index.ts';
import type { Check } from './check.ts';
import { usableControls } from './subject/focus-map.ts';
import type { Subject } from './subject/subject.ts';
import { tipsOf } from './subject/tips.ts';

export const crampedTooltip = {
  id: 'cramped-tooltip',
  title: 'A tooltip without room',
  measures:
    'how much room the tooltip of a control lacks on the side that has the most, within the safe area',
  unit: 'px',
  limit: 0.5,
  fails: 'above',
  source: 'a tooltip that fits on no side hides what it explains, or is cut off',
  severity: 'error',
  sentence: ({ other, measured }) => `has no room for ${other} on any side: ${measured} px too little`,
  run(subject, limit, report) {
    const tips = tipsOf(subject);
    if (tips.size === 0) return;
    for (const index of usableControls(subject)) {
      const tip = tips.get(index);
      if (tip === undefined) continue;
      const { lacks, side } = placeOf(subject, index, tip);
      if (!(lacks > limit)) continue;
      const { pointer } = subject.widgets[index]!;
      const { width, height } = subject.rect(tip);
      const text = `it is ${shown(width)} × ${shown(height)} px, and most room is on the ${side}`;
      const reasons = [{ text, pointer: subject.widgets[tip]!.pointer }];
      report({ outcome: 'failed', widget: index, other: tip, measured: lacks, at: pointer, reasons });
    }
  },
} as const satisfies Check;

/** Where a tooltip would stand; of one at the pointer, where it lacks most, at the corners of the control. */
function placeOf(subject: Subject, control: number, tip: number): ReturnType<typeof tipPlace> {
  const widget = subject.widgets[tip]!;
  const scale = subject.layout.scale(widget.parent);
  const rect = subject.turnedRect(control);
  const anchors = (widget.source as WidgetSource).at === 'pointer' ? cornersOf(rect) : [rect];
  return anchors
    .map((anchor) => tipPlace(anchor, subject.rect(tip), widget, scale, subject.safeRect))
    .reduce((worst, one) => (one.lacks > worst.lacks ? one : worst));
}

function cornersOf({ x, y, width, height }: Rect): readonly Rect[] {
  const point = { width: 1, height: 1 };
  return [x, x + width].flatMap((left) => [y, y + height].map((top) => ({ x: left, y: top, ...point })));
}
