import type { LiveView } from '../live/index.ts';
import { Hits, type Hit } from './hits.ts';
import {
  noPointers,
  pointerAfter,
  pointerStates,
  type PointerEffect,
  type PointerEvent,
  type PointerState,
} from './pointer.ts';

/** Pointers over a live view: says what they do to which control, and shows it in the looks of controls. */
export class PointerInput {
  readonly #live: LiveView;
  readonly #hits: Hits;
  #state: PointerState = noPointers;
  /** Controls that were put into states by it. */
  #shown = new Set<string>();

  constructor(live: LiveView) {
    this.#live = live;
    this.#hits = new Hits(live);
  }

  /** What lies under a point, in device px; undefined where nothing takes input, and the game may have it. */
  at(x: number, y: number): Hit | undefined {
    return this.#hits.at(x, y);
  }

  /** Takes an event in. @returns what it does, in order. */
  hear(event: PointerEvent): readonly PointerEffect[] {
    const { state, effects } = pointerAfter(this.#state, event, this.#hits.at(event.x, event.y));
    this.#state = state;
    const states = pointerStates(state);
    const shown = new Set<string>();
    for (const control of new Set([...this.#shown, ...states.keys()])) {
      const now = states.get(control) ?? [];
      this.#live.setStates(control, now, 'input');
      if (now.length > 0) shown.add(control);
    }
    this.#shown = shown;
    return effects;
  }
}
