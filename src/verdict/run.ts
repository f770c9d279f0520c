import {
  Acceptances,
  checks,
  documentChecks,
  idsIn,
  promiseCheck,
  type AnyDocumentDraft,
  type ListedCheck,
  type WhollyLooked,
} from '../checks/index.ts';
import { idlePromise, type CheckedDocument, type PromiseSource } from '../document/index.ts';
import type { Screen } from '../screen/index.ts';
import { NoSuchName, type View } from '../view/index.ts';
import { SharedChecks, lookAt, runBatch, type BatchResult } from './batch.ts';
import { Findings, type Finding, type Verdict } from './finding.ts';
import { planOf, type CheckOptions, type CheckPlan } from './plan.ts';

/**
 * Lays views out on screens, in everything that varies, and runs every check on each.
 * @throws NoSuchName for an unknown view, case, locale or theme. @throws RangeError for a HUD or text size outside 0.1 to 10.
 */
export function checkDocument(document: CheckedDocument, options: CheckOptions): Verdict {
  const plan = planOf(document, options);
  const results = new Results(document, plan);
  const shared = new SharedChecks(document, options.resources);
  plan.batches.forEach((batch, nth) =>
    results.add(nth, runBatch(document, options.resources, batch, shared)),
  );
  return results.verdict();
}

/** Results of batches, in whatever order they come, put together in the order of the plan. */
export class Results {
  readonly #document: CheckedDocument;
  readonly #plan: CheckPlan;
  readonly #findings = new Findings();
  readonly #acceptances = new Acceptances();
  readonly #shown = new Set<string>();
  readonly #early = new Map<number, BatchResult>();
  #next = 0;

  constructor(document: CheckedDocument, plan: CheckPlan) {
    this.#document = document;
    this.#plan = plan;
  }

  /** Adds what came of the batch of a place in the plan. @throws RangeError for a place that has its result. */
  add(nth: number, result: BatchResult): void {
    if (nth < this.#next || nth >= this.#plan.batches.length || this.#early.has(nth))
      throw new RangeError(`batch ${nth} has its result`);
    this.#early.set(nth, result);
    for (let ready = this.#early.get(this.#next); ready; ready = this.#early.get(++this.#next)) {
      for (const finding of ready.findings) this.#findings.add(finding);
      this.#acceptances.add(ready.accepted);
      for (const pointer of ready.shown) this.#shown.add(pointer);
      this.#early.delete(this.#next);
    }
  }

  /** Places in the plan that have no result yet. */
  get missing(): readonly number[] {
    return this.#plan.batches.flatMap((_, nth) => (nth < this.#next || this.#early.has(nth) ? [] : [nth]));
  }

  /** What all batches found. @throws RangeError while batches are missing. */
  together(): BatchResult {
    if (this.#next < this.#plan.batches.length)
      throw new RangeError(`${this.missing.length} batches have no result`);
    return { findings: this.#findings.all, accepted: this.#acceptances.used, shown: [...this.#shown] };
  }

  /** @throws RangeError while batches are missing. */
  verdict(): Verdict {
    const { views, factors, coverage, layouts, combinations, unsupported, batches } = this.#plan;
    const together = this.together();
    const acceptances = acceptancesOf(together);
    const written = checkWritten(this.#document, this.#plan, together, acceptances);
    return {
      views,
      ...factors,
      coverage,
      layouts,
      combinations,
      unsupported,
      looked:
        coverage === 'all'
          ? []
          : batches.map(({ view, occasion, screens }) => ({
              view,
              ...occasion,
              screens: screens.map(({ name }) => name),
            })),
      accepted: acceptances.count,
      findings: [...written, ...together.findings],
    };
  }
}

/**
 * What concerns the document whatever screen it is on.
 * @param looked What its layouts used and showed, all of them.
 */
export function foundWritten(
  document: CheckedDocument,
  plan: CheckPlan,
  looked: Omit<BatchResult, 'findings'>,
): readonly Finding[] {
  return checkWritten(document, plan, looked, acceptancesOf(looked));
}

function acceptancesOf({ accepted }: Pick<BatchResult, 'accepted'>): Acceptances {
  const acceptances = new Acceptances();
  acceptances.add(accepted);
  return acceptances;
}

function checkWritten(
  document: CheckedDocument,
  { whole }: CheckPlan,
  { shown }: Pick<BatchResult, 'shown'>,
  acceptances: Acceptances,
): Finding[] {
  const found: Finding[] = [];
  // Of what was not looked at nobody can say that it is never shown.
  const looked: WhollyLooked | undefined = whole ? { acceptances, shown: new Set(shown) } : undefined;
  const written = { document, checks: [...checks, ...documentChecks].map(({ id }) => id) };
  for (const check of documentChecks) {
    const report = ({
      about,
      facts,
      reason,
      origin = document.origin,
      pointer,
      measured = 1,
    }: AnyDocumentDraft) => {
      if (origin === document.origin && acceptances.takeWritten(check.id, pointer, document.source)) return;
      found.push({
        check: check.id,
        outcome: 'failed',
        severity: check.severity,
        view: undefined,
        widget: about,
        other: undefined,
        pointer,
        place: origin === document.origin ? undefined : origin.place(pointer),
        unit: check.unit,
        fails: check.fails,
        worst: { ...nowhere, measured, limit: check.limit, facts },
        occurrences: [],
        facts,
        missing: undefined,
        reasons: [{ text: reason, pointer }],
      });
    };
    if (!check.needsAll) check.run(written, report, check.limit);
    else if (looked) check.run({ ...written, ...looked }, report, check.limit);
  }
  return found;
}

const nowhere = {
  screen: '',
  case: undefined,
  locale: '',
  theme: undefined,
  hudSize: 1,
  textSize: 1,
  state: undefined,
  scale: 1,
} as const;

/** Every finding of one opened view, all screens together. */
export function checkView(
  view: View,
  screens: readonly Screen[],
  only: readonly ListedCheck[] = checks,
): readonly Finding[] {
  return lookAt(view, screens, only).findings;
}

/**
 * What of a promise does not hold of a view, all screens together.
 * @throws NoSuchName for a widget that is there on none of them. @throws RangeError for a promise that would always hold.
 */
export function keptOn(view: View, promise: PromiseSource, screens: readonly Screen[]): readonly Finding[] {
  const ids = new Set(
    screens.flatMap((screen) => view.formOn(view.frameOn(screen)).tree.widgets.map(({ id }) => id)),
  );
  for (const id of idsIn(promise)) if (!ids.has(id)) throw new NoSuchName('widget', id, [...ids]);
  const idle = idlePromise(promise);
  if (idle === 'empty') throw new RangeError('this promises nothing');
  if (idle) throw new RangeError(`"${idle}" promises something only of two or more widgets`);
  return checkView(view, screens, [promiseCheck(() => [promise])]);
}
