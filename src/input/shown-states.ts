import type { State } from '../document/index.ts';
import type { LiveView } from '../live/index.ts';
import type { FocusInput } from './focus-input.ts';
import { noPointers, pointerStates, type PointerState } from './pointer.ts';

/** Puts controls into the states that pointers, keys and the focus have them in. */
export class ShownStates {
  readonly #live: LiveView;
  /** Controls that were put into states. */
  #shown = new Map<string, readonly State[]>();
  /** What they were put into them for. */
  #pointers: PointerState = noPointers;
  #pressed: string | undefined;
  #focused: string | undefined;
  #isShown = false;

  constructor(live: LiveView) {
    this.#live = live;
  }

  /** @param pressed The control that a key or a pad presses. */
  show(pointers: PointerState, pressed: string | undefined, { focused, isShown }: FocusInput): void {
    const isSame = pointers === this.#pointers && pressed === this.#pressed;
    if (isSame && focused === this.#focused && isShown === this.#isShown) return;
    this.#pointers = pointers;
    this.#pressed = pressed;
    this.#focused = focused;
    this.#isShown = isShown;
    this.#put(pointers, pressed, focused, isShown);
  }

  #put(
    pointers: PointerState,
    pressed: string | undefined,
    focused: string | undefined,
    isShown: boolean,
  ): void {
    const states = new Map<string, State[]>();
    const add = (control: string, state: State) => {
      const known = states.get(control);
      if (!known) states.set(control, [state]);
      else if (!known.includes(state)) known.push(state);
    };
    for (const [control, list] of pointerStates(pointers))
      for (const state of list) if (!isShown || state !== 'hover') add(control, state);
    if (pressed !== undefined) add(pressed, 'pressed');
    // A textbox shows that it has the focus whatever device gave it.
    if (focused !== undefined && (isShown || this.#live.nodeOf(focused)?.widget.kind === 'textbox'))
      add(focused, 'focused');
    for (const [control, list] of states) {
      list.sort();
      this.#live.setStates(control, list, 'input');
    }
    for (const control of this.#shown.keys())
      if (!states.has(control)) this.#live.setStates(control, noStates, 'input');
    this.#shown = states;
  }
}

const noStates: readonly State[] = [];
