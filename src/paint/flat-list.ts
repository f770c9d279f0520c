import { replaceEntries, replaceItems } from '../layout/index.ts';
import type { Area } from './areas.ts';
import type { DrawOperation } from './draw-list.ts';
import type { DrawnWidget } from './draw.ts';

/** What stands in a list of operations: what one widget draws. */
export interface Listed {
  readonly node: ListedNode;
  readonly drawn: DrawnWidget;
  /** Of each of its own operations, on the screen; there may be more. */
  readonly areas: readonly Area[];
  /** Where its operations start in the list, and of which types they are there. */
  from: number;
  shape: string;
}

/** A widget that draws, and what it is in. */
export interface ListedNode {
  readonly index: number;
  readonly parent: ListedNode | undefined;
}

const restore: DrawOperation = { type: 'restore' };

/** The operations of widgets one after the other, each with where it may change pixels and where what it is around ends. */
export class FlatList {
  readonly operations: DrawOperation[] = [];
  /** Left, top, right and bottom of each, in device px, all that it is around included. */
  bounds: Float64Array = new Float64Array(0);
  /** The index after the last operation each is around. */
  ends: Int32Array = new Int32Array(0);

  clear(): void {
    this.operations.length = 0;
  }

  put(operation: DrawOperation, area: Area | undefined): void {
    const at = this.operations.length;
    this.#makeRoom(at + 1);
    this.operations.push(operation);
    this.#bound(at, area);
    this.ends[at] = at + 1;
  }

  /** Adds what widgets draw that follow each other in drawing order: from an index in it up to another one. */
  write(order: readonly Listed[], from: number, to: number): void {
    const open: number[] = [];
    const owners: ListedNode[] = [];
    const close = () => {
      const at = open.pop()!;
      this.put(restore, undefined);
      this.#surround(at, this.operations.length);
    };
    for (let nth = from; nth < to; nth++) {
      const entry = order[nth]!;
      while (owners.length > 0 && !isWithin(entry.node, owners.at(-1)!)) {
        owners.pop();
        close();
      }
      const { drawn, areas, node } = entry;
      entry.from = this.operations.length;
      if (!hasShape(drawn, entry.shape)) entry.shape = shapeOf(drawn);
      for (const one of drawn.within) {
        open.push(this.operations.length);
        owners.push(node);
        this.put(one, undefined);
      }
      for (let at = 0; at < drawn.own.length; at++) {
        const one = drawn.own[at]!;
        if (one.type === 'restore') close();
        else {
          if (isOpening(one)) open.push(this.operations.length);
          this.put(one, areas[at]);
        }
      }
      if (!drawn.clip) continue;
      open.push(this.operations.length);
      owners.push(node);
      this.put(drawn.clip, undefined);
    }
    while (open.length > 0) close();
  }

  /** Puts what a widget draws in the place of what it drew, which was of the same shape. */
  patch({ drawn, areas, from }: Listed): void {
    let at = from;
    for (const one of drawn.within) this.operations[at++] = one;
    const inner: number[] = [];
    for (let nth = 0; nth < drawn.own.length; nth++) {
      const one = drawn.own[nth]!;
      this.operations[at] = one;
      this.#bound(at, areas[nth]);
      if (one.type === 'restore') this.#surround(inner.pop()!, at + 1);
      else if (isOpening(one)) inner.push(at);
      at++;
    }
    if (drawn.clip) this.operations[at] = drawn.clip;
  }

  /** Works out again what lies within the operations that are around a widget, and around what is in it. @param by How many there are more. */
  surroundInside({ shape, from }: Listed, by = 0): void {
    const clip = clipIn(shape);
    if (clip >= 0) this.#surround(from + clip, this.ends[from + clip]! + by);
    for (let at = from + shape.indexOf('|') - 1; at >= from; at--) this.#surround(at, this.ends[at]! + by);
  }

  /** The index after all that a widget draws: without what is in it where nothing is around that. */
  endOf({ shape, from }: Listed): number {
    if (shape[0] !== '|') return this.ends[from]!;
    const clip = clipIn(shape);
    return clip >= 0 ? this.ends[from + clip]! : from + shape.length - 1;
  }

  /** The last of their ends, and of a place of the list. */
  endOfAll(those: readonly Listed[], from: number): number {
    let end = from;
    for (const one of those) end = Math.max(end, this.endOf(one));
    return end;
  }

  /** The index of the first operation in a widget. */
  insideOf({ shape, from }: Listed): number {
    return from + shape.length - 1;
  }

  /** Where an operation may change pixels, all that it is around included. */
  areaAt(at: number): Area {
    const { bounds } = this;
    return {
      left: bounds[4 * at]!,
      top: bounds[4 * at + 1]!,
      right: bounds[4 * at + 2]!,
      bottom: bounds[4 * at + 3]!,
    };
  }

  /** Puts the operations of another list in the place of some. What is around them is to be worked out again. */
  replace(at: number, removed: number, other: FlatList): void {
    const count = this.operations.length;
    const added = other.operations.length;
    const by = added - removed;
    this.#makeRoom(count + by);
    replaceItems(this.operations, at, removed, other.operations);
    const { bounds, ends } = this;
    replaceEntries(bounds, { at: 4 * at, removed: 4 * removed, added: 4 * added }, 4 * count);
    replaceEntries(ends, { at, removed, added }, count);
    bounds.set(other.bounds.subarray(0, 4 * added), 4 * at);
    for (let nth = 0; nth < added; nth++) ends[at + nth] = other.ends[nth]! + at;
    for (let n = at + added; n < count + by; n++) ends[n] = ends[n]! + by;
  }

  #bound(at: number, area: Area | undefined): void {
    const { bounds } = this;
    bounds[4 * at] = area ? area.left : Infinity;
    bounds[4 * at + 1] = area ? area.top : Infinity;
    bounds[4 * at + 2] = area ? area.right : -Infinity;
    bounds[4 * at + 3] = area ? area.bottom : -Infinity;
  }

  /** Notes where an operation that others are drawn within may change pixels, up to the index after its end. */
  #surround(at: number, end: number): void {
    this.#bound(at, undefined);
    const { bounds, ends } = this;
    for (let inner = at + 1; inner < end; inner = ends[inner]!) {
      bounds[4 * at] = Math.min(bounds[4 * at]!, bounds[4 * inner]!);
      bounds[4 * at + 1] = Math.min(bounds[4 * at + 1]!, bounds[4 * inner + 1]!);
      bounds[4 * at + 2] = Math.max(bounds[4 * at + 2]!, bounds[4 * inner + 2]!);
      bounds[4 * at + 3] = Math.max(bounds[4 * at + 3]!, bounds[4 * inner + 3]!);
    }
    ends[at] = end;
  }

  #makeRoom(count: number): void {
    if (count <= this.ends.length) return;
    const room = Math.max(64, 2 * count);
    const bounds = new Float64Array(4 * room);
    bounds.set(this.bounds);
    this.bounds = bounds;
    const ends = new Int32Array(room);
    ends.set(this.ends);
    this.ends = ends;
  }
}

/** Of which types the operations of a widget are: one letter each, and a bar between those around it and its own. */
function shapeOf({ within, own, clip }: DrawnWidget): string {
  let shape = '';
  for (const one of within) shape += letterOf(one);
  shape += '|';
  for (const one of own) shape += letterOf(one);
  return clip ? `${shape}|` : shape;
}

/** Whether the operations of a widget are of such types. */
export function hasShape({ within, own, clip }: DrawnWidget, shape: string): boolean {
  const bar = within.length;
  if (shape.length !== bar + own.length + (clip ? 2 : 1) || shape[bar] !== '|') return false;
  for (let nth = 0; nth < bar; nth++) if (shape[nth] !== letterOf(within[nth]!)) return false;
  for (let nth = 0; nth < own.length; nth++) if (shape[bar + 1 + nth] !== letterOf(own[nth]!)) return false;
  return !clip || shape.endsWith('|');
}

function letterOf(operation: DrawOperation): string {
  if (operation.type === 'restore') return ')';
  return isOpening(operation) ? operation.type[0]! : '.';
}

/** Whether a widget has operations that others are drawn within. */
export function surrounds(shape: string): boolean {
  return shape[0] !== '|' || clipIn(shape) >= 0;
}

/** Which of a widget's operations cuts off what is in it; -1 where none does. */
function clipIn(shape: string): number {
  const last = shape.length - 1;
  return shape[last] === '|' && shape.indexOf('|') < last ? last - 1 : -1;
}

/** Whether others are drawn within an operation, up to its restore. */
export function isOpening({ type }: DrawOperation): boolean {
  return type === 'clip' || type === 'turn' || type === 'group';
}

/** Whether a widget is another one, or in it. */
export function isWithin(node: ListedNode, outer: ListedNode): boolean {
  for (let at: ListedNode | undefined = node; at && at.index >= outer.index; at = at.parent)
    if (at === outer) return true;
  return false;
}
