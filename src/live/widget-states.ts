import type { State } from '../document/index.ts';

const noStates: readonly State[] = [];

/** Who puts widgets into states: a game, or the pointers and keys of its players. Neither takes the other's away. */
export type StatesBy = 'game' | 'input';

/** The states that widgets were put into beside those the document says, by id. */
export class WidgetStates {
  /** Those of both together. */
  readonly all: Map<string, readonly State[]>;
  readonly #of: { readonly [By in StatesBy]: Map<string, readonly State[]> };

  constructor(byGame: ReadonlyMap<string, readonly State[]> | undefined) {
    this.all = new Map(byGame);
    this.#of = { game: new Map(byGame), input: new Map() };
  }

  /** Gives whether a widget is in other states than before. */
  put(id: string, states: readonly State[], by: StatesBy): boolean {
    const { game, input } = this.#of;
    this.#of[by].set(id, [...states]);
    const all = [...new Set([...(game.get(id) ?? noStates), ...(input.get(id) ?? noStates)])];
    const before = this.all.get(id) ?? noStates;
    if (before.length === all.length && before.every((state, at) => state === all[at])) return false;
    this.all.set(id, all);
    return true;
  }

  /** Forgets those of widgets that there are no more. */
  keep(isKept: (id: string) => boolean): void {
    for (const states of [this.all, this.#of.game, this.#of.input])
      for (const id of states.keys()) if (!isKept(id)) states.delete(id);
  }
}
