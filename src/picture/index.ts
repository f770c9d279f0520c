export { PictureError, mostPictureBytes, readPicture } from './picture.ts';
export type { Picture, Pixels } from './picture.ts';
