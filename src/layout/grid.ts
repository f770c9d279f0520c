import { giveAcross } from './line.ts';
import { contentSize, fillSize, fixedSize, type AxisPlan, type GridPlan, type Plan } from './plan.ts';
import { lendPadding } from './shared.ts';

/*
 * The grid: docs/layout-model.md 4.6. Children are put into cells in document order, row by row, as the sparse
 * auto-placement of CSS Grid Layout 1 §8.5 does.
 */

/** How many columns there are in a room. */
export function columnsIn(plan: Plan, n: number, grid: GridPlan, room: number): number {
  const gap = plan.x.gap[n]!;
  const cell = grid.cell * plan.factor[n]!;
  if (grid.cell === 0) return grid.columnModes.length;
  const fit = Math.floor((room + gap + 1e-9) / (cell + gap));
  return Math.max(1, Math.min(grid.widths.length, Number.isFinite(fit) ? fit : 1));
}

/** Puts the children into cells; rows are counted. */
export function placeCells(plan: Plan, n: number, grid: GridPlan, columns: number): void {
  grid.columnCount = columns;
  const { bottoms } = grid;
  bottoms.fill(0, 0, columns);
  let row = 0;
  let column = 0;
  let rows = 0;
  const end = plan.end[n]!;
  for (let child = n + 1; child < end; child = plan.end[child]!) {
    const wide = Math.min(plan.columnSpan[child]!, columns);
    const high = plan.rowSpan[child]!;
    for (;;) {
      if (column + wide > columns) {
        column = 0;
        row++;
      }
      let free = true;
      for (let at = column; at < column + wide && free; at++) free = bottoms[at]! <= row;
      if (free) break;
      column++;
    }
    plan.column[child] = column;
    plan.row[child] = row;
    for (let at = column; at < column + wide; at++) bottoms[at] = row + high;
    rows = Math.max(rows, row + high);
    column += wide;
  }
  grid.rowCount = rows;
}

/** The size of each track from what the children in it need; `fr` is the size of one fill weight. */
function contentTracks(
  plan: Plan,
  axis: AxisPlan,
  n: number,
  sizes: Float64Array,
  tracks: Float64Array,
  count: number,
  modes: Uint8Array,
  across: boolean,
): void {
  const gap = axis.gap[n]!;
  const end = plan.end[n]!;
  const indexes = across ? plan.row : plan.column;
  const spans = across ? plan.rowSpan : plan.columnSpan;
  for (let wanted = 1, more = true; more; wanted++) {
    more = false;
    for (let child = n + 1; child < end; child = plan.end[child]!) {
      const first = indexes[child]!;
      const span = Math.min(spans[child]!, count - first);
      if (span > wanted) more = true;
      if (span !== wanted) continue;
      let lacking = sizes[child]! + axis.marginStart[child]! + axis.marginEnd[child]! - gap * (span - 1);
      let open = 0;
      let fills = false;
      for (let track = first; track < first + span; track++) {
        lacking -= tracks[track]!;
        if (modes[track] === contentSize) open++;
        if (modes[track] === fillSize) fills = true;
      }
      // What a fill spans, the fill takes up; what only content tracks span, they share.
      if (lacking <= 0 || open === 0 || fills) continue;
      for (let track = first; track < first + span; track++) {
        if (modes[track] === contentSize) tracks[track] = tracks[track]! + lacking / open;
      }
    }
  }
}

/** Fixed and content columns; fills are 0. */
function baseColumns(plan: Plan, n: number, grid: GridPlan, sizes: Float64Array): void {
  const { columnModes, columnSizes, widths, columnCount } = grid;
  const factor = plan.factor[n]!;
  let content = false;
  for (let track = 0; track < columnCount; track++) {
    widths[track] = columnModes[track] === fixedSize ? columnSizes[track]! * factor : 0;
    if (columnModes[track] === contentSize) content = true;
  }
  if (content) contentTracks(plan, plan.x, n, sizes, widths, columnCount, columnModes, false);
}

/** The content width a grid would like: its columns, each fill as wide as its weight makes the largest need. */
export function needOfColumns(plan: Plan, n: number, grid: GridPlan, sizes: Float64Array): number {
  const gap = plan.x.gap[n]!;
  if (grid.cell > 0) return grid.cell * plan.factor[n]!;
  placeCells(plan, n, grid, grid.columnModes.length);
  baseColumns(plan, n, grid, sizes);
  let unit = 0;
  const end = plan.end[n]!;
  for (let child = n + 1; child < end; child = plan.end[child]!) {
    const first = plan.column[child]!;
    let need = sizes[child]! + plan.x.marginStart[child]! + plan.x.marginEnd[child]!;
    let weight = 0;
    const span = Math.min(plan.columnSpan[child]!, grid.columnCount - first);
    need -= gap * (span - 1);
    for (let track = first; track < first + span; track++) {
      if (grid.columnModes[track] === fillSize) weight += grid.columnSizes[track]!;
      else need -= grid.widths[track]!;
    }
    if (weight > 0) unit = Math.max(unit, need / Math.max(1, weight));
  }
  let total = gap * (grid.columnCount - 1);
  for (let track = 0; track < grid.columnCount; track++) {
    total += grid.columnModes[track] === fillSize ? unit * grid.columnSizes[track]! : grid.widths[track]!;
  }
  return total;
}

/** Gives the children their places in the columns. */
export function giveColumns(plan: Plan, n: number, grid: GridPlan, from: number, room: number): void {
  const { x } = plan;
  const gap = x.gap[n]!;
  placeCells(plan, n, grid, columnsIn(plan, n, grid, room));
  baseColumns(plan, n, grid, x.need);
  shareTracks(grid.widths, grid.columnModes, grid.columnSizes, grid.columnCount, gap, room);
  const cell = grid.cell * plan.factor[n]!;
  if (cell > 0 && grid.widths[0]! < cell) grid.widths.fill(cell, 0, grid.columnCount);
  giveCells(plan, x, n, grid.widths, grid.columnCount, from, room);
}

/** The content height of all rows, once the children's heights are known. */
export function needOfRows(plan: Plan, n: number, grid: GridPlan): number {
  baseRows(plan, n, grid);
  let total = Math.max(0, plan.y.gap[n]! * (grid.rowCount - 1));
  if (grid.rowMode === fillSize) {
    let most = 0;
    for (let track = 0; track < grid.rowCount; track++) most = Math.max(most, grid.heights[track]!);
    return total + most * grid.rowCount;
  }
  for (let track = 0; track < grid.rowCount; track++) total += grid.heights[track]!;
  return total;
}

function baseRows(plan: Plan, n: number, grid: GridPlan): void {
  const { rowMode, rowSize, heights, rowCount } = grid;
  heights.fill(rowMode === fixedSize ? rowSize * plan.factor[n]! : 0, 0, rowCount);
  // Rows that share what is left need as much as their content, like rows sized by it.
  if (rowMode !== fixedSize)
    contentTracks(plan, plan.y, n, plan.y.need, heights, rowCount, grid.rowModes, true);
}

/** Gives the children their places in the rows. */
export function giveRows(plan: Plan, n: number, grid: GridPlan, from: number, room: number): void {
  const { y } = plan;
  if (grid.rowMode === fillSize) {
    const each = (room - y.gap[n]! * (grid.rowCount - 1)) / grid.rowCount;
    grid.heights.fill(Math.max(0, each), 0, grid.rowCount);
  } else baseRows(plan, n, grid);
  giveCells(plan, y, n, grid.heights, grid.rowCount, from, room);
}

/** Fills share by weight what the other tracks and the gaps leave. */
function shareTracks(
  tracks: Float64Array,
  modes: Uint8Array,
  sizes: Float64Array,
  count: number,
  gap: number,
  room: number,
): void {
  let left = room - gap * (count - 1);
  let weights = 0;
  for (let track = 0; track < count; track++) {
    if (modes[track] === fillSize) weights += sizes[track]!;
    else left -= tracks[track]!;
  }
  if (weights === 0) return;
  left = Math.max(0, left);
  for (let track = 0; track < count; track++) {
    if (modes[track] === fillSize) tracks[track] = (left * sizes[track]!) / weights;
  }
}

function giveCells(
  plan: Plan,
  axis: AxisPlan,
  n: number,
  tracks: Float64Array,
  count: number,
  from: number,
  room: number,
): void {
  const grid = plan.grids[n]!;
  const gap = axis.gap[n]!;
  const { places } = grid;
  places[0] = 0;
  for (let track = 0; track < count; track++) places[track + 1] = places[track]! + tracks[track]! + gap;
  const rows = axis === plan.y;
  const far = axis.reversed[n] === 1;
  const end = plan.end[n]!;
  for (let child = n + 1; child < end; child = plan.end[child]!) {
    const first = rows ? plan.row[child]! : plan.column[child]!;
    const span = Math.min(rows ? plan.rowSpan[child]! : plan.columnSpan[child]!, count - first);
    const size = places[first + span]! - places[first]! - gap;
    const start = far ? room - places[first]! - size : places[first]!;
    if (axis.isShared) lendPadding(plan, axis, child, size);
    giveAcross(plan, axis, n, child, from + start, size);
  }
}
