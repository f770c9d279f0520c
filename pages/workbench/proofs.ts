import { signal } from '@preact/signals';
import type { Screen } from 'pimbot';
import type { Act } from 'pimbot/tools';
import type { DeskClient } from './desk-client.ts';
import type { Proved } from './messages.ts';
import { Latest } from './turns.ts';

/**
 * Proofs that take longer are not made again while something is dragged: findings would wait for them. In ms; the first one is
 * made by code that is not warm yet.
 */
const slowest = { first: 4000, again: 1500 };

/** What is known of every size of screen there is: of the document as it is, and with what is dragged at the moment. */
export class Proofs {
  /** Undefined until somebody asks, and again with each change. */
  readonly proved = signal<Proved | undefined>(undefined);
  /** With what is dragged, where somebody watches. */
  readonly tried = signal<Proved | undefined>(undefined);
  /** Whether proofs of this view are too slow to follow what is dragged. */
  readonly isSlow = signal(false);
  /** The last one there was of the document, which may be of an older one. */
  last: Proved | undefined;
  /** The share of sizes on which the view held before the last change; undefined where nobody asked then. */
  heldBefore: number | undefined;
  readonly #desk: DeskClient;
  readonly #failed: (message: string) => void;
  readonly #trying: Latest;
  #isProving = false;
  #changes = 0;
  #shown = '';

  constructor(desk: DeskClient, failed: (message: string) => void) {
    this.#desk = desk;
    this.#failed = failed;
    this.#trying = new Latest(failed);
  }

  /** Proves, and learns how long that takes. */
  async #ask(how: { readonly act?: Act; readonly screen?: Screen }, most: number): Promise<Proved> {
    const start = performance.now();
    const proved = await this.#desk.ask('prove', how);
    this.isSlow.value = performance.now() - start > most;
    return proved;
  }

  async prove(): Promise<void> {
    if (this.#isProving) return;
    this.#isProving = true;
    const change = this.#changes;
    try {
      const proved = await this.#ask({}, this.last ? slowest.again : slowest.first);
      if (change !== this.#changes) return;
      this.proved.value = this.last = proved;
      this.tried.value = undefined;
    } catch (error) {
      this.#failed((error as Error).message);
    } finally {
      this.#isProving = false;
    }
    // What came meanwhile is proved now.
    if (change !== this.#changes) await this.prove();
  }

  /** Proves with a change that is tried; undefined for none. What waits for a proof is left out. */
  try(act: Act | undefined, screen: Screen): void {
    if (act === undefined || this.isSlow.value) {
      this.#trying.forget();
      this.tried.value = undefined;
      return;
    }
    const change = this.#changes;
    this.#trying.do(async () => {
      const tried = await this.#ask({ act, screen }, slowest.again).catch(() => undefined);
      if (change === this.#changes) this.tried.value = tried;
    });
  }

  /**
   * The worker has another document, or shows something else.
   * @param shown What is shown: of another view or occasion nothing is known, of a changed one, what was tried last is shown
   * until it is proved.
   */
  changed(shown: string): void {
    this.#changes++;
    this.#trying.forget();
    if (this.proved.value) this.heldBefore = this.proved.value.holding;
    if (shown !== this.#shown) {
      this.last = this.heldBefore = undefined;
      this.tried.value = undefined;
    }
    this.proved.value = undefined;
    this.#shown = shown;
  }

  /** What fails on a size, by the last proof. */
  read(width: number, height: number): Promise<readonly string[]> {
    return this.#desk.ask('read', { width, height });
  }
}
