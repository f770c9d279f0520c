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
} from './plan.ts';
import { carriesHeights, carriesWidths } from './carried.ts';
import { fillAxis, fillOffset, modes, sound } from './fill.ts';
import type { Reference } from './frame.ts';
import { markAll, markBox, markMeasure } from './solve.ts';

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
 * @throws RangeError when a length is not finite or larger than 10¹⁵ u.
 */
export function compile(items: readonly LayoutItem[]): Plan {
  const plan = emptyPlan(items);
  for (let n = 0; n < items.length; n++) fill(plan, n, items[n]!);
  relate(plan, items);
  for (let n = 0; n < items.length; n++)
    if (plan.arrange[n] === arrangeGrid) plan.grids[n] = gridOf(plan, n, items[n]!.box);
  markAll(plan);
  return plan;
}

/** Widgets that follow each other: of an old plan, from an index on, or new ones where it is −1. */
export interface Run {
  readonly from: number;
  readonly count: number;
}

/** Has the widgets of a plan scrolled as they were in another plan of the same widgets. */
export function keepScrolled(plan: Plan, before: Plan): void {
  for (const key of ['x', 'y'] as const) {
    plan[key].scrolled.set(before[key].scrolled);
    plan[key].past.set(before[key].past);
  }
}

/**
 * A plan in which some widgets are those of an old one with all that was found of them, and others are new.
 * @param items All of the new plan. @param touched Indexes in it of widgets that have other children than before.
 * @throws RangeError as {@link compile} does.
 */
export function splice(
  old: Plan,
  items: readonly LayoutItem[],
  runs: readonly Run[],
  touched: readonly number[],
): Plan {
  const plan = emptyPlan(items);
  let at = 0;
  for (const { from, count } of runs) {
    if (from < 0) for (let n = at; n < at + count; n++) fill(plan, n, items[n]!);
    else copyRun(old, plan, from, at, count);
    at += count;
  }
  for (let n = 0; n < items.length; n++) plan.parent[n] = items[n]!.parent;
  for (let n = 0; n < items.length; n++) {
    plan.target[n] = items[n]!.target ?? -1;
    plan.targetEnd[n] = items[n]!.targetEnd ?? -1;
    plan.targetsTurned[n] = items[n]!.box.targetsTurned ? 1 : 0;
  }
  relate(plan, items);
  const changed = new Set(touched);
  for (let n = 0; n < items.length; n++)
    if (plan.arrange[n] === arrangeGrid && (!plan.grids[n] || changed.has(n)))
      plan.grids[n] = gridOf(plan, n, items[n]!.box);
  plan.safeLeft = old.safeLeft;
  plan.safeRight = old.safeRight;
  plan.safeTop = old.safeTop;
  plan.safeBottom = old.safeBottom;
  // Factors are counted from 1 in a part that is new.
  for (const part of plan.parts) {
    const before = old.parts.find(({ boxes }) => boxes[0] === part.boxes[0]);
    const isSame =
      before?.boxes.length === part.boxes.length && before.boxes.every((box, nth) => box === part.boxes[nth]);
    if (isSame) part.factor = before.factor;
  }
  at = 0;
  for (const { from, count } of runs) {
    if (from < 0) for (let n = at; n < at + count; n++) markNew(plan, n);
    at += count;
  }
  for (const n of touched) markBox(plan, n);
  return plan;
}

/** Has a widget that was not there before found. */
function markNew(plan: Plan, n: number): void {
  markMeasure(plan, n);
  plan.x.given[n] = NaN;
  plan.y.given[n] = NaN;
  plan.x.regive(n);
  plan.y.regive(n);
}

function copyRun(old: Plan, plan: Plan, from: number, at: number, count: number): void {
  plan.x.copyRun(old.x, from, at, count);
  plan.y.copyRun(old.y, from, at, count);
  plan.perWidget.forEach((values, nth) => {
    values.set(old.perWidget[nth]!.subarray(from, from + count), at);
  });
  for (let by = 0; by < count; by++) {
    plan.measures[at + by] = old.measures[from + by];
    plan.grids[at + by] = old.grids[from + by];
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

function emptyPlan(items: readonly LayoutItem[]): Plan {
  return new Plan(items.length, {
    deferred: targetsFirst(items),
    baselineRows: rowsOnBaselines(items),
    byHeight: withAspect(items).filter((n) => items[n]!.box.x.mode !== 'fixed'),
  });
}

/** Indexes of widgets that keep a shape; the view itself has none. */
function withAspect(items: readonly LayoutItem[]): number[] {
  const found: number[] = [];
  for (let n = 1; n < items.length; n++) if (items[n]!.box.aspect > 0) found.push(n);
  return found;
}

/** Works out what widgets are to each other. */
function relate(plan: Plan, items: readonly LayoutItem[]): void {
  for (let n = 0; n < items.length; n++) plan.end[n] = n + 1;
  for (let n = items.length - 1; n > 0; n--) {
    const parent = plan.parent[n]!;
    if (plan.end[parent]! < plan.end[n]!) plan.end[parent] = plan.end[n]!;
  }
  for (const row of plan.baselineRows) plan.baselines[row] = 1;
  for (let root = 0; root < items.length; root++) {
    const { reference } = items[root]!;
    if (!reference) continue;
    const boxes = items.slice(root, plan.end[root]).map(({ box }) => box);
    plan.parts.push({ root, reference, boxes, factor: 1 });
  }
  const limits = withAspect(items);
  plan.carriedHeights = carriesHeights({ plan, limits });
  plan.carriedWidths = carriesWidths({ plan, limits });
}

function fill(plan: Plan, n: number, item: LayoutItem): void {
  const { box, parent, measure, natural, target, targetEnd } = item;
  plan.parent[n] = parent;
  plan.end[n] = n + 1;
  plan.arrange[n] = arrangements[box.arrange];
  plan.full[n] = box.full ? 1 : 0;
  plan.natural[n] = natural || box.aspect > 0 ? 1 : 0;
  plan.aspect[n] = sound(box.aspect);
  plan.target[n] = target ?? -1;
  plan.targetEnd[n] = targetEnd ?? -1;
  plan.targetsTurned[n] = box.targetsTurned ? 1 : 0;
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
function targetsFirst(items: readonly LayoutItem[]): number[] {
  const order: number[] = [];
  const done = new Set<number>();
  for (let start = 0; start < items.length; start++) {
    if (items[start]!.target === undefined) continue;
    const stack = [start];
    while (stack.length > 0) {
      const at = stack.at(-1)!;
      const { parent, target, targetEnd } = items[at]!;
      const before = [parent, target ?? -1, targetEnd ?? -1].filter((one) => one >= 0 && !done.has(one));
      if (before.length > 0 && stack.length <= 2 * items.length) {
        stack.push(...before);
        continue;
      }
      stack.pop();
      if (done.has(at)) continue;
      done.add(at);
      if (target !== undefined) order.push(at);
    }
  }
  return order;
}

function rowsOnBaselines(items: readonly LayoutItem[]): number[] {
  const rows = new Set<number>();
  for (let n = 0; n < items.length; n++) {
    const { box, parent } = items[n]!;
    if (box.align === 'baseline' && box.arrange === 'row') rows.add(n);
    if (box.alignSelf === 'baseline' && parent >= 0 && items[parent]!.box.arrange === 'row') rows.add(parent);
  }
  return [...rows].sort((a, b) => a - b);
}

/** The most columns there are of a grid that takes as many as fit. */
const mostColumns = 1000;

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
