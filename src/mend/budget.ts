import { occasionKey, type Occasion } from '../view/index.ts';

/**
 * How much is laid out and checked in search of changes: widgets, once for each layout they are in. A
 * document of seven views with 130 findings takes 150,000.
 */
const mostLooks = 400_000;

/** Thrown where no more changes are tried. */
export class BudgetSpent extends Error {
  override readonly name = 'BudgetSpent';
}

/** A view on one occasion and screen. */
export interface Place {
  readonly view: string;
  readonly occasion: Occasion;
  readonly screen: string;
}

/** So many places are tried first, at the most. */
const mostHard = 8;

/** What may still be tried, and where what was tried broke something. */
export class TryBudget {
  #left: number;
  #hard: readonly Place[] = [];
  readonly #refused = new Set<string>();

  /** @param times How many times as much as the changes of one report may take. */
  constructor(times = 1) {
    this.#left = times * mostLooks;
  }

  /** Where changes broke something, the last one first: the next one often does so too. */
  get hard(): readonly Place[] {
    return this.#hard;
  }

  brokeAt(place: Place): void {
    const others = this.#hard.filter(({ view, screen, occasion }) => {
      return (
        view !== place.view ||
        screen !== place.screen ||
        occasionKey(occasion) !== occasionKey(place.occasion)
      );
    });
    this.#hard = [place, ...others].slice(0, mostHard);
  }

  /** A change of what several findings have in common brings one that was not there: for each of them it would, in this document. */
  refuse(say: string): void {
    this.#refused.add(say);
  }

  isRefused(say: string): boolean {
    return this.#refused.has(say);
  }

  /** The document is another one: what was refused is tried again. */
  forget(): void {
    this.#refused.clear();
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

  /**
   * Before a change is tried: the text is written and read again, and what is found is compared with what was. Reading fifty letters
   * takes about as long as laying out a widget.
   * @throws {BudgetSpent}
   */
  spendOn(letters: number, findings: number): void {
    this.spend(Math.ceil(letters / 50) + Math.ceil(findings / 4));
  }
}
