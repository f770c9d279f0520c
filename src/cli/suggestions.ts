import { TryBudget, suggestFor, type Suggestion } from '../mend/index.ts';
import { SharedChecks, keyOf, planOf, type Finding } from '../verdict/index.ts';
import type { Checked } from './checked.ts';

/** Layouts that are made again in search of changes, at the most: then a report is not held up any longer. */
const mostTried = 15_000;

/** A tried change for each failed finding that has one; `untried` counts those there was no time for. */
export function suggestionsFor(
  { loaded, options, verdict }: Checked,
  onFinding: (done: number, all: number) => void,
): { readonly suggestions: readonly (Suggestion | undefined)[]; readonly untried: number } {
  const { document, resources } = loaded;
  const perTry = planOf(document, { ...options, resources }).layouts / Math.max(1, verdict.views.length);
  const all = verdict.findings.filter(({ outcome }) => outcome === 'failed').length;
  const most = Math.min(all, Math.max(1, Math.floor(mostTried / perTry)));
  const shared = new SharedChecks(document, resources);
  const budget = new TryBudget();
  let done = 0;
  // What mends one finding and takes others with it is said of all of them, and tried once.
  const known = new Map<string, Suggestion>();
  const left: Finding[] = [];
  const leave = (finding: Finding): undefined => void left.push(finding);
  const suggestions = verdict.findings.map((finding) => {
    if (finding.outcome !== 'failed') return undefined;
    const same = known.get(keyOf(finding));
    if (same) return same;
    if (done < most && !budget.isSpent) onFinding(done++, most);
    else return leave(finding);
    const found = suggestFor(document, finding, verdict, { ...options, resources }, shared, budget);
    if (!found) return budget.isSpent ? leave(finding) : undefined;
    const stays = new Set(found.findings.map(keyOf));
    for (const one of verdict.findings) if (!stays.has(keyOf(one))) known.set(keyOf(one), found);
    return found;
  });
  const untried = left.filter((one) => !known.has(keyOf(one))).length;
  return { suggestions, untried };
}
