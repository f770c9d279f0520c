import type { Bone } from './bone.ts';

/** A widget that does not lie among its siblings as the document has it. */
interface Raised {
  readonly index: number;
  readonly parent: number;
  /** Not 0. */
  readonly z: number;
}

/** Those of some widgets that lie higher or lower than the document has them. */
export function raisedAmong(widgets: Iterable<Pick<Bone, 'index' | 'parent' | 'source'>>): Raised[] {
  const found: Raised[] = [];
  for (const { index, parent, source } of widgets) {
    const z = zOf(source);
    if (z !== 0) found.push({ index, parent, z });
  }
  return found;
}

/** The order of widgets of which no ends are known yet. */
export function orderOf(bones: readonly Pick<Bone, 'index' | 'parent' | 'source'>[]): number[] {
  const raised = raisedAmong(bones);
  const end = raised.length === 0 ? [] : subtreeEnds(bones);
  return drawingOrder(bones.length, raised, end);
}

/** By index: the index after the last widget in it. Parents come before what is in them. */
function subtreeEnds(bones: readonly Pick<Bone, 'parent'>[]): Int32Array {
  const end = Int32Array.from(bones, (_, index) => index + 1);
  for (let index = bones.length - 1; index > 0; index--) {
    const { parent } = bones[index]!;
    end[parent] = Math.max(end[parent]!, end[index]!);
  }
  return end;
}

/**
 * Indexes in drawing order: in each parent first those that lie lower, then as the document has them, then those that lie higher; of
 * the same height as the document has them (CSS 2, appendix E, for each parent by itself).
 * @param count How many widgets there are. @param end By index: the index after the last widget in it.
 */
export function drawingOrder(count: number, raised: readonly Raised[], end: ArrayLike<number>): number[] {
  const order: number[] = [];
  const inside = new Map<number, Raised[]>();
  for (const one of raised) {
    const known = inside.get(one.parent);
    if (known) known.push(one);
    else inside.set(one.parent, [one]);
  }
  const parents = [...inside.keys()].sort((one, other) => one - other);
  /** Ranges of indexes that are still to be written, the end of each before its start; the next one last. */
  const pieces = [count, 0];
  while (pieces.length > 0) {
    const from = pieces.pop()!;
    const to = pieces.pop()!;
    const parent = firstFrom(parents, from);
    const isPlain = parent === undefined || parent >= to;
    for (let at = from; at < (isPlain ? to : parent + 1); at++) order.push(at);
    if (isPlain) continue;
    pieces.push(to, end[parent]!);
    pushInside(parent, inside.get(parent)!, end, pieces);
  }
  return order;
}

/** The ranges in a parent, the last that is drawn first. */
function pushInside(parent: number, raised: Raised[], end: ArrayLike<number>, pieces: number[]): void {
  raised.sort((one, other) => other.z - one.z || other.index - one.index);
  for (const { index, z } of raised) if (z > 0) pieces.push(end[index]!, index);
  let to = end[parent]!;
  for (const { index } of [...raised].sort((one, other) => other.index - one.index)) {
    pieces.push(to, end[index]!);
    to = index;
  }
  pieces.push(to, parent + 1);
  for (const { index, z } of raised) if (z < 0) pieces.push(end[index]!, index);
}

/** The first of some numbers, smallest first, that is not below another. */
function firstFrom(numbers: readonly number[], least: number): number | undefined {
  let low = 0;
  let high = numbers.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (numbers[middle]! < least) low = middle + 1;
    else high = middle;
  }
  return numbers[low];
}

/** How high a widget lies among its siblings. */
export function zOf(source: Bone['source']): number {
  return 'z' in source ? (source.z ?? 0) : 0;
}
