import { stepsOf, type CheckedDocument, type DocumentSource, type Json } from '../document/index.ts';
import { EditError } from './edit-error.ts';
import type { Editing } from './editing.ts';

type Holder = { readonly [key: string]: Json };

/**
 * The values of a document while they are changed: what a change would come to, without a text being written and read.
 * The document it starts from stays as it is; parts that are not changed are shared with it. What comes out has not been
 * validated.
 */
export class DocumentDraft implements Editing {
  readonly #document: CheckedDocument;
  #source: DocumentSource;
  readonly #touched: string[] = [];

  constructor(document: CheckedDocument) {
    this.#document = document;
    this.#source = document.source;
  }

  /** The maps that were changed. */
  get touched(): readonly string[] {
    return this.#touched;
  }

  /** The document as it is now; places are those of the text it was read from. */
  get document(): CheckedDocument {
    const [own, ...others] = this.#document.themes;
    const source = this.#source;
    return { ...this.#document, source, themes: [{ ...own!, theme: source }, ...others] };
  }

  set(map: string, key: string, value: Json): void {
    this.#change(map, (old) => ({ ...old, [key]: value }));
  }

  remove(map: string, key: string): void {
    this.#change(map, (old) => {
      if (!Object.hasOwn(old, key)) return old;
      const { [key]: _, ...rest } = old;
      return rest;
    });
  }

  read(map: string, key: string): Json | undefined {
    return (this.#chainTo(map).at(-1) as Holder)[key];
  }

  has(map: string, key: string): boolean {
    return Object.hasOwn(this.#chainTo(map).at(-1) as Holder, key);
  }

  /** The values from the document down to a map. @throws EditError where there is none. */
  #chainTo(map: string): Json[] {
    const chain: Json[] = [this.#source as unknown as Json];
    for (const step of stepsOf(map)) {
      const next = (chain.at(-1) as Holder | undefined)?.[step];
      if (typeof next !== 'object' || next === null) throw new EditError(`there is nothing at ${map}`);
      chain.push(next);
    }
    if (Array.isArray(chain.at(-1))) throw new EditError(`there is no map at ${map}`);
    return chain;
  }

  #change(map: string, change: (old: Holder) => Holder): void {
    const steps = stepsOf(map);
    const chain = this.#chainTo(map);
    const last = chain.at(-1)!;
    let changed: Json = change(last as Holder);
    if (changed === last) return;
    for (let at = steps.length - 1; at >= 0; at--) {
      const holder = chain[at]!;
      if (Array.isArray(holder)) changed = holder.with(Number(steps[at]), changed);
      else changed = { ...(holder as Holder), [steps[at]!]: changed };
    }
    this.#source = changed as unknown as DocumentSource;
    this.#touched.push(map);
  }
}
