import type { Direction } from '../document/index.ts';
import type { ValueOfCase } from '../skeleton/index.ts';

/* What a host tells a view, and what comes of it. Places are device px, times milliseconds. */

export type PointerDevice = 'mouse' | 'pen' | 'touch';

/** What a host tells of a pointer. */
export interface PointerEvent {
  /** `cancel`: the system has taken it away. `out`: it has left the view. */
  readonly type: 'move' | 'down' | 'up' | 'cancel' | 'out';
  /** Which pointer: each finger has a number of its own. */
  readonly pointer: number;
  readonly device: PointerDevice;
  readonly x: number;
  readonly y: number;
}

/** A wheel was turned, or two fingers moved on a pad: by so many device px, as the wheel events of DOM count them. */
export interface WheelEvent {
  readonly type: 'wheel';
  readonly x: number;
  readonly y: number;
  readonly deltaX: number;
  readonly deltaY: number;
}

/** A key went down or up: its `key` as UI Events names it, the letter it types or a name such as `ArrowUp`. */
export interface KeyEvent {
  readonly type: 'key-down' | 'key-up';
  readonly key: string;
  readonly shift?: boolean;
  /** Ctrl, or the command key where that takes its place. */
  readonly ctrl?: boolean;
  /** The system repeats a key that is held. */
  readonly repeat?: boolean;
}

/** A button of a pad went down or up: its place in the standard mapping of the Gamepad standard. */
export interface PadEvent {
  readonly type: 'pad-down' | 'pad-up';
  readonly button: number;
}

/** Where a stick of a pad is: −1 to 1, right and down are above 0. */
export interface StickEvent {
  readonly type: 'stick';
  readonly stick: 'left' | 'right';
  readonly x: number;
  readonly y: number;
}

/** Text for the textbox that has the focus: typed through an input method, or pasted. */
export interface TextEvent {
  readonly type: 'text';
  readonly text: string;
}

/** Time has gone by. */
export interface TimeEvent {
  readonly type: 'time';
  readonly ms: number;
}

export type InputEvent = PointerEvent | WheelEvent | KeyEvent | PadEvent | StickEvent | TextEvent | TimeEvent;

/** What a player used last. */
export type Device = 'mouse' | 'touch' | 'keys' | 'pad';

/** A control and a pointer; for keys and pads the pointer is undefined. */
interface OnControl {
  readonly control: string;
  readonly pointer: number | undefined;
}

/** What pointers, keys and pads do to a control. */
export interface PressEffect extends OnControl {
  /** `refused`: a disabled control was pressed. `long-press`: it was held for half a second. */
  readonly type:
    'enter' | 'leave' | 'press' | 'release' | 'click' | 'double-click' | 'long-press' | 'refused';
}

/** What is dragged, by how much since it was taken hold of, in device px. */
export interface DragEffect {
  readonly type: 'drag-start' | 'drag' | 'drag-end';
  readonly widget: string;
  readonly pointer: number;
  readonly x: number;
  readonly y: number;
  readonly byX: number;
  readonly byY: number;
}

/** What was dragged is let go over another widget that takes it. */
export interface DropEffect {
  readonly type: 'drop';
  readonly widget: string;
  readonly onto: string;
}

/** A player has changed what a control stands for. */
export interface ChangeEffect {
  readonly type: 'change';
  readonly control: string;
  readonly key: 'value' | 'checked' | 'page' | 'selection' | 'text' | 'visible';
  readonly value: string | number | boolean;
  /** The value of the case it is bound to; undefined where it is bound to none, and the game alone can follow it. */
  readonly to: ValueOfCase | undefined;
}

export type FocusEffect =
  | { readonly type: 'focus'; readonly control: string | undefined; readonly from: string | undefined }
  /** No control lies there, or no more of it. */
  | { readonly type: 'stopped'; readonly control: string; readonly direction: Direction }
  /** Somebody wants out of a dialog or scope; of the view where there is none. */
  | { readonly type: 'back'; readonly scope: string | undefined };

export type InputEffect =
  | PressEffect
  | DragEffect
  | DropEffect
  | ChangeEffect
  | FocusEffect
  /** A pointer, or the focus that is shown, has stayed on a control for half a second: where the pointer is, in device px. */
  | {
      readonly type: 'rest';
      readonly control: string;
      readonly at: { readonly x: number; readonly y: number } | undefined;
    }
  | { readonly type: 'rest-end'; readonly control: string }
  /** Enter in a textbox. */
  | { readonly type: 'submit'; readonly control: string }
  /** What is to be put into the system's clipboard. */
  | { readonly type: 'copy'; readonly text: string }
  /** A widget is scrolled elsewhere: how far now, in u. */
  | { readonly type: 'scroll'; readonly widget: string; readonly x: number; readonly y: number }
  | { readonly type: 'device'; readonly device: Device };
