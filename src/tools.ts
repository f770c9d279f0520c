/**
 * What tools are made of: checks and verdicts, reasons, changes of documents, comparisons, reports, schemas. Nothing in it
 * needs Node or a browser.
 */
export type { KeyRow } from './document/index.ts';
export { documentSchema, kinds, messageOf, themeSchema, widgetKeys } from './document/index.ts';
export { pseudoLocales } from './text/index.ts';
export { Theme, defaultFont, fontsOf, themeGaps, tokensFile } from './theme/index.ts';
export type { FontFamily, ThemeGap } from './theme/index.ts';
export { NoSuchName, onlyOn, themeSheet, wrongValues } from './view/index.ts';
export type { SheetOptions, ThemeSheet } from './view/index.ts';
export {
  DocumentDraft,
  EditError,
  alignWords,
  changeAnchor,
  addView,
  changeLengths,
  dissolveWidget,
  instanceChanges,
  isKeyAct,
  movesBetween,
  newHistory,
  perform,
  performKeys,
  rearranged,
  redo,
  resetInstance,
  splicesBetween,
  suggestAnchor,
  undo,
  withChange,
  withForeignChange,
  wrapWidgets,
} from './edit/index.ts';
export type {
  Act,
  AlignTo,
  AnchorAdvice,
  Done,
  Edges,
  History,
  InstanceChange,
  KeyAct,
  Move,
  Reach,
  Splice,
  Turned,
  WrapOptions,
} from './edit/index.ts';
export { gaveWay, whyEdge, whyLook, whySize, whyWidget } from './why/index.ts';
export type { GaveWay, LookReason, Reason } from './why/index.ts';
export { checks, documentChecks } from './checks/index.ts';
export {
  keyOf as findingKey,
  Results,
  SharedChecks,
  checkDocument,
  checkView,
  planOf,
  runBatch,
} from './verdict/index.ts';
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
export {
  compareProofs,
  contains,
  depthIn,
  desktop,
  everySize,
  heldAspects,
  holdsBetween,
  proveDocument,
  proveView,
  provedChecks,
  regionOf,
  screenOf,
  unionArea,
} from './proof/index.ts';
export type {
  Aspects,
  Between,
  Device,
  Failure,
  Gap,
  Point,
  Polygon,
  Proof,
  ProofChange,
  ProvedSizes,
  ProveOptions,
  ProvedFinding,
  Region,
  ViewProof,
} from './proof/index.ts';
export { TryBudget, mend, suggestFor } from './mend/index.ts';
export type { Mended, Suggestion, TriedChange } from './mend/index.ts';
export { compareSnapshots, snapshotOf } from './compare/index.ts';
export type { Comparison, Snapshot, WidgetChange } from './compare/index.ts';
export { withOverlay } from './paint/index.ts';
export type { Overlay } from './paint/index.ts';
export {
  byPlace,
  causesOf,
  proofJson,
  proofMap,
  proofStrip,
  proofPlot,
  proofTerminal,
  reportHtml,
  reportJson,
  reportJunit,
  reportSarif,
  reportSchema,
  provedSentence,
  reportTerminal,
  sentenceOf,
  shotsOf,
} from './report/index.ts';
export type {
  DrawnShot,
  Mark,
  ProofInput,
  ReportInput,
  SheetInput,
  Shot,
  ShotOptions,
} from './report/index.ts';
export { FocusField, focusAfter, focusGround, noFocus } from './input/index.ts';
export type { FocusCommand, FocusState } from './input/index.ts';
export { snap, distancesOf } from './guides/index.ts';
export type { Distance, Ground, Guide, Moving, Snapped } from './guides/index.ts';
export {
  Desk,
  LayoutDrawing,
  addressOf,
  besideText,
  closeUpOf,
  colorTokens,
  completionsAt,
  contextAt,
  fieldOf,
  findingTold,
  reasonsTold,
  foldScreens,
  inspect,
  namesIn,
  outlineOf,
  placeOf,
  sizesOn,
  snapOn,
} from './workbench/index.ts';
export type {
  Beside,
  CloseUp,
  Completion,
  Completions,
  Field,
  Fold,
  InspectorRow,
  LookRow,
  Names,
  OnDesk,
  Outline,
  OutlineRow,
  Reading,
  Readings,
  Place,
  SizeOn,
  TextContext,
  ToldAt,
} from './workbench/index.ts';
