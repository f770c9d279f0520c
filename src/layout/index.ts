/* Boxes in; flat typed arrays that are solved for a screen, and rectangles out. Knows no text and no colour. */
export { compile, keepScrolled, refill, refillOffset } from './compile.ts';
export { splice } from './splice.ts';
export type { LayoutItem } from './compile.ts';
export { MutableFrame, frameOf, referenceOf, referenceOfPart, weighted } from './frame.ts';
export type { Frame, Reference } from './frame.ts';
export { Layout } from './layout.ts';
export type { Rect, ScrollSpan } from './layout.ts';
export { replaceEntries, replaceItems, type Range } from './range.ts';
export { markBox, markMeasure, placeInto, scrollRange, scrollTo, solve } from './solve.ts';
export type { Plan } from './plan.ts';
export { Playback } from './playback.ts';
export type { Solved } from './playback.ts';
