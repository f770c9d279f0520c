import { Playback, type Frame, type Solved } from '../layout/index.ts';
import type { Screen } from '../screen/index.ts';
import { TextBlock, steadyBetween } from '../text/index.ts';
import { boundsOf, holds, type ConditionBound, type ReadCondition } from '../skeleton/index.ts';
import type { Form, View } from '../view/index.ts';
import { KnownCells } from './known-cells.ts';
import {
  Planes,
  areaOf,
  cut,
  insideOf,
  thickness,
  widestThree,
  without,
  type Affine,
  type Point,
  type Polygon,
} from './polygon.ts';
import { holdsWholeSize } from './whole-sizes.ts';

/*
 * The plane of screens taken apart into convex cells in each of which the layout decides everything alike (docs/proof.md).
 */

/** A part of the plane in which a view decides everything alike: every edge of it is an affine function of the screen there. */
export interface Cell {
  readonly polygon: Polygon;
  readonly form: Form;
  /** Solves for another screen of the cell, by the decisions that hold in it. */
  readonly play: (point: Point) => Frame;
  /** A point well inside. */
  readonly inside: Point;
  /** Whether its scale is a curve, taken for a tangent: places are right to {@link bendPx} px. */
  readonly isBent: boolean;
}

/** Sizes of which nothing is said, and why. */
export interface Unproved {
  readonly polygon: Polygon;
  readonly reason: UnprovedReason;
}

/** `curved`: lengths that are no affine functions of the size. `many`: more cells, or more that fails, than is looked at. */
export type UnprovedReason = 'curved' | 'many';

export interface Explored {
  /** Layouts that were solved. */
  readonly solves: number;
  /** Cells that were looked at. */
  readonly cells: number;
  readonly unproved: readonly Unproved[];
}

export interface ExploreOptions {
  /** Cells that are looked at, at the most. */
  readonly mostCells?: number;
  /** Whether sizes between whole px are looked at too: no screen has one. */
  readonly betweenPixels?: boolean;
  /** Conditions beside those of the view that cells are divided by. */
  readonly conditions?: readonly ReadCondition[];
  /** Told how much of the region's area is done, from 0 to 1. */
  readonly progress?: (done: number) => void;
}

/** Parts thinner than this, in px, hold no size that their neighbours do not hold. */
const leastThickness = 1e-4;
/** What rounding may make of a number that is 0, in px. */
const rounding = 1e-6;
/** A part in which lengths are curved is halved until it is no longer than this, in px. */
const leastHalved = 64;

/**
 * Takes a region apart. Each cell is handed over while its decisions are still the ones recorded last; false ends it there.
 * @param view Is laid out by the recording solver from here on; nobody else may lay it out.
 */
export function explore(
  view: View,
  screenAt: (point: Point) => Screen,
  region: Polygon,
  onCell: (cell: Cell) => boolean,
  { mostCells = 2000, betweenPixels = false, conditions = [], progress }: ExploreOptions = {},
): Explored {
  const all = [...view.conditions, ...conditions];
  const borders = all.flatMap(boundsOf);
  const playback = new Playback((leaf, width) =>
    leaf instanceof TextBlock ? steadyBetween(leaf, width) : undefined,
  );
  const unproved: Unproved[] = [];
  const whole = areaOf(region);
  const left: Left[] = [ofItsOwn(region, false)];
  let [solves, cells, done] = [0, 0, 0];
  let isEnough = false;
  /** Whether a part of the cell of a point speaks of any screen. */
  const hasScreens = (polygon: Polygon, inside: Point): boolean => {
    if (betweenPixels) return true;
    let unmet: readonly ReadCondition[] | undefined;
    return holdsWholeSize(polygon, (from, to) => {
      unmet ??= unmetOn(all, view.frameOn(screenAt(inside)));
      const [first, last] = [view.frameOn(screenAt(from)), view.frameOn(screenAt(to))];
      // What holds on two sizes holds between them.
      return unmet.some((condition) => holds(condition, first) && holds(condition, last));
    });
  };
  while (left.length > 0) {
    const { polygon, base } = left.pop()!;
    const { isSliced } = base;
    const least = isSliced ? 2 * bendPx : leastThickness;
    if (polygon.length < 3 || thickness(polygon) < least) continue;
    let inside = insideOf(polygon);
    const known = base.cells.at(inside);
    const beside = known && besideOf(polygon, known, least);
    if (beside) {
      left.push(...beside.map((part) => ({ polygon: part, base })));
      continue;
    }
    if (!hasScreens(polygon, inside)) {
      done += areaOf(polygon);
      continue;
    }
    if (cells >= mostCells || isEnough) {
      for (const part of base.cells.leave(polygon, least)) unproved.push({ polygon: part, reason: 'many' });
      continue;
    }
    cells++;
    let form: Form | undefined;
    const what: Solved = {
      reference: view.reference,
      hudSize: view.occasion.hudSize,
      planOn: (frame) => (form ??= view.formOn(frame)).plan,
    };
    const { decisions } = playback;
    const solved = (point: Point, how: 'record' | 'play') => {
      solves++;
      const frame = playback[how](what, screenAt(point));
      return {
        frame,
        leads: decisions.leads(),
        gap: decisions.widestGap(),
        bounds: boundLeads(borders, frame),
      };
    };
    let here = solved(inside, 'record');
    for (let nth = 1; nth <= mostTries && isOnLine(here); nth++) {
      form = undefined;
      inside = insideOf(polygon, nth);
      here = solved(inside, 'record');
    }
    if (decisions.isBent && !isSliced) {
      // Its slices are counted, it is not.
      cells--;
      left.push(...slicesOf(polygon).map((slice) => ofItsOwn(slice, true)));
      continue;
    }
    const corners = widestThree(base.polygon);
    const [a, b, c] = [solved(corners[0], 'play'), solved(corners[1], 'play'), solved(corners[2], 'play')];
    const lines: Affine[] = [];
    const isStraight = [
      linesOf(base.polygon, inside, corners, here.leads, [a.leads, b.leads, c.leads], lines),
      linesOf(base.polygon, inside, corners, here.bounds, [a.bounds, b.bounds, c.bounds], lines),
      Math.max(a.gap, b.gap, c.gap) <= rounding,
    ].every(Boolean);
    if (!isStraight) {
      if (polygon !== base.polygon) {
        // Lengths may be curved elsewhere alone.
        cells--;
        left.push(ofItsOwn(polygon, isSliced));
        continue;
      }
      const halves = halved(polygon);
      if (halves) left.push(...halves.map((half) => ofItsOwn(half, isSliced)));
      else {
        unproved.push({ polygon, reason: 'curved' });
        done += areaOf(polygon);
      }
      continue;
    }
    let cell = base.polygon;
    for (const line of lines) {
      const { above } = cut(cell, line);
      // Rounding can have put the point itself on the other side by a hair.
      if (above.length > 0) cell = above;
    }
    const rest = besideOf(polygon, cell, least);
    if (rest) {
      base.cells.add(cell);
      left.push(...rest.map((part) => ({ polygon: part, base })));
    } else {
      // Hardly anything of it is in this part: what is in it is taken for itself.
      cell = polygon;
      for (const line of lines) {
        const { above, below } = cut(cell, line);
        if (above.length === 0) continue;
        if (below.length > 0) left.push({ polygon: below, base });
        cell = above;
      }
      if (thickness(cell) < least) continue;
    }
    done += areaOf(cell);
    const inCell = insideOf(cell);
    if (!hasScreens(cell, inCell)) continue;
    isEnough = !onCell({
      polygon: cell,
      form: form!,
      inside: inCell,
      isBent: isSliced,
      play: (point) => {
        solves++;
        return playback.play(what, screenAt(point));
      },
    });
    progress?.(Math.min(1, done / whole));
  }
  return { solves, cells, unproved };
}

/** A part that cells are looked for in as a whole, wherever in it they are met first. */
interface Base {
  readonly polygon: Polygon;
  /** Whether it is a slice of a curved scale. */
  readonly isSliced: boolean;
  /** Those that are known. */
  readonly cells: KnownCells;
}

/** What is to be looked at yet, and what it is a part of. */
interface Left {
  readonly polygon: Polygon;
  readonly base: Base;
}

function ofItsOwn(polygon: Polygon, isSliced: boolean): Left {
  return { polygon, base: { polygon, isSliced, cells: new KnownCells() } };
}

/** What is left of a part beside a cell; undefined where the two have hardly anything in common. */
function besideOf(polygon: Polygon, cell: Polygon, least: number): readonly Polygon[] | undefined {
  if (cell.length < 3 || thickness(cell) < least) return undefined;
  const beside = without(polygon, cell, least);
  return beside[0] === polygon ? undefined : beside;
}

/** How far a tangent may be from a curve, in px. */
export const bendPx = 0.1;

/** Slices of a polygon along lines of one aspect, so thin that a mean of two sides is a line in each. */
function slicesOf(polygon: Polygon): readonly Polygon[] {
  const aspects = polygon.map(({ x, y }) => x / y);
  const [least, most] = [Math.min(...aspects), Math.max(...aspects)];
  const largest = Math.max(...polygon.map(({ x, y }) => Math.max(x, y)));
  // At a logarithm d from where it touches, the tangent of a mean is off by a share of d²/8 at the most.
  const thin = 2 * Math.sqrt((8 * bendPx) / largest);
  const count = Math.max(1, Math.ceil(Math.log(most / least) / thin));
  const slices: Polygon[] = [];
  let left = polygon;
  for (let nth = 1; nth < count; nth++) {
    const { above, below } = cut(left, { x: 1, y: -least * (most / least) ** (nth / count), c: 0 });
    slices.push(below);
    left = above;
  }
  return [...slices, left].filter((slice) => slice.length > 2);
}

/** Points of a part that are tried until one is on no line. */
const mostTries = 4;

/** Whether a point is on a line that divides conditions, so that it is on neither side of it. */
function isOnLine({ bounds }: { readonly bounds: readonly number[] }): boolean {
  return bounds.some((lead) => Math.abs(lead) <= rounding);
}

/**
 * Adds the lines that cut a polygon: where a decision would come out the other way.
 * @returns Whether every decision is an affine function of the size: the three corners give it, and the point inside agrees.
 */
function linesOf(
  polygon: Polygon,
  inside: Point,
  corners: readonly [Point, Point, Point],
  here: ArrayLike<number>,
  [a, b, c]: readonly [ArrayLike<number>, ArrayLike<number>, ArrayLike<number>],
  lines: Affine[],
): boolean {
  if (a.length !== here.length || b.length !== here.length || c.length !== here.length) return false;
  const planes = new Planes(corners);
  const shares = polygon.map((point) => sharesAt(corners, point));
  const own = sharesAt(corners, inside);
  const cutting: Affine[] = [];
  for (let nth = 0; nth < here.length; nth++) {
    // Bounds are as they are on either side.
    const side = here[nth]! < 0 ? -1 : 1;
    const inA = side * a[nth]!;
    const inB = side * b[nth]!;
    const inC = side * c[nth]!;
    const isPlain = Math.abs(here[nth]!) < Infinity;
    // What is infinite or no number says nothing about the size, anywhere.
    if (!isPlain) continue;
    const most = Math.max(Math.abs(inA), Math.abs(inB), Math.abs(inC));
    if (!(most < Infinity)) return false;
    const expected = own[0] * inA + own[1] * inB + own[2] * inC;
    if (Math.abs(expected - side * here[nth]!) > rounding * (1 + most)) return false;
    if (most <= rounding) continue;
    let least = Infinity;
    for (const share of shares) {
      const lead = share[0] * inA + share[1] * inB + share[2] * inC;
      if (lead < least) least = lead;
    }
    if (least >= -rounding) continue;
    cutting.push(planes.through(inA, inB, inC));
  }
  lines.push(...cutting);
  return true;
}

/** What a point is of three others: how much of each. */
function sharesAt([a, b, c]: readonly [Point, Point, Point], { x, y }: Point): [number, number, number] {
  const all = (b.x - a.x) * (c.y - a.y) - (c.x - a.x) * (b.y - a.y);
  const ofB = ((x - a.x) * (c.y - a.y) - (c.x - a.x) * (y - a.y)) / all;
  const ofC = ((b.x - a.x) * (y - a.y) - (x - a.x) * (b.y - a.y)) / all;
  return [1 - ofB - ofC, ofB, ofC];
}

function unmetOn(conditions: readonly ReadCondition[], frame: Frame): readonly ReadCondition[] {
  return conditions.filter((condition) => !holds(condition, frame));
}

/** How far a surface is from each border of a condition, in px; above 0 or below, as it is. */
function boundLeads(borders: readonly ConditionBound[], { width, height, scale }: Frame): number[] {
  return borders.map(({ of, at: limit }) => {
    if (of === 'aspect') return (width - limit * height) * scale;
    return ((of === 'width' ? width : height) - limit) * scale;
  });
}

/** The two halves of a polygon along its longer side; undefined where it is too small to be halved. */
function halved(polygon: Polygon): readonly [Polygon, Polygon] | undefined {
  const [xs, ys] = [polygon.map(({ x }) => x), polygon.map(({ y }) => y)];
  const [left, right] = [Math.min(...xs), Math.max(...xs)];
  const [top, bottom] = [Math.min(...ys), Math.max(...ys)];
  if (Math.max(right - left, bottom - top) <= leastHalved) return undefined;
  const line: Affine =
    right - left > bottom - top
      ? { x: 1, y: 0, c: -(left + right) / 2 }
      : { x: 0, y: 1, c: -(top + bottom) / 2 };
  const { above, below } = cut(polygon, line);
  return above.length > 0 && below.length > 0 ? [above, below] : undefined;
}
