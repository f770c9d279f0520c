/* Text or an object in; a document that is checked, with the place of everything in it, or diagnostics out. */
export { DiagnosticList } from './diagnostics.ts';
export type { Diagnostic, DiagnosticCode, DiagnosticFacts } from './diagnostics.ts';
export { formatDiagnostic, messageOf } from './messages.ts';
export { SourceText } from './source.ts';
export type { Place, Range } from './source.ts';
export { nearestName } from './suggest.ts';
export { show } from './validate.ts';
export { parseText } from './parse.ts';
export type { Parsed } from './parse.ts';
export { pointerTo, stepsOf } from './pointer.ts';
export type { Json } from './pointer.ts';
export type { MessagePart, Rgba, TokenAnswer, TokenValues } from './notations.ts';
export { readShape } from './read-shape.ts';
export type { FileReader, FileText } from './read-shape.ts';
export { documentSchema, themeSchema } from './schema.ts';
export { lookSchema } from './schema-looks.ts';
export type { Schema } from './shape.ts';
export {
  readAmount,
  type Amount,
  anchorTargets,
  readAnchor,
  readAspect,
  readColumns,
  readGap,
  readTrack,
  readInset,
  readHitArea,
  readLength,
  largestLength,
  readLengthPair,
  readLimits,
  readPivot,
  readScreenSize,
  readSides,
  readSize,
  readSizePair,
  splitValues,
} from './lengths.ts';
export type { AxisAnchor, Columns, Length, Pair, Sides, Size } from './lengths.ts';
export {
  choiceKeyOf,
  controlKinds,
  directions,
  kinds,
  leadsToWidget,
  states,
  usualArrangement,
} from './model.ts';
export { circleFrom } from './circles.ts';
export { namesPicture } from './structure.ts';
export { entryAround, idlePromise, seenFrom, writtenIds } from './references.ts';
export { isBroken, meantBy } from './left-to-names.ts';
export { endsOf, evaluateExpression, readExpression } from './expression.ts';
export { nameWord, rootOf, valueName } from './value-names.ts';
export {
  caseNames,
  entryNames,
  isCaseMap,
  partNames,
  partOf,
  valuePointer,
  withPart,
} from './case-values.ts';
export { flag } from './schema-parts.ts';
export { Origin, componentsOf, entryOf, rootsOf, widgetsOf, writtenWidgets } from './model.ts';
export { isComputed, isTemplate, templateNames } from './templates.ts';
export type {
  Alignment,
  Arrangement,
  CaseEntry,
  CaseMap,
  CaseValue,
  ComponentSource,
  Direction,
  Scalar,
  ScreenConditionSource,
  CheckedDocument,
  CheckedTheme,
  Notations,
  DocumentSource,
  Fit,
  ImageEdges,
  Justification,
  Kind,
  LookSource,
  PlacedSource,
  PromiseSource,
  RootSource,
  PartReferenceSource,
  PictureSource,
  TokenFile,
  ReferenceSource,
  SupportSource,
  Scaling,
  Spare,
  State,
  StyleSource,
  ThemeFileSource,
  ThemeSource,
  TokenSource,
  ViewSource,
  WidgetSource,
} from './model.ts';
export { fixedBy, freeKeys, isFixed, isNamePattern, keyRow, refusedBy, widgetKeys } from './widget-keys.ts';
export { descriptionOf } from './keys/descriptions.ts';
export { textsIn } from './texts-in.ts';
export { filledId, idType, isIdPattern, mayName, namesIn, namesInId } from './ids.ts';
export type { Names } from './ids.ts';
export { pictureKinds, plainSides, readPlainSides } from './keys/key-row.ts';
export type { KeyRow } from './keys/key-row.ts';
