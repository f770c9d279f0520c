/** Views that several threads take one by one, and how much of each is done: in memory they have in common. */
export class SharedViewList {
  readonly memory: SharedArrayBuffer;
  /** How many are taken. */
  readonly #taken: Int32Array;
  /** How much of each is done, in thousandths. */
  readonly #done: Int32Array;

  /** @param memory Of one that was made on another thread. */
  constructor(memory: SharedArrayBuffer) {
    this.memory = memory;
    this.#taken = new Int32Array(memory, 0, 1);
    this.#done = new Int32Array(memory, Int32Array.BYTES_PER_ELEMENT);
  }

  static of(views: number): SharedViewList {
    return new SharedViewList(new SharedArrayBuffer((1 + views) * Int32Array.BYTES_PER_ELEMENT));
  }

  /** The place of the next view that nobody has taken; undefined where all are. */
  take(): number | undefined {
    const nth = Atomics.add(this.#taken, 0, 1);
    return nth < this.#done.length ? nth : undefined;
  }

  /** @param share How much of a view is done, from 0 to 1. */
  tell(nth: number, share: number): void {
    Atomics.store(this.#done, nth, Math.round(1000 * share));
  }

  /** How many views are done, and parts of those under way. */
  get done(): number {
    let sum = 0;
    for (let nth = 0; nth < this.#done.length; nth++) sum += Atomics.load(this.#done, nth);
    return sum / 1000;
  }
}
