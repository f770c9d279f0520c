/*
 * How a scrolled widget moves along one axis: held by a drag, by momentum, back from past its end, or to a place. Pure; lengths are
 * u, times ms. The equations are solved, not stepped: the same time in other portions comes to the same place but for rounding.
 */

/** Momentum is down to 1/e after so long. */
export const glideTime = 325;
/** What is pulled past an end goes back with critical damping of this time constant. */
export const springTime = 90;
/** A way to a place is down to 1/e after so long. */
export const approachTime = 70;
/** Of what is pulled past an end, so much is seen. */
const pullShare = 0.5;
/** Slower than this, in u/ms, and nearer than this, in u, is at rest. */
const stillSpeed = 0.02;
const stillNear = 0.2;

export interface AxisMotion {
  /** Within what there is to scroll. */
  readonly at: number;
  /** Pulled past an end: below 0 before the start. */
  readonly past: number;
  readonly speed: number;
  /** Where it is going; undefined where it is going nowhere. */
  readonly to: number | undefined;
  readonly isHeld: boolean;
  /** The way to `to` is down to 1/e after so many ms. */
  readonly pace: number;
}

export function restingAt(at: number): AxisMotion {
  return { at, past: 0, speed: 0, to: undefined, isHeld: false, pace: approachTime };
}

export function isResting({ past, speed, to, isHeld }: AxisMotion): boolean {
  return past === 0 && speed === 0 && to === undefined && !isHeld;
}

/** A place as far from its start as a drag has come. @param from Where it was when the drag began, past an end included. */
export function draggedTo(from: number, by: number, range: number): AxisMotion {
  const wanted = from - by;
  const at = Math.min(range, Math.max(0, wanted));
  return { at, past: (wanted - at) * pullShare, speed: 0, to: undefined, isHeld: true, pace: approachTime };
}

/** Where a drag that takes hold of it counts from. */
export function heldFrom({ at, past }: AxisMotion): number {
  return at + past / pullShare;
}

/** Let go with a speed. */
export function letGoWith(before: AxisMotion, speed: number): AxisMotion {
  return { ...before, speed: before.past === 0 ? speed : 0, isHeld: false };
}

/** Where momentum would bring it. */
export function endOfGlide({ at }: AxisMotion, speed: number, range: number): number {
  return Math.min(range, Math.max(0, at + speed * glideTime));
}

/** On its way to a place. @param pace The time constant: that of momentum for what glides there. */
export function goingTo(before: AxisMotion, to: number, range: number, pace = approachTime): AxisMotion {
  const end = Math.min(range, Math.max(0, to));
  return { ...before, speed: 0, past: 0, isHeld: false, to: end === before.at ? undefined : end, pace };
}

/** The same after some time. @param range What there is to scroll now. */
export function movedLater(before: AxisMotion, ms: number, range: number): AxisMotion {
  if (before.isHeld) return before;
  if (before.to !== undefined) {
    const to = Math.min(range, before.to);
    const at = to + (before.at - to) * Math.exp(-ms / before.pace);
    return Math.abs(to - at) < stillNear ? restingAt(to) : { ...before, at, to };
  }
  let { at, past, speed } = before;
  let left = ms;
  if (at > range) at = range;
  if (past === 0 && speed !== 0) {
    const end = speed > 0 ? range : 0;
    const way = (end - at) / (speed * glideTime);
    // Momentum comes so far in all: an end beyond that is never reached.
    const hitsAfter = way < 1 ? -glideTime * Math.log(1 - way) : Infinity;
    if (hitsAfter > left) {
      const part = Math.exp(-left / glideTime);
      at += speed * glideTime * (1 - part);
      speed *= part;
      return Math.abs(speed) < stillSpeed ? restingAt(at) : { ...before, at, speed };
    }
    speed *= Math.exp(-hitsAfter / glideTime);
    at = end;
    left -= hitsAfter;
  }
  if (past === 0 && speed === 0) return at === before.at ? before : restingAt(at);
  const part = Math.exp(-left / springTime);
  const slope = speed + past / springTime;
  past = (past + slope * left) * part;
  speed = slope * part - past / springTime;
  return Math.abs(past) < stillNear && Math.abs(speed) < stillSpeed
    ? restingAt(at)
    : { ...before, at, past, speed };
}
