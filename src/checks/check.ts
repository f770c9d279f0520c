import type { CheckedDocument, Origin } from '../document/index.ts';
import type { Reason } from '../why/index.ts';
import type { Acceptances } from './acceptances.ts';
import type { RemedyName } from './remedies.ts';
import type { Subject } from './subject/subject.ts';

export type Severity = 'error' | 'warning';

/** failed: beyond the limit. undecided: something needed to decide is missing, and `missing` says what. */
export type Outcome = 'failed' | 'undecided';

/** Facts of a finding that its sentence and its remedies are made of; each check has its own, or none. */
type WithFacts<Facts> = [Facts] extends [undefined]
  ? { readonly facts?: undefined }
  : { readonly facts: Facts };

/** What a check says of one widget on one screen. */
export type Draft<Facts = undefined> =
  (About & WithFacts<Facts> & { readonly outcome: 'failed'; readonly missing?: undefined }) | Undecided;

/** What a check cannot decide. */
export type Undecided = About & {
  readonly outcome: 'undecided';
  readonly facts?: undefined;
  /** What is missing to decide. */
  readonly missing: string;
};

interface About {
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
  readonly reasons: readonly Reason[] | WorkedOut;
}

/** Reasons that are worked out where the finding is told: most are found again, worse, on another screen. */
export type WorkedOut = () => readonly Reason[];

/** A finding as its sentence tells it. */
export interface Said<Facts> {
  readonly facts: Facts;
  /** The id of the other widget, where two are concerned. */
  readonly other: string | undefined;
  /** The locale it was found in. */
  readonly locale: string;
  /** Numbers as people read them. */
  readonly measured: string;
  readonly limit: string;
}

/** A finding as its cause is told. */
export interface Told<Facts> {
  readonly facts: Facts;
  /** The locales it was found in. */
  readonly locales: readonly string[];
}

/** What a check measures and says, and where it fails. */
export interface Measured<Facts> {
  readonly id: string;
  readonly title: string;
  /** What is measured, in words. */
  readonly measures: string;
  readonly unit:
    | 'px'
    | 'u'
    | 'CSS px'
    | 'mm'
    | '%'
    | '×'
    | '′'
    | 'ΔE'
    | ':1'
    | 'characters'
    | 'messages'
    | 'pictures'
    | 'demands'
    | 'forms'
    | 'places';
  readonly limit: number;
  /** Whether a measured value fails above or below the limit. */
  readonly fails: 'above' | 'below';
  /** Where the limit is from. */
  readonly source: string;
  readonly severity: Severity;
  /** What it says of a widget, as the rest of a sentence that starts with the widget's id. */
  sentence(said: Said<Facts>): string;
  /**
   * What would have to be changed, where that is not the widget itself but something several widgets have in common: such
   * findings are read as one. Undefined where it is the widget.
   */
  cause?(told: Told<Facts>): string | undefined;
  /** What it measures is small where the scale is: where much of a view is found on some screens, that is read as one. */
  readonly growsWithScale?: true;
  /** What tells two findings of one widget apart beside the other widget; left out, or undefined, where nothing does. */
  apart?(facts: Facts): string | undefined;
  /** What may mend it, in the order it is tried; left out where nobody can know. */
  readonly remedies?: readonly RemedyName[];
}

/** One check of a layout. One file each; the registry lists them. */
export interface Check<Facts = undefined> extends Measured<Facts> {
  /** Whether what it finds follows from colours: such a check is run again where nothing but colours differs. */
  readonly readsColors?: boolean;
  run(subject: Subject, limit: number, report: (draft: Draft<Facts>) => void): void;
}

/** A document as it is written. */
export interface Written {
  readonly document: CheckedDocument;
  /** The id of every check there is. */
  readonly checks: readonly string[];
}

/** What was found out on the way where everything was looked at: every view, on every screen, in all that varies. */
export interface WhollyLooked {
  /** Which acceptances took findings away. */
  readonly acceptances: Acceptances;
  /** Pointers of the widgets that were shown, and of the conditions that held. */
  readonly shown: ReadonlySet<string>;
}

/** One thing that is wrong with what is written. */
export type DocumentDraft<Facts = undefined> = WithFacts<Facts> & AboutWritten;

interface AboutWritten {
  /** What it is about: a style, a theme, a component. */
  readonly about: string;
  readonly reason: string;
  /** The file; the document's own if left out. */
  readonly origin?: Origin;
  readonly pointer: string;
  /** 1 if left out. */
  readonly measured?: number;
}

/** One check of a document as it is written: whatever it reports has failed. One file each; the registry lists them. */
export type DocumentCheck<Facts = undefined> = Measured<Facts> & (OfWritten<Facts> | OfLooked<Facts>);

type Report<Facts> = (draft: DocumentDraft<Facts>) => void;

interface OfWritten<Facts> {
  readonly needsAll?: undefined;
  run(written: Written, report: Report<Facts>, limit: number): void;
}

/** One that can only tell when everything was looked at. */
interface OfLooked<Facts> {
  readonly needsAll: true;
  run(written: Written & WhollyLooked, report: Report<Facts>, limit: number): void;
}
