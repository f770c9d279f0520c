import type { Page } from '../page.ts';

/** Round buttons: a click on a corner is none. */
export const valves: Page = ({ live, input }) => {
  input.listen('row', (effect) => {
    if (effect.type === 'click') live.set({ said: `Opened: ${effect.control}` });
  });
};
