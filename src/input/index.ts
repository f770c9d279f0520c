/* A live view and what players do in; what lies under pointers, where the focus is, what controls change, and the states they are shown in out. */
export { Hits } from './hits.ts';
export type { Hit } from './hits.ts';
export type {
  ChangeEffect,
  Device,
  DragEffect,
  FocusEffect,
  InputEffect,
  InputEvent,
  KeyEvent,
  PadEvent,
  PointerEvent,
  PressEffect,
  StickEvent,
  WheelEvent,
} from './events.ts';
export { FocusField } from './focus/field.ts';
export type { FocusGround, Remembered } from './focus/field.ts';
export { focusGround } from './focus/ground.ts';
export type { LaidGround } from './focus/ground.ts';
export { focusAfter, noFocus } from './focus/focus.ts';
export type { EnteredScope, FocusCommand, FocusState, FocusStep } from './focus/focus.ts';
export { oppositeOf } from './focus/toward.ts';
export { ViewInput } from './view-input.ts';
export type { Listener } from './listening.ts';
export type { ViewInputOptions } from './view-input.ts';
export { accessibleName } from './accessible.ts';
export type { AccessibleItem, Role } from './accessible.ts';
export { popupPlace } from './popup.ts';
export type { PopupPlace, PopupRules, PopupSide } from './popup.ts';
export { outward, tipOf, tipPlace } from './tips.ts';
export { listWindow } from './list-window.ts';
export type { ListWindow, LongList } from './list-window.ts';
