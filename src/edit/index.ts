export { EditError, changeAnchor, referenceScreen, suggestAnchor } from './anchor.ts';
export type { AnchorAdvice } from './anchor.ts';
export { instanceChanges, resetInstance } from './changes.ts';
export type { InstanceChange } from './changes.ts';
export { changeLengths } from './shares.ts';
