import type { WidgetSource } from 'pimbot';
import { plate, view, type Defect } from '../sample.ts';

const button = (id: string): WidgetSource => ({ id, kind: 'button', style: 'entry', size: [180, 66] });
const group = (children: readonly WidgetSource[], selection: string): WidgetSource => ({
  id: 'w',
  kind: 'radiogroup',
  gap: 12,
  selection,
  children,
});
const chosenEntries = {
  styles: {
    entry: {
      background: '#0d4452',
      states: { selected: { background: '#1d7f8c' }, focused: { border: '4 #ffffff' } },
    },
  },
} as const;

/** Mistakes of what one of several is chosen by. */
export const chosen: readonly Defect[] = [
  {
    name: 'a page that a value does not name',
    check: 'missing-page',
    widget: 'w',
    make: (place) => {
      const pages = (page: string) =>
        view(
          [
            place({
              id: 'w',
              size: [300, 200],
              arrange: 'pages',
              page: '{page}',
              children: [
                { id: 'one', look: plate },
                { id: 'two', look: plate },
              ],
            }),
          ],
          { cases: { typical: { page } } },
        );
      return { clean: pages('two'), broken: pages('tree') };
    },
  },
  {
    name: 'an entry that a value does not name',
    check: 'missing-page',
    widget: 'w',
    make: (place) => {
      const chosen = (name: string) =>
        view([place(group([button('low'), button('high')], '{chosen}'))], {
          ...chosenEntries,
          cases: { typical: { chosen: name } },
        });
      return { clean: chosen('high'), broken: chosen('hihg') };
    },
  },
  {
    name: 'a second radio button in the state selected',
    check: 'two-chosen',
    widget: 'w',
    make: (place, nth) => {
      const [low, high] = [button('low'), button('high')];
      const clean = [low, high, button('full')];
      const broken = clean.map((one, at) =>
        at === 1 + (nth % 2) ? { ...one, states: 'selected' as const } : one,
      );
      return {
        clean: view([place(group(clean, 'low'))], chosenEntries),
        broken: view([place(group(broken, 'low'))], chosenEntries),
      };
    },
  },
];
