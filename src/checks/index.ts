export { Acceptances } from './acceptances.ts';
export { idsIn, promiseCheck } from './broken-promise.ts';
export { checks, documentChecks } from './registry.ts';
export type { Check, CheckId, DocumentCheck, Measured, Outcome, Severity } from './check.ts';
export { FormFacts } from './subject/form-facts.ts';
export { Subject } from './subject/subject.ts';
export { cssPixels } from './subject/text-size.ts';
