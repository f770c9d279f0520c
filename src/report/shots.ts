import type { Finding, Occurrence, Verdict } from '../verdict/index.ts';
import type { CheckedDocument } from '../document/index.ts';
import { drawnRect } from '../inside/index.ts';
import { drawLayout, onPixels, type DrawList } from '../paint/index.ts';
import type { Screen } from '../screen/index.ts';
import {
  factors,
  occasionKey,
  openView,
  placesKey,
  type Occasion,
  type Resources,
  type View,
} from '../view/index.ts';

/** A view on a screen as a report shows it: on an occasion on which something was found there, else as the document starts. */
export interface Shot extends Occasion {
  readonly view: string;
  readonly screen: string;
  /** Other screens on which it looks the same and the same is found. */
  readonly alike: readonly string[];
  /** Device px. */
  readonly width: number;
  readonly height: number;
  readonly list: DrawList;
  readonly marks: readonly Mark[];
}

/** Where a finding is, in shares of the screen's width and height. */
export interface Mark {
  /** Index of the finding in the verdict. */
  readonly finding: number;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export interface ShotOptions {
  readonly resources: Resources;
  readonly screens: readonly Screen[];
}

/**
 * Every view on every screen, on as many occasions as show what was found, one after the other, so that no more than one drawing
 * has to be kept. Screens that look alike share a drawing: its `alike` is whole when all have been made.
 */
export function* shotsOf(document: CheckedDocument, verdict: Verdict, options: ShotOptions): Generator<Shot> {
  const { resources, screens } = options;
  const first: Occasion = {
    ...(Object.fromEntries(factors.map(({ key, list }) => [key, verdict[list][0]])) as unknown as Occasion),
    theme: document.themeName,
  };
  for (const name of verdict.views) {
    const outside = verdict.unsupported.find(({ view }) => view === name)?.screens ?? [];
    const opened = new Map<string, View>();
    const alikeBy = new Map<string, string[]>();
    for (const screen of screens) {
      // Nothing was looked at there, and a drawing without marks would say that all is well.
      if (outside.includes(screen.name)) continue;
      const here = verdict.findings.flatMap((finding, index) => {
        const found = finding.occurrences.filter(
          (one) => finding.view === name && one.screen === screen.name,
        );
        return found.length > 0 ? [{ finding, index, found }] : [];
      });
      for (const occasion of occasionsFor(here, screen.name) ?? [first]) {
        const key = occasionKey(occasion);
        const view = opened.get(key) ?? openView(document, name, { resources, ...occasion });
        opened.set(key, view);
        const drawnHere = here.flatMap(({ index, found }) =>
          found.some((one) => occasionKey(one) === key) ? [index] : [],
        );
        const look = [key, placesKey(view, screen), ...here.map(({ index }) => index), '', ...drawnHere].join(
          ' ',
        );
        const same = alikeBy.get(look);
        if (same) {
          same.push(screen.name);
          continue;
        }
        const alike: string[] = [];
        alikeBy.set(look, alike);
        const on = view.layoutOn(screen);
        const ids = new Map(on.widgets.map(({ id, index }) => [id, index]));
        const marks = here.flatMap(({ finding, index }) =>
          drawnHere.includes(index)
            ? marksOf(finding, index, ids, (at) => onPixels(drawnRect(at, on.widgets, on.layout)), screen)
            : [],
        );
        const { width, height } = screen;
        yield {
          ...view.occasion,
          view: name,
          screen: screen.name,
          alike,
          width,
          height,
          list: drawLayout(on),
          marks,
        };
      }
    }
  }
}

interface Here {
  readonly finding: Finding;
  readonly found: readonly Occurrence[];
}

/**
 * The occasions a screen is drawn on: the one that most of its findings are seen in, then others until each finding that
 * is worst on this screen is in one of the drawings. Undefined where nothing is found.
 */
function occasionsFor(here: readonly Here[], screen: string): readonly Occasion[] | undefined {
  if (here.length === 0) return undefined;
  const drawn: Occasion[] = [];
  let left = here;
  while (left.length > 0) {
    const counts = new Map<string, { occasion: Occasion; count: number }>();
    for (const { finding, found } of left) {
      const weight = finding.outcome === 'failed' ? 1000 : 1;
      for (const one of new Map(found.map((at) => [occasionKey(at), at])).values()) {
        const known = counts.get(occasionKey(one));
        if (known) known.count += weight;
        else counts.set(occasionKey(one), { occasion: one, count: weight });
      }
    }
    const { occasion } = [...counts.values()].reduce((most, one) => (one.count > most.count ? one : most));
    const key = occasionKey(occasion);
    drawn.push(occasion);
    left = left.filter(
      ({ finding, found }) =>
        finding.worst.screen === screen && !found.some((one) => occasionKey(one) === key),
    );
  }
  return drawn;
}

function marksOf(
  { widget, other }: Finding,
  finding: number,
  ids: ReadonlyMap<string, number>,
  rectOf: (index: number) => { x: number; y: number; width: number; height: number },
  screen: Screen,
): Mark[] {
  return [widget, other].flatMap((id) => {
    const index = id === undefined ? undefined : ids.get(id);
    if (index === undefined) return [];
    const { x, y, width, height } = rectOf(index);
    return [
      {
        finding,
        x: share(x, screen.width),
        y: share(y, screen.height),
        width: share(width, screen.width),
        height: share(height, screen.height),
      },
    ];
  });
}

/** To a ten thousandth: less than a px of a drawing. */
function share(of: number, whole: number): number {
  return Math.round((of / whole) * 10_000) / 10_000;
}
