import type { CheckedDocument } from '../document/index.ts';
import type { CheckId } from '../checks/index.ts';
import { referenceOf, type Reference } from '../layout/index.ts';
import { isWorse, keyOf, type Finding } from '../verdict/index.ts';
import { SharedViews, openView, type Occasion, type Resources } from '../view/index.ts';
import { aspectsOf, type Aspects } from './holding.ts';
import { DocumentInU } from './in-u.ts';
import { OnScreens, hudSizesIn, isReached, type OnScreen } from './on-screens.ts';
import type { Polygon } from './polygon.ts';
import { proveView } from './prove.ts';
import { screenOf, type Device, type Region } from './region.ts';
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
  readonly worst: OnScreen;
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
    const onScreens = new OnScreens(device, range, (hudSize) =>
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
      cells += proof.cells;
      solves += proof.solves;
      for (const gap of proof.gaps)
        if (
          isReached(piece, gap.polygon, range) &&
          (gap.check === undefined || !checksOnGlass.includes(gap.check))
        )
          gaps.push({ gap, hudSizes: hudSizesIn(piece, gap.polygon, range) });
      for (const { finding, parts: everywhere, worst } of proof.findings) {
        if (checksOnGlass.includes(finding.check) || isOnGlass(document, view, finding)) continue;
        const parts = everywhere.filter((part) => isReached(piece, part, range));
        if (parts.length === 0) continue;
        const told = onScreens.told(finding, worst, parts, piece);
        if (!told) {
          gaps.push(
            ...parts.map((polygon) => ({
              gap: { polygon, reason: 'odd', check: finding.check } as const,
              hudSizes: hudSizesIn(piece, polygon, range),
            })),
          );
          continue;
        }
        const hudSizes = parts.map((part) => hudSizesIn(piece, part, range));
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

function aspectsAround(parts: readonly Polygon[]): Aspects {
  const all = parts.map(aspectsOf);
  return {
    least: Math.min(...all.map(({ least }) => least)),
    most: Math.max(...all.map(({ most }) => most)),
  };
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
