import type { Reference } from '../layout/index.ts';
import { aspectsOf } from './holding.ts';
import { fixedOf } from './in-u.ts';
import { Mean, slices, type Span } from './mean.ts';
import { boundsOf, type Point, type Polygon } from './polygon.ts';
import { hasArea, regionOf, screenOf, type BoundedRegion, type Device, type Region } from './region.ts';

/*
 * The surfaces, in u, that screens have at a range of HUD sizes: convex polygons, each with the HUD sizes at which a screen has one
 * of its surfaces (docs/layout-model.md, 1.1 to 1.3). A point is a surface here: its width and its height.
 */

/** From the least to the most. */
export interface HudRange {
  readonly least: number;
  readonly most: number;
}

/** Surfaces that screens have at some HUD sizes. */
export interface Piece {
  readonly surfaces: BoundedRegion;
  /** Device px a u is, where that is the same on all of them. */
  readonly scale?: number;
  /** The HUD sizes at which a screen has one of some surfaces; those beyond the range too. */
  readonly hudSizesOf: (part: Polygon) => HudRange;
  /** Device px a u may be on a surface at a HUD size. */
  readonly scaleAt: (surface: Point, hudSize: number) => Span;
}

/** Polygons of surfaces that are looked at, at the most. */
const mostPieces = 600;

/** All surfaces of a region at a range of HUD sizes; undefined where they are more polygons than are looked at. */
export function piecesOf(
  reference: Reference,
  device: Device,
  region: Region,
  range: HudRange,
): readonly Piece[] | undefined {
  const found: Piece[] = [];
  for (const piece of everyPiece(reference, device, region, range)) {
    if (found.length === mostPieces) return undefined;
    found.push(piece);
  }
  return found;
}

function* everyPiece(
  reference: Reference,
  device: Device,
  region: Region,
  range: HudRange,
): Generator<Piece> {
  const { scaling, leastScale, mostScale, leastMillimetres, step } = reference;
  const corners = regionOf(region);
  const { density } = screenOf(device, corners[0]!);
  const held: Span = {
    least: Math.max(leastScale, (leastMillimetres * density) / 25.4),
    most: mostScale,
  };
  const aspects = aspectsOf(corners);
  if (scaling === 'none' || scaling === 'physical') {
    const one = fixedOf(reference, density);
    const any: BoundedRegion = { from: nothing, to: everything, aspect: aspects };
    if (step === 0) yield* onEveryScreen(any, one, region, held, range);
    for (const { scale, from, to } of stepsOf(step, held, one * range.least, one * range.most))
      yield* atScale(scale, any, region, () => ({ least: from / one, most: to / one }));
    return;
  }
  for (const mean of meansOf(reference, aspects)) {
    const screens = { ...region, aspect: mean.aspects };
    if (!hasArea(screens)) continue;
    const fitted = mean.on(regionOf(screens));
    if (scaling === 'whole') yield* atWhole(mean, fitted, step, region, held, range);
    else if (step > 0) {
      const steps = stepsOf(step, held, fitted.least * range.least, fitted.most * range.most);
      for (const one of steps) yield* whereHeld(mean, one, region, range);
    } else {
      yield* whereFree(mean, region, held, range);
      // A limit holds the scale: at the smallest HUD sizes, and at the largest.
      if (held.least > 0)
        yield* whereHeld(mean, { scale: held.least, from: 0, to: held.least }, region, range);
      if (held.most < Infinity)
        yield* whereHeld(mean, { scale: held.most, from: held.most, to: Infinity }, region, range);
    }
  }
}

const nothing = { width: 0, height: 0 };
const everything = { width: Infinity, height: Infinity };

/** The means that the fitted scale is, each on some aspects. */
function meansOf(reference: Reference, { least, most }: Span): readonly Mean[] {
  const { scaling, blend, width, height } = reference;
  if (scaling === 'blend') return slices(reference, blend, { least, most });
  const own = width / height;
  const ofHeight = 1;
  const ofWidth = 0;
  return [
    new Mean(reference, scaling === 'height' || scaling === 'cover' ? ofHeight : ofWidth, {
      least,
      most: Math.min(most, own),
    }),
    new Mean(reference, scaling === 'width' || scaling === 'cover' ? ofWidth : ofHeight, {
      least: Math.max(least, own),
      most,
    }),
  ].filter(({ aspects }) => aspects.least < aspects.most);
}

/** What of some surfaces screens of a region have at a scale of some. */
function ofScreens(
  { from, to, aspect, lines }: BoundedRegion,
  { from: small, to: large }: Region,
  scale: Span,
): BoundedRegion | undefined {
  const start = {
    width: Math.max(from.width, small.width / scale.most),
    height: Math.max(from.height, small.height / scale.most),
  };
  const end = {
    width: Math.min(to.width, large.width / scale.least),
    height: Math.min(to.height, large.height / scale.least),
  };
  // Where one side is open, the aspect ends it.
  const surfaces: BoundedRegion = {
    from: start,
    to: {
      width: Math.min(end.width, end.height * aspect!.most),
      height: Math.min(end.height, end.width / aspect!.least),
    },
    aspect: aspect!,
    ...(lines && { lines }),
  };
  return hasArea(surfaces) ? surfaces : undefined;
}

/** Where the surface is the screen divided by the HUD size, and by what a u is at 1. */
function* onEveryScreen(
  any: BoundedRegion,
  one: number,
  region: Region,
  held: Span,
  range: HudRange,
): Generator<Piece> {
  const { from: small, to: large } = region;
  const scaleAt = (hudSize: number) => Math.max(held.least, Math.min(held.most, one * hudSize));
  const surfaces = ofScreens(any, region, { least: scaleAt(range.least), most: scaleAt(range.most) });
  if (!surfaces) return;
  yield {
    surfaces,
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
  };
}

/** Where the scale is that of the HUD size: the mean of a surface is 1 divided by it. */
function* whereFree(mean: Mean, region: Region, held: Span, range: HudRange): Generator<Piece> {
  const { from: small, to: large } = region;
  const surfaces = ofScreens(mean.between({ least: 1 / range.most, most: 1 / range.least }), region, held);
  if (!surfaces) return;
  yield {
    surfaces,
    hudSizesOf: (part) => {
      const { least, most } = mean.on(part);
      return { least: 1 / most, most: 1 / least };
    },
    scaleAt: ({ x, y }) => ({
      least: Math.max(small.width / x, small.height / y, held.least),
      most: Math.min(large.width / x, large.height / y, held.most),
    }),
  };
}

/** A scale that screens have where the fitted scale times the HUD size is not below one number, and below another. */
interface Held {
  readonly scale: number;
  readonly from: number;
  readonly to: number;
}

/** Where the scale is the same for some fitted scales. */
function* whereHeld(
  mean: Mean,
  { scale, from, to }: Held,
  region: Region,
  range: HudRange,
): Generator<Piece> {
  const between = { least: from / (scale * range.most), most: to / (scale * range.least) };
  yield* atScale(scale, mean.between(between), region, (part) => {
    const { least, most } = mean.on(part);
    return { least: from / (scale * most), most: to / (scale * least) };
  });
}

/** Where the fitted scale is whole: each has HUD sizes of its own at which the scale goes on by a step. */
function* atWhole(
  mean: Mean,
  fitted: Span,
  step: number,
  region: Region,
  held: Span,
  range: HudRange,
): Generator<Piece> {
  // One below 1 is 1.
  for (let whole = 1; whole <= Math.max(1, fitted.most); whole++)
    for (const { scale, from, to } of stepsOf(step, held, whole * range.least, whole * range.most)) {
      const between = { least: whole === 1 ? 0 : whole / scale, most: (whole + 1) / scale };
      yield* atScale(scale, mean.between(between), region, () => ({
        least: from / whole,
        most: to / whole,
      }));
    }
}

function* atScale(
  scale: number,
  some: BoundedRegion,
  region: Region,
  hudSizesOf: Piece['hudSizesOf'],
): Generator<Piece> {
  const only = { least: scale, most: scale };
  const surfaces = ofScreens(some, region, only);
  if (surfaces) yield { surfaces, scale, hudSizesOf, scaleAt: () => only };
}

/** The scales that go on in steps, of numbers between two (equation 1.2). */
function* stepsOf(step: number, held: Span, least: number, most: number): Generator<Held> {
  if (step === 0) return;
  const low = Math.max(1, Math.floor(least / step), Math.floor(held.least / step));
  // What is as good as the next step is rounded to it.
  const last = Math.floor(most / step + 1e-9);
  const high = Math.max(low, Math.min(last, Math.ceil(held.most / step)));
  for (let nth = low; nth <= high; nth++)
    yield {
      scale: Math.max(held.least, Math.min(held.most, nth * step)),
      // A scale is not rounded down to nothing, and a limit holds it.
      from: nth === 1 || nth * step <= held.least ? 0 : nth * step,
      to: nth * step >= held.most ? Infinity : (nth + 1) * step,
    };
}
