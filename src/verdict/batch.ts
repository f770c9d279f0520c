import { Acceptances, checks, FormFacts, Subject, type ListedCheck } from '../checks/index.ts';
import type { Tree } from '../build/index.ts';
import type { CheckedDocument } from '../document/index.ts';
import type { Screen } from '../screen/index.ts';
import type { Theme } from '../theme/index.ts';
import { openView, type Resources, type View, type ViewLayout } from '../view/index.ts';
import { Findings, type Finding, type Occurrence } from './finding.ts';
import type { Batch } from './plan.ts';

/** What came of one batch: plain data that may go to another thread or into a file. */
export interface BatchResult {
  readonly findings: readonly Finding[];
  /** Pointers of the acceptances that took a finding away. */
  readonly accepted: readonly string[];
}

/**
 * Lays one view out on one occasion, on its screens, and runs every check on each.
 * @param themes The document's, where many batches of it are run; made anew if left out.
 */
export function runBatch(
  document: CheckedDocument,
  resources: Resources,
  batch: Batch,
  themes?: ReadonlyMap<string, Theme>,
): BatchResult {
  const { view: name, occasion, screens } = batch;
  const view = openView(document, name, { resources, everyTheme: themes, ...occasion });
  return lookAt(view, screens, checks);
}

/** Runs checks on a view that is open, on screens. */
export function lookAt(view: View, screens: readonly Screen[], run: readonly ListedCheck[]): BatchResult {
  const findings = new Findings();
  const acceptances = new Acceptances();
  const facts = new Map<Tree, FormFacts>();
  let standing: ViewLayout | undefined;
  const { width, height } = view.reference;
  const onReference = () => (standing ??= view.layoutOn({ width, height }));
  for (const screen of screens) {
    const on = view.layoutOn(screen);
    let same = facts.get(on.tree);
    if (!same) facts.set(on.tree, (same = new FormFacts(on.tree)));
    const subject = new Subject(on, same, onReference);
    for (const check of run) {
      check.run(subject, check.limit, (draft) => {
        const widget = on.widgets[draft.widget];
        if (!widget) throw new Error(`the check ${check.id} reported a widget that is not there`);
        const other = draft.other === undefined ? undefined : on.widgets[draft.other]!;
        if (acceptances.take(check.id, widget) || (other && acceptances.take(check.id, other))) return;
        const worst: Occurrence = {
          screen: screen.name,
          ...view.occasion,
          measured: draft.outcome === 'failed' ? draft.measured : null,
          limit: draft.limit ?? check.limit,
          scale: on.layout.frame.scale,
        };
        findings.add({
          check: check.id,
          outcome: draft.outcome,
          severity: check.severity,
          view: view.name,
          widget: widget.id,
          other: other?.id,
          pointer: draft.at ?? widget.pointer,
          place: undefined,
          unit: check.unit,
          fails: check.fails,
          worst,
          occurrences: [worst],
          facts: draft.facts,
          missing: draft.missing,
          reasons: draft.reasons,
        });
      });
    }
  }
  return { findings: findings.all, accepted: acceptances.used };
}
