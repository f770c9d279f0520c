import { signal } from '@preact/signals';
import type { Screen } from 'pimbot';
import type { DeskClient } from './desk-client.ts';
import type { AboutValues, Asks } from './messages.ts';

/** Lines of the log that are kept. */
const longestLog = 200;

/**
 * A view that is played with on a desk: its values, and what happened. What somebody sets counts at once: what they do next, before
 * the desk has answered, starts from it.
 */
export class Played {
  readonly values = signal<{ readonly [name: string]: unknown }>({});
  readonly about = signal<AboutValues>({ ranges: {}, elsewhere: [] });
  readonly log = signal<readonly string[]>([]);
  readonly #desk: DeskClient;
  /** How often each value was set without an answer yet. */
  readonly #waiting = new Map<string, number>();

  constructor(desk: DeskClient) {
    this.#desk = desk;
  }

  async start(screen: Screen): Promise<void> {
    const played = await this.#desk.ask('play', { screen });
    this.values.value = played.values;
    this.about.value = played;
    this.log.value = [];
  }

  async hear(events: readonly unknown[], ms: number): Promise<void> {
    this.#heard(await this.#desk.ask('hear', { events, ms }));
  }

  async set(name: string, value: unknown): Promise<void> {
    this.values.value = { ...this.values.value, [name]: value };
    this.#wait(name, 1);
    const asked = this.#desk.ask('hear', { events: [], ms: 0, values: { [name]: value } });
    this.#heard(await asked.finally(() => this.#wait(name, -1)));
  }

  async stop(): Promise<void> {
    await this.#desk.ask('stop', {});
  }

  #wait(name: string, by: 1 | -1): void {
    this.#waiting.set(name, (this.#waiting.get(name) ?? 0) + by);
  }

  #heard({ log, values }: Asks['hear']['answer']): void {
    // Of a value that was set since, the desk tells what was before.
    const news = Object.entries(values).filter(([name]) => !this.#waiting.get(name));
    if (news.length > 0) this.values.value = { ...this.values.value, ...Object.fromEntries(news) };
    if (log.length > 0) this.log.value = [...this.log.value, ...log].slice(-longestLog);
  }
}
