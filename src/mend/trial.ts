import { documentChecks } from '../checks/index.ts';
import type { CheckedDocument } from '../document/index.ts';
import {
  Results,
  foundWritten,
  isWorse,
  keyOf,
  planOf,
  runBatch,
  type Batch,
  type BatchResult,
  type CheckOptions,
  type CheckPlan,
  type Finding,
  type SharedChecks,
  type Verdict,
} from '../verdict/index.ts';
import { occasionKey } from '../view/index.ts';
import type { Place, TryBudget } from './budget.ts';
import type { Change } from './remedy.ts';

/** What a change of a document is tried for, and held against. */
export interface Trial {
  /** The one that is to go. */
  readonly finding: Finding;
  /** What was found without the change. */
  readonly before: Verdict;
  readonly options: CheckOptions;
  readonly budget: TryBudget;
}

/** A changed document that is laid out and checked. */
export interface Asked {
  readonly finding: Finding;
  readonly changed: CheckedDocument;
  /** The view the change is made in; undefined where others may be concerned too. */
  readonly view: string | undefined;
}

/** What was broken first, or else all that is found on layouts; and how much was laid out and checked for it. */
export type Looked<Item> = { readonly looks: number } & (
  | { readonly broke: Place; readonly key: string }
  | (Omit<BatchResult, 'findings'> & { readonly found: readonly Item[] })
);

/** How what is found with a change is told: as it is, or by what can be kept from one run to the next. */
export interface Telling<Item> {
  item(finding: Finding): Item;
  /** What came of it before. */
  known(asked: Asked): Looked<Item> | undefined;
  told(asked: Asked, looked: Looked<Finding>): Looked<Item>;
}

/** Findings as they are. */
export const whole: Telling<Finding> = {
  item: (finding) => finding,
  known: () => undefined,
  told: (_, looked) => looked,
};

/**
 * Everything that is found with a change; undefined as soon as it shows that the finding is still there, that something
 * is found anew, or that something is found more often or worse.
 * @param within The views that the change concerns: then others are as they were; undefined where all may be.
 */
export function triedOn<Item>(
  changed: CheckedDocument,
  trial: Trial,
  within: ReadonlySet<string> | undefined,
  shared: SharedChecks,
  { say, isOfCause }: Change,
  telling: Telling<Item>,
): readonly Item[] | undefined {
  const { finding, before, options, budget } = trial;
  const views = within && before.views.filter((view) => within.has(view));
  // What is seen in no view mends nothing there.
  if (views && !views.includes(finding.view!)) return undefined;
  const plan = planOf(changed, views ? { ...options, views } : options);
  const asked: Asked = { finding, changed, view: views?.length === 1 ? finding.view : undefined };
  const known = telling.known(asked);
  // What was looked at in an earlier run counts as it did there: then the same is tried again.
  if (known) budget.spend(known.looks);
  const looked = known ?? telling.told(asked, lookedAt(changed, trial, plan, shared));
  if ('broke' in looked) {
    budget.brokeAt(looked.broke);
    const isNew = !before.findings.some((one) => keyOf(one) === looked.key);
    if (isOfCause && isNew) budget.refuse(say);
    return undefined;
  }
  const written = foundWritten(changed, plan, looked);
  const isBroken = breaking(finding, before);
  if (written.some((one) => isBroken(keyOf(one), one))) return undefined;
  const found = [...written.map((one) => telling.item(one)), ...looked.found];
  if (!views) return found;
  // What is only known when every view is looked at is as it was.
  const needAll = documentChecks.filter((check) => check.needsAll).map(({ id }) => id);
  const kept = ({ check, view }: Finding) =>
    needAll.includes(check) || (view !== undefined && !views.includes(view));
  return [...before.findings.filter(kept).map((one) => telling.item(one)), ...found];
}

/** Lays out and checks what a plan has, until something is broken. */
function lookedAt(
  changed: CheckedDocument,
  { finding, before, options, budget }: Trial,
  plan: CheckPlan,
  shared: SharedChecks,
): Looked<Finding> {
  const { view, worst } = finding;
  const results = new Results(changed, plan);
  let looks = 0;
  const look = ({ view, occasion, screens }: Batch, isBroken: ReturnType<typeof breaking>) =>
    runBatch(changed, options.resources, { view, occasion, screens }, shared, (more, found) => {
      looks += more;
      budget.spend(more);
      for (const [key, one] of found)
        if (isBroken(key, one)) throw new Breaks({ view, occasion, screen: one.worst.screen }, key);
    });
  const isBroken = breaking(finding, before);
  try {
    // The cheap test first: where it was worst, and where other changes broke something.
    if (view !== undefined)
      for (const { screen, ...place } of [{ view, occasion: worst, screen: worst.screen }, ...budget.hard]) {
        const screens = options.screens.filter(({ name }) => name === screen);
        if (plan.views.includes(place.view)) look({ ...place, screens }, breaking(finding, before));
      }
    for (const [nth, batch] of plan.batches.entries()) results.add(nth, look(batch, isBroken));
  } catch (error) {
    if (!(error instanceof Breaks)) throw error;
    return { looks, broke: error.place, key: error.key };
  }
  const { findings, ...more } = results.together();
  return { looks, found: findings, ...more };
}

/** Thrown where a change that is tried breaks something, or leaves what it is to mend. */
class Breaks extends Error {
  readonly place: Place;
  /** What broke: `keyOf` the finding. */
  readonly key: string;

  constructor(place: Place, key: string) {
    super('this change breaks something');
    this.place = place;
    this.key = key;
  }
}

/**
 * Asks of one finding after the other whether a change breaks something by it: one that was not there, the one it is to mend, or one
 * that is on more layouts than before, or worse. Where the one it is to mend was, it may have hidden one that others have.
 */
function breaking(finding: Finding, before: Verdict): (key: string, one: Finding) => boolean {
  const target = keyOf(finding);
  const hidden = new Set(finding.occurrences.map(placeOf));
  const old = new Map(before.findings.map((one) => [keyOf(one), one]));
  const counts = new Map<string, number>();
  return (key, one) => {
    const was = old.get(key);
    if (!was || key === target) return true;
    const elsewhere = one.occurrences.filter((each) => !hidden.has(placeOf(each))).length;
    const count = (counts.get(key) ?? 0) + elsewhere;
    counts.set(key, count);
    return count > was.occurrences.length || isWorse(one.fails, one.worst, was.worst, tolerance);
  };
}

/** The screen and occasion of an occurrence. */
function placeOf(one: Finding['worst']): string {
  return `${one.screen} ${occasionKey(one)}`;
}

/** What rounding may make of a measured value. */
const tolerance = 1e-6;
