import type { Listeners } from './listeners.ts';

/** The preferences that players have set in their system (Media Queries 5 §12). */
export interface Preferences {
  readonly motion: 'full' | 'reduced';
  readonly contrast: 'more' | 'less' | 'custom' | 'none';
  readonly colors: 'light' | 'dark';
  /** Whether the system replaces the colours of a page (forced colours). */
  readonly forcedColors: boolean;
}

const queries = [
  '(prefers-reduced-motion: reduce)',
  '(prefers-contrast: more)',
  '(prefers-contrast: less)',
  '(prefers-contrast: custom)',
  '(prefers-color-scheme: dark)',
  '(forced-colors: active)',
] as const;

/** Reads what players have asked for, and calls when that is something else. */
export class PreferenceReader {
  readonly #lists: readonly MediaQueryList[];

  constructor(window: Window, listeners: Listeners, changed: () => void) {
    this.#lists = queries.map((query) => window.matchMedia(query));
    for (const list of this.#lists) listeners.on(list, 'change', changed);
  }

  read(): Preferences {
    const [reduced, more, less, custom, dark, forced] = this.#lists.map(({ matches }) => matches);
    return {
      motion: reduced ? 'reduced' : 'full',
      contrast: more ? 'more' : less ? 'less' : custom ? 'custom' : 'none',
      colors: dark ? 'dark' : 'light',
      forcedColors: forced === true,
    };
  }
}
