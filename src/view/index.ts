export { readDocument } from './read.ts';
export type { ReadOptions, ReadResult } from './read.ts';
export { NoSuchName, View, ViewLayout, openView } from './view.ts';
export type { Backdrop, Resources, ViewOptions } from './view.ts';
