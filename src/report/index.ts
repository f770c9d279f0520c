/* A verdict in; text for a terminal, JSON, SARIF, JUnit XML or one HTML page out. */
export { compareHtml } from './compare/html.ts';
export type { Pair, PairBox } from './compare/html.ts';
export { compareJson } from './compare/json.ts';
export { compareTerminal } from './compare/terminal.ts';
export type { Compared } from './compare/compared.ts';
export { proofChangeTerminal } from './proof/change.ts';
export { proofHtml } from './proof/html.ts';
export type { ProofPageInput, Sketched } from './proof/html.ts';
export { proofJson } from './proof/json.ts';
export { proofMap, proofPlot } from './proof/map.ts';
export { proofStrip } from './proof/strip.ts';
export { byPlace, causesOf } from './causes.ts';
export type { Cause } from './causes.ts';
export { proofTerminal } from './proof/terminal.ts';
export {
  failureText,
  holds as isProved,
  proofWords,
  regionText,
  verdictText as provedSentence,
} from './proof/told.ts';
export type { ProofInput } from './proof/told.ts';
export { reportHtml } from './html.ts';
export type { DrawnShot, SheetInput } from './html.ts';
export { reportJson } from './json.ts';
export { reportJunit } from './junit.ts';
export { reportSchema } from './schema.ts';
export { reportSarif } from './sarif.ts';
export { wrapped } from './wrap.ts';
export { shotsOf } from './shots.ts';
export type { Mark, Shot, ShotOptions } from './shots.ts';
export { reportTerminal } from './terminal.ts';
export { wherePointer } from './report.ts';
export type { Tones, ReportInput } from './report.ts';
export { counted, printable, sentenceOf, whereOf } from './wording.ts';
export type { UnusedError, UnusedFile } from './unused.ts';
