import type { CheckedDocument } from '../document/index.ts';
import { readChanged } from '../edit/index.ts';
import { SharedChecks, keyOf, type CheckOptions, type Finding, type Verdict } from '../verdict/index.ts';
import { TryBudget } from './budget.ts';
import { smallTogether } from './remedies/scaled.ts';
import { suggestFor, type Suggestion } from './suggest.ts';

/** A finding and the change that mended it. */
export interface Mended {
  readonly finding: Finding;
  readonly suggestion: Suggestion;
}

/** Findings are tried again after each that was mended, so that more is tried than for a report. */
const mostTimes = 5;

/**
 * Mends one finding after the other, each in the document as the one before left it.
 * @param wanted Which findings are to be mended.
 * @param onFinding Called with each before changes for it are tried.
 * @returns the changed text, what was mended by what, and whether all was tried: only so much is (`TryBudget`).
 */
export function mend(
  document: CheckedDocument,
  verdict: Verdict,
  options: CheckOptions,
  wanted: (finding: Finding) => boolean,
  onFinding: (finding: Finding) => void = () => undefined,
): { readonly text: string; readonly mended: readonly Mended[]; readonly isWhole: boolean } {
  let now = document;
  let { findings } = verdict;
  let shared = new SharedChecks(document, options.resources);
  const mended: Mended[] = [];
  const tried = new Set<string>();
  const groups = new Set<string>();
  const budget = new TryBudget(mostTimes);
  let isNew = false;
  for (;;) {
    const left = findings.filter((one) => one.outcome === 'failed' && !tried.has(keyOf(one)) && wanted(one));
    const finding = strictest(firstOfSmall(left, findings, groups) ?? left[0], left);
    if (!finding || budget.isSpent) {
      if (!isNew || budget.isSpent)
        return { text: now.origin.source?.text ?? '', mended, isWhole: !budget.isSpent };
      // What could not be mended before may be now: done again, nothing is left that another run would change.
      isNew = false;
      tried.clear();
      continue;
    }
    tried.add(keyOf(finding));
    onFinding(finding);
    const suggestion = suggestFor(now, finding, { ...verdict, findings }, options, shared, budget);
    if (!suggestion) continue;
    mended.push({ finding, suggestion });
    isNew = true;
    now = readChanged(now, suggestion.text);
    budget.forget();
    shared = new SharedChecks(now, options.resources, { shared });
    findings = suggestion.findings;
  }
}

/**
 * One of several that are small together, of each such group once: what they have in common first, then nothing of them is left to be
 * mended one by one. @param known The groups of which one was tried; that of the answer is added.
 */
function firstOfSmall(
  left: readonly Finding[],
  all: readonly Finding[],
  known: Set<string>,
): Finding | undefined {
  const beside = smallTogether(all);
  const first = left.find((one) => {
    const group = beside(one);
    return group && !known.has(group.name);
  });
  if (first) known.add(beside(first)!.name);
  return first;
}

/** What is large enough for a thumb is large enough for a pointer: the one change in place of two. */
function strictest(first: Finding | undefined, all: readonly Finding[]): Finding | undefined {
  if (first?.check !== 'small-target') return first;
  const { view, widget } = first;
  return (
    all.find((one) => one.check === 'thumb-target' && one.view === view && one.widget === widget) ?? first
  );
}
