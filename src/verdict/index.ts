export { Results, checkDocument, checkView, keptOn } from './run.ts';
export { SharedChecks, lookAt, runBatch } from './batch.ts';
export type { BatchResult } from './batch.ts';
export type { Finding, Looked, Occurrence, Verdict } from './finding.ts';
export { isWorse, keyOf } from './finding.ts';
export { mostLayouts, planOf } from './plan.ts';
export type { Batch, CheckOptions, CheckPlan, Coverage, Factors } from './plan.ts';
