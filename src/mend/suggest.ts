import { checkOf } from '../checks/index.ts';
import type { CheckedDocument, Json } from '../document/index.ts';
import { DocumentDraft, DocumentText, EditError, readChanged } from '../edit/index.ts';
import { BuildError } from '../skeleton/index.ts';
import { SharedChecks, isWorse, type CheckOptions, type Finding, type Verdict } from '../verdict/index.ts';
import type { Screen } from '../screen/index.ts';
import { NoSuchName, openView, type Occasion } from '../view/index.ts';
import { losesBinding } from './bindings.ts';
import { BudgetSpent, TryBudget } from './budget.ts';
import { changedFrom, viewsWith } from './concerned.ts';
import {
  Unmoved,
  disturbanceOf,
  disturbanceText,
  lessDisturbing,
  mostMoveOf,
  type Disturbance,
} from './disturbance.ts';
import { documentRemedies, remedies } from './registry.ts';
import type { Broken, Change } from './remedy.ts';
import { triedOn, whole, type Telling, type Trial } from './trial.ts';
import { byKey, type TriedBefore } from './tried-before.ts';

/** A change that was tried: it mends a finding on every combination, breaks nothing, and keeps what the author meant. */
export interface TriedChange {
  /** What it does, in words that follow «try:». */
  readonly say: string;
  /** The whole text of the document after it. */
  readonly text: string;
  /** The one place where the text differs: offsets in UTF-16 units of the text before. */
  readonly start: number;
  readonly end: number;
  readonly insert: string;
  /** Findings it mends besides the one it is for. */
  readonly mendsToo: number;
  /** How much it moves. */
  readonly disturbance: Disturbance;
  /** The same in words: `moves 2 widgets by 12 u on the reference`. */
  readonly disturbs: string;
}

/** A tried change with what is left to mend after it. */
export interface Suggestion extends TriedChange {
  /** Everything that is found with it. */
  readonly findings: readonly Finding[];
}

/** Changes tried for one finding at the most. */
const mostTries = 20;

/**
 * A change of the document that mends a finding, tried before it is offered: everything is checked again with it, the
 * finding has to be gone, no other may be new, and none that stays may be on more layouts or worse than before.
 * @param before What was found without it.
 * @param shared What checks of the document share.
 * @param budget How much may be tried; where it is spent, no change is found.
 * @returns undefined where none of the changes that come to mind does that, or the document was not read from a text.
 */
export function suggestFor(
  document: CheckedDocument,
  finding: Finding,
  before: Verdict,
  options: CheckOptions,
  shared = new SharedChecks(document, options.resources),
  budget = new TryBudget(),
): Suggestion | undefined {
  const found = searched(document, { finding, before, options, budget }, shared, whole);
  return found && { ...found.change, findings: found.after };
}

/** In what changes for the findings of a document are looked for. */
export interface Search {
  readonly document: CheckedDocument;
  readonly before: Verdict;
  readonly options: CheckOptions;
  readonly shared: SharedChecks;
  readonly budget: TryBudget;
  /** What came of changes in earlier runs. */
  readonly tried: TriedBefore;
}

/** The same where what was tried in an earlier run need not be tried again. @returns with the change, `keyOf` all that is found with it. */
export function changeFor(
  { document, shared, tried, ...trial }: Search,
  finding: Finding,
): Searched<string> | undefined {
  return searched(document, { ...trial, finding }, shared, byKey(tried));
}

/** A change, and all that is found with it. */
export interface Searched<Item> {
  readonly change: TriedChange;
  readonly after: readonly Item[];
}

function searched<Item>(
  document: CheckedDocument,
  trial: Trial,
  shared: SharedChecks,
  telling: Telling<Item>,
): Searched<Item> | undefined {
  const { finding, before, budget } = trial;
  if (finding.outcome !== 'failed' || budget.isSpent) return undefined;
  try {
    budget.spendOn(document.origin.source?.text.length ?? 0, before.findings.length);
    return firstThatMends(document, trial, shared, telling);
  } catch (error) {
    if (error instanceof BudgetSpent) return undefined;
    throw error;
  }
}

/** @throws {BudgetSpent} */
function firstThatMends<Item>(
  document: CheckedDocument,
  trial: Trial,
  shared: SharedChecks,
  telling: Telling<Item>,
): Searched<Item> | undefined {
  const { source } = document.origin;
  if (!source) return undefined;
  const { before, finding } = trial;
  const { resources } = trial.options;
  for (const { change, draft, disturbance, ...candidate } of candidatesFor(document, trial, shared)) {
    const views = finding.view === undefined ? undefined : viewsWith(document, draft.touched);
    let after = attempt(() => triedOn(draft.document, trial, views, candidate.shared, change, telling));
    if (!after) continue;
    const written = attempt(() => {
      const text = new DocumentText(document);
      change.edit(text);
      return { text: text.text, read: readChanged(document, text.text) };
    });
    if (!written) continue;
    const { text, read } = written;
    // What YAML shares between places changes in all of them: then the text comes to something else than the values did.
    if (inOrder(read) !== inOrder(draft.document))
      after = attempt(() =>
        triedOn(read, trial, undefined, new SharedChecks(read, resources, { shared }), change, telling),
      );
    if (!after) continue;
    const mendsToo = before.findings.length - after.length - 1;
    return {
      change: {
        say: change.say,
        text,
        ...differenceOf(source.text, text),
        mendsToo,
        disturbance,
        disturbs: disturbanceText(disturbance),
      },
      after,
    };
  }
  return undefined;
}

interface Candidate {
  readonly change: Change;
  readonly draft: DocumentDraft;
  /** What checks of the changed document share. */
  readonly shared: SharedChecks;
  readonly disturbance: Disturbance;
}

/**
 * Changes that keep what the author meant: of what several findings have in common first, then what moves least; of those that move
 * alike in the order they come to mind.
 */
function candidatesFor(document: CheckedDocument, trial: Trial, shared: SharedChecks): readonly Candidate[] {
  const { finding, options, budget } = trial;
  const { view: name } = finding;
  const tried = new Set([JSON.stringify(document.source)]);
  const found: Candidate[] = [];
  const { resources, screens } = options;
  const opened = (of: CheckedDocument, like: SharedChecks) =>
    name === undefined
      ? undefined
      : openView(of, name, { resources, shared: like.views, ...asDesigned(document, finding) });
  const view = opened(document, shared);
  const before = view && attempt(() => new Unmoved(view, screens));
  if (view && !before) return [];
  let most: number | undefined;
  for (const change of changesFor(document, trial, shared).slice(0, mostTries)) {
    if (change.isOfCause && budget.isRefused(change.say)) continue;
    // Most changes mend nothing: they are tried on values, and only what holds is written as text and read again.
    const draft = attempt(() => {
      const made = new DocumentDraft(document);
      change.edit(made);
      return made;
    });
    if (!draft) continue;
    // What was tried is not tried again.
    const key = JSON.stringify(draft.document.source);
    if (tried.has(key)) continue;
    tried.add(key);
    if (name !== undefined && losesBinding(asJson(document), asJson(draft.document))) continue;
    const from = changedFrom(document, change, draft, shared);
    const own = new SharedChecks(draft.document, resources, from);
    const disturbance = before
      ? attempt(() => {
          const after = opened(draft.document, own)!;
          most ??= mostMoveOf(before.view, finding, screens, shared, budget);
          return disturbanceOf(before, after, from, finding, most, budget);
        })
      : stillness;
    if (disturbance) found.push({ change, draft, shared: own, disturbance });
  }
  const ofOne = ({ change }: Candidate) => (change.isOfCause ? 0 : 1);
  return found.sort((a, b) => ofOne(a) - ofOne(b) || lessDisturbing(a.disturbance, b.disturbance));
}

/** The occasion of a finding, in the document's own language and at the sizes its author drew. */
function asDesigned({ source }: CheckedDocument, { worst }: Finding): Occasion {
  return { ...worst, locale: source.language ?? 'en', hudSize: 1, textSize: 1, state: undefined };
}

const stillness: Disturbance = { widgets: 0, u: 0, screens: 0 };

function asJson({ source }: CheckedDocument): Json {
  return source as unknown as Json;
}

/** A document as JSON, the same wherever a new key of a map is put. */
function inOrder({ source }: CheckedDocument): string {
  return JSON.stringify(source, (_, value: unknown) =>
    typeof value === 'object' && value !== null && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
      : value,
  );
}

/** What cannot be made, or not be shown once it is made, is no change to offer. */
function attempt<Made>(make: () => Made): Made | undefined {
  try {
    return make();
  } catch (error) {
    if (error instanceof EditError || error instanceof NoSuchName || error instanceof BuildError)
      return undefined;
    throw error;
  }
}

function changesFor(
  document: CheckedDocument,
  { finding, before, options: { resources, screens }, budget }: Trial,
  shared: SharedChecks,
): readonly Change[] {
  const { view: name, worst, check } = finding;
  const names = checkOf(check).remedies ?? [];
  // A file of another document is not changed with this one.
  if (finding.place !== undefined) return [];
  if (name === undefined)
    return names.flatMap((one) =>
      one in documentRemedies ? documentRemedies[one as keyof typeof documentRemedies](finding) : [],
    );
  const some = names.flatMap((one) => (one in remedies ? [remedies[one as keyof typeof remedies]] : []));
  if (some.length === 0) return [];
  const opened = (occasion: Occasion) =>
    openView(document, name, { resources, shared: shared.views, ...occasion });
  const design = opened(asDesigned(document, finding));
  const brokenOn = (occurrence: Finding['worst']): Broken | undefined => {
    const screen = screens.find((one) => one.name === occurrence.screen);
    if (!screen || occurrence.measured === null) return undefined;
    const view = opened(occurrence);
    const on = view.layoutOn(screen);
    budget.spend(on.widgets.length);
    const index = on.find(finding.widget);
    if (index === undefined) return undefined;
    const other = finding.other === undefined ? undefined : on.find(finding.other);
    return {
      finding,
      found: before.findings,
      document,
      view,
      design,
      on,
      widget: on.widgets[index]!,
      other: other === undefined ? undefined : on.widgets[other],
      measured: occurrence.measured,
      limit: occurrence.limit,
      scale: on.layout.scale(index),
      screens,
      among: (some) => {
        const worstOfThem = worstAmong(finding, some);
        return worstOfThem && brokenOn(worstOfThem);
      },
    };
  };
  const broken = brokenOn(worst);
  if (!broken) return [];
  return some.flatMap((remedy) => remedy(broken));
}

/** Where a finding is worst of some screens. */
function worstAmong(finding: Finding, screens: readonly Screen[]): Finding['worst'] | undefined {
  const [first, ...others] = finding.occurrences.filter(({ screen }) =>
    screens.some(({ name }) => name === screen),
  );
  return others.reduce((worst, one) => (isWorse(finding.fails, one, worst!) ? one : worst), first);
}

/** The one place where two texts differ. */
function differenceOf(old: string, now: string): { start: number; end: number; insert: string } {
  let start = 0;
  while (start < old.length && start < now.length && old[start] === now[start]) start++;
  let same = 0;
  while (
    same < old.length - start &&
    same < now.length - start &&
    old[old.length - 1 - same] === now[now.length - 1 - same]
  )
    same++;
  return { start, end: old.length - same, insert: now.slice(start, now.length - same) };
}
