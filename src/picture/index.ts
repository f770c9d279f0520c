/* Bytes in; the kind, size and pixels of a picture out, or why it is refused. */
export { loadPictures } from './load.ts';
export { PictureBudget } from './budget.ts';
export type { PictureHost } from './load.ts';
export { PictureError, partToDraw } from './picture.ts';
export { mostPictureBytes, readPicture } from './read-picture.ts';
export type { Picture, PicturePart, PictureRect, Pixels } from './picture.ts';
