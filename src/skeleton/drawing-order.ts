import type { Bone } from './bone.ts';

type Ordered = Pick<Bone, 'index' | 'parent' | 'source'>;

/** Indexes in drawing order. */
export function drawingOrder(widgets: readonly Ordered[]): number[] {
  // Parents in which a sibling has a place of its own in the order; in all others it is that of the document.
  const sorted = new Set<number>();
  for (const { parent, source } of widgets) if (zOf(source) !== 0) sorted.add(parent);
  if (sorted.size === 0) return widgets.map((_, index) => index);
  const count = widgets.length;
  const first = new Int32Array(count).fill(-1);
  const next = new Int32Array(count).fill(-1);
  for (let index = count - 1; index > 0; index--) {
    const { parent } = widgets[index]!;
    next[index] = first[parent]!;
    first[parent] = index;
  }
  const order: number[] = [];
  const stack = [0];
  for (let index = stack.pop(); index !== undefined; index = stack.pop()) {
    order.push(index);
    const from = stack.length;
    for (let child = first[index]!; child >= 0; child = next[child]!) stack.push(child);
    if (!sorted.has(index)) reverse(stack, from);
    else {
      const inside = stack.splice(from);
      inside.sort((a, b) => (isBefore(widgets[a]!, widgets[b]!) ? 1 : -1));
      for (const child of inside) stack.push(child);
    }
  }
  return order;
}

/** Turns the end of a list round, from a place on. */
function reverse(list: number[], from: number): void {
  for (let low = from, high = list.length - 1; low < high; low++, high--) {
    const one = list[low]!;
    list[low] = list[high]!;
    list[high] = one;
  }
}

/** Whether a widget is drawn before a sibling. */
function isBefore(one: Ordered, other: Ordered): boolean {
  const [a, b] = [zOf(one.source), zOf(other.source)];
  return a === b ? one.index < other.index : a < b;
}

/**
 * The drawing order after one widget lies higher or lower among its siblings; the rest as it was.
 * @param order The one before. @param end By index: the index after the last widget in it.
 */
export function movedInOrder(
  order: readonly number[],
  widgetAt: (index: number) => Ordered,
  end: ArrayLike<number>,
  index: number,
): number[] {
  const widget = widgetAt(index);
  const { parent } = widget;
  const count = end[index]! - index;
  const after = order.slice();
  const moved = after.splice(after.indexOf(index), count);
  let at = after.indexOf(parent) + 1;
  const last = at + end[parent]! - parent - 1 - count;
  while (at < last && isBefore(widgetAt(after[at]!), widget)) at += end[after[at]!]! - after[at]!;
  after.splice(at, 0, ...moved);
  return after;
}

/** How high a widget lies among its siblings. */
export function zOf(source: Bone['source']): number {
  return 'z' in source ? (source.z ?? 0) : 0;
}
