/* A widget in its rectangle in; where its lines of text, its picture, its meter or the parts of a control are drawn out. */
export { bleedBox, bleeds } from './bleed.ts';
export { fitPicture } from './fit.ts';
export { picturePieces } from './picture.ts';
export type { PicturePiece } from './picture.ts';
export { backgroundBox, checkMark, controlBoxes, insideOf, scrollbarBoxes, slidesAlong } from './controls.ts';
export { isIdleSign } from './more.ts';
export type { ControlBoxes, ScrollbarBoxes } from './controls.ts';
export {
  holeIn,
  insideRing,
  meterFill,
  meterPieces,
  meterSectors,
  ringOf,
  shareAround,
  shareAt,
  trackOfRing,
  trailColor,
  turnOfMeter,
} from './meter.ts';
export type { Rounded, Sector } from './meter.ts';
export { contentRoom, gapIn, paddingEnd, paddingStart } from './room.ts';
export { heldShare, inkInto, innerWidth, placeText, setText, textWindow } from './text.ts';
export { cornersIn } from './corners.ts';
export { isInBox, isInRounded, isOnWidget } from './shape.ts';
export {
  clips,
  drawnRect,
  isTilted,
  isTurned,
  rectAround,
  scaledBy,
  turnOf,
  turned,
  turnedBack,
  turnedOn,
  turnsOf,
} from './turn.ts';
export type { Matrix, Turn } from './turn.ts';
export type { PlacedLine, PlacedText } from './text.ts';
export { caretRects, nearestPlace } from './caret.ts';
