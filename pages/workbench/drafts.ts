import { computed, signal } from '@preact/signals';
import { newHistory, withChange, withForeignChange, type History } from 'pimbot/tools';
import type { ReadFile } from './server.ts';

/** A text as it was last read or written, and what tells whether the file is still the same. */
export interface Saved {
  readonly text: string;
  readonly tag: string | undefined;
}

/** A document that is worked on. */
interface Draft {
  readonly history: History;
  readonly saved: Saved;
}

/** The texts of the documents that are worked on: one is open, the others stay as they were left. */
export class Drafts {
  readonly history = signal<History>(newHistory(''));
  readonly saved = signal<Saved>({ text: '', tag: undefined });
  /** What is on disk, where that is neither what was saved nor what is here. */
  readonly onDisk = signal<ReadFile | undefined>(undefined);
  readonly unsaved = computed(() => this.history.value.text !== this.saved.value.text);
  /** Those that were left with changes that are not saved. */
  readonly left = signal<readonly string[]>([]);
  readonly #others = new Map<string, Draft>();
  #file = '';

  /** Goes on with another document, as it was left. @param read What is on disk of it. */
  turnTo(file: string, read: ReadFile): void {
    if (this.#file !== '')
      this.#others.set(this.#file, { history: this.history.value, saved: this.saved.value });
    const known = this.#others.get(file);
    this.#others.delete(file);
    this.#file = file;
    this.history.value = known?.history ?? newHistory(read.text);
    this.saved.value = known?.saved ?? read;
    this.changedOnDisk(read);
    this.left.value = [...this.#others].flatMap(([name, { history, saved }]) =>
      history.text === saved.text ? [] : [name],
    );
  }

  /** The file of the open document is another than it was. @returns whether what is here is another text now. */
  changedOnDisk(read: ReadFile): boolean {
    const { text } = this.history.value;
    const isKnown = read.tag === this.saved.value.tag;
    const isOther = !isKnown && this.unsaved.value && read.text !== text;
    this.onDisk.value = isOther ? read : undefined;
    if (isKnown || isOther) return false;
    this.history.value = withForeignChange(this.history.value, read.text);
    this.saved.value = read;
    return this.history.value.text !== text;
  }

  /** The file of the open document is not there any more: nothing is on disk that saving would replace. */
  goneFromDisk(): void {
    this.saved.value = { text: '', tag: undefined };
    this.onDisk.value = undefined;
  }

  /** What is on disk instead of what is here; undoing still knows what was done here. */
  takeDisk(): void {
    const found = this.onDisk.value;
    if (!found) return;
    this.history.value = withChange(this.history.value, found.text, 'take the file on disk');
    this.saved.value = found;
    this.onDisk.value = undefined;
  }

  /** Keeps what is here; saving then replaces what is on disk, which undoing brings back. */
  keepMine(): void {
    const found = this.onDisk.value;
    if (!found) return;
    this.onDisk.value = undefined;
    this.saved.value = found;
  }
}
