import type { Screen } from '../screen/index.ts';
import { placesKey, type View } from '../view/index.ts';

/** Screens on which a view is laid out alike: the same surface in u, with the same insets and conditions. */
export interface Fold {
  /** The first of them, which stands for all. */
  readonly screen: Screen;
  readonly others: readonly Screen[];
}

/** Puts screens together on which a view has the same places in u; one group for each, in the order they come. */
export function foldScreens(view: View, screens: readonly Screen[]): Fold[] {
  const groups = new Map<string, { screen: Screen; others: Screen[] }>();
  for (const screen of screens) {
    const key = `${screen.group} ${placesKey(view, screen)}`;
    const known = groups.get(key);
    if (known) known.others.push(screen);
    else groups.set(key, { screen, others: [] });
  }
  return [...groups.values()];
}
