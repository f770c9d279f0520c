export { EditError, changeAnchor, referenceScreen, suggestAnchor } from './anchor.ts';
export type { AnchorAdvice } from './anchor.ts';
