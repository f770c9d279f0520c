import type { Kind } from '../../document/index.ts';
import type { Subject } from './subject.ts';

/** Kinds that lie over others by their nature, as tooltips, or over what they belong to. */
export const mayLieOver: ReadonlySet<Kind> = new Set(['tooltip', 'scrollbar']);

/** Widgets that are anchored beside each other in the same parent, by parent. */
export function freeSiblings(subject: Subject): readonly (readonly number[])[] {
  return subject.form.once('siblings', () => {
    const groups = new Map<number, number[]>();
    for (const { index, parent, source, kind } of subject.widgets) {
      // What stands over everything is seen by itself.
      if (kind === 'dialog' || mayLieOver.has(kind)) continue;
      if (parent < 0 || subject.widgets[parent]!.box.arrange !== 'free' || 'rotate' in source) continue;
      if (!subject.paintsWithin(index)) continue;
      const group = groups.get(parent);
      if (group) group.push(index);
      else groups.set(parent, [index]);
    }
    return [...groups.values()];
  });
}
