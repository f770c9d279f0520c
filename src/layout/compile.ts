import type { Box } from '../skeleton/index.ts';
import type { Measure } from '../dress/index.ts';
import type { Alignment, Arrangement, Justification, Size } from '../document/index.ts';
import {
  Plan,
  alignBaseline,
  alignCenter,
  alignEnd,
  alignParent,
  alignStart,
  alignStretch,
  arrangeColumn,
  arrangeFree,
  arrangeGrid,
  arrangeLayers,
  arrangeRow,
  arrangeWrap,
  contentSize,
  fillSize,
  fixedSize,
  spaceAround,
  spaceBetween,
  spaceEvenly,
  type GridPlan,
  type Part,
} from './plan.ts';
import { isOnBaseline } from './baseline.ts';
import { carriesHeights, carriesWidths } from './carried.ts';
import { fillAxis, fillOffset, modes, sound } from './fill.ts';
import type { Reference } from './frame.ts';
import { markAll } from './solve.ts';

/** What the layout needs of a widget; a built tree's widgets have it. */
export interface LayoutItem {
  /** Index of the parent, smaller than its own; -1 for the first. */
  readonly parent: number;
  readonly box: Box;
  readonly measure: Measure | undefined;
  /** True where the leaf has a shape of its own, as a picture has. */
  readonly natural: boolean;
  /** Index of the widget it is anchored to, if it is not its parent. */
  readonly target: number | undefined;
  /** The one in whose box its span ends, where that is another. */
  readonly targetEnd: number | undefined;
  /** The scaling it and all in it keep, where it is another one than around it. */
  readonly reference: Reference | undefined;
}

const arrangements: { readonly [Name in Arrangement]: number } = {
  free: arrangeFree,
  row: arrangeRow,
  column: arrangeColumn,
  wrap: arrangeWrap,
  grid: arrangeGrid,
  layers: arrangeLayers,
  pages: arrangeLayers,
};
const alignments: { readonly [Name in Alignment]: number } = {
  start: alignStart,
  center: alignCenter,
  end: alignEnd,
  stretch: alignStretch,
  baseline: alignBaseline,
};
const justifications: { readonly [Name in Justification]: number } = {
  'start': alignStart,
  'center': alignCenter,
  'end': alignEnd,
  'space-between': spaceBetween,
  'space-around': spaceAround,
  'space-evenly': spaceEvenly,
  'stretch': alignStretch,
};

/**
 * Compiles widgets, parents before children, into a plan.
 * @param room For how many there is to be room.
 * @throws RangeError when a length is not finite or larger than 10¹⁵ u.
 */
export function compile(items: readonly LayoutItem[], room = items.length): Plan {
  const plan = new Plan(items.length, room);
  for (let n = 0; n < items.length; n++) fill(plan, n, items[n]!);
  relate(plan);
  const itemAt = (n: number) => items[n]!;
  plan.parts = partsOf(plan, itemAt);
  for (let n = 0; n < items.length; n++) fillGrid(plan, n, itemAt);
  markAll(plan);
  return plan;
}

/** Has the widgets of a plan scrolled as they were in another plan of the same widgets. */
export function keepScrolled(plan: Plan, before: Plan): void {
  for (const key of ['x', 'y'] as const) {
    plan[key].scrolled.set(before[key].scrolled.subarray(0, plan.count));
    plan[key].past.set(before[key].past.subarray(0, plan.count));
  }
}

/** Changes what a widget says to another box of the same structure. @throws RangeError as {@link compile} does. */
export function refill(plan: Plan, n: number, item: LayoutItem): void {
  const [x, y] = [plan.x.scrolled[n]!, plan.y.scrolled[n]!];
  const end = plan.end[n]!;
  fill(plan, n, item);
  plan.end[n] = end;
  plan.x.scrolled[n] = x;
  plan.y.scrolled[n] = y;
  keepBox(plan, n, item);
}

/** Changes the offset of a widget, of which nothing else has changed. @throws RangeError as {@link compile} does. */
export function refillOffset(plan: Plan, n: number, item: LayoutItem): void {
  fillOffset(plan, plan.x, n, item.box.x);
  fillOffset(plan, plan.y, n, item.box.y);
  keepBox(plan, n, item);
}

/** Parts with a scaling of their own keep what their widgets say. */
function keepBox(plan: Plan, n: number, { box }: LayoutItem): void {
  for (const { root, boxes } of plan.parts) if (n >= root && n < root + boxes.length) boxes[n - root] = box;
}

/** Works out what widgets are to each other. */
export function relate(plan: Plan): void {
  const { parent, end, baselines, count } = plan;
  for (let n = 0; n < count; n++) end[n] = n + 1;
  for (let n = count - 1; n > 0; n--) {
    const above = parent[n]!;
    if (end[above]! < end[n]!) end[above] = end[n]!;
  }
  if (plan.hasBaselines) {
    baselines.fill(0);
    for (let n = 1; n < count; n++) if (isOnBaseline(plan, n)) baselines[parent[n]!] = 1;
    plan.baselineRows = where(plan, (n) => baselines[n] === 1);
  }
  if (plan.hasAspects) {
    // The view itself keeps no shape.
    const limits = where(plan, (n) => n > 0 && plan.aspect[n]! > 0);
    plan.byHeight = limits.filter((n) => plan.x.mode[n] !== fixedSize);
    plan.carriedHeights = carriesHeights({ plan, limits });
    plan.carriedWidths = carriesWidths({ plan, limits });
  }
  if (plan.hasTargets) plan.deferred = targetsFirst(plan);
}

/** Indexes of the few widgets of which something is true. */
function where({ count }: Plan, is: (n: number) => boolean): number[] {
  const found: number[] = [];
  for (let n = 0; n < count; n++) if (is(n)) found.push(n);
  return found;
}

/** The widgets that keep a scaling of their own with all in them, in document order. */
export function partsOf(plan: Plan, itemAt: (n: number) => LayoutItem): Part[] {
  const parts: Part[] = [];
  for (let root = 0; root < plan.count; root++) {
    const { reference } = itemAt(root);
    if (!reference) continue;
    const boxes: Box[] = [];
    for (let n = root; n < plan.end[root]!; n++) boxes.push(itemAt(n).box);
    parts.push({ root, reference, boxes, factor: 1 });
  }
  return parts;
}

/** Says which widget another one is anchored to. */
export function fillTargets(plan: Plan, n: number, { box, target, targetEnd }: LayoutItem): void {
  plan.target[n] = target ?? -1;
  plan.targetEnd[n] = targetEnd ?? -1;
  plan.targetsTurned[n] = box.targetsTurned ? 1 : 0;
  if (box.target !== undefined) plan.hasTargets = true;
}

/** Writes what a widget says into the plan. @throws RangeError as {@link compile} does. */
export function fill(plan: Plan, n: number, item: LayoutItem): void {
  const { box, parent, measure, natural } = item;
  plan.parent[n] = parent;
  plan.end[n] = n + 1;
  plan.arrange[n] = arrangements[box.arrange];
  plan.reverses[n] = box.reverse ? 1 : 0;
  plan.full[n] = box.full ? 1 : 0;
  plan.natural[n] = natural || box.aspect > 0 ? 1 : 0;
  plan.aspect[n] = sound(box.aspect);
  fillTargets(plan, n, item);
  plan.measures[n] = measure;
  plan.columnSpan[n] = box.columnSpan;
  plan.rowSpan[n] = box.rowSpan;
  plan.widthMatters[n] = measure !== undefined || box.aspect > 0 ? 1 : 0;
  fillAxis(plan, plan.x, n, box.x);
  fillAxis(plan, plan.y, n, box.y);
  const { x, y } = plan;
  const column = box.arrange === 'column';
  const flows = column || box.arrange === 'row' || box.arrange === 'wrap';
  // Along a row or column, justify hands out the spare room; elsewhere it says how children lie across x.
  x.justify[n] = justifications[box.justify];
  y.justify[n] = justifications[box.justify];
  x.align[n] = flows ? alignments[box.align] : justifications[box.justify];
  y.align[n] = alignments[box.align];
  x.alignSelf[n] = selfOf(box.alignSelf);
  y.alignSelf[n] = selfOf(box.alignSelf);
  if (y.align[n] === alignBaseline || y.alignSelf[n] === alignBaseline) plan.hasBaselines = true;
  if (box.aspect > 0) plan.hasAspects = true;
  if (box.x.scrolls || box.y.scrolls) plan.hasScrolls = true;
  x.reversed[n] = box.rightToLeft !== (box.reverse && !column) ? 1 : 0;
  y.reversed[n] = box.reverse && column ? 1 : 0;
  if (parent < 0) return;
  // In the cells of a grid and in layers, align-self is for y and justify-self for x.
  const around = plan.arrange[parent]!;
  if (around === arrangeGrid || around === arrangeLayers) x.alignSelf[n] = selfOf(box.justifySelf);
}

function selfOf(alignment: Alignment | undefined): number {
  return alignment === undefined ? alignParent : alignments[alignment];
}

/** Widgets that are anchored to others, each after all that its place follows from. */
function targetsFirst({ count, parent, target, targetEnd }: Plan): number[] {
  const order: number[] = [];
  const done = new Set<number>();
  for (let start = 0; start < count; start++) {
    if (target[start]! < 0) continue;
    const stack = [start];
    while (stack.length > 0) {
      const at = stack.at(-1)!;
      const before = [parent[at]!, target[at]!, targetEnd[at]!].filter((one) => one >= 0 && !done.has(one));
      if (before.length > 0 && stack.length <= 2 * count) {
        stack.push(...before);
        continue;
      }
      stack.pop();
      if (done.has(at)) continue;
      done.add(at);
      if (target[at]! >= 0) order.push(at);
    }
  }
  return order;
}

/** The most columns there are of a grid that takes as many as fit. */
const mostColumns = 1000;

/** Works out the columns and rows of a grid; of nothing else. */
export function fillGrid(plan: Plan, n: number, itemAt: (n: number) => LayoutItem): void {
  if (plan.arrange[n] !== arrangeGrid) return;
  plan.grids[n] = gridOf(plan, n, itemAt(n).box);
  plan.hasGrids = true;
}

function gridOf(plan: Plan, n: number, { columns, rows }: Box): GridPlan {
  let children = 0;
  let high = 1;
  let wide = 1;
  for (let child = n + 1; child < plan.end[n]!; child = plan.end[child]!) {
    children++;
    high = Math.max(high, plan.rowSpan[child]!);
    wide = Math.max(wide, plan.columnSpan[child]!);
  }
  const cell = columns !== undefined && 'cell' in columns ? columns.cell : 0;
  const grows = columns !== undefined && 'cell' in columns && columns.grows;
  const tracks: readonly Size[] = columns !== undefined && 'tracks' in columns ? columns.tracks : [];
  const count = cell > 0 ? Math.max(1, Math.min(mostColumns, children * wide)) : tracks.length;
  const rowCount = (children + 1) * high;
  const columnModes = new Uint8Array(count).fill(grows ? fillSize : fixedSize);
  const columnSizes = new Float64Array(count).fill(grows ? 1 : cell);
  tracks.forEach((track, at) => {
    columnModes[at] = modes[track.mode];
    columnSizes[at] =
      track.mode === 'fixed' ? sound(track.length.u) : track.mode === 'fill' ? sound(track.weight) : 0;
  });
  return {
    columnModes,
    columnSizes,
    cell,
    rowMode: modes[rows.mode],
    rowSize: rows.mode === 'fixed' ? sound(rows.length.u) : 0,
    rowModes: new Uint8Array(rowCount).fill(contentSize),
    widths: new Float64Array(count),
    heights: new Float64Array(rowCount),
    places: new Float64Array(Math.max(count, rowCount) + 1),
    bottoms: new Int32Array(count),
    columnCount: 1,
    rowCount: 0,
  };
}
