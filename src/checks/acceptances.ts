import type { Widget } from '../dress/index.ts';
import { pointerTo, stepsOf, type DocumentSource, type WidgetSource } from '../document/index.ts';
import { keyPointer } from '../why/index.ts';

/** Which findings the author of a document has accepted, and which of those acceptances have taken one away. */
export class Acceptances {
  readonly #used = new Set<string>();

  get count(): number {
    return this.#used.size;
  }

  /** Pointers of those that have taken a finding away. */
  get used(): readonly string[] {
    return [...this.#used];
  }

  /** Adds what was found out elsewhere. */
  add(used: readonly string[]): void {
    for (const pointer of used) this.#used.add(pointer);
  }

  /** Whether a widget, or one around it up to the view, accepts what a check finds of it: the nearest that does. */
  take(check: string, widget: Widget, widgets: readonly Widget[]): boolean {
    for (let at: Widget | undefined = widget; at; at = widgets[at.parent]) {
      const { accept } = at.source as WidgetSource;
      if (accept === undefined || !Object.hasOwn(accept, check)) continue;
      this.#used.add(pointerTo(keyPointer(at, 'accept'), check));
      return true;
    }
    return false;
  }

  /**
   * Whether a widget or view that a place of the document is written in accepts what a check finds there: the innermost that does.
   * @param pointer JSON Pointer of what is found.
   */
  takeWritten(check: string, pointer: string, source: DocumentSource): boolean {
    let value: unknown = source;
    let at = '';
    let taken: string | undefined;
    for (const step of stepsOf(pointer)) {
      if (typeof value !== 'object' || value === null || !Object.hasOwn(value, step)) break;
      value = (value as Record<string, unknown>)[step];
      at = pointerTo(at, step);
      const accept = (value as WidgetSource | null)?.accept;
      if (typeof accept === 'object' && Object.hasOwn(accept, check))
        taken = pointerTo(pointerTo(at, 'accept'), check);
    }
    if (taken !== undefined) this.#used.add(taken);
    return taken !== undefined;
  }

  /** Whether the acceptance at a pointer has taken a finding away. */
  wasUsed(pointer: string): boolean {
    return this.#used.has(pointer);
  }
}
