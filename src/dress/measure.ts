/** How large the inside of a leaf is; text and pictures give one. Lengths are in u, without padding. */
export interface Measure {
  /** The width it would like. */
  readonly widest: number;
  /** The width below which it sticks out. */
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
