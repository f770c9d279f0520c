/* A live view and what pointers do in; what lies under them, what they do to which control, and the states it is shown in out. */
export { Hits } from './hits.ts';
export type { Hit } from './hits.ts';
export { noPointers, pointerAfter, pointerStates } from './pointer.ts';
export type { PointerEffect, PointerEvent, PointerState } from './pointer.ts';
export { PointerInput } from './pointer-input.ts';
export { FocusField } from './focus/field.ts';
export type { FocusGround, Remembered } from './focus/field.ts';
export { focusGround } from './focus/ground.ts';
export type { LaidGround } from './focus/ground.ts';
export { focusAfter, noFocus } from './focus/focus.ts';
export type { EnteredScope, FocusCommand, FocusEffect, FocusState, FocusStep } from './focus/focus.ts';
export { oppositeOf } from './focus/toward.ts';
