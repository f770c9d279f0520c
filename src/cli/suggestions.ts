import { suggestFor, type Suggestion } from '../mend/index.ts';
import { SharedChecks, keyOf, planOf } from '../verdict/index.ts';
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
  let done = 0;
  // What mends one finding and takes others with it is said of all of them, and tried once.
  const known = new Map<string, Suggestion>();
  const suggestions = verdict.findings.map((finding) => {
    if (finding.outcome !== 'failed') return undefined;
    const same = known.get(keyOf(finding));
    if (same) return same;
    if (done >= most) return undefined;
    onFinding(done++, most);
    const found = suggestFor(document, finding, verdict, { ...options, resources }, shared);
    if (!found) return undefined;
    const left = new Set(found.findings.map(keyOf));
    for (const one of verdict.findings) if (!left.has(keyOf(one))) known.set(keyOf(one), found);
    return found;
  });
  const untried = Math.max(0, all - most - (known.size - suggestions.filter(Boolean).length));
  return { suggestions, untried };
}
