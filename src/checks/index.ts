export type { Check, CheckId, Draft, Outcome, Severity } from './check.ts';
export { checks } from './registry.ts';
export { checkDocument } from './run.ts';
export type { CheckOptions, Finding, Occurrence, Verdict } from './run.ts';
