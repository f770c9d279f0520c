import type { Page } from '../page.ts';

/** A menu card: entries are clicked by name. */
export const card: Page = ({ live, input }) => {
  input.listen('menu', ({ type, ...effect }) => {
    if (type === 'click' && 'control' in effect) live.set({ said: `Chosen: ${effect.control}` });
    if (type === 'refused') live.set({ said: 'Not before the mail is sorted' });
  });
};
