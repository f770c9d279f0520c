import type { Page } from '../page.ts';

/** A window that is made larger at its corner, and a line to type in. */
export const radio: Page = ({ live, input }) => {
  let from = { width: 0, height: 0 };
  input.listen('corner', (effect) => {
    const { width, height } = Object.fromEntries(live.values) as Record<string, number>;
    if (effect.type === 'drag-start') from = { width: width!, height: height! };
    if (effect.type !== 'drag' && effect.type !== 'drag-start') return;
    const grown = (size: number, by: number) => Math.max(220, Math.round(size + by / live.scaleOf('corner')));
    live.set({ width: grown(from.width, effect.byX), height: grown(from.height, effect.byY) });
  });
  input.listen('line', ({ type }) => {
    const line = live.values.get('line') as string;
    if (type === 'submit' && line !== '')
      live.set({ log: `${live.values.get('log') as string}\nPetrel: ${line}`, line: '' });
  });
};
