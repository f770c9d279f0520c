import type { Page } from '../page.ts';

/** A tooltip at the pointer, or beside what has the focus, inside of the screen wherever that is. */
export const lockers: Page = ({ live, input }) => {
  input.listen('', (effect) => {
    if (effect.type === 'rest')
      live.set({ tip: `Locker ${effect.control}: dry down to eleven thousand metres` });
  });
};
