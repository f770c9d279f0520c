import {
  apartOf,
  type Check,
  type CheckId,
  type Facts,
  type Outcome,
  type Severity,
} from '../checks/index.ts';
import type { Reason } from '../why/index.ts';
import type { Occasion } from '../view/index.ts';
import type { Coverage, Factors, Unsupported } from './plan.ts';

/** One screen and occasion a finding was made on. */
export interface Occurrence extends Occasion {
  readonly screen: string;
  /** In the check's unit; null of an undecided one. */
  readonly measured: number | null;
  readonly limit: number;
  /** Device px one u became. */
  readonly scale: number;
  /** What the sentence of it is made of beside numbers. */
  readonly facts: Facts;
}

/** What a check found of one widget (or two), all screens and occasions together. */
export interface Finding {
  readonly check: CheckId;
  readonly outcome: Outcome;
  readonly severity: Severity;
  /** Undefined of what concerns the document as it is written. */
  readonly view: string | undefined;
  /** Id of the widget; of the document's findings what it is about: a theme, a style. */
  readonly widget: string;
  /** Id of the other widget, where two are concerned. */
  readonly other: string | undefined;
  /** JSON Pointer of the widget in the document, or in the file of `place`. */
  readonly pointer: string;
  /** `file:line:column` where that is not in the document's own file. */
  readonly place: string | undefined;
  readonly unit: Check['unit'];
  readonly fails: Check['fails'];
  /** The worst of all occurrences; the reasons are of this one. */
  readonly worst: Occurrence;
  readonly occurrences: readonly Occurrence[];
  /** What its sentence and its remedies are made of beside numbers, as its check gives them. */
  readonly facts: Facts;
  readonly missing: string | undefined;
  readonly reasons: readonly Reason[];
}

/** What was run, and what came of it. */
export interface Verdict extends Factors {
  readonly views: readonly string[];
  readonly coverage: Coverage;
  /** Layouts that were checked. */
  readonly layouts: number;
  /** Layouts there would be of every combination of what varies. */
  readonly combinations: number;
  /** What was checked, where that is not every combination. */
  readonly looked: readonly Looked[];
  /** Screens on which views were not looked at, as they do not support them. */
  readonly unsupported: readonly Unsupported[];
  /** Acceptances of the document that accept a finding. */
  readonly accepted: number;
  readonly findings: readonly Finding[];
}

/** A view on one occasion, and the names of the screens it was looked at on. */
export interface Looked extends Occasion {
  readonly view: string;
  readonly screens: readonly string[];
}

/** What makes two findings the same one, on whatever layouts they are. */
export function keyOf({
  check,
  outcome,
  view,
  widget,
  other,
  missing,
  pointer,
  facts,
}: Omit<Finding, 'reasons'>): string {
  const apart = outcome === 'failed' ? apartOf(check, facts) : undefined;
  return `${check}\n${outcome}\n${view ?? ''}\n${widget}\n${other ?? ''}\n${missing ?? ''}\n${pointer}\n${apart ?? ''}`;
}

/** Findings of one widget and check, put together from all batches in their order. */
export class Findings {
  readonly #byKey = new Map<string, Finding & { occurrences: Occurrence[] }>();

  get all(): readonly Finding[] {
    return [...this.#byKey.values()];
  }

  /** Adds a finding; one that is known gets its occurrences, and its reasons where they are of a worse one. @param key `keyOf` it. */
  add(finding: Finding, key = keyOf(finding)): void {
    const known = this.#byKey.get(key);
    if (!known) {
      this.#byKey.set(key, { ...finding, occurrences: [...finding.occurrences] });
      return;
    }
    for (const one of finding.occurrences) known.occurrences.push(one);
    if (!isWorse(finding.fails, finding.worst, known.worst)) return;
    const { worst, facts, reasons } = finding;
    this.#byKey.set(key, { ...known, worst, facts, reasons });
  }
}

/** Whether one occurrence measures worse than another, by more than a tolerance; nothing is worse than undecided. */
export function isWorse(
  fails: Finding['fails'],
  one: Pick<Occurrence, 'measured'>,
  than: Pick<Occurrence, 'measured'>,
  tolerance = 0,
): boolean {
  if (one.measured === null || than.measured === null) return false;
  return fails === 'above'
    ? one.measured > than.measured + tolerance
    : one.measured < than.measured - tolerance;
}
