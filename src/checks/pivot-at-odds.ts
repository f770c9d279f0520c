import { states, type WidgetSource } from '../document/index.ts';
import { lookOf, type Widget } from '../dress/index.ts';
import { keyPointer, shown } from '../why/index.ts';
import type { Check } from './check.ts';
import type { Subject } from './subject/subject.ts';

/** Places in the parent that an eye expects a widget to be flush with, or centred on. */
const notable = [0, 0.5, 1];

export const pivotAtOdds = {
  id: 'pivot-at-odds',
  title: 'Pivot and anchor at odds',
  measures:
    'how far a widget stands beside the edge or middle it is anchored to, because its pivot is another point',
  unit: 'px',
  limit: 2,
  fails: 'above',
  source: 'a widget anchored to the middle with its pivot in a corner is off by half its size',
  severity: 'error',
  sentence: ({ measured }) => `is ${measured} px off its anchor`,
  remedies: ['pivotFollows'],
  run(subject, limit, report) {
    for (const widget of subject.widgets) {
      const source = widget.source as WidgetSource;
      if (source.pivot === undefined || source.rotate !== undefined || !subject.isThere(widget.index))
        continue;
      if (subject.widgets[widget.parent]?.box.arrange !== 'free' || widget.box.target !== undefined) continue;
      const around = subject.widgets[widget.parent]!.source;
      const rect = subject.rect(widget.index);
      for (const axis of ['x', 'y'] as const) {
        const { span, anchorStart, pivot, offset } = widget.box[axis];
        if (span || !notable.includes(anchorStart) || offset.share !== 0) continue;
        // Half over an edge, or beside it, of what lets things reach out: a badge, a close button, a tab.
        if (anchorStart !== 0.5 && 'overflow' in around && around.overflow === 'visible') continue;
        if (hasCounterpart(subject, widget, axis)) continue;
        const size = axis === 'x' ? rect.width : rect.height;
        const beside = Math.abs(anchorStart - pivot) * size;
        // An offset that makes up for it, or moves it away on purpose, was thought about.
        if (Math.abs(offset.u) * subject.layout.scale(widget.parent) > beside / 4) continue;
        if (!(beside > limit) || growsAboutIt(subject, widget)) continue;
        const reasons = [
          {
            text: `the ${axis === 'x' ? 'horizontal' : 'vertical'} anchor is ${shown(anchorStart)}, the pivot ${shown(pivot)}, and the offset ${shown(offset.u)} u`,
            pointer: keyPointer(widget, 'pivot'),
          },
        ];
        report({ outcome: 'failed', widget: widget.index, measured: beside, reasons });
        break;
      }
    }
  },
} as const satisfies Check;

/** Whether its look, in a state or as it is, scales it: its pivot is what stays then. */
function growsAboutIt({ widgets }: Subject, { source, kind, theme, parent }: Widget): boolean {
  const around = widgets[parent]!.look;
  return [undefined, ...states].some(
    (state) => lookOf(source, kind, theme, around, state === undefined ? [] : [state]).scale !== 1,
  );
}

/** Whether another widget is anchored to the same place with its other end: the two stand to both sides of it on purpose. */
function hasCounterpart(subject: Subject, { index, parent, box }: Widget, axis: 'x' | 'y'): boolean {
  const { anchorStart, pivot } = box[axis];
  return (
    anchorStart === 0.5 &&
    pivot !== 0.5 &&
    subject.widgets.some(
      (one) =>
        one.index !== index &&
        one.parent === parent &&
        !one.box[axis].span &&
        one.box[axis].anchorStart === 0.5 &&
        one.box[axis].pivot === 1 - pivot,
    )
  );
}
