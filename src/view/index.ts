export { readDocument } from './read.ts';
export type { ReadOptions, ReadResult } from './read.ts';
export { NoSuchName, localesOf, View, ViewLayout, openView } from './view.ts';
export type { Backdrop, Resources, ViewOptions } from './view.ts';
export { LiveLayout } from './live.ts';
export type { MutableRect } from './live.ts';
export { DocumentError, buildView } from './typed.ts';
export type { IdsOf } from './typed.ts';
