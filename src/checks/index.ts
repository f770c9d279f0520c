/* A scene in; what is wrong in it out. One file a check: what it measures, its facts, its sentence, the names of its remedies. */
export { Acceptances } from './acceptances.ts';
export { idsIn, promiseCheck } from './broken-promise.ts';
export { checkOf, checks, documentChecks } from './registry.ts';
export type { AnyDraft, CheckId, Facts, ListedCheck, ListedDocumentCheck } from './registry.ts';
export type { Check, DocumentCheck, Outcome, Severity } from './check.ts';
export type { RemedyName } from './remedies.ts';
export { Subject } from './subject/subject.ts';
export { cssPixels } from './subject/text-size.ts';
