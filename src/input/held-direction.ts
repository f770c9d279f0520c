import type { Direction } from '../document/index.ts';
import { axisAlong } from './focus/toward.ts';

/* A direction that is held on a pad repeats. Pure: time is handed in. */

/** How long a direction is held before it repeats, and how long after that again, in ms. */
export const repeatAfter = 400;
export const repeatEvery = 90;
/** A stick is held from here on, of 1 … */
const heldFrom = 0.5;
/** … and let go below this: in between it stays what it was. */
const heldDownTo = 0.35;
/** A stick between two directions stays with the one it was in until the other is so much further. */
const otherFrom = 1.25;

export interface HeldDirection {
  readonly direction: Direction;
  /** How long until it goes again, in ms. */
  readonly wait: number;
}

/** A direction is held from now on. */
export function newlyHeld(direction: Direction): HeldDirection {
  return { direction, wait: repeatAfter };
}

/** Time goes by. Gives how often it goes in that time; ten times at the most. */
export function heldOn(
  before: HeldDirection,
  ms: number,
): { readonly held: HeldDirection; readonly times: number } {
  let wait = before.wait - ms;
  let times = 0;
  while (wait <= 0 && times < 10) {
    wait += repeatEvery;
    times++;
  }
  return { held: { ...before, wait: Math.max(wait, 1) }, times };
}

/** The direction a stick is held in; undefined within its dead zone. @param before The one it was held in. */
export function stickDirection(x: number, y: number, before: Direction | undefined): Direction | undefined {
  const [across, down] = [Math.abs(x), Math.abs(y)];
  if (!(Math.max(across, down) >= (before === undefined ? heldFrom : heldDownTo))) return undefined;
  const isAcross =
    before === undefined
      ? across >= down
      : axisAlong(before) === 'x'
        ? down < across * otherFrom
        : across > down * otherFrom;
  if (isAcross) return x < 0 ? 'nav-left' : 'nav-right';
  return y < 0 ? 'nav-up' : 'nav-down';
}
