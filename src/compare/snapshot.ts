import type { Widget } from '../dress/index.ts';
import { checks } from '../checks/index.ts';
import type { CheckedDocument, WidgetSource } from '../document/index.ts';
import { setText } from '../inside/index.ts';
import type { Layout } from '../layout/index.ts';
import {
  Results,
  SharedChecks,
  isWorse,
  keyOf,
  lookAt,
  planOf,
  type CheckOptions,
  type Finding,
} from '../verdict/index.ts';
import { occasionKey, openView, type Occasion } from '../view/index.ts';

/**
 * A widget on one screen: id, place of its parent in the list, x, y, width, height in device px, look, words and the lines they are set in as
 * fingerprints, place in the order in which they are drawn.
 */
export type SeenWidget = readonly [
  id: string,
  parent: number,
  x: number,
  y: number,
  width: number,
  height: number,
  look: number,
  words: number,
  lines: number,
  drawn: number,
];

/** A view on one occasion and screen. */
export interface SeenView {
  readonly view: string;
  readonly screen: string;
  readonly width: number;
  readonly height: number;
  readonly occasion: Occasion;
  readonly widgets: readonly SeenWidget[];
}

/** One finding, as far as it has to be known again. */
export interface SeenFinding {
  readonly key: string;
  readonly check: string;
  readonly view: string | undefined;
  readonly widget: string;
  readonly outcome: Finding['outcome'];
  readonly message: string;
  readonly fails: Finding['fails'];
  readonly unit: Finding['unit'];
  /** The layouts it is found in, and what is measured there: null of what is undecided. */
  readonly on: readonly SeenIn[];
}

/** A place in {@link Snapshot.seen} or {@link ofDocument}, and what is measured there, in the unit of the check. */
export type SeenIn = readonly [layout: number, measured: number | null];

/** In place of a layout, of what is found of the document as it is written. */
export const ofDocument = -1;

/** What a later version of a document is compared with: plain data that may be saved. */
export interface Snapshot {
  readonly views: readonly string[];
  readonly seen: readonly SeenView[];
  readonly findings: readonly SeenFinding[];
}

/**
 * Lays a document out and keeps where everything is, how it looks and what is found.
 * @param messageOf What a finding says. @throws NoSuchName for an unknown view, case, locale or theme.
 */
export function snapshotOf(
  document: CheckedDocument,
  options: CheckOptions,
  messageOf: (finding: Finding) => string,
): Snapshot {
  const plan = planOf(document, options);
  const results = new Results(document, plan);
  const shared = new SharedChecks(document, options.resources);
  const seen: SeenView[] = [];
  plan.batches.forEach(({ view: name, occasion, screens }, nth) => {
    const view = openView(document, name, {
      resources: options.resources,
      shared: shared.views,
      ...occasion,
    });
    results.add(nth, lookAt(view, screens, checks, shared));
    const prints = new Map<Widget, readonly [look: number, words: number]>();
    for (const screen of screens) {
      const { widgets: all, layout, tree } = view.layoutOn(screen);
      const drawn = new Int32Array(all.length);
      tree.order.forEach((index, nth) => (drawn[index] = nth));
      const widgets = all.map((widget): SeenWidget => {
        const { index, id, parent } = widget;
        let print = prints.get(widget);
        if (!print) prints.set(widget, (print = printsOf(widget)));
        const { x, y, width, height } = layout.rect(index);
        const place = [tenth(x), tenth(y), tenth(width), tenth(height)] as const;
        return [id, parent, ...place, ...print, linesPrint(widget, layout), drawn[index]!];
      });
      seen.push({
        view: name,
        screen: screen.name,
        width: screen.width,
        height: screen.height,
        occasion,
        widgets,
      });
    }
  });
  const { findings } = results.verdict();
  const nthOf = new Map(seen.map((one, nth) => [layoutKey(one), nth]));
  return {
    views: plan.views,
    seen,
    findings: seenFindings(findings, (one) => nthOf.get(one) ?? ofDocument, messageOf),
  };
}

/**
 * Findings as they are known again, the worst message of each. Widgets without an id are counted among those that are there: on one
 * screen one may go by the id that another one has elsewhere.
 */
function seenFindings(
  findings: readonly Finding[],
  nthOf: (layout: string) => number,
  messageOf: (finding: Finding) => string,
): readonly SeenFinding[] {
  const byKey = new Map<string, { readonly seen: SeenFinding; readonly worst: Finding }>();
  for (const finding of findings) {
    const { check, view, widget, outcome, fails, unit, occurrences } = finding;
    const key = keyFor(finding);
    const known = byKey.get(key);
    const on = occurrences.map((one): SeenIn => {
      const key = layoutKey({ view, screen: one.screen, occasion: one });
      return [nthOf(key), one.measured];
    });
    const worst = known && !isWorse(fails, finding.worst, known.worst.worst) ? known.worst : finding;
    const message = worst === finding ? messageOf(finding) : known!.seen.message;
    const all = [...(known?.seen.on ?? []), ...on];
    byKey.set(key, { worst, seen: { key, check, view, widget, outcome, message, fails, unit, on: all } });
  }
  return [...byKey.values()].map(({ seen }) => seen);
}

/**
 * The same finding in another document: what stands above a widget does not make it another one. Only promises are told
 * apart by their place.
 */
function keyFor(finding: Finding): string {
  return keyOf({ ...finding, pointer: finding.check === 'broken-promise' ? finding.pointer : '' });
}

function tenth(px: number): number {
  return Math.round(px * 10) / 10;
}

/** What makes two layouts the same one in two documents, and tells one from another in one. */
export function layoutKey({
  view,
  screen,
  occasion,
}: Pick<SeenView, 'screen' | 'occasion'> & Pick<SeenFinding, 'view'>): string {
  return [view, screen, occasionKey(occasion)].join('\n');
}

/** Keys beside those of a look that change how a widget is drawn where it stands. */
const drawnKeys = [
  'area',
  'fill-from',
  'flip',
  'image-position',
  'image-rendering',
  'overflow',
  'ring',
  'rotate',
  'segments',
  'shows-more',
  'skew',
  'slice',
  'slice-center',
  'slice-edges',
  'tile',
] as const;

/** What a widget looks like, and what it says, as numbers that differ when those do. */
function printsOf(widget: Widget): readonly [look: number, words: number] {
  const { look, visible, picture, text, value, trail, states, fit, kind, source } = widget;
  const keys = drawnKeys.map((key) => (source as WidgetSource)[key]);
  return [
    fingerprint(JSON.stringify([look, visible, picture?.name, states, fit, kind, keys])),
    fingerprint(JSON.stringify([text?.text, value, trail])),
  ];
}

/** The lines that the words of a widget are set in, as far as they are shown. */
function linesPrint(widget: Widget, layout: Layout): number {
  if (!widget.text) return 0;
  const { lines, shrink } = setText(widget, layout);
  return fingerprint(JSON.stringify([shrink, lines.map(({ runs }) => runs.map(({ text }) => text))]));
}

/** FNV-1a over UTF-16 units, kept to 32 bits. */
function fingerprint(text: string): number {
  let hash = 0x811c9dc5;
  for (let at = 0; at < text.length; at++) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193);
  return hash >>> 0;
}
