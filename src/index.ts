/**
 * What a game loads: documents read, views opened and laid out, once or live, and drawn. Nothing in it needs Node or a
 * browser. `pimbot/tools` checks, explains, changes and reports; `pimbot/node` reads files and writes PNG.
 */
export { findScreen, makeScreen, screens } from './screen/index.ts';
export type { Edges, InputDevice, Screen, ScreenSize } from './screen/index.ts';
export { formatDiagnostic } from './document/index.ts';
export type {
  CheckedDocument,
  Diagnostic,
  DiagnosticCode,
  DocumentSource,
  FileReader,
  FileText,
  LookSource,
  StyleSource,
  ThemeFileSource,
  State,
  ViewSource,
  WidgetSource,
} from './document/index.ts';
export { FontBook, FontError, textEngine, unpackFont } from './text/index.ts';
export type { Catalog, Catalogs, TextEngine, Value } from './text/index.ts';
export { PictureError, loadPictures, readPicture } from './picture/index.ts';
export type { Picture, PictureHost, PictureRect, Pixels } from './picture/index.ts';
export type { Widget } from './dress/index.ts';
export type { Frame, Rect } from './layout/index.ts';
export {
  DocumentError,
  NoSuchName,
  ValueError,
  buildView,
  localesOf,
  openView,
  readDocument,
} from './view/index.ts';
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
export { BuildError } from './skeleton/index.ts';
export type {
  Backdrop,
  IdsOf,
  ReadOptions,
  ReadResult,
  Resources,
  View,
  ViewLayout,
  ViewOptions,
} from './view/index.ts';
export {
  CanvasCache,
  LiveDrawing,
  drawLayout,
  outlinesOf,
  paint,
  paintOnCanvas,
  repaintOnCanvas,
  toSvg,
  withPaths,
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
  SvgOptions,
} from './paint/index.ts';
