import type { Told } from './messages.ts';

/** What was found on one screen, in numbers. */
export interface Tally {
  readonly found: number;
  readonly errors: number;
  /** Whether something of it is new. */
  readonly isNew: boolean;
}

/** What was found, by screen: counted once for all of them, as there may be thousands. */
export function talliesOf(findings: readonly Told[], fresh: ReadonlySet<string>): ReadonlyMap<string, Tally> {
  const tallies = new Map<string, { found: number; errors: number; isNew: boolean }>();
  for (const { key, severity, outcome, screens } of findings) {
    const isError = severity === 'error' && outcome === 'failed';
    const isNew = fresh.has(key);
    for (const screen of screens) {
      let tally = tallies.get(screen);
      if (!tally) tallies.set(screen, (tally = { found: 0, errors: 0, isNew: false }));
      tally.found++;
      if (isError) tally.errors++;
      tally.isNew ||= isNew;
    }
  }
  return tallies;
}
