import type { State } from '../document/index.ts';
import type { DragEffect, PointerDevice, PointerEvent, PressEffect } from './events.ts';
import type { Hit } from './hits.ts';

/* What pointers do to a view. Pure: the same events over the same widgets give the same states on every machine. */

/** A pointer that has moved further than this since it went down drags, in device px. */
export const dragFrom: { readonly [Name in PointerDevice]: number } = { mouse: 4, pen: 6, touch: 10 };
/** Held for so long, in ms, without being moved: a long press. */
export const longPressAfter = 500;
/** Two clicks within this time, in ms, and this way, in device px, are a double click. */
export const doubleClickWithin = 500;
const doubleClickNear = 24;

/** Where and when a pointer went down. */
interface Down {
  readonly x: number;
  readonly y: number;
  readonly at: number;
  /** What takes a drag from there; undefined where nothing does. */
  readonly grip: string | undefined;
}

/** A pointer that is somewhere. */
export interface PointerAt {
  readonly pointer: number;
  readonly device: PointerDevice;
  /** The control it is over. */
  readonly over: string | undefined;
  /** The control it went down on, until it is let go or dragged away. */
  readonly held: string | undefined;
  readonly down: Down | undefined;
  /** Whether it was told that it is held for long. */
  readonly isLong: boolean;
  /** Whether what takes the drag is dragged. */
  readonly isDragging: boolean;
}

export interface PointerState {
  readonly pointers: readonly PointerAt[];
  readonly lastClick:
    { readonly control: string; readonly at: number; readonly x: number; readonly y: number } | undefined;
}

export const noPointers: PointerState = { pointers: [], lastClick: undefined };

export type PointerOutcome = PressEffect | DragEffect;

export interface PointerStep {
  readonly state: PointerState;
  readonly effects: readonly PointerOutcome[];
}

/** Whether an event leaves pointers as they are: one that holds nothing moves over what it was over. */
export function changesNothing(
  { pointers }: PointerState,
  { type, pointer }: PointerEvent,
  hit: Hit | undefined,
): boolean {
  if (type !== 'move') return false;
  const under = hit?.isDisabled ? undefined : hit?.control;
  for (const one of pointers)
    if (one.pointer === pointer) return one.over === under && one.down === undefined;
  return false;
}

/** Whether any pointer holds something, and may hold it for long. */
export function holdsAny({ pointers }: PointerState): boolean {
  for (const { held } of pointers) if (held !== undefined) return true;
  return false;
}

/** A pointer that may hover: no finger, and none that is down. */
export function hovering({ pointers }: PointerState): PointerAt | undefined {
  for (const one of pointers) if (one.device !== 'touch' && one.down === undefined) return one;
  return undefined;
}

/**
 * What becomes of pointers by an event.
 * @param hit What lies under the event; undefined where nothing takes input.
 * @param now The time, in ms.
 */
export function pointerAfter(
  state: PointerState,
  event: PointerEvent,
  hit: Hit | undefined,
  now: number,
): PointerStep {
  const { type, pointer, device, x, y } = event;
  const before = state.pointers.find((one) => one.pointer === pointer);
  const isGone = type === 'cancel' || type === 'out';
  const under = isGone || hit?.isDisabled ? undefined : hit?.control;
  const effects: PointerOutcome[] = [];
  const tell = (what: PressEffect['type'], control: string) => effects.push({ type: what, control, pointer });
  let { held, down, isDragging, isLong } = before ?? nothingHeld;
  let { lastClick } = state;
  if (before?.over !== under) {
    if (before?.over !== undefined) tell('leave', before.over);
    if (under !== undefined) tell('enter', under);
  }
  const drag = (what: DragEffect['type']) => {
    if (down?.grip === undefined) return;
    effects.push({ type: what, widget: down.grip, pointer, x, y, byX: x - down.x, byY: y - down.y });
  };
  if (down && type === 'move') {
    if (!isDragging && down.grip !== undefined && Math.hypot(x - down.x, y - down.y) >= dragFrom[device]) {
      isDragging = true;
      // What is dragged is not clicked.
      if (held !== undefined && held !== down.grip) {
        tell('release', held);
        held = undefined;
      }
      drag('drag-start');
    } else if (isDragging) drag('drag');
  }
  // Another button of a mouse that holds something already presses nothing.
  if (type === 'down' && down === undefined) {
    if (hit?.control !== undefined && hit.isDisabled) tell('refused', hit.control);
    if (under !== undefined) tell('press', under);
    held = under;
    isLong = false;
    down = { x, y, at: now, grip: hit?.isDisabled ? undefined : hit?.grip };
  } else if (down && (type === 'up' || isGone)) {
    if (isDragging) drag('drag-end');
    if (held !== undefined) {
      tell('release', held);
      // Pressed on one and let go elsewhere is no click.
      if (type === 'up' && under === held) {
        tell('click', held);
        const isSecond =
          lastClick?.control === held &&
          now - lastClick.at <= doubleClickWithin &&
          Math.hypot(x - lastClick.x, y - lastClick.y) <= doubleClickNear;
        if (isSecond) tell('double-click', held);
        lastClick = isSecond ? undefined : { control: held, at: now, x, y };
      }
    }
    held = undefined;
    down = undefined;
    isDragging = false;
  }
  // A finger that is lifted is nowhere any more.
  const isThere = !isGone && !(type === 'up' && device === 'touch');
  if (!isThere && !isGone && under !== undefined) tell('leave', under);
  const others = state.pointers.filter((one) => one.pointer !== pointer);
  const pointers = isThere
    ? [...others, { pointer, device, over: under, held, down, isDragging, isLong }]
    : others;
  return { state: { pointers, lastClick }, effects };
}

/** What becomes of pointers by time alone: what is held for long is told once. A click follows unless somebody lets go of it. */
export function pointersLater(state: PointerState, now: number): PointerStep {
  const isLong = ({ held, over, down, isDragging, isLong: isTold }: PointerAt) =>
    held !== undefined &&
    held === over &&
    down !== undefined &&
    !isDragging &&
    !isTold &&
    now - down.at >= longPressAfter;
  if (!state.pointers.some(isLong)) return { state, effects: noEffects };
  const effects: PointerOutcome[] = [];
  const pointers = state.pointers.map((one) => {
    if (!isLong(one)) return one;
    effects.push({ type: 'long-press', control: one.held!, pointer: one.pointer });
    return { ...one, isLong: true };
  });
  return { state: { ...state, pointers }, effects };
}

/** Lets go of what pointers hold, without a click: of one control, or of all that is gone. */
export function letGo(state: PointerState, isGone: (control: string) => boolean): PointerStep {
  const effects: PointerOutcome[] = [];
  let isOther = false;
  const pointers = state.pointers.map((one) => {
    const { pointer, held, over } = one;
    const losesHeld = held !== undefined && isGone(held);
    const losesOver = over !== undefined && isGone(over);
    if (losesOver) effects.push({ type: 'leave', control: over, pointer });
    if (losesHeld) effects.push({ type: 'release', control: held, pointer });
    if (!losesHeld && !losesOver) return one;
    isOther = true;
    return { ...one, ...(losesHeld && { held: undefined }), ...(losesOver && { over: undefined }) };
  });
  return isOther ? { state: { ...state, pointers }, effects } : { state, effects };
}

const noEffects: readonly PointerOutcome[] = [];
const nothingHeld = { held: undefined, down: undefined, isDragging: false, isLong: false };

/** The states that pointers put controls into: a finger does not hover, and what is held is pressed while the pointer is on it. */
export function pointerStates({ pointers }: PointerState): ReadonlyMap<string, readonly State[]> {
  const found = new Map<string, Set<State>>();
  const add = (control: string, one: State) => {
    const known = found.get(control);
    if (known) known.add(one);
    else found.set(control, new Set([one]));
  };
  for (const { device, over, held, isDragging } of pointers) {
    // What is dragged stays pressed wherever the pointer is.
    if (held !== undefined && isDragging) add(held, 'pressed');
    if (over === undefined) continue;
    // What is held elsewhere keeps the hover to itself.
    if (device !== 'touch' && (held === undefined || held === over)) add(over, 'hover');
    if (held === over) add(over, 'pressed');
  }
  return new Map([...found].map(([control, states]) => [control, [...states].sort()]));
}
