/* A document that somebody works on: views laid out, drawn, explained and changed, as plain data for a page or an editor. */
export { addressOf, placeOf } from './address.ts';
export type { Place } from './address.ts';
export { foldScreens } from './alike.ts';
export type { Fold } from './alike.ts';
export { closeUpOf, findingTold, sizesOn } from './close-up.ts';
export type { CloseUp, LookRow, SizeOn, ToldAt } from './close-up.ts';
export { Desk, snapOn } from './desk.ts';
export type { OnDesk } from './desk.ts';
export { colorTokens, fieldOf, inspect } from './inspector.ts';
export type { Field, InspectorRow } from './inspector.ts';
export { outlineOf } from './outline.ts';
export type { Outline, OutlineRow } from './outline.ts';
export { completionsAt, namesIn } from './language/complete.ts';
export type { Completion, Completions, Names } from './language/complete.ts';
export { contextAt } from './language/context.ts';
export type { TextContext } from './language/context.ts';
export { definitionAt, hoverAt } from './language/places.ts';
export type { WrittenAt } from './language/places.ts';
