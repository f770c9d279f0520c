import { signal } from '@preact/signals';

/** Something the page says for a while. */
export interface Notice {
  readonly kind: 'done' | 'refused' | 'wrong';
  readonly text: string;
}

/** How long it is there, in ms: what did not work takes longer to read. */
const [short, long] = [4000, 9000];

/** What the page says, one thing at a time. */
export class Notices {
  readonly now = signal<Notice | undefined>(undefined);
  #ends: ReturnType<typeof setTimeout> | undefined;

  say(kind: Notice['kind'], text: string): void {
    this.now.value = { kind, text };
    clearTimeout(this.#ends);
    this.#ends = setTimeout(() => (this.now.value = undefined), kind === 'done' ? short : long);
  }
}
