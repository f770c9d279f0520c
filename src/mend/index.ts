/* A finding in; a change of the document out that was tried and breaks nothing. */
export { suggestFor } from './suggest.ts';
export type { Suggestion } from './suggest.ts';
export { mend } from './mend.ts';
export type { Mended } from './mend.ts';
export { TryBudget } from './budget.ts';
