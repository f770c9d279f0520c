import type { BatchResult, CheckOptions } from '../verdict/index.ts';

/* What threads that check a document together tell each other. */

/** What a plan is made from, without what cannot go to another thread. */
export type PlanOptions = Omit<CheckOptions, 'resources'>;

/** What a thread is started with. */
export interface WorkerStart {
  readonly file: string;
  readonly theme: string | undefined;
}

/** What a thread is asked: to plan, then to run some of the plan's batches. */
export type WorkerAsk =
  { readonly type: 'plan'; readonly options: PlanOptions } | { readonly type: 'run'; readonly nth: number };

/** What a thread says. A document that cannot be used has no fingerprint. */
export type WorkerSays =
  | { readonly type: 'open'; readonly fingerprint: string | undefined }
  | { readonly type: 'result'; readonly nth: number; readonly result: BatchResult }
  | { readonly type: 'failed'; readonly nth: number };
