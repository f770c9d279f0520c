import type { InputEffect } from './events.ts';

/** So long, in ms, a pointer or the focus stays on a control before it rests there. */
export const restsAfter = 500;

/** Who rests on a control: for tooltips. */
export class Resting {
  #control: string | undefined;
  #since = 0;
  #isTold = false;
  /** A control that was pressed is not told of again until it is left. */
  #isDone = false;

  /** @param control What a pointer hovers, or has the focus that is shown. @param place Where the pointer is, in device px. */
  follow(
    control: string | undefined,
    now: number,
    place: { readonly x: number; readonly y: number } | undefined,
    effects: InputEffect[],
  ): void {
    if (control !== this.#control) {
      this.end(effects);
      this.#control = control;
      this.#since = now;
      this.#isDone = false;
      return;
    }
    if (control === undefined || this.#isTold || this.#isDone || now - this.#since < restsAfter) return;
    this.#isTold = true;
    effects.push({ type: 'rest', control, at: place && { x: place.x, y: place.y } });
  }

  /** It is pressed, scrolled or left. */
  end(effects: InputEffect[]): void {
    if (this.#isTold) effects.push({ type: 'rest-end', control: this.#control! });
    this.#isTold = false;
    this.#isDone = true;
  }
}
