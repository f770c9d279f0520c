export { loadPictures } from './load.ts';
export type { PictureHost } from './load.ts';
export { PictureError, mostPictureBytes, partToDraw, readPicture } from './picture.ts';
export type { Picture, PicturePart, PictureRect, Pixels } from './picture.ts';
