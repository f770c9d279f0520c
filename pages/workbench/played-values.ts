import { signal } from '@preact/signals';

/**
 * The values of what is played, as the page shows them. What somebody sets counts at once: what they do next,
 * before the desk has answered, starts from it.
 */
export class PlayedValues {
  readonly values = signal<{ readonly [name: string]: unknown }>({});
  /** How often each value was set without an answer yet. */
  readonly #waiting = new Map<string, number>();

  start(values: { readonly [name: string]: unknown }): void {
    this.values.value = values;
  }

  set(name: string, value: unknown): void {
    this.#waiting.set(name, (this.#waiting.get(name) ?? 0) + 1);
    this.values.value = { ...this.values.value, [name]: value };
  }

  answered(name: string): void {
    this.#waiting.set(name, this.#waiting.get(name)! - 1);
  }

  /** Values the desk tells of; of one that was set since it says what was before. */
  take(told: { readonly [name: string]: unknown }): void {
    const news = Object.entries(told).filter(([name]) => !this.#waiting.get(name));
    if (news.length > 0) this.values.value = { ...this.values.value, ...Object.fromEntries(news) };
  }
}
