import type { Page } from '../page.ts';

/** A dialog over the instruments. */
export const alarm: Page = ({ live, input }) => {
  input.listen('', (effect) => {
    if (effect.type !== 'click') return;
    if (effect.control === 'blow') live.set({ asks: true });
    else live.set({ asks: false, said: effect.control === 'rise' ? 'Rising' : 'Staying down' });
  });
};
