import type { Subject } from '../checks/index.ts';
import { Acceptances, apartOf, checks, type CheckId, type ListedCheck } from '../checks/index.ts';
import { makeScreen, type Screen, type ScreenSize } from '../screen/index.ts';
import { readCondition } from '../skeleton/index.ts';
import { askedOf, isWorse, keyOf, lookAt, type Finding } from '../verdict/index.ts';
import type { Form, Occasion, View } from '../view/index.ts';
import { scenesOfCells } from './cell-scenes.ts';
import { explore, type Cell, type ExploreOptions, type UnprovedReason } from './cells.ts';
import { deepest, insideCorners, type Deepest } from './deepest.ts';
import { PartsByCell, type Part } from './parts-by-cell.ts';
import {
  areaOf,
  contains,
  insideOf,
  sidesOf,
  thickness,
  within,
  type Affine,
  type Point,
  type Polygon,
} from './polygon.ts';
import { undecided } from './traced/boxes.ts';
import { traced } from './traced/index.ts';

/** Screens of one kind, of any size: everything else about them, in px or as shares of their sides. */
export interface Device extends Omit<ScreenSize, 'name' | 'title' | 'width' | 'height' | 'safe' | 'corners'> {
  /** What its safe insets take: px, and shares of the width (left, right) or the height (top, bottom). */
  readonly safe?: { readonly px: Insets; readonly shares: Insets };
}

type Insets = readonly [top: number, right: number, bottom: number, left: number];

/** Sizes of screens: all between two, and between two aspects. */
export interface Region {
  readonly from: { readonly width: number; readonly height: number };
  readonly to: { readonly width: number; readonly height: number };
  /** Width divided by height; any if left out. */
  readonly aspect?: { readonly least: number; readonly most: number };
}

/** Where one check fails of one widget, or of two. */
export interface ProvedFinding {
  /** As the check tells it at its worst size. */
  readonly finding: Finding;
  /** The sizes on which it fails: convex parts, which may overlap. */
  readonly parts: readonly Polygon[];
  /** The size the finding was made on. */
  readonly worst: Point;
}

/** Sizes of which something is not proved. */
export interface Gap {
  readonly polygon: Polygon;
  /** `crowded`: so much lies in one place that the check has not compared all of it. `odd`: check and proof do not agree. */
  readonly reason: UnprovedReason | 'crowded' | 'odd';
  /** The check of which it is not; undefined where the layout itself is not known. */
  readonly check: CheckId | undefined;
}

/** On which sizes of screens a view holds. */
export interface Proof {
  readonly view: string;
  readonly occasion: Occasion;
  readonly region: Polygon;
  readonly findings: readonly ProvedFinding[];
  readonly gaps: readonly Gap[];
  /** What was found in the middle of cells by checks that are not proved: where else it is found is not known. */
  readonly seen: readonly Finding[];
  /** Cells in each of which the layout decides everything alike, and layouts that were solved. */
  readonly cells: number;
  readonly solves: number;
  /** Every form the view has in the region, and a screen on which it has it. */
  readonly forms: readonly { readonly form: Form; readonly screen: Screen }[];
}

/** The checks of which a proof says where they fail; the others are looked at in the middle of each cell. */
export const provedChecks: readonly CheckId[] = traced.map(({ check }) => check);

/** The corners of a region. @throws RangeError where it has no area. */
export function regionOf({ from, to, aspect }: Region): Polygon {
  const box = [
    { x: from.width, y: from.height },
    { x: to.width, y: from.height },
    { x: to.width, y: to.height },
    { x: from.width, y: to.height },
  ];
  const limits: Affine[] = [];
  if (aspect && aspect.least > 0) limits.push({ x: 1, y: -aspect.least, c: 0 });
  if (aspect && aspect.most < Infinity) limits.push({ x: -1, y: aspect.most, c: 0 });
  const region = to.width > from.width && to.height > from.height ? within(box, limits) : [];
  if (region.length < 3 || thickness(region) < 1)
    throw new RangeError('no screen, or only a line of them, is that large and has that aspect');
  return region;
}

/** Sizes beyond the edges of a region that are looked at with it, in px: what is so on an edge alone has no area in it. */
const edge = 0.01;

/** A region with a hair around it. */
function withEdges({ from, to, aspect }: Region): Region {
  const few = edge / to.width;
  return {
    from: { width: from.width - edge, height: from.height - edge },
    to: { width: to.width + edge, height: to.height + edge },
    ...(aspect && { aspect: { least: aspect.least * (1 - few), most: aspect.most * (1 + few) } }),
  };
}

/** Whether any size is that large and has that aspect, and not a line of them alone. */
export function hasArea(region: Region): boolean {
  try {
    regionOf(region);
    return true;
  } catch (error) {
    if (error instanceof RangeError) return false;
    throw error;
  }
}

/** One screen of a device. */
export function screenOf(device: Device, { x: width, y: height }: Point): Screen {
  const { safe, ...rest } = device;
  const insets = safe?.px.map((px, nth) => px + safe.shares[nth]! * (nth % 2 === 0 ? height : width));
  return makeScreen({
    ...rest,
    width,
    height,
    ...(insets && { safe: insets as unknown as Insets }),
  });
}

/** Every size from a small window to the largest monitors, and an ordinary desktop monitor: what is proved where nobody says more. */
export const everySize: Region = { from: { width: 640, height: 360 }, to: { width: 7680, height: 4320 } };
export const desktop: Device = { density: 92, distance: 600, inputs: ['mouse', 'keys'] };

export interface ProveLimits extends ExploreOptions {
  /**
   * Parts of what fails, of one view on one occasion, at the most; 100,000 if left out. A view that fails in so many places on so many
   * sizes has no use for a map of all of them: what is left is not proved.
   */
  readonly mostParts?: number;
}

/** What is known of one check of one widget, from all cells. */
interface Found {
  readonly check: CheckId;
  readonly widget: string;
  readonly other: string | undefined;
  /** Of what it is about, where that is not the widget. */
  readonly pointer: string | undefined;
  /** What tells it apart from others of the same. */
  readonly apart: string | undefined;
  readonly parts: (Part & Deepest)[];
  /** The largest depth of any part. */
  most: number;
}

/**
 * Proves on which sizes of screens a view holds (docs/proof.md).
 * @param open Opens the view; called once for each solver: the recording one wants plans of its own.
 * @throws RangeError for a region without area.
 */
export function proveView(
  open: (which: 'plain' | 'recorded') => View,
  device: Device,
  region: Region,
  { mostParts = 100_000, ...options }: ProveLimits = {},
): Proof {
  const corners = regionOf(region);
  const inRegion = sidesOf(corners);
  /** What of a polygon is in the region; all of one that is on its edge alone. */
  const clipped = (polygon: Polygon): Polygon => {
    const inside = within(polygon, inRegion);
    return inside.length < 3 || thickness(inside) < thinnest ? polygon : inside;
  };
  const screenAt = (point: Point) => screenOf(device, point);
  const [recorded, plain] = [open('recorded'), open('plain')];
  const scenesOf = scenesOfCells(recorded, plain, screenAt);
  const shown = new Map<Form, Screen>();
  const found = new Map<string, Found>();
  const gaps: Gap[] = [];
  const whole = areaOf(corners);
  const acceptances = new Acceptances();
  let [parts, cells] = [0, 0];
  const looks = new Looks(plain, screenAt, acceptances);
  const oneCell = (cell: Cell): boolean => {
    const scenes = scenesOf(cell);
    const { middle } = scenes;
    const { screen } = middle;
    const own = plain.formOn(plain.frameOn(screen));
    const { failing: said, unfinished } = looks.on(middle, provedList);
    const { widgets } = cell.form.tree;
    const nth = cells++;
    for (const one of traced) {
      const { check } = one;
      if (unfinished.has(check)) {
        gaps.push({ polygon: cell.polygon, reason: 'crowded', check });
        continue;
      }
      const fails = new Set<number>();
      const unsure: Polygon[] = [];
      const claims: (() => void)[] = [];
      one.trace(scenes, ({ widget, other, at: pointer, apart, where, by, isUnsure }) => {
        const cutting = undecided(scenes, where);
        if (!cutting) return;
        const failing = within(cell.polygon, cutting);
        if (failing.length < 3 || thickness(failing) < thinnest) return;
        const polygon = clipped(failing);
        if (acceptances.take(check, widgets[widget]!, widgets)) return;
        if (other !== undefined && acceptances.take(check, widgets[other]!, widgets)) return;
        if (isUnsure) {
          unsure.push(polygon);
          return;
        }
        if (contains(failing, cell.inside)) fails.add(widget);
        claims.push(() => {
          const ids = [widgets[widget]!.id, other === undefined ? undefined : widgets[other]!.id] as const;
          const key = [check, ...ids, pointer, apart].join('\n');
          let known = found.get(key);
          if (!known)
            found.set(
              key,
              (known = { check, widget: ids[0], other: ids[1], pointer, apart, parts: [], most: -Infinity }),
            );
          const worst = deepest(polygon, by ?? [...where], known.most);
          known.most = Math.max(known.most, worst.depth);
          known.parts.push({ cell: nth, polygon, ...worst });
          parts++;
        });
      });
      if (scenes.takeCurved().length > 0) {
        gaps.push({ polygon: cell.polygon, reason: 'curved', check });
        continue;
      }
      gaps.push(...unsure.map((polygon): Gap => ({ polygon, reason: 'curved', check })));
      const isOpen = unsure.some((polygon) => contains(polygon, cell.inside));
      // The check itself is asked in the middle: where it says something else than the polygons do, nothing is claimed.
      if (!isOpen && said.has(check) !== fails.size > 0)
        gaps.push({ polygon: cell.polygon, reason: 'odd', check });
      else for (const claim of claims) claim();
    }
    // What is not proved is only looked for: in small cells there is hardly anything else than beside them.
    if (!shown.has(own) || areaOf(cell.polygon) > whole / 1000) looks.note(middle, cell.inside);
    if (!shown.has(own)) shown.set(own, screen);
    return parts < mostParts;
  };
  const promised = plain.document.source.views[plain.name]!.expect ?? [];
  const conditions = promised.flatMap(({ on }) => (on ? [readCondition(on)] : []));
  const explored = explore(recorded, screenAt, regionOf(withEdges(region)), oneCell, {
    ...options,
    conditions,
  });
  return {
    view: plain.name,
    occasion: plain.occasion,
    region: corners,
    findings: tellAll([...found.values()], looks, gaps),
    gaps: [...explored.unproved.map((one): Gap => ({ ...one, check: undefined })), ...gaps].map((gap) => ({
      ...gap,
      polygon: clipped(gap.polygon),
    })),
    seen: looks.others,
    cells: explored.cells,
    solves: explored.solves,
    forms: [...shown].map(([form, screen]) => ({ form, screen })),
  };
}

/** Parts thinner than this, in px, are what rounding leaves. */
const thinnest = 1e-3;

/**
 * What is told of findings: as the check tells them where they are worst. A check may tell two failings in one sentence: what a
 * widget carries over an edge with it, two pairs of the same two branches. One whose every size is told of with another is left out.
 */
function tellAll(found: readonly Found[], looks: Looks, gaps: Gap[]): readonly ProvedFinding[] {
  const told: ProvedFinding[] = [];
  const others: Found[] = [];
  const known = new PartsByCell();
  for (const one of found) {
    const proved = tellWorst(one, looks);
    if (proved) {
      told.push(proved);
      known.add(one.check, one.parts);
    } else others.push(one);
  }
  for (const one of others) {
    const left = known.without(one.check, one.parts, thinnest);
    if (left.length === 0) continue;
    const points = left
      .toSorted((a, b) => areaOf(b) - areaOf(a))
      .slice(0, 4 * mostAsked)
      .map(insideOf);
    const proved = worstOf(toldAmong(one, points, looks).map((told) => towardsDeepest(one, told, looks)));
    if (proved) {
      told.push(proved);
      known.add(one.check, one.parts);
    } else gaps.push(...left.map((polygon): Gap => ({ polygon, reason: 'odd', check: one.check })));
  }
  return told;
}

/** A finding as the check tells it where it is worst. */
function tellWorst(found: Found, looks: Looks): ProvedFinding | undefined {
  const parts = found.parts.toSorted((a, b) => b.depth - a.depth).slice(0, mostAsked);
  const [first] = parts;
  for (const { deepest: point } of parts) {
    const proved = tell(found, point, looks);
    if (!proved) continue;
    // It may be as bad elsewhere in the first part, and told there alone.
    const corners = point === first!.deepest ? [] : insideCorners(first!.polygon);
    return worstOf([proved, ...toldAmong(found, corners, looks)]);
  }
  return undefined;
}

function toldAmong(found: Found, points: readonly Point[], looks: Looks): readonly ProvedFinding[] {
  return points.flatMap((point) => (tellAt(found, point, looks) ? (tell(found, point, looks) ?? []) : []));
}

/** The same nearer to where it is worst, as far as it is told by itself on the way there. */
function towardsDeepest(found: Found, told: ProvedFinding, looks: Looks): ProvedFinding {
  const part = found.parts.find(({ polygon }) => contains(polygon, told.worst));
  if (!part) return told;
  let [best, near, far] = [told, told.worst, part.deepest];
  for (let nth = 0; nth < mostSteps; nth++) {
    const middle = { x: (near.x + far.x) / 2, y: (near.y + far.y) / 2 };
    const one = tellAt(found, middle, looks) && tell(found, middle, looks);
    if (!one) far = middle;
    else [best, near] = [worstOf([best, one])!, middle];
  }
  return best;
}

/** Halves of the way to where a finding is worst, at the most. */
const mostSteps = 6;

function worstOf([first, ...others]: readonly ProvedFinding[]): ProvedFinding | undefined {
  let worst = first;
  for (const one of others)
    if (isWorse(one.finding.fails, one.finding.worst, worst!.finding.worst)) worst = one;
  return worst;
}

/** A finding as the check tells it at a size, or on a screen of whole px beside it. */
function tell(found: Found, at: Point, looks: Looks): ProvedFinding | undefined {
  for (const point of [...wholeNear(found, at), at]) {
    const same = tellAt(found, point, looks);
    if (same) return { finding: same, parts: found.parts.map(({ polygon }) => polygon), worst: point };
  }
  return undefined;
}

/** What the check says of a finding on a size; undefined where it says nothing of it. */
function tellAt(found: Found, point: Point, looks: Looks): Finding | undefined {
  const check = provedList.find(({ id }) => id === found.check)!;
  return looks
    .at(point, check)
    .find(
      ({ widget, other, pointer, facts }) =>
        widget === found.widget &&
        (found.pointer === undefined || pointer === found.pointer) &&
        (found.apart === undefined || apartOf(found.check, facts) === found.apart) &&
        (other === found.other || found.other === undefined || other === undefined),
    );
}

/** Screens of whole px around a point, the nearest first, that are among the sizes a finding fails on: people open windows of those. */
function wholeNear({ parts }: Found, { x, y }: Point): readonly Point[] {
  const [left, top] = [Math.floor(x), Math.floor(y)];
  const far = (point: Point) => (point.x - x) ** 2 + (point.y - y) ** 2;
  return [0, 1, 2, 3]
    .map((nth) => ({ x: left + (nth % 2), y: top + (nth >> 1) }))
    .filter((point) => parts.some(({ polygon }) => contains(polygon, point)))
    .sort((a, b) => far(a) - far(b));
}

/** Sizes at which the check itself is asked for the words of one finding. */
const mostAsked = 3;

/** What checks say of a size: by check the widgets it fails of, and which have not compared all there is. */
interface Looked {
  readonly failing: ReadonlyMap<CheckId, readonly string[]>;
  readonly unfinished: ReadonlySet<CheckId>;
}

/** What the checks themselves say on single sizes. */
class Looks {
  readonly #view: View;
  readonly #screenAt: (point: Point) => Screen;
  readonly #acceptances: Acceptances;
  readonly #known = new Map<string, readonly Finding[]>();
  /** By check, widgets and what tells two of them apart: the first size that something was seen on. */
  readonly #noted = new Map<string, { readonly check: ListedCheck; readonly point: Point }>();

  constructor(view: View, screenAt: (point: Point) => Screen, acceptances: Acceptances) {
    this.#view = view;
    this.#screenAt = screenAt;
    this.#acceptances = acceptances;
  }

  /** The findings of a check on a size. */
  at(point: Point, check: ListedCheck): readonly Finding[] {
    const key = `${point.x} ${point.y} ${check.id}`;
    let found = this.#known.get(key);
    if (!found) this.#known.set(key, (found = lookAt(this.#view, [this.#screenAt(point)], [check]).findings));
    return found;
  }

  /** Which checks fail, of which widgets, and what tells two such apart. */
  on(subject: Subject, list: readonly ListedCheck[]): Looked {
    const failing = new Map<CheckId, string[]>();
    const unfinished = new Set<CheckId>();
    const { widgets } = subject;
    for (const check of list) {
      const { drafts, isWhole } = askedOf(check, subject);
      if (!isWhole) unfinished.add(check.id);
      for (const { outcome, widget, other, facts } of drafts) {
        if (outcome !== 'failed') continue;
        if (this.#acceptances.take(check.id, widgets[widget]!, widgets)) continue;
        if (other !== undefined && this.#acceptances.take(check.id, widgets[other]!, widgets)) continue;
        const ids = [widgets[widget]!.id, other === undefined ? '' : widgets[other]!.id];
        const own = [...ids, apartOf(check.id, facts) ?? ''].join('\n');
        const known = failing.get(check.id);
        if (known) known.push(own);
        else failing.set(check.id, [own]);
      }
    }
    return { failing, unfinished };
  }

  /** Asks the checks that are not proved. */
  note(subject: Subject, point: Point): void {
    for (const [id, owns] of this.on(subject, otherList).failing)
      for (const own of owns) {
        const key = `${id}\n${own}`;
        if (!this.#noted.has(key))
          this.#noted.set(key, { check: otherList.find((one) => one.id === id)!, point });
      }
  }

  /** What checks that are not proved were seen to say. */
  get others(): readonly Finding[] {
    const told = new Set<string>();
    return [...this.#noted].flatMap(([key, { check, point }]) => {
      const [, widget, other, apart] = key.split('\n');
      const found = this.at(point, check).find(
        (one) =>
          one.outcome === 'failed' &&
          one.widget === widget &&
          (one.other ?? '') === other &&
          (apartOf(check.id, one.facts) ?? '') === apart,
      );
      const own = found && keyOf(found);
      if (!found || told.has(own!)) return [];
      told.add(own!);
      return [found];
    });
  }
}

const provedList = checks.filter(({ id }) => provedChecks.includes(id));
const otherList = checks.filter(({ id }) => !provedChecks.includes(id));
