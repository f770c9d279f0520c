/* A document and what varies in; batches that may run anywhere, and the findings of all of them in one order out. */
export { Results, checkDocument, checkView, foundWritten, keptOn } from './run.ts';
export { SharedChecks, askedOf, foundBy, lookAt, runBatch } from './batch.ts';
export type { Unexplained } from './batch.ts';
export type { BatchResult, ChangedFrom } from './batch.ts';
export type { Finding, Looked, Occurrence, Verdict } from './finding.ts';
export { Findings, isWorse, keyOf } from './finding.ts';
export { mostLayouts, occasionsOf, planOf } from './plan.ts';
export type { Batch, CheckOptions, CheckPlan, Coverage, Factors, Unsupported } from './plan.ts';
