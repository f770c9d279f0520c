/* A live view and what pointers do in; what lies under them, what they do to which control, and the states it is shown in out. */
export { Hits } from './hits.ts';
export type { Hit } from './hits.ts';
export { noPointers, pointerAfter, pointerStates } from './pointer.ts';
export type { PointerEffect, PointerEvent, PointerState } from './pointer.ts';
export { PointerInput } from './pointer-input.ts';
