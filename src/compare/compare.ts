import { drawnOtherwise } from './drawn-order.ts';
import { changesOfFindings, type FindingChanges } from './found.ts';
import { layoutKey, type SeenView, type SeenWidget, type Snapshot } from './snapshot.ts';

/** What may become of a widget. */
export type ChangeKind = 'new' | 'gone' | 'moved' | 'resized' | 'order' | 'looks' | 'says';

/** One thing that became of one widget, all screens together. */
export interface WidgetChange {
  readonly view: string;
  readonly widget: string;
  readonly kind: ChangeKind;
  /** Names of the screens it is so on. */
  readonly screens: readonly string[];
  /** The languages it is so in; empty where layouts have none. */
  readonly locales: readonly string[];
  /** The largest distance, in device px; 0 where nothing is measured. */
  readonly by: number;
  /** Where it is most. */
  readonly worst: SeenView;
  /** Width and height there, in device px; undefined where it is not. */
  readonly from: readonly [width: number, height: number] | undefined;
  readonly to: readonly [width: number, height: number] | undefined;
}

/** What is different between two documents. */
export interface Comparison {
  readonly views: {
    readonly new: readonly string[];
    readonly gone: readonly string[];
    /** Of both, and no layout of it is in both: nothing of it was compared. */
    readonly apart: readonly string[];
  };
  readonly changes: readonly WidgetChange[];
  /** Layouts in which something changed, in the order they were made in: plain ones before others. */
  readonly changed: readonly ChangedLayout[];
  readonly findings: FindingChanges;
  /** Layouts of both that were compared. */
  readonly layouts: number;
  /** Layouts that only one of the two has: other screens, cases or languages. */
  readonly unmatched: number;
}

/** A layout, and what changed in it. */
export interface ChangedLayout {
  readonly at: SeenView;
  /** Places in {@link Comparison.changes}. */
  readonly changes: readonly number[];
}

type Size = readonly [width: number, height: number];

/** A change while layouts are gone through. */
type Collected = Omit<WidgetChange, 'screens' | 'locales'> & {
  /** Its place in {@link Comparison.changes}. */
  readonly nth: number;
  readonly screens: Set<string>;
  readonly locales: Set<string>;
};

/** Less than this, in device px, is no movement. */
const still = 0.5;

/** Compares two snapshots, layout by layout. */
export function compareSnapshots(old: Snapshot, now: Snapshot): Comparison {
  const before = new Map(old.seen.map((one) => [layoutKey(one), one]));
  const changes = new Map<string, Collected>();
  const changed: ChangedLayout[] = [];
  const compared = new Set<string>();
  let layouts = 0;
  for (const one of now.seen) {
    const was = before.get(layoutKey(one));
    if (!was) continue;
    layouts++;
    compared.add(one.view);
    const mine: number[] = [];
    compareViews(was, one, (kind, widget, by, from, to) => {
      const key = `${one.view}\n${widget}\n${kind}`;
      const known = changes.get(key);
      mine.push(known?.nth ?? changes.size);
      const { locale } = one.occasion;
      if (!known) {
        changes.set(key, {
          nth: changes.size,
          view: one.view,
          widget,
          kind,
          screens: new Set([one.screen]),
          locales: new Set(locale === undefined ? [] : [locale]),
          by,
          worst: one,
          from,
          to,
        });
        return;
      }
      known.screens.add(one.screen);
      if (locale !== undefined) known.locales.add(locale);
      // A step on a small screen is larger than the same on a large one.
      if (by * shareOf(one) > known.by * shareOf(known.worst))
        changes.set(key, { ...known, by, worst: one, from, to });
    });
    if (mine.length > 0) changed.push({ at: one, changes: mine });
  }
  const ranked = [...changes.values()].map(({ nth: _nth, screens, locales, ...one }): WidgetChange => ({
    ...one,
    screens: [...screens],
    locales: [...locales],
  }));
  return {
    views: {
      new: now.views.filter((name) => !old.views.includes(name)),
      gone: old.views.filter((name) => !now.views.includes(name)),
      apart: now.views.filter((name) => old.views.includes(name) && !compared.has(name)),
    },
    changes: ranked,
    changed,
    findings: changesOfFindings(old, now),
    layouts,
    unmatched: old.seen.length + now.seen.length - 2 * layouts,
  };
}

function compareViews(
  was: SeenView,
  is: SeenView,
  tell: (kind: ChangeKind, widget: string, by: number, from: Size | undefined, to: Size | undefined) => void,
): void {
  const old = new Map(was.widgets.map((widget) => [widget[0], widget]));
  const now = new Map(is.widgets.map((widget) => [widget[0], widget]));
  for (const [id, , , , width, height] of was.widgets)
    if (!now.has(id)) tell('gone', id, Math.max(width, height), [width, height], undefined);
  // What is carried along has not moved in what it is in: by index, how far everything in a widget goes with it.
  const carried = new Map<number, Shift>();
  for (const [at, widget] of is.widgets.entries()) {
    const [id, parent, , , width, height, look, words, lines] = widget;
    const before = old.get(id);
    if (!before) {
      tell('new', id, Math.max(width, height), undefined, [width, height]);
      continue;
    }
    const [x, y] = shift(before, widget);
    const along = carried.get(parent) ?? noShift;
    const moved = Math.hypot(x - along[0], y - along[1]);
    // Steps too small to tell, one in the other, come to one that is told.
    carried.set(at, moved > still ? [x, y] : along);
    const [from, to]: [Size, Size] = [
      [before[4], before[5]],
      [width, height],
    ];
    if (moved > still) tell('moved', id, moved, from, to);
    const grown = Math.max(Math.abs(width - before[4]), Math.abs(height - before[5]));
    if (grown > still) tell('resized', id, grown, from, to);
    // In a box of another size, words stand in other lines.
    const isSetOtherwise = lines !== before[8] && grown <= still && words === before[7];
    if (look !== before[6] || isSetOtherwise) tell('looks', id, 0, from, to);
    if (words !== before[7]) tell('says', id, 0, from, to);
  }
  for (const [id, , , , width, height] of drawnOtherwise(was, is))
    tell('order', id, 0, [width, height], [width, height]);
}

/** One px as a share of the shorter side. */
function shareOf({ width, height }: SeenView): number {
  return 1 / Math.max(1, Math.min(width, height));
}

type Shift = readonly [x: number, y: number];
const noShift: Shift = [0, 0];

function shift(from: SeenWidget, to: SeenWidget): Shift {
  return [to[2] - from[2], to[3] - from[3]];
}
