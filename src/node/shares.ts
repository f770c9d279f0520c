import type { CheckPlan } from '../verdict/index.ts';

/** Batches of one view, by their places in the plan. */
interface Share {
  readonly left: number[];
  isTaken: boolean;
}

/**
 * What is left of a plan, for several threads: what is found of a view on one occasion helps on the next one, but only where it was
 * found. So each thread works on a view of its own; one that has none left takes from the end of what most is left of.
 */
export class Shares {
  readonly #all: readonly Share[];
  readonly #own = new WeakMap<object, Share>();

  /** @param wanted Places in the plan, in order. */
  constructor({ batches }: CheckPlan, wanted: readonly number[]) {
    const views = new Map<string, number[]>();
    for (const nth of wanted) {
      const { view } = batches[nth]!;
      const known = views.get(view);
      if (known) known.push(nth);
      else views.set(view, [nth]);
    }
    this.#all = [...views.values()]
      .map((left) => ({ left, isTaken: false }))
      .sort((a, b) => b.left.length - a.left.length);
  }

  /** The next one for a thread; undefined where nothing is left. */
  take(thread: object): number | undefined {
    let own = this.#own.get(thread);
    if (!own || own.left.length === 0) {
      own = this.#all.find(({ left, isTaken }) => !isTaken && left.length > 0);
      if (own) {
        own.isTaken = true;
        this.#own.set(thread, own);
      }
    }
    return own ? own.left.shift() : this.#mostLeft().pop();
  }

  #mostLeft(): number[] {
    return this.#all.reduce<number[]>((most, { left }) => (left.length > most.length ? left : most), []);
  }
}
