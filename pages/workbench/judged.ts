import { batch, computed, signal } from '@preact/signals';
import type { Screen } from 'pimbot';
import type { ToldAt } from 'pimbot/tools';
import type { DeskClient } from './desk-client.ts';
import type { Suggested, Told } from './messages.ts';
import { talliesOf } from './tallies.ts';
import { Latest } from './turns.ts';

/** What is found in the document that is shown, and what mends it. */
export class Judged {
  readonly findings = signal<readonly Told[]>([]);
  /** Screens that the view does not support: nothing is looked at on them. */
  readonly unsupported = signal<ReadonlySet<string>>(new Set());
  /** Those that the last change has brought. */
  readonly fresh = signal<ReadonlySet<string>>(new Set());
  readonly checking = signal(false);
  /** What mends a finding of a text. */
  readonly suggested = signal<
    { readonly key: string; readonly found: Suggested | undefined; readonly of: string } | undefined
  >(undefined);
  readonly tallies = computed(() => talliesOf(this.findings.value, this.fresh.value));
  readonly #desk: DeskClient;
  readonly #judging: Latest;
  /** The text that the desk has. */
  #text: string | undefined;
  /** Grows with every document that is turned to. */
  #document = 0;
  /** What was found last, and in what. */
  #known: { readonly shown: string; readonly keys: ReadonlySet<string> } | undefined;

  constructor(desk: DeskClient, failed: (message: string) => void) {
    this.#desk = desk;
    this.#judging = new Latest(failed);
  }

  /** Has the desk read a text. @param fresh Whether all files that it names are read again. */
  async open(file: string, text: string, fresh: boolean): Promise<void> {
    this.#text = text;
    await this.#desk.ask('open', { file, text, fresh });
  }

  /** Of another document nothing is known. */
  forget(): void {
    this.#document++;
    this.findings.value = [];
    this.fresh.value = this.unsupported.value = new Set();
    this.suggested.value = undefined;
    this.checking.value = false;
  }

  /**
   * Checks the view on every screen, once what is under way is done.
   * @param shown What is shown: of something else that is shown now nothing is new. @param extra Screens beside the catalogue's.
   */
  check(shown: () => string, extra: () => readonly Screen[]): void {
    this.checking.value = true;
    const asked = this.#document;
    this.#judging.do(async () => {
      const { findings: found, unsupported } = await this.#desk
        .ask('check', { extra: extra() })
        .finally(() => (this.checking.value = false));
      // Another document has been turned to meanwhile.
      if (asked !== this.#document) return;
      const keys = new Set(found.map(({ key }) => key));
      const what = shown();
      const before = this.#known?.shown === what ? this.#known.keys : keys;
      batch(() => {
        this.fresh.value = new Set([...keys].filter((key) => !before.has(key)));
        this.findings.value = found;
        this.unsupported.value = new Set(unsupported);
      });
      this.#known = { shown: what, keys };
    });
  }

  reasonsOf(key: string): Promise<readonly ToldAt[]> {
    return this.#desk.ask('reasons', { key });
  }

  async suggest(key: string): Promise<void> {
    const of = this.#text;
    const found = await this.#desk.ask('suggest', { key });
    if (of !== undefined) this.suggested.value = { key, found, of };
  }

  compare(text: string, screen: Screen, side: number): Promise<{ before: ImageBitmap; after: ImageBitmap }> {
    const scale = Math.min(1, side / Math.max(screen.width, screen.height));
    return this.#desk.ask('compare', { text, wanted: { screen, scale } });
  }
}
