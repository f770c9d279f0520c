import type { Acceptances } from '../checks/index.ts';
import {
  apartOf,
  checks,
  type CheckId,
  type ListedCheck,
  type Subject,
  type Subjects,
} from '../checks/index.ts';
import type { Screen } from '../screen/index.ts';
import { askedOf, foundBy, isWorse, keyOf, type Finding, type Unexplained } from '../verdict/index.ts';
import type { UnprovedReason } from './cells.ts';
import { insideCorners, type Deepest } from './deepest.ts';
import { PartsByCell, type Part } from './parts-by-cell.ts';
import { areaOf, contains, insideOf, thinnest, type Point, type Polygon } from './polygon.ts';
import { traced } from './traced/index.ts';

/* What is told of what a proof has found: as the checks themselves tell it, on the size on which it is worst. */

/** The checks of which a proof says where they fail; the others are looked at in the middle of each cell. */
export const provedChecks: readonly CheckId[] = traced.map(({ check }) => check);

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

/** What is known of one check of one widget, from all cells. */
export interface Found {
  readonly check: CheckId;
  readonly widget: string;
  readonly other: string | undefined;
  /** Of what it is about, where that is not the widget. */
  readonly pointer: string | undefined;
  /** What tells it apart from others of the same. */
  readonly apart: string | undefined;
  /** What it is told of, then what may be told in its place: what its widget is in, or another pair of the same branches. */
  readonly with: readonly [string, ...string[]];
  readonly parts: (Part & Deepest)[];
  /** The largest depth of any part. */
  most: number;
}

/**
 * What is told of findings: as the check tells them where they are worst. A check may tell two failings in one sentence: what a
 * widget carries over an edge with it, two pairs of the same two branches. One whose every size is told of with another is left out.
 */
export function tellAll(found: readonly Found[], looks: Looks, gaps: Gap[]): readonly ProvedFinding[] {
  const told: ProvedFinding[] = [];
  const others: Found[] = [];
  const known = new PartsByCell();
  for (const one of found) {
    const proved = tellWorst(one, looks);
    if (proved) {
      told.push(proved);
      known.add(one.check, one.with[0], one.parts);
    } else others.push(one);
  }
  for (const one of others) {
    const left = known.without(one.check, one.with, one.parts, thinnest);
    if (left.length === 0) continue;
    const points = left
      .toSorted((a, b) => areaOf(b) - areaOf(a))
      .slice(0, 4 * mostAsked)
      .map(insideOf);
    const corners = deepestParts(one).flatMap(({ polygon }) => insideCorners(polygon));
    const proved = nearestToWorst(one, toldAmong(one, [...points, ...corners], looks), looks);
    if (proved) {
      told.push(proved);
      known.add(one.check, one.with[0], one.parts);
    } else gaps.push(...left.map((polygon): Gap => ({ polygon, reason: 'odd', check: one.check })));
  }
  return told;
}

/** A finding as the check tells it where it is worst; undefined where something else is told there in its place. */
function tellWorst(found: Found, looks: Looks): ProvedFinding | undefined {
  const corners: Point[] = [];
  const parts = deepestParts(found);
  for (const { deepest: point, polygon, depth } of parts) {
    const proved = tell(found, point, looks);
    if (!proved) corners.push(...insideCorners(polygon));
    else if (corners.length === 0) {
      // As bad to rounding: the screen of whole px beside the one may be less so than that beside the other.
      const alike = parts.filter(
        (one) => one.deepest !== point && one.depth >= depth - rounding * Math.abs(depth),
      );
      return worstOf([proved, ...alike.flatMap((one) => tell(found, one.deepest, looks) ?? [])]);
    } else return nearestToWorst(found, [proved, ...toldAmong(found, corners, looks)], looks);
  }
  return undefined;
}

/** What rounding may make of a depth, as a share. */
const rounding = 1e-6;

/** The parts in which a finding is worst, the worst first. */
function deepestParts({ parts }: Found): readonly (Part & Deepest)[] {
  return parts.toSorted((a, b) => b.depth - a.depth).slice(0, mostAsked);
}

/** The worst of some findings that are told, each led to where it is worst. */
function nearestToWorst(
  found: Found,
  told: readonly ProvedFinding[],
  looks: Looks,
): ProvedFinding | undefined {
  return worstOf(told.map((one) => towardsDeepest(found, one, looks)));
}

function toldAmong(found: Found, points: readonly Point[], looks: Looks): readonly ProvedFinding[] {
  return points.flatMap((point) => (tellAt(found, point, looks) ? (tell(found, point, looks) ?? []) : []));
}

/** The same nearer to where it is worst, as far as it is told by itself on the way there. */
function towardsDeepest(found: Found, told: ProvedFinding, looks: Looks): ProvedFinding {
  const [part] = found.parts
    .filter(({ polygon }) => contains(polygon, told.worst))
    .sort((a, b) => b.depth - a.depth);
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
const mostSteps = 8;

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
    if (same)
      return { finding: same.explained(), parts: found.parts.map(({ polygon }) => polygon), worst: point };
  }
  return undefined;
}

/** What the check says of a finding on a size; undefined where it says nothing of it. */
function tellAt(found: Found, point: Point, looks: Looks): Unexplained | undefined {
  const check = provedList.find(({ id }) => id === found.check)!;
  return looks
    .at(point, check, found.widget)
    .find(
      ({ other, pointer, facts }) =>
        (found.pointer === undefined || pointer === found.pointer) &&
        (found.apart === undefined || apartOf(found.check, facts) === found.apart) &&
        (other === found.other || found.other === undefined || other === undefined),
    );
}

/**
 * Screens of whole px around a point that are among the sizes a finding fails on: people open windows of those. First those of the
 * part the point is in, as it may be less bad in the next one; of them the nearest.
 */
function wholeNear({ parts }: Found, { x, y }: Point): readonly Point[] {
  const [left, top] = [Math.floor(x), Math.floor(y)];
  const far = (point: Point) => (point.x - x) ** 2 + (point.y - y) ** 2;
  const own = parts.filter(({ polygon }) => contains(polygon, { x, y }));
  const isIn = (some: readonly Part[], point: Point) =>
    some.some(({ polygon }) => contains(polygon, point)) ? 0 : 1;
  return [0, 1, 2, 3]
    .map((nth) => ({ x: left + (nth % 2), y: top + (nth >> 1) }))
    .filter((point) => isIn(parts, point) === 0)
    .sort((a, b) => isIn(own, a) - isIn(own, b) || far(a) - far(b));
}

/** Sizes at which the check itself is asked for the words of one finding. */
const mostAsked = 3;

/** Sizes whose layouts are kept, at the most. */
const mostLaidOut = 100;

/** A view on one size, and what checks find there. */
interface LaidOut {
  readonly subject: Subject;
  /** By check and widget. */
  readonly found: Map<CheckId, ReadonlyMap<string, readonly Unexplained[]>>;
}

/** What checks say of a size: by check the widgets it fails of, and which have not compared all there is. */
interface Looked {
  readonly failing: ReadonlyMap<CheckId, readonly Failing[]>;
  readonly unfinished: ReadonlySet<CheckId>;
}

/** A widget a check fails of, or two, with what tells two such apart. */
interface Failing {
  readonly own: string;
  /** In the unit of the check. */
  readonly measured: number;
}

/** What was seen of a check that is not proved, where it was worst. */
interface Noted {
  readonly check: ListedCheck;
  readonly point: Point;
  readonly measured: number;
}

/** What the checks themselves say on single sizes. */
export class Looks {
  readonly #subjects: Subjects;
  readonly #screenAt: (point: Point) => Screen;
  readonly #acceptances: Acceptances;
  /** The view on the sizes asked about last, and what checks find there: of most of them several are asked. */
  readonly #laidOut = new Map<string, LaidOut>();
  /** By check, widgets and what tells two of them apart. */
  readonly #noted = new Map<string, Noted>();

  constructor(subjects: Subjects, screenAt: (point: Point) => Screen, acceptances: Acceptances) {
    this.#subjects = subjects;
    this.#screenAt = screenAt;
    this.#acceptances = acceptances;
  }

  /** The findings of a check on a size, of one widget and perhaps others. */
  at(point: Point, check: ListedCheck, widget: string): readonly Unexplained[] {
    const { subject, found } = this.#laidOutOn(point);
    let known = found.get(check.id);
    if (!known) found.set(check.id, (known = byWidget(foundBy(this.#subjects.view, check, subject))));
    return known.get(widget) ?? [];
  }

  #laidOutOn(point: Point): LaidOut {
    const key = `${point.x} ${point.y}`;
    let laidOut = this.#laidOut.get(key);
    if (!laidOut) {
      if (this.#laidOut.size >= mostLaidOut) this.#laidOut.clear();
      const subject = this.#subjects.on(this.#screenAt(point));
      this.#laidOut.set(key, (laidOut = { subject, found: new Map() }));
    }
    return laidOut;
  }

  /** Which checks fail, of which widgets, and what tells two such apart. */
  on(subject: Subject, list: readonly ListedCheck[]): Looked {
    const failing = new Map<CheckId, Failing[]>();
    const unfinished = new Set<CheckId>();
    const { widgets } = subject;
    for (const check of list) {
      const { drafts, isWhole } = askedOf(check, subject);
      if (!isWhole) unfinished.add(check.id);
      for (const draft of drafts) {
        if (draft.outcome !== 'failed') continue;
        const { widget, other, facts, measured } = draft;
        if (this.#acceptances.take(check.id, widgets[widget]!, widgets)) continue;
        if (other !== undefined && this.#acceptances.take(check.id, widgets[other]!, widgets)) continue;
        const ids = [widgets[widget]!.id, other === undefined ? '' : widgets[other]!.id];
        const one = { own: [...ids, apartOf(check.id, facts) ?? ''].join('\n'), measured };
        const known = failing.get(check.id);
        if (known) known.push(one);
        else failing.set(check.id, [one]);
      }
    }
    return { failing, unfinished };
  }

  /** Asks checks that are not proved. */
  note(subject: Subject, point: Point, list = unprovedList): void {
    const { failing } = this.on(subject, list);
    for (const check of list)
      for (const { own, measured } of failing.get(check.id) ?? []) {
        const key = `${check.id}\n${own}`;
        const known = this.#noted.get(key);
        const isWorse =
          !known || (check.fails === 'above' ? measured > known.measured : measured < known.measured);
        if (isWorse) this.#noted.set(key, { check, point, measured });
      }
  }

  /** What checks that are not proved were seen to say, on screens of whole px where they say it there too. */
  get others(): readonly Finding[] {
    const told = new Set<string>();
    return [...this.#noted].flatMap(([key, { check, point }]) => {
      const [, widget, other, apart] = key.split('\n');
      const toldOn = (at: Point) =>
        this.at(at, check, widget!).find(
          (one) =>
            one.outcome === 'failed' &&
            (one.other ?? '') === other &&
            (apartOf(check.id, one.facts) ?? '') === apart,
        );
      const found = toldOn({ x: Math.round(point.x), y: Math.round(point.y) }) ?? toldOn(point);
      const own = found && keyOf(found);
      if (!found || told.has(own!)) return [];
      told.add(own!);
      return [found.explained()];
    });
  }
}

function byWidget(found: readonly Unexplained[]): ReadonlyMap<string, readonly Unexplained[]> {
  const all = new Map<string, Unexplained[]>();
  for (const one of found) {
    const known = all.get(one.widget);
    if (known) known.push(one);
    else all.set(one.widget, [one]);
  }
  return all;
}

export const provedList = checks.filter(({ id }) => provedChecks.includes(id));
const unprovedList = checks.filter(({ id }) => !provedChecks.includes(id));
/** What may be found where nothing but colours differs. */
export const unprovedInColors = unprovedList.filter(({ readsColors }) => readsColors);
