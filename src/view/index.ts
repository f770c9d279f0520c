/* A document and what it is shown in in; a view out that is laid out once, or live. */
export { checkPictureNames } from './pictures.ts';
export { placesKey } from './alike.ts';
export { isSupported, supportOf } from './supports.ts';
export type { Support } from './supports.ts';
export { themeSheet } from './sheet.ts';
export type { SheetOptions, ThemeSheet } from './sheet.ts';
export { everyNotation, readDocument } from './read-document.ts';
export type { ReadOptions, ReadResult } from './read-document.ts';
export { NoSuchName } from './no-such-name.ts';
export { ValueError } from './given.ts';
export { factors, listsOf, onlyOn } from './factors.ts';
export { dearestFirst, occasionKey } from './occasion.ts';
export type { Lists, No, Occasion, OccasionKey } from './occasion.ts';
export { wrongValues } from './wrong-values.ts';
export { localesOf } from './resources.ts';
export type { Resources } from './resources.ts';
export { SharedViews } from './shared-views.ts';
export { itemOf, targetsOf } from './form.ts';
export type { Form, Indexes } from './form.ts';
export { checkStates, checkValues, checkWidget, mayBeThere } from './given.ts';
export { View, ViewLayout, openView, placed } from './view.ts';
export type { Backdrop, ViewOptions } from './view.ts';

export { DocumentError, buildView } from './typed.ts';
export type { IdsOf } from './typed.ts';
