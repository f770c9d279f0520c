import { Acceptances, Subject, checks, type AnyDraft, type ListedCheck } from '../checks/index.ts';
import type { CheckedDocument } from '../document/index.ts';
import { EffortSpent, FormScene } from '../scene/index.ts';
import type { Screen } from '../screen/index.ts';
import {
  SharedViews,
  openView,
  type Form,
  type Resources,
  type View,
  type ViewLayout,
} from '../view/index.ts';
import { Findings, type Finding, type Occurrence } from './finding.ts';
import type { Batch } from './plan.ts';

/** The results of one batch: plain data that may go to another thread or into a file. */
export interface BatchResult {
  readonly findings: readonly Finding[];
  /** Pointers of the acceptances that accept a finding. */
  readonly accepted: readonly string[];
  /** Pointers of the widgets that were shown on any of its screens. */
  readonly shown: readonly string[];
}

/** What each check drafted of a form on a screen, by the check's place in the list; left out where it was nothing. */
type Drafted = ReadonlyMap<number, readonly AnyDraft[]>;

/** What batches of one document share: what their views do, and what checks found of forms that come again. */
export class SharedChecks {
  readonly views: SharedViews;
  readonly #drafted = new WeakMap<Form, Map<string, Drafted>>();

  /** @param like That of the document this one was made from by a change. */
  constructor(document: CheckedDocument, resources: Resources, like?: SharedChecks) {
    this.views = new SharedViews(document, resources, like?.views);
  }

  /** What was found of a form on a screen at a HUD size; undefined where nobody has looked yet. */
  find(form: Form, screen: Screen, hudSize: number): Drafted | undefined {
    return this.#drafted.get(form)?.get(keyOf(screen, hudSize));
  }

  keep(form: Form, screen: Screen, hudSize: number, drafted: Drafted): void {
    let known = this.#drafted.get(form);
    if (!known) this.#drafted.set(form, (known = new Map<string, Drafted>()));
    known.set(keyOf(screen, hudSize), drafted);
  }
}

/** Screens of one run that have a name in common are the same one. */
function keyOf({ name, width, height }: Screen, hudSize: number): string {
  return `${name} ${width} ${height} ${hudSize}`;
}

/**
 * Called after each screen. May throw: then nothing more is looked at.
 * @param looks How much work it was: about so many widgets laid out and checked.
 * @param found What was found on it.
 */
export type OnScreen = (looks: number, found: readonly Finding[]) => void;

/** Comparisons that cost as much as laying out and checking one widget. */
const comparisonsALook = 50;

/**
 * Lays one view out on one occasion, on its screens, and runs every check on each.
 * @param shared What batches of this document share.
 */
export function runBatch(
  document: CheckedDocument,
  resources: Resources,
  batch: Batch,
  shared = new SharedChecks(document, resources),
  onScreen?: OnScreen,
): BatchResult {
  const { view: name, occasion, screens } = batch;
  const view = openView(document, name, { resources, shared: shared.views, ...occasion });
  return lookAt(view, screens, checks, shared, onScreen);
}

/**
 * Runs checks on a view that is open, on screens.
 * @param shared Where every check is run on views that share: what was found before of a form that comes again, or of one
 * that differs in colours alone, is taken from there.
 */
export function lookAt(
  view: View,
  screens: readonly Screen[],
  run: readonly ListedCheck[],
  shared?: SharedChecks,
  onScreen?: OnScreen,
): BatchResult {
  const findings = new Findings();
  const acceptances = new Acceptances();
  const scenes = new Map<Form, FormScene>();
  const seen = new Set<Form>();
  const shown = new Set<string>();
  const { hudSize } = view.occasion;
  let standing: ViewLayout | undefined;
  const { width, height } = view.reference;
  const onReference = () => (standing ??= view.layoutOn({ width, height }));
  for (const screen of screens) {
    const frame = view.frameOn(screen);
    const form = view.formOn(frame);
    if (!seen.has(form)) {
      seen.add(form);
      for (const { visible, pointer } of form.tree.widgets) if (visible) shown.add(pointer);
      for (const condition of form.tree.applied) shown.add(condition);
    }
    let compared = 0;
    let drafted = shared?.find(form, screen, hudSize);
    if (!drafted) {
      const alike = form.alike && shared?.find(form.alike, screen, hudSize);
      const found = new Map<number, readonly AnyDraft[]>();
      let subject: Subject | undefined;
      run.forEach((check, nth) => {
        const known = check.readsColors ? undefined : alike;
        if (known) {
          const again = known.get(nth);
          if (again) found.set(nth, [...again]);
          return;
        }
        if (!subject) {
          let same = scenes.get(form);
          if (!same) scenes.set(form, (same = new FormScene(form.tree)));
          subject = new Subject(view.layoutOn(screen), same, onReference);
        }
        const list = draftsOf(check, subject);
        if (list.length > 0) found.set(nth, list);
      });
      compared = subject?.effort.compared ?? 0;
      drafted = found;
      shared?.keep(form, screen, hudSize, drafted);
    }
    const { widgets } = form.tree;
    const here: Finding[] = [];
    for (const [nth, drafts] of drafted) {
      const check = run[nth]!;
      for (const draft of drafts) {
        const widget = widgets[draft.widget];
        if (!widget) throw new Error(`the check ${check.id} reported a widget that is not there`);
        const other = draft.other === undefined ? undefined : widgets[draft.other]!;
        if (acceptances.take(check.id, widget, widgets)) continue;
        if (other && acceptances.take(check.id, other, widgets)) continue;
        const worst: Occurrence = {
          screen: screen.name,
          ...view.occasion,
          measured: draft.outcome === 'failed' ? draft.measured : null,
          limit: draft.limit ?? check.limit,
          scale: frame.scale,
          facts: draft.facts,
        };
        here.push({
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
      }
    }
    for (const one of here) findings.add(one);
    onScreen?.(widgets.length + compared / comparisonsALook, here);
  }
  return { findings: findings.all, accepted: acceptances.used, shown: [...shown] };
}

/** What a check finds on a screen, and whether it has compared all there is: only so much is (`Effort`). */
export function askedOf(
  check: ListedCheck,
  subject: Subject,
): { readonly drafts: readonly AnyDraft[]; readonly isWhole: boolean } {
  const drafts: AnyDraft[] = [];
  subject.effort.renew();
  try {
    check.run(subject, check.limit, (draft) => {
      subject.effort.tell();
      drafts.push(draft);
    });
  } catch (error) {
    if (!(error instanceof EffortSpent)) throw error;
    return { drafts, isWhole: false };
  }
  return { drafts, isWhole: true };
}

/** The same; where that is not all, it says so as the last. */
function draftsOf(check: ListedCheck, subject: Subject): readonly AnyDraft[] {
  const { drafts, isWhole } = askedOf(check, subject);
  if (isWhole) return drafts;
  const missing = 'so much lies in one place that not all of it was compared';
  return [...drafts, { outcome: 'undecided', widget: 0, measured: NaN, missing, reasons: [] }];
}
