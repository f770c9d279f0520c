import type { WidgetSource } from '../document/index.ts';
import { paddingEnd, paddingStart } from '../inside/index.ts';
import type { LiveNode, LiveView } from '../live/index.ts';

/*
 * Where what scrolls comes to rest (CSS Scroll Snap 1, `mandatory`): an edge or the middle of an entry stands at that of the room it
 * scrolls in. Entries are its children; lengths are u of its own.
 */

/** How far it is scrolled at each of its entries, along an axis, in order; undefined where it may rest anywhere. */
export function snapPlaces(
  live: LiveView,
  { index, bone }: LiveNode,
  axis: 'x' | 'y',
): readonly number[] | undefined {
  const align = (bone.source as WidgetSource)['scroll-snap'];
  if (align === undefined || !bone.box[axis].scrolls) return undefined;
  const range = live.scrollRange(index)[axis];
  const { layout, widgets } = live.now.on;
  const own = widgets[index]!;
  const factor = layout.factor(index);
  const size = axis === 'x' ? 'width' : 'height';
  const outer = layout.rectInU(index);
  const start = outer[axis] + paddingStart(layout, own, axis);
  const end = outer[axis] + outer[size] - paddingEnd(layout, own, axis);
  const { x, y } = live.scrolled(index);
  const scrolled = axis === 'x' ? x : y;
  const places = new Set<number>();
  for (let at = index + 1; at < widgets.length && widgets[at]!.parent >= index; at++) {
    const { parent, visible } = widgets[at]!;
    if (parent !== index || !visible) continue;
    const rect = layout.rectInU(at);
    const before = rect[axis] - start;
    const after = rect[axis] + rect[size] - end;
    const by = align === 'start' ? before : align === 'end' ? after : (before + after) / 2;
    places.add(Math.min(range, Math.max(0, scrolled + by / factor)));
  }
  return places.size === 0 ? undefined : [...places].sort((a, b) => a - b);
}

/** The nearest of some places; of two that are as near the first. */
export function nearestOf(places: readonly number[], to: number): number {
  return places.reduce((best, one) => (Math.abs(one - to) < Math.abs(best - to) ? one : best));
}

/** The nearest to where somebody wants to go, but at least the next one that way. */
export function nextOf(places: readonly number[], from: number, to: number): number {
  const onward = places.filter((one) => (to > from ? one > from + still : one < from - still));
  return onward.length === 0 ? nearestOf(places, to) : nearestOf(onward, to);
}

/** The nearest that is not short of where somebody wants to go. */
export function atLeast(places: readonly number[], from: number, to: number): number {
  const far = places.filter((one) => (to > from ? one >= to - still : one <= to + still));
  return far.length === 0 ? to : nearestOf(far, to);
}

/** In u: so near a place it is at it. */
const still = 0.5;
