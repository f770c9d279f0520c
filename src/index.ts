/**
 * Everything a game may load, and reading documents as they are written: from YAML, JSON or TypeScript. A game that ships packed
 * documents loads `pimbot/game` instead, which is a third as large. Nothing in it needs Node or a browser. `pimbot/tools` checks,
 * explains, changes and reports; `pimbot/node` reads files and writes PNG.
 */
export * from './game.ts';
export { findScreen, screens } from './screen/index.ts';
export type { Edges, InputDevice } from './screen/index.ts';
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
export { textEngine } from './text/engine.ts';
export { unpackFont } from './text/index.ts';
export type { Catalog, Catalogs, Value } from './text/index.ts';
export { PictureBudget, PictureError, loadPictures, readPicture } from './picture/index.ts';
export type { Picture, PictureHost, PictureRect, Pixels } from './picture/index.ts';
export type { Widget } from './dress/index.ts';
export type { Frame, Rect } from './layout/index.ts';
export { DocumentError, buildView, everyNotation, localesOf, readDocument } from './view/index.ts';
export type { Backdrop, IdsOf, ReadOptions, ReadResult } from './view/index.ts';
export { toSvg, withPaths } from './paint/index.ts';
export type { SvgOptions } from './paint/index.ts';
