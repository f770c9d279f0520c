import {
  Acceptances,
  Subjects,
  checks,
  type AnyDraft,
  type ListedCheck,
  type Subject,
} from '../checks/index.ts';
import type { CheckedDocument } from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import { EffortSpent } from '../scene/index.ts';
import type { Screen, ScreenSize } from '../screen/index.ts';
import { SharedViews, occasionKey, openView, type Form, type Resources, type View } from '../view/index.ts';
import { Findings, keyOf as findingKey, type Finding, type Occurrence } from './finding.ts';
import type { Reason } from '../why/index.ts';
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

/** What a document was changed from: what a change does not concern need not be checked again. */
export interface ChangedFrom {
  readonly shared: SharedChecks;
  /** Whether a view is on a screen what it was; left out where nobody knows. */
  isSameOn?(view: View, screen: Screen | ScreenSize): boolean;
}

/** What batches of one document share: what their views do, and what checks found of forms that come again. */
export class SharedChecks {
  readonly views: SharedViews;
  readonly #document: CheckedDocument;
  readonly #resources: Resources;
  readonly #from: ChangedFrom | undefined;
  readonly #drafted = new WeakMap<Form, Map<string, Drafted>>();
  readonly #opened = new Map<string, ViewChecks>();

  /** @param from Where the document was made from another one by a change. */
  constructor(document: CheckedDocument, resources: Resources, from?: ChangedFrom) {
    this.#document = document;
    this.#resources = resources;
    this.#from = from?.isSameOn && from;
    this.views = new SharedViews(document, resources, from?.shared.views);
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

  /** What there is on a screen without the change, where that does not concern it. */
  before(view: View, screen: Screen): Drafted | undefined {
    const from = this.#from;
    // Some checks hold what is on a screen against the reference.
    if (!from?.isSameOn?.(view, screen) || !from.isSameOn(view, view.reference)) return undefined;
    return from.shared.#on(view, screen);
  }

  #on({ name, occasion }: View, screen: Screen): Drafted {
    const key = `${name}\n${occasionKey(occasion)}`;
    let known = this.#opened.get(key);
    if (!known) {
      const { views } = this;
      const view = openView(this.#document, name, { resources: this.#resources, shared: views, ...occasion });
      this.#opened.set(key, (known = new ViewChecks(view, checks, this)));
    }
    return known.on(screen).drafted;
  }
}

/** Screens of one run that have a name in common are the same one. */
function keyOf({ name, width, height }: Screen, hudSize: number): string {
  return `${name} ${width} ${height} ${hudSize}`;
}

/**
 * Called after each screen. May throw: then nothing more is looked at.
 * @param looks How much work it was: about so many widgets laid out and checked.
 * @param found What was found on it, by `keyOf` each; the same may be found twice.
 */
export type OnScreen = (looks: number, found: readonly (readonly [string, Finding])[]) => void;

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

/** Checks of one open view, on one screen after the other. */
class ViewChecks {
  readonly #view: View;
  readonly #run: readonly ListedCheck[];
  readonly #shared: SharedChecks | undefined;
  readonly #subjects: Subjects;

  constructor(view: View, run: readonly ListedCheck[], shared: SharedChecks | undefined) {
    this.#view = view;
    this.#subjects = new Subjects(view);
    this.#run = run;
    this.#shared = shared;
  }

  /** What is found on a screen, and how many comparisons that took. */
  on(screen: Screen): { readonly form: Form; readonly drafted: Drafted; readonly compared: number } {
    const view = this.#view;
    const shared = this.#shared;
    const { hudSize } = view.occasion;
    const form = view.formOn(view.frameOn(screen));
    const known = shared?.find(form, screen, hudSize);
    if (known) return { form, drafted: known, compared: 0 };
    const { drafted, compared } = this.#looked(form, screen, shared?.before(view, screen));
    shared?.keep(form, screen, hudSize, drafted);
    return { form, drafted, compared };
  }

  #looked(form: Form, screen: Screen, before: Drafted | undefined) {
    if (before) return { drafted: before, compared: 0 };
    const view = this.#view;
    const alike = form.alike && this.#shared?.find(form.alike, screen, view.occasion.hudSize);
    const drafted = new Map<number, readonly AnyDraft[]>();
    let subject: Subject | undefined;
    this.#run.forEach((check, nth) => {
      const known = check.readsColors ? undefined : alike;
      if (known) {
        const again = known.get(nth);
        if (again) drafted.set(nth, [...again]);
        return;
      }
      subject ??= this.#subjects.on(screen);
      // What is kept for other views may not keep this layout with it.
      const list = draftsOf(check, subject).map((one) => ({ ...one, reasons: workedOut(one.reasons) }));
      if (list.length > 0) drafted.set(nth, list);
    });
    return { drafted, compared: subject?.effort.compared ?? 0 };
  }
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
  const seen = new Set<Form>();
  const shown = new Set<string>();
  const ofView = new ViewChecks(view, run, shared);
  for (const screen of screens) {
    const { form, drafted, compared } = ofView.on(screen);
    const { scale } = view.frameOn(screen);
    if (!seen.has(form)) {
      seen.add(form);
      for (const { visible, pointer } of form.tree.widgets) if (visible) shown.add(pointer);
      for (const condition of form.tree.applied) shown.add(condition);
    }
    const on: Place = { view, screen, widgets: form.tree.widgets, scale };
    const here = [...drafted].flatMap(([nth, drafts]) =>
      findingsOf(run[nth]!, drafts, on, acceptances).map(
        (one) => [findingKey(one), one.explained()] as const,
      ),
    );
    for (const [key, one] of here) findings.add(one, key);
    onScreen?.(on.widgets.length + compared / comparisonsALook, here);
  }
  return { findings: findings.all, accepted: acceptances.used, shown: [...shown] };
}

/** A finding whose reasons are worked out once somebody asks for it as a whole. */
export type Unexplained = Omit<Finding, 'reasons'> & { readonly explained: () => Finding };

/** What one check finds on a screen. */
export function foundBy(view: View, check: ListedCheck, subject: Subject): readonly Unexplained[] {
  const { screen, layout, widgets } = subject;
  const on: Place = { view, screen, widgets, scale: layout.frame.scale };
  return findingsOf(check, draftsOf(check, subject), on, new Acceptances());
}

/** A view on a screen. */
interface Place {
  readonly view: View;
  readonly screen: Screen;
  readonly widgets: readonly Widget[];
  /** px a u. */
  readonly scale: number;
}

/** What a check drafted there, but for what is accepted. */
function findingsOf(
  check: ListedCheck,
  drafts: readonly AnyDraft[],
  { view, screen, widgets, scale }: Place,
  acceptances: Acceptances,
): readonly Unexplained[] {
  return drafts.flatMap((draft): readonly Unexplained[] => {
    const widget = widgets[draft.widget];
    if (!widget) throw new Error(`the check ${check.id} reported a widget that is not there`);
    const other = draft.other === undefined ? undefined : widgets[draft.other]!;
    if (acceptances.take(check.id, widget, widgets)) return [];
    if (other && acceptances.take(check.id, other, widgets)) return [];
    const worst: Occurrence = {
      screen: screen.name,
      ...view.occasion,
      measured: draft.outcome === 'failed' ? draft.measured : null,
      limit: draft.limit ?? check.limit,
      scale,
      facts: draft.facts,
    };
    const found: Omit<Finding, 'reasons'> = {
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
    };
    return [{ ...found, explained: () => ({ ...found, reasons: workedOut(draft.reasons) }) }];
  });
}

function workedOut(reasons: AnyDraft['reasons']): readonly Reason[] {
  return typeof reasons === 'function' ? reasons() : reasons;
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
