/* A view and what a game does to it in; the same view kept up to date out, and what of it has changed. */
export { LiveView } from './live-view.ts';
export type { LiveNow, AnyValues, LiveOccasion, MutableRect } from './live-view.ts';
export type { LiveNode, Offset } from './node.ts';
export { MarkerPlaces, markerHidden, markerInside, markerOnEdge, placeMarkers } from './markers.ts';
export type { MarkerRules, Things } from './markers.ts';
export { emptySlot, newlyShown, slotAfter } from './message-slot.ts';
export type { Message, Shown, SlotEvent, SlotRules, SlotState } from './message-slot.ts';
