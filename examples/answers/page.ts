import type { LiveView, ViewInput } from 'pimbot';

/** What a page has: its view, and what its players do. */
export interface Played {
  readonly live: LiveView;
  readonly input: ViewInput;
}

/** The game's own part of a page. */
export type Page = (played: Played) => void;
