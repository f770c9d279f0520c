import { TryBudget, changeFor, type TriedChange } from '../mend/index.ts';
import { KeptTrials, type Suggested } from '../node/kept-trials.ts';
import { SharedChecks, keyOf, planOf, type Finding } from '../verdict/index.ts';
import type { Checked } from './checked.ts';

/** Layouts that are made again in search of changes, at the most: then a report is not held up any longer. */
const mostTried = 15_000;

/**
 * A tried change for each failed finding that has one; `untried` counts those there was no time for. What was tried in an
 * earlier run is taken from there.
 */
export function suggestionsFor(
  { loaded, options, verdict, kept }: Checked,
  onFinding: (done: number, all: number) => void,
): Suggested {
  const { document, resources } = loaded;
  const tried = new KeptTrials(kept, loaded, options);
  const again = tried.readAll();
  if (again) return again;
  const perTry = planOf(document, { ...options, resources }).layouts / Math.max(1, verdict.views.length);
  const failed = verdict.findings.filter(({ outcome }) => outcome === 'failed').length;
  const most = Math.min(failed, Math.max(1, Math.floor(mostTried / perTry)));
  const budget = new TryBudget();
  const search = {
    document,
    before: verdict,
    options: { ...options, resources },
    shared: new SharedChecks(document, resources),
    budget,
    tried,
  };
  let done = 0;
  // What mends one finding and takes others with it is said of all of them, and tried once.
  const known = new Map<string, TriedChange>();
  const left: Finding[] = [];
  const leave = (finding: Finding): undefined => void left.push(finding);
  const suggestions = verdict.findings.map((finding) => {
    if (finding.outcome !== 'failed') return undefined;
    const same = known.get(keyOf(finding));
    if (same) return same;
    if (done < most && !budget.isSpent) onFinding(done++, most);
    else return leave(finding);
    const found = changeFor(search, finding);
    if (!found) return budget.isSpent ? leave(finding) : undefined;
    const { change } = found;
    const stays = new Set(found.after);
    for (const one of verdict.findings) if (!stays.has(keyOf(one))) known.set(keyOf(one), change);
    return change;
  });
  const all: Suggested = {
    suggestions,
    untried: left.filter((one) => !known.has(keyOf(one))).length,
  };
  tried.write(all);
  return all;
}
