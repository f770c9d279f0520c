import { distinct, shareOf, sidesOf, subtract, unionArea, within, type Polygon } from './polygon.ts';
import type { ViewProof } from './prove-document.ts';

/** How the sizes on which a view holds have changed: shares of all that both support, from 0 to 1, where nothing else is said. */
export interface ProofChange {
  readonly view: string;
  /** On which it did not hold, and does not. */
  readonly before: number;
  readonly now: number;
  /** On which it held and no longer does; did not and does now. */
  readonly lost: number;
  readonly gained: number;
  /** What is supported no more, as a share of what was; and what is newly, as a share of what is. */
  readonly dropped: number;
  readonly added: number;
}

/** What is kept of the proof of a view, to compare another with. */
export interface ProvedSizes {
  readonly view: string;
  /** Without corners where a view supports none of the sizes. */
  readonly region: Polygon;
  /** Sizes that fail, and those that are not proved: convex parts, which may overlap. */
  readonly open: readonly Polygon[];
}

export function sizesOf(proof: ViewProof): ProvedSizes {
  return { view: proof.view, region: proof.region, open: distinct(partsOf(proof)) };
}

/** Compares proofs, on the sizes that both speak of. Views that only one of the two has are left out. */
export function compareProofs(
  before: readonly (ViewProof | ProvedSizes)[],
  now: readonly (ViewProof | ProvedSizes)[],
): readonly ProofChange[] {
  return now.flatMap((one) => {
    const old = before.find(({ view }) => view === one.view);
    if (!old) return [];
    // What only one of the two supports is promised by that one alone.
    const both = isNone(old.region) ? [] : within(one.region, sidesOf(old.region));
    const whole = isNone(both) ? 0 : unionArea([both]);
    const [dropped, added] = [old, one].map(({ region }) => beyond(region, whole)) as [number, number];
    const { view } = one;
    if (whole === 0) return [{ view, before: 0, now: 0, lost: 0, gained: 0, dropped, added }];
    const [was, is] = [old, one].map((proof) =>
      ('open' in proof ? proof.open : partsOf(proof))
        .map((part) => within(part, sidesOf(both)))
        .filter((part) => part.length > 2),
    ) as [Polygon[], Polygon[]];
    const [areaBefore, areaNow] = [unionArea(was), unionArea(is)];
    return [
      {
        view,
        before: shareOf(areaBefore, whole),
        now: shareOf(areaNow, whole),
        lost: shareOf(unionArea(subtract(is, was, thinnest)), whole),
        gained: shareOf(unionArea(subtract(was, is, thinnest)), whole),
        dropped,
        added,
      },
    ];
  });
}

function isNone(region: Polygon): boolean {
  return region.length === 0;
}

/** The share of a region that is beyond a part of it of some area; what rounding leaves is none. */
function beyond(region: Polygon, area: number): number {
  if (isNone(region)) return 0;
  const whole = unionArea([region]);
  const share = 1 - area / whole;
  return share > roundedAway ? share : 0;
}

/** Baselines keep corners to a thousandth of a px. */
const roundedAway = 1e-6;

/** Everything that is no proof that a view holds: sizes that fail, and those that are not proved. */
export function partsOf({ failures, gaps }: Pick<ViewProof, 'failures' | 'gaps'>): readonly Polygon[] {
  return [...failures.flatMap((one) => one.parts), ...gaps.map(({ polygon }) => polygon)];
}

/** Thinner parts are what rounding leaves, in px. */
const thinnest = 0.01;
