import type { LeafMeasure } from './plan.ts';

/**
 * The widths around one, from the first up to, but not including, the second, between which the lines of a leaf end in the same places,
 * and whether its height is the same there; undefined of a leaf without lines. In its own u.
 */
export type SteadyBetween = (
  measure: LeafMeasure,
  width: number,
) => readonly [from: number, to: number, isSteady: boolean] | undefined;

/**
 * The decisions of a solve, in the order they are made: what came out, and by how much. Played back, a solve takes the same
 * decisions on another screen, whatever the lengths there say: then every length and every difference is an affine function of
 * the screen's size, and where all differences have the sign they were recorded with, the solve is the real one (docs/proof.md).
 */
export class Decisions {
  /** What an u is in px; differences are kept in px, as those of u are quotients. */
  unit = 1;
  #outcomes = new Int8Array(1024);
  /** 1 for those that said two lengths are the same, or not: they have no other side. */
  #equals = new Int8Array(1024);
  #leads = new Float64Array(1024);
  /** Numbers that came out: floors, heights of texts. */
  readonly #values: number[] = [];
  #at = 0;
  #value = 0;
  #isPlayed = false;
  #isBent = false;
  readonly #steadyBetween: SteadyBetween;

  constructor(steadyBetween: SteadyBetween) {
    this.#steadyBetween = steadyBetween;
  }

  /** Starts a solve that decides for itself. */
  record(): void {
    this.#isPlayed = false;
    this.#isBent = false;
    this.#at = 0;
    this.#value = 0;
    this.#values.length = 0;
  }

  /** Starts a solve that decides as the one recorded last. */
  play(): void {
    this.#isPlayed = true;
    this.#at = 0;
    this.#value = 0;
  }

  /** How far each was from the other outcome, in px: above 0 where it came out as recorded, NaN where it has no other side. */
  leads(): Float64Array {
    const leads = new Float64Array(this.#at);
    for (let at = 0; at < this.#at; at++) {
      const lead = this.#leads[at]!;
      leads[at] = this.#equals[at] === 1 ? NaN : this.#outcomes[at] === 1 ? lead : -lead;
    }
    return leads;
  }

  /** By how much two lengths that were said to be the same are not, at the most, in px. */
  widestGap(): number {
    let widest = 0;
    for (let at = 0; at < this.#at; at++)
      if (this.#equals[at] === 1 && this.#outcomes[at] === 1) {
        const gap = Math.abs(this.#leads[at]!);
        if (gap > widest) widest = gap;
      }
    return widest;
  }

  less(a: number, b: number, unit: number): boolean {
    return this.#decide(a < b, (b - a) * unit);
  }

  more(a: number, b: number, unit: number): boolean {
    return this.#decide(a > b, (a - b) * unit);
  }

  atMost(a: number, b: number, unit: number): boolean {
    return this.#decide(a <= b, (b - a) * unit);
  }

  atLeast(a: number, b: number, unit: number): boolean {
    return this.#decide(a >= b, (a - b) * unit);
  }

  same(a: number, b: number, unit: number): boolean {
    return this.#decide(a === b, (a - b) * unit, true);
  }

  differs(a: number, b: number, unit: number): boolean {
    return !this.#decide(a === b, (a - b) * unit, true);
  }

  larger(a: number, b: number, unit: number): number {
    return this.#decide(a > b, (a - b) * unit) ? a : b;
  }

  smaller(a: number, b: number, unit: number): number {
    return this.#decide(a < b, (b - a) * unit) ? a : b;
  }

  /** The floor of a quotient. */
  floor(a: number, b: number, unit: number): number {
    const floor = this.#kept(Math.floor(a / b));
    this.#decide(true, (a - floor * b) * unit);
    this.#decide(true, ((floor + 1) * b - a) * unit);
    return floor;
  }

  /** Whether there was a curve: between two lines it is taken for its tangent at the screen that was recorded. */
  get isBent(): boolean {
    return this.#isBent;
  }

  /** The weighted geometric mean of two numbers. */
  weighted(one: number, other: number, share: number): number {
    if (share === 0 || share === 1) return share === 0 ? one : other;
    if (!this.#isPlayed) this.#isBent = true;
    const mean = this.#kept(one ** (1 - share) * other ** share);
    const first = this.#kept(one);
    const second = this.#kept(other);
    return first > 0 && second > 0 ? mean * ((1 - share) * (one / first) + share * (other / second)) : mean;
  }

  /** The height of a leaf at the width in `exchange[0]`, into `exchange[1]`. @param factor u of the view one u of the leaf is. */
  height(measure: LeafMeasure, exchange: Float64Array, factor: number, unit: number): void {
    const width = exchange[0]!;
    if (!this.#isPlayed) {
      const [from, to, isSteady] = this.#steadyBetween(measure, width) ?? withoutLines;
      this.#values.push(from, to, isSteady ? heightOf(measure, width) : NaN);
    }
    const from = this.#values[this.#value++]!;
    const to = this.#values[this.#value++]!;
    const height = this.#values[this.#value++]!;
    // What is not steady follows from the width itself.
    if (Number.isNaN(height)) measure.heightInto(exchange);
    else exchange[1] = height;
    this.#decide(true, (width - from) * factor * unit);
    this.#decide(true, (to - width) * factor * unit);
  }

  /** A number that comes out: where it is played, the one that did. */
  #kept(found: number): number {
    if (!this.#isPlayed) this.#values.push(found);
    return this.#values[this.#value++]!;
  }

  #decide(outcome: boolean, lead: number, isEqual = false): boolean {
    const at = this.#at++;
    if (at === this.#leads.length) this.#grow();
    this.#leads[at] = lead;
    if (this.#isPlayed) return this.#outcomes[at] === 1;
    this.#outcomes[at] = outcome ? 1 : 0;
    this.#equals[at] = isEqual ? 1 : 0;
    return outcome;
  }

  #grow(): void {
    const length = 2 * this.#leads.length;
    const [outcomes, equals, leads] = [this.#outcomes, this.#equals, this.#leads];
    this.#outcomes = new Int8Array(length);
    this.#outcomes.set(outcomes);
    this.#equals = new Int8Array(length);
    this.#equals.set(equals);
    this.#leads = new Float64Array(length);
    this.#leads.set(leads);
  }
}

/** The height of a leaf without lines is whatever it says. */
const withoutLines = [NaN, NaN, false] as const;

function heightOf(measure: LeafMeasure, width: number): number {
  const exchange = new Float64Array([width, 0]);
  measure.heightInto(exchange);
  return exchange[1]!;
}
