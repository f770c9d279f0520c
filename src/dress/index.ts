/* A skeleton, a theme, a language, values and states in; a view with looks, words and measures out. */
export { bareKeys } from './bare-keys.ts';
export { boxIn, dress, dressOne, isWithin, statesOf } from './dress.ts';
export type { Caret, Tree, Widget } from './dress.ts';
export { controls, isControl, isUpright, lookOf, tintKey } from './kinds.ts';
export { Kept } from './kept.ts';
export type { Materials } from './materials.ts';
export type { Measure } from './measure.ts';
export { labelOf, markupChanges, wordsOf } from './words.ts';
export { checkMarkup } from './check-markup.ts';
