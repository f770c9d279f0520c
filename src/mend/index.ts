/* A finding in; a change of the document out that was tried and breaks nothing. */
export { changeFor, suggestFor } from './suggest.ts';
export type { Suggestion, TriedChange } from './suggest.ts';
export type { Looked } from './trial.ts';
export type { TriedBefore } from './tried-before.ts';
export { mend } from './mend.ts';
export type { Mended } from './mend.ts';
export { TryBudget } from './budget.ts';
