import type { Widget } from '../dress/index.ts';
import { checks } from '../checks/index.ts';
import type { CheckedDocument } from '../document/index.ts';
import {
  Results,
  SharedChecks,
  keyOf,
  lookAt,
  planOf,
  type CheckOptions,
  type Finding,
} from '../verdict/index.ts';
import { openView, type Occasion } from '../view/index.ts';

/** A widget on one screen: id, place of its parent in the list, x, y, width, height in device px, look and words as fingerprints. */
export type SeenWidget = readonly [
  id: string,
  parent: number,
  x: number,
  y: number,
  width: number,
  height: number,
  look: number,
  words: number,
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
}

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
      const on = view.layoutOn(screen);
      const widgets = on.widgets.map((widget): SeenWidget => {
        let print = prints.get(widget);
        if (!print) prints.set(widget, (print = printsOf(widget)));
        const { x, y, width, height } = on.layout.rect(widget.index);
        return [widget.id, widget.parent, tenth(x), tenth(y), tenth(width), tenth(height), ...print];
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
  return {
    views: plan.views,
    seen,
    findings: findings.map((finding) => ({
      key: keyFor(finding),
      check: finding.check,
      view: finding.view,
      widget: finding.widget,
      outcome: finding.outcome,
      message: messageOf(finding),
    })),
  };
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

/** What a widget looks like, and what it says, as numbers that differ when those do. */
function printsOf({ look, visible, picture, text, value, trail, states }: Widget): readonly [number, number] {
  return [
    fingerprint(JSON.stringify([look, visible, picture?.name, states])),
    fingerprint(JSON.stringify([text?.text, value, trail])),
  ];
}

/** FNV-1a over UTF-16 units, kept to 32 bits. */
function fingerprint(text: string): number {
  let hash = 0x811c9dc5;
  for (let at = 0; at < text.length; at++) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193);
  return hash >>> 0;
}
