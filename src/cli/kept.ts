import { Option } from 'commander';
import { KeptResults } from '../node/kept-results.ts';

/** Whether a command takes what an earlier run has found. */
export interface CacheCall {
  /** False: everything is worked out again. */
  readonly cache?: boolean;
}

/** @param what Is done with every view. */
export function cacheOption(what: string): Option {
  return new Option(
    '--no-cache',
    `${what} every view, also those nothing has changed for since the last time`,
  );
}

/** Where a command keeps what it finds of a document file. */
export function keptFor(file: string, { cache }: CacheCall): KeptResults {
  return cache === false ? KeptResults.none : KeptResults.of(file);
}
