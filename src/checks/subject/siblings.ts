import type { Kind } from '../../document/index.ts';
import type { Widget } from '../../dress/index.ts';
import type { EdgeName } from '../../scene/index.ts';
import type { Subject } from './subject.ts';

const lyingOver: ReadonlySet<Kind> = new Set(['tooltip', 'scrollbar']);

/**
 * Whether a widget lies over others by its nature, as a tooltip and a pop-up, or over what it belongs to, as a scrollbar and a sign of
 * more.
 */
export function mayLieOver(widget: Widget): boolean {
  return lyingOver.has(widget.kind) || 'shows-more' in widget.source || isPopUp(widget);
}

/** What comes and goes and keeps the focus while it is there, as the list of a drop-down. */
function isPopUp({ source, bound }: Widget): boolean {
  if (!('focus-scope' in source) || source['focus-scope'] !== 'closed') return false;
  return bound.has('visible') || bound.has('gone');
}

/** The nearest of those that a widget is or is in; -1 of any other: what lies over others is not held against them. */
export function lyingOverAt({ widgets }: Pick<Subject, 'widgets'>, index: number): number {
  for (let at = index; at > 0; at = widgets[at]!.parent) if (mayLieOver(widgets[at]!)) return at;
  return -1;
}

/** Widgets that are anchored beside each other in the same parent, by parent. */
export function freeSiblings(subject: Subject): readonly (readonly number[])[] {
  return subject.form.once('siblings', () => {
    const groups = new Map<number, number[]>();
    for (const widget of subject.widgets) {
      const { index, parent, kind } = widget;
      // What stands over everything is seen by itself.
      if (kind === 'dialog' || mayLieOver(widget)) continue;
      if (parent < 0 || subject.widgets[parent]!.box.arrange !== 'free') continue;
      // An eye compares what is drawn: what is turned or scaled by itself stands otherwise than it is laid out.
      if (subject.form.turner[index] === index && index > 0) continue;
      if (!subject.paintsWithin(index)) continue;
      const group = groups.get(parent);
      if (group) group.push(index);
      else groups.set(parent, [index]);
    }
    return [...groups.values()];
  });
}

/** Whether an edge stays where it is whatever is said: that of a text as wide as its words is where those end. */
export function isFirm({ text, box: { x } }: Widget, edge: EdgeName): boolean {
  if (edge === 'top' || edge === 'bottom' || !text || x.span) return true;
  const isByWords = x.mode === 'auto' || x.mode === 'content';
  return !isByWords || x.pivot === (edge === 'left' ? 0 : 1);
}
