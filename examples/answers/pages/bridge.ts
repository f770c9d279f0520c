import type { Page } from '../page.ts';

/** Orders, and a side menu that takes the focus and gives it back. */
export const bridge: Page = ({ live, input }) => {
  input.listen('orders', (effect) => {
    if (effect.type !== 'click') return;
    if (effect.control === 'tools') input.enter('side');
    else live.set({ said: `Order: ${effect.control}` });
  });
  input.listen('side', (effect) => {
    if (effect.type !== 'click') return;
    live.set({ said: `Tool: ${effect.control}` });
    input.back();
  });
};
