import type { Box } from '../skeleton/index.ts';
import type { Reference } from './frame.ts';
import { Marks } from './marks.ts';
import { movedIndex, replaceEntries, replaceItems, replaceKeys, type Entries, type Range } from './range.ts';

/*
 * A view compiled for solving: one entry a widget, in document order, so that the children of `n` are
 * n + 1, end[n + 1], end[end[n + 1]] … up to end[n]. Nothing here is allocated after compiling.
 */

/** Size modes, as numbers. */
export const autoSize = 0;
export const contentSize = 1;
export const fixedSize = 2;
export const fillSize = 3;

/** Arrangements, as numbers. */
export const arrangeFree = 0;
export const arrangeRow = 1;
export const arrangeColumn = 2;
export const arrangeWrap = 3;
export const arrangeGrid = 4;
export const arrangeLayers = 5;

/** Alignments and justifications, as numbers; `alignParent` means: as the parent says. */
export const alignStart = 0;
export const alignCenter = 1;
export const alignEnd = 2;
export const alignStretch = 3;
export const alignParent = 4;
export const spaceBetween = 5;
export const spaceAround = 6;
export const spaceEvenly = 7;
export const alignBaseline = 8;

/** What is special about a widget on an axis; most have nothing, and nothing is looked up for them. */
export const hasLimits = 1;
export const hasMargins = 2;
/** A minimum is said: it takes the place of what a widget would not go below by itself. */
export const hasMinimum = 4;
/** Its size or a limit is a share of the parent; without one, what it needs is what it asks for. */
export const hasShares = 8;
/** Some of its padding is a share of what it stands in; some of its gap one of the room inside it. */
export const hasSharedPadding = 16;
export const hasSharedGap = 32;

/** A padding of which some is a share, in u of the view; what a widget needs counts the u alone. */
export interface SharedPadding {
  readonly startU: number;
  readonly startShare: number;
  readonly endU: number;
  readonly endShare: number;
  /** Whether its size follows from what is inside, and grows with the padding. */
  readonly grows: boolean;
  /** What is inside it needs with the u of the padding, before any limit. */
  content: number;
  contentLeast: number;
  /** Whether it is being placed; what it needs without shares is kept meanwhile. */
  isLent: boolean;
  floor: number;
  need: number;
  least: number;
}

/** A gap of which some is a share, in u of the view. */
export interface SharedGap {
  readonly u: number;
  readonly share: number;
}

/** Places in the scratch of an axis. */
export const lineFrom = 0;
export const lineRoom = 1;
export const lineSpace = 2;
export const lineUsed = 3;

/** How many numbers and bytes an axis has of each widget: one array holds them all, so that a plan is made at once. */
const numberFields = 31;
const byteFields = 10;

/** One axis of all widgets. Lengths are in u; a `…Share` is a fraction of the parent's content size. */
export class AxisPlan {
  /** All arrays with an entry a widget. */
  readonly #fields: Entries[] = [];
  readonly mode: Uint8Array;
  readonly traits: Uint8Array;
  readonly size: Float64Array;
  readonly sizeShare: Float64Array;
  readonly weight: Float64Array;
  readonly min: Float64Array;
  readonly minShare: Float64Array;
  readonly max: Float64Array;
  readonly maxShare: Float64Array;
  /** What limits of the other axis leave of this one, through an aspect (2.6). */
  readonly carriedMost: Float64Array;
  readonly carriedLeast: Float64Array;
  readonly span: Uint8Array;
  readonly anchorStart: Float64Array;
  readonly anchorEnd: Float64Array;
  readonly pivot: Float64Array;
  readonly offset: Float64Array;
  readonly offsetShare: Float64Array;
  readonly insetStart: Float64Array;
  readonly insetStartShare: Float64Array;
  readonly insetEnd: Float64Array;
  readonly insetEndShare: Float64Array;
  readonly paddingStart: Float64Array;
  readonly paddingEnd: Float64Array;
  readonly marginStart: Float64Array;
  readonly marginEnd: Float64Array;
  /** The padding on both sides: no widget is smaller. */
  readonly floor: Float64Array;
  /** Between children (or lines, or tracks) on this axis. */
  readonly gap: Float64Array;
  /** Of the few widgets with shares in them. */
  readonly paddings = new Map<number, SharedPadding>();
  readonly gaps = new Map<number, SharedGap>();
  /** Whether there may be any: asked wherever children are placed. */
  isShared = false;
  /** 1: children follow each other from the far end. */
  readonly reversed: Uint8Array;
  /** 1: children may be longer than the widget, and are shifted by `scrolled`. */
  readonly scrolls: Uint8Array;
  readonly scrolled: Float64Array;
  /** How far they are pulled past an end, and go back: below 0 before the start. */
  readonly past: Float64Array;
  /** How children are placed across (alignments) and along (justifications) this axis. */
  readonly align: Uint8Array;
  readonly justify: Uint8Array;
  readonly alignSelf: Uint8Array;
  /** The size a widget would like, and the one below which its inside sticks out; found on the way up. */
  readonly need: Float64Array;
  readonly least: Float64Array;
  /** Where it starts in its parent's border box and how long it is; found on the way down. */
  readonly start: Float64Array;
  readonly length: Float64Array;
  /** The length its children were last placed for. */
  readonly given: Float64Array;
  /**
   * Scratch: where a line starts and how long it may be, what its items share, and how much they used. Numbers with a
   * fraction are handed over here because V8 makes an object of each that goes through a call.
   */
  readonly scratch: Float64Array;
  /** Scratch of a line: whether an item's share is settled. */
  readonly settled: Uint8Array;
  /** Widgets whose need, and whose children's places, have to be found anew. */
  readonly toNeed: Marks;
  readonly toGive: Marks;
  /** 1: its children have to be placed anew; 2: it has itself to be placed anew in its free parent. */
  readonly why: Uint8Array;

  /** @param room For how many widgets. */
  constructor(room: number) {
    const allNumbers = new Float64Array(room * numberFields);
    const allBytes = new Uint8Array(room * byteFields);
    let [number, byte] = [0, 0];
    const numbers = () => {
      const field = allNumbers.subarray(number * room, ++number * room);
      this.#fields.push(field);
      return field;
    };
    const bytes = () => {
      const field = allBytes.subarray(byte * room, ++byte * room);
      this.#fields.push(field);
      return field;
    };
    this.mode = bytes();
    this.traits = bytes();
    this.size = numbers();
    this.sizeShare = numbers();
    this.weight = numbers();
    this.min = numbers();
    this.minShare = numbers();
    this.max = numbers();
    this.maxShare = numbers();
    this.carriedMost = numbers().fill(Infinity);
    this.carriedLeast = numbers();
    this.span = bytes();
    this.anchorStart = numbers();
    this.anchorEnd = numbers();
    this.pivot = numbers();
    this.offset = numbers();
    this.offsetShare = numbers();
    this.insetStart = numbers();
    this.insetStartShare = numbers();
    this.insetEnd = numbers();
    this.insetEndShare = numbers();
    this.paddingStart = numbers();
    this.paddingEnd = numbers();
    this.marginStart = numbers();
    this.marginEnd = numbers();
    this.floor = numbers();
    this.gap = numbers();
    this.reversed = bytes();
    this.scrolls = bytes();
    this.scrolled = numbers();
    this.past = numbers();
    this.align = bytes();
    this.justify = bytes();
    this.alignSelf = bytes();
    this.need = numbers();
    this.least = numbers();
    this.start = numbers();
    this.length = numbers();
    this.given = numbers().fill(NaN);
    this.scratch = new Float64Array(4);
    this.settled = bytes();
    this.toNeed = new Marks(room);
    this.toGive = new Marks(room);
    this.why = bytes();
    // A field without a place of its own would be empty, and nothing would be remembered in it.
    if (number !== numberFields || byte !== byteFields) throw new Error('fields are miscounted');
  }

  /** Puts widgets of which nothing is known in the place of others; all behind them move. @param count Of all, before. */
  replaceRange(range: Range, count: number): void {
    for (const field of this.#fields) replaceEntries(field, range, count);
    const { at, added } = range;
    this.carriedMost.fill(Infinity, at, at + added);
    this.given.fill(NaN, at, at + added);
    replaceKeys(this.paddings, range);
    replaceKeys(this.gaps, range);
    this.toNeed.replaceRange(range);
    this.toGive.replaceRange(range);
  }

  /** Has the children of `n` placed anew. */
  regive(n: number): void {
    this.why[n] = this.why[n]! | 1;
    this.toGive.add(n);
  }

  /** Has `n` placed anew in its free parent. */
  replace(n: number): void {
    this.why[n] = this.why[n]! | 2;
    this.toGive.add(n);
  }
}

/** What the inside of a leaf needs, without padding; build/ gives one for texts and pictures. */
export interface LeafMeasure {
  readonly widest: number;
  readonly least: number;
  /** The width from which on the height stays the same; infinite where it always changes. */
  readonly steadyFrom: number;
  /**
   * Finds the height at a width: reads `exchange[0]`, writes `exchange[1]`. Numbers are handed over here because V8
   * makes an object of each that has a fraction and goes through a call.
   */
  heightInto(exchange: Float64Array): void;
  /** From its top to the baseline of its first line. */
  readonly baseline?: number;
}

/** A widget and all in it that keep another scaling than what is around. */
export interface Part {
  readonly root: number;
  readonly reference: Reference;
  /** Of the root and of every widget in it. */
  readonly boxes: Box[];
  /** What its lengths were last multiplied by. */
  factor: number;
}

/** The columns and rows of a grid. */
export interface GridPlan {
  /** Mode and size of each column there can be; the size of a fill is its weight. */
  readonly columnModes: Uint8Array;
  readonly columnSizes: Float64Array;
  /** Above 0: as many columns as fit, each at least so wide in u. */
  readonly cell: number;
  readonly rowMode: number;
  readonly rowSize: number;
  /** One for each row there can be: all of content size. */
  readonly rowModes: Uint8Array;
  /** Scratch: sizes of columns and rows, where each starts, and how far down each column is filled. */
  readonly widths: Float64Array;
  readonly heights: Float64Array;
  readonly places: Float64Array;
  readonly bottoms: Int32Array;
  columnCount: number;
  rowCount: number;
}

/** In the place of a target that is not there any more, until somebody has looked who is the target now. */
const lostTarget = -2;

export class Plan {
  count: number;
  /** For how many widgets there is room in the arrays. */
  readonly room: number;
  /** All arrays with an entry a widget, axes aside. */
  readonly #fields: Entries[] = [];
  readonly x: AxisPlan;
  readonly y: AxisPlan;
  readonly parent: Int32Array;
  /** How many u of the view one u of the widget is: 1, but in a part that keeps another scaling. */
  readonly factor: Float64Array;
  /** One past the last widget inside. */
  readonly end: Int32Array;
  readonly arrange: Uint8Array;
  /** 1 for a row or column whose last child stands where it starts. */
  readonly reverses: Uint8Array;
  /** 1 for a child of the view that is placed on the full surface. */
  readonly full: Uint8Array;
  /** 1 for a leaf with a natural shape that stretching would spoil. */
  readonly natural: Uint8Array;
  /** Width divided by height, 0 where it is free. */
  readonly aspect: Float64Array;
  /** The widget it is anchored to instead of its parent; -1 for none. */
  readonly target: Int32Array;
  /** The widget in whose box a span of one with a target ends; −1: in the target's own. */
  readonly targetEnd: Int32Array;
  /** 1: on x its span starts in the second target and ends in the first. */
  readonly targetsTurned: Uint8Array;
  /** Widgets with a target, each after its own target. */
  deferred: readonly number[] = [];
  /** Whether there was ever a widget with a target that is there or not, a grid, one on a baseline, with an aspect, that scrolls. */
  hasTargets = false;
  hasGrids = false;
  hasBaselines = false;
  hasAspects = false;
  hasScrolls = false;
  /** In document order. */
  parts: readonly Part[] = [];
  readonly measures: (LeafMeasure | undefined)[];
  readonly grids: (GridPlan | undefined)[];
  /** Of children of a grid: the cells they span, and the cell they are in. */
  readonly columnSpan: Uint16Array;
  readonly rowSpan: Uint16Array;
  readonly column: Uint16Array;
  readonly row: Uint32Array;
  /** Scratch of wrap: the line a child is in, found with the widths. */
  readonly line: Uint32Array;
  /** Scratch: what a leaf is asked and answers. */
  readonly exchange: Float64Array = new Float64Array(2);
  /** Scratch: the way from a widget to the root. */
  readonly path: Int32Array;
  /** Rows with children on a common baseline, and widgets with an aspect. */
  baselineRows: readonly number[] = [];
  byHeight: readonly number[] = [];
  /** Widgets with an aspect whose limits on one axis hold the other one too. */
  carriedHeights: readonly number[] = [];
  carriedWidths: readonly number[] = [];
  /** 1: some child of this row is aligned by its baseline. */
  readonly baselines: Uint8Array;
  /** Where that baseline is, in u from the top of the border box: of a row as high as it needs to be, and as high as it is. */
  readonly neededBaseline: Float64Array;
  readonly givenBaseline: Float64Array;
  /** How high such a row has to be for what is above it and below, and where its content starts. */
  readonly baselineNeed: Float64Array;
  readonly contentTop: Float64Array;
  /** 1: the height needed changes with the width given. */
  readonly widthMatters: Uint8Array;
  /** The width from which on the height needed stays the same. */
  readonly steadyFrom: Float64Array;
  /** Widgets that were placed, or whose children were, since a layout last looked: the only ones whose boxes may be others. */
  readonly toFollow: Marks;
  /** What the view's padding is enlarged by: the safe insets, in u. */
  safeLeft = 0;
  safeRight = 0;
  safeTop = 0;
  safeBottom = 0;

  constructor(count: number, room = count) {
    this.count = count;
    this.room = room;
    this.x = new AxisPlan(room);
    this.y = new AxisPlan(room);
    const field = <Field extends Entries>(made: Field): Field => {
      this.#fields.push(made);
      return made;
    };
    this.parent = field(new Int32Array(room));
    this.factor = field(new Float64Array(room).fill(1));
    this.end = field(new Int32Array(room));
    this.arrange = field(new Uint8Array(room));
    this.reverses = field(new Uint8Array(room));
    this.full = field(new Uint8Array(room));
    this.natural = field(new Uint8Array(room));
    this.aspect = field(new Float64Array(room));
    this.target = field(new Int32Array(room).fill(-1));
    this.targetEnd = field(new Int32Array(room).fill(-1));
    this.targetsTurned = field(new Uint8Array(room));
    this.path = field(new Int32Array(room));
    this.baselines = field(new Uint8Array(room));
    this.neededBaseline = field(new Float64Array(room));
    this.givenBaseline = field(new Float64Array(room));
    this.baselineNeed = field(new Float64Array(room));
    this.contentTop = field(new Float64Array(room));
    this.measures = new Array<LeafMeasure | undefined>(count).fill(undefined);
    this.grids = new Array<GridPlan | undefined>(count).fill(undefined);
    this.columnSpan = field(new Uint16Array(room).fill(1));
    this.rowSpan = field(new Uint16Array(room).fill(1));
    this.column = field(new Uint16Array(room));
    this.row = field(new Uint32Array(room));
    this.line = field(new Uint32Array(room));
    this.widthMatters = field(new Uint8Array(room));
    this.steadyFrom = field(new Float64Array(room).fill(Infinity));
    this.toFollow = new Marks(room);
  }

  /**
   * Puts widgets of which nothing is known yet in the place of others; all behind them move. What the plan knows of all widgets
   * together, such as where each ends, is to be worked out anew.
   */
  replaceRange(range: Range): void {
    const { count } = this;
    const { at, removed, added } = range;
    const by = added - removed;
    this.x.replaceRange(range, count);
    this.y.replaceRange(range, count);
    for (const field of this.#fields) replaceEntries(field, range, count);
    this.count = count + by;
    const fresh = new Array<undefined>(added).fill(undefined);
    replaceItems(this.measures, at, removed, fresh);
    replaceItems(this.grids, at, removed, fresh);
    this.toFollow.replaceRange(range);
    const { parent, target, targetEnd } = this;
    target.fill(-1, at, at + added);
    targetEnd.fill(-1, at, at + added);
    this.factor.fill(1, at, at + added);
    this.columnSpan.fill(1, at, at + added);
    this.rowSpan.fill(1, at, at + added);
    this.steadyFrom.fill(Infinity, at, at + added);
    for (let n = at + added; n < this.count; n++) if (parent[n]! >= at) parent[n] = parent[n]! + by;
    if (!this.hasTargets) return;
    for (const targets of [target, targetEnd]) {
      for (let n = 0; n < this.count; n++) {
        if (targets[n]! < at) continue;
        const moved = movedIndex(targets[n]!, range);
        targets[n] = moved < 0 ? lostTarget : moved;
      }
    }
  }
}
