import type { CheckedDocument, Origin } from '../document/index.ts';
import type { Reason } from '../why/index.ts';
import type { Acceptances } from './acceptances.ts';
import type { Subject } from './subject/subject.ts';

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
  | 'missing-message'
  | 'missing-picture'
  | 'broken-promise'
  | 'gave-way'
  | 'pivot-at-odds'
  | 'drifted'
  | 'nearly-aligned'
  | 'cut-off'
  | 'covered'
  | 'shrunk-text'
  | 'long-lines'
  | 'faint-part'
  | 'states-alike'
  | 'stretched-picture'
  | 'blown-up-picture'
  | 'uneven-pixels'
  | 'slices-cross'
  | 'small-target'
  | 'swallowed-input'
  | 'unused-style'
  | 'unused-component'
  | 'unused-token'
  | 'idle-acceptance'
  | 'theme-gap'
  | 'nearly-same-size'
  | 'uneven-gaps'
  | 'colors-alike'
  | 'crowded-targets'
  | 'torn-apart'
  | 'tiny-part'
  | 'focus-astray'
  | 'focus-unreached'
  | 'drifted-instance'
  | 'idle-change';

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
  /** JSON Pointer of what it is about, where that is not the widget. */
  readonly at?: string;
  /** In place of the check's own limit. */
  readonly limit?: number;
  readonly reasons: readonly Reason[];
  /** What is missing to decide. */
  readonly missing?: string;
  /** A detail for the sentence: an edge, a colour. */
  readonly detail?: string;
}

/** What a check measures, in words, and where it fails. */
export interface Measured {
  readonly id: CheckId;
  readonly title: string;
  /** What is measured, in words. */
  readonly measures: string;
  readonly unit:
    | 'px'
    | 'u'
    | 'CSS px'
    | '%'
    | '×'
    | '′'
    | 'ΔE'
    | ':1'
    | 'characters'
    | 'messages'
    | 'pictures'
    | 'demands'
    | 'places';
  readonly limit: number;
  /** Whether a measured value fails above or below the limit. */
  readonly fails: 'above' | 'below';
  /** Where the limit is from. */
  readonly source: string;
  readonly severity: Severity;
}

/** One check of a layout. One file each; the registry lists them. */
export interface Check extends Measured {
  run(subject: Subject, limit: number, report: (draft: Draft) => void): void;
}

/** A document as it is written, and what was found out about it on the way. */
export interface Written {
  readonly document: CheckedDocument;
  /** Which acceptances took findings away; undefined where not everything was looked at. */
  readonly acceptances: Acceptances | undefined;
  /** Every check there is of a layout. */
  readonly checks: readonly CheckId[];
}

/** One thing that is wrong with what is written. */
export interface DocumentDraft {
  /** What it is about: a style, a theme, a component. */
  readonly about: string;
  readonly detail: string;
  readonly reason: string;
  /** The file; the document's own if left out. */
  readonly origin?: Origin;
  readonly pointer: string;
  /** 1 if left out. */
  readonly measured?: number;
}

/** One check of a document as it is written: whatever it reports has failed. One file each; the registry lists them. */
export interface DocumentCheck extends Measured {
  run(written: Written, report: (draft: DocumentDraft) => void, limit: number): void;
}
