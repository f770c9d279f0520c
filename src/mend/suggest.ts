import type { CheckedDocument } from '../document/index.ts';
import { EditError, readChanged } from '../edit/index.ts';
import type { Screen } from '../screen/index.ts';
import {
  checkDocument,
  isWorse,
  keyOf,
  runBatch,
  type CheckOptions,
  type Finding,
  type Verdict,
} from '../verdict/index.ts';
import { NoSuchName, openView } from '../view/index.ts';
import { checkOf } from '../checks/index.ts';
import { documentRemedies, remedies } from './registry.ts';
import type { Broken, Change } from './remedy.ts';

/** A change that was tried: it mends a finding on every combination and breaks nothing. */
export interface Suggestion {
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
  /** Everything that is found with it. */
  readonly findings: readonly Finding[];
}

/** Changes tried for one finding at the most. */
const mostTries = 12;

/**
 * A change of the document that mends a finding, tried before it is offered: everything is checked again with it, the
 * finding has to be gone, no other may be new, and none that stays may be on more layouts or worse than before.
 * @param before What was found without it.
 * @returns undefined where none of the changes that come to mind does that, or the document was not read from a text.
 */
export function suggestFor(
  document: CheckedDocument,
  finding: Finding,
  before: Verdict,
  options: CheckOptions,
): Suggestion | undefined {
  const { source } = document.origin;
  if (finding.outcome !== 'failed' || !source) return undefined;
  const tried = new Set([source.text]);
  for (const change of changesFor(document, finding, options).slice(0, mostTries)) {
    let text: string;
    let changed: CheckedDocument;
    try {
      text = change.edit();
      if (tried.has(text)) continue;
      tried.add(text);
      changed = readChanged(document, text);
    } catch (error) {
      if (error instanceof EditError || error instanceof NoSuchName) continue;
      throw error;
    }
    if (finding.view !== undefined && !mendsThere(changed, finding, options)) continue;
    const after = checkAgain(changed, finding, source.text, before, options);
    if (!mendsAll(before, after, finding)) continue;
    const mendsToo = before.findings.length - after.length - 1;
    return { say: change.say, text, ...differenceOf(source.text, text), mendsToo, findings: after };
  }
  return undefined;
}

function changesFor(
  document: CheckedDocument,
  finding: Finding,
  { resources, screens }: CheckOptions,
): readonly Change[] {
  const { view: name, worst, check } = finding;
  const names = checkOf(check).remedies ?? [];
  // A file of another document is not changed with this one.
  if (finding.place !== undefined) return [];
  if (name === undefined)
    return names.flatMap((one) =>
      one in documentRemedies
        ? documentRemedies[one as keyof typeof documentRemedies](document, finding)
        : [],
    );
  const some = names.flatMap((one) => (one in remedies ? [remedies[one as keyof typeof remedies]] : []));
  const screen = screens.find((one) => one.name === worst.screen);
  if (some.length === 0 || !screen || worst.measured === null) return [];
  const view = openView(document, name, { resources, ...worst });
  const on = view.layoutOn(screen);
  const index = on.find(finding.widget);
  if (index === undefined) return [];
  const other = finding.other === undefined ? undefined : on.find(finding.other);
  const broken: Broken = {
    document,
    finding,
    view,
    on,
    widget: on.widgets[index]!,
    other: other === undefined ? undefined : on.widgets[other],
    measured: worst.measured,
    limit: worst.limit,
    scale: on.layout.scale(index),
  };
  return some.flatMap((remedy) => remedy(broken));
}

/** The cheap test first: whether the finding is gone where it was worst. */
function mendsThere(
  changed: CheckedDocument,
  finding: Finding,
  { resources, screens }: CheckOptions,
): boolean {
  const { view, worst } = finding;
  const on: readonly Screen[] = screens.filter(({ name }) => name === worst.screen);
  const { findings } = runBatch(changed, resources, { view: view!, occasion: worst, screens: on });
  return !findings.some((one) => keyOf(one) === keyOf(finding));
}

/** Everything that is found with a change; what it cannot concern is as it was. */
function checkAgain(
  changed: CheckedDocument,
  { view }: Finding,
  old: string,
  before: Verdict,
  options: CheckOptions,
): readonly Finding[] {
  const inView = view !== undefined && isWithinView(changed, old, view);
  const { findings } = checkDocument(changed, inView ? { ...options, views: [view] } : options);
  if (!inView) return findings;
  // Whether an acceptance is idle is only known when every view is looked at.
  const kept = (one: Finding) =>
    one.check === 'idle-acceptance' || (one.view !== undefined && one.view !== view);
  return [...before.findings.filter(kept), ...findings];
}

/** Whether what differs lies in one of the views, and so concerns no other. */
function isWithinView(changed: CheckedDocument, old: string, view: string): boolean {
  const { range, source } = changed.origin.at(`/views/${view}`);
  if (!range || !source) return false;
  const { start, insert } = differenceOf(old, source.text);
  return start >= range.start && start + insert.length <= range.end;
}

/** Whether a change took a finding away, and made nothing worse. */
function mendsAll(before: Verdict, after: readonly Finding[], finding: Finding): boolean {
  const old = new Map(before.findings.map((one) => [keyOf(one), one]));
  return after.every((one) => {
    const key = keyOf(one);
    const was = old.get(key);
    if (!was || key === keyOf(finding)) return false;
    return (
      one.occurrences.length <= was.occurrences.length && !isWorse(one.fails, one.worst, was.worst, tolerance)
    );
  });
}

/** What rounding may make of a measured value. */
const tolerance = 1e-6;

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
