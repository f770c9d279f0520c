import { shown, whySize } from '../why/index.ts';
import type { Check } from './check.ts';
import { intersection } from '../scene/index.ts';
import { covers } from './subject/beds.ts';
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
      const left = intersection(rect, clip);
      const measured = 100 * (1 - (left.width * left.height) / (rect.width * rect.height));
      if (!(measured > limit)) continue;
      const other = subject.cutterOf(index);
      const by = other === undefined ? undefined : subject.widgets[other]!;
      const text = `of ${shown(rect.width)} × ${shown(rect.height)} px, ${shown(left.width)} × ${shown(left.height)} px are left`;
      const axis = rect.width - left.width > rect.height - left.height ? 'x' : 'y';
      const reasons = [
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
  const { kind } = subject.widgets[index]!;
  // Of a text, cut-text says how much of it is lost.
  if (kind === 'text' || !subject.paints(index)) return false;
  // A bare panel that is cut off loses nothing that is said; but a plate in a list is meant to be scrolled to.
  if (bare.has(kind)) {
    const other = subject.cutterOf(index);
    const box = other === undefined ? undefined : subject.widgets[other]!.box;
    if (!box?.x.scrolls && !box?.y.scrolls) return false;
  }
  const clip = subject.cutter(index);
  // A map or a strip that fills the window it is seen through is meant to be larger.
  return clip !== undefined && !(kind === 'image' && covers(subject.rect(index), clip));
}
