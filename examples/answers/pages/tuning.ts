import type { Page } from '../page.ts';

/** Settings: all they do is what they are bound to. */
export const tuning: Page = () => {};
