import type { Matrix } from '../inside/index.ts';
import type { Rect } from '../layout/index.ts';
import { isSquare } from '../theme/index.ts';
import { type Area, areaInto, cutTo, empty, multiplied, nowhere, turnArea, unite } from './areas.ts';
import type { DrawOperation } from './draw-list.ts';
import { placedIn, type DrawnWidget } from './draw.ts';
import { isOpening, type Listed } from './flat-list.ts';

/** A widget as long as it is there. */
export interface FollowedNode {
  readonly index: number;
  readonly parent: FollowedNode | undefined;
  /** The version in which it last looked, said or stood otherwise. */
  readonly stamp: number;
}

/** What one widget drew last. */
export interface Entry extends Listed {
  readonly node: FollowedNode;
  drawn: DrawnWidget;
  readonly areas: Area[];
  /** Around all of them, within what cuts it off. */
  readonly area: Area;
  /** Around those with soft edges: a painter that cuts one in two may soften what is left otherwise. */
  readonly soft: Area;
  isSeen: boolean;
  /** What turns it and all in it; undefined where nothing does. */
  matrix: Matrix | undefined;
  /** What cuts off what is in it; undefined where nothing does, or it is turned. */
  cut: Area | undefined;
  /** Whether something around it cuts it off: what it draws follows from how much of it. */
  isCut: boolean;
  /** The index that its operations say. */
  index: number;
  /** Whether what its children are drawn within is another than before. */
  isAround: boolean;
  /** In which search it was last found to be around something that has changed. */
  visit: number;
}

/** What was never drawn draws. */
export const nothing: DrawnWidget = { within: [], own: [], clip: undefined };

export function newEntry(node: FollowedNode): Entry {
  return {
    node,
    drawn: nothing,
    areas: [],
    area: nowhere(),
    soft: nowhere(),
    isSeen: false,
    matrix: undefined,
    cut: undefined,
    isCut: false,
    from: 0,
    shape: '',
    index: node.index,
    isAround: false,
    visit: 0,
  };
}

/** Has operations say whose they are where widgets have other indexes than before, from one of them on. */
export function renumber(entries: readonly Entry[], from: number): void {
  for (let at = from; at < entries.length; at++) {
    const entry = entries[at]!;
    if (entry.index === at) continue;
    entry.index = at;
    const { within, own } = entry.drawn;
    for (let nth = 0; nth < within.length; nth++) renumberOne(within[nth]!, at);
    for (let nth = 0; nth < own.length; nth++) renumberOne(own[nth]!, at);
  }
}

function renumberOne(operation: DrawOperation, index: number): void {
  if ('widget' in operation) (operation as { widget: number }).widget = index;
}

/**
 * What is otherwise of that which children are drawn within: nothing, how far it is seen through, or more, so that where
 * they are seen follows from it.
 */
export function aroundChange(before: DrawnWidget, after: DrawnWidget): 'same' | 'faded' | 'other' {
  const count = after.within.length;
  if (before.within.length !== count) return 'other';
  if ((before.clip || after.clip) && JSON.stringify(before.clip) !== JSON.stringify(after.clip))
    return 'other';
  let change: 'same' | 'faded' = 'same';
  for (let nth = 0; nth < count; nth++) {
    const [one, other] = [before.within[nth]!, after.within[nth]!];
    if (one.type === 'group' && other.type === 'group') {
      if (one.opacity !== other.opacity) change = 'faded';
    } else if (JSON.stringify(one) !== JSON.stringify(other)) return 'other';
  }
  return change;
}

/** Works out where on the screen a widget draws. */
export function place(entry: Entry, outer: Entry | undefined): void {
  const { drawn } = entry;
  const { matrix, cut: inside } = placedIn(drawn, outer);
  entry.matrix = matrix;
  const { areas, area, soft } = entry;
  empty(area);
  empty(soft);
  /** Turns inside what it draws itself, as of a flipped picture. */
  let inner: (Matrix | undefined)[] | undefined;
  let now = matrix;
  for (let nth = 0; nth < drawn.own.length; nth++) {
    const one = drawn.own[nth]!;
    if (one.type === 'restore') now = inner!.pop();
    else if (isOpening(one)) {
      (inner ??= []).push(now);
      if (one.type === 'turn') now = now ? multiplied(now, one.matrix) : one.matrix;
    }
    // What it drew before is written over: most widgets draw as much in every frame.
    const where = (areas[nth] ??= nowhere());
    areaInto(one, where);
    if (now) turnArea(where, now);
    unite(area, where);
    if (now || isSoft(one)) unite(soft, where);
  }
  const cut = outer?.cut;
  if (cut) {
    cutTo(area, cut);
    cutTo(soft, cut);
  }
  entry.isCut = cut !== undefined;
  entry.cut = inside;
}

/** Whether edges lie between pixels. */
function isSoft(operation: DrawOperation): boolean {
  if (operation.type === 'box') return !isSquare(operation.radius) || !isWhole(operation.rect);
  return operation.type !== 'picture' || !isWhole(operation.rect);
}

/** Whether a rectangle covers whole px: handles and the pieces of pictures need not. */
function isWhole({ x, y, width, height }: Rect): boolean {
  return Number.isInteger(x) && Number.isInteger(y) && Number.isInteger(width) && Number.isInteger(height);
}
