/**
 * How much a check may compare on one screen. What lies in one place by the thousand meets in pairs by the million, and
 * nobody reads so many findings.
 */
const mostComparisons = 1_000_000;
/** A finding costs as much as so many comparisons of two widgets: 20,000 of one check on one screen are listed at most. */
const finding = 50;
/** A rectangle that is looked at and is somewhere else costs so much of one. */
const miss = 0.05;

/** Thrown where a check has compared as much as it may. */
export class EffortSpent extends Error {
  override readonly name = 'EffortSpent';
}

/** What a check has left to compare. */
export class Effort {
  #left = mostComparisons;
  #before = 0;

  /** For the next check. */
  renew(): void {
    this.#before = this.compared;
    this.#left = mostComparisons;
  }

  /** Comparisons of all checks together. */
  get compared(): number {
    return this.#before + mostComparisons - this.#left;
  }

  /**
   * Before two widgets are compared.
   * @param count How many times.
   * @param missed Rectangles looked at beside that.
   * @throws {EffortSpent}
   */
  compare(count = 1, missed = 0): void {
    this.#left -= count + miss * missed;
    if (this.#left < 0) throw new EffortSpent('more lies in one place than is compared');
  }

  /**
   * Before a finding is told.
   * @throws {EffortSpent}
   */
  tell(): void {
    this.compare(finding);
  }
}
