import type { CheckedDocument, Origin, PromiseSource } from '../document/index.ts';
import { screens as catalogue, type Screen } from '../screen/index.ts';
import {
  NoSuchName,
  localesOf,
  openView,
  type Resources,
  type View,
  type ViewLayout,
} from '../view/index.ts';
import type { Reason } from '../why/index.ts';
import { Acceptances } from './acceptances.ts';
import { idsIn, promiseCheck } from './broken-promise.ts';
import type { Check, CheckId, Outcome, Severity } from './check.ts';
import { checks, documentChecks } from './registry.ts';
import { Subject } from './subject.ts';

/** One screen and case a finding was made on. */
export interface Occurrence {
  readonly screen: string;
  readonly case: string | undefined;
  readonly locale: string;
  /** The name of the theme; undefined where the document has none by name. */
  readonly theme: string | undefined;
  /** In the check's unit; null of an undecided one. */
  readonly measured: number | null;
  readonly limit: number;
  /** Device px one u became. */
  readonly scale: number;
}

/** What a check found of one widget (or two), all screens and cases together. */
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
  /** An edge or side, for the sentence. */
  readonly detail: string | undefined;
  readonly missing: string | undefined;
  readonly reasons: readonly Reason[];
}

/** What was run, and what came of it. */
export interface Verdict {
  readonly views: readonly string[];
  readonly screens: readonly string[];
  readonly cases: readonly (string | undefined)[];
  readonly locales: readonly string[];
  readonly themes: readonly (string | undefined)[];
  /** Layouts that were checked. */
  readonly layouts: number;
  /** Acceptances of the document that took a finding away. */
  readonly accepted: number;
  readonly findings: readonly Finding[];
}

export interface CheckOptions {
  readonly resources: Resources;
  readonly screens: readonly Screen[];
  /** All views if left out. */
  readonly views?: readonly string[];
  /** All cases if left out. */
  readonly cases?: readonly string[];
  /** The document's language and all it has catalogs for if left out. */
  readonly locales?: readonly string[];
  /** All the document has by name if left out; the one it is seen in where that is none of them. */
  readonly themes?: readonly string[];
  readonly hudSize?: number;
}

/**
 * Lays views out on screens, with every case, and runs every check on each.
 * @throws NoSuchName for an unknown view or case. @throws RangeError for a HUD size outside 0.1 to 10.
 */
export function checkDocument(document: CheckedDocument, options: CheckOptions): Verdict {
  const views = options.views ?? Object.keys(document.source.views);
  const caseNames = options.cases ?? Object.keys(document.source.cases ?? {});
  const cases: readonly (string | undefined)[] = caseNames.length === 0 ? [undefined] : caseNames;
  const locales = options.locales ?? localesOf(document, options.resources);
  const themes = options.themes ?? themesOf(document);
  const collected = new Map<string, Collected>();
  const acceptances = new Acceptances();
  const { resources, hudSize } = options;
  for (const name of views) {
    for (const locale of locales) {
      for (const theme of themes) {
        for (const caseName of cases) {
          const view = openView(document, name, { resources, hudSize, case: caseName, locale, theme });
          lookAt(view, locale, options.screens, collected, acceptances);
        }
      }
    }
  }
  return {
    views,
    screens: options.screens.map((screen) => screen.name),
    cases,
    locales,
    themes,
    layouts: views.length * locales.length * themes.length * cases.length * options.screens.length,
    accepted: acceptances.count,
    findings: [
      ...checkWritten(document, isWhole(options) ? acceptances : undefined),
      ...[...collected.values()].map(({ finding }) => finding),
    ],
  };
}

/** Whether everything the document has was looked at, on as many screens as the catalogue has. */
function isWhole({ views, cases, locales, themes, screens }: CheckOptions): boolean {
  return !views && !cases && !locales && !themes && screens.length >= catalogue.length;
}

/** What concerns the document whatever screen it is on. */
function checkWritten(document: CheckedDocument, acceptances: Acceptances | undefined): Finding[] {
  const found: Finding[] = [];
  const written = { document, acceptances, checks: checks.map(({ id }) => id) };
  for (const check of documentChecks) {
    check.run(written, ({ about, detail, reason, origin = document.origin, pointer }) => {
      found.push({
        check: check.id,
        outcome: 'failed',
        severity: check.severity,
        view: undefined,
        widget: about,
        other: undefined,
        pointer,
        place: origin === document.origin ? undefined : placeIn(origin, pointer),
        unit: check.unit,
        fails: check.fails,
        worst: { ...nowhere, measured: 1, limit: check.limit },
        occurrences: [],
        detail,
        missing: undefined,
        reasons: [{ text: reason, pointer }],
      });
    });
  }
  return found;
}

/** `file:line:column` of a pointer in another file than the document's. */
function placeIn(origin: Origin, pointer: string): string | undefined {
  const { source, range } = origin.at(pointer);
  if (!source || !range) return source?.name;
  const { line, column } = source.placeOf(range.start);
  return `${source.name}:${line}:${column}`;
}

const nowhere = { screen: '', case: undefined, locale: '', theme: undefined, scale: 1 } as const;

/** The themes a document is checked in. */
function themesOf({ named, themeName }: CheckedDocument): readonly (string | undefined)[] {
  return named.size === 0 || themeName === undefined ? [undefined] : [...named.keys()];
}

/** Every finding of one opened view, all screens together. */
export function checkView(
  view: View,
  screens: readonly Screen[],
  only: readonly Check[] = checks,
): Finding[] {
  const collected = new Map<string, Collected>();
  lookAt(view, view.variant.locale, screens, collected, new Acceptances(), only);
  return [...collected.values()].map(({ finding }) => finding);
}

/**
 * What of a promise does not hold of a view, all screens together.
 * @throws NoSuchName for a widget that is there on none of them: a promise of nothing would always hold.
 */
export function keptOn(view: View, promise: PromiseSource, screens: readonly Screen[]): Finding[] {
  const ids = new Set(
    screens.flatMap((screen) => view.formOn(view.frameOn(screen)).tree.widgets.map(({ id }) => id)),
  );
  for (const id of idsIn(promise)) if (!ids.has(id)) throw new NoSuchName('widget', id, [...ids]);
  return checkView(view, screens, [promiseCheck(() => [promise])]);
}

interface Collected {
  finding: Finding & { occurrences: Occurrence[] };
}

function lookAt(
  view: View,
  locale: string,
  screens: readonly Screen[],
  collected: Map<string, Collected>,
  acceptances: Acceptances,
  run: readonly Check[] = checks,
): void {
  let standing: ViewLayout | undefined;
  const { width, height } = view.reference;
  const onReference = () => (standing ??= view.layoutOn({ width, height }));
  for (const screen of screens) {
    const on = view.layoutOn(screen);
    const subject = new Subject(on, onReference);
    for (const check of run) {
      check.run(subject, check.limit, (draft) => {
        const widget = on.widgets[draft.widget];
        if (!widget) throw new Error(`the check ${check.id} reported a widget that is not there`);
        if (acceptances.take(check.id, widget)) return;
        if (draft.other !== undefined && acceptances.take(check.id, on.widgets[draft.other]!)) return;
        const other = draft.other === undefined ? undefined : on.widgets[draft.other]!.id;
        const failed = draft.outcome === 'failed';
        const occurrence: Occurrence = {
          screen: screen.name,
          case: view.case,
          locale,
          theme: view.variant.theme.name,
          measured: failed ? draft.measured : null,
          limit: draft.limit ?? check.limit,
          scale: subject.layout.frame.scale,
        };
        const key = [
          check.id,
          draft.outcome,
          view.name,
          widget.id,
          other ?? '',
          draft.missing ?? '',
          draft.at ?? '',
        ].join('\n');
        const known = collected.get(key);
        if (!known) {
          collected.set(key, {
            finding: {
              check: check.id,
              outcome: draft.outcome,
              severity: check.severity,
              view: view.name,
              widget: widget.id,
              other,
              pointer: draft.at ?? widget.pointer,
              place: undefined,
              unit: check.unit,
              fails: check.fails,
              worst: occurrence,
              occurrences: [occurrence],
              detail: draft.detail,
              missing: draft.missing,
              reasons: draft.reasons,
            },
          });
          return;
        }
        known.finding.occurrences.push(occurrence);
        if (isWorse(check, occurrence, known.finding.worst)) {
          known.finding = {
            ...known.finding,
            worst: occurrence,
            detail: draft.detail,
            reasons: draft.reasons,
          };
        }
      });
    }
  }
}

function isWorse(check: Check, one: Occurrence, than: Occurrence): boolean {
  if (one.measured === null || than.measured === null) return false;
  return check.fails === 'above' ? one.measured > than.measured : one.measured < than.measured;
}
