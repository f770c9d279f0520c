import { outward, tipOf } from '../../input/index.ts';
import type { Subject } from './subject.ts';

/** Controls, or what is in them, and their tooltips, where both are there. */
export function tipsOf(subject: Subject): ReadonlyMap<number, number> {
  return subject.form.once('tips', () => {
    const { widgets } = subject;
    const found = new Map<number, number>();
    if (!widgets.some(({ source }) => 'tooltip' in source)) return found;
    for (const { index } of widgets) {
      const name = tipOf(outward(widgets, index));
      const tip = name === undefined ? undefined : subject.indexOf(name);
      if (tip !== undefined) found.set(index, tip);
    }
    return found;
  });
}

/** Whether a widget is, or is in, a tooltip that a game puts beside what it belongs to: where it stands now says nothing. */
export function isPlacedLater(subject: Subject, index: number): boolean {
  const tips = tipsOf(subject);
  if (tips.size === 0) return false;
  const set = subject.form.once('all-tips', () => [...new Set(tips.values())]);
  return set.some((tip) => subject.form.isWithin(index, tip));
}
