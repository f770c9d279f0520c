/* A document and a wish in; its text changed out, with every comment and all formatting kept. */
export { changeAnchor, putAnchor, suggestAnchor } from './anchor.ts';
export type { AnchorAdvice } from './anchor.ts';
export { instanceChanges, resetInstance } from './changes.ts';
export type { InstanceChange } from './changes.ts';
export { dissolveWidget } from './dissolve.ts';
export { EditError } from './edit-error.ts';
export { DocumentText } from './document-text.ts';
export { DocumentDraft } from './document-draft.ts';
export type { Editing } from './editing.ts';
export { farthest, movesBetween, readChanged, rearranged } from './moves.ts';
export type { Move } from './moves.ts';
export { changeLengths } from './shares.ts';
export { asBefore } from './place.ts';
export { referenceScreen } from './standing.ts';
export { wrapWidgets } from './wrap.ts';
export type { WrapOptions } from './wrap.ts';
