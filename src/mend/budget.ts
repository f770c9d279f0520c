/**
 * How much is laid out and checked in search of changes: widgets, once for each layout they are in. A
 * document of seven views with 130 findings takes 150,000.
 */
const mostLooks = 400_000;

/** Thrown where no more changes are tried. */
export class BudgetSpent extends Error {
  override readonly name = 'BudgetSpent';
}

/** What may still be tried. */
export class TryBudget {
  #left: number;

  /** @param times How many times as much as the changes of one report may take. */
  constructor(times = 1) {
    this.#left = times * mostLooks;
  }

  get isSpent(): boolean {
    return this.#left < 0;
  }

  /**
   * After so many widgets were laid out and checked.
   * @throws {BudgetSpent}
   */
  spend(looks: number): void {
    this.#left -= looks;
    if (this.#left < 0) throw new BudgetSpent('more was tried than changes are looked for');
  }
}
