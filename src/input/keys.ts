import type { Direction } from '../document/index.ts';
import type { KeyEvent } from './events.ts';
import { axisAlong, isForward } from './focus/toward.ts';
import type { SliderStep } from './slider.ts';

/** What a key or a button of a pad asks of the control that has the focus, or of the view. */
export type Act =
  | { readonly type: 'toward'; readonly direction: Direction }
  | { readonly type: 'next' | 'previous' }
  | { readonly type: 'back' }
  /** `isHeld`: pressed until it is let go, and clicked then; else clicked at once. */
  | { readonly type: 'press'; readonly isHeld: boolean }
  | { readonly type: 'slide'; readonly by: SliderStep }
  /** To another tab beside the one that is shown. */
  | { readonly type: 'tab'; readonly to: 'next' | 'previous' | 'first' | 'last' }
  | { readonly type: 'scroll'; readonly direction: Direction; readonly by: 'page' | 'end' };

const arrows: { readonly [key: string]: Direction } = {
  ArrowUp: 'nav-up',
  ArrowRight: 'nav-right',
  ArrowDown: 'nav-down',
  ArrowLeft: 'nav-left',
};

/** What the control that has the focus is, for keys. */
export interface KeyTarget {
  readonly rightToLeft: boolean;
  /** The axis along which arrows move its value: a slider, a divider; undefined where they do not. */
  readonly slides: 'x' | 'y' | undefined;
  /**
   * The axes along which arrows choose another of what it is one of: tabs, radio buttons, options; `around`: what lies in a direction
   * is chosen. Undefined where it is none.
   */
  readonly choice: 'x' | 'y' | 'both' | 'around' | undefined;
}

/** What a key asks for: the tables of the ARIA Authoring Practices, with arrows that move the focus where a control has no use for them. */
export function actOfKey({ key, shift, repeat }: KeyEvent, target: KeyTarget): Act | undefined {
  const direction = arrows[key];
  if (direction !== undefined) return actOfDirection(direction, target);
  const { slides, choice } = target;
  switch (key) {
    case 'Tab':
      return { type: shift === true ? 'previous' : 'next' };
    case 'Escape':
      return { type: 'back' };
    case 'Enter':
      return repeat === true ? undefined : { type: 'press', isHeld: false };
    case ' ':
      return repeat === true ? undefined : { type: 'press', isHeld: true };
    case 'Home':
    case 'End': {
      const isEnd = key === 'End';
      if (slides) return { type: 'slide', by: isEnd ? 'most' : 'least' };
      if (choice !== undefined) return { type: 'tab', to: isEnd ? 'last' : 'first' };
      return { type: 'scroll', direction: isEnd ? 'nav-down' : 'nav-up', by: 'end' };
    }
    case 'PageUp':
    case 'PageDown': {
      const isDown = key === 'PageDown';
      if (slides) return { type: 'slide', by: isDown ? 'page-less' : 'page-more' };
      return { type: 'scroll', direction: isDown ? 'nav-down' : 'nav-up', by: 'page' };
    }
    default:
      return undefined;
  }
}

/** What an arrow key, a pad or a stick asks for. */
export function actOfDirection(direction: Direction, { slides, rightToLeft, choice }: KeyTarget): Act {
  const axis = axisAlong(direction);
  const isAcross = axis === 'x';
  const isOnward = isForward(direction) !== (isAcross && rightToLeft);
  if (slides === axis) return { type: 'slide', by: isOnward ? 'more' : 'less' };
  if (choice === 'both' || choice === axis) return { type: 'tab', to: isOnward ? 'next' : 'previous' };
  return { type: 'toward', direction };
}

const padDirections: { readonly [button: number]: Direction } = {
  12: 'nav-up',
  13: 'nav-down',
  14: 'nav-left',
  15: 'nav-right',
};

/** The direction a button of a pad stands for (Gamepad, standard mapping). */
export function directionOfPad(button: number): Direction | undefined {
  return padDirections[button];
}

/** What a button of a pad asks for beside directions: the lower one presses, the right one goes back, the upper shoulders turn tabs. */
export function actOfPad(button: number): Act | undefined {
  switch (button) {
    case 0:
      return { type: 'press', isHeld: false };
    case 1:
      return { type: 'back' };
    case 4:
      return { type: 'tab', to: 'previous' };
    case 5:
      return { type: 'tab', to: 'next' };
    default:
      return undefined;
  }
}
