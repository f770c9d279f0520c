import type { Reason } from '../why/index.ts';
import type { Subject } from './subject.ts';

export type CheckId =
  | 'off-screen'
  | 'outside-safe-area'
  | 'overlap'
  | 'bursts-parent'
  | 'cut-text'
  | 'small-text'
  | 'coarse-text'
  | 'low-contrast'
  | 'missing-glyph'
  | 'missing-message';

export type Severity = 'error' | 'warning';

/** failed: beyond the limit. undecided: something needed to decide is missing, and `missing` says what. */
export type Outcome = 'failed' | 'undecided';

/** What a check says of one widget on one screen. */
export interface Draft {
  readonly outcome: Outcome;
  /** Index of the widget. */
  readonly widget: number;
  /** Index of the other widget, where two are concerned. */
  readonly other?: number;
  /** In the check's unit; not a number of an undecided one. */
  readonly measured: number;
  /** In place of the check's own limit. */
  readonly limit?: number;
  readonly reasons: readonly Reason[];
  /** What is missing to decide. */
  readonly missing?: string;
  /** A detail for the sentence: an edge, a colour. */
  readonly detail?: string;
}

/** One check: what it measures, and how. One file each; the registry lists them. */
export interface Check {
  readonly id: CheckId;
  readonly title: string;
  /** What is measured, in words. */
  readonly measures: string;
  readonly unit: 'px' | '′' | ':1' | 'characters' | 'messages';
  readonly limit: number;
  /** Whether a measured value fails above or below the limit. */
  readonly fails: 'above' | 'below';
  /** Where the limit is from. */
  readonly source: string;
  readonly severity: Severity;
  run(subject: Subject, limit: number, report: (draft: Draft) => void): void;
}
