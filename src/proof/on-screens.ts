import { checks, type ListedCheck } from '../checks/index.ts';
import { keyOf, lookAt, type Finding } from '../verdict/index.ts';
import type { View } from '../view/index.ts';
import { insideOf, type Point, type Polygon } from './polygon.ts';
import { screenOf, type Device } from './region.ts';
import type { HudRange, Piece } from './surfaces.ts';

/* What was proved of surfaces, told as the checks tell it on a screen at a HUD size. */

/** A screen, in px, and a HUD size. */
export interface OnScreen {
  readonly hudSize: number;
  readonly width: number;
  readonly height: number;
}

/** HUD sizes nearer to each other than this are the same. */
const rounding = 1e-9;

/** Whether screens have any surfaces of a part within a range: beside a curve, others are looked at too. */
export function isReached(piece: Piece, part: Polygon, range: HudRange): boolean {
  const { least, most } = piece.hudSizesOf(part);
  return least <= range.most + rounding && most >= range.least - rounding;
}

/** The HUD sizes of a range at which screens have surfaces of a part. */
export function hudSizesIn(piece: Piece, part: Polygon, range: HudRange): HudRange {
  const { least, most } = piece.hudSizesOf(part);
  const from = Math.min(range.most, Math.max(range.least, least));
  return { least: from, most: Math.max(from, Math.min(range.most, most)) };
}

/** Surfaces of a failing that are laid out on a screen, at the most, until it is told there. */
const mostTold = 12;

/** HUD sizes whose views are kept, at the most. */
const mostKept = 60;

/** A view on single screens at the HUD sizes of a range: many failings are worst on the same ones. */
export class OnScreens {
  readonly #device: Device;
  readonly #range: HudRange;
  readonly #open: (hudSize: number) => View;
  readonly #views = new Map<
    number,
    { readonly view: View; readonly found: Map<string, readonly Finding[]> }
  >();

  /** @param open Opens the view at a HUD size. */
  constructor(device: Device, range: HudRange, open: (hudSize: number) => View) {
    this.#device = device;
    this.#range = range;
    this.#open = open;
  }

  /**
   * A failing as its check tells it on a screen, as large as the reference where that may be.
   * @param worst The surface on which it is worst. @param parts Those on which it fails.
   */
  told(
    finding: Finding,
    worst: Point,
    parts: readonly Polygon[],
    piece: Piece,
  ): { readonly finding: Finding; readonly worst: OnScreen } | undefined {
    const isThere = (at: Point) => isReached(piece, [at], this.#range);
    const surfaces = [worst, ...parts.flatMap((part) => [insideOf(part), ...part])]
      .filter(isThere)
      .slice(0, mostTold);
    const nearest = surfaces.slice(0, 1).map((from) => towards(worst, from, isThere));
    for (const surface of [...nearest, ...surfaces]) {
      const told = this.#toldOn(finding, surface, piece);
      if (told) return told;
    }
    return undefined;
  }

  #toldOn(
    finding: Finding,
    surface: Point,
    piece: Piece,
  ): { readonly finding: Finding; readonly worst: OnScreen } | undefined {
    const check = checks.find(({ id }) => id === finding.check)!;
    const { least, most } = hudSizesIn(piece, [surface], this.#range);
    // A scale that goes in steps is the next one at the last of them.
    const hudSize = Math.min(most - (most - least) * 1e-4, Math.max(least, 1));
    const scales = piece.scaleAt(surface, hudSize);
    const usual = Math.min(scales.most, Math.max(scales.least, hudSize));
    for (const scale of [usual, scales.most]) {
      const exact = { hudSize, width: surface.x * scale, height: surface.y * scale };
      for (const worst of [rounded(exact), exact]) {
        const same = this.#foundOn(worst, check).find((one) => keyOf(one) === keyOf(finding));
        if (same) return { finding: same, worst };
      }
    }
    return undefined;
  }

  #foundOn({ hudSize, width, height }: OnScreen, check: ListedCheck): readonly Finding[] {
    let known = this.#views.get(hudSize);
    if (!known) {
      if (this.#views.size === mostKept) this.#views.clear();
      this.#views.set(hudSize, (known = { view: this.#open(hudSize), found: new Map() }));
    }
    const key = `${width} ${height} ${check.id}`;
    let found = known.found.get(key);
    if (!found) {
      const screen = screenOf(this.#device, { x: width, y: height });
      known.found.set(key, (found = lookAt(known.view, [screen], [check]).findings));
    }
    return found;
  }
}

/** The last point on the way from one that is so to another. */
function towards(to: Point, from: Point, isSo: (at: Point) => boolean): Point {
  if (isSo(to)) return to;
  let [near, far] = [from, to];
  for (let nth = 0; nth < mostHalves; nth++) {
    const middle = { x: (near.x + far.x) / 2, y: (near.y + far.y) / 2 };
    if (isSo(middle)) near = middle;
    else far = middle;
  }
  return near;
}

/** Halves of a way, at the most: a billionth of it is left. */
const mostHalves = 30;

/** People open windows of whole px, and set round HUD sizes. */
function rounded({ hudSize, width, height }: OnScreen): OnScreen {
  return {
    hudSize: Math.round(hudSize * 1000) / 1000,
    width: Math.round(width),
    height: Math.round(height),
  };
}
