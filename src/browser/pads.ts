import type { InputEvent } from '../input/index.ts';

/** What is asked of a pad: a part of Gamepad. */
export interface PadState {
  readonly index: number;
  readonly mapping: string;
  readonly buttons: readonly { readonly pressed: boolean }[];
  readonly axes: readonly number[];
}

/** A stick has moved where it differs by more than this. */
const stickStep = 0.02;

/** Pads have no events: what they are is asked once a frame, and what has changed are events. */
export class Pads {
  readonly #known = new Map<number, { readonly buttons: boolean[]; readonly axes: number[] }>();

  /** @param pads As `navigator.getGamepads()` gives them; only those of the standard mapping are read. */
  events(pads: readonly (PadState | null)[]): InputEvent[] {
    const events: InputEvent[] = [];
    const there = new Set<number>();
    for (const pad of pads) {
      if (pad?.mapping !== 'standard') continue;
      there.add(pad.index);
      let known = this.#known.get(pad.index);
      if (!known) this.#known.set(pad.index, (known = { buttons: [], axes: [0, 0, 0, 0] }));
      this.#buttons(pad, known.buttons, events);
      this.#sticks(pad, known.axes, events);
    }
    // What was held on a pad that is gone is let go.
    for (const [index, { buttons }] of this.#known) {
      if (there.has(index)) continue;
      this.#known.delete(index);
      buttons.forEach((pressed, button) => {
        if (pressed) events.push({ type: 'pad-up', button });
      });
      for (const stick of ['left', 'right'] as const) events.push({ type: 'stick', stick, x: 0, y: 0 });
    }
    return events;
  }

  #buttons(pad: PadState, known: boolean[], events: InputEvent[]): void {
    pad.buttons.forEach(({ pressed }, button) => {
      if (pressed === (known[button] ?? false)) return;
      known[button] = pressed;
      events.push({ type: pressed ? 'pad-down' : 'pad-up', button });
    });
  }

  #sticks(pad: PadState, known: number[], events: InputEvent[]): void {
    for (const [at, stick] of [
      [0, 'left'],
      [2, 'right'],
    ] as const) {
      const [x = 0, y = 0] = [pad.axes[at], pad.axes[at + 1]];
      if (Math.hypot(x - known[at]!, y - known[at + 1]!) < stickStep) continue;
      known[at] = x;
      known[at + 1] = y;
      events.push({ type: 'stick', stick, x, y });
    }
  }
}
