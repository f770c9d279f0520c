import { listWindow } from 'pimbot';
import type { Page } from '../page.ts';

/** Ten thousand letters, of which those one sees are built. */
export const archive: Page = ({ live, input }) => {
  const build = () => {
    const at = live.scrolled('list').y;
    const { from, to, before, after } = listWindow({ count: 10_000, each: 82, at, shown: 560 });
    const rows = Array.from({ length: to - from }, (_, nth) => ({ nth: from + nth + 1 }));
    live.set({ rows, before, after });
  };
  input.listen('list', ({ type }) => {
    if (type === 'scroll') build();
  });
  build();
};
