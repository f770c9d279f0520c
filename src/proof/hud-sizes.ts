import type { CheckedDocument } from '../document/index.ts';
import { checks, type CheckId } from '../checks/index.ts';
import { referenceOf, type Reference } from '../layout/index.ts';
import { isWorse, keyOf, lookAt, type Finding } from '../verdict/index.ts';
import { SharedViews, openView, type Occasion, type Resources, type View } from '../view/index.ts';
import { aspectsOf, type Aspects } from './holding.ts';
import { boundsOf, type Point, type Polygon } from './polygon.ts';
import { proveView } from './prove.ts';
import { hasArea, regionOf, screenOf, type Device, type Region } from './region.ts';
import type { Gap } from './told.ts';

/*
 * Every HUD size between two. In u, a layout follows from the surface alone, and the surface from the aspect of the screen and the
 * HUD size: all sizes at all HUD sizes are a few polygons of surfaces, and a view of 1 px to a u is proved on those.
 */

/** From the least to the most. */
export interface HudRange {
  readonly least: number;
  readonly most: number;
}

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

/** Surfaces, in u, that screens have at some HUD sizes. */
interface Piece {
  readonly surfaces: Region;
  /** HUD sizes at which a screen has one of some surfaces; a few more where that is no line. */
  readonly hudSizesOf: (part: Polygon) => HudRange;
  /** Device px a u may be on a surface at a HUD size. */
  readonly scaleAt: (surface: Point, hudSize: number) => HudRange;
}

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
  const refused = whyNot(openView(document, view, { resources, ...occasions[0] }), reference, device);
  if (refused !== undefined)
    return { range, occasions, refused, failures: [], holds: [], gaps: [], cells: 0, solves: 0 };
  const pieces = piecesOf(reference, device, region, range);
  const { width, height } = reference;
  const inU = {
    ...document,
    source: { ...document.source, reference: { size: `${width}x${height}`, scaling: 'none' as const } },
  };
  const shared = new SharedViews(inU, resources);
  const real = new SharedViews(document, resources);
  const failures = new Map<string, HudFailure & { readonly parts: Polygon[] }>();
  const gaps: { readonly gap: Gap; readonly hudSizes: HudRange }[] = [];
  let [cells, solves] = [0, 0];
  for (const occasion of occasions)
    for (const piece of pieces) {
      const onSurface = openView(inU, view, { resources, ...occasion, hudSize: 1, shared });
      const proof = proveView(onSurface, device, piece.surfaces, { mostCells, betweenPixels: true });
      cells += proof.cells;
      solves += proof.solves;
      const openReal = (hudSize: number) =>
        openView(document, view, { resources, ...occasion, hudSize, shared: real });
      for (const gap of proof.gaps)
        if (gap.check === undefined || !checksOnGlass.includes(gap.check))
          gaps.push({ gap, hudSizes: within(piece.hudSizesOf(gap.polygon), range) });
      for (const { finding, parts, worst } of proof.findings) {
        if (checksOnGlass.includes(finding.check) || isOnGlass(document, view, finding)) continue;
        const told = toldOn(finding, worst, piece, range, device, openReal);
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

/** All surfaces of a region at a range of HUD sizes (docs/layout-model.md, 1.1 to 1.3). */
function piecesOf(reference: Reference, device: Device, region: Region, range: HudRange): readonly Piece[] {
  const { scaling, width, height, leastScale, mostScale, leastMillimetres } = reference;
  const isFixed = scaling === 'none' || scaling === 'physical';
  const corners = regionOf(region);
  const { density } = screenOf(device, corners[0]!);
  const { least, most } = aspectsOf(corners);
  const [small, large] = [region.from, region.to];
  const held: HudRange = {
    least: Math.max(leastScale, (leastMillimetres * density) / 25.4),
    most: mostScale,
  };
  const scales = (surface: Point): HudRange => ({
    least: Math.max(small.width / surface.x, small.height / surface.y),
    most: Math.min(large.width / surface.x, large.height / surface.y),
  });
  /** Surfaces of a box, in u, that screens of the region have at scales between the limits. */
  const surfaces = (
    from: Region['from'],
    to: Region['to'],
    aspect: Aspects,
    scale: HudRange,
  ): Region | undefined => {
    const start = {
      width: Math.max(from.width, small.width / scale.most),
      height: Math.max(from.height, small.height / scale.most),
    };
    const end = {
      width: Math.min(to.width, large.width / scale.least),
      height: Math.min(to.height, large.height / scale.least),
    };
    // Where one side is open, the aspect ends it.
    const piece: Region = {
      from: start,
      to: {
        width: Math.min(end.width, end.height * aspect.most),
        height: Math.min(end.height, end.width / aspect.least),
      },
      aspect,
    };
    return hasArea(piece) ? piece : undefined;
  };
  const pieces: Piece[] = [];
  const add = (region: Region | undefined, rest: Omit<Piece, 'surfaces'>) => {
    if (region) pieces.push({ surfaces: region, ...rest });
  };
  const all: Aspects = { least, most };
  if (isFixed) {
    const one = scaling === 'none' ? 1 : (density / 25.4) * reference.millimetres;
    const scaleAt = (hudSize: number) => Math.max(held.least, Math.min(held.most, one * hudSize));
    const scale = { least: scaleAt(range.least), most: scaleAt(range.most) };
    add(surfaces({ width: 0, height: 0 }, { width: Infinity, height: Infinity }, all, scale), {
      hudSizesOf: (part) => {
        const { left, right, top, bottom } = boundsOf(part);
        const from = Math.max(small.width / right, small.height / bottom);
        const to = Math.min(large.width / left, large.height / top);
        // Where a limit holds the scale, it is the same at all HUD sizes beyond.
        return {
          least: from <= held.least ? range.least : from / one,
          most: to >= held.most ? range.most : to / one,
        };
      },
      scaleAt: (_, hudSize) => ({ least: scaleAt(hudSize), most: scaleAt(hudSize) }),
    });
    return pieces;
  }
  // Along which side the scale goes, on screens wider than the reference and on narrower ones.
  const wide = scaling === 'height' || scaling === 'contain' ? 'y' : 'x';
  const narrow = scaling === 'height' || scaling === 'cover' ? 'y' : 'x';
  const own = width / height;
  for (const [side, aspect] of [
    [narrow, { least, most: Math.min(most, own) }],
    [wide, { least: Math.max(least, own), most }],
  ] as const) {
    if (!(aspect.least < aspect.most)) continue;
    const length = side === 'x' ? width : height;
    const key = side === 'x' ? 'width' : 'height';
    const fitted = (surface: Point) => (side === 'x' ? surface.x : surface.y) / length;
    const box = (at: number) => ({ width: 0, height: 0, [key]: at }) as Region['from'];
    const open = (at: number) => ({ width: Infinity, height: Infinity, [key]: at }) as Region['to'];
    // The scale is that of the HUD size: the surface is as long as the reference divided by it.
    add(surfaces(box(length / range.most), open(length / range.least), aspect, held), {
      hudSizesOf: (part) => {
        const { left, right, top, bottom } = boundsOf(part);
        return side === 'x'
          ? { least: length / right, most: length / left }
          : { least: length / bottom, most: length / top };
      },
      scaleAt: (surface) => {
        const { least: from, most: to } = scales(surface);
        return { least: Math.max(from, held.least), most: Math.min(to, held.most) };
      },
    });
    // A limit holds the scale: at the smallest HUD sizes, and at the largest.
    if (held.least > 0)
      add(
        surfaces({ width: 0, height: 0 }, open(length / range.least), aspect, {
          least: held.least,
          most: held.least,
        }),
        {
          hudSizesOf: (part) => ({ least: range.least, most: 1 / Math.min(...part.map(fitted)) }),
          scaleAt: () => ({ least: held.least, most: held.least }),
        },
      );
    if (held.most < Infinity)
      add(
        surfaces(box(length / range.most), { width: Infinity, height: Infinity }, aspect, {
          least: held.most,
          most: held.most,
        }),
        {
          hudSizesOf: (part) => ({ least: 1 / Math.max(...part.map(fitted)), most: range.most }),
          scaleAt: () => ({ least: held.most, most: held.most }),
        },
      );
  }
  return pieces;
}

/** Why the surface of a view, or something in it, follows from more than the aspect and the HUD size; undefined where it does not. */
function whyNot(view: View, { scaling, spare, step }: Reference, { safe }: Device): string | undefined {
  if (safe?.px.some((px) => px > 0)) return 'its safe insets are in px: give --safe in %';
  if (scaling === 'blend') return 'the scaling blend follows from both sides of a screen at once';
  if (scaling === 'whole' || step > 0) return 'the scale goes in steps of device px';
  if (spare === 'bars') return 'with spare: bars, every surface has the aspect of the reference';
  const { width, height } = view.reference;
  const { widgets } = view.layoutOn({ width, height }).tree;
  const part = widgets.find(({ index, box }) => index > 0 && box.reference !== undefined);
  return part && `${part.id} keeps a scaling of its own`;
}

/** Whether a promise is about a length on the glass or at the eye. */
function isOnGlass(document: CheckedDocument, view: string, { check, pointer }: Finding): boolean {
  if (check !== 'broken-promise') return false;
  const nth = Number(/\/expect\/(\d+)/.exec(pointer)?.[1]);
  const promise = document.source.views[view]!.expect?.[nth];
  return /\d\s*(px|mm|deg)/.test(JSON.stringify(promise ?? ''));
}

/** What the check says on a screen that has a surface at a HUD size, as large as the reference where that may be. */
function toldOn(
  finding: Finding,
  surface: Point,
  piece: Piece,
  range: HudRange,
  device: Device,
  open: (hudSize: number) => View,
): Pick<HudFailure, 'finding' | 'worst'> | undefined {
  const check = checks.find(({ id }) => id === finding.check)!;
  const { least, most } = within(piece.hudSizesOf([surface]), range);
  const hudSize = Math.min(most, Math.max(least, 1));
  const scales = piece.scaleAt(surface, hudSize);
  const usual = Math.min(scales.most, Math.max(scales.least, hudSize));
  for (const scale of [usual, scales.most]) {
    const exact = { hudSize, width: surface.x * scale, height: surface.y * scale };
    for (const worst of [rounded(exact), exact]) {
      const screen = screenOf(device, { x: worst.width, y: worst.height });
      const { findings } = lookAt(open(worst.hudSize), [screen], [check]);
      const same = findings.find((one) => keyOf(one) === keyOf(finding));
      if (same) return { finding: same, worst };
    }
  }
  return undefined;
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
