import { popupPlace } from 'pimbot';
import type { Page } from '../page.ts';

const rect = () => ({ x: 0, y: 0, width: 0, height: 0 });

/** A tooltip beside what somebody rests on, inside of the screen wherever that is. */
export const lockers: Page = ({ live, input }) => {
  input.listen('', (effect) => {
    if (effect.type === 'rest-end') live.set({ 'shows-tip': false });
    if (effect.type !== 'rest') return;
    live.set({ 'tip': `In ${effect.control}: dry down to eleven thousand metres`, 'shows-tip': true });
    const { screen, scale } = live.frame;
    const anchor = effect.at
      ? { ...effect.at, width: 1, height: 24 * scale }
      : live.read(effect.control, rect());
    const within = { x: 0, y: 0, width: screen.width, height: screen.height };
    const { x, y } = popupPlace(anchor, live.read('tip', rect()), { side: 'bottom', gap: 8 * scale, within });
    live.set({ 'tip-x': x / scale, 'tip-y': y / scale });
  });
};
