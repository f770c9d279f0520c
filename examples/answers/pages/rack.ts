import type { Page } from '../page.ts';

type Hole = { readonly place: string; readonly icon: string; readonly empty: boolean };

/** Pigeonholes: what is dragged from one to another changes places with what is there. */
export const rack: Page = ({ live, input }) => {
  input.listen('shelf', (effect) => {
    const holes = live.values.get('holes') as unknown as readonly Hole[];
    const at = (id: string) => holes.find(({ place }) => id === `hole-${place}`)!;
    if (effect.type === 'drag-start')
      live.set({ carried: at(effect.widget).icon, carries: !at(effect.widget).empty });
    if (effect.type === 'drag')
      live.set({ 'carry-x': effect.x / live.frame.scale, 'carry-y': effect.y / live.frame.scale });
    if (effect.type === 'drag-end') live.set({ carries: false });
    const [from, to] = effect.type === 'drop' ? [at(effect.widget), at(effect.onto)] : [];
    if (!from || !to || from.empty) return;
    const swapped = holes.map((one) => ({
      ...(one === from ? to : one === to ? from : one),
      place: one.place,
    }));
    live.set({ holes: swapped, said: `${from.icon}: ${from.place} to ${to.place}` });
  });
};
