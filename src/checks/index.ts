export type { Check, CheckId, DocumentCheck, Draft, Outcome, Severity } from './check.ts';
export { checks, documentChecks } from './registry.ts';
export { checkDocument, checkView, keptOn } from './run.ts';
export type { CheckOptions, Finding, Occurrence, Verdict } from './run.ts';
