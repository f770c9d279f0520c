import type { CheckedDocument } from '../document/index.ts';
import { checks, type CheckId, type ListedCheck } from '../checks/index.ts';
import { referenceOf, type Reference } from '../layout/index.ts';
import { isWorse, keyOf, lookAt, type Finding } from '../verdict/index.ts';
import { SharedViews, openView, type Occasion, type Resources, type View } from '../view/index.ts';
import { aspectsOf, type Aspects } from './holding.ts';
import { insideOf, type Point, type Polygon } from './polygon.ts';
import { proveView } from './prove.ts';
import { screenOf, type Device, type Region } from './region.ts';
import { DocumentInU } from './in-u.ts';
import { piecesOf, type HudRange, type Piece } from './surfaces.ts';
import type { Gap } from './told.ts';

/*
 * Every HUD size between two. In u, a layout follows from the surface alone, and the surface from the aspect of the screen and the
 * HUD size: all sizes at all HUD sizes are a few polygons of surfaces, and a view of 1 px to a u is proved on those.
 */

/** Where one check fails of one widget, or of two, at some HUD sizes. */
export interface HudFailure {
  /** As the check tells it on a screen, at the HUD size where it is worst. */
  readonly finding: Finding;
  readonly worst: { readonly hudSize: number; readonly width: number; readonly height: number };
  /** The HUD sizes at which it fails on some screen, in order. */
  readonly hudSizes: readonly HudRange[];
  readonly aspects: Aspects;
  /** On which it fails, at some of them. */
  readonly occasions: readonly Occasion[];
}

/** At which HUD sizes a view holds, on all sizes of screens and all occasions. Limits of half a px are half a u in it. */
export interface HudProof {
  readonly range: HudRange;
  /** What was proved. */
  readonly occasions: readonly Occasion[];
  /** Why no range of HUD sizes can be proved of it; undefined where one was. */
  readonly refused?: string;
  readonly failures: readonly HudFailure[];
  /** The HUD sizes at which nothing fails and all is proved, in order. */
  readonly holds: readonly HudRange[];
  /** What is not proved; polygons of surfaces, in u. */
  readonly gaps: readonly Gap[];
  readonly cells: number;
  readonly solves: number;
}

/** Checks whose limits are lengths on the glass, or at the eye: what they find follows from the size of a screen, too. */
export const checksOnGlass: readonly CheckId[] = ['small-target', 'thumb-target', 'small-text'];

/** What a proof of HUD sizes is made of. */
export interface HudSizesAsked {
  readonly resources: Resources;
  readonly device: Device;
  /** The sizes of screens, in px. */
  readonly region: Region;
  readonly range: HudRange;
  readonly occasions: readonly Occasion[];
  readonly mostCells?: number;
}

/** Proves at which HUD sizes a view holds on all sizes of a region. */
export function proveHudSizes(document: CheckedDocument, view: string, asked: HudSizesAsked): HudProof {
  const { resources, device, region, range, occasions, mostCells } = asked;
  const reference = referenceOf(document.source.reference);
  const refusing = (refused: string): HudProof => {
    return { range, occasions, refused, failures: [], holds: [], gaps: [], cells: 0, solves: 0 };
  };
  const pieces = piecesOf(reference, device, region, range);
  if (!pieces) return refusing('the scale goes in too many steps');
  const refused = whyNot(reference, device, pieces);
  if (refused !== undefined) return refusing(refused);
  const inU = new DocumentInU(
    document,
    screenOf(device, { x: region.to.width, y: region.to.height }).density,
  );
  const shared = new SharedViews(inU.document, resources);
  const real = new SharedViews(document, resources);
  const failures = new Map<string, HudFailure & { readonly parts: Polygon[] }>();
  const gaps: { readonly gap: Gap; readonly hudSizes: HudRange }[] = [];
  let [cells, solves] = [0, 0];
  for (const occasion of occasions) {
    const looks = new LooksOnScreens(device, (hudSize) =>
      openView(document, view, { resources, ...occasion, hudSize, shared: real }),
    );
    for (const piece of pieces) {
      const onSurface = openView(inU.document, view, { resources, ...occasion, hudSize: 1, shared });
      const proof = proveView(onSurface, deviceInU(device, piece), piece.surfaces, {
        mostCells,
        betweenPixels: true,
        onlyProved: true,
      });
      for (const { form } of proof.forms) {
        const stray = inU.strayIn(form.tree);
        if (stray)
          return refusing(`${stray.id} keeps a scaling that does not go along with that of the view`);
      }
      /** Beside a curve, surfaces are looked at that screens have at HUD sizes outside of the range alone. */
      const isInRange = (part: Polygon) => {
        const { least, most } = piece.hudSizesOf(part);
        return least <= range.most + rounding && most >= range.least - rounding;
      };
      cells += proof.cells;
      solves += proof.solves;
      for (const gap of proof.gaps)
        if (isInRange(gap.polygon) && (gap.check === undefined || !checksOnGlass.includes(gap.check)))
          gaps.push({ gap, hudSizes: within(piece.hudSizesOf(gap.polygon), range) });
      for (const { finding, parts: everywhere, worst } of proof.findings) {
        if (checksOnGlass.includes(finding.check) || isOnGlass(document, view, finding)) continue;
        const parts = everywhere.filter(isInRange);
        if (parts.length === 0) continue;
        const inRange = [worst, ...parts.flatMap((part) => [insideOf(part), ...part])]
          .filter((surface) => isInRange([surface]))
          .slice(0, mostTold);
        const surfaces = inRange.slice(0, 1).map((one) => towards(worst, one, (at) => isInRange([at])));
        const told = toldOn(finding, [...surfaces, ...inRange], piece, range, looks);
        if (!told) {
          gaps.push(
            ...parts.map((polygon) => ({
              gap: { polygon, reason: 'odd', check: finding.check } as const,
              hudSizes: within(piece.hudSizesOf(polygon), range),
            })),
          );
          continue;
        }
        const hudSizes = parts.map((part) => within(piece.hudSizesOf(part), range));
        const key = keyOf(finding);
        const known = failures.get(key);
        const all = [...(known?.parts ?? []), ...parts];
        const isWorst = !known || isWorse(told.finding.fails, told.finding.worst, known.finding.worst);
        failures.set(key, {
          ...(isWorst ? told : { finding: known.finding, worst: known.worst }),
          hudSizes: joined([...(known?.hudSizes ?? []), ...hudSizes]),
          aspects: aspectsAround(all),
          occasions: [...new Set([...(known?.occasions ?? []), occasion])],
          parts: all,
        });
      }
    }
  }
  const found = [...failures.values()].map(({ parts: _, ...failure }) => failure);
  const bad = joined([...found.flatMap(({ hudSizes }) => hudSizes), ...gaps.map(({ hudSizes }) => hudSizes)]);
  return {
    range,
    occasions,
    failures: found,
    holds: between(range, bad),
    gaps: gaps.map(({ gap }) => gap),
    cells,
    solves,
  };
}

/** Why surfaces follow from more than the aspect and the HUD size; undefined where they do not. */
function whyNot(
  { scaling, spare }: Reference,
  { safe }: Device,
  pieces: readonly Piece[],
): string | undefined {
  if (safe?.px.some((px) => px > 0) && pieces.some(({ scale }) => scale === undefined))
    return 'its safe insets are in px, and its scale is not the same on all sizes: give --safe in %';
  const isWithin = scaling === 'none' || scaling === 'physical' || scaling === 'whole';
  return spare === 'bars' && isWithin
    ? `with spare: bars and scaling: ${scaling}, how much is bars follows from the size of the screen`
    : undefined;
}

/** The same device where a u is a px. */
function deviceInU(device: Device, { scale = 1 }: Piece): Device {
  const { safe } = device;
  if (!safe) return device;
  const [top, right, bottom, left] = safe.px;
  return {
    ...device,
    safe: { ...safe, px: [top / scale, right / scale, bottom / scale, left / scale] },
  };
}

/** Whether what does not hold of a promise is a length on the glass or at the eye. */
function isOnGlass(document: CheckedDocument, view: string, { check, pointer, facts }: Finding): boolean {
  if (check !== 'broken-promise') return false;
  const promised = facts && 'promised' in facts ? facts.promised : undefined;
  if (promised !== 'at-least' && promised !== 'at-most') return false;
  const nth = Number(/\/expect\/(\d+)/.exec(pointer)?.[1]);
  const { width, height } = document.source.views[view]!.expect?.[nth]?.[promised] ?? {};
  return [width, height].some((length) => typeof length === 'string' && /px|mm|deg/.test(length));
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

/** Surfaces of a failing that are laid out on a screen, at the most, until it is told there. */
const mostTold = 12;

/** HUD sizes nearer to each other than this are the same. */
const rounding = 1e-9;

/** What the check says on a screen that has one of some surfaces at a HUD size, as large as the reference where that may be. */
function toldOn(
  finding: Finding,
  surfaces: readonly Point[],
  piece: Piece,
  range: HudRange,
  looks: LooksOnScreens,
): Pick<HudFailure, 'finding' | 'worst'> | undefined {
  const check = checks.find(({ id }) => id === finding.check)!;
  for (const surface of surfaces) {
    const { least, most } = within(piece.hudSizesOf([surface]), range);
    // A scale that goes in steps is the next one at the last of them.
    const hudSize = Math.min(most - (most - least) * 1e-4, Math.max(least, 1));
    const scales = piece.scaleAt(surface, hudSize);
    const usual = Math.min(scales.most, Math.max(scales.least, hudSize));
    for (const scale of [usual, scales.most]) {
      const exact = { hudSize, width: surface.x * scale, height: surface.y * scale };
      for (const worst of [rounded(exact), exact]) {
        const same = looks.at(worst, check).find((one) => keyOf(one) === keyOf(finding));
        if (same) return { finding: same, worst };
      }
    }
  }
  return undefined;
}

/** HUD sizes whose views are kept, at the most. */
const mostKept = 60;

/** What the checks say on single screens at single HUD sizes: many failings are worst on the same ones. */
class LooksOnScreens {
  readonly #device: Device;
  readonly #open: (hudSize: number) => View;
  readonly #views = new Map<
    number,
    { readonly view: View; readonly found: Map<string, readonly Finding[]> }
  >();

  constructor(device: Device, open: (hudSize: number) => View) {
    this.#device = device;
    this.#open = open;
  }

  at({ hudSize, width, height }: HudFailure['worst'], check: ListedCheck): readonly Finding[] {
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

/** People open windows of whole px, and set round HUD sizes. */
function rounded({ hudSize, width, height }: HudFailure['worst']): HudFailure['worst'] {
  return {
    hudSize: Math.round(hudSize * 1000) / 1000,
    width: Math.round(width),
    height: Math.round(height),
  };
}

function aspectsAround(parts: readonly Polygon[]): Aspects {
  const all = parts.map(aspectsOf);
  return {
    least: Math.min(...all.map(({ least }) => least)),
    most: Math.max(...all.map(({ most }) => most)),
  };
}

function within({ least, most }: HudRange, range: HudRange): HudRange {
  const from = Math.min(range.most, Math.max(range.least, least));
  return { least: from, most: Math.max(from, Math.min(range.most, most)) };
}

/** Ranges in order; those that meet as one. */
function joined(ranges: readonly HudRange[]): readonly HudRange[] {
  const found: { least: number; most: number }[] = [];
  for (const { least, most } of ranges.toSorted((a, b) => a.least - b.least)) {
    const last = found.at(-1);
    if (last && least <= last.most + 1e-9) last.most = Math.max(last.most, most);
    else found.push({ least, most });
  }
  return found;
}

/** What of a range lies in none of others, which are in order. */
function between(range: HudRange, others: readonly HudRange[]): readonly HudRange[] {
  const found: HudRange[] = [];
  let from = range.least;
  for (const { least, most } of others) {
    if (least > from) found.push({ least: from, most: least });
    from = Math.max(from, most);
  }
  if (range.most > from) found.push({ least: from, most: range.most });
  return found;
}
