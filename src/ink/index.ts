export { fitPicture } from './fit.ts';
export { picturePieces } from './picture.ts';
export type { PicturePiece } from './picture.ts';
export { meterFill, meterPieces } from './meter.ts';
export { contentRoom } from './room.ts';
export { innerWidth, placeText } from './text.ts';
export { clips, turnOf, turned } from './turn.ts';
export type { Matrix } from './turn.ts';
export type { PlacedLine, PlacedText } from './text.ts';
