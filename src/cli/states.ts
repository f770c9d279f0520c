import { states, type State } from '../document/index.ts';
import { UsageError } from './io.ts';

/** States of widgets, each said as `WIDGET=STATE`. @throws UsageError */
export function statesFrom(said: readonly string[]): Record<string, State[]> {
  const found: Record<string, State[]> = {};
  for (const one of said) {
    const at = one.lastIndexOf('=');
    const state = states.find((name) => name === one.slice(at + 1));
    if (at <= 0 || !state)
      throw new UsageError(`"${one}" is no WIDGET=STATE; the states are ${states.join(', ')}`);
    (found[one.slice(0, at)] ??= []).push(state);
  }
  return found;
}
