import type { State } from '../document/index.ts';
import type { Hit } from './hits.ts';

/* What pointers do to a view. Pure: the same events over the same widgets give the same states on every machine. */

/** What a host tells of a pointer; places are in device px. */
export interface PointerEvent {
  /** `cancel`: the system has taken it away. `out`: it has left the view. */
  readonly type: 'move' | 'down' | 'up' | 'cancel' | 'out';
  /** Which pointer: each finger has a number of its own. */
  readonly pointer: number;
  readonly device: 'mouse' | 'pen' | 'touch';
  readonly x: number;
  readonly y: number;
}

/** What has come of it, by the id of a control. */
export interface PointerEffect {
  /** `refused`: a disabled control was pressed. */
  readonly type: 'enter' | 'leave' | 'press' | 'release' | 'click' | 'refused';
  readonly control: string;
  readonly pointer: number;
}

/** A pointer that is somewhere. */
export interface PointerAt {
  readonly pointer: number;
  readonly device: PointerEvent['device'];
  /** The control it is over. */
  readonly over: string | undefined;
  /** The control it went down on, until it is let go. */
  readonly held: string | undefined;
}

export type PointerState = readonly PointerAt[];

export const noPointers: PointerState = [];

/**
 * What becomes of pointers by an event.
 * @param hit What lies under the event; undefined where nothing takes input.
 */
export function pointerAfter(
  state: PointerState,
  event: PointerEvent,
  hit: Hit | undefined,
): { readonly state: PointerState; readonly effects: readonly PointerEffect[] } {
  const { type, pointer, device } = event;
  const effects: PointerEffect[] = [];
  const tell = (what: PointerEffect['type'], control: string) =>
    effects.push({ type: what, control, pointer });
  const before = state.find((one) => one.pointer === pointer);
  const isGone = type === 'cancel' || type === 'out';
  const under = isGone || hit?.isDisabled ? undefined : hit?.control;
  let held = before?.held;
  if (before?.over !== under) {
    if (before?.over !== undefined) tell('leave', before.over);
    if (under !== undefined) tell('enter', under);
  }
  // Another button of a mouse that holds something already presses nothing.
  if (type === 'down' && held === undefined) {
    if (hit?.control !== undefined && hit.isDisabled) tell('refused', hit.control);
    if (under !== undefined) tell('press', under);
    held = under;
  } else if (held !== undefined && (type === 'up' || isGone)) {
    tell('release', held);
    // Pressed on one and let go elsewhere is no click.
    if (type === 'up' && under === held) tell('click', held);
    held = undefined;
  }
  // A finger that is lifted is nowhere any more.
  const isThere = !isGone && !(type === 'up' && device === 'touch');
  if (!isThere && !isGone && under !== undefined) tell('leave', under);
  const others = state.filter((one) => one.pointer !== pointer);
  return { state: isThere ? [...others, { pointer, device, over: under, held }] : others, effects };
}

/** The states that pointers put controls into: a finger does not hover, and what is held is pressed while the pointer is on it. */
export function pointerStates(state: PointerState): ReadonlyMap<string, readonly State[]> {
  const found = new Map<string, Set<State>>();
  const add = (control: string, one: State) => {
    const known = found.get(control);
    if (known) known.add(one);
    else found.set(control, new Set([one]));
  };
  for (const { device, over, held } of state) {
    if (over === undefined) continue;
    // What is held elsewhere keeps the hover to itself.
    if (device !== 'touch' && (held === undefined || held === over)) add(over, 'hover');
    if (held === over) add(over, 'pressed');
  }
  return new Map([...found].map(([control, states]) => [control, [...states].sort()]));
}
