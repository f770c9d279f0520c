/**
 * What a running game needs, and no more: a packed document opened, laid out, changed, asked and drawn. No parsers of YAML,
 * colours or messages, no schema, no decoders: `pimbot pack` and the plugin for Vite have done that. Nothing in it needs a browser.
 */
export { PackError, unpack } from './pack/index.ts';
export type { Pack, PackTypes, PackedFile } from './pack/index.ts';
export { makeScreen } from './screen/index.ts';
export type { Screen, ScreenSize } from './screen/index.ts';
export { FontBook, FontError, loadEngine } from './text/index.ts';
export type { TextEngine } from './text/index.ts';
export { NoSuchName, ValueError, openView } from './view/index.ts';
export type { Resources, View, ViewLayout, ViewOptions } from './view/index.ts';
export { BuildError } from './skeleton/index.ts';
export {
  LiveView,
  MarkerPlaces,
  emptySlot,
  markerHidden,
  markerInside,
  markerOnEdge,
  newlyShown,
  placeMarkers,
  slotAfter,
} from './live/index.ts';
export type {
  AnyValues,
  LiveOccasion,
  MarkerRules,
  Message,
  MutableRect,
  SlotEvent,
  SlotRules,
  SlotState,
  Things,
} from './live/index.ts';
export { Hits, ViewInput, listWindow, popupPlace } from './input/index.ts';
export type {
  AccessibleItem,
  ChangeEffect,
  Device,
  Hit,
  InputEffect,
  InputEvent,
  KeyEvent,
  Listener,
  ListWindow,
  LongList,
  PointerEvent,
  PopupPlace,
  PopupRules,
  PopupSide,
  ViewInputOptions,
} from './input/index.ts';
export {
  CanvasCache,
  LiveDrawing,
  drawLayout,
  outlinesOf,
  paint,
  paintOnCanvas,
  repaintOnCanvas,
} from './paint/index.ts';
export type {
  CanvasContext,
  DrawList,
  DrawOperation,
  GlyphRun,
  KeptDrawing,
  MakeCanvas,
  PaintGame,
  Painter,
} from './paint/index.ts';
