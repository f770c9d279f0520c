import { isWorse } from '../verdict/index.ts';
import { layoutKey, ofDocument, type SeenFinding, type SeenIn, type Snapshot } from './snapshot.ts';

/** A finding of both documents. */
export interface FoundAgain {
  readonly before: SeenFinding;
  readonly now: SeenFinding;
  /** Layouts that both documents were laid out in, in which it was found before, and is found now. */
  readonly layouts: readonly [before: number, now: number];
  /** In how many it is now and was not, or is worse than it was. */
  readonly worse: number;
}

/** What became of findings. */
export interface FindingChanges {
  readonly new: readonly SeenFinding[];
  /** Found in a layout in which it was not, or worse in one in which it was. */
  readonly worse: readonly FoundAgain[];
  /** Found in fewer layouts, or less bad in one, and worse in none. */
  readonly better: readonly FoundAgain[];
  readonly unchanged: readonly SeenFinding[];
  readonly gone: readonly SeenFinding[];
}

/** What differs by no more than this is the same: px and what is as large as they are; a hundredth of other units. */
const tolerances: ReadonlyMap<SeenFinding['unit'], number> = new Map([
  ['px', 0.5],
  ['u', 0.5],
  ['CSS px', 0.5],
  ['%', 0.5],
]);
const otherTolerance = 0.01;

/** Compares what was found of two documents; of findings of both, in the layouts that both were laid out in. */
export function changesOfFindings(old: Snapshot, now: Snapshot): FindingChanges {
  const known = new Map(old.findings.map((one) => [one.key, one]));
  const later = new Set(now.findings.map(({ key }) => key));
  const shared = sharedLayouts(old, now);
  const again = now.findings.flatMap((one) => {
    const before = known.get(one.key);
    return before ? [foundAgain(before, one, shared)] : [];
  });
  const those = (which: Became) => again.flatMap(({ became, found }) => (became === which ? [found] : []));
  return {
    new: now.findings.filter(({ key }) => !known.has(key)),
    worse: those('worse'),
    better: those('better'),
    unchanged: those('unchanged').map((found) => found.now),
    gone: old.findings.filter(({ key }) => !later.has(key)),
  };
}

type Became = 'worse' | 'better' | 'unchanged';

/** Places of layouts that both have: those of now by those of before. */
function sharedLayouts(old: Snapshot, now: Snapshot): ReadonlyMap<number, number> {
  const nths = new Map(now.seen.map((one, nth) => [layoutKey(one), nth]));
  const shared = new Map([[ofDocument, ofDocument]]);
  old.seen.forEach((one, nth) => {
    const at = nths.get(layoutKey(one));
    if (at !== undefined) shared.set(nth, at);
  });
  return shared;
}

function foundAgain(
  before: SeenFinding,
  now: SeenFinding,
  shared: ReadonlyMap<number, number>,
): { readonly became: Became; readonly found: FoundAgain } {
  const there = new Set(shared.values());
  const tolerance = tolerances.get(now.unit) ?? otherTolerance;
  const isBeyond = (one: SeenIn[1], than: SeenIn[1], by: number) =>
    isWorse(now.fails, { measured: one }, { measured: than }, by);
  /** By layout, the worst of what was measured there: several places of a document may go by one name. */
  const worstIn = (on: readonly SeenIn[], placeNow: (nth: number) => number | undefined) => {
    const worst = new Map<number, SeenIn[1]>();
    for (const [nth, measured] of on) {
      const at = placeNow(nth);
      if (at === undefined) continue;
      const known = worst.get(at);
      if (known === undefined || isBeyond(measured, known, 0)) worst.set(at, measured);
    }
    return worst;
  };
  const was = worstIn(before.on, (nth) => shared.get(nth));
  const is = worstIn(now.on, (nth) => (there.has(nth) ? nth : undefined));
  const layouts = [was.size, is.size] as const;
  let [worse, better] = [0, 0];
  for (const [nth, measured] of is) {
    const earlier = was.get(nth);
    if (earlier === undefined || isBeyond(measured, earlier, tolerance)) worse++;
    else if (isBeyond(earlier, measured, tolerance)) better++;
    was.delete(nth);
  }
  return {
    became: worse > 0 ? 'worse' : better + was.size > 0 ? 'better' : 'unchanged',
    found: { before, now, layouts, worse },
  };
}
