import { entryOf, pointerTo, states, type LookSource, type Origin, type State } from '../document/index.ts';
import { lookKeys } from './look.ts';
import type { Theme } from './theme.ts';

/** One place that says a value of a look. */
export interface LookPlace {
  readonly value: string | number;
  /** The style and state, or the widget itself. */
  readonly style: string | undefined;
  readonly state: State | undefined;
  readonly origin: Origin;
  readonly pointer: string;
}

/**
 * Every place that says a value of a look, in the order in which they are put on: the last wins, the others are
 * overridden. Keys that nothing says are left out.
 */
export function lookPlaces(
  theme: Theme,
  styles: readonly string[],
  inStates: readonly State[],
  widget: { readonly look: LookSource | undefined; readonly origin: Origin; readonly pointer: string },
): Map<keyof LookSource, LookPlace[]> {
  const found = new Map<keyof LookSource, LookPlace[]>();
  const add = (look: LookSource | undefined, place: Omit<LookPlace, 'value'>) => {
    for (const key of lookKeys) {
      const value = look && entryOf(look as Record<string, string | number>, key);
      if (value === undefined) continue;
      const pointer = pointerTo(place.pointer, key);
      // A style that is put on twice says a thing once: the last time.
      const all = (found.get(key) ?? []).filter(
        (one) => one.pointer !== pointer || one.origin !== place.origin,
      );
      all.push({ ...place, value, pointer });
      found.set(key, all);
    }
  };
  for (const name of styles)
    for (const { style, name: said, origin, pointer } of theme.chain(name))
      add(style, { style: said, state: undefined, origin, pointer });
  add(widget.look, { style: undefined, state: undefined, origin: widget.origin, pointer: widget.pointer });
  for (const state of states) {
    if (!inStates.includes(state)) continue;
    for (const name of styles)
      for (const { style, name: said, origin, pointer } of theme.chain(name))
        add(style.states?.[state], { style: said, state, origin, pointer: `${pointer}/states/${state}` });
  }
  return found;
}
