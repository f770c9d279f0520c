import type { Page } from '../page.ts';

/** A page of text: dragging, wheels and keys scroll it, without a line of the game's. */
export const letter: Page = () => {};
