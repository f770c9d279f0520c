export { suggestFor } from './suggest.ts';
export type { Suggestion } from './suggest.ts';
export { mend } from './mend.ts';
export type { Mended } from './mend.ts';
