import type { Sides } from '../document/index.ts';
import type { Frame } from './frame.ts';
import type { AxisPlan, Plan } from './plan.ts';
import { scrollRange } from './solve.ts';

/** A rectangle, in device px or in u: the function that returns it says which. */
export interface Rect {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** How far something is scrolled along an axis, in u of its own. */
export interface ScrollSpan {
  readonly at: number;
  /** The most it can be scrolled; 0 where all of it is shown. */
  readonly range: number;
  /** How much of it is shown. */
  readonly shown: number;
}

type MutableSpan = { -readonly [Key in keyof ScrollSpan]: ScrollSpan[Key] };
interface MutableScroll {
  readonly x: MutableSpan;
  readonly y: MutableSpan;
}

function scrollsOf(plan: Plan): ReadonlyMap<number, MutableScroll> | undefined {
  let found: Map<number, MutableScroll> | undefined;
  if (!plan.hasScrolls) return found;
  for (let n = 0; n < plan.count; n++) {
    if (plan.x.scrolls[n] === 0 && plan.y.scrolls[n] === 0) continue;
    const scroll = { x: { at: 0, range: 0, shown: 0 }, y: { at: 0, range: 0, shown: 0 } };
    readScroll(plan, plan.x, n, scroll.x);
    readScroll(plan, plan.y, n, scroll.y);
    (found ??= new Map()).set(n, scroll);
  }
  return found;
}

function readScroll(plan: Plan, axis: AxisPlan, n: number, into: MutableSpan): void {
  const factor = plan.factor[n]!;
  into.range = scrollRange(plan, axis, n);
  into.at = Math.min(axis.scrolled[n]!, into.range);
  into.shown = Math.max(0, axis.length[n]! - axis.paddingStart[n]! - axis.paddingEnd[n]!) / factor;
}

type MutablePadding = { -readonly [Side in keyof Sides<number>]: number };

function paddingsOf(plan: Plan): ReadonlyMap<number, MutablePadding> | undefined {
  if (plan.x.paddings.size === 0 && plan.y.paddings.size === 0) return undefined;
  const found = new Map<number, MutablePadding>();
  for (const n of [...plan.x.paddings.keys(), ...plan.y.paddings.keys()]) {
    const padding = { top: 0, right: 0, bottom: 0, left: 0 };
    readPadding(plan, n, padding);
    found.set(n, padding);
  }
  return found;
}

/** Takes over the padding of a widget; whether it is another one. */
function readPadding({ x, y }: Plan, n: number, into: MutablePadding): boolean {
  const [top, bottom] = [y.paddingStart[n]!, y.paddingEnd[n]!];
  const [left, right] = [x.paddingStart[n]!, x.paddingEnd[n]!];
  const same = into.top === top && into.right === right && into.bottom === bottom && into.left === left;
  into.top = top;
  into.right = right;
  into.bottom = bottom;
  into.left = left;
  return !same;
}

/** Where every widget of a view is on one screen. Widgets go by their index in the built tree. */
export class Layout {
  readonly frame: Frame;
  #count: number;
  #xs: Float64Array;
  #ys: Float64Array;
  #widths: Float64Array;
  #heights: Float64Array;
  #factors: Float64Array | undefined;
  #columns: Uint16Array | undefined;
  /** Of what scrolls: how far along both axes. */
  #scrolls: ReadonlyMap<number, MutableScroll> | undefined;
  #rows: Uint32Array | undefined;
  /** Paddings of which some is a share, by index. */
  #paddings: ReadonlyMap<number, MutablePadding> | undefined;

  /** Takes a copy of what the plan was solved to, with every place counted from the surface. */
  constructor(plan: Plan, frame: Frame) {
    const { count } = plan;
    this.frame = frame;
    this.#count = count;
    this.#xs = new Float64Array(count);
    this.#ys = new Float64Array(count);
    this.#widths = plan.x.length.slice(0, count);
    this.#heights = plan.y.length.slice(0, count);
    placesInto(plan, plan.x, this.#xs);
    placesInto(plan, plan.y, this.#ys);
    this.#takeFew(plan);
  }

  /** Takes over what few plans have. */
  #takeFew(plan: Plan): void {
    const { count } = plan;
    this.#factors = plan.parts.length > 0 ? plan.factor.slice(0, count) : undefined;
    this.#scrolls = scrollsOf(plan);
    this.#paddings = paddingsOf(plan);
    this.#columns = plan.hasGrids ? plan.column.slice(0, count) : undefined;
    this.#rows = plan.hasGrids ? plan.row.slice(0, count) : undefined;
  }

  get count(): number {
    return this.#count;
  }

  /**
   * Takes over what the plan it was made of has been solved to since, in place. Makes nothing.
   * @param moved Is written 1 for every widget whose box or scale is another one.
   */
  follow(plan: Plan, moved: Uint8Array): void {
    const { toFollow, end } = plan;
    for (let n = toFollow.takeLowest(); n >= 0; n = toFollow.takeLowest()) {
      const after = end[n]!;
      if (this.#take(plan, n, moved)) this.#takeInside(plan, n, moved);
      else
        for (let child = n + 1; child < after; child = end[child]!)
          if (this.#take(plan, child, moved)) this.#takeInside(plan, child, moved);
    }
    const { count } = this;
    const factors = this.#factors;
    for (let n = 0; factors && n < count; n++) {
      if (factors[n] === plan.factor[n]) continue;
      factors[n] = plan.factor[n]!;
      moved[n] = 1;
    }
    this.#paddings?.forEach((padding, n) => {
      if (readPadding(plan, n, padding)) moved[n] = 1;
    });
    this.#scrolls?.forEach((scroll, n) => {
      readScroll(plan, plan.x, n, scroll.x);
      readScroll(plan, plan.y, n, scroll.y);
    });
    if (this.#columns) {
      this.#columns.set(plan.column.subarray(0, this.count));
      this.#rows!.set(plan.row.subarray(0, this.count));
    }
  }

  /** Takes over the box of a widget whose parent's is known. @returns whether it starts elsewhere. */
  #take(
    { parent, x: { start: startX, length: lengthX }, y: { start: startY, length: lengthY } }: Plan,
    n: number,
    moved: Uint8Array,
  ): boolean {
    const [xs, ys] = [this.#xs, this.#ys];
    const above = parent[n]!;
    const x = n === 0 ? 0 : xs[above]! + startX[n]!;
    const y = n === 0 ? 0 : ys[above]! + startY[n]!;
    const isElsewhere = x !== xs[n] || y !== ys[n];
    if (!isElsewhere && lengthX[n] === this.#widths[n] && lengthY[n] === this.#heights[n]) return false;
    moved[n] = 1;
    xs[n] = x;
    ys[n] = y;
    this.#widths[n] = lengthX[n]!;
    this.#heights[n] = lengthY[n]!;
    return isElsewhere;
  }

  /** Takes over the boxes of all that is in a widget. */
  #takeInside(plan: Plan, n: number, moved: Uint8Array): void {
    for (let inner = n + 1; inner < plan.end[n]!; inner++) this.#take(plan, inner, moved);
  }

  /**
   * Goes on with a plan in which widgets have come and gone; then {@link follow} has to be called.
   * @param was By index: its index before, counted from 1, 0 of a widget that was not there. Those that were there are in their
   * order of before.
   */
  rearrange(plan: Plan, was: Int32Array): void {
    const { count } = plan;
    if (count > this.#xs.length) {
      const room = plan.room;
      this.#xs = enlarged(this.#xs, room);
      this.#ys = enlarged(this.#ys, room);
      this.#widths = enlarged(this.#widths, room);
      this.#heights = enlarged(this.#heights, room);
    }
    this.#count = count;
    const { moved, fresh } = segmentsOf(was, count);
    for (const values of [this.#xs, this.#ys, this.#widths, this.#heights]) {
      for (const one of moved) values.copyWithin(one.to, one.from, one.from + one.count);
      // It is found to be another one, wherever it is.
      for (const one of fresh) values.fill(NaN, one.to, one.to + one.count);
    }
    const [factors, paddings] = [this.#factors, this.#paddings];
    this.#takeFew(plan);
    // What is another padding or scale than before is still to be found.
    this.#factors?.forEach((_, n, now) => {
      if (was[n]! > 0) now[n] = factors?.[was[n]! - 1] ?? 1;
    });
    this.#paddings?.forEach((padding, n) => {
      const known = was[n]! > 0 ? paddings?.get(was[n]! - 1) : undefined;
      if (known) Object.assign(padding, known);
    });
  }

  /** Whether a widget has the border box of one in another layout, in u. */
  isSameBox(index: number, other: Layout, at: number): boolean {
    return (
      this.#xs[index] === other.#xs[at] &&
      this.#ys[index] === other.#ys[at] &&
      this.#widths[index] === other.#widths[at] &&
      this.#heights[index] === other.#heights[at]
    );
  }

  /** How far a widget is scrolled; undefined of one that does not scroll. */
  scroll(index: number): { readonly x: ScrollSpan; readonly y: ScrollSpan } | undefined {
    return this.#scrolls?.get(index);
  }

  /** The padding of a widget of which some is a share, in u of the view; undefined of one that is said in u. */
  padding(index: number): Sides<number> | undefined {
    return this.#paddings?.get(index);
  }

  /** How many u of the view one u of a widget is: 1, but in a part that keeps another scaling. */
  factor(index: number): number {
    return this.#factors === undefined ? 1 : this.#factors[index]!;
  }

  /** Device px one u of a widget is. */
  scale(index: number): number {
    return this.frame.scale * this.factor(index);
  }

  /** The cell of a grid that a child of it is in, counted from 0. */
  cell(index: number): { readonly column: number; readonly row: number } {
    return { column: this.#columns?.[index] ?? 0, row: this.#rows?.[index] ?? 0 };
  }

  /** The width of a border box, in u of the view. */
  widthInU(index: number): number {
    return this.#widths[index]!;
  }

  /** The height of a border box, in u of the view. */
  heightInU(index: number): number {
    return this.#heights[index]!;
  }

  /** The border box on the surface, in u of the view. */
  rectInU(index: number): Rect {
    return {
      x: this.#xs[index]!,
      y: this.#ys[index]!,
      width: this.#widths[index]!,
      height: this.#heights[index]!,
    };
  }

  /** The border box on the screen, in device px, before rounding. */
  rect(index: number): Rect {
    const { scale, originX, originY } = this.frame;
    return {
      x: originX + this.#xs[index]! * scale,
      y: originY + this.#ys[index]! * scale,
      width: this.#widths[index]! * scale,
      height: this.#heights[index]! * scale,
    };
  }

  /** x, y, width and height of every border box on the screen, in device px, before rounding, one after the other. */
  boxesInto(into: Float64Array): void {
    const { scale, originX, originY } = this.frame;
    for (let index = 0; index < this.count; index++) {
      into[4 * index] = originX + this.#xs[index]! * scale;
      into[4 * index + 1] = originY + this.#ys[index]! * scale;
      into[4 * index + 2] = this.#widths[index]! * scale;
      into[4 * index + 3] = this.#heights[index]! * scale;
    }
  }

  /**
   * The border box in whole device px, as it is painted. Edges are rounded, not sizes, so that widgets that
   * share an edge still share it (equation 5.1).
   */
  pixelRect(index: number): Rect {
    const { x, y, width, height } = this.rect(index);
    const left = Math.round(x);
    const top = Math.round(y);
    return { x: left, y: top, width: Math.round(x + width) - left, height: Math.round(y + height) - top };
  }
}

function enlarged(values: Float64Array, room: number): Float64Array {
  const larger = new Float64Array(room);
  larger.set(values);
  return larger;
}

/** Widgets that follow each other, and stood elsewhere together. */
interface Segment {
  readonly from: number;
  readonly to: number;
  readonly count: number;
}

/** Widgets that stand elsewhere than before, in an order in which none is written over before it has moved; and those that are new. */
function segmentsOf(
  was: Int32Array,
  count: number,
): { readonly moved: readonly Segment[]; readonly fresh: readonly Segment[] } {
  const ahead: Segment[] = [];
  const back: Segment[] = [];
  const fresh: Segment[] = [];
  for (let n = 0; n < count;) {
    const to = n;
    const first = was[to]!;
    if (first === 0) {
      while (n < count && was[n] === 0) n++;
      fresh.push({ from: -1, to, count: n - to });
      continue;
    }
    while (n < count && was[n] === first + n - to) n++;
    const segment = { from: first - 1, to, count: n - to };
    if (segment.from > to) ahead.push(segment);
    else if (segment.from < to) back.push(segment);
  }
  return { moved: [...ahead, ...back.reverse()], fresh };
}

function placesInto({ parent }: Plan, { start }: AxisPlan, found: Float64Array): void {
  found[0] = 0;
  for (let n = 1; n < found.length; n++) found[n] = found[parent[n]!]! + start[n]!;
}
