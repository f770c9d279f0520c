/** The longest rest, in ms: what is looked at comes up to date soon after a pause. */
const longestRest = 400;

/** Does one thing after the other, and of those that wait only the last. */
export class Latest {
  readonly #failed: (message: string) => void;
  readonly #rests: boolean;
  #running = false;
  #next: (() => Promise<void>) | undefined;

  /**
   * @param failed Told what went wrong; what waits is done all the same.
   * @param how `restful`: after each it rests as long as that took, and leaves the machine to what matters more.
   */
  constructor(failed: (message: string) => void, how: 'steady' | 'restful' = 'steady') {
    this.#failed = failed;
    this.#rests = how === 'restful';
  }

  do(work: () => Promise<void>): void {
    this.#next = work;
    if (!this.#running) void this.#run();
  }

  /** What waits is not done. */
  forget(): void {
    this.#next = undefined;
  }

  async #run(): Promise<void> {
    this.#running = true;
    for (let work = this.#next; work; work = this.#next) {
      this.#next = undefined;
      const start = performance.now();
      await work().catch((error: unknown) => this.#failed((error as Error).message));
      const rest = Math.min(longestRest, performance.now() - start);
      if (this.#rests) await new Promise((done) => setTimeout(done, rest));
    }
    this.#running = false;
  }
}

/** Does one thing after the other, all of them. */
export class InTurn {
  #last: Promise<unknown> = Promise.resolve();

  do<Result>(work: () => Promise<Result>): Promise<Result> {
    const done = this.#last.then(work);
    this.#last = done.catch(() => undefined);
    return done;
  }
}
