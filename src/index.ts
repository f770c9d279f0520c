/**
 * Pimbot's core: documents, layouts, checks, drawings and reports. Nothing in it needs Node or a browser;
 * `pimbot/node` reads files and writes PNG.
 */
export { findScreen, makeScreen, screens } from './screen/index.ts';
export type { KeyRow } from './document/index.ts';
export type { Edges, InputDevice, Screen, ScreenSize } from './screen/index.ts';
export { documentSchema, formatDiagnostic, messageOf, themeSchema, widgetKeys } from './document/index.ts';
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
export { FontBook, FontError, pseudoLocales, unpackWoff2 } from './text/index.ts';
export type { Catalog, Catalogs, Value } from './text/index.ts';
export { PictureError, loadPictures, readPicture } from './picture/index.ts';
export type { Picture, PictureHost, PictureRect, Pixels } from './picture/index.ts';
export { Theme, defaultFont, fontsOf, themeGaps, tokensFile } from './theme/index.ts';
export type { FontFamily, ThemeGap } from './theme/index.ts';
export type { Widget } from './dress/index.ts';
export type { Frame, Rect } from './layout/index.ts';
export {
  DocumentError,
  LiveLayout,
  NoSuchName,
  buildView,
  localesOf,
  onlyOn,
  openView,
  readDocument,
  themeSheet,
} from './view/index.ts';
export { BuildError } from './skeleton/index.ts';
export type {
  Backdrop,
  IdsOf,
  MutableRect,
  ReadOptions,
  ReadResult,
  Resources,
  SheetOptions,
  ThemeSheet,
  View,
  ViewLayout,
  ViewOptions,
} from './view/index.ts';
export {
  EditError,
  changeAnchor,
  changeLengths,
  dissolveWidget,
  instanceChanges,
  movesBetween,
  rearranged,
  resetInstance,
  suggestAnchor,
  wrapWidgets,
} from './edit/index.ts';
export type { AnchorAdvice, InstanceChange, Move, WrapOptions } from './edit/index.ts';
export { gaveWay, whyEdge, whyLook, whySize, whyWidget } from './why/index.ts';
export type { GaveWay, LookReason, Reason } from './why/index.ts';
export { checks, documentChecks } from './checks/index.ts';
export { Results, SharedChecks, checkDocument, planOf, runBatch } from './verdict/index.ts';
export type {
  CheckId,
  Facts,
  ListedCheck as Check,
  ListedDocumentCheck as DocumentCheck,
} from './checks/index.ts';
export type {
  Batch,
  BatchResult,
  CheckOptions,
  CheckPlan,
  Factors,
  Finding,
  Occurrence,
  Verdict,
} from './verdict/index.ts';
export { mend, suggestFor } from './mend/index.ts';
export type { Mended, Suggestion } from './mend/index.ts';
export { compareSnapshots, snapshotOf } from './compare/index.ts';
export type { Comparison, Snapshot, WidgetChange } from './compare/index.ts';
export { Tints, drawLayout, paint, paintOnCanvas, toSvg, withOverlay } from './paint/index.ts';
export type {
  CanvasContext,
  DrawList,
  DrawOperation,
  MakeCanvas,
  Overlay,
  Painter,
  SvgOptions,
} from './paint/index.ts';
export {
  reportHtml,
  reportJson,
  reportJunit,
  reportSarif,
  reportSchema,
  reportTerminal,
  sentenceOf,
  shotsOf,
} from './report/index.ts';
export type { DrawnShot, Mark, ReportInput, SheetInput, Shot, ShotOptions } from './report/index.ts';
