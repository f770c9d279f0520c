import { shown, whySize } from '../why/index.ts';
import type { Check } from './check.ts';
import { axisOf, intersection, pastCutters, shareLeft, worstEdge } from '../scene/index.ts';
import { covers } from './subject/beds.ts';
import { pastShare } from './subject/past-share.ts';
import type { Subject } from './subject/subject.ts';

const bare: ReadonlySet<string> = new Set(['panel', 'separator']);

export const cutOff = {
  id: 'cut-off',
  title: 'Cut off for good',
  measures: 'the share of a widget that something around it cuts off and nobody can scroll to',
  unit: '%',
  limit: 1,
  fails: 'above',
  source: 'what is cut off and cannot be scrolled to is not there',
  severity: 'error',
  sentence: ({ other, measured }) =>
    `is ${measured} % cut off${other === undefined ? '' : ` by ${other}`} and cannot be scrolled into view`,
  remedies: ['noLarger', 'roomAround'],
  run(subject, limit, report) {
    for (const { index, pointer } of subject.widgets) {
      if (!isLostWhenCut(subject, index)) continue;
      const clip = subject.cutter(index)!;
      const rect = subject.rect(index);
      if (rect.width * rect.height === 0) continue;
      const measured = 100 * (1 - shareLeft(subject, index));
      if (!(measured > pastShare(limit))) continue;
      const left = intersection(rect, clip);
      const other = subject.cutterOf(index);
      const by = other === undefined ? undefined : subject.widgets[other]!;
      const isRect = subject.form.turner[index] === (other === undefined ? 0 : subject.form.turner[other]);
      const are = isRect ? `${shown(left.width)} × ${shown(left.height)} px` : `${shown(100 - measured)} %`;
      const text = `of ${shown(rect.width)} × ${shown(rect.height)} px, ${are} are left`;
      const lost = { x: rect.width - left.width, y: rect.height - left.height };
      const { edge } = worstEdge(pastCutters(subject, index, rect));
      // What is turned otherwise goes past an edge of what cuts it off, in the frame of that.
      const axis = isRect ? (lost.x > lost.y ? 'x' : 'y') : axisOf(edge).axis;
      const reasons = () => [
        { text, pointer },
        ...(by
          ? whySize(subject, by.index, axis).map((one, nth) =>
              nth === 0 ? { ...one, text: `${by.id}, which cuts it off: ${one.text}` } : one,
            )
          : []),
      ];
      report({ outcome: 'failed', widget: index, ...(other !== undefined && { other }), measured, reasons });
    }
  },
} as const satisfies Check;

/** Whether something of a widget is lost where what is around it cuts it off. */
export function isLostWhenCut(subject: Subject, index: number): boolean {
  const clip = subject.cutter(index);
  if (clip === undefined || !isCutOff(subject, index)) return false;
  if (isLostInLists(subject, index)) return scrollsIn(subject, subject.cutterOf(index));
  return !(fillsItsWindow(subject, index) && covers(subject.rect(index), clip));
}

/** Whether a widget is one of those that something may be lost of: of a text, cut-text says how much. */
export function isCutOff(subject: Subject, index: number): boolean {
  return subject.widgets[index]!.kind !== 'text' && subject.paints(index);
}

/** Whether a widget is a map or a strip, which is meant to be larger than the window it is seen through and loses nothing where it fills that. */
export function fillsItsWindow({ widgets }: Subject, index: number): boolean {
  return widgets[index]!.kind === 'image';
}

/** Whether a widget is bare: cut off it loses nothing that is said, but a plate in a list is meant to be scrolled to. */
export function isLostInLists({ widgets }: Subject, index: number): boolean {
  return bare.has(widgets[index]!.kind);
}

/** Whether what cuts a widget off moves what is in it along an axis. */
export function scrollsIn({ widgets }: Subject, cutter: number | undefined): boolean {
  if (cutter === undefined) return false;
  const { x, y } = widgets[cutter]!.box;
  return x.scrolls || y.scrolls;
}
