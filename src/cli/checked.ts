import type { KeptResults } from '../node/kept-results.ts';
import type { PlanOptions } from '../node/check-messages.ts';
import type { Verdict } from '../verdict/index.ts';
import type { Usable } from './load.ts';

/** A document that was checked, and on what. */
export interface Checked {
  readonly loaded: Usable;
  readonly options: PlanOptions;
  readonly verdict: Verdict;
  /** Where results of the document are kept. */
  readonly kept: KeptResults;
}
