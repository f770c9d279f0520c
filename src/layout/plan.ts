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

/** Alignments and justifications, as numbers; `alignParent` means: as the parent says. */
export const alignStart = 0;
export const alignCenter = 1;
export const alignEnd = 2;
export const alignStretch = 3;
export const alignParent = 4;
export const spaceBetween = 5;
export const spaceAround = 6;
export const spaceEvenly = 7;

/** One axis of all widgets. Lengths are in u; a `…Share` is a fraction of the parent's content size. */
export class AxisPlan {
  readonly mode: Uint8Array;
  readonly size: Float64Array;
  readonly sizeShare: Float64Array;
  readonly weight: Float64Array;
  readonly min: Float64Array;
  readonly minShare: Float64Array;
  readonly max: Float64Array;
  readonly maxShare: Float64Array;
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
  /** The size a widget would like, and the one below which its inside sticks out; found on the way up. */
  readonly need: Float64Array;
  readonly least: Float64Array;
  /** Where it starts on the surface and how long it is; found on the way down. */
  readonly start: Float64Array;
  readonly length: Float64Array;
  /** Scratch of the flow arrangement: whether an item's share is settled. */
  readonly settled: Uint8Array;

  constructor(count: number) {
    const numbers = () => new Float64Array(count);
    this.mode = new Uint8Array(count);
    this.size = numbers();
    this.sizeShare = numbers();
    this.weight = numbers();
    this.min = numbers();
    this.minShare = numbers();
    this.max = numbers();
    this.maxShare = numbers();
    this.span = new Uint8Array(count);
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
    this.need = numbers();
    this.least = numbers();
    this.start = numbers();
    this.length = numbers();
    this.settled = new Uint8Array(count);
  }

  /** A size held between the widget's minimum and maximum; the minimum wins, as in CSS. */
  clamp(n: number, size: number, parentLength: number): number {
    const most = this.max[n]! + this.maxShare[n]! * parentLength;
    const least = this.min[n]! + this.minShare[n]! * parentLength;
    return Math.max(least, Math.min(most, size));
  }

  /** The same before the parent's size is known: shares count nothing. */
  clampNeed(n: number, size: number): number {
    const most = this.maxShare[n] === 0 ? this.max[n]! : Infinity;
    return Math.max(this.min[n]!, Math.min(most, size));
  }
}

/** What the inside of a leaf needs, without padding; build/ gives one for texts and pictures. */
export interface LeafMeasure {
  readonly widest: number;
  readonly least: number;
  heightAt(width: number): number;
}

export class Plan {
  readonly count: number;
  readonly x: AxisPlan;
  readonly y: AxisPlan;
  readonly parent: Int32Array;
  /** One past the last widget inside. */
  readonly end: Int32Array;
  readonly arrange: Uint8Array;
  readonly gap: Float64Array;
  readonly align: Uint8Array;
  readonly justify: Uint8Array;
  readonly alignSelf: Uint8Array;
  /** 1 for a child of the view that is placed on the full surface. */
  readonly full: Uint8Array;
  /** 1 for a leaf with a natural shape that stretching would spoil. */
  readonly natural: Uint8Array;
  readonly measures: (LeafMeasure | undefined)[];

  constructor(count: number) {
    this.count = count;
    this.x = new AxisPlan(count);
    this.y = new AxisPlan(count);
    this.parent = new Int32Array(count);
    this.end = new Int32Array(count);
    this.arrange = new Uint8Array(count);
    this.gap = new Float64Array(count);
    this.align = new Uint8Array(count);
    this.justify = new Uint8Array(count);
    this.alignSelf = new Uint8Array(count);
    this.full = new Uint8Array(count);
    this.natural = new Uint8Array(count);
    this.measures = new Array<LeafMeasure | undefined>(count).fill(undefined);
  }
}
